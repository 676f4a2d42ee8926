import { kitOrPieces } from '@hudrik/core/parts';
import type { ExchangePart, OrderLine, Part } from '@hudrik/core/contracts';
import { Link } from 'expo-router';
import { useDeferredValue, useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, useChange, useRead } from '@/api';
import { Button, Empty, Failure, Field, Loading, Page, Section, Sheet, useIsWide, Words } from '@/design';
import { sayOrderProblem } from '@/features/card';
import { sayMoney, sayTime } from '@/features/fleet';
import { usePerson } from '@/features/session';

/** The shelf: parts by any number they ever had, orders, and parts that were taken off and are good again. */
export function PartsScreen() {
  const { role } = usePerson();
  const wide = useIsWide();
  const [text, setText] = useState('');
  const find = useDeferredValue(text.trim());
  const parts = useRead('parts', { query: { find } });
  const orders = useRead('orders', { refetchInterval: 15_000 });
  const exchange = useRead('exchangeParts');
  const [open, setOpen] = useState<Part | null>(null);
  const [adding, setAdding] = useState(false);
  const signs = role === 'technician' || role === 'lead';
  const standing = (orders.data?.orders ?? []).filter((order) => order.state !== 'arrived');
  const short = (parts.data?.parts ?? []).filter((part) => part.onHand - part.reserved < part.reorderAt).length;
  const shelf = (
    <Section title="On the shelf" count={parts.data?.parts.length ?? 0}>
      <Field
        label="Find: name, or any number it ever had"
        value={text}
        onChangeText={setText}
        autoCapitalize="characters"
      />
      {parts.data?.today ? (
        <Words
          role="status"
          face="strong"
        >{`${parts.data.today.asked} is ${parts.data.today.number} today${parts.data.today.through.length > 1 ? `, by way of ${parts.data.today.through.slice(1).join(', ')}` : ''}.`}</Words>
      ) : null}
      {parts.isError ? <Failure sentence={sentenceOf(parts.error)} retry={() => void parts.refetch()} /> : null}
      {parts.isPending ? <Loading what="the shelf" /> : null}
      {parts.data?.parts.length === 0 ? (
        <Empty
          sentence={
            find
              ? `No part is called “${find}”, today or before.`
              : 'No parts yet. Take in a list under Lists, or add one.'
          }
        />
      ) : null}
      {(parts.data?.parts ?? []).map((part) => (
        <PartRow key={part.number} part={part} onOpen={() => setOpen(part)} />
      ))}
      {signs ? <Button className="self-start" label="Add a part" onPress={() => setAdding(true)} /> : null}
    </Section>
  );
  const side = (
    <>
      <Section title="On order" count={standing.length}>
        {orders.data && !orders.data.supplier.reachable ? (
          <Words tone="held" role="alert">
            The supplier does not answer just now.
          </Words>
        ) : null}
        {standing.length === 0 ? <Empty sentence="Nothing is on order." /> : null}
        {standing.map((order) => (
          <Order key={order.id} order={order} signs={signs} works={role !== 'counter'} />
        ))}
      </Section>
      <Exchange parts={exchange.data?.parts ?? []} works={role !== 'counter'} />
    </>
  );
  return (
    <Page wide={wide}>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {short === 0
          ? 'Nothing is under its point to order again.'
          : `${short === 1 ? 'One part is' : `${short} parts are`} under the point to order again.`}
      </Words>
      {wide ? (
        <View className="flex-row items-start gap-6">
          <View className="min-w-0 flex-1">{shelf}</View>
          <View className="w-[360px] gap-5">{side}</View>
        </View>
      ) : (
        <>
          {side}
          {shelf}
        </>
      )}
      {open ? <PartSheet part={open} signs={signs} onClose={() => setOpen(null)} /> : null}
      {adding ? <AddSheet onClose={() => setAdding(false)} /> : null}
    </Page>
  );
}

function PartRow({ part, onOpen }: { readonly part: Part; readonly onOpen: () => void }) {
  const free = part.onHand - part.reserved;
  return (
    <View className="flex-row items-center gap-3 border-b border-line py-2">
      <Words face="figures" size={32} tone={free < part.reorderAt ? 'held' : 'ink'} className="w-[48px] text-right">
        {free}
      </Words>
      <View className="min-w-0 flex-1">
        <Words face="strong">{part.name}</Words>
        <Words
          size={13}
          tone="ink-soft"
        >{`${part.number} · ${sayMoney(part.cents)}${part.place ? ` · ${part.place}` : ''}${part.reserved > 0 ? ` · ${part.reserved} promised` : ''}${free < part.reorderAt ? ' · order again' : ''}`}</Words>
      </View>
      <Button kind="quiet" label="Open" aria-label={`Open ${part.number}`} onPress={onOpen} />
    </View>
  );
}

function PartSheet({
  part,
  signs,
  onClose,
}: {
  readonly part: Part;
  readonly signs: boolean;
  readonly onClose: () => void;
}) {
  const count = useChange('countPart');
  const [text, setText] = useState(String(part.onHand));
  const [why, setWhy] = useState('');
  const right = /^\d{1,4}$/.test(text);
  const choice = part.kind === 'kit' ? kitOrPieces(part.cents, part.pieces) : null;
  return (
    <Sheet title={`${part.number}: ${part.name}`} open onClose={onClose}>
      {part.formerly.length > 0 ? <Words size={15}>{`Earlier numbers: ${part.formerly.join(', ')}.`}</Words> : null}
      <Words
        size={15}
      >{`${part.onHand} on the shelf, ${part.reserved} promised to cards. Order again under ${part.reorderAt} (Poisson, 95 in 100, over seven days).`}</Words>
      {part.pieces.map((piece) => (
        <Words
          key={piece.number}
          size={15}
        >{`${piece.count} × ${piece.number} ${piece.name}, ${sayMoney(piece.cents)} each`}</Words>
      ))}
      {choice ? (
        <Words face="strong">
          {choice.buy === 'kit'
            ? `The kit is cheaper: ${sayMoney(choice.kitCents)} against ${sayMoney(choice.piecesCents)} for all its pieces.`
            : `The pieces are cheaper: ${sayMoney(choice.piecesCents)} against ${sayMoney(choice.kitCents)} for the kit.`}
        </Words>
      ) : null}
      {signs ? (
        <>
          {count.isError ? <Failure sentence={sentenceOf(count.error)} /> : null}
          <Field
            label="Counted on the shelf"
            value={text}
            onChangeText={setText}
            inputMode="numeric"
            wrong={right ? undefined : 'A whole number.'}
          />
          <Field label="Why it differs" value={why} onChangeText={setWhy} />
          <Button
            kind="main"
            label="Keep the count"
            disabled={!right || why.trim().length < 2 || count.isPending}
            onPress={() =>
              count.mutate(
                { params: { number: part.number }, body: { count: Number(text), why: why.trim() } },
                { onSuccess: onClose },
              )
            }
          />
        </>
      ) : null}
    </Sheet>
  );
}

function AddSheet({ onClose }: { readonly onClose: () => void }) {
  const add = useChange('addPart');
  const [texts, setTexts] = useState({ number: '', name: '', price: '', place: '', count: '0' });
  const set = (name: keyof typeof texts) => (text: string) => setTexts((before) => ({ ...before, [name]: text }));
  const cents = /^\d+([.,]\d{1,2})?$/.test(texts.price)
    ? Math.round(Number(texts.price.replace(',', '.')) * 100)
    : null;
  const right =
    texts.number.trim().length >= 2 && texts.name.trim() !== '' && cents !== null && /^\d{1,4}$/.test(texts.count);
  const keep = () =>
    add.mutate(
      {
        body: {
          number: texts.number.trim().toUpperCase(),
          name: texts.name.trim(),
          cents: cents ?? 0,
          place: texts.place.trim(),
          count: Number(texts.count),
        },
      },
      { onSuccess: onClose },
    );
  return (
    <Sheet title="A part" open onClose={onClose}>
      {add.isError ? <Failure sentence={sentenceOf(add.error)} kept="What you typed is still here." /> : null}
      <Field label="Number" value={texts.number} onChangeText={set('number')} autoCapitalize="characters" />
      <Field label="What it is" value={texts.name} onChangeText={set('name')} />
      <Field
        label="Price"
        value={texts.price}
        onChangeText={set('price')}
        inputMode="decimal"
        wrong={texts.price !== '' && cents === null ? 'Figures, as 12.50.' : undefined}
      />
      <Field label="Place" value={texts.place} onChangeText={set('place')} />
      <Field label="On the shelf" value={texts.count} onChangeText={set('count')} inputMode="numeric" />
      <Button kind="main" tall label="Keep it" disabled={!right || add.isPending} onPress={keep} />
    </Sheet>
  );
}

function Order({
  order,
  signs,
  works,
}: {
  readonly order: OrderLine;
  readonly signs: boolean;
  readonly works: boolean;
}) {
  const send = useChange('sendOrder');
  const receive = useChange('receiveOrder');
  const failed = send.error ?? receive.error;
  const sentence =
    order.state === 'placed'
      ? `${order.supplierRef}, ${order.late ? 'late, now expected' : 'expected'} ${sayTime(order.expectedAt ?? '')}`
      : order.state === 'failed'
        ? 'Not taken'
        : 'Kept, not sent yet';
  return (
    <View className="gap-2 border border-card-edge bg-card p-3">
      {failed ? <Failure sentence={sentenceOf(failed)} kept="The order is kept." /> : null}
      <Words face="strong" tone={order.late || order.problem ? 'held' : 'ink'}>
        {sentence}
      </Words>
      {order.problem ? <Words size={15}>{sayOrderProblem(order.problem)}</Words> : null}
      {order.lines.map((line) => (
        <View key={line.id} className="flex-row items-baseline gap-2">
          <Words size={15} className="min-w-0 flex-1">{`${line.count} × ${line.number} ${line.name}`}</Words>
          <Link href={`/j/${line.jobId}`} className="font-stencil text-15 text-ink underline">
            {line.tag}
          </Link>
        </View>
      ))}
      <View className="flex-row flex-wrap gap-2">
        {works && order.state === 'placed' ? (
          <Button
            kind="main"
            className="grow"
            label="It has arrived"
            onPress={() => receive.mutate({ params: { id: order.id } })}
          />
        ) : null}
        {signs && order.state !== 'failed' ? (
          <Button
            className="grow"
            label={send.isPending ? 'Asking…' : order.state === 'placed' ? 'How does it stand?' : 'Send it again'}
            disabled={send.isPending}
            onPress={() => send.mutate({ params: { id: order.id } })}
          />
        ) : null}
      </View>
    </View>
  );
}

const EXCHANGE_WORD: Readonly<Record<ExchangePart['state'], string>> = {
  'as-taken': 'as it came off',
  cleaned: 'cleaned',
  proven: 'proven',
  fitted: 'fitted',
  scrapped: 'scrapped',
};
const NEXT: Readonly<Partial<Record<ExchangePart['state'], readonly ExchangePart['state'][]>>> = {
  'as-taken': ['cleaned', 'scrapped'],
  cleaned: ['proven', 'scrapped'],
  proven: ['fitted', 'scrapped'],
};

function Exchange({ parts, works }: { readonly parts: readonly ExchangePart[]; readonly works: boolean }) {
  const change = useChange('changeExchangePart');
  return (
    <Section title="Exchange parts" count={parts.length}>
      {parts.length === 0 ? (
        <Empty sentence="What is taken off, cleaned and proven is stock: keep it from a card’s ledger." />
      ) : null}
      {parts.map((part) => (
        <View key={part.id} className="gap-2 border-b border-line py-2">
          <Words face="strong">{part.name}</Words>
          <Words
            size={13}
            tone="ink-soft"
          >{`${EXCHANGE_WORD[part.state]} · off ${part.origin}${part.number ? ` · ${part.number}` : ''}${part.place ? ` · ${part.place}` : ''}`}</Words>
          {works ? (
            <View className="flex-row flex-wrap gap-2">
              {(NEXT[part.state] ?? []).map((state) => (
                <Button
                  key={state}
                  className="grow"
                  kind={state === 'scrapped' ? 'quiet' : 'plain'}
                  label={EXCHANGE_WORD[state]}
                  aria-label={`${part.name}: ${EXCHANGE_WORD[state]}`}
                  onPress={() => change.mutate({ params: { id: part.id }, body: { state } })}
                />
              ))}
            </View>
          ) : null}
        </View>
      ))}
    </Section>
  );
}
