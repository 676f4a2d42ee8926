import { READING_LIMITS, type ReadingKind } from '@hudrik/core/catalogue';
import type { Machine } from '@hudrik/core/diagnosis';
import { bandReading, limitsFor, type Banded, type OwnLimits } from '@hudrik/core/readings';
import { convertValue, dimensionOf } from '@hudrik/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { Button, Choice, Field, Gauge, Words } from '@/design';
import { usePerson } from '@/api';
import { observationOf, sayOutcome } from './say';

interface Props {
  readonly observation: string;
  readonly machine: Machine;
  readonly altitudeM: number;
  readonly limits: OwnLimits | null;
  readonly onReading: (outcome: string, reading: Record<string, unknown>) => void;
}

/** What each kind of reading asks for, and the gauge's scale in the unit of its bands. */
const FORM: Readonly<
  Record<
    ReadingKind,
    {
      readonly fields: readonly (readonly [name: string, label: string])[];
      readonly units: readonly string[];
      readonly methods?: readonly string[];
      readonly scale: readonly [number, number];
    }
  >
> = {
  compression: {
    fields: [['value', 'Gauge']],
    units: ['psi', 'kPa', 'bar'],
    methods: ['pull', 'starter', 'drill'],
    scale: [0, 220],
  },
  'leak-down': {
    fields: [
      ['supply', 'Supply'],
      ['cylinder', 'Cylinder'],
    ],
    units: ['psi', 'kPa', 'bar'],
    scale: [0, 100],
  },
  'valve-lash': {
    fields: [
      ['intake', 'Intake'],
      ['exhaust', 'Exhaust'],
    ],
    units: ['in', 'mm'],
    scale: [0, 0.015],
  },
  battery: { fields: [['value', 'Volts at rest']], units: ['V'], scale: [10, 14] },
  'plug-gap': { fields: [['value', 'Gap']], units: ['in', 'mm'], scale: [0, 0.06] },
  'air-gap': { fields: [['value', 'Gap']], units: ['in', 'mm'], scale: [0, 0.03] },
  'points-gap': { fields: [['value', 'Gap']], units: ['in', 'mm'], scale: [0, 0.04] },
  'points-resistance': { fields: [['value', 'Across closed points']], units: ['ohm'], scale: [0, 20] },
  'coil-resistance': { fields: [['value', 'Secondary']], units: ['ohm'], scale: [0, 12_000] },
};

const METHOD_WORD: Readonly<Record<string, string>> = { pull: 'By rope', starter: 'By starter', drill: 'By drill' };
const METRIC = new Set(['kPa', 'mm']);

/** A reading, banded as it is typed, on its gauge. */
export function ReadingEntry({ observation, machine, altitudeM, limits, onReading }: Props) {
  const kind = observationOf(observation).reading as ReadingKind;
  const form = FORM[kind];
  const { preferences } = usePerson();
  const preferred =
    form.units.find((unit) => METRIC.has(unit) === (preferences.units === 'metric')) ?? form.units[0] ?? '';
  const [texts, setTexts] = useState<Readonly<Record<string, string>>>({});
  const [unit, setUnit] = useState(preferred);
  const [method, setMethod] = useState(form.methods?.[0]);
  const reading = {
    ...Object.fromEntries(form.fields.map(([name]) => [name, numberIn(texts[name])])),
    unit,
    ...(method ? { method } : {}),
  };
  const complete = form.fields.every(([name]) => numberIn(texts[name]) !== null);
  const banded = complete
    ? bandReading(kind, reading, limitsFor(READING_LIMITS, limits), { engine: machine.engine, altitudeM })
    : null;
  const doubt = banded?.ok ? doubtOf(kind, reading) : null;
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
      <View className="flex-row items-end gap-2">
        {form.fields.map(([name, label]) => (
          <Field
            key={name}
            className="min-w-0 flex-1"
            label={`${label}, ${unit}`}
            value={texts[name] ?? ''}
            onChangeText={(text) => setTexts((before) => ({ ...before, [name]: text }))}
            inputMode="decimal"
            wrong={
              texts[name] && numberIn(texts[name]) === null ? 'Enter a number, with at most one point.' : undefined
            }
          />
        ))}
        {form.units.length > 1
          ? form.units.map((entry) => (
              <Choice key={entry} label={entry} on={unit === entry} onPress={() => setUnit(entry)} />
            ))
          : null}
      </View>
      {banded && !banded.ok ? <Words tone="held">It cannot be read: {banded.why}.</Words> : null}
      {banded?.ok ? <Band banded={banded} observation={observation} scale={form.scale} shown={unit} /> : null}
      {doubt ? (
        <View className="flex-row flex-wrap items-center gap-2" role="alert">
          <Words tone="held" className="min-w-0 flex-1">
            {doubt.sentence}
          </Words>
          <Button label={`It was ${doubt.meant}`} onPress={() => setUnit(doubt.meant)} />
        </View>
      ) : null}
      {banded?.ok ? (
        <Button
          kind="main"
          tall
          label={`Take it: ${sayOutcome(observation, banded.outcome).toLowerCase()}`}
          onPress={() => onReading(banded.outcome, reading)}
        />
      ) : null}
    </View>
  );
}

const numberIn = (text: string | undefined): number | null =>
  text !== undefined && /^\d+([.,]\d+)?$/.test(text) ? Number(text.replace(',', '.')) : null;

/** A unit that can hardly be meant, and the one that was. */
function doubtOf(
  kind: ReadingKind,
  reading: { readonly unit: string; readonly value?: number | null },
): { readonly sentence: string; readonly meant: string } | null {
  const value = reading.value ?? 0;
  if (kind === 'compression' && reading.unit === 'kPa' && value > 0 && value < 250)
    return { sentence: 'That is very little in kPa. Was it psi?', meant: 'psi' };
  if (kind === 'compression' && reading.unit === 'psi' && value > 350)
    return { sentence: 'That is very much in psi. Was it kPa?', meant: 'kPa' };
  if (reading.unit === 'in' && value > 0.2) return { sentence: 'That is very wide in inches. Was it mm?', meant: 'mm' };
  return null;
}

interface BandProps {
  readonly banded: Extract<Banded, { ok: true }>;
  readonly observation: string;
  readonly scale: readonly [number, number];
  /** The unit that the person reads in. */
  readonly shown: string;
}

/** The reading on its gauge, in the person's unit; where its limits come from stands below. */
function Band({ banded, observation, scale, shown }: BandProps) {
  const [healthy] = Object.keys(observationOf(observation).outcomes);
  const { steps, unit, source } = banded.bands;
  const into = dimensionOf(unit) !== undefined && dimensionOf(unit) === dimensionOf(shown) ? shown : unit;
  const say = (value: number): number => round(into === unit ? value : convertValue(value, unit, into));
  const at = steps.findIndex((step) => step.outcome === healthy);
  const edge = (end: number | undefined): number | null =>
    end === undefined || end <= scale[0] || end >= scale[1] ? null : say(end);
  const good = [edge(steps[at]?.from), edge(steps[at + 1]?.from)] as const;
  return (
    <View className="gap-1">
      <Gauge
        scale={[say(scale[0]), say(scale[1])]}
        good={good}
        value={say(banded.value)}
        unit={into}
        verdict={sayOutcome(observation, banded.outcome)}
        tone={banded.outcome === healthy ? 'fit' : 'held'}
      />
      <Words size={13} tone="ink-soft">
        Limits: {source.kind === 'data sheet' ? 'the model’s data sheet' : `${source.kind}; a data sheet comes first`}.
      </Words>
    </View>
  );
}

const round = (value: number): number => Number(value.toPrecision(3));
