import type { Entry } from '@hudrik/core/log';
import { useState } from 'react';
import { number, object, string } from 'yup';
import { sentenceOf, usePerson } from '@/api';
import { Button, Failure, Sheet, Words } from '@/design';
import { figure, FormField, useSchemaForm, words } from '@/forms';
import { useEntry } from '@/outbox';

interface Props {
  readonly tag: string;
  readonly entry: Entry;
  readonly corrected: boolean;
}

interface Reading {
  readonly id: string;
  readonly value: number;
}

const asObject = (value: unknown): object => (typeof value === 'object' && value !== null ? value : {});
const taken = object({ readingId: string(), reading: number() });

/** The hour-meter reading that an entry brought, if it did. */
function readingOf({ facts, outcome }: Entry): Reading | null {
  const { readingId, reading } = taken.cast({ ...asObject(facts), ...asObject(outcome) }, { assert: false });
  return typeof readingId === 'string' && typeof reading === 'number' ? { id: readingId, value: reading } : null;
}

/** A reading that was entered wrongly is set right by a new entry that points at the old one. */
export function CorrectReading({ tag, entry, corrected }: Props) {
  const { role } = usePerson();
  const [open, setOpen] = useState(false);
  const reading = readingOf(entry);
  if (reading === null) return null;
  if (corrected)
    return (
      <Words size={13} tone="ink-soft">
        Its reading was corrected later.
      </Words>
    );
  if (role !== 'technician' && role !== 'lead') return null;
  return (
    <>
      <Button
        kind="quiet"
        className="self-start"
        label="Correct the reading"
        aria-label={`Correct the reading of ${reading.value}`}
        onPress={() => setOpen(true)}
      />
      {open ? <Form tag={tag} reading={reading} onClose={() => setOpen(false)} /> : null}
    </>
  );
}

const form = object({
  reading: figure()
    .typeError('Enter figures, with at most one after the point.')
    .min(0)
    .max(99_999.9)
    .test('tenths', 'Enter figures, with at most one after the point.', (value) =>
      value === undefined ? true : Math.abs(value * 10 - Math.round(value * 10)) < 1e-6,
    )
    .required('Enter what the meter showed.'),
  why: words(3).required('Say why.'),
});

function Form({
  tag,
  reading,
  onClose,
}: {
  readonly tag: string;
  readonly reading: Reading;
  readonly onClose: () => void;
}) {
  const correct = useEntry('reading-corrected');
  const { control, handleSubmit } = useSchemaForm(form, { reading: '', why: '' });
  const send = handleSubmit(async (typed) => {
    await correct.mutateAsync({ facts: { readingId: reading.id, ...typed }, on: { tag } });
    onClose();
  });
  return (
    <Sheet title="Correct the reading" open onClose={onClose}>
      {correct.isError ? <Failure sentence={sentenceOf(correct.error)} kept="What you wrote is still here." /> : null}
      <Words>The reading was entered as {reading.value}. The old entry stays in the history; the new one counts.</Words>
      <FormField control={control} name="reading" label="What the meter showed" inputMode="decimal" />
      <FormField control={control} name="why" label="Why" multiline />
      <Button
        kind="main"
        tall
        label="Correct it"
        disabled={correct.isPending}
        onPress={() => void send().catch(() => undefined)}
      />
    </Sheet>
  );
}
