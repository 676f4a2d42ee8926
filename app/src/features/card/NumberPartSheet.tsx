import type { PartLine } from '@hudrik/core/contracts';
import { partNumber } from '@hudrik/core/log';
import { object } from 'yup';
import { sentenceOf } from '@/api';
import { Button, Failure, Sheet, Words } from '@/design';
import { FormField, price, useSchemaForm } from '@/forms';
import { useEntry } from '@/outbox';

const form = object({ number: partNumber.required('Enter a part number.'), paid: price() });

/** The number of a part that was needed without one, and what was paid where it was bought. */
export function NumberPartSheet({ line, onClose }: { readonly line: PartLine; readonly onClose: () => void }) {
  const numbered = useEntry('part-numbered');
  const { control, handleSubmit } = useSchemaForm(form, { number: '', paid: '' });
  const keep = handleSubmit(async ({ number, paid }) => {
    await numbered.mutateAsync({
      facts: { number, paidCents: paid ?? null },
      on: { lineId: line.id, jobId: line.jobId },
    });
    onClose();
  });
  return (
    <Sheet title={`${line.name}: its number`} open onClose={onClose}>
      {numbered.isError ? <Failure sentence={sentenceOf(numbered.error)} kept="What you typed is still here." /> : null}
      <Words>The catalogue has it from now on, and the model’s list of parts too.</Words>
      <FormField control={control} name="number" label="Part number" autoCapitalize="characters" />
      <FormField control={control} name="paid" label="What was paid for one (optional)" inputMode="decimal" />
      <Button
        kind="main"
        tall
        label="Keep the number"
        disabled={numbered.isPending}
        onPress={() => void keep().catch(() => undefined)}
      />
    </Sheet>
  );
}
