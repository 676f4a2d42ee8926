import { GAP_WAYS, READING_LIMITS, saySource, shortSource, type ReadingKind } from '@hudrik/core/catalogue';
import type { Machine } from '@hudrik/core/diagnosis';
import {
  asWritten,
  bandReading,
  doubtOf,
  limitsFor,
  outBy,
  type Banded,
  type Doubt,
  type OwnLimits,
} from '@hudrik/core/readings';
import { convertValue, dimensionOf, symbolOf } from '@hudrik/core/units';
import { mapValues } from '@hudrik/core/typed';
import { useState } from 'react';
import { View } from 'react-native';
import { Button, Choice, Field, Gauge, Whence, Words } from '@/design';
import { sayFull, sayValue } from '@/writing';
import { observationOf, sayOutcome } from './say';
import { useUnit } from './useUnit';

interface Props {
  readonly observation: string;
  readonly machine: Machine;
  readonly altitudeM: number;
  readonly limits: OwnLimits | null;
  readonly onReading: (outcome: string, reading: Record<string, unknown>) => void;
}

interface Form {
  readonly fields: readonly (readonly [name: string, label: string])[];
  readonly methods?: readonly string[];
  /** Of which volts a battery is. */
  readonly nominals?: readonly number[];
  /** The gauge's, in the unit of its limits. */
  readonly scale: readonly [number, number];
}

/** What each kind of reading asks for. */
const FORM: Readonly<Record<ReadingKind, Form>> = {
  compression: { fields: [['value', 'Gauge']], methods: ['pull', 'starter', 'drill'], scale: [0, 220] },
  'leak-down': {
    fields: [
      ['supply', 'Supply'],
      ['cylinder', 'Cylinder'],
    ],
    scale: [0, 100],
  },
  'valve-lash': {
    fields: [
      ['intake', 'Intake'],
      ['exhaust', 'Exhaust'],
    ],
    scale: [0, 0.015],
  },
  battery: { fields: [['value', 'Volts at rest']], nominals: [12, 24], scale: [10, 14] },
  'plug-gap': { fields: [['value', 'Gap']], scale: [0, 0.06] },
  'air-gap': { fields: [['value', 'Gap']], scale: [0, 0.03] },
  'points-gap': { fields: [['value', 'Gap']], scale: [0, 0.04] },
  'points-resistance': { fields: [['value', 'Across closed points']], scale: [0, 20] },
  'coil-resistance': { fields: [['value', 'Secondary']], scale: [0, 12_000] },
};

const METHOD_WORD: Readonly<Record<string, string>> = { pull: 'By rope', starter: 'By starter', drill: 'By drill' };

/** A reading, banded as it is typed, on its gauge. Its unit is the one that was read in last, until another is tapped or written behind it. */
export function ReadingEntry({ observation, machine, altitudeM, limits, onReading }: Props) {
  const kind = observationOf(observation).reading as ReadingKind;
  const form = FORM[kind];
  const [texts, setTexts] = useState<Readonly<Record<string, string>>>({});
  const { unit, units, setUnit, keep } = useUnit(kind);
  const [method, setMethod] = useState(form.methods?.[0]);
  const [nominal, setNominal] = useState(form.nominals?.[0]);
  const values = form.fields.map(([name]) => asWritten(texts[name] ?? '', kind));
  const figures = values.flatMap((one) => one?.value ?? []);
  const reading = {
    ...Object.fromEntries(form.fields.map(([name], at) => [name, values[at]?.value ?? null])),
    unit,
    ...(method ? { method } : {}),
    ...(nominal === undefined ? {} : { nominal }),
  };
  const banded =
    figures.length === form.fields.length
      ? bandReading(kind, reading, limitsFor(READING_LIMITS, limits), { engine: machine.engine, altitudeM })
      : null;
  const doubt = banded?.ok ? doubtOf(kind, figures, unit) : null;
  // The figures that stand there are the same in the new unit.
  const turnTo = (next: string) => {
    setTexts((before) => mapValues(before, (text) => turned(text, kind, unit, next)));
    setUnit(next);
  };
  const write = (name: string, text: string) => {
    setTexts((before) => ({ ...before, [name]: text }));
    const written = asWritten(text, kind)?.unit;
    if (written) setUnit(written);
  };
  return (
    <View className="gap-3">
      {form.methods ? (
        <View className="flex-row gap-2">
          {form.methods.map((entry) => (
            <Choice
              key={entry}
              className="flex-1"
              label={METHOD_WORD[entry] ?? entry}
              on={method === entry}
              onPress={() => setMethod(entry)}
            />
          ))}
        </View>
      ) : null}
      {form.nominals ? (
        <View className="flex-row gap-2" role="group" aria-label="Battery">
          {form.nominals.map((volts) => (
            <Choice
              key={volts}
              className="flex-1"
              label={`A battery of ${volts} V`}
              on={nominal === volts}
              onPress={() => setNominal(volts)}
            />
          ))}
        </View>
      ) : null}
      <View className="flex-row items-end gap-2">
        {form.fields.map(([name, label], at) => (
          <Field
            key={name}
            className="min-w-0 flex-1"
            label={`${label}, ${symbolOf(unit)}`}
            value={texts[name] ?? ''}
            onChangeText={(text) => write(name, text)}
            inputMode="decimal"
            wrong={texts[name] && values[at] === null ? `Enter a figure, in ${sayUnits(units)}.` : undefined}
          />
        ))}
      </View>
      {units.length > 1 ? (
        <View className="flex-row gap-2" role="group" aria-label="Unit">
          {units.map((entry) => (
            <Choice
              key={entry}
              className="flex-1"
              label={symbolOf(entry)}
              on={unit === entry}
              onPress={() => turnTo(entry)}
            />
          ))}
        </View>
      ) : null}
      {banded && !banded.ok ? <Words tone="held">It cannot be read: {banded.why}.</Words> : null}
      {banded?.ok ? (
        <Band banded={banded} kind={kind} observation={observation} scale={form.scale} shown={unit} />
      ) : null}
      {doubt ? <Doubted doubt={doubt} onMeant={setUnit} /> : null}
      {banded?.ok ? (
        <Button
          kind="main"
          tall
          label={`Take it: ${sayOutcome(observation, banded.outcome).toLowerCase()}`}
          onPress={() => {
            keep();
            onReading(banded.outcome, reading);
          }}
        />
      ) : null}
    </View>
  );
}

/** What is written there, in another unit: what is no figure stays as it is. */
function turned(text: string, kind: ReadingKind, from: string, to: string): string {
  const written = asWritten(text, kind);
  return written === null ? text : String(Number(convertValue(written.value, written.unit ?? from, to).toPrecision(5)));
}

const sayUnits = (units: readonly string[]): string =>
  units
    .map(symbolOf)
    .join(', ')
    .replace(/, ([^,]*)$/, ' or $1');

interface DoubtedProps {
  readonly doubt: Doubt;
  readonly onMeant: (unit: string) => void;
}

/** What no gauge shows, in words, with what was likely meant one tap away. */
function Doubted({ doubt: { value, unit, meant }, onMeant }: DoubtedProps) {
  const said = `${sayValue(value)} ${symbolOf(unit)}`;
  return (
    <View className="flex-row flex-wrap items-center gap-2" role="alert">
      <Words tone="held" className="min-w-0 flex-1">
        {meant === null
          ? `No gauge shows ${said} here. Read it again.`
          : `${said} is hardly likely. Was it ${symbolOf(meant)}?`}
      </Words>
      {meant === null ? null : <Button label={`It was ${symbolOf(meant)}`} onPress={() => onMeant(meant)} />}
    </View>
  );
}

interface BandProps {
  readonly banded: Extract<Banded, { ok: true }>;
  readonly kind: ReadingKind;
  readonly observation: string;
  readonly scale: readonly [number, number];
  /** The unit that the person reads in. */
  readonly shown: string;
}

/** The reading on its gauge, in the person's unit; where its limits come from stands below. */
function Band({ banded, kind, observation, scale, shown }: BandProps) {
  const [healthy = ''] = Object.keys(observationOf(observation).outcomes);
  const { steps, unit, source } = banded.bands;
  const into = dimensionOf(unit) !== undefined && dimensionOf(unit) === dimensionOf(shown) ? shown : unit;
  const say = (value: number): number => round(into === unit ? value : convertValue(value, unit, into));
  const at = steps.findIndex((step) => step.outcome === healthy);
  const edge = (end: number | undefined): number | null =>
    end === undefined || end <= scale[0] || end >= scale[1] ? null : say(end);
  const good = [edge(steps[at]?.from), edge(steps[at + 1]?.from)] as const;
  const { by, way } = outBy(banded.value, banded.bands, healthy);
  const toSet = GAP_WAYS[kind];
  return (
    <View className="gap-1">
      <Gauge
        scale={[say(scale[0]), say(scale[1])]}
        good={good}
        value={say(banded.value)}
        unit={symbolOf(into)}
        verdict={sayOutcome(observation, banded.outcome)}
        tone={banded.outcome === healthy ? 'fit' : 'held'}
      />
      {toSet !== undefined && way !== 'in' ? (
        <Words
          size={15}
        >{`Too ${way === 'low' ? 'small' : 'large'} by ${sayFull(say(by))} ${symbolOf(into)}. ${toSet[way]}`}</Words>
      ) : null}
      <Whence
        short={`Limits: ${shortSource(source)}`}
        words={`${saySource(source)}.${source.kind === 'own' ? '' : ' A data sheet comes first.'}`}
      />
    </View>
  );
}

const round = (value: number): number => Number(value.toPrecision(3));
