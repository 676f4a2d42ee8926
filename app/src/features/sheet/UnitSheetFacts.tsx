import type { UnitSheet } from '@hudrik/core/contracts';
import { router } from 'expo-router';
import { View } from 'react-native';
import { Button, Section, Whence, Words } from '@/design';
import { sayFull } from '@/writing';
import { sayRange } from './sayRange';
import { useUnitSheet } from './useUnitSheet';

/** What the model's sheet says for the hand at the bench: plug, oils, capacities, torques, measures. Nothing where it says nothing. */
export function UnitSheetFacts({ tag }: { readonly tag: string }) {
  const sheet = useUnitSheet(tag);
  if (sheet === null) return null;
  const lines = linesOf(sheet);
  if (lines.length + sheet.dataSheet.torques.length === 0) return null;
  return (
    <Section title="By its data sheet">
      {lines.map(([name, words]) => (
        <Line key={`${name} ${words}`} name={name} words={words} />
      ))}
      {sheet.dataSheet.torques.map((torque, at) => (
        <View key={torque.what} className="flex-row items-center gap-2 border-b border-line py-1">
          <View className="min-w-0 flex-1">
            <Words>{`${torque.what}: ${sayFull(torque.value)} ${torque.unit}`}</Words>
            <Words size={13} tone="ink-soft">
              {[`threads ${torque.threads}`, torque.long.length > 0 && `long bolts in ${torque.long.join(', ')}`]
                .filter(Boolean)
                .join('; ')}
            </Words>
          </View>
          <Button
            kind="quiet"
            label="Tighten"
            aria-label={`Tighten: ${torque.what}`}
            onPress={() => router.navigate(`/torque?unit=${tag}&torque=${at}`)}
          />
        </View>
      ))}
      <Whence
        short="Source: the model’s data sheet"
        words={`The data sheet of ${sheet.model.make} ${sheet.model.name}, as the yard keeps it.`}
      />
    </Section>
  );
}

const Line = ({ name, words }: { readonly name: string; readonly words: string }) => (
  <View className="flex-row items-baseline gap-2 border-b border-line py-1">
    <Words size={15} tone="ink-soft" className="min-w-0 flex-1">
      {name}
    </Words>
    <Words face="strong" className="text-right">
      {words}
    </Words>
  </View>
);

function linesOf({ dataSheet, measured }: UnitSheet): (readonly [name: string, words: string])[] {
  const { plug, oils, capacities, measures } = dataSheet;
  return [
    ...(plug === '' ? [] : [['Plug', plug] as const]),
    ...oils.map(
      ({ where, grade, fromC, toC }) =>
        [`${where} oil`, [grade, sayRange(fromC, toC, '°C')].filter(Boolean).join(', ')] as const,
    ),
    ...capacities.map(({ what, value, unit }) => [`${what}, capacity`, `${sayFull(value)} ${unit}`] as const),
    ...measures.map(({ name, place, from, to, unit }) => {
      const last = measured.find((one) => one.name === name && one.place === place && one.unit === unit);
      const now = last === undefined ? '' : `; last ${sayFull(last.value)}`;
      return [[name, place].filter(Boolean).join(', '), `${sayRange(from, to, unit)}${now}`] as const;
    }),
  ];
}
