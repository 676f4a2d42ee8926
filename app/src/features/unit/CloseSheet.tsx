import { checksOf, classOf } from '@hudrik/core/catalogue';
import { WORKS_ON_UNITS, type Defect, type UnitLine } from '@hudrik/core/contracts';
import { readPositive } from '@hudrik/core/figures';
import { router } from 'expo-router';
import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { object, string } from 'yup';
import { sentenceOf, usePerson } from '@/api';
import { Button, Failure, Sheet, Words } from '@/design';
import { photosOf, secondIn, SecondPerson, type Second } from '@/features/second';
import { FormChoices, FormField, useSchemaForm, words } from '@/forms';
import { useEntry } from '@/outbox';

interface Props {
  readonly defect: Defect;
  readonly unit: Pick<UnitLine, 'tag' | 'classId'>;
  readonly onClose: () => void;
}

const closing = object({
  how: string().oneOf(['put-right', 'was-all-right']).required('Choose one.'),
  why: words(3).required(),
  figure: string().default(''),
});
interface Typed {
  readonly how: string;
  readonly why: string;
  readonly figure: string;
}

/** Somebody has looked. Where what puts it right is proved, a look can only say that it was all right: the repair is done on its job. */
export function CloseSheet({ defect, unit, onClose }: Props) {
  const { role } = usePerson();
  const send = useEntry('defect-closed');
  const [second, setSecond] = useState<Second | null>(null);
  const isOnly = defect.looks.length === 1;
  const { control, handleSubmit } = useSchemaForm<Typed, typeof closing>(closing, {
    ...{ how: isOnly ? (defect.looks[0] ?? '') : '', why: '', figure: '' },
  });
  const typed = useWatch({ control });
  const check = checksOf(classOf(unit.classId)).find(
    ({ id }) => defect.origin.kind === 'check' && id === defect.origin.id,
  );
  const asksTwo = typed.how === 'was-all-right' && wantsTwo(defect, role);
  const measured = typed.how === 'put-right' ? check?.measured : undefined;
  const value = readPositive(typed.figure ?? '');
  const close = handleSubmit(async ({ how, why }) => {
    const facts = {
      ...{ defectId: defect.id, how: how === 'put-right' ? how : ('was-all-right' as const), why },
      ...(measured && value !== null ? { measured: { value, unit: measured.unit } } : {}),
      ...(asksTwo ? secondIn(second) : {}),
    };
    await send.mutateAsync({ facts, on: { tag: unit.tag }, photos: asksTwo ? photosOf(second) : [] });
    onClose();
  });
  return (
    <Sheet title="Close it by a look" open onClose={onClose}>
      {send.error ? <Failure sentence={sentenceOf(send.error)} kept="What you wrote is still here." /> : null}
      <Words face="strong">{defect.sentence}</Words>
      {isOnly ? (
        <>
          <Words>A look is no repair. What is put right is proved and signed on its job.</Words>
          <PutRight defect={defect} tag={unit.tag} />
          <Words>Or say that it was no defect:</Words>
        </>
      ) : (
        <FormChoices
          control={control}
          name="how"
          label="What did you find?"
          isLabelShown
          options={[
            ['put-right', 'It is put right'],
            ['was-all-right', 'It was all right'],
          ]}
        />
      )}
      <FormField
        control={control}
        name="why"
        label={isOnly ? 'What you looked at, and saw' : 'What you looked at, and what was done'}
        multiline
      />
      {measured ? (
        <FormField control={control} name="figure" label={`Measured now, ${measured.unit}`} inputMode="decimal" />
      ) : null}
      {asksTwo ? (
        <SecondPerson
          sentence={
            defect.second === 'danger'
              ? 'It was told and is dangerous: that it was all right, two people say.'
              : 'It was seen more than once: that it was all right, a lead says, or two people.'
          }
          who={WORKS_ON_UNITS}
          wantsPhoto={defect.origin.kind === 'check'}
          second={second}
          onSecond={setSecond}
        />
      ) : null}
      <Button
        kind="main"
        tall
        label={isOnly ? 'It was all right: close it' : 'Close it'}
        disabled={send.isPending}
        offBecause={
          measured && value === null
            ? 'What was found by a number is closed by a number.'
            : asksTwo && second === null
              ? 'A second person says so too, or you say why there is none.'
              : null
        }
        onPress={() => void close().catch(() => undefined)}
      />
    </Sheet>
  );
}

/** Of what was seen twice a lead says by themselves that it was all right; of what was told and is dangerous nobody does. */
const wantsTwo = ({ second }: Defect, role: string): boolean =>
  second === 'danger' || (second === 'seen-twice' && role !== 'lead');

/** To the job that puts it right; where nothing is being done about it, a job is raised. */
function PutRight({ defect, tag }: { readonly defect: Defect; readonly tag: string }) {
  const raise = useEntry('job-raised');
  const raiseIt = async () => {
    const { answer } = await raise.mutateAsync({
      facts: {
        ...{ kind: 'repair', title: 'Put it right', minutes: 30, work: undefined, blocks: defect.weight },
        defectId: defect.id,
      },
      on: { tag },
    });
    const jobId = answer?.outcome['jobId'];
    if (typeof jobId === 'string') router.navigate(`/j/${jobId}`);
  };
  if (defect.jobId !== null)
    return <Button label="To the job that puts it right" onPress={() => router.navigate(`/j/${defect.jobId}`)} />;
  return (
    <>
      {raise.error ? <Failure sentence={sentenceOf(raise.error)} /> : null}
      <Button
        label={raise.isSuccess ? 'A job is raised' : 'Raise the job that puts it right'}
        disabled={raise.isPending || raise.isSuccess}
        onPress={() => void raiseIt().catch(() => undefined)}
      />
    </>
  );
}
