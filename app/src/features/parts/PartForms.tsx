import { kitOrPieces } from '@hudrik/core/parts';
import type { Part } from '@hudrik/core/contracts';
import { name } from '@hudrik/core/fields';
import { partNumber } from '@hudrik/core/log';
import { useState } from 'react';
import { object, string } from 'yup';
import { sentenceOf } from '@/api';
import { Button, Choice, Failure, Sheet, Words } from '@/design';
import { FormField, price, useSchemaForm, wholeNumber, words } from '@/forms';
import { sayDay, sayMoney } from '@/writing';
import { useChange } from '@/outbox';

const MOST = 10_000;
const count = wholeNumber()
  .typeError('Enter a whole number.')
  .min(0, 'Enter a whole number.')
  .max(MOST, `At most ${MOST}.`)
  .required('Enter a whole number.');

/** A part: what it is, its pieces, and the count on the shelf for who may change it. */
export function PartSheet({
  part,
  signs,
  onClose,
}: {
  readonly part: Part;
  readonly signs: boolean;
  readonly onClose: () => void;
}) {
  // All its pieces at first; a tap leaves out those that are still good.
  const [good, setGood] = useState<readonly string[]>([]);
  const needed = part.pieces.filter((piece) => !good.includes(piece.number));
  const choice = part.kind === 'kit' && needed.length > 0 ? kitOrPieces(part.cents, needed) : null;
  const flip = (number: string) =>
    setGood(good.includes(number) ? good.filter((one) => one !== number) : [...good, number]);
  return (
    <Sheet title={`${part.number}: ${part.name}`} open onClose={onClose}>
      {part.formerly.length > 0 ? <Words size={15}>{`Earlier numbers: ${part.formerly.join(', ')}.`}</Words> : null}
      <Words
        size={15}
      >{`${part.onHand} on the shelf, ${part.reserved} promised to jobs. Reorder below ${part.reorderAt}: then 95 in 100 weeks the shelf lasts until the delivery (Poisson).`}</Words>
      {part.paid ? <Words size={15}>{`Last paid ${sayMoney(part.paid.cents)}, ${sayDay(part.paid.at)}.`}</Words> : null}
      {part.pieces.length > 0 ? <Words face="strong">Which of its pieces are needed?</Words> : null}
      {part.pieces.map((piece) => (
        <Choice
          key={piece.number}
          label={`${piece.count} × ${piece.number} ${piece.name}, ${sayMoney(piece.cents)} each`}
          on={!good.includes(piece.number)}
          onPress={() => flip(piece.number)}
        />
      ))}
      {choice ? (
        <Words face="strong">
          {choice.buy === 'kit'
            ? `The kit is cheaper: ${sayMoney(choice.kitCents)}, against ${sayMoney(choice.piecesCents)} for ${good.length === 0 ? 'all its pieces' : 'these pieces'}.`
            : `The pieces are cheaper: ${sayMoney(choice.piecesCents)}, against ${sayMoney(choice.kitCents)} for the kit.`}
        </Words>
      ) : null}
      {signs ? <Count part={part} onDone={onClose} /> : null}
    </Sheet>
  );
}

const countForm = object({ count, why: words(2).required('Say why the count differs.') });

function Count({ part, onDone }: { readonly part: Part; readonly onDone: () => void }) {
  const change = useChange('countPart');
  const { control, handleSubmit } = useSchemaForm(countForm, { count: String(part.onHand), why: '' });
  const send = handleSubmit(async (body) => {
    await change.mutateAsync({ params: { number: part.number }, body });
    onDone();
  });
  return (
    <>
      {change.isError ? <Failure sentence={sentenceOf(change.error)} kept="The count was not changed." /> : null}
      <FormField control={control} name="count" label="Counted on the shelf" inputMode="numeric" />
      <FormField control={control} name="why" label="Why it differs" />
      <Button
        kind="main"
        label="Save the count"
        disabled={change.isPending}
        onPress={() => void send().catch(() => undefined)}
      />
    </>
  );
}

const addForm = object({
  number: partNumber.required('Enter the part number.'),
  name: name.required('Enter what it is.'),
  cents: price().required('Enter a price, e.g. 12.50.'),
  place: string().trim().max(40, 'At most 40 characters.').default(''),
  count,
});

/** A part new to the catalogue. */
export function AddPartSheet({ onClose }: { readonly onClose: () => void }) {
  const add = useChange('addPart');
  const { control, handleSubmit } = useSchemaForm(addForm, { number: '', name: '', cents: '', place: '', count: '0' });
  const send = handleSubmit(async (body) => {
    await add.mutateAsync({ body });
    onClose();
  });
  return (
    <Sheet title="Add a part" open onClose={onClose}>
      {add.isError ? <Failure sentence={sentenceOf(add.error)} kept="What you typed is still here." /> : null}
      <FormField control={control} name="number" label="Number" autoCapitalize="characters" />
      <FormField control={control} name="name" label="What it is" />
      <FormField control={control} name="cents" label="Price" inputMode="decimal" />
      <FormField control={control} name="place" label="Place" />
      <FormField control={control} name="count" label="On the shelf" inputMode="numeric" />
      <Button
        kind="main"
        tall
        label="Add it"
        disabled={add.isPending}
        onPress={() => void send().catch(() => undefined)}
      />
    </Sheet>
  );
}
