import { classOf } from '@hudrik/core/catalogue';
import { kitAtPrices, kitThatWent } from '@hudrik/core/verdict';
import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { Button, Choice, Section, Words } from '@/design';
import { useServerNow } from '@/features/clocks';
import { FuelLine, FuelScale } from '@/features/fuel';
import { sayFuel, sayMoney } from '@/writing';
import type { LeafProps } from './leaf';
import { leafIsDone } from './draft';
import { sayFuelOpen } from './sayOpen';
import { LeafFrame } from './LeafFrame';

/** Fuel, tap, how it ran, what came back: four answers, and on it goes. */
export function FuelLeaf({ draft, change, next }: LeafProps) {
  const machineClass = classOf(draft.opening.classId);
  const done = leafIsDone(draft, { kind: 'fuel', name: '' }, new Date(useServerNow()));
  const [counting, setCounting] = useState(Object.values(draft.missing ?? {}).some((count) => count > 0));
  useGoOnWhenDone(done && !counting, next);
  const out = draft.opening.wentOut;
  const kit = kitAtPrices(kitThatWent(machineClass.kit, out?.kit ?? null), draft.opening.kitPrices);
  return (
    <LeafFrame action={<Button kind="main" tall label="Next" offBecause={sayFuelOpen(draft)} onPress={next} />}>
      <Section title={out ? `Fuel (went out ${sayFuel(out.fuelEighths)})` : 'Fuel'}>
        <FuelScale eighths={draft.fuelEighths} onPick={(fuelEighths) => change({ fuelEighths })} />
        <FuelLine tag={draft.opening.tag} />
      </Section>
      {machineClass.fuelTap ? (
        <Section title="Fuel tap">
          <View className="flex-row gap-2">
            <Choice
              className="flex-1"
              label="Was shut"
              on={draft.fuelTap === 'was-shut'}
              onPress={() => change({ fuelTap: 'was-shut' })}
            />
            <Choice
              className="flex-1"
              label="Was open, I shut it"
              on={draft.fuelTap === 'shut-now'}
              onPress={() => change({ fuelTap: 'shut-now' })}
            />
          </View>
        </Section>
      ) : null}
      <Section title="How did it run at the end?">
        <View className="flex-row flex-wrap gap-2">
          <Choice className="grow" label="Well" on={draft.ended === 'well'} onPress={() => change({ ended: 'well' })} />
          <Choice
            className="grow"
            label="Badly"
            tone="held"
            on={draft.ended === 'ended-badly'}
            onPress={() => change({ ended: 'ended-badly' })}
          />
          <Choice
            className="grow"
            label="Would not start"
            tone="held"
            on={draft.ended === 'ended-dead'}
            onPress={() => change({ ended: 'ended-dead' })}
          />
          <Choice
            className="grow"
            label="Nobody said"
            on={draft.ended === 'not-told'}
            onPress={() => change({ ended: 'not-told' })}
          />
        </View>
      </Section>
      <Section title="What came back">
        <View className="flex-row gap-2">
          <Choice
            className="flex-1"
            label="All of it"
            on={draft.missing !== null && !counting}
            onPress={() => {
              setCounting(false);
              change({ missing: {} });
            }}
          />
          <Choice
            className="flex-1"
            label="Something is missing"
            tone="held"
            on={counting}
            onPress={() => {
              setCounting(true);
              change({ missing: draft.missing ?? {} });
            }}
          />
        </View>
        {counting ? (
          kit.map((item) => (
            <KitRow
              key={item.id}
              item={item}
              missing={draft.missing?.[item.id] ?? 0}
              onChange={(count) => change({ missing: { ...draft.missing, [item.id]: count } })}
            />
          ))
        ) : (
          <Words size={15} tone="ink-soft">
            {kit
              .map((item) => (item.count > 1 ? `${item.count} × ${item.name.toLowerCase()}` : item.name.toLowerCase()))
              .join(', ') || 'Nothing went out with it.'}
          </Words>
        )}
      </Section>
    </LeafFrame>
  );
}

/** Goes on by itself at the last answer, but not when one comes back to a leaf that was done. */
function useGoOnWhenDone(done: boolean, next: () => void): void {
  const wasDone = useRef(done);
  useEffect(() => {
    if (done && !wasDone.current) next();
    wasDone.current = done;
  }, [done, next]);
}

interface KitRowProps {
  readonly item: { readonly name: string; readonly count: number; readonly priceCents: number };
  readonly missing: number;
  readonly onChange: (count: number) => void;
}

function KitRow({ item, missing, onChange }: KitRowProps) {
  return (
    <View className="flex-row items-center gap-2 border-b border-line pb-2">
      <View className="min-w-0 flex-1">
        <Words face="strong">{item.name}</Words>
        <Words size={15} tone={missing > 0 ? 'held' : 'ink-soft'}>
          {missing > 0 ? `${missing} missing, ${sayMoney(item.priceCents * missing)}` : `${item.count} went out`}
        </Words>
      </View>
      <Button
        label="Missing"
        aria-label={`${item.name} missing`}
        onPress={() => onChange(Math.min(missing + 1, item.count))}
      />
      {missing > 0 ? (
        <Button kind="quiet" label="Undo" aria-label={`${item.name} is here`} onPress={() => onChange(missing - 1)} />
      ) : null}
    </View>
  );
}
