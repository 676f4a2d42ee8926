import type { HistoryRecord } from '@hudrik/core/contracts';
import { useState } from 'react';
import { sentenceOf, useChange } from '@/api';
import { Button, Failure, Field, Sheet, Words } from '@/design';
import { usePerson } from '@/features/session';

interface Props {
  readonly tag: string;
  readonly record: HistoryRecord;
  readonly corrected: boolean;
}

/** A reading that was entered wrongly is set right by a new entry that points at the old one. */
export function CorrectReading({ tag, record, corrected }: Props) {
  const { role } = usePerson();
  const facts = record.facts as { readingId?: string; reading?: number };
  const [open, setOpen] = useState(false);
  if (facts.readingId === undefined || facts.reading === undefined) return null;
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
        aria-label={`Correct the reading of ${facts.reading}`}
        onPress={() => setOpen(true)}
      />
      {open ? <Form tag={tag} readingId={facts.readingId} was={facts.reading} onClose={() => setOpen(false)} /> : null}
    </>
  );
}

function Form({
  tag,
  readingId,
  was,
  onClose,
}: {
  readonly tag: string;
  readonly readingId: string;
  readonly was: number;
  readonly onClose: () => void;
}) {
  const correct = useChange('correctReading');
  const [typed, setTyped] = useState('');
  const [why, setWhy] = useState('');
  const right = /^\d{1,5}(\.\d)?$/.test(typed);
  const send = async () => {
    await correct.mutateAsync({ params: { tag }, body: { readingId, reading: Number(typed), why } });
    onClose();
  };
  return (
    <Sheet title="Correct the reading" open onClose={onClose}>
      {correct.isError ? <Failure sentence={sentenceOf(correct.error)} kept="What you wrote is still here." /> : null}
      <Words>The meter was entered as {was}. The old entry stays in the history; the new one counts.</Words>
      <Field
        label="What the meter showed"
        value={typed}
        onChangeText={setTyped}
        inputMode="decimal"
        wrong={typed !== '' && !right ? 'Figures, with at most one after the point.' : undefined}
      />
      <Field label="Why" value={why} onChangeText={setWhy} multiline />
      <Button
        kind="main"
        tall
        label="Correct it"
        disabled={!right || why.trim().length < 3 || correct.isPending}
        onPress={() => void send().catch(() => undefined)}
      />
    </Sheet>
  );
}
