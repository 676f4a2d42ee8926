import { object } from 'yup';
import { sentenceOf } from '@/api';
import { useState } from 'react';
import { Button, Failure, Sheet, TickList, Words } from '@/design';
import { words } from './fields';
import { FormField } from './FormField';
import { useSchemaForm } from './useSchemaForm';

interface Props {
  readonly title: string;
  /** What it comes to, before the hand writes. */
  readonly sentence?: string;
  readonly label: string;
  readonly button: string;
  readonly kind?: 'main' | 'stop';
  /** At least so many characters; 0: it may stay empty. */
  readonly least: number;
  /** What must have been looked at and be in order before it is sent. */
  readonly looks?: readonly { readonly id: string; readonly sentence: string }[];
  readonly error: Error | null;
  readonly onSend: (text: string, looks: readonly string[]) => Promise<unknown>;
  readonly onClose: () => void;
}

/** A few words, and what they do. */
export function WriteSheet({
  title,
  sentence,
  label,
  button,
  kind = 'main',
  least,
  looks = [],
  error,
  onSend,
  onClose,
}: Props) {
  const [looked, setLooked] = useState<readonly string[]>([]);
  const missing = looks.length - looked.length;
  const text = least > 0 ? words(least).required() : words(0).default('');
  const { control, handleSubmit, formState } = useSchemaForm(object({ text }), { text: '' });
  const send = handleSubmit(async (written) => {
    await onSend(written.text, looked);
    onClose();
  });
  return (
    <Sheet title={title} open onClose={onClose}>
      {error ? <Failure sentence={sentenceOf(error)} kept="What you wrote is still here." /> : null}
      {sentence ? <Words>{sentence}</Words> : null}
      {looks.length > 0 ? (
        <>
          <Words face="strong">Look at each. Tick what is in order now:</Words>
          <TickList items={looks} ticked={looked} onChange={setLooked} />
        </>
      ) : null}
      <FormField control={control} name="text" label={label} multiline />
      <Button
        kind={kind}
        tall
        label={button}
        disabled={formState.isSubmitting}
        offBecause={
          missing === 0 ? null : missing === 1 ? 'One line is not ticked yet.' : `${missing} lines are not ticked yet.`
        }
        onPress={() => void send().catch(() => undefined)}
      />
    </Sheet>
  );
}
