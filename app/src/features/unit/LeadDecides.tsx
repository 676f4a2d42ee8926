import { checksOf, classOf } from '@hudrik/core/catalogue';
import type { Defect, UnitLine } from '@hudrik/core/contracts';
import { useState } from 'react';
import { object } from 'yup';
import { sentenceOf } from '@/api';
import { Button, Failure, Sheet, Words } from '@/design';
import { FormField, useSchemaForm, words } from '@/forms';
import { useEntry } from '@/outbox';
import { NotFittedSheet } from './NotFittedSheet';

interface Props {
  readonly defect: Defect;
  readonly unit: Pick<UnitLine, 'tag' | 'classId'>;
}

/** What is worn may be lived with, and what was never there is not asked again: a lead says so. */
export function LeadDecides({ defect, unit }: Props) {
  const [sheet, setSheet] = useState<'lived-with' | 'not-fitted' | null>(null);
  const absent = absentOf(defect, unit.classId);
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
      {absent === null ? null : (
        <Button
          className="grow"
          kind="quiet"
          label="Not on this unit"
          aria-label={`Not on this unit: ${absent.words}`}
          onPress={() => setSheet('not-fitted')}
        />
      )}
      {sheet === 'lived-with' ? <LivedWithSheet defect={defect} tag={unit.tag} onClose={close} /> : null}
      {sheet === 'not-fitted' && absent ? <NotFittedSheet {...absent} tag={unit.tag} onClose={close} /> : null}
    </>
  );
}

/**
 * What may be said not to be on this unit: a check's thing that was found missing, where not every unit of the class has it; or a thing that stays
 * off.
 */
function absentOf(
  { id, origin, sentence }: Defect,
  classId: UnitLine['classId'],
): { readonly check: string; readonly words: string } | null {
  if (origin.kind === 'stays-off') return { check: id, words: sentence };
  const check = checksOf(classOf(classId)).find((one) => origin.kind === 'check' && one.id === origin.id);
  const isMissing = check !== undefined && check.alwaysThere !== true && origin.exception === 'missing';
  return isMissing ? { check: check.id, words: check.words } : null;
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
