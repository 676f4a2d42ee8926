import { FUEL_IDS, type FuelId } from '@hudrik/core/catalogue';
import { boolean, number, object, string } from 'yup';
import { sentenceOf } from '@/api';
import { Button, Failure, Sheet } from '@/design';
import { FormChoices, FormField, useSchemaForm } from '@/forms';
import { fuelName } from './sayFuelOf';
import { useChange } from '@/outbox';

const litres = number().typeError('Enter litres.').min(0, 'Enter litres.').max(1000, 'At most 1,000 l.');
const form = object({
  name: string().trim().max(80, 'At most 80 letters.').required('Enter what stands on it, e.g. Can 5.'),
  fuel: string<FuelId>().oneOf(FUEL_IDS).required(),
  litresMax: litres.positive('Enter litres.').required('Enter what it holds.'),
  litres: litres.required('Enter what is in it.'),
  place: string().trim().max(60).default(''),
  treated: boolean().default(false),
});
const KINDS = FUEL_IDS.map((id): readonly [FuelId, string] => [id, fuelName(id)]);
const EMPTY = { name: '', fuel: 'e10', litresMax: '20', litres: '20', place: '' };

/** Another can or drum, bought today. */
export function AddCanSheet({ onClose }: { readonly onClose: () => void }) {
  const add = useChange('addCan');
  const { control, handleSubmit } = useSchemaForm(form, EMPTY);
  const send = handleSubmit(async ({ treated, ...can }) => {
    await add.mutateAsync({ body: { ...can, isTreated: treated, boughtAt: new Date().toISOString() } });
    onClose();
  });
  return (
    <Sheet title="Another can" open onClose={onClose}>
      {add.isError ? <Failure sentence={sentenceOf(add.error)} kept="What you wrote is still here." /> : null}
      <FormField control={control} name="name" label="What stands on it" />
      <FormChoices control={control} name="fuel" label="What is in it" options={KINDS} />
      <FormField control={control} name="litresMax" label="It holds, litres" inputMode="decimal" />
      <FormField control={control} name="litres" label="In it, litres" inputMode="decimal" />
      <FormField control={control} name="place" label="Where it stands" />
      <Button kind="main" label="Add it" disabled={add.isPending} onPress={() => void send().catch(() => undefined)} />
    </Sheet>
  );
}
