import type { CardReply } from '@hudrik/core/contracts';
import { cautionText, EVERY_PROOF, folderOf } from '@hudrik/core/catalogue';
import { droopOf, governorClassOf, proofOfEntries, type Proof } from '@hudrik/core/proof';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, usePerson } from '@/api';
import { Button, Caution, Choice, Failure, Field, Loading, Page, Section, useIsWide, Words, TickList } from '@/design';
import { useServerNow } from '@/features/clocks';
import { LiveReadings } from './LiveReadings';
import { NotTaken } from './NotTaken';
import { ProofEnded } from './ProofEnded';
import { ReadingLines } from './ReadingLines';
import { sayMissing, sayProof } from './say';
import { useCard, type CardHandle } from './useCard';
import { sayFigure } from '@/writing';

/** The proof: leaks first, then a run under load on a clock with the class's readings, restart hot; passed or back to finding. */
export function ProofScreen({ jobId }: { readonly jobId: string }) {
  const handle = useCard(jobId);
  const wide = useIsWide();
  const now = useServerNow(1000);
  const { reply } = handle;
  if (reply === null)
    return handle.error ? (
      <Page>
        <Failure sentence={sentenceOf(handle.error)} retry={handle.retry} />
      </Page>
    ) : (
      <Loading what="the proof" />
    );
  const plan = folderOf(reply.unit.classId).proof;
  const proof = proofOfEntries(
    handle.entries,
    {
      plan,
      everyLooks: EVERY_PROOF,
      complaint: { afterMinutes: reply.complaint.afterMinutes ?? null, comesAndGoes: reply.complaint.comesAndGoes },
      byLook: false,
    },
    new Date(now).toISOString(),
  );
  if (reply.job.state === 'done' || reply.job.state === 'dropped')
    return <ProofEnded tag={reply.unit.tag} proof={proof} passed={reply.job.state === 'done'} />;
  const head = (
    <View className="gap-2">
      <Words face="stencil" size={32}>
        {reply.unit.tag}
      </Words>
      <Words role="heading" aria-level={1} size={22} face="strong" aria-live="polite">
        {handle.state === 'to-prove' ? sayProof(proof) : 'This card is not being proven.'}
      </Words>
      {handle.state === 'to-prove' ? null : (
        <Button kind="main" label="To the card" onPress={() => router.navigate(`/j/${jobId}`)} />
      )}
      <NotTaken handle={handle} />
    </View>
  );
  if (handle.state !== 'to-prove') return <Page>{head}</Page>;
  const first = <First handle={handle} proof={proof} cautions={plan.cautions} />;
  const run = <Run handle={handle} proof={proof} loads={plan.loads} />;
  const live = <LiveReadings jobId={jobId} classId={reply.unit.classId} handle={handle} proof={proof} />;
  const readings = <ReadingLines handle={handle} proof={proof} />;
  const looks = <Looks handle={handle} proof={proof} />;
  const end = <End defects={reply.job.defects} handle={handle} proof={proof} jobId={jobId} tag={reply.unit.tag} />;
  if (!wide)
    return (
      <Page>
        {head}
        {first}
        {run}
        {live}
        {readings}
        {looks}
        {end}
      </Page>
    );
  return (
    <Page wide>
      <View className="flex-row items-start gap-6">
        <View className="w-[340px] gap-5">
          {head}
          {first}
          {run}
          {looks}
          {end}
        </View>
        <View className="min-w-0 flex-1 gap-5">
          {live}
          {readings}
        </View>
      </View>
    </Page>
  );
}

function First({
  handle,
  proof,
  cautions,
}: {
  readonly handle: CardHandle;
  readonly proof: Proof;
  readonly cautions: readonly string[];
}) {
  return (
    <Section title="Before the first start">
      {proof.leakLook === 'dry' ? null : cautions.map((id) => <Caution key={id} text={cautionText(id)} />)}
      <View className="flex-row gap-2" role="group" aria-label="Leaks">
        <Choice
          className="flex-1"
          label="Fuel on: dry"
          on={proof.leakLook === 'dry'}
          onPress={() => handle.add('leak-look', { dry: true, note: '' })}
        />
        <Choice
          className="flex-1"
          label="It leaks"
          tone="held"
          on={proof.leakLook === 'leaks'}
          onPress={() => handle.add('leak-look', { dry: false, note: '' })}
        />
      </View>
    </Section>
  );
}

function Run({
  handle,
  proof,
  loads,
}: {
  readonly handle: CardHandle;
  readonly proof: Proof;
  readonly loads: readonly { readonly id: string; readonly name: string }[];
}) {
  const running = proof.runningSince !== null;
  const ready = proof.leakLook === 'dry' && proof.smoke !== 'smoking';
  return (
    <Section title="Under load">
      <View className="flex-row items-baseline gap-3">
        <Words face="figures" size={56} role="timer">
          {proof.minutesRun}
        </Words>
        <Words size={22}>{`of ${proof.minutesWanted} min`}</Words>
      </View>
      <View className="h-[10px] bg-paper">
        <View
          className="h-full bg-fit"
          style={{ width: `${Math.min((proof.minutesRun / proof.minutesWanted) * 100, 100)}%` }}
        />
      </View>
      <View className="flex-row flex-wrap gap-2" role="group" aria-label="Load">
        {loads.map((load) => (
          <Choice
            key={load.id}
            className="grow"
            label={load.name}
            on={proof.load === load.id}
            onPress={() => handle.add('proof-load', { load: load.id })}
          />
        ))}
        <Choice
          className="grow"
          label="No load"
          on={proof.tested !== 'untested' && proof.load === null}
          onPress={() => handle.add('proof-load', { load: null })}
        />
      </View>
      <View className="flex-row gap-2" role="group" aria-label="Smoke">
        <Choice
          className="flex-1"
          label="Exhaust clear"
          on={proof.smoke === 'clear'}
          onPress={() => handle.add('smoke', { clear: true })}
        />
        <Choice
          className="flex-1"
          label="It smokes"
          tone="held"
          on={proof.smoke === 'smoking'}
          onPress={() => handle.add('smoke', { clear: false })}
        />
      </View>
      <Button
        kind={running ? 'plain' : 'main'}
        tall
        label={running ? 'Stop the run' : proof.minutesRun > 0 ? 'Continue the run' : 'It runs: start the time'}
        disabled={!running && !ready}
        onPress={() => (running ? handle.add('run-stopped', { why: '' }) : handle.add('run-started', {}))}
      />
    </Section>
  );
}

function Looks({ handle, proof }: { readonly handle: CardHandle; readonly proof: Proof }) {
  return (
    <Section title="Looks">
      {proof.looks.map(({ look, ok }) => (
        <View key={look.id} className="gap-2 border-b border-line py-2">
          <Words>{look.name}</Words>
          {ok === null && look.caution ? <Caution text={cautionText(look.caution)} /> : null}
          <View className="flex-row gap-2" role="group" aria-label={look.name}>
            <Choice
              className="flex-1"
              label="Right"
              on={ok === true}
              onPress={() => handle.add('proof-look', { look: look.id, ok: true })}
            />
            <Choice
              className="flex-1"
              label="Not right"
              tone="held"
              on={ok === false}
              onPress={() => handle.add('proof-look', { look: look.id, ok: false })}
            />
          </View>
        </View>
      ))}
      <GovernorClass proof={proof} />
    </Section>
  );
}

/** Of a set with hertz at no load and at full: its droop, and the class that reaches. */
function GovernorClass({ proof }: { readonly proof: Proof }) {
  const hertz = (load: number) =>
    proof.readings.find(({ reading }) => reading.unit === 'Hz' && reading.atLoad === load)?.value ?? null;
  const [none, full] = [hertz(0), hertz(1)];
  if (none === null || full === null) return null;
  const droop = droopOf(none, full, none > 55 ? 60 : 50);
  const reached = governorClassOf(droop);
  return (
    <Words role="status">{`Droop ${sayFigure(droop)} %: ${reached ? `within ${reached} of ISO 8528-5 by droop` : droop < 0 ? 'it rises with load, look at the governor' : 'outside all classes of ISO 8528-5'}.`}</Words>
  );
}

function End({
  handle,
  proof,
  defects,
  jobId,
  tag,
}: {
  readonly defects: CardReply['job']['defects'];
  readonly handle: CardHandle;
  readonly proof: Proof;
  readonly jobId: string;
  readonly tag: string;
}) {
  const { role } = usePerson();
  const [note, setNote] = useState('');
  const [looks, setLooks] = useState<readonly string[]>([]);
  const unseen = defects.length - looks.length;
  const signs = role === 'technician' || role === 'lead';
  const finish = (passed: boolean) => {
    if (proof.runningSince !== null) handle.add('run-stopped', { why: '' });
    handle.add('proved', { passed, note: note.trim(), looks: [...looks] });
    if (!passed) router.navigate(`/u/${tag}/find`);
  };
  return (
    <Section title="Result">
      {proof.missing.length > 0 ? (
        <Words size={15}>{`Still needed before it passes: ${proof.missing.map(sayMissing).join('; ')}.`}</Words>
      ) : null}
      {signs ? (
        <>
          {defects.length > 0 ? (
            <>
              <Words face="strong">What it was on the bench for. Look at each, and tick what is in order now:</Words>
              <TickList items={defects} ticked={looks} onChange={setLooks} />
            </>
          ) : null}
          <Field label="What was done, for whoever opens it next" value={note} onChangeText={setNote} multiline />
          <Button
            kind="main"
            tall
            label="Passed: sign"
            disabled={proof.missing.length > 0 || unseen > 0}
            onPress={() => finish(true)}
          />
          <Button kind="stop" label="Failed: find the fault again" onPress={() => finish(false)} />
        </>
      ) : (
        <Words>A technician or the lead must sign.</Words>
      )}
      <Button
        kind="quiet"
        label="Back to the work"
        onPress={() => {
          handle.add('back-to-work', { why: '' });
          router.navigate(`/j/${jobId}`);
        }}
      />
    </Section>
  );
}
