import {
  cautionText,
  entryOf,
  FAULT_KNOWLEDGE,
  faultOf,
  JUDGEMENT,
  KNOWLEDGE_SOURCES,
  saySource,
  TOOLS,
  type AnyObservation,
} from '@hudrik/core/catalogue';
import { rivalRepairs, type Machine, type Seen, type Step } from '@hudrik/core/diagnosis';
import type { OwnLimits } from '@hudrik/core/readings';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { Button, Card, Caution, Choice, useKeys, Whence, Words } from '@/design';
import { sayMinutes, sayMoney } from '@/writing';
import type { Answer } from '@/workers/lookInto';
import { ReadingEntry } from './ReadingEntry';
import { RivalWays } from './RivalWays';
import { observationOf, sayFault, sayOpening, sayPercent, sayRow, sayWhyStep } from './say';

interface Props {
  readonly step: Step;
  readonly shown: Answer['shown'];
  readonly seen: Seen;
  readonly machine: Machine;
  readonly altitudeM: number;
  readonly limits: OwnLimits | null;
  readonly setUpsDone: readonly string[];
  readonly probability: number;
  readonly confirms: boolean;
  /** No sheet lies over it: keys answer. */
  readonly live: boolean;
  readonly onSeen: (outcomes: readonly string[], reading: Record<string, unknown> | null) => void;
  readonly onCouldNotTell: () => void;
  readonly onRepaired: () => void;
  readonly onConfirm: () => void;
  readonly onOther: () => void;
  readonly onTable: () => void;
}

/** The next step as one big card: what, why, how, what can hurt, and the answers. */
export function StepCard(props: Props) {
  return props.step.kind === 'check' ? <CheckCard {...props} /> : <RepairCard {...props} />;
}

function Head({
  words,
  step,
  why,
  onTable,
}: {
  readonly words: string;
  readonly step: Step;
  readonly why: string;
  readonly onTable?: () => void;
}) {
  return (
    <>
      <View className="flex-row items-baseline gap-3">
        <Words role="heading" aria-level={2} size={22} face="strong" className="min-w-0 flex-1">
          {words}
        </Words>
        <Words face="figures" size={22}>
          {sayMinutes(step.minutes)}
        </Words>
      </View>
      <Words size={15}>{why}</Words>
      {onTable ? (
        <Pressable role="button" onPress={onTable} className="-my-2 min-h-[44px] justify-center self-start">
          <Words size={15} face="strong" className="underline">
            Why this check?
          </Words>
        </Pressable>
      ) : null}
    </>
  );
}

function CheckCard({
  step,
  shown,
  machine,
  altitudeM,
  limits,
  setUpsDone,
  live,
  onSeen,
  onCouldNotTell,
  onOther,
  onTable,
}: Props) {
  const observation = observationOf(step.id);
  const rows = shown?.check === step.id ? shown.rows : null;
  const opening = sayOpening(step.id, setUpsDone);
  useAnswerKeys(step, live, onSeen, onCouldNotTell, onOther);
  const tools = (observation.tools ?? []).map((id) => (entryOf(TOOLS, id)?.words ?? id).toLowerCase());
  return (
    <Card className="gap-3">
      <Head words={observation.words} step={step} why={sayWhyStep(step, rows ? shown : null)} onTable={onTable} />
      {observation.caution ? <Caution text={cautionText(observation.caution)} /> : null}
      <Words>{observation.how}</Words>
      {opening ? <Words size={15}>{opening}</Words> : null}
      {tools.length > 0 ? (
        <Words size={15} tone={step.toolsMissing.length > 0 ? 'held' : 'ink-soft'}>
          With: {tools.join(', ')}
          {step.toolsMissing.length > 0 ? '. Not at hand.' : '.'}
        </Words>
      ) : null}
      {observation.reading ? (
        <ReadingEntry
          key={step.id}
          observation={step.id}
          machine={machine}
          altitudeM={altitudeM}
          limits={limits}
          onReading={(outcome, reading) => onSeen([outcome], reading)}
        />
      ) : null}
      <Answers key={`${step.id} answers`} step={step} rows={rows} onSeen={onSeen} />
      <View className="-mb-2 flex-row gap-2">
        <Button kind="quiet" className="flex-1" label="Could not tell" onPress={onCouldNotTell} />
        <Button kind="quiet" className="flex-1" label="Another check" onPress={onOther} />
      </View>
    </Card>
  );
}

/** Figures answer, 0 could not tell, o another: as many hands work at a keyboard. */
function useAnswerKeys(
  step: Step,
  live: boolean,
  onSeen: Props['onSeen'],
  onCouldNotTell: () => void,
  onOther: () => void,
): void {
  const bindings = useMemo(() => {
    if (!live) return [];
    const answers = Object.keys(observationOf(step.id).outcomes);
    return [
      ...answers.map((outcome, at) => ({ keys: String(at + 1), does: 'Answer', run: () => onSeen([outcome], null) })),
      { keys: '0', does: 'Could not tell', run: onCouldNotTell },
      { keys: 'o', does: 'Another check', run: onOther },
    ];
  }, [step.id, live, onSeen, onCouldNotTell, onOther]);
  useKeys(bindings);
}

interface AnswersProps {
  readonly step: Step;
  readonly rows: NonNullable<Answer['shown']>['rows'] | null;
  readonly onSeen: Props['onSeen'];
}

/** One answer a tap, with what it would do; where several may show at once, they can be ticked instead. */
function Answers({ step, rows, onSeen }: AnswersProps) {
  const { outcomes, several } = observationOf(step.id);
  const [isTicking, setTicking] = useState(false);
  if (isTicking) return <SeveralAnswers outcomes={outcomes} onSeen={onSeen} />;
  return (
    <View className="gap-2" role="group" aria-label="Answers">
      {Object.entries(outcomes).map(([outcome, [words, , means]]) => {
        const row = rows?.find((one) => one.outcome === outcome);
        return (
          <Button
            key={outcome}
            tall
            aria-label={words}
            label={words}
            detail={row ? sayRow(row) : means}
            onPress={() => onSeen([outcome], null)}
          />
        );
      })}
      {several ? <Button kind="quiet" label="Several of these" onPress={() => setTicking(true)} /> : null}
    </View>
  );
}

interface SeveralProps {
  readonly outcomes: AnyObservation['outcomes'];
  readonly onSeen: Props['onSeen'];
}

function SeveralAnswers({ outcomes, onSeen }: SeveralProps) {
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const toggle = (outcome: string) =>
    setTicked(ticked.includes(outcome) ? ticked.filter((one) => one !== outcome) : [...ticked, outcome]);
  return (
    <View className="gap-2" role="group" aria-label="Answers">
      {Object.entries(outcomes).map(([outcome, [words]]) => (
        <Choice key={outcome} label={words} on={ticked.includes(outcome)} onPress={() => toggle(outcome)} />
      ))}
      <Button
        kind="main"
        tall
        label="Save"
        offBecause={ticked.length === 0 ? 'Tick what you see.' : null}
        onPress={() => onSeen(ticked, null)}
      />
    </View>
  );
}

const {
  'odds, of a thousand': ODDS_SOURCE = JUDGEMENT,
  'minutes, prices and how often a repair holds': REPAIR_SOURCE = JUDGEMENT,
} = KNOWLEDGE_SOURCES.faults;

function RepairCard({ step, shown, seen, setUpsDone, probability, confirms, onRepaired, onConfirm, onOther }: Props) {
  const fault = faultOf(step.id);
  if (fault === undefined) return null;
  const ways = rivalRepairs(FAULT_KNOWLEDGE, step.id, seen, new Set(setUpsDone));
  const [best] = ways;
  return (
    <Card className="gap-3">
      <Head
        words={best?.title ?? fault.repair.title}
        step={{ ...step, minutes: best?.minutes ?? step.minutes }}
        why={`${sayFault(step.id)}: ${sayPercent(probability)}. ${sayWhyStep(step, shown)}`}
      />
      {fault.caution ? <Caution text={cautionText(fault.caution)} /> : null}
      <RivalWays ways={ways} />
      <Whence
        short="Odds, minutes and prices: judgement"
        words={`Odds: ${saySource(ODDS_SOURCE)}. Minutes, prices and how often it holds: ${saySource(REPAIR_SOURCE)}.`}
      />
      {fault.rivals === undefined && fault.repair.partsCents > 0 ? (
        <Words size={15}>Parts about {sayMoney(fault.repair.partsCents)}.</Words>
      ) : null}
      {confirms ? (
        <Button kind="main" tall label="Confirm: it is this" onPress={onConfirm} />
      ) : (
        <Words size={15}>A technician confirms the cause.</Words>
      )}
      <Button tall label="Repaired, and the trouble is still there" onPress={onRepaired} />
      <Button kind="quiet" label="Another step" onPress={onOther} />
    </Card>
  );
}
