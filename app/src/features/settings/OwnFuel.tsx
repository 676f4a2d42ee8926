import { FUEL_IDS, FUELS } from '@hudrik/core/catalogue';
import type { Settings } from '@hudrik/core/contracts';
import { readFigure, readPositive } from '@hudrik/core/figures';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf } from '@/api';
import { Button, Choice, Failure, Field, Section, Words } from '@/design';
import { yardOf } from './OwnPrices';
import { useChange } from '@/outbox';

/** What this yard takes of fuel that it does not know, and its stabiliser by its label. */
export function OwnFuel({ settings }: { readonly settings: Settings }) {
  const change = useChange('changeSettings');
  const [dose, setDose] = useState(String(settings.stabiliserMl ?? ''));
  const [price, setPrice] = useState(String(settings.stabiliserCents ?? ''));
  const [stabiliserMl, stabiliserCents] = [readPositive(dose), readFigure(price)];
  const isRight = stabiliserMl !== null && stabiliserMl > 0 && stabiliserCents !== null && stabiliserCents >= 0;
  return (
    <Section title="Fuel">
      {change.isError ? <Failure sentence={sentenceOf(change.error)} kept="What you wrote is still here." /> : null}
      <Words>What hirers put in is taken to be:</Words>
      <View className="flex-row flex-wrap gap-2" role="group" aria-label="What hirers put in">
        {FUEL_IDS.map((id) => (
          <Choice
            key={id}
            className="grow"
            label={FUELS[id].name}
            on={settings.unknownFuel === id}
            onPress={() => change.mutate({ body: { ...yardOf(settings), unknownFuel: id } })}
          />
        ))}
      </View>
      <Field label="Stabiliser by its label, ml to a litre" value={dose} onChangeText={setDose} inputMode="decimal" />
      <Field label="What a millilitre costs, cents" value={price} onChangeText={setPrice} inputMode="decimal" />
      <Button
        label="Save the stabiliser"
        disabled={change.isPending}
        offBecause={isRight ? null : 'Enter its dose and its price.'}
        onPress={() => isRight && change.mutate({ body: { ...yardOf(settings), stabiliserMl, stabiliserCents } })}
      />
    </Section>
  );
}
