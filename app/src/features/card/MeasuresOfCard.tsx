import type { Measure } from '@hudrik/core/card';
import type { SheetMeasure } from '@hudrik/core/contracts';
import { useState } from 'react';
import { View } from 'react-native';
import { Button, Section, Words } from '@/design';
import { sayRange, useUnitSheet } from '@/features/sheet';
import { sayDay } from '@/writing';
import { MeasureSomething } from './MeasureSomething';
import { isRight, sayMeasure } from './sayMeasure';
import type { CardHandle } from './useCard';

/** Any measure by its own name: held against the model's sheet, and against the last time. */
export function MeasuresOfCard({ handle, works }: { readonly handle: CardHandle; readonly works: boolean }) {
  const tag = handle.reply?.unit.tag ?? null;
  const sheet = useUnitSheet(tag);
  const [asked, setAsked] = useState<SheetMeasure | 'new' | null>(null);
  const taken = handle.card?.measures ?? [];
  const listed = sheet?.dataSheet.measures ?? [];
  const lastOf = ({ name, place }: Pick<Measure, 'name' | 'place'>) =>
    sheet?.measured.find((one) => one.name === name && one.place === place);
  return (
    <Section title="Measures" count={taken.length} place="measures">
      {taken.map(({ id, facts, by, at }) => (
        <View key={id} className="border-b border-line py-1">
          <Words tone={isRight(facts) ? 'ink' : 'held'}>{sayMeasure(facts)}</Words>
          <Words size={13} tone="ink-soft">{`${by ?? ''}, ${sayDay(at)}`}</Words>
        </View>
      ))}
      {works ? (
        <View className="flex-row flex-wrap gap-2">
          {listed.map((one) => (
            <Button
              key={`${one.name} ${one.place}`}
              className="grow"
              label={[one.name, one.place].filter(Boolean).join(', ')}
              detail={sayRange(one.from ?? null, one.to ?? null, one.unit)}
              onPress={() => setAsked(one)}
            />
          ))}
          <Button className="grow" label="Measure something" onPress={() => setAsked('new')} />
        </View>
      ) : null}
      {asked === null ? null : (
        <MeasureSomething
          listed={asked === 'new' ? null : asked}
          lastOf={lastOf}
          onKeep={(facts) => {
            handle.add('measured', facts);
            setAsked(null);
          }}
          onClose={() => setAsked(null)}
        />
      )}
    </Section>
  );
}
