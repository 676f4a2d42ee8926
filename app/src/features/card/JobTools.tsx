import type { JobLine } from '@hudrik/core/contracts';
import { useState } from 'react';
import { View } from 'react-native';
import { useSigns } from '@/api';
import { Button } from '@/design';
import { WriteSheet } from '@/forms';
import { useEntry } from '@/outbox';

interface Props {
  readonly job: JobLine;
  /** What stands beside them: the way to the card, say. */
  readonly children?: React.ReactNode;
}

const STAYS =
  'The job goes, what is wrong stays: the unit is not fit until that is put right. The reason stays in the history.';

/** What is done with a job as such: begun, signed off by a look, put off, dropped. */
export function JobTools({ job, children }: Props) {
  const start = useEntry('job-started');
  const finish = useEntry('job-finished');
  const putOff = useEntry('job-put-off');
  const drop = useEntry('job-dropped');
  const [sheet, setSheet] = useState<'done' | 'put-off' | 'drop' | null>(null);
  const signs = useSigns();
  const on = { jobId: job.id, tag: job.tag };
  const close = () => setSheet(null);
  return (
    <>
      <View className="flex-row flex-wrap gap-2">
        {job.state === 'open' ? null : (
          <Button
            className="grow"
            label={job.state === 'put-off' ? 'Take it up' : 'Start'}
            aria-label={`Start: ${job.title}`}
            disabled={start.isPending}
            onPress={() => start.mutate({ facts: {}, on })}
          />
        )}
        {children}
        {signs && !job.asksProof ? (
          <Button
            className="grow"
            label="Sign off"
            aria-label={`Sign off: ${job.title}`}
            onPress={() => setSheet('done')}
          />
        ) : null}
        {signs && job.state !== 'put-off' ? (
          <Button
            kind="quiet"
            label="Put off"
            aria-label={`Put off: ${job.title}`}
            onPress={() => setSheet('put-off')}
          />
        ) : null}
        {signs ? (
          <Button kind="quiet" label="Drop" aria-label={`Drop: ${job.title}`} onPress={() => setSheet('drop')} />
        ) : null}
      </View>
      {sheet === 'done' ? (
        <WriteSheet
          title={`Sign off: ${job.title}`}
          sentence="You looked at it, and it is done."
          label="What was done (optional)"
          button="Sign off"
          least={0}
          error={finish.error}
          looks={job.defects}
          onSend={(note, looks) => finish.mutateAsync({ facts: { note, looks: [...looks] }, on })}
          onClose={close}
        />
      ) : null}
      {sheet === 'put-off' ? (
        <WriteSheet
          title={`Put off: ${job.title}`}
          sentence="It waits for a later visit. What is wrong stays open until then."
          label="Why"
          button="Put it off"
          least={3}
          error={putOff.error}
          onSend={(why) => putOff.mutateAsync({ facts: { why }, on })}
          onClose={close}
        />
      ) : null}
      {sheet === 'drop' ? (
        <WriteSheet
          title={`Drop: ${job.title}`}
          sentence={job.defects.length > 0 ? STAYS : 'The reason stays in the history.'}
          label="Why"
          button="Drop the job"
          kind="stop"
          least={3}
          error={drop.error}
          onSend={(why) => drop.mutateAsync({ facts: { why }, on })}
          onClose={close}
        />
      ) : null}
    </>
  );
}
