import { SCHOOLS } from '@hudrik/core/catalogue';
import type { Step } from '@hudrik/core/diagnosis';
import { observationsOf, setUpsOf } from '@hudrik/core/log';
import { router } from 'expo-router';
import { useMemo, useRef, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { sentenceOf, usePerson } from '@/api';
import { Button, Choice, Empty, Failure, Loading, Page, Section, useIsWide, Words } from '@/design';
import { sayMinutes } from '@/writing';
import { fromCase, toCase } from './caseFiles';
import type { LocalFinding } from './finding';
import { Lanes } from './Lanes';
import { MachineSheet } from './MachineSheet';
import { sayFault, sayPercent, sayWarningHere } from './say';
import { Seen } from './Seen';
import { ConfirmSheet, StepsSheet, TableSheet, ToolsSheet } from './sheets';
import { StepCard } from './StepCard';
import { Suspects } from './Suspects';
import { useWorkplace } from './useWorkplace';
import { useDiagnosis } from './useDiagnosis';
import { useFinding, type FindingHandle } from './useFinding';

/** Finding the fault of a unit, or of an engine by itself. */
export function FindScreen({ tag }: { readonly tag: string | null }) {
  const handle = useFinding(tag);
  if (handle.finding === null) return <NoFinding handle={handle} />;
  if (handle.finding.closedAt !== null) return <Closed handle={handle} tag={tag} />;
  return <Finding key={handle.finding.id} finding={handle.finding} handle={handle} tag={tag} />;
}

function NoFinding({ handle: { error, retry, isNothingOpen } }: { readonly handle: FindingHandle }) {
  if (error)
    return (
      <Page>
        <Failure sentence={sentenceOf(error)} kept="What was seen is kept." retry={retry} />
      </Page>
    );
  return isNothingOpen ? (
    <Page>
      <Empty sentence="Nobody is looking for a fault here. A technician can begin." />
    </Page>
  ) : (
    <Loading what="what was seen" />
  );
}

function Closed({ handle, tag }: { readonly handle: FindingHandle; readonly tag: string | null }) {
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {tag ? `${tag}: found` : 'Found'}
      </Words>
      {(handle.finding?.causes ?? []).map((id) => (
        <Words key={id} size={22} role="status">
          {sayFault(id)}
        </Words>
      ))}
      {tag ? <Words>The job says what to do. It holds the unit until the repair is proven.</Words> : null}
      {tag ? <Button kind="main" tall label={`See ${tag}`} onPress={() => router.replace(`/u/${tag}`)} /> : null}
      <NotTaken handle={handle} />
      <Button label="Look again" onPress={() => handle.begin()} />
    </Page>
  );
}

/** What the server would not take, and the way on. */
function NotTaken({ handle: { finding, goOnInNew } }: { readonly handle: FindingHandle }) {
  const refused = finding?.refused ?? [];
  if (refused.length === 0) return null;
  return (
    <View className="gap-2">
      <Failure
        sentence={
          refused.some((item) => item.problem?.code === 'finding-closed')
            ? 'Somebody closed this finding meanwhile.'
            : 'The server did not take what was seen last.'
        }
        kept={`${refused.length === 1 ? 'One entry made here stays' : `${refused.length} entries made here stay`} on this device.`}
      />
      <Button kind="main" label="Use them in a new finding" onPress={goOnInNew} />
    </View>
  );
}

type Open = 'steps' | 'table' | 'tools' | 'machine' | null;

function Finding({
  finding,
  handle,
  tag,
}: {
  readonly finding: LocalFinding;
  readonly handle: FindingHandle;
  readonly tag: string | null;
}) {
  const { role } = usePerson();
  const wide = useIsWide();
  const [workplace, setWorkplace] = useWorkplace();
  const [picked, setPicked] = useState<Pick<Step, 'kind' | 'id'> | null>(null);
  const [school, setSchool] = useState<string | null>(null);
  const [open, setOpen] = useState<Open>(null);
  const [confirming, setConfirming] = useState<string | null>(null);
  const top = useRef<ScrollView>(null);
  const { counting, repaired } = useMemo(() => observationsOf(finding.entries), [finding.entries]);
  const { answer, schools, failed, thinking } = useDiagnosis(
    finding,
    workplace.toolsAtHand,
    picked,
    SCHOOLS.find((entry) => entry.id === school)?.order ?? null,
  );
  const confirms = role === 'technician' || role === 'lead';
  if (answer === null)
    return failed ? (
      <Page>
        <Failure sentence="The suspects could not be computed." kept={failed} />
      </Page>
    ) : (
      <Loading what="the suspects" />
    );
  const { diagnosis, step } = answer;
  const goOn = () => {
    setPicked(null);
    top.current?.scrollTo({ y: 0, animated: true });
  };
  const pick = (next: Step) => {
    setPicked({ kind: next.kind, id: next.id });
    setOpen(null);
  };
  const lanes = <Lanes lanes={diagnosis.lanes} upright={wide} />;
  const card = step ? (
    <StepCard
      step={step}
      shown={answer.shown}
      machine={finding.machine}
      altitudeM={workplace.altitudeM}
      limits={finding.limits ?? null}
      setUpsDone={setUpsOf(counting)}
      probability={diagnosis.suspects.find((entry) => entry.id === step.id)?.probability ?? 0}
      confirms={confirms}
      live={open === null && confirming === null}
      onSeen={(outcomes, reading) => {
        handle.see(step.id, outcomes, reading);
        goOn();
      }}
      onCouldNotTell={() => {
        handle.couldNotTell(step.id);
        goOn();
      }}
      onRepaired={() => {
        handle.repaired(step.id);
        goOn();
      }}
      onConfirm={() => setConfirming(step.id)}
      onOther={() => setOpen('steps')}
      onTable={() => setOpen('table')}
    />
  ) : (
    <Empty sentence="No check is left that would tell you more." />
  );
  const suspects = (
    <Suspects
      diagnosis={diagnosis}
      since={repaired.length > 0 ? 'since the repair' : 'so far'}
      confirms={confirms}
      onConfirm={setConfirming}
    />
  );
  const warnings = answer.warnings.length > 0 ? <Warnings sentences={answer.warnings.map(sayWarningHere)} /> : null;
  const seen = <Seen counting={counting} unsent={finding.unsent} onTakeBack={handle.takeBack} />;
  const schoolStrip = (
    <SchoolStrip
      minutes={schools}
      ours={diagnosis.expectedMinutes}
      school={school}
      onPick={(id) => {
        setSchool(id);
        goOn();
      }}
    />
  );
  const more = (
    <More
      finding={finding}
      begin={handle.begin}
      tag={tag}
      onMachine={() => setOpen('machine')}
      onTools={() => setOpen('tools')}
    />
  );
  const head = <Head tag={tag} top={diagnosis.suspects[0]} entries={counting.length} thinking={thinking} />;
  return (
    <View className="flex-1">
      {wide ? (
        <View className="flex-1 flex-row">
          <ScrollView className="w-[220px] flex-none border-r border-line" contentContainerClassName="gap-4 p-3">
            {head}
            <NotTaken handle={handle} />
            {lanes}
            {more}
          </ScrollView>
          <ScrollView ref={top} className="min-w-0 flex-1" contentContainerClassName="gap-4 p-4 pb-8">
            {card}
            {warnings}
            {schoolStrip}
          </ScrollView>
          <ScrollView className="w-[360px] flex-none border-l border-line" contentContainerClassName="gap-4 p-3 pb-8">
            {suspects}
            {seen}
          </ScrollView>
        </View>
      ) : (
        <ScrollView ref={top} className="flex-1" contentContainerClassName="gap-4 p-4 pb-8">
          {head}
          <NotTaken handle={handle} />
          {lanes}
          {card}
          {warnings}
          {suspects}
          {seen}
          {schoolStrip}
          {more}
        </ScrollView>
      )}
      {open === 'steps' ? <StepsSheet steps={diagnosis.next} onPick={pick} onClose={() => setOpen(null)} /> : null}
      {open === 'table' && answer.shown ? <TableSheet shown={answer.shown} onClose={() => setOpen(null)} /> : null}
      {open === 'tools' ? (
        <ToolsSheet
          atHand={workplace.toolsAtHand}
          altitudeM={workplace.altitudeM}
          onChange={(toolsAtHand, altitudeM) => setWorkplace({ toolsAtHand, altitudeM })}
          onClose={() => setOpen(null)}
        />
      ) : null}
      {open === 'machine' ? (
        <MachineSheet
          machine={finding.machine}
          fixedClass={tag !== null}
          onKeep={handle.setMachine}
          onClose={() => setOpen(null)}
        />
      ) : null}
      {confirming ? (
        <ConfirmSheet
          first={confirming}
          suspects={diagnosis.suspects}
          toJob={tag !== null}
          onConfirm={handle.confirm}
          onClose={() => setConfirming(null)}
        />
      ) : null}
    </View>
  );
}

function Head({
  tag,
  top,
  entries,
  thinking,
}: {
  readonly tag: string | null;
  readonly top: { readonly id: string; readonly probability: number } | undefined;
  readonly entries: number;
  readonly thinking: boolean;
}) {
  const sure = top !== undefined && entries > 0 && top.probability >= 0.5;
  return (
    <View className="gap-1">
      <Words face="stencil" size={32} role="heading" aria-level={1}>
        {tag ?? 'Find the fault'}
      </Words>
      <Words face="strong" aria-live="polite" tone={thinking ? 'ink-soft' : 'ink'}>
        {top === undefined || entries === 0
          ? 'Nothing seen yet.'
          : sure
            ? `Most likely: ${sayFault(top.id).toLowerCase()}, ${sayPercent(top.probability)}.`
            : `Still open. Most likely so far: ${sayFault(top.id).toLowerCase()}, ${sayPercent(top.probability)}.`}
      </Words>
    </View>
  );
}

function Warnings({ sentences }: { readonly sentences: readonly string[] }) {
  return (
    <View className="gap-2 border-l-[6px] border-prep bg-paper p-3" role="note">
      {sentences.map((line) => (
        <Words key={line} size={15}>
          {line}
        </Words>
      ))}
    </View>
  );
}

interface SchoolProps {
  readonly minutes: Readonly<Record<string, number>> | null;
  readonly ours: number;
  readonly school: string | null;
  readonly onPick: (id: string | null) => void;
}

/** Ours and the three fixed orders, with the minutes each would be expected to take from here. */
function SchoolStrip({ minutes, ours, school, onPick }: SchoolProps) {
  const say = (id: string): string =>
    minutes?.[id] === undefined ? '…' : `about ${sayMinutes(Math.round(minutes[id]))}`;
  return (
    <Section title="Order of checks">
      <View className="flex-row flex-wrap gap-2">
        <Choice
          className="min-w-[46%] grow"
          label={`Best value first: ${sayMinutes(Math.round(ours))} at most`}
          on={school === null}
          onPress={() => onPick(null)}
        />
        {SCHOOLS.map((entry) => (
          <Choice
            key={entry.id}
            className="min-w-[46%] grow"
            label={`${entry.words}: ${say(entry.id)}`}
            on={school === entry.id}
            onPress={() => onPick(entry.id)}
          />
        ))}
      </View>
      <Words size={13} tone="ink-soft">
        Hands-on minutes until it is found and repaired. “Best value first” also counts parts, at the workshop rate.
      </Words>
    </Section>
  );
}

function More({
  finding,
  begin,
  tag,
  onMachine,
  onTools,
}: {
  readonly finding: LocalFinding;
  readonly begin: FindingHandle['begin'];
  readonly tag: string | null;
  readonly onMachine: () => void;
  readonly onTools: () => void;
}) {
  const file = useRef<HTMLInputElement>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const take = async (chosen: File | undefined) => {
    if (!chosen) return;
    const read = fromCase(await chosen.text());
    if (read.ok) begin({ machine: read.machine, told: read.told });
    setRefused(read.ok ? null : read.sentence);
  };
  return (
    <View className="gap-2">
      {refused ? <Failure sentence={refused} kept="Nothing of the file was taken." /> : null}
      <View className="flex-row flex-wrap gap-2">
        <Button className="grow" label="Engine and past" onPress={onMachine} />
        <Button className="grow" label="Tools at hand" onPress={onTools} />
        <Button className="grow" label="Export case" onPress={() => saveCase(toCase(finding), tag)} />
        {tag === null ? <Button className="grow" label="Import case" onPress={() => file.current?.click()} /> : null}
        {tag === null ? <Button className="grow" kind="quiet" label="Start over" onPress={() => begin()} /> : null}
      </View>
      <input
        ref={file}
        type="file"
        accept=".json,application/json"
        aria-label="Case file"
        style={{ display: 'none' }}
        onChange={(event) => {
          void take(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
    </View>
  );
}

function saveCase(text: string, tag: string | null): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type: 'application/json' }));
  link.download = `${tag ?? 'engine'}.case.json`;
  link.click();
  URL.revokeObjectURL(link.href);
}
