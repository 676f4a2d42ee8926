import type { UnitFuel } from '@hudrik/core/contracts';
import { readPositive } from '@hudrik/core/figures';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf } from '@/api';
import { Button, Choice, Failure, Field, Sheet, Words } from '@/design';
import { useChange } from '@/outbox';

/** What a model’s tank holds, of what it is made, and whether it has a tap: said once, for all of that model. */
export function TankSheet({ fuel, onClose }: { readonly fuel: UnitFuel; readonly onClose: () => void }) {
  const change = useChange('setModelTank');
  const [typed, setTyped] = useState(String(fuel.tank.litres));
  const [isMetal, setMetal] = useState(fuel.tank.isMetal);
  const [hasTap, setTap] = useState(fuel.tank.hasTap);
  const litres = readPositive(typed);
  const send = (body: {
    readonly litres: number | null;
    readonly isMetal: boolean | null;
    readonly hasTap: boolean | null;
  }) => change.mutate({ params: { id: String(fuel.modelId) }, body }, { onSuccess: onClose });
  return (
    <Sheet title={`The tank of ${fuel.tag}’s model`} open onClose={onClose}>
      {change.isError ? <Failure sentence={sentenceOf(change.error)} kept="What you wrote is still here." /> : null}
      <Field label="It holds, litres" value={typed} onChangeText={setTyped} inputMode="decimal" />
      <View className="flex-row flex-wrap gap-2" role="group" aria-label="Of what it is made">
        <Choice className="grow" label="Plastic" on={!isMetal} onPress={() => setMetal(false)} />
        <Choice className="grow" label="Metal" on={isMetal} onPress={() => setMetal(true)} />
      </View>
      <View className="flex-row flex-wrap gap-2" role="group" aria-label="Its tap">
        <Choice className="grow" label="With a tap" on={hasTap} onPress={() => setTap(true)} />
        <Choice className="grow" label="No tap" on={!hasTap} onPress={() => setTap(false)} />
      </View>
      <Words size={15}>
        Counts for every unit of this model: what fits in, doses, and what each way of lay-up costs.
      </Words>
      <Button
        kind="main"
        label="Save for this model"
        disabled={change.isPending}
        offBecause={litres === null || litres <= 0 || litres > 1000 ? 'Enter what it holds, in litres.' : null}
        onPress={() => litres !== null && send({ litres, isMetal, hasTap })}
      />
      <Button
        label="As usual for its class"
        disabled={change.isPending}
        onPress={() => send({ litres: null, isMetal: null, hasTap: null })}
      />
    </Sheet>
  );
}
