import { CAUTIONS, type CautionId } from '@hudrik/core/catalogue';
import type { JobLine } from '@hudrik/core/contracts';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, useChange } from '@/api';
import { Button, Card, Caution, Choice, Failure, Field, ReadinessMark, Sheet, Words } from '@/design';
import { sayMinutes } from '@/features/fleet';
import { usePerson } from '@/features/session';

const KIND_WORD = { repair: 'Repair', service: 'Service', prep: 'Prep', 'lay-up': 'Lay-up', 'wake-up': 'Wake-up' } as const;
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
          <Words face="strong">{job.says}</Words>
          <Words size={15} tone="ink-soft">
            {KIND_WORD[job.kind]} · {sayMinutes(job.minutes)} · {job.state === 'open' ? `on the bench${job.startedBy ? ` with ${job.startedBy}` : ''}` : 'waiting'}
          </Words>
          {job.why.map((why) => (
            <Words key={why} size={15}>
              {why}
            </Words>
          ))}
        </View>
      </View>
      {job.caution && job.caution in CAUTIONS ? <Caution says={CAUTIONS[job.caution as CautionId]} /> : null}
      {role === 'counter' ? null : (
        <View className="flex-row flex-wrap gap-2">
          {job.state === 'waiting' ? <Button className="grow" label="Start" aria-label={`Start: ${job.says}`} onPress={() => start.mutate({ params: { id: job.id } })} /> : null}
          {signs ? <Button className="grow" label="Sign off" aria-label={`Sign off: ${job.says}`} onPress={() => setSheet('done')} /> : null}
          {signs ? <Button kind="quiet" label="Drop" aria-label={`Drop: ${job.says}`} onPress={() => setSheet('drop')} /> : null}
        </View>
      )}
      {sheet === 'done' ? <SignOff job={job} onClose={() => setSheet(null)} /> : null}
      {sheet === 'drop' ? <Drop job={job} onClose={() => setSheet(null)} /> : null}
    </Card>
  );
}

function SignOff({ job, onClose }: { readonly job: JobLine; readonly onClose: () => void }) {
  const finish = useChange('finishJob');
  const byLook = LOOK_ENDS_IT.includes(job.kind);
  const [note, setNote] = useState('');
  const [minutes, setMinutes] = useState('');
  const [load, setLoad] = useState('');
  const [passed, setPassed] = useState<boolean | null>(null);
  const ready = byLook || (Number(minutes) > 0 && load.trim() !== '' && passed === true);
  const send = async () => {
    const proof = byLook ? null : { minutesUnderLoad: Math.round(Number(minutes)), load, passed: passed === true };
    await finish.mutateAsync({ params: { id: job.id }, body: { note, proof }, seenVersion: job.version });
    onClose();
  };
  return (
    <Sheet title={`Sign off: ${job.says}`} open onClose={onClose}>
      {finish.isError ? <Failure says={sentenceOf(finish.error)} kept="What you wrote is still here." /> : null}
      {byLook ? (
        <Words>You looked, and it is done.</Words>
      ) : (
        <>
          <Words>Not proven, not fit: run it 15 to 20 minutes under load, and at least twice the time after which the trouble came. Look for leaks with the fuel on before the first pull.</Words>
          <Caution says={CAUTIONS['carbon-monoxide']} />
          <Field label="Minutes under load" value={minutes} onChangeText={setMinutes} inputMode="numeric" />
          <Field label="What the load was" value={load} onChangeText={setLoad} />
          <View className="flex-row gap-2">
            <Choice className="flex-1" label="It passed" on={passed === true} onPress={() => setPassed(true)} />
            <Choice className="flex-1" label="It did not" tone="held" on={passed === false} onPress={() => setPassed(false)} />
          </View>
          {passed === false ? <Words tone="held">Then the job stays open and holds the unit.</Words> : null}
        </>
      )}
      <Field label="Note (what was done)" value={note} onChangeText={setNote} multiline />
      <Button kind="main" tall label="Sign off" disabled={!ready || finish.isPending} onPress={() => void send().catch(() => undefined)} />
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
    <Sheet title={`Drop: ${job.says}`} open onClose={onClose}>
      {drop.isError ? <Failure says={sentenceOf(drop.error)} /> : null}
      <Words>A dropped job no longer holds the unit. Say why: the reason stays in the history.</Words>
      <Field label="Why" value={why} onChangeText={setWhy} multiline />
      <Button kind="stop" label="Drop the job" disabled={why.trim().length < 3 || drop.isPending} onPress={() => void send().catch(() => undefined)} />
    </Sheet>
  );
}
