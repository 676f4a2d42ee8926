import { CLASS_IDS, CLASS_TAGS, type ClassId } from '@hudrik/core/catalogue';
import { tag } from '@hudrik/core/fields';
import { useState } from 'react';
import { object, string } from 'yup';
import { factsIn, sentenceOf, useAsk } from '@/api';
import { Button, Failure, Section } from '@/design';
import { FormChoices, FormDateTime, FormField, useSchemaForm } from '@/forms';
import { instantOf } from '@/writing';

const WHEN = 'Choose a day and a time.';

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
  hirer: string().trim().max(80, 'At most 80 characters.').default(''),
  phone: string().trim().max(40, 'At most 40 characters.').default(''),
});
const CLASSES = CLASS_IDS.map((id): readonly [ClassId, string] => [id, CLASS_TAGS[id].name]);

/** What is known of a hire before anybody writes: the unit and the days that were chosen. */
interface Chosen {
  readonly classId?: ClassId;
  readonly tag?: string;
  readonly fromAt?: string;
  readonly toAt?: string;
}
const emptyWith = ({ classId = CLASS_IDS[0], tag: chosenTag = '', fromAt = '', toAt = '' }: Chosen) => ({
  reference: '',
  classId,
  tag: chosenTag,
  fromAt,
  toAt,
  hirer: '',
  phone: '',
});

/** Why the server doubts that a hire comes off. */
function doubtIn(error: unknown): string | null {
  const doubt = factsIn(error, 'hire-doubtful');
  if (doubt === undefined) return null;
  if (doubt.why === 'none-free') return 'None of that class is free in that time.';
  if (doubt.why === 'runs-out')
    return `Runs out during this hire: ${doubt.because.join(', ')}. Serve it before, or book it all the same.`;
  return `That unit is not fit now${doubt.because.length > 0 ? `: ${doubt.because.join(' ')}` : '.'}`;
}

/** A hire booked at the desk. */
export function BookHire({ chosen, onBooked }: { readonly chosen?: Chosen; readonly onBooked?: () => void }) {
  const add = useAsk('addHire');
  const [open, setOpen] = useState(chosen !== undefined);
  const { control, handleSubmit, reset } = useSchemaForm(form, emptyWith(chosen ?? {}));
  const doubt = doubtIn(add.error);
  const book = (sure: boolean) =>
    void handleSubmit(async ({ fromAt, toAt, ...hire }) => {
      const span = { fromAt: instantOf(fromAt) ?? '', toAt: instantOf(toAt) ?? '' };
      await add.mutateAsync({ body: { ...hire, ...span, sure } });
      reset(emptyWith({}));
      setOpen(false);
      onBooked?.();
    })().catch(() => undefined);
  if (!open) return <Button label="Book a hire" onPress={() => setOpen(true)} />;
  return (
    <Section title="Book a hire">
      {doubt ? (
        <Failure sentence={doubt} kept="What you wrote is still here.">
          <Button kind="stop" label="Book it all the same" onPress={() => book(true)} />
        </Failure>
      ) : add.isError ? (
        <Failure sentence={sentenceOf(add.error)} kept="What you wrote is still here." />
      ) : null}
      <FormChoices control={control} name="classId" label="Class" options={CLASSES} />
      <FormField control={control} name="reference" label="Reference" />
      <FormField
        control={control}
        name="tag"
        label="Tag (leave empty for any unit of the class)"
        autoCapitalize="characters"
      />
      <FormDateTime control={control} name="fromAt" label="From" />
      <FormDateTime control={control} name="toAt" label="To" />
      <FormField control={control} name="hirer" label="Hirer (optional)" />
      <FormField control={control} name="phone" label="Phone (optional)" inputMode="tel" />
      <Button
        kind="main"
        label={add.isPending ? 'Booking…' : 'Book it'}
        offBecause={add.offBecause}
        disabled={add.isPending}
        onPress={() => book(false)}
      />
    </Section>
  );
}
