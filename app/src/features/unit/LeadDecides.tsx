import { checksOf, classOf } from '@hudrik/core/catalogue';
import type { Defect, UnitLine } from '@hudrik/core/contracts';
import { useState } from 'react';
import { object } from 'yup';
import { sentenceOf } from '@/api';
import { Button, Failure, Sheet, Words } from '@/design';
import { FormField, useSchemaForm, words } from '@/forms';
import { useEntry } from '@/outbox';
import { PhotoRow } from '@/photos/PhotoRow';

interface Props {
  readonly defect: Defect;
  readonly unit: Pick<UnitLine, 'tag' | 'classId'>;
}

/** What is worn may be lived with, and what was never there is not asked again: a lead says so. */
export function LeadDecides({ defect, unit }: Props) {
  const [sheet, setSheet] = useState<'lived-with' | 'not-fitted' | null>(null);
  const check = checksOf(classOf(unit.classId)).find(
    ({ id }) => defect.origin.kind === 'check' && id === defect.origin.id,
  );
  const close = () => setSheet(null);
  return (
    <>
      {defect.safety ? null : (
        <Button
          className="grow"
          kind="quiet"
          label="Live with it"
          aria-label={`Live with: ${defect.sentence}`}
          onPress={() => setSheet('lived-with')}
        />
      )}
      {check === undefined ? null : (
        <Button
          className="grow"
          kind="quiet"
          label="Not fitted to it"
          aria-label={`Not fitted: ${check.words}`}
          onPress={() => setSheet('not-fitted')}
        />
      )}
      {sheet === 'lived-with' ? <LivedWithSheet defect={defect} tag={unit.tag} onClose={close} /> : null}
      {sheet === 'not-fitted' && check ? (
        <NotFittedSheet
          check={check.id}
          words={check.words}
          isSafety={check.kind === 'safety'}
          tag={unit.tag}
          onClose={close}
        />
      ) : null}
    </>
  );
}

const living = object({ why: words(3).required(), watch: words(3).required() });

interface LivedProps {
  readonly defect: Defect;
  readonly tag: string;
  readonly onClose: () => void;
}

function LivedWithSheet({ defect, tag, onClose }: LivedProps) {
  const send = useEntry('lived-with');
  const { control, handleSubmit } = useSchemaForm<{ why: string; watch: string }, typeof living>(living, {
    why: '',
    watch: '',
  });
  const keep = handleSubmit(async (facts) => {
    await send.mutateAsync({ facts: { defectId: defect.id, ...facts }, on: { tag } });
    onClose();
  });
  return (
    <Sheet title="Live with it" open onClose={onClose}>
      {send.error ? <Failure sentence={sentenceOf(send.error)} kept="What you wrote is still here." /> : null}
      <Words face="strong">{defect.sentence}</Words>
      <Words size={15}>
        Worn but usable, after a proof that has passed. Each check-in asks whether it showed again.
      </Words>
      <FormField control={control} name="why" label="Why it may stay so" multiline />
      <FormField control={control} name="watch" label="What to watch" multiline />
      <Button
        kind="main"
        tall
        label="Sign: we live with it"
        disabled={send.isPending}
        onPress={() => void keep().catch(() => undefined)}
      />
    </Sheet>
  );
}

const absent = object({ why: words(3).required() });

interface AbsentProps {
  readonly check: string;
  readonly words: string;
  readonly isSafety: boolean;
  readonly tag: string;
  readonly onClose: () => void;
}

function NotFittedSheet({ check, words: asked, isSafety, tag, onClose }: AbsentProps) {
  const send = useEntry('not-fitted');
  const [photos, setPhotos] = useState<readonly string[]>([]);
  const { control, handleSubmit } = useSchemaForm<{ why: string }, typeof absent>(absent, { why: '' });
  const keep = handleSubmit(async ({ why }) => {
    const facts = { check, why, photoId: photos[0] ?? null };
    await send.mutateAsync({ facts, on: { tag }, photos });
    onClose();
  });
  return (
    <Sheet title="Not fitted to this unit" open onClose={onClose}>
      {send.error ? <Failure sentence={sentenceOf(send.error)} kept="What you wrote is still here." /> : null}
      <Words face="strong">{asked}</Words>
      <Words size={15}>The check is not asked of this unit any more, and what hangs on it is closed.</Words>
      <FormField control={control} name="why" label="How you know" multiline />
      <PhotoRow wanted={isSafety} photos={photos} onChange={setPhotos} />
      <Button
        kind="main"
        tall
        label="Sign: it has none"
        disabled={send.isPending}
        offBecause={isSafety && photos.length === 0 ? 'A safety check wants a photo.' : null}
        onPress={() => void keep().catch(() => undefined)}
      />
    </Sheet>
  );
}
