import type { Measure } from '@hudrik/core/card';
import type { SheetMeasure } from '@hudrik/core/contracts';
import { isNoFigure, readFigure } from '@hudrik/core/figures';
import { areOfOneDimension } from '@hudrik/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { Button, Choice, Field, Sheet, Words } from '@/design';
import { isRight, sayLast, sayMeasure, turnedMeasure } from './sayMeasure';

const UNITS = ['mm', 'in', 'thou', 'psi', 'bar', 'V', 'ohm', 'drops/min', 'turns'] as const;

interface SheetProps {
  readonly listed: SheetMeasure | null;
  readonly lastOf: (
    of: Pick<Measure, 'name' | 'place'>,
  ) => { readonly value: number; readonly unit: string; readonly at: string } | undefined;
  readonly onKeep: (facts: Measure) => void;
  readonly onClose: () => void;
}

/** A unit, and those that measure the same. */
const unitsLike = (unit: string): readonly string[] => [
  unit,
  ...UNITS.filter((one) => one !== unit && areOfOneDimension(one, unit)),
];

type Texts = Readonly<Record<'name' | 'place' | 'value' | 'from' | 'to', string>>;

const textsOf = (listed: SheetMeasure | null): Texts => ({
  name: listed?.name ?? '',
  place: listed?.place ?? '',
  value: '',
  from: '',
  to: '',
});

/** What it is held against: the sheet's, in the unit that it is read in; else what was typed. */
const endsOf = (listed: SheetMeasure | null, unit: string, { from, to }: Texts): Pick<Measure, 'from' | 'to'> =>
  listed === null
    ? { from: readFigure(from), to: readFigure(to) }
    : {
        from: turnedMeasure(listed.from ?? null, listed.unit, unit),
        to: turnedMeasure(listed.to ?? null, listed.unit, unit),
      };

export function MeasureSomething({ listed, lastOf, onKeep, onClose }: SheetProps) {
  const [texts, setTexts] = useState<Texts>(() => textsOf(listed));
  const [unit, setUnit] = useState<string>(listed?.unit ?? 'mm');
  const set = (key: keyof Texts) => (text: string) => setTexts((before) => ({ ...before, [key]: text }));
  const name = texts.name.trim();
  const value = readFigure(texts.value);
  const of = { name, place: texts.place.trim() };
  const ends = endsOf(listed, unit, texts);
  const facts = value === null || name === '' ? null : { ...of, value, unit, ...ends };
  const last = lastOf(of);
  const isInverted = ends.from !== null && ends.to !== null && ends.to <= ends.from;
  const units = listed ? unitsLike(listed.unit) : UNITS;
  const turnTo = (next: string) => {
    const figures = turnedMeasure(value, unit, next);
    if (figures !== null && areOfOneDimension(unit, next)) set('value')(String(figures));
    setUnit(next);
  };
  return (
    <Sheet
      title={listed ? [listed.name, listed.place].filter(Boolean).join(', ') : 'Measure something'}
      open
      onClose={onClose}
    >
      {listed ? null : (
        <>
          <Field label="What is measured" value={texts.name} onChangeText={set('name')} />
          <Field label="Where (optional)" value={texts.place} onChangeText={set('place')} />
        </>
      )}
      <Field
        label={`Figure, ${unit}`}
        value={texts.value}
        onChangeText={set('value')}
        inputMode="decimal"
        wrong={isNoFigure(texts.value) ? 'Enter a number, with at most one point.' : undefined}
      />
      <View className="flex-row flex-wrap gap-2" role="group" aria-label="Unit">
        {units.map((one) => (
          <Choice key={one} className="grow" label={one} on={unit === one} onPress={() => turnTo(one)} />
        ))}
      </View>
      {listed ? null : <Limits from={texts.from} to={texts.to} isInverted={isInverted} set={set} />}
      {facts ? (
        <Words role="status" face="strong" tone={isRight(facts) ? 'ink' : 'held'}>
          {sayMeasure(facts)}
        </Words>
      ) : null}
      {last ? <Words>{sayLast(last, facts)}</Words> : null}
      <Button
        kind="main"
        tall
        label="Keep it on the card"
        offBecause={offBecause(facts, isInverted)}
        onPress={() => facts && onKeep(facts)}
      />
    </Sheet>
  );
}

/** Why it cannot be kept; null: it can. */
function offBecause(facts: Measure | null, isInverted: boolean): string | null {
  if (facts === null) return 'Say what it is, and the figure.';
  return isInverted ? 'The limits are the wrong way round.' : null;
}

interface LimitsProps {
  readonly from: string;
  readonly to: string;
  readonly isInverted: boolean;
  readonly set: (key: 'from' | 'to') => (text: string) => void;
}

/** What it is held against, where the sheet does not say. */
const Limits = ({ from, to, isInverted, set }: LimitsProps) => (
  <View className="flex-row gap-2">
    <Field
      className="min-w-0 flex-1"
      label="Right from (optional)"
      value={from}
      onChangeText={set('from')}
      inputMode="decimal"
    />
    <Field
      className="min-w-0 flex-1"
      label="to (optional)"
      value={to}
      onChangeText={set('to')}
      inputMode="decimal"
      wrong={isInverted ? 'This must be above “from”.' : undefined}
    />
  </View>
);
