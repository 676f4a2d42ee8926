import { ENGINE_TRAITS, READING_LIMITS, type Rated } from '@hudrik/core/catalogue';
import { enteredSheet, type DataSheet } from '@hudrik/core/contracts';
import { limitsFor, wrongOfOwn, type OwnLimitWrong, type ReadingLimits } from '@hudrik/core/readings';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { object } from 'yup';
import { sentenceOf, useRead } from '@/api';
import { Button, Choice, Failure, Field, Loading, Page, Section, Words } from '@/design';
import { TRAIT_WORD, traitValueWord } from '@/features/fleet';
import { RatedFigures } from '@/features/fleet/RatedFigures';
import { figure, FormField, useSchemaForm } from '@/forms';
import { keysOf, mapValues } from '@hudrik/core/typed';
import { SheetLines } from './SheetLines';
import { SHEET_SECTIONS, type ListKey } from './sheetSections';
import { useChange } from '@/outbox';

type Limit = keyof ReadingLimits;
const LIMIT_WORD: Readonly<Record<Limit, string>> = {
  compressionFree: 'Compression without release',
  compressionByRelease: 'Compression with release',
  leakDownPercent: 'Leak-down',
  batteryVolts: 'Battery at rest',
  plugGapInch: 'Plug gap',
  airGapInch: 'Air gap of the coil',
  pointsGapInch: 'Points gap',
  pointsOhm: 'Closed points',
  coilOhm: 'Secondary of the coil',
  lashIntakeInch: 'Intake lash',
  lashExhaustInch: 'Exhaust lash',
};
const isLimit = (key: string): key is Limit => Object.hasOwn(LIMIT_WORD, key);
const LIMITS = Object.keys(LIMIT_WORD).filter(isLimit);
const TRAITS = keysOf(ENGINE_TRAITS);

const FIGURES = 'Enter figures, as 0.03.';
const WRONG: Readonly<Record<OwnLimitWrong, readonly [field: 'from' | 'to', words: string]>> = {
  inverted: ['to', 'This must be above “from”.'],
  impossible: ['from', 'No engine shows that: is the unit right?'],
  'end-wanted': ['to', 'This needs an end.'],
  'no-end': ['to', 'This has no upper end: leave it open.'],
  'from-nought': ['from', 'It is at most so much: begin at 0.'],
};
const bandFor = (key: Limit) =>
  object({
    from: figure().typeError(FIGURES).min(0, FIGURES),
    to: figure().typeError(FIGURES),
  }).test('can-be', ({ from, to }, context) => {
    if (from === undefined && to === undefined) return true;
    const wrong = from === undefined ? ('impossible' as const) : wrongOfOwn(key, [from, to ?? null]);
    if (wrong === null) return true;
    const [field, message] = WRONG[wrong];
    return context.createError({ path: `${context.path}.${field}`, message });
  });
const bands = mapValues(LIMIT_WORD, (_, key) => bandFor(key));
const form = object(bands);
type Typed = Record<Limit, { readonly from: string; readonly to: string }>;

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
  return <Form key={model.id} id={id} name={`${model.make} ${model.name}`} classId={model.classId} sheet={dataSheet} />;
}

const typedOf = (limits: DataSheet['limits']): Typed =>
  mapValues(LIMIT_WORD, (_, key) => ({ from: String(limits[key]?.[0] ?? ''), to: String(limits[key]?.[1] ?? '') }));

interface FormProps {
  readonly id: string;
  readonly name: string;
  readonly classId: string;
  readonly sheet: DataSheet;
}

const bodyOf = (sheet: DataSheet) => enteredSheet.cast(sheet, { assert: false });

function Form({ id, name, classId, sheet }: FormProps) {
  const change = useChange('changeSheet');
  const [engine, setEngine] = useState(sheet.engine);
  const [rated, setRated] = useState<Rated>(sheet.rated);
  const [plug, setPlug] = useState(sheet.plug);
  const [lists, setLists] = useState<Pick<DataSheet, ListKey>>(sheet);
  const { control, handleSubmit } = useSchemaForm<Typed, typeof form>(form, typedOf(sheet.limits));
  const keep = handleSubmit(async (read) => {
    const limits = Object.fromEntries(
      LIMITS.flatMap((key) => {
        const { from, to } = bands[key].cast(read[key]);
        return from === undefined ? [] : [[key, [from, to ?? null]]];
      }),
    );
    await change.mutateAsync({
      params: { id },
      body: bodyOf({ ...sheet, ...lists, engine, limits, rated, plug: plug.trim() }),
    });
    router.back();
  });
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {name}: data sheet
      </Words>
      {change.isError ? <Failure sentence={sentenceOf(change.error)} kept="What you wrote is still here." /> : null}
      <Section title="Its engine">
        {TRAITS.map((trait) => (
          <View key={trait} className="gap-1">
            <Words size={15} face="strong">
              {TRAIT_WORD[trait]}
            </Words>
            <View className="flex-row flex-wrap gap-2">
              {ENGINE_TRAITS[trait].map((value) => (
                <Choice
                  key={String(value)}
                  label={traitValueWord(value)}
                  on={engine[trait] === value}
                  onPress={() => setEngine({ ...engine, [trait]: engine[trait] === value ? undefined : value })}
                />
              ))}
            </View>
          </View>
        ))}
      </Section>
      <RatedFigures classId={classId} rated={rated} onChange={setRated} />
      <Section title="Readings that are right">
        {LIMITS.map((key) => (
          <View key={key} className="flex-row items-start gap-2">
            <FormField
              control={control}
              name={`${key}.from`}
              className="min-w-0 flex-1"
              label={`${LIMIT_WORD[key]} from, ${limitsFor(READING_LIMITS, null)[key].unit}`}
              inputMode="decimal"
            />
            <FormField
              control={control}
              name={`${key}.to`}
              className="w-[110px]"
              label="to (open)"
              aria-label={`${LIMIT_WORD[key]} to`}
              inputMode="decimal"
            />
          </View>
        ))}
        <Words size={15}>Where you enter nothing, common practice counts.</Words>
        <Field label="Plug, as it is sold" value={plug} onChangeText={setPlug} />
      </Section>
      {SHEET_SECTIONS.map(({ key, ...section }) => (
        <SheetLines
          key={key}
          {...section}
          say={(line) => section.say(line as never)}
          lines={lists[key]}
          onChange={(lines) => setLists({ ...lists, [key]: lines })}
        />
      ))}
      <Button
        kind="main"
        tall
        label="Save the data sheet"
        disabled={change.isPending}
        onPress={() => void keep().catch(() => undefined)}
      />
    </Page>
  );
}
