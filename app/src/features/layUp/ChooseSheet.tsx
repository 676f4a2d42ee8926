import { LAY_UP_METHODS, type LayUpMethodId } from '@hudrik/core/catalogue';
import { CLASS_TAGS } from '@hudrik/core/classTags';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf } from '@/api';
import { Button, Choice, Failure, Field, Sheet, Words } from '@/design';
import { methodName, sayCost, type LayUpUnit } from './sayLayUp';
import { useChange } from '@/outbox';

/** Every way that fits with its price: the lead takes another, with a reason, or leaves it to the sum again. */
export function ChooseSheet({ unit, onClose }: { readonly unit: LayUpUnit; readonly onClose: () => void }) {
  const change = useChange('chooseLayUp');
  const [method, setMethod] = useState<LayUpMethodId | null>(unit.choice?.method ?? null);
  const [reason, setReason] = useState(unit.choice?.reason ?? '');
  const [forClass, setForClass] = useState(false);
  const send = (body: { readonly method: LayUpMethodId | null; readonly reason: string }) =>
    change.mutate({ params: { tag: unit.tag }, body: { ...body, forClass } }, { onSuccess: onClose });
  return (
    <Sheet title={`How ${unit.tag} stands`} open onClose={onClose}>
      {change.isError ? <Failure sentence={sentenceOf(change.error)} kept="What you wrote is still here." /> : null}
      {unit.costs.map((cost) => (
        <View key={cost.method} className="gap-1">
          <Choice
            label={`${methodName(cost.method)}: ${sayCost(cost.cents)}`}
            on={method === cost.method}
            onPress={() => setMethod(cost.method)}
          />
          <Words size={13} tone="ink-soft">
            {LAY_UP_METHODS[cost.method].why}
          </Words>
        </View>
      ))}
      <Field label="Why" value={reason} onChangeText={setReason} />
      <Choice
        label={`A rule of the house: every ${CLASS_TAGS[unit.classId].name.toLowerCase()}`}
        on={forClass}
        onPress={() => setForClass(!forClass)}
      />
      <Button
        kind="main"
        label="Do it so"
        disabled={change.isPending}
        offBecause={method === null ? 'Choose a way.' : reason.trim() === '' ? 'Say why.' : null}
        onPress={() => send({ method, reason: reason.trim() })}
      />
      {unit.choice === null ? null : (
        <Button
          label="Leave it to the sum again"
          disabled={change.isPending}
          onPress={() => send({ method: null, reason: '' })}
        />
      )}
    </Sheet>
  );
}
