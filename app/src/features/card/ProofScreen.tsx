import {
  cautionText,
  folderOf,
  GOVERNOR_CLASSES,
  GOVERNOR_CLASSES_SOURCE,
  saySource,
  type Load,
  type Rated,
} from '@hudrik/core/catalogue';
import type { CardReply } from '@hudrik/core/contracts';
import {
  classReached,
  droopOf,
  proofOfEntries,
  tooSoon,
  voltageDeviation,
  type Proof,
  type ProofSetting,
} from '@hudrik/core/proof';
import { ratedOf } from '@hudrik/core/ratings';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf } from '@/api';
import { Button, Caution, Choice, Failure, Loading, Page, Section, useIsWide, Whence, Words } from '@/design';
import { useServerNow } from '@/features/clocks';
import { LiveReadings } from './LiveReadings';
import { FigureSheet, LoadOfRun } from './LoadOfRun';
import { NotTaken } from './NotTaken';
import { ProofEnd } from './ProofEnd';
import { ProofEnded } from './ProofEnded';
import { proofSettingOfCard } from './proofSettingOfCard';
import { ReadingLines } from './ReadingLines';
import { sayProof, sayTooSoon } from './say';
import { SystemsAsked } from './SystemsAsked';
import { TakeBack } from './TakeBack';
import { useAnswer } from './useAnswer';
import { useCard, type CardHandle } from './useCard';
import { sayFigure, sayValue } from '@/writing';

/** The proof of a visit: what its work asks and no more, on the yard's clock; passed, or back to finding. */
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
  const setting = proofSettingOfCard(reply, handle.entries);
  const { plan } = setting;
  const proof = proofOfEntries(handle.entries, setting, new Date(now).toISOString());
  if (reply.visit.state === 'ended')
    return <ProofEnded tag={reply.unit.tag} proof={proof} passed={reply.jobs.some((job) => job.state === 'done')} />;
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
      {handle.state === 'to-prove' ? <TakeBack handle={handle} /> : null}
    </View>
  );
  if (handle.state !== 'to-prove') return <Page>{head}</Page>;
  const first = proof.leakLook === 'not-asked' ? null : <First handle={handle} proof={proof} />;
  const run = proof.asksRun ? (
    <Run handle={handle} proof={proof} loads={plan.loads} cautions={plan.cautions} duty={dutyOf(reply)} />
  ) : null;
  const live = proof.asksLoad ? (
    <LiveReadings jobId={jobId} classId={reply.unit.classId} handle={handle} proof={proof} />
  ) : null;
  const systems = <SystemsAsked handle={handle} />;
  const readings = proof.readings.length > 0 ? <ReadingLines handle={handle} proof={proof} /> : null;
  const looks =
    proof.looks.length > 0 ? (
      <Looks handle={handle} proof={proof} rated={ratedFor(reply)} setting={setting} now={now} />
    ) : null;
  const end = <ProofEnd handle={handle} proof={proof} reply={reply} jobId={jobId} />;
  if (!wide)
    return (
      <Page>
        {head}
        {first}
        {run}
        {live}
        {readings}
        {looks}
        {systems}
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
          {systems}
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

type Ratings = Pick<NonNullable<CardHandle['reply']>, 'ratings'>;
/** How much of ten minutes a welder may weld, per cent; null where it is not known. */
const dutyOf = ({ ratings }: Ratings): number | null => ratedOf({}, ratings.model, ratings.unit).duty ?? null;
const ratedFor = ({ ratings, unit }: CardReply): Rated =>
  ratedOf(folderOf(unit.classId).rated, ratings.model, ratings.unit);

interface Part {
  readonly handle: CardHandle;
  readonly proof: Proof;
}

function First({ handle, proof }: Part) {
  const { answer, sheet } = useAnswer(handle);
  const say = (dry: boolean) =>
    answer('leak-look', { dry, note: '' }, { look: 'leak-look', name: 'It leaked', isRight: dry });
  return (
    <Section title="Before the first start">
      {proof.leakLook === 'dry' ? null : <Caution text={cautionText('fuel-vapour')} />}
      <View className="flex-row gap-2" role="group" aria-label="Leaks">
        <Choice className="flex-1" label="Fuel on: dry" on={proof.leakLook === 'dry'} onPress={() => say(true)} />
        <Choice
          className="flex-1"
          label="It leaks"
          tone="held"
          on={proof.leakLook === 'leaks'}
          onPress={() => say(false)}
        />
      </View>
      {proof.leakLook === 'leaks' ? (
        <Words size={15}>It is a defect now. When it is dry, say what was done.</Words>
      ) : null}
      {sheet}
    </Section>
  );
}

interface RunProps extends Part {
  readonly loads: readonly Load[];
  readonly cautions: readonly string[];
  readonly duty: number | null;
}

function Run({ handle, proof, loads, cautions, duty }: RunProps) {
  const running = proof.runningSince !== null;
  const hasRun = proof.tested !== 'untested';
  const [settingFirst, setSettingFirst] = useState<Load | null>(null);
  const [only] = loads;
  const start = () => {
    // Where there is one load that counts, it is that one: what it is set to is asked.
    if (proof.asksLoad && proof.load === null && loads.length === 1 && only) return setSettingFirst(only);
    handle.add('run-started', {});
  };
  return (
    <Section title={proof.asksLoad ? 'Under load' : 'It runs'}>
      {running ? null : cautions.map((id) => <Caution key={id} text={cautionText(id)} />)}
      <View className="flex-row items-baseline gap-3">
        <Words face="figures" size={56} role="timer">
          {proof.minutesRun}
        </Words>
        <Words size={22}>{`of ${proof.minutesWanted} min${proof.unbroken ? ', without a break' : ''}`}</Words>
      </View>
      <View className="h-[10px] bg-paper">
        <View
          className="h-full bg-fit"
          style={{ width: `${Math.min((proof.minutesRun / proof.minutesWanted) * 100, 100)}%` }}
        />
      </View>
      {running && !proof.counts ? (
        <Words size={15} tone="held" role="status">
          {proof.smoke === 'smoking' ? 'It smokes: the time does not count.' : 'Without load the time does not count.'}
        </Words>
      ) : null}
      {duty !== null && duty < 100 && proof.asksLoad ? (
        <Words
          size={15}
        >{`Duty ${duty} %: of each ten minutes weld ${sayValue(duty / 10)}, and let it run without an arc for the rest. The whole time counts.`}</Words>
      ) : null}
      {proof.asksLoad || proof.unloaded !== null ? <LoadOfRun handle={handle} proof={proof} loads={loads} /> : null}
      {hasRun ? <Smoke handle={handle} proof={proof} /> : null}
      <RunButton proof={proof} onPress={() => (running ? handle.add('run-stopped', { why: '' }) : start())} />
      {settingFirst ? (
        <FigureSheet
          load={settingFirst}
          onSet={(value) => {
            handle.add('proof-load', { load: settingFirst.id, figure: { value, unit: settingFirst.figure.unit } });
            handle.add('run-started', {});
            setSettingFirst(null);
          }}
          onClose={() => setSettingFirst(null)}
        />
      ) : null}
    </Section>
  );
}

/** Starts the run, goes on with it, or stops it: what comes next, until all of it is there. */
function RunButton({ proof, onPress }: { readonly proof: Proof; readonly onPress: () => void }) {
  const running = proof.runningSince !== null;
  const isLooked = proof.leakLook === 'dry' || proof.leakLook === 'not-asked';
  return (
    <Button
      kind={running || proof.missing.length === 0 ? 'plain' : 'main'}
      tall
      label={running ? 'Stop the run' : proof.minutesRun > 0 ? 'Continue the run' : 'It runs: start the time'}
      offBecause={!running && !isLooked ? 'Look for leaks first.' : null}
      onPress={onPress}
    />
  );
}

/** What the exhaust shows, once it runs. */
const Smoke = ({ handle, proof }: Part) => (
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
);

interface LooksProps extends Part {
  readonly rated: Rated;
  readonly setting: ProofSetting;
  readonly now: number;
}

function Looks({ handle, proof, rated, setting, now }: LooksProps) {
  const { answer, sheet } = useAnswer(handle);
  const at = new Date(now).toISOString();
  return (
    <Section title="Looks">
      {proof.looks.map(({ look, ok }) => {
        const soon = tooSoon(look.from ?? 'running', handle.entries, setting, at);
        const say = (isRight: boolean) =>
          answer('proof-look', { look: look.id, ok: isRight }, { look: look.id, name: look.name, isRight });
        return (
          <View key={look.id} className="gap-2 border-b border-line py-2">
            <Words>{look.name}</Words>
            {ok === null && look.caution ? <Caution text={cautionText(look.caution)} /> : null}
            {soon ? (
              <Words size={15} tone="ink-soft">
                {sayTooSoon(soon)}
              </Words>
            ) : (
              <View className="flex-row gap-2" role="group" aria-label={look.name}>
                <Choice className="flex-1" label="Right" on={ok === true} onPress={() => say(true)} />
                <Choice className="flex-1" label="Not right" tone="held" on={ok === false} onPress={() => say(false)} />
              </View>
            )}
          </View>
        );
      })}
      <GovernorClass proof={proof} rated={rated} />
      {sheet}
    </Section>
  );
}

/** Of a set with hertz at no load and at full: the class it reaches by droop, and by its volts where they were read. */
function GovernorClass({ proof, rated }: { readonly proof: Proof; readonly rated: Rated }) {
  const valuesOf = (unit: string, load?: number) =>
    proof.readings.flatMap(({ reading, value }) =>
      reading.unit === unit && value !== null && (load === undefined || reading.atLoad === load) ? value : [],
    );
  const [[none], [full], volts] = [valuesOf('Hz', 0), valuesOf('Hz', 1), valuesOf('V')];
  if (none === undefined || full === undefined) return null;
  const droop = droopOf(none, full, rated.hertz ?? (none > 55 ? 60 : 50));
  const voltage = rated.volts === undefined || volts.length === 0 ? null : voltageDeviation(volts, rated.volts);
  const { reached } = classReached({ droop, band: null, voltage }, GOVERNOR_CLASSES);
  const by = voltage === null ? 'by droop' : 'by droop and volts';
  const verdict =
    droop < 0
      ? 'it rises with load, look at the governor'
      : reached
        ? `within ${reached} of ISO 8528-5 ${by}; its band was not read`
        : 'outside all classes of ISO 8528-5';
  const figures = voltage === null ? '' : `, volts within ${sayFigure(voltage)} %`;
  return (
    <View>
      <Words role="status">{`Droop ${sayFigure(droop)} %${figures}: ${verdict}.`}</Words>
      <Whence short="Classes: ISO 8528-5" words={saySource(GOVERNOR_CLASSES_SOURCE)} />
    </View>
  );
}
