import { faultOf, OBSERVATION_IDS, TOOLS, type ReadingKind } from '@hudrik/core/catalogue';
import type { Step } from '@hudrik/core/diagnosis';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Choice, Field, Sheet, Words } from '@/design';
import { sayMinutes } from '@/writing';
import type { Answer } from '@/workers/lookInto';
import { observationOf, sayFault, sayOutcome, sayPercent } from './say';
import { keysOf } from '@hudrik/core/typed';

/** All steps in their order: checks and repairs in one list, those whose tool is not at hand last. Any other observation by its name. */
export function StepsSheet({
  steps,
  onPick,
  onClose,
}: {
  readonly steps: readonly Step[];
  readonly onPick: (step: Step) => void;
  readonly onClose: () => void;
}) {
  const [find, setFind] = useState('');
  const wanted = find.trim().toLowerCase();
  const words = (step: Step): string => (step.kind === 'check' ? observationOf(step.id).words : sayFault(step.id));
  const listed = steps.filter((step) => soughtBy(step).includes(wanted));
  const others =
    wanted === ''
      ? []
      : OBSERVATION_IDS.filter(
          (id) =>
            soughtBy({ kind: 'check', id }).includes(wanted) &&
            !steps.some((step) => step.kind === 'check' && step.id === id),
        );
  return (
    <Sheet title="Another step" open onClose={onClose}>
      <Field label="Find a check" isSearch value={find} onChangeText={setFind} />
      {listed.slice(0, 40).map((step) => (
        <Line
          key={`${step.kind} ${step.id}`}
          words={step.kind === 'check' ? words(step) : `Repair: ${words(step).toLowerCase()}`}
          detail={`${sayMinutes(step.minutes)}${step.toolsMissing.length > 0 ? ' · tool not at hand' : worthOf(step)}`}
          onPress={() => onPick(step)}
        />
      ))}
      {others.map((id) => (
        <Line
          key={id}
          words={observationOf(id).words}
          detail="record it anyway"
          onPress={() =>
            onPick({ kind: 'check', id, minutes: observationOf(id).minutes, expectedSaving: 0, toolsMissing: [] })
          }
        />
      ))}
    </Sheet>
  );
}

/** What a person might type for a step: its name, what it shows, how it is measured, or to put it right. */
function soughtBy({ kind, id }: Pick<Step, 'kind' | 'id'>): string {
  if (kind === 'repair')
    return `put right repair mend ${sayFault(id)} ${faultOf(id)?.repair.title ?? ''}`.toLowerCase();
  const { words, outcomes, reading } = observationOf(id);
  const measured = reading === undefined ? '' : UNITS_TYPED[reading];
  return [words, id.replaceAll('-', ' '), ...Object.values(outcomes).map(([label]) => label), measured]
    .join(' ')
    .toLowerCase();
}

const UNITS_TYPED: Readonly<Record<ReadingKind, string>> = {
  compression: 'psi bar kpa gauge',
  'leak-down': 'per cent psi',
  'valve-lash': 'inch mm thousandths feeler',
  battery: 'volts',
  'plug-gap': 'inch mm thousandths',
  'air-gap': 'inch mm thousandths',
  'points-gap': 'inch mm thousandths',
  'points-resistance': 'ohm',
  'coil-resistance': 'ohm kilo ohm kilohm kω',
};

const worthOf = (step: Step): string => {
  const worth = Math.round(step.expectedSaving + step.minutes);
  return step.kind === 'check' ? (worth >= 1 ? ` · ${worth} min less to the end` : ' · tells little now') : '';
};

function Line({
  words,
  detail,
  onPress,
}: {
  readonly words: string;
  readonly detail: string;
  readonly onPress: () => void;
}) {
  return (
    <Pressable
      role="button"
      aria-label={words}
      onPress={onPress}
      className="min-h-[52px] justify-center border-b border-line"
    >
      <Words face="strong">{words}</Words>
      <Words size={15} tone="ink-soft">
        {detail}
      </Words>
    </Pressable>
  );
}

/** The table of a check: how often each suspect would answer how. */
export function TableSheet({
  shown,
  onClose,
}: {
  readonly shown: NonNullable<Answer['shown']>;
  readonly onClose: () => void;
}) {
  return (
    <Sheet title={observationOf(shown.check).words} open onClose={onClose}>
      <Words size={15}>How likely each answer is, now and if it is this.</Words>
      {shown.rows.map((row, at) => (
        <View key={row.outcome} className="gap-1 border-b border-line pb-2">
          <View className="flex-row items-baseline gap-3">
            <Words face="strong" className="min-w-0 flex-1">
              {sayOutcome(shown.check, row.outcome)}
            </Words>
            <Words face="figures">{sayPercent(row.probability)} now</Words>
          </View>
          <Words size={13} tone="ink-soft">
            {observationOf(shown.check).outcomes[row.outcome]?.[2]}
          </Words>
          {Object.entries(shown.under)
            .filter(([, table]) => Math.abs((table[at] ?? 0) - row.probability) > 0.08)
            .map(([id, table]) => (
              <View key={id} className="flex-row items-center gap-2">
                <Words size={15} className="min-w-0 flex-1" numberOfLines={1}>
                  {sayFault(id)}
                </Words>
                <View className="h-[8px] w-[80px] bg-paper">
                  <View className="h-full bg-mark" style={{ width: `${(table[at] ?? 0) * 100}%` }} />
                </View>
                <Words size={15} face="figures" className="w-[48px] text-right">
                  {sayPercent(table[at] ?? 0)}
                </Words>
              </View>
            ))}
        </View>
      ))}
    </Sheet>
  );
}

interface ToolsProps {
  readonly atHand: readonly string[] | null;
  readonly altitudeM: number;
  readonly onChange: (atHand: readonly string[] | null, altitudeM: number) => void;
  readonly onClose: () => void;
}

/** What is at hand on this bench, and how high the yard lies. Kept on the device. */
export function ToolsSheet({ atHand, altitudeM, onChange, onClose }: ToolsProps) {
  const all = keysOf(TOOLS);
  const has = (id: string): boolean => atHand === null || atHand.includes(id);
  const toggle = (id: string) => {
    const next = all.filter((tool) => (tool === id ? !has(id) : has(tool)));
    onChange(next.length === all.length ? null : next, altitudeM);
  };
  const [metres, setMetres] = useState(String(altitudeM));
  return (
    <Sheet title="Tools at hand" open onClose={onClose}>
      <Words size={15}>Checks whose tool is not here come last.</Words>
      {all.map((id) => (
        <Choice key={id} label={TOOLS[id].words} on={has(id)} onPress={() => toggle(id)} />
      ))}
      <Field
        label="The yard’s height, metres (thin air reads low)"
        value={metres}
        inputMode="numeric"
        wrong={/^\d{0,4}$/.test(metres) ? undefined : 'Metres, figures only.'}
        onChangeText={(text) => {
          setMetres(text);
          if (/^\d{1,4}$/.test(text)) onChange(atHand, Number(text));
        }}
      />
    </Sheet>
  );
}
