import type { FuelStore } from '@hudrik/core/contracts';
import { readFigure, readPositive } from '@hudrik/core/figures';
import { useState } from 'react';
import { sentenceOf } from '@/api';
import { Button, Failure, Field, Sheet, Words } from '@/design';
import { sayLitres } from './sayFuelOf';
import { useChange } from '@/outbox';

interface Props {
  readonly can: FuelStore['cans'][number];
  readonly onClose: () => void;
}

/** What is done with a can: filled anew, counted, treated, or emptied for disposal. */
export function CanSheet({ can, onClose }: Props) {
  const change = useChange('changeCan');
  const [typed, setTyped] = useState('');
  const send = (body: { readonly what: 'bought' | 'counted' | 'disposed' | 'treated'; readonly litres?: number }) =>
    change.mutate({ params: { id: can.id }, body }, { onSuccess: onClose });
  const bought = readPositive(typed);
  const counted = readFigure(typed);
  return (
    <Sheet title={`${can.name}: ${sayLitres(can.litres)} of ${sayLitres(can.litresMax)}`} open onClose={onClose}>
      {change.isError ? <Failure sentence={sentenceOf(change.error)} kept="What you wrote is still here." /> : null}
      <Field label="Litres" value={typed} onChangeText={setTyped} inputMode="decimal" />
      <Button
        kind="main"
        label="So many were bought into it"
        disabled={change.isPending}
        offBecause={bought === null ? 'Enter how many litres.' : null}
        onPress={() => bought !== null && send({ what: 'bought', litres: bought })}
      />
      <Button
        label="So many are in it: counted"
        disabled={change.isPending || counted === null || counted < 0}
        onPress={() => counted !== null && send({ what: 'counted', litres: counted })}
      />
      <Button
        label="Stabiliser mixed in now"
        disabled={change.isPending || can.litres <= 0}
        onPress={() => send({ what: 'treated' })}
      />
      <Words size={15}>
        Clear and sharp, old fuel may go mixed into a large tank. Else it is disposed of by local fire and waste rules,
        never into the ground or a drain.
      </Words>
      <Button
        kind="stop"
        label="Emptied for disposal"
        disabled={change.isPending || can.litres <= 0}
        onPress={() => send({ what: 'disposed' })}
      />
    </Sheet>
  );
}
