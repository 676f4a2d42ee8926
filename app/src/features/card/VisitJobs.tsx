import type { ClockId } from '@hudrik/core/catalogue';
import type { CardReply, JobLine } from '@hudrik/core/contracts';
import { useState } from 'react';
import { View } from 'react-native';
import { Button, Card, Section, Words } from '@/design';
import { sayMinutes } from '@/writing';
import { JobTools } from './JobTools';
import { JOB_WORD } from './say';
import { StepList } from './Steps';
import type { CardHandle } from './useCard';

interface Props {
  readonly handle: CardHandle;
  readonly reply: CardReply;
  readonly works: boolean;
  readonly onClock: (clock: ClockId, stepId: string) => void;
}

/** The jobs of the visit as headings, each with its steps. What is ended is folded away. */
export function VisitJobs({ reply, ...rest }: Props) {
  const [all, setAll] = useState(false);
  const open = reply.jobs.filter((job) => job.closedAt === null);
  const ended = reply.jobs.filter((job) => job.closedAt !== null);
  const isOver = reply.visit.state === 'ended';
  return (
    <Section title="Jobs" count={open.length} place="jobs">
      {open.map((job) => (
        <OneJob key={job.id} job={job} reply={reply} {...rest} />
      ))}
      {all || isOver ? ended.map((job) => <OneJob key={job.id} job={job} reply={reply} {...rest} />) : null}
      {ended.length > 0 && !isOver ? (
        <Button
          kind="quiet"
          className="self-start"
          label={all ? 'Hide what is ended' : `${ended.length} ended: show`}
          onPress={() => setAll(!all)}
        />
      ) : null}
      <LooseSteps {...rest} />
    </Section>
  );
}

/** Steps of cards that are older than headings. */
function LooseSteps({ handle, works, onClock }: Omit<Props, 'reply'>) {
  return handle.card?.steps.some((step) => step.jobId === null) ? (
    <StepList handle={handle} jobId={null} works={works} onClock={onClock} />
  ) : null;
}

function OneJob({ job, handle, works, onClock }: Props & { readonly job: JobLine }) {
  const isOpen = job.closedAt === null;
  return (
    <Card className="gap-2">
      <View className="gap-1">
        <View className="flex-row items-baseline gap-3">
          <Words face="strong" size={22} className="min-w-0 flex-1" role="heading" aria-level={2}>
            {job.title}
          </Words>
          <Words size={13} face="strong">
            {JOB_WORD[job.state]}
          </Words>
        </View>
        {job.why.map((why) => (
          <Words key={why} size={15}>
            {why}
          </Words>
        ))}
        <Words size={13} tone="ink-soft">
          {`${sayMinutes(job.minutes)} expected${job.startedBy ? ` · begun by ${job.startedBy}` : ''}`}
        </Words>
      </View>
      <StepList handle={handle} jobId={job.id} works={works && isOpen} onClock={onClock} />
      {works && isOpen ? <JobTools job={job} /> : null}
    </Card>
  );
}
