import type { PartLine, Quote } from '@hudrik/core/contracts';
import { useState } from 'react';
import { View } from 'react-native';
import { call, newId, queryClient, sentenceOf, useChange } from '@/api';
import { Button, Failure, Field, Section, Sheet, Words } from '@/design';
import { sayMoney, sayTime } from '@/features/fleet';
import type { CardHandle } from './useCard';

const STATE_WORD: Readonly<Record<PartLine['state'], string>> = {
  wanted: 'wanted',
  reserved: 'reserved on the shelf',
  ordered: 'on order',
  arrived: 'arrived',
  used: 'used',
  returned: 'given back',
  dropped: 'dropped',
};

/** Parts of the card with their state; ask for one by any number it ever had, order what is wanted, use, give back. */
export function PartsOfCard({
  handle,
  jobId,
  works,
  signs,
}: {
  readonly handle: CardHandle;
  readonly jobId: string;
  readonly works: boolean;
  readonly signs: boolean;
}) {
  const [asking, setAsking] = useState(false);
  const deed = useChange('changePartLine');
  const order = useChange('addOrder');
  const lines = (handle.reply?.parts ?? []).filter((line) => line.state !== 'dropped');
  const wanted = lines.filter((line) => line.state === 'wanted');
  const coming = lines.some((line) => line.state === 'wanted' || line.state === 'ordered');
  const failed = deed.error ?? order.error;
  const doIt = (line: PartLine, what: 'use' | 'return' | 'drop' | 'reserve') => () =>
    deed.mutate({ params: { id: line.id }, body: { deed: what } }, { onSettled: handle.retry });
  return (
    <Section title="Parts" count={lines.length}>
      {failed ? <Failure sentence={sentenceOf(failed)} kept="The card stands as it was." /> : null}
      {order.data?.problem ? (
        <Failure
          sentence={sayOrderProblem(order.data.problem)}
          kept={
            order.data.state === 'failed'
              ? 'It is wanted again.'
              : 'The order is kept. Send it again from the parts’ page.'
          }
        />
      ) : null}
      {lines.map((line) => (
        <View key={line.id} className="gap-1 border-b border-line py-2">
          <View className="flex-row items-baseline gap-2">
            <Words face="figures" size={22}>
              {line.number}
            </Words>
            <Words className="min-w-0 flex-1" size={15}>
              {line.name}
            </Words>
            <Words face="figures">{`${line.count} × ${sayMoney(line.cents)}`}</Words>
          </View>
          {line.asked === line.number ? null : (
            <Words size={13} tone="ink-soft">{`Asked for as ${line.asked}: that is today’s number.`}</Words>
          )}
          <Words size={15} tone={line.late ? 'held' : 'ink-soft'}>
            {STATE_WORD[line.state]}
            {line.state === 'reserved' && line.place ? `, ${line.place}` : ''}
            {line.state === 'ordered' && line.expectedAt
              ? `, ${line.late ? 'late, now ' : ''}expected ${sayTime(line.expectedAt)}`
              : ''}
          </Words>
          {works ? (
            <View className="flex-row flex-wrap gap-2">
              {line.state === 'reserved' || line.state === 'arrived' ? (
                <Button className="grow" label="Used" aria-label={`Used: ${line.name}`} onPress={doIt(line, 'use')} />
              ) : null}
              {line.state === 'used' ? (
                <Button
                  className="grow"
                  label="Give back"
                  aria-label={`Give back: ${line.name}`}
                  onPress={doIt(line, 'return')}
                />
              ) : null}
              {line.state === 'wanted' && line.inStock >= line.count ? (
                <Button
                  className="grow"
                  label="Reserve"
                  aria-label={`Reserve: ${line.name}`}
                  onPress={doIt(line, 'reserve')}
                />
              ) : null}
              {['wanted', 'reserved', 'arrived'].includes(line.state) ? (
                <Button kind="quiet" label="Drop" aria-label={`Drop: ${line.name}`} onPress={doIt(line, 'drop')} />
              ) : null}
            </View>
          ) : null}
        </View>
      ))}
      {works ? (
        <View className="flex-row flex-wrap gap-2">
          <Button className="grow" label="Ask for a part" onPress={() => setAsking(true)} />
          {signs && wanted.length > 0 ? (
            <Button
              kind="main"
              className="grow"
              label={order.isPending ? 'Ordering…' : `Order ${wanted.length === 1 ? 'it' : `these ${wanted.length}`}`}
              disabled={order.isPending}
              onPress={() =>
                order.mutate(
                  { body: { id: newId(), lines: wanted.map((line) => line.id) } },
                  { onSettled: handle.retry },
                )
              }
            />
          ) : null}
          {coming && handle.state !== 'waits-part' ? (
            <Button
              className="grow"
              label="Wait for parts"
              onPress={() => handle.add('waits', { for: 'part', why: '' })}
            />
          ) : null}
        </View>
      ) : null}
      {asking ? (
        <AskSheet
          jobId={jobId}
          onDone={() => {
            setAsking(false);
            handle.retry();
          }}
          onClose={() => setAsking(false)}
        />
      ) : null}
    </Section>
  );
}

export const sayOrderProblem = (problem: string): string => {
  if (problem.startsWith('refused: ')) return `The supplier will not: ${problem.slice(9)}.`;
  return problem === 'slow'
    ? 'The supplier did not answer in time.'
    : problem === 'nonsense'
      ? 'The supplier answered nonsense.'
      : 'The supplier can not be reached.';
};

const FORM = /^[A-Za-z0-9][A-Za-z0-9.\-/ ]{1,39}$/;

/** Any number that the part ever had; what the supplier says of it, before it is wanted. */
function AskSheet({
  jobId,
  onDone,
  onClose,
}: {
  readonly jobId: string;
  readonly onDone: () => void;
  readonly onClose: () => void;
}) {
  const ask = useChange('askPart');
  const add = useChange('addPart');
  const [number, setNumber] = useState('');
  const [count, setCount] = useState(1);
  const [quote, setQuote] = useState<Quote | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const right = FORM.test(number.trim());
  const look = async () => {
    setWrong(null);
    try {
      setQuote((await call('quotePart', { params: { number: number.trim() } })) as Quote);
    } catch (error) {
      setWrong(sentenceOf(error as Error));
    }
  };
  const take = async () => {
    setWrong(null);
    try {
      // A number that only the supplier knows is put into the catalogue first.
      if (quote?.name && quote.problem === null) {
        const known = await call('parts', { query: { find: quote.number } });
        if (!known.parts.some((part) => part.number === quote.number))
          await add.mutateAsync({
            body: { number: quote.number, name: quote.name, cents: quote.cents ?? 0, place: '', count: 0 },
          });
      }
      await ask.mutateAsync({
        params: { id: jobId },
        body: { id: newId(), number: number.trim().toUpperCase(), count },
      });
      await queryClient.invalidateQueries();
      onDone();
    } catch (error) {
      setWrong(sentenceOf(error as Error));
    }
  };
  return (
    <Sheet title="Ask for a part" open onClose={onClose}>
      {wrong ? <Failure sentence={wrong} kept="What you typed is still here." /> : null}
      <Field
        label="Number, today’s or any earlier"
        value={number}
        onChangeText={(text) => {
          setNumber(text);
          setQuote(null);
        }}
        autoCapitalize="characters"
        wrong={number === '' || right ? undefined : 'Letters, figures, dots, dashes, slashes.'}
      />
      <View className="flex-row items-center gap-3">
        <Button label="−" aria-label="One less" disabled={count <= 1} onPress={() => setCount(count - 1)} />
        <Words face="figures" size={32} className="min-w-[48px] text-center">
          {count}
        </Words>
        <Button label="+" aria-label="One more" onPress={() => setCount(count + 1)} />
        <Button className="grow" label="What the supplier says" disabled={!right} onPress={() => void look()} />
      </View>
      {quote ? <QuoteWords quote={quote} /> : null}
      <Button kind="main" tall label="Ask for it" disabled={!right || ask.isPending} onPress={() => void take()} />
    </Sheet>
  );
}

export function QuoteWords({ quote }: { readonly quote: Quote }) {
  const renamed = quote.through.length > 0 ? `${quote.asked} is ${quote.number} today. ` : '';
  const sentence =
    quote.problem === 'not-known'
      ? 'The supplier does not know that number.'
      : quote.problem
        ? sayOrderProblem(quote.problem)
        : !quote.obtainable
          ? 'No longer to be had. That changes the answer: mend it, swap, or let go.'
          : `${quote.name}: ${sayMoney(quote.cents ?? 0)}, in ${quote.leadDays} days.`;
  return (
    <Words role="status" face="strong" tone={quote.obtainable ? 'ink' : 'held'}>
      {renamed + sentence}
    </Words>
  );
}
