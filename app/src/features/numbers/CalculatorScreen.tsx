import { CALCULATORS, type Asked, type Calculator } from '@hudrik/core/calculators';
import { dimensionOf, DIMENSIONS, preferredUnit, areOfOneDimension, convertValue } from '@hudrik/core/units';
import { router } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { kv, usePerson, readKept } from '@/api';
import { Button, Choice, Empty, Field, Page, Section, Words } from '@/design';
import { object, string } from 'yup';

/** One bench sum by its id. */
export function CalculatorScreen({ id }: { readonly id: string }) {
  const calculator = CALCULATORS.find((entry) => entry.id === id);
  if (calculator === undefined) {
    return (
      <Page>
        <Empty sentence="There is no such calculation.">
          <Button label="All numbers" onPress={() => router.replace('/numbers')} />
        </Empty>
      </Page>
    );
  }
  return <Sum calculator={calculator} />;
}

/** What was typed, in which unit. */
type Typed = Readonly<Record<string, { readonly text: string; readonly unit: string }>>;

const field = object({ text: string().defined(), unit: string().required() });
const typedAs = ({ asks }: Calculator) => object(Object.fromEntries(asks.map((asked) => [asked.id, field.required()])));

const NUMBER = /^\d+([.,]\d+)?$/;
const toNumber = (text: string): number => Number(text.replace(',', '.'));
const keyOf = (id: string): string => `hudrik-sum-${id}`;

function Sum({ calculator }: { readonly calculator: Calculator }) {
  const { preferences } = usePerson();
  const [typed, setTyped] = useState<Typed>(() =>
    Object.fromEntries(calculator.asks.map((asked) => [asked.id, usualIn(asked, preferences.units)])),
  );
  useEffect(() => {
    void readKept(keyOf(calculator.id), typedAs(calculator)).then(
      (kept) => kept && setTyped((before) => ({ ...before, ...kept })),
    );
  }, [calculator]);
  const set = (id: string, change: Partial<Typed[string]>) => {
    const before = typed[id];
    if (before === undefined) return;
    const next = { ...typed, [id]: { ...before, ...change } };
    setTyped(next);
    void kv.setItem(keyOf(calculator.id), JSON.stringify(next));
  };
  const complete = calculator.asks.every((asked) => NUMBER.test(typed[asked.id]?.text ?? ''));
  const given = complete
    ? calculator.gives(
        Object.fromEntries(
          calculator.asks.map((asked) => [
            asked.id,
            inUnit(toNumber(typed[asked.id]?.text ?? ''), typed[asked.id]?.unit ?? asked.unit, asked.unit),
          ]),
        ),
      )
    : null;
  const [first, ...rest] = given ?? [];
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {calculator.name}
      </Words>
      <View role="status" className="gap-1">
        <View className="flex-row items-baseline gap-2">
          <Words face="figures" size={56}>
            {first ? say(first.value) : '–'}
          </Words>
          <Words size={22}>{first?.unit ?? ''}</Words>
        </View>
        <Words face="strong">
          {first
            ? `${first.label}. ${first.sentence ?? ''}`
            : complete
              ? 'These values make no sense together.'
              : 'Enter a number on every line.'}
        </Words>
        {rest.map((entry) => (
          <Words key={entry.id}>
            {entry.label}: {say(entry.value)} {entry.unit}
          </Words>
        ))}
      </View>
      <Section title="Given">
        {calculator.asks.map((asked) => (
          <View key={asked.id} className="gap-2">
            <Field
              label={`${asked.label}, ${typed[asked.id]?.unit ?? asked.unit}`}
              value={typed[asked.id]?.text ?? ''}
              onChangeText={(text) => set(asked.id, { text })}
              inputMode="decimal"
              wrong={NUMBER.test(typed[asked.id]?.text ?? '') ? undefined : 'Enter a number, with at most one point.'}
            />
            {unitsOf(asked).length > 1 ? (
              <View className="flex-row flex-wrap gap-2">
                {unitsOf(asked).map((unit) => (
                  <Choice
                    key={unit}
                    className="grow"
                    label={unit}
                    aria-label={`${asked.label} in ${unit}`}
                    on={typed[asked.id]?.unit === unit}
                    onPress={() => set(asked.id, { unit })}
                  />
                ))}
              </View>
            ) : null}
          </View>
        ))}
      </Section>
      <Section title="How">
        <Words size={15}>{calculator.formula}</Words>
        <Words size={15}>
          Worked:{' '}
          {calculator.asks
            .map((asked) => `${asked.label.toLowerCase()} ${calculator.worked.given[asked.id]} ${asked.unit}`)
            .join(', ')}{' '}
          gives {Object.values(calculator.worked.gives).map(say).join(' · ')}.
        </Words>
        <Words size={13} tone="ink-soft">
          {calculator.source}
        </Words>
      </Section>
    </Page>
  );
}

const say = (value: number): string =>
  Math.abs(value) >= 100 ? value.toFixed(0) : Number(value.toPrecision(3)).toString();

const unitsOf = (asked: Asked): string[] => {
  const dimension = dimensionOf(asked.unit);
  return dimension === undefined ? [asked.unit] : Object.keys(DIMENSIONS[dimension]);
};

const inUnit = (value: number, from: string, to: string): number =>
  areOfOneDimension(from, to) ? convertValue(value, from, to) : value;

/** What stands there at first, in the unit that the person reads. */
function usualIn(asked: Asked, system: 'inch' | 'metric'): { text: string; unit: string } {
  const dimension = dimensionOf(asked.unit);
  const unit = dimension === 'pressure' || dimension === 'length' ? preferredUnit(dimension, system) : asked.unit;
  const fits = dimension !== 'length' || asked.unit !== 'm';
  return fits
    ? { text: say(inUnit(asked.usual, asked.unit, unit)), unit }
    : { text: String(asked.usual), unit: asked.unit };
}
