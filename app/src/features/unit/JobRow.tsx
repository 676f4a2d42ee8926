import { cautionText } from '@hudrik/core/catalogue';
import type { JobLine } from '@hudrik/core/contracts';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, usePerson } from '@/api';
import { Button, Card, Caution, Failure, ReadinessMark, Words } from '@/design';
import { STATE_WORD } from '@/features/card';
import { useEntry } from '@/outbox';
import { sayMinutes } from '@/writing';
import { WriteSheet } from './WriteSheet';

const KIND_WORD = {
  repair: 'Repair',
  service: 'Service',
  prep: 'Prep',
  'lay-up': 'Lay-up',
  'wake-up': 'Wake-up',
} as const;
/** Work of these kinds ends by a look, without a run under load. */
const ENDS_BY_LOOK: ReadonlySet<string> = new Set(['prep', 'lay-up']);

interface Props {
  readonly job: JobLine;
  readonly title?: React.ReactNode;
  /** Not where what is wrong stands beside it already. */
  readonly withReasons?: boolean;
}

/** A job as a line: what, why, minutes; start it, sign it off with its proof, or drop it with a reason. */
export function JobRow({ job, title, withReasons = true }: Props) {
  const { role } = usePerson();
  const start = useEntry('job-started');
  const finish = useEntry('job-finished');
  const drop = useEntry('job-dropped');
  const [sheet, setSheet] = useState<'done' | 'drop' | null>(null);
  const signs = role === 'technician' || role === 'lead';
  return (
    <Card className="gap-2">
      {title}
      <View className="flex-row items-start gap-3">
        {job.blocks === 'none' ? null : <ReadinessMark of={job.blocks === 'hold' ? 'held' : 'prep'} size={22} />}
        <View className="min-w-0 flex-1">
          <Words face="strong">{job.title}</Words>
          <Words size={15} tone="ink-soft">
            {KIND_WORD[job.kind]} · {sayMinutes(job.minutes)} ·{' '}
            {`${STATE_WORD[job.state].toLowerCase()}${job.startedBy ? ` with ${job.startedBy}` : ''}`}
          </Words>
          {(withReasons ? job.why : []).map((why) => (
            <Words key={why} size={15}>
              {why}
            </Words>
          ))}
        </View>
      </View>
      {start.isError ? <Failure sentence={sentenceOf(start.error)} /> : null}
      {job.caution ? <Caution text={cautionText(job.caution)} /> : null}
      {role === 'counter' ? null : (
        <View className="flex-row flex-wrap gap-2">
          {job.state === 'waiting' ? (
            <Button
              className="grow"
              label="Start"
              aria-label={`Start: ${job.title}`}
              disabled={start.isPending}
              onPress={() => start.mutate({ facts: {}, on: { jobId: job.id, tag: job.tag } })}
            />
          ) : null}
          <Button
            className="grow"
            kind={ENDS_BY_LOOK.has(job.kind) ? 'plain' : 'main'}
            label="Card"
            aria-label={`Card: ${job.title}`}
            onPress={() => router.navigate(`/j/${job.id}`)}
          />
          {signs && ENDS_BY_LOOK.has(job.kind) ? (
            <Button
              className="grow"
              label="Sign off"
              aria-label={`Sign off: ${job.title}`}
              onPress={() => setSheet('done')}
            />
          ) : null}
          {signs ? (
            <Button kind="quiet" label="Drop" aria-label={`Drop: ${job.title}`} onPress={() => setSheet('drop')} />
          ) : null}
        </View>
      )}
      {sheet === 'done' ? (
        <WriteSheet
          title={`Sign off: ${job.title}`}
          sentence="You looked at it, and it is done."
          label="What was done (optional)"
          button="Sign off"
          least={0}
          error={finish.error}
          looks={job.defects}
          onSend={(note, looks) =>
            finish.mutateAsync({ facts: { note, looks: [...looks] }, on: { jobId: job.id, tag: job.tag } })
          }
          onClose={() => setSheet(null)}
        />
      ) : null}
      {sheet === 'drop' ? (
        <WriteSheet
          title={`Drop: ${job.title}`}
          sentence={
            job.defects.length > 0
              ? 'The job goes, what is wrong stays: the unit is not fit until that is put right. The reason stays in the history.'
              : 'The reason stays in the history.'
          }
          label="Why"
          button="Drop the job"
          kind="stop"
          least={3}
          error={drop.error}
          onSend={(why) => drop.mutateAsync({ facts: { why }, on: { jobId: job.id, tag: job.tag } })}
          onClose={() => setSheet(null)}
        />
      ) : null}
    </Card>
  );
}
