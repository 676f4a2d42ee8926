import { RATINGS, READING_LIMITS, saySource, shortSource, type Rated } from '@hudrik/core/catalogue';
import { CALCULATORS, type Asked, type Calculator, type Given } from '@hudrik/core/calculators';
import type { UnitSheet } from '@hudrik/core/contracts';
import { readFigure, readPositive } from '@hudrik/core/figures';
import { ratedOf } from '@hudrik/core/ratings';
import { limitsFor } from '@hudrik/core/readings';
import {
  areOfOneDimension,
  convertValue,
  dimensionOf,
  DIMENSIONS,
  preferredUnit,
  type UnitSystem,
} from '@hudrik/core/units';
import { router } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { kv, usePerson, readKept } from '@/api';
import { Button, Choice, Empty, Field, Page, Section, Whence, Words } from '@/design';
import { useUnitSheet } from '@/features/sheet';
import { object, string } from 'yup';
import { ForUnit } from './ForUnit';
import { TubeDrawing } from './TubeDrawing';

interface Props {
  readonly id: string;
  /** For which unit: its model's sheet judges, its plate is filled in. */
  readonly tag?: string | null;
}

/** One bench sum by its id. */
export function CalculatorScreen({ id, tag = null }: Props) {
  const calculator = CALCULATORS.find((entry) => entry.id === id);
  const sheet = useUnitSheet(tag);
  if (calculator === undefined) {
    return (
      <Page>
        <Empty sentence="There is no such calculation.">
          <Button label="All numbers" onPress={() => router.replace('/numbers')} />
        </Empty>
      </Page>
    );
  }
  // Filled in anew once the sheet is there.
  return <Sum key={sheet?.tag ?? ''} calculator={calculator} sheet={sheet} tag={tag} />;
}

/** What was typed, in which unit; and the figure as it was before its unit was switched, which it still is to the last place. */
interface TypedLine {
  readonly text: string;
  readonly unit: string;
  readonly was?: { readonly value: number; readonly unit: string } | undefined;
}
type Typed = Readonly<Record<string, TypedLine>>;

const field = object({ text: string().defined(), unit: string().defined() });
const typedAs = ({ asks }: Calculator) => object(Object.fromEntries(asks.map((asked) => [asked.id, field.required()])));

const keyOf = (id: string): string => `hudrik-sum-${id}`;
const figureOf = ({ isSigned }: Asked, text: string): number | null =>
  isSigned ? readFigure(text) : readPositive(text);

/** The figure that a line stands for; null: none. */
function meantBy(asked: Asked, line: TypedLine | undefined): { readonly value: number; readonly unit: string } | null {
  if (line?.was) return line.was;
  const value = figureOf(asked, line?.text ?? '');
  return value === null ? null : { value, unit: line?.unit ?? asked.unit };
}

type Figures = readonly (readonly [string, number | null])[];

interface SumProps {
  readonly calculator: Calculator;
  readonly sheet: UnitSheet | null;
  readonly tag: string | null;
}

function Sum({ calculator, sheet, tag }: SumProps) {
  const { preferences } = usePerson();
  const [typed, setTyped] = useState<Typed>(() => startOf(calculator, preferences.units, sheet));
  useEffect(() => {
    if (sheet !== null) return;
    void readKept(keyOf(calculator.id), typedAs(calculator)).then(
      (kept) => kept && setTyped((before) => ({ ...before, ...kept })),
    );
  }, [calculator, sheet]);
  const set = (id: string, change: Partial<Typed[string]>) => {
    const before = typed[id];
    if (before === undefined) return;
    const next = { ...typed, [id]: { ...before, ...change } };
    setTyped(next);
    if (sheet === null) void kv.setItem(keyOf(calculator.id), JSON.stringify(next));
  };
  const figures = calculator.asks.map((asked) => {
    const figure = meantBy(asked, typed[asked.id]);
    return [asked.id, figure === null ? null : inUnit(figure.value, figure.unit, asked.unit)] as const;
  });
  const complete = figures.every(([, figure]) => figure !== null);
  const limits = limitsFor(READING_LIMITS, sheet?.dataSheet.limits ?? null);
  const given = complete ? calculator.gives(Object.fromEntries(figures) as Record<string, number>, { limits }) : null;
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {calculator.name}
      </Words>
      <Result given={given} complete={complete} system={preferences.units} />
      {calculator.tube && complete ? <Tube of={calculator.tube} figures={figures} /> : null}
      {calculator.isOfModel || calculator.asks.some((asked) => asked.rating) ? (
        <ForUnit tag={tag} sheet={sheet} />
      ) : null}
      <Section title="Given">
        {calculator.asks.map((asked) => (
          <Line key={asked.id} asked={asked} typed={typed[asked.id]} onChange={(change) => set(asked.id, change)} />
        ))}
      </Section>
      <Section title="How">
        <Words size={15}>{calculator.formula}</Words>
        <Words size={15}>{sayWorked(calculator)}</Words>
        <Words size={13} tone="ink-soft">
          {calculator.sources.map(saySource).join('. ')}.
        </Words>
      </Section>
    </Page>
  );
}

function Tube({ of, figures }: { readonly of: NonNullable<Calculator['tube']>; readonly figures: Figures }) {
  const said = Object.fromEntries(figures);
  return <TubeDrawing fuel={said[of.fuel] ?? 0} grown={said[of.grown] ?? 0} />;
}

interface ResultProps {
  readonly given: readonly Given[] | null;
  readonly complete: boolean;
  readonly system: UnitSystem;
}

/** The answer first, in the person's unit; then the rest, each in its own and in the other. */
function Result({ given, complete, system }: ResultProps) {
  const [first, ...rest] = given ?? [];
  const main = first && inPreferred(first, system);
  return (
    <View role="status" className="gap-1">
      <View className="flex-row items-baseline gap-2">
        <Words face="figures" size={56}>
          {main ? say(main.value) : '–'}
        </Words>
        <Words size={22}>{main?.unit ?? ''}</Words>
      </View>
      <Words face="strong">
        {first
          ? `${first.label}. ${first.sentence ?? ''}`
          : complete
            ? 'These values make no sense together.'
            : 'Enter a number on every line.'}
      </Words>
      {first?.source ? (
        <Whence short={`Judged by: ${shortSource(first.source)}`} words={saySource(first.source)} />
      ) : null}
      {first && main && main.unit !== first.unit ? <Words>{`That is ${say(first.value)} ${first.unit}.`}</Words> : null}
      {rest.map((entry) => (
        <Words key={entry.id}>
          {entry.label} {say(entry.value)} {entry.unit}
          {entry.sentence ? ` (${entry.sentence})` : ''}
        </Words>
      ))}
    </View>
  );
}

interface LineProps {
  readonly asked: Asked;
  readonly typed: Typed[string] | undefined;
  readonly onChange: (change: Partial<Typed[string]>) => void;
}

function Line({ asked, typed, onChange }: LineProps) {
  const { text = '', unit = asked.unit } = typed ?? {};
  const units = unitsOf(asked);
  if (asked.options)
    return (
      <View className="gap-1" role="group" aria-label={asked.label}>
        <Words size={15} face="strong">
          {asked.label}
        </Words>
        <View className="flex-row flex-wrap gap-2">
          {asked.options.map(({ value, words }) => (
            <Choice
              key={value}
              className="grow"
              label={words}
              on={text === String(value)}
              onPress={() => onChange({ text: String(value) })}
            />
          ))}
        </View>
      </View>
    );
  // The figure that stands there is the same in the new unit.
  const turnTo = (next: string) => {
    const was = meantBy(asked, typed);
    onChange({ unit: next, ...(was === null ? {} : { was, text: write(inUnit(was.value, was.unit, next)) }) });
  };
  return (
    <View className="gap-2">
      <Field
        label={unit === '' ? asked.label : `${asked.label}, ${unit}`}
        value={text}
        onChangeText={(next) => onChange({ text: next, was: undefined })}
        inputMode={asked.isSigned ? 'text' : 'decimal'}
        wrong={figureOf(asked, text) === null ? 'Enter a number, with at most one point.' : undefined}
      />
      {units.length > 1 ? (
        <View className="flex-row flex-wrap gap-2">
          {units.map((entry) => (
            <Choice
              key={entry}
              className="grow"
              label={entry}
              aria-label={`${asked.label} in ${entry}`}
              on={unit === entry}
              onPress={() => turnTo(entry)}
            />
          ))}
        </View>
      ) : null}
    </View>
  );
}

function sayWorked({ asks, worked }: Calculator): string {
  const given = asks.map((asked) => {
    const value = worked.given[asked.id];
    const chosen = asked.options?.find((option) => option.value === value)?.words;
    return `${asked.label.toLowerCase()} ${chosen?.toLowerCase() ?? `${value} ${asked.unit}`}`.trim();
  });
  return `Worked: ${given.join(', ')} gives ${Object.values(worked.gives).map(say).join(' · ')}.`;
}

const say = (value: number): string =>
  Math.abs(value) >= 100 ? value.toFixed(0) : Number(value.toPrecision(3)).toString();
/** A figure for a field: as many places as it was turned with, no more. */
const write = (value: number): string => Number(value.toPrecision(6)).toString();

const LARGE = ['m', 'ft'];
const GAUGES = ['psi', 'kPa', 'bar'];
const FINE = ['mm', 'cm', 'in', 'thou'];
/** In which units a line may be typed: heights not in thousandths, gaps not in metres. */
const unitsOf = (asked: Asked): readonly string[] => {
  const dimension = dimensionOf(asked.unit);
  if (dimension === undefined) return [asked.unit];
  if (dimension === 'length') return LARGE.includes(asked.unit) ? LARGE : FINE;
  if (dimension === 'time') return [asked.unit];
  if (dimension === 'pressure') return GAUGES;
  return Object.keys(DIMENSIONS[dimension]);
};

const inUnit = (value: number, from: string, to: string): number =>
  areOfOneDimension(from, to) ? convertValue(value, from, to) : value;

/** The unit that this person reads, of those that the line may be typed in. */
function unitFor(unit: string, system: UnitSystem): string {
  const dimension = dimensionOf(unit);
  if (dimension === undefined || dimension === 'time') return unit;
  if (unit === 'mL') return system === 'inch' ? 'US fl oz' : 'mL';
  if (LARGE.includes(unit)) return system === 'inch' ? 'ft' : 'm';
  if (dimension === 'torque' && system === 'inch' && unit === 'lbf·in') return unit;
  return preferredUnit(dimension, system);
}

const inPreferred = ({ value, unit }: Given, system: UnitSystem): { readonly value: number; readonly unit: string } => {
  const to = unitFor(unit, system);
  return { value: inUnit(value, unit, to), unit: areOfOneDimension(unit, to) ? to : unit };
};

/** What the plate says for a line, in its unit. */
function plateFigure({ rating, unit }: Asked, rated: Rated): number | undefined {
  const figure = rating === undefined ? undefined : rated[rating];
  return rating === undefined || figure === undefined ? undefined : inUnit(figure, RATINGS[rating].unit, unit);
}

/** What stands there at first: the plate's figure where the unit has one, in the unit that the person reads. */
function startOf({ asks }: Calculator, system: UnitSystem, sheet: UnitSheet | null): Typed {
  const rated = sheet === null ? {} : ratedOf({}, sheet.dataSheet.rated, sheet.rated);
  return Object.fromEntries(
    asks.map((asked) => {
      const unit = asked.options ? asked.unit : unitFor(asked.unit, system);
      const usual = plateFigure(asked, rated) ?? asked.usual;
      const text = asked.options ? String(usual) : say(inUnit(usual, asked.unit, unit));
      return [asked.id, { text, unit }];
    }),
  );
}
