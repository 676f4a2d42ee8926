import type { ClassId } from '@hudrik/core/catalogue';
import { name } from '@hudrik/core/fields';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { object, string } from 'yup';
import { sentenceOf, useAsk } from '@/api';
import { Button, Choice, Failure, Section, Words } from '@/design';
import { figure, FormField, useSchemaForm } from '@/forms';

const modelForm = object({ make: name.required('Enter the make.'), name: name.required('Enter the model.') });

interface AddModelProps {
  readonly classId: ClassId;
  /** Those of its class that are known: it may be as one of them. */
  readonly others: readonly { readonly id: number; readonly make: string; readonly name: string }[];
  readonly onAdded: (id: number) => void;
}

/** A model that the yard has none of yet. */
export function AddModel({ classId, others, onAdded }: AddModelProps) {
  const add = useAsk('addModel');
  const [open, setOpen] = useState(false);
  const [copyOf, setCopyOf] = useState<number | null>(null);
  // A model of another class is none to copy.
  const source = others.find(({ id }) => id === copyOf);
  const { control, handleSubmit, reset } = useSchemaForm(modelForm, { make: '', name: '' });
  const send = handleSubmit(async (model) => {
    const { id } = await add.mutateAsync({ body: { classId, ...model, ...(source ? { copyOf: source.id } : {}) } });
    onAdded(id);
    setOpen(false);
    reset({ make: model.make, name: '' });
  });
  if (!open) return <Button kind="quiet" label="Another model" onPress={() => setOpen(true)} />;
  return (
    <View className="gap-3 border border-dashed border-line p-3">
      {add.isError ? <Failure sentence={sentenceOf(add.error)} kept="What you wrote is still here." /> : null}
      <FormField control={control} name="make" label="Make" />
      <FormField control={control} name="name" label="Model" />
      {others.length === 0 ? null : (
        <>
          <Words>It is as another one, with its data sheet, tank and service plan:</Words>
          <View className="flex-row flex-wrap gap-2" role="group" aria-label="It is as">
            <Choice label="None" on={source === undefined} onPress={() => setCopyOf(null)} />
            {others.map(({ id, make, name: called }) => (
              <Choice
                key={id}
                label={`${make} ${called}`}
                aria-label={`As ${make} ${called}`}
                on={copyOf === id}
                onPress={() => setCopyOf(id)}
              />
            ))}
          </View>
        </>
      )}
      <Button
        label="Add the model"
        disabled={add.isPending}
        offBecause={add.offBecause}
        onPress={() => void send().catch(() => undefined)}
      />
    </View>
  );
}

const unitForm = object({
  figures: string()
    .trim()
    .matches(/^\d{2,4}$/, 'Enter two to four figures.')
    .required('Enter the figures of the tag.'),
  serial: name.required('Enter the serial number.'),
  homeBay: name.required('Enter where it stands.'),
  meterReading: figure()
    .typeError('Enter figures, with at most one after the point.')
    .min(0)
    .max(99_999.9)
    .required('Enter the hours.'),
});

/** A unit of a model: its tag and where its meter stands. */
export function AddUnit({ letters, modelId }: { readonly letters: string; readonly modelId: number }) {
  const add = useAsk('addUnit');
  const { control, handleSubmit } = useSchemaForm(unitForm, {
    figures: '',
    serial: '',
    homeBay: '',
    meterReading: '0',
  });
  const send = handleSubmit(async ({ figures, ...unit }) => {
    const tag = `${letters}-${figures}`;
    await add.mutateAsync({ body: { ...unit, tag, modelId, meterOffset: 0 } });
    router.replace(`/u/${tag}`);
  });
  return (
    <Section title="The unit">
      {add.isError ? <Failure sentence={sentenceOf(add.error)} kept="What you wrote is still here." /> : null}
      <FormField control={control} name="figures" label={`Figures of its tag: ${letters}-`} inputMode="numeric" />
      <FormField control={control} name="serial" label="Serial number" />
      <FormField control={control} name="homeBay" label="Where it stands" />
      <FormField control={control} name="meterReading" label="Hours on the meter" inputMode="decimal" />
      <Button
        kind="main"
        tall
        label="Put it on the yard"
        disabled={add.isPending}
        onPress={() => void send().catch(() => undefined)}
      />
    </Section>
  );
}
