import { useState } from 'react';
import { object, string } from 'yup';
import { sentenceOf, useAsk, usePerson } from '@/api';
import { Button, Failure, Section, Words } from '@/design';
import { FormField, newPin, useSchemaForm } from '@/forms';

const form = object({ old: string().required('Enter the one you have now.'), fresh: newPin });
const EMPTY = { old: '', fresh: '' };

/** A new PIN of one’s own. */
export function OwnPin({ isShort }: { readonly isShort: boolean }) {
  const change = useAsk('changeOwnPin');
  const { name } = usePerson();
  const [done, setDone] = useState(false);
  const { control, handleSubmit, reset } = useSchemaForm(form, EMPTY);
  const send = handleSubmit(async (body) => {
    await change.mutateAsync({ body });
    reset(EMPTY);
    setDone(true);
  });
  return (
    <Section title="Your PIN">
      {isShort ? (
        <Words face="strong" tone="prep">
          Your PIN is of the short kind, which is guessed sooner. Choose six figures or more.
        </Words>
      ) : null}
      {change.isError ? <Failure sentence={sentenceOf(change.error)} /> : null}
      {done ? (
        <Words role="status">{`${name}, your new PIN counts from now on. Elsewhere you are signed out.`}</Words>
      ) : null}
      <FormField control={control} name="old" label="The one you have now" secureTextEntry />
      <FormField control={control} name="fresh" label="The new one" secureTextEntry />
      <Button
        label="Change it"
        offBecause={change.offBecause}
        disabled={change.isPending}
        onPress={() => void send().catch(() => undefined)}
      />
    </Section>
  );
}
