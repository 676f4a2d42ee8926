import { CLASS_IDS, CLASS_TAGS, type ClassId } from '@hudrik/core/catalogue';
import { tag } from '@hudrik/core/fields';
import { useState } from 'react';
import { object, string } from 'yup';
import { sentenceOf, useChange } from '@/api';
import { Button, Failure, Section } from '@/design';
import { FormChoices, FormField, useSchemaForm } from '@/forms';
import { instantOf } from '@/writing';

const WHEN = 'Enter date and time, e.g. 2030-05-01 09:00.';

/** A date and a time as typed, by the yard's clock. */
const when = string()
  .trim()
  .required(WHEN)
  .test('when', WHEN, (typed) => instantOf(typed ?? '') !== null);

const form = object({
  reference: string().trim().max(40, 'At most 40 characters.').required('Enter the reference of the hire.'),
  classId: string().oneOf(CLASS_IDS).required(),
  tag: tag
    .transform((typed: string) => typed || null)
    .nullable()
    .default(null),
  fromAt: when,
  toAt: when.test('after', 'The hire must end after it begins.', (to, { parent }) => {
    const [from, end] = [instantOf(parent.fromAt ?? ''), instantOf(to ?? '')];
    return from === null || end === null || from < end;
  }),
});
const EMPTY = { reference: '', classId: CLASS_IDS[0], tag: '', fromAt: '', toAt: '' };
const CLASSES = CLASS_IDS.map((id): readonly [ClassId, string] => [id, CLASS_TAGS[id].name]);

/** A hire booked at the desk. */
export function BookHire() {
  const add = useChange('addHire');
  const [open, setOpen] = useState(false);
  const { control, handleSubmit, reset } = useSchemaForm(form, EMPTY);
  const send = handleSubmit(async ({ fromAt, toAt, ...hire }) => {
    await add.mutateAsync({ body: { ...hire, fromAt: instantOf(fromAt) ?? '', toAt: instantOf(toAt) ?? '' } });
    reset(EMPTY);
    setOpen(false);
  });
  if (!open) return <Button label="Book a hire" onPress={() => setOpen(true)} />;
  return (
    <Section title="Book a hire">
      {add.isError ? <Failure sentence={sentenceOf(add.error)} kept="What you wrote is still here." /> : null}
      <FormChoices control={control} name="classId" label="Class" options={CLASSES} />
      <FormField control={control} name="reference" label="Reference" />
      <FormField
        control={control}
        name="tag"
        label="Tag (leave empty for any unit of the class)"
        autoCapitalize="characters"
      />
      <FormField control={control} name="fromAt" label="From" placeholder="2030-05-01 09:00" />
      <FormField control={control} name="toAt" label="To" placeholder="2030-05-03 17:00" />
      <Button
        kind="main"
        label={add.isPending ? 'Booking…' : 'Book it'}
        disabled={add.isPending}
        onPress={() => void send().catch(() => undefined)}
      />
    </Section>
  );
}
