import { useState } from 'react';
import { object } from 'yup';
import { sentenceOf } from '@/api';
import { Button, Failure, Sheet, Words } from '@/design';
import { FormField, useSchemaForm, words } from '@/forms';
import { useEntry } from '@/outbox';

interface Props {
  readonly entryId: string;
  readonly sentence: string;
  readonly tag: string;
}

const moving = object({ toTag: words(2).max(20).required() });

/** It was told of the wrong tag: whoever told it, or a lead, says which it is. Both units show that. */
export function WrongUnit({ entryId, sentence, tag }: Props) {
  const [open, setOpen] = useState(false);
  const move = useEntry('told-moved');
  const { control, handleSubmit } = useSchemaForm<{ toTag: string }, typeof moving>(moving, { toTag: '' });
  const send = handleSubmit(async ({ toTag }) => {
    await move.mutateAsync({ facts: { entryId, toTag: toTag.toUpperCase() }, on: { tag } });
    setOpen(false);
  });
  return (
    <>
      <Button
        className="grow"
        kind="quiet"
        label="Told of the wrong unit"
        aria-label={`Told of the wrong unit: ${sentence}`}
        onPress={() => setOpen(true)}
      />
      {open ? (
        <Sheet title="Told of the wrong unit" open onClose={() => setOpen(false)}>
          {move.error ? <Failure sentence={sentenceOf(move.error)} kept="What you wrote is still here." /> : null}
          <Words face="strong">{sentence}</Words>
          <Words>{`It is closed on ${tag} and open on the other from the moment it was told. Both show it.`}</Words>
          <FormField
            control={control}
            name="toTag"
            label="Tag of the unit that it is about"
            autoCapitalize="characters"
          />
          <Button
            kind="main"
            tall
            label="Move it there"
            disabled={move.isPending}
            onPress={() => void send().catch(() => undefined)}
          />
        </Sheet>
      ) : null}
    </>
  );
}
