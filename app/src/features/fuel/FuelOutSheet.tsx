import type { UnitFuel } from '@hudrik/core/contracts';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, useRead } from '@/api';
import { Button, Caution, Choice, Failure, Sheet, Words } from '@/design';
import { useEntry } from '@/outbox';
import { sayLitres } from './sayFuelOf';

const BOWLS: readonly (readonly [UnitFuel['bowl'], string])[] = [
  ['wet', 'Bowl left wet'],
  ['run-dry', 'Run dry'],
  ['drained', 'Bowl drained'],
];

/** What is done with a unit's fuel: the tank drained into a can or not, the bowl, the tap, stabiliser. */
export function FuelOutSheet({ fuel, onClose }: { readonly fuel: UnitFuel; readonly onClose: () => void }) {
  const store = useRead('fuelStore');
  const out = useEntry('fuel-out');
  const [isDrained, setDrained] = useState(false);
  const [canId, setCan] = useState<string | null>(null);
  const [bowl, setBowl] = useState<UnitFuel['bowl'] | null>(null);
  const [isTapShut, setTap] = useState(false);
  const [isTreated, setTreated] = useState(false);
  const isNothing = !isDrained && bowl === null && !isTreated;
  const send = () =>
    out.mutate(
      {
        facts: {
          ...(isDrained ? { litres: null, canId } : {}),
          ...(bowl === null ? {} : { bowl, isTapShut }),
          isTreated,
        },
        on: { tag: fuel.tag },
      },
      { onSuccess: onClose },
    );
  return (
    <Sheet title={`The fuel of ${fuel.tag}`} open onClose={onClose}>
      {out.isError ? <Failure sentence={sentenceOf(out.error)} kept="What you chose is still here." /> : null}
      <Caution text="Fuel vapour catches fire: outside, no flame. Old fuel goes by local waste rules, never into the ground." />
      <Choice
        label={`Tank drained (${sayLitres(fuel.state?.litres ?? 0)})`}
        on={isDrained}
        onPress={() => setDrained(!isDrained)}
      />
      {isDrained ? (
        <View className="flex-row flex-wrap gap-2" role="group" aria-label="Into which can">
          <Choice className="grow" label="For disposal" on={canId === null} onPress={() => setCan(null)} />
          {(store.data?.cans ?? []).map(({ id, name }) => (
            <Choice key={id} className="grow" label={`Into ${name}`} on={canId === id} onPress={() => setCan(id)} />
          ))}
        </View>
      ) : null}
      <View className="flex-row flex-wrap gap-2" role="group" aria-label="The bowl">
        {BOWLS.map(([id, label]) => (
          <Choice
            key={id}
            className="grow"
            label={label}
            on={bowl === id}
            onPress={() => setBowl(bowl === id ? null : id)}
          />
        ))}
      </View>
      {bowl === 'run-dry' ? (
        <Words size={15}>
          Running dry leaves a quarter to three eighths of an inch below the jet: drain the bowl at its screw too.
        </Words>
      ) : null}
      {fuel.tank.hasTap ? <Choice label="Tap shut" on={isTapShut} onPress={() => setTap(!isTapShut)} /> : null}
      <Choice label="Stabiliser mixed in" on={isTreated} onPress={() => setTreated(!isTreated)} />
      <Button
        kind="main"
        tall
        label="Write it down"
        disabled={out.isPending}
        offBecause={isNothing ? 'Choose what was done.' : null}
        onPress={send}
      />
    </Sheet>
  );
}
