import { WORKS_ON_UNITS } from '@hudrik/core/contracts';
import { useState } from 'react';
import { object } from 'yup';
import { sentenceOf } from '@/api';
import { Button, Failure, Sheet, Words } from '@/design';
import { photosOf, secondIn, SecondPerson, type Second } from '@/features/second';
import { FormField, useSchemaForm, words } from '@/forms';
import { useEntry } from '@/outbox';
import { PhotoRow } from '@/photos/PhotoRow';

const absent = object({ why: words(3).required(), source: words(3).max(200).required() });
interface Typed {
  readonly why: string;
  readonly source: string;
}

interface Props {
  /** A check, or the defect of a thing that stays off. */
  readonly check: string;
  readonly words: string;
  readonly tag: string;
  readonly onClose: () => void;
}

/** It is not on this unit, a lead says, with where that is known from and a photo of it now; a second person says so too. */
export function NotFittedSheet({ check, words: asked, tag, onClose }: Props) {
  const send = useEntry('not-fitted');
  const [photos, setPhotos] = useState<readonly string[]>([]);
  const [second, setSecond] = useState<Second | null>(null);
  const { control, handleSubmit } = useSchemaForm<Typed, typeof absent>(absent, { why: '', source: '' });
  const keep = handleSubmit(async (typed) => {
    const facts = { check, ...typed, photoId: photos[0] ?? null, ...secondIn(second) };
    await send.mutateAsync({ facts, on: { tag }, photos: [...photos, ...photosOf(second)] });
    onClose();
  });
  return (
    <Sheet title="Not on this unit" open onClose={onClose}>
      {send.error ? <Failure sentence={sentenceOf(send.error)} kept="What you wrote is still here." /> : null}
      <Words face="strong">{asked}</Words>
      <Words size={15}>
        It is not asked of this unit any more, and what hangs on it is closed. A check-in that finds it all the same
        asks again.
      </Words>
      <FormField control={control} name="why" label="Why it has none" multiline />
      <FormField control={control} name="source" label="Known from: the maker’s book, the plate, the parts list" />
      <PhotoRow wanted photos={photos} onChange={setPhotos} />
      <SecondPerson
        sentence="That it never was there, two people say."
        who={WORKS_ON_UNITS}
        wantsPhoto={false}
        second={second}
        onSecond={setSecond}
      />
      <Button
        kind="main"
        tall
        label="Sign: it has none"
        disabled={send.isPending}
        offBecause={
          photos.length === 0
            ? 'A photo of this unit, taken now.'
            : second === null
              ? 'A second person says so too, or you say why there is none.'
              : null
        }
        onPress={() => void keep().catch(() => undefined)}
      />
    </Sheet>
  );
}
