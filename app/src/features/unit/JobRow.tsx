import { CAUTIONS, type CautionId } from '@hudrik/core/catalogue';
import type { JobLine } from '@hudrik/core/contracts';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, useChange } from '@/api';
import { Button, Card, Caution, Failure, Field, ReadinessMark, Sheet, Words } from '@/design';
import { STATE_WORD } from '@/features/card';
import { sayMinutes } from '@/features/fleet';
import { usePerson } from '@/features/session';

const KIND_WORD = {
  repair: 'Repair',
  service: 'Service',
  prep: 'Prep',
  'lay-up': 'Lay-up',
  'wake-up': 'Wake-up',
} as const;
const LOOK_ENDS_IT = ['prep', 'lay-up'];

/** A job as a line: what, why, minutes; start it, sign it off with its proof, or drop it with a reason. */
export function JobRow({ job, title }: { readonly job: JobLine; readonly title?: React.ReactNode }) {
  const { role } = usePerson();
  const start = useChange('startJob');
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
          {job.why.map((why) => (
            <Words key={why} size={15}>
              {why}
            </Words>
          ))}
        </View>
      </View>
      {job.caution && job.caution in CAUTIONS ? <Caution text={CAUTIONS[job.caution as CautionId]} /> : null}
      {role === 'counter' ? null : (
        <View className="flex-row flex-wrap gap-2">
          {job.state === 'waiting' ? (
            <Button
              className="grow"
              label="Start"
              aria-label={`Start: ${job.title}`}
              onPress={() => start.mutate({ params: { id: job.id } })}
            />
          ) : null}
          <Button
            className="grow"
            kind={LOOK_ENDS_IT.includes(job.kind) ? 'plain' : 'main'}
            label="Card"
            aria-label={`Card: ${job.title}`}
            onPress={() => router.navigate(`/j/${job.id}`)}
          />
          {signs && LOOK_ENDS_IT.includes(job.kind) ? (
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
      {sheet === 'done' ? <SignOff job={job} onClose={() => setSheet(null)} /> : null}
      {sheet === 'drop' ? <Drop job={job} onClose={() => setSheet(null)} /> : null}
    </Card>
  );
}

/** What ends with a look is signed here; what must run is proven on its card. */
function SignOff({ job, onClose }: { readonly job: JobLine; readonly onClose: () => void }) {
  const finish = useChange('finishJob');
  const [note, setNote] = useState('');
  const send = async () => {
    await finish.mutateAsync({ params: { id: job.id }, body: { note }, seenVersion: job.version });
    onClose();
  };
  return (
    <Sheet title={`Sign off: ${job.title}`} open onClose={onClose}>
      {finish.isError ? <Failure sentence={sentenceOf(finish.error)} kept="What you wrote is still here." /> : null}
      <Words>You looked, and it is done.</Words>
      <Field label="Note (what was done)" value={note} onChangeText={setNote} multiline />
      <Button
        kind="main"
        tall
        label="Sign off"
        disabled={finish.isPending}
        onPress={() => void send().catch(() => undefined)}
      />
    </Sheet>
  );
}

function Drop({ job, onClose }: { readonly job: JobLine; readonly onClose: () => void }) {
  const drop = useChange('dropJob');
  const [why, setWhy] = useState('');
  const send = async () => {
    await drop.mutateAsync({ params: { id: job.id }, body: { why }, seenVersion: job.version });
    onClose();
  };
  return (
    <Sheet title={`Drop: ${job.title}`} open onClose={onClose}>
      {drop.isError ? <Failure sentence={sentenceOf(drop.error)} /> : null}
      <Words>A dropped job no longer holds the unit. Say why: the reason stays in the history.</Words>
      <Field label="Why" value={why} onChangeText={setWhy} multiline />
      <Button
        kind="stop"
        label="Drop the job"
        disabled={why.trim().length < 3 || drop.isPending}
        onPress={() => void send().catch(() => undefined)}
      />
    </Sheet>
  );
}
