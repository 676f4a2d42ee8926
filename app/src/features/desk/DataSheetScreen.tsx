import { ENGINE_TRAITS, READING_LIMITS, type EngineTrait } from '@hudrik/core/catalogue';
import { limitsFor, type OwnLimits, type ReadingLimits } from '@hudrik/core/readings';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, useChange, useRead } from '@/api';
import { Button, Choice, Failure, Field, Loading, Page, Section, Words } from '@/design';

const LIMIT_WORD: Readonly<Record<keyof ReadingLimits, string>> = {
  compressionFree: 'Compression without release',
  compressionByRelease: 'Compression with release',
  leakDownPercent: 'Leak-down',
  batteryVolts: 'Battery at rest',
  plugGapInch: 'Plug gap',
  airGapInch: 'Air gap of the coil',
  pointsGapInch: 'Points gap',
  pointsOhm: 'Points closed',
  coilOhm: 'Coil’s secondary',
  lashIntakeInch: 'Intake lash',
  lashExhaustInch: 'Exhaust lash',
};
const TRAIT_WORD: Readonly<Record<EngineTrait, string>> = {
  ignition: 'Ignition',
  strokes: 'Strokes',
  release: 'Compression release',
  fuel: 'Fuel',
  throttle: 'Throttle',
  carburettor: 'Carburettor',
  tank: 'Tank',
  start: 'Start',
  cooling: 'Cooling',
};
const NUMBER = /^\d+([.,]\d+)?$/;
const toNumber = (text: string): number => Number(text.replace(',', '.'));

interface Sheet {
  readonly engine: Readonly<Record<string, unknown>>;
  readonly limits: OwnLimits;
}

/** What a model's data sheet says. It always beats a default. */
export function DataSheetScreen({ id }: { readonly id: string }) {
  const read = useRead('modelSheet', { params: { id } });
  if (!read.data)
    return read.isError ? (
      <Failure sentence={sentenceOf(read.error)} retry={() => void read.refetch()} />
    ) : (
      <Loading what="the data sheet" />
    );
  const { model, dataSheet } = read.data;
  return <Form key={model.id} id={id} name={`${model.make} ${model.name}`} sheet={dataSheet as unknown as Sheet} />;
}

function Form({ id, name, sheet }: { readonly id: string; readonly name: string; readonly sheet: Sheet }) {
  const change = useChange('changeSheet');
  const [engine, setEngine] = useState(sheet.engine);
  const [texts, setTexts] = useState<Readonly<Record<string, readonly [string, string]>>>(() =>
    Object.fromEntries(
      Object.entries(sheet.limits).map(([key, band]) => [
        key,
        [String(band?.[0] ?? ''), band?.[1] == null ? '' : String(band[1])] as const,
      ]),
    ),
  );
  const wrong = Object.entries(texts).filter(
    ([, [from, to]]) =>
      from !== '' && (!NUMBER.test(from) || (to !== '' && (!NUMBER.test(to) || toNumber(to) <= toNumber(from)))),
  );
  const keep = async () => {
    const limits = Object.fromEntries(
      Object.entries(texts).flatMap(([key, [from, to]]) =>
        from === '' ? [] : [[key, [toNumber(from), to === '' ? null : toNumber(to)]]],
      ),
    );
    await change.mutateAsync({ params: { id }, body: { engine, limits } as never });
    router.back();
  };
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {name}: data sheet
      </Words>
      {change.isError ? <Failure sentence={sentenceOf(change.error)} kept="What you wrote is still here." /> : null}
      <Section title="Its engine">
        {(Object.keys(ENGINE_TRAITS) as EngineTrait[]).map((trait) => (
          <View key={trait} className="gap-1">
            <Words size={15} face="strong">
              {TRAIT_WORD[trait]}
            </Words>
            <View className="flex-row flex-wrap gap-2">
              {ENGINE_TRAITS[trait].map((value) => (
                <Choice
                  key={String(value)}
                  label={trait === 'release' ? (value ? 'has one' : 'none') : String(value)}
                  on={engine[trait] === value}
                  onPress={() => setEngine({ ...engine, [trait]: engine[trait] === value ? undefined : value })}
                />
              ))}
            </View>
          </View>
        ))}
      </Section>
      <Section title="Well from, to">
        {(Object.keys(LIMIT_WORD) as (keyof ReadingLimits)[]).map((key) => {
          const [from, to] = texts[key] ?? ['', ''];
          const set = (at: 0 | 1) => (text: string) =>
            setTexts({ ...texts, [key]: at === 0 ? [text, to] : [from, text] });
          const { unit } = limitsFor(READING_LIMITS, null)[key];
          return (
            <View key={key} className="flex-row items-end gap-2">
              <Field
                className="min-w-0 flex-1"
                label={`${LIMIT_WORD[key]} from, ${unit}`}
                value={from}
                onChangeText={set(0)}
                inputMode="decimal"
                wrong={wrong.some(([name_]) => name_ === key) ? 'Figures, from below to.' : undefined}
              />
              <Field
                className="w-[110px]"
                label="to (open)"
                aria-label={`${LIMIT_WORD[key]} to`}
                value={to}
                onChangeText={set(1)}
                inputMode="decimal"
              />
            </View>
          );
        })}
        <Words size={15}>What is left empty goes by common practice.</Words>
      </Section>
      <Button
        kind="main"
        tall
        label="Keep the data sheet"
        disabled={wrong.length > 0 || change.isPending}
        onPress={() => void keep().catch(() => undefined)}
      />
    </Page>
  );
}
