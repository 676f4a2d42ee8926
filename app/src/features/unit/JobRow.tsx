import { standingOf } from '@hudrik/core/card';
import { cautionText } from '@hudrik/core/catalogue';
import type { JobLine } from '@hudrik/core/contracts';
import { router } from 'expo-router';
import { View } from 'react-native';
import { usePerson } from '@/api';
import { Button, Card, Caution, ReadinessMark, Words } from '@/design';
import { JobTools, STANDING_WORD } from '@/features/card';
import { sayMinutes } from '@/writing';

const KIND_WORD = {
  repair: 'Repair',
  service: 'Service',
  prep: 'Prep',
  'lay-up': 'Lay-up',
  'wake-up': 'Wake-up',
} as const;

interface Props {
  readonly job: JobLine;
  readonly title?: React.ReactNode;
  /** Not where what is wrong stands beside it already. */
  readonly withReasons?: boolean;
}

/** A job as a line: what, why, minutes; start it, sign it off by a look, put it off, or drop it with a reason. */
export function JobRow({ job, title, withReasons = true }: Props) {
  const { role } = usePerson();
  const standing = STANDING_WORD[standingOf(job.state, job.visit.state)].toLowerCase();
  return (
    <Card className="gap-2">
      {title}
      <View className="flex-row items-start gap-3">
        {job.blocks === 'none' ? null : <ReadinessMark of={job.blocks === 'hold' ? 'held' : 'prep'} size={22} />}
        <View className="min-w-0 flex-1">
          <Words face="strong">{job.title}</Words>
          <Words size={15} tone="ink-soft">
            {`${KIND_WORD[job.kind]} · ${sayMinutes(job.minutes)} · ${standing}${job.startedBy ? ` with ${job.startedBy}` : ''}`}
          </Words>
          {(withReasons ? job.why : []).map((why) => (
            <Words key={why} size={15}>
              {why}
            </Words>
          ))}
        </View>
      </View>
      {job.caution ? <Caution text={cautionText(job.caution)} /> : null}
      {role === 'counter' ? null : (
        <JobTools job={job}>
          <Button
            className="grow"
            label="Card"
            aria-label={`Card: ${job.title}`}
            onPress={() => router.navigate(`/j/${job.id}`)}
          />
        </JobTools>
      )}
    </Card>
  );
}
