import { FUEL_IDS, type FuelId } from '@hudrik/core/catalogue';
import type { UnitFuel } from '@hudrik/core/contracts';
import { readPositive } from '@hudrik/core/figures';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, useRead } from '@/api';
import { Button, Caution, Choice, Failure, Keypad, Sheet, Words } from '@/design';
import { useEntry } from '@/outbox';
import { fuelName, sayLitres } from './sayFuelOf';

/** From a can of the yard's, or of another kind. */
type From = { readonly canId: string } | { readonly fuel: FuelId };

/** Two taps: which can, and pour. What fits in stands there already. */
export function PourSheet({ fuel, onClose }: { readonly fuel: UnitFuel; readonly onClose: () => void }) {
  const store = useRead('fuelStore');
  const pour = useEntry('fuelled');
  const room = Math.max(fuel.tank.litres - (fuel.state?.litres ?? 0), 0);
  const [typed, setTyped] = useState(room >= 0.1 ? String(Math.round(room * 10) / 10) : '');
  const [from, setFrom] = useState<From | null>(null);
  const [isOther, setOther] = useState(false);
  const litres = readPositive(typed);
  const send = () =>
    from &&
    litres !== null &&
    pour.mutate(
      {
        facts:
          'canId' in from
            ? { litres, canId: from.canId, isTreated: false }
            : { litres, canId: null, fuel: from.fuel, boughtAt: new Date().toISOString(), isTreated: false },
        on: { tag: fuel.tag },
      },
      { onSuccess: onClose },
    );
  const cans = (store.data?.cans ?? []).filter(({ litres: left, isStale }) => left > 0 && !isStale);
  return (
    <Sheet title={`Into ${fuel.tag}`} open onClose={onClose}>
      {pour.isError ? <Failure sentence={sentenceOf(pour.error)} kept="What you chose is still here." /> : null}
      <Caution text="Fuel vapour catches fire and sinks: engine cold, no flame, can and tank earthed." />
      <View className="flex-row flex-wrap gap-2" role="group" aria-label="Out of which can">
        {cans.map(({ id, name, fuel: kind, litres: left }) => (
          <Choice
            key={id}
            className="grow"
            label={`${name}: ${sayLitres(left)}`}
            aria-label={`${name}, ${fuelName(kind)}, ${sayLitres(left)}`}
            on={from !== null && 'canId' in from && from.canId === id}
            onPress={() => setFrom({ canId: id })}
          />
        ))}
        <Choice className="grow" label="No can of ours" on={isOther} onPress={() => setOther(!isOther)} />
        {(isOther ? FUEL_IDS : []).map((id) => (
          <Choice
            key={id}
            className="grow"
            label={fuelName(id)}
            on={from !== null && 'fuel' in from && from.fuel === id}
            onPress={() => setFrom({ fuel: id })}
          />
        ))}
      </View>
      <View className="flex-row items-baseline justify-between">
        <Words size={15} tone="ink-soft">{`${sayLitres(room)} fit in`}</Words>
        <Words face="figures" size={56} aria-live="polite">
          {typed === '' ? '–' : `${typed} l`}
        </Words>
      </View>
      <Keypad value={typed} onChange={setTyped} longest={5} />
      <Button
        kind="main"
        tall
        label="Pour it in"
        disabled={pour.isPending}
        offBecause={from === null ? 'Choose what it comes out of.' : litres === null ? 'Enter how many litres.' : null}
        onPress={send}
      />
    </Sheet>
  );
}
