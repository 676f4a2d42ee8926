import type { UnitPart } from '@hudrik/core/contracts';
import { partNumber } from '@hudrik/core/log';
import { useState } from 'react';
import { View } from 'react-native';
import { object } from 'yup';
import { call, isUnreachable, newId, sentenceOf } from '@/api';
import { Button, Choice, Failure, Field, Sheet, Words } from '@/design';
import { FormField, useSchemaForm } from '@/forms';
import { useChange, useEntry } from '@/outbox';
import { PartsOfModel } from './PartsOfModel';
import { QuoteWords } from './QuoteWords';
import { useQuote } from './useQuote';

const form = object({ number: partNumber.required('Enter a part number.') });

interface Props {
  readonly jobId: string;
  /** The unit: its model's parts are offered. */
  readonly tag: string | null;
  /** A number that only the supplier knows is put into the catalogue by who may. */
  readonly signs: boolean;
  readonly onClose: () => void;
}

/** Any number that the part ever had; what the supplier says of it, before it is wanted. */
export function AskPartSheet({ jobId, tag, signs, onClose }: Props) {
  const ask = useEntry('part-asked');
  const add = useChange('addPart');
  const { control, handleSubmit, trigger, getValues, setValue } = useSchemaForm(form, { number: '' });
  const [chosen, setChosen] = useState<UnitPart | null>(null);
  const [isUnknown, setUnknown] = useState(false);
  const [name, setName] = useState('');
  const [count, setCount] = useState(1);
  const { quote, isAsking, error, ask: askSupplier, clear } = useQuote();
  const failed = error ?? ask.error ?? add.error;
  const look = async () => {
    if (await trigger('number')) askSupplier(getValues('number').trim().toUpperCase());
  };
  const take = handleSubmit(async ({ number }) => {
    if (signs && quote?.name && quote.problem === null)
      await addToCatalogue(quote.number, quote.name, quote.cents ?? 0);
    await ask.mutateAsync({ facts: { lineId: newId(), number, count }, on: { jobId } });
    onClose();
  });
  const choose = (part: UnitPart) => {
    setChosen(part);
    setCount(part.count);
    setUnknown(part.number === null);
    setName(part.number === null ? part.name : '');
    if (part.number !== null) setValue('number', part.number, { shouldValidate: true });
    clear();
  };
  const takeSet = async (parts: readonly UnitPart[]) => {
    for (const { number, name: called, count: needed } of parts) {
      const what = number === null ? { name: called } : { number };
      await ask.mutateAsync({ facts: { lineId: newId(), ...what, count: needed }, on: { jobId } });
    }
    onClose();
  };
  const takeUnknown = async () => {
    await ask.mutateAsync({ facts: { lineId: newId(), name: name.trim(), count }, on: { jobId } });
    onClose();
  };
  const addToCatalogue = async (number: string, name: string, cents: number) => {
    const known = await call('parts', { query: { find: number } }).catch((problem: unknown) => {
      if (isUnreachable(problem)) return null;
      throw problem;
    });
    if (known === null || known.parts.some((part) => part.number === number)) return;
    await add.mutateAsync({ body: { number, name, cents, place: '', count: 0 } });
  };
  return (
    <Sheet title="Ask for a part" open onClose={onClose}>
      {failed ? <Failure sentence={sentenceOf(failed)} kept="What you typed is still here." /> : null}
      {tag === null ? null : (
        <PartsOfModel
          tag={tag}
          chosen={chosen}
          onChoose={choose}
          onSet={(parts) => void takeSet(parts).catch(() => undefined)}
        />
      )}
      {isUnknown ? (
        <Field label="What it is called" value={name} onChangeText={setName} />
      ) : (
        <FormField
          control={control}
          name="number"
          label="Part number, today’s or any earlier one"
          autoCapitalize="characters"
          onChange={clear}
        />
      )}
      <Choice label="Nobody knows its number yet" on={isUnknown} onPress={() => setUnknown(!isUnknown)} />
      <View className="flex-row items-center gap-3">
        <Button label="−" aria-label="One less" disabled={count <= 1} onPress={() => setCount(count - 1)} />
        <Words face="figures" size={32} className="min-w-[48px] text-center">
          {count}
        </Words>
        <Button label="+" aria-label="One more" onPress={() => setCount(count + 1)} />
        {isUnknown ? null : (
          <Button
            className="grow"
            label={isAsking ? 'Asking the supplier…' : 'Ask the supplier'}
            disabled={isAsking}
            onPress={() => void look()}
          />
        )}
      </View>
      {quote && !isUnknown ? <QuoteWords quote={quote} /> : null}
      <Button
        kind="main"
        tall
        label={ask.isPending ? 'Asking…' : 'Ask for it'}
        disabled={ask.isPending}
        offBecause={isUnknown && name.trim() === '' ? 'Say what it is called.' : null}
        onPress={() => void (isUnknown ? takeUnknown() : take()).catch(() => undefined)}
      />
    </Sheet>
  );
}
