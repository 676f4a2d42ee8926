import { useSigns } from '@/api';
import { SCHOOLS } from '@hudrik/core/catalogue';
import type { Step } from '@hudrik/core/diagnosis';
import { observationsOf, setUpsOf } from '@hudrik/core/log';
import { useMemo, useRef, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Empty, Failure, Loading, Page, useIsWide } from '@/design';
import { ConfirmSheet } from './ConfirmSheet';
import { CurrentStep } from './CurrentStep';
import { Explained } from './Explained';
import { FindHead } from './FindHead';
import { FindMore } from './FindMore';
import { Closed, NoFinding, NotTaken } from './FindStates';
import type { LocalFinding } from './finding';
import { InTray } from './InTray';
import { Lanes } from './Lanes';
import { MachineSheet } from './MachineSheet';
import { sayWarningHere } from './say';
import { SchoolStrip } from './SchoolStrip';
import { Seen } from './Seen';
import { StepsSheet, TableSheet, ToolsSheet } from './sheets';
import { Suspects } from './Suspects';
import type { Answer } from '@/workers/lookInto';
import { Warnings } from './Warnings';
import { WhileOpen } from './WhileOpen';
import { useWorkplace, type WorkplaceSetting } from './useWorkplace';
import { useDiagnosis, type Thought } from './useDiagnosis';
import { useFinding, type FindingHandle } from './useFinding';

/** Finding the fault of a unit, or of an engine by itself. */
export function FindScreen({ tag }: { readonly tag: string | null }) {
  const handle = useFinding(tag);
  if (handle.finding === null) return <NoFinding handle={handle} />;
  if (handle.finding.closedAt !== null) return <Closed handle={handle} tag={tag} />;
  return <Finding key={handle.finding.id} finding={handle.finding} handle={handle} tag={tag} />;
}

type Open = 'steps' | 'table' | 'tools' | 'machine' | null;

interface FindingProps {
  readonly finding: LocalFinding;
  readonly handle: FindingHandle;
  readonly tag: string | null;
}

function Finding(props: FindingProps) {
  const setting = useWorkplace();
  const [picked, setPicked] = useState<Picked>(null);
  const [school, setSchool] = useState<string | null>(null);
  const thought = useDiagnosis(
    props.finding,
    setting[0].toolsAtHand,
    picked,
    SCHOOLS.find((entry) => entry.id === school)?.order ?? null,
  );
  const { answer, failed } = thought;
  if (answer === null)
    return failed ? (
      <Page>
        <Failure sentence="The suspects could not be computed." kept={failed} />
      </Page>
    ) : (
      <Loading what="the suspects" />
    );
  return (
    <FoundSoFar
      {...props}
      {...thought}
      answer={answer}
      setting={setting}
      school={school}
      setPicked={setPicked}
      setSchool={setSchool}
    />
  );
}

type Picked = Pick<Step, 'kind' | 'id'> | null;

interface FoundProps extends FindingProps, Pick<Thought, 'ahead' | 'thinking'> {
  readonly answer: Answer;
  readonly setting: ReturnType<typeof useWorkplace>;
  readonly school: string | null;
  readonly setPicked: (picked: Picked) => void;
  readonly setSchool: (id: string | null) => void;
}

function FoundSoFar({
  finding,
  handle,
  tag,
  answer,
  ahead,
  thinking,
  setting,
  school,
  setPicked,
  setSchool,
}: FoundProps) {
  const wide = useIsWide();
  const [workplace, setWorkplace] = setting;
  const [open, setOpen] = useState<Open>(null);
  const [confirming, setConfirming] = useState<string | null>(null);
  const top = useRef<ScrollView>(null);
  const { counting, madeHere, repaired } = useMemo(() => observationsOf(finding.entries), [finding.entries]);
  const confirms = useSigns();
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
    <CurrentStep
      step={step}
      answer={answer}
      finding={finding}
      handle={handle}
      altitudeM={workplace.altitudeM}
      setUpsDone={setUpsOf({ madeHere })}
      live={open === null && confirming === null}
      onAnswered={goOn}
      onConfirm={() => setConfirming(step.id)}
      onOpen={setOpen}
    />
  ) : (
    <Empty sentence="No check is left that would tell you more." />
  );
  const explained = (
    <Explained
      diagnosis={diagnosis}
      confirms={confirms}
      confirmedBelow={step?.kind === 'repair' ? step.id : null}
      onPutRight={(id) => setPicked({ kind: 'repair', id })}
      onConfirm={setConfirming}
    />
  );
  const suspects = (
    <Suspects
      diagnosis={diagnosis}
      since={repaired.length > 0 ? 'since the repair' : 'so far'}
      confirms={confirms}
      onConfirm={setConfirming}
      onSaySo={(fault, why) => handle.saidSo(fault, true, why)}
    />
  );
  const orders = (
    <SchoolStrip
      ahead={ahead}
      expected={diagnosis.expectedMinutes}
      school={school}
      onPick={(id) => {
        setSchool(id);
        goOn();
      }}
    />
  );
  const below = (
    <>
      <WhileOpen
        steps={diagnosis.next}
        setUpsDone={setUpsOf({ madeHere })}
        but={step?.id}
        onSeen={(observation, outcomes) => handle.see(observation, outcomes, null)}
      />
      {tag === null ? null : <InTray tag={tag} jobId={finding.jobId} entries={madeHere} />}
      {answer.warnings.length > 0 ? <Warnings sentences={answer.warnings.map(sayWarningHere)} /> : null}
    </>
  );
  const seen = (
    <Seen
      counting={counting}
      unsent={finding.unsent}
      onTakeBack={handle.takeBack}
      onUnsay={(fault) => handle.saidSo(fault, false, 'Taken back')}
    />
  );
  const more = (
    <FindMore
      finding={finding}
      begin={handle.begin}
      tag={tag}
      onMachine={() => setOpen('machine')}
      onTools={() => setOpen('tools')}
    />
  );
  const head = <FindHead tag={tag} diagnosis={diagnosis} entries={counting.length} thinking={thinking} />;
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
            {explained}
            {card}
            {below}
            {orders}
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
          {explained}
          {lanes}
          {card}
          {below}
          {suspects}
          {seen}
          {orders}
          {more}
        </ScrollView>
      )}
      <OpenSheet
        open={open}
        answer={answer}
        finding={finding}
        handle={handle}
        tag={tag}
        workplace={workplace}
        setWorkplace={setWorkplace}
        onPick={pick}
        onClose={() => setOpen(null)}
      />
      {confirming ? (
        <ConfirmSheet
          first={confirming}
          given={diagnosis.established.filter((one) => !one.isPutRight).map((one) => one.id)}
          suspects={diagnosis.suspects}
          tag={tag}
          onConfirm={handle.confirm}
          onClose={() => setConfirming(null)}
        />
      ) : null}
    </View>
  );
}

interface SheetProps {
  readonly open: Open;
  readonly answer: Answer;
  readonly finding: LocalFinding;
  readonly handle: FindingHandle;
  readonly tag: string | null;
  readonly workplace: WorkplaceSetting;
  readonly setWorkplace: (next: WorkplaceSetting) => void;
  readonly onPick: (step: Step) => void;
  readonly onClose: () => void;
}

function OpenSheet({ open, answer, finding, handle, tag, workplace, setWorkplace, onPick, onClose }: SheetProps) {
  if (open === 'steps') return <StepsSheet steps={answer.diagnosis.next} onPick={onPick} onClose={onClose} />;
  if (open === 'table' && answer.shown) return <TableSheet shown={answer.shown} onClose={onClose} />;
  if (open === 'tools')
    return (
      <ToolsSheet
        atHand={workplace.toolsAtHand}
        altitudeM={workplace.altitudeM}
        onChange={(toolsAtHand, altitudeM) => setWorkplace({ toolsAtHand, altitudeM })}
        onClose={onClose}
      />
    );
  if (open === 'machine')
    return (
      <MachineSheet machine={finding.machine} fixedClass={tag !== null} onKeep={handle.setMachine} onClose={onClose} />
    );
  return null;
}
