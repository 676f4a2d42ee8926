import { object } from 'yup';
import { sentenceOf } from '@/api';
import { Button, Failure, Sheet, Words } from '@/design';
import { FormField, useSchemaForm, words } from '@/forms';

interface Props {
  readonly title: string;
  /** What it comes to, before the hand writes. */
  readonly sentence?: string;
  readonly label: string;
  readonly button: string;
  readonly kind?: 'main' | 'stop';
  /** At least so many characters; 0: it may stay empty. */
  readonly least: number;
  readonly error: Error | null;
  readonly onSend: (text: string) => Promise<unknown>;
  readonly onClose: () => void;
}

/** A few words, and what they do. */
export function WriteSheet({ title, sentence, label, button, kind = 'main', least, error, onSend, onClose }: Props) {
  const text = least > 0 ? words(least).required() : words(0).default('');
  const { control, handleSubmit, formState } = useSchemaForm(object({ text }), { text: '' });
  const send = handleSubmit(async (written) => {
    await onSend(written.text);
    onClose();
  });
  return (
    <Sheet title={title} open onClose={onClose}>
      {error ? <Failure sentence={sentenceOf(error)} kept="What you wrote is still here." /> : null}
      {sentence ? <Words>{sentence}</Words> : null}
      <FormField control={control} name="text" label={label} multiline />
      <Button
        kind={kind}
        tall
        label={button}
        disabled={formState.isSubmitting}
        onPress={() => void send().catch(() => undefined)}
      />
    </Sheet>
  );
}
