import type { OrderLine, OrdersReply } from '@hudrik/core/contracts';
import { ORDER } from '@hudrik/core/states';
import { Link } from 'expo-router';
import { View } from 'react-native';
import { sentenceOf, useRead } from '@/api';
import { Button, Empty, Failure, Section, Words } from '@/design';
import { sayOrderProblem } from '@/features/card';
import { sayTime } from '@/writing';
import { useChange } from '@/outbox';

const AGAIN_MS = 15_000;

/** What is on order, and what the supplier said of it last, and when. */
export function Orders({ signs, works }: { readonly signs: boolean; readonly works: boolean }) {
  const orders = useRead('orders', { refetchInterval: AGAIN_MS });
  const open = (orders.data?.orders ?? []).filter((order) => order.state !== 'arrived');
  return (
    <Section title="On order" count={open.length}>
      {orders.isError && !orders.data ? (
        <Failure sentence={sentenceOf(orders.error)} retry={() => void orders.refetch()} />
      ) : null}
      {orders.data ? <Supplier supplier={orders.data.supplier} /> : null}
      {orders.data && open.length === 0 ? <Empty sentence="Nothing is on order." /> : null}
      {open.map((order) => (
        <Order key={order.id} order={order} signs={signs} works={works} />
      ))}
    </Section>
  );
}

function Supplier({ supplier: { answeredAt, problem } }: { readonly supplier: OrdersReply['supplier'] }) {
  const last = answeredAt ? `It answered last ${sayTime(answeredAt)}.` : 'It has not answered yet.';
  if (problem)
    return (
      <Words tone="held" role="alert">
        {sayOrderProblem(problem)} {last} It is asked again by itself.
      </Words>
    );
  return answeredAt ? (
    <Words size={13} tone="ink-soft">
      {`The supplier’s answer of ${sayTime(answeredAt)}.`}
    </Words>
  ) : null;
}

function sayOrder(order: OrderLine): string {
  if (order.state === 'failed') return 'The supplier did not take it';
  if (order.state === 'sending') return 'Kept here, not confirmed yet';
  const { supplierRef, expectedAt, late } = order;
  return `${supplierRef}, ${late ? 'late, now expected' : 'expected'} ${sayTime(expectedAt ?? '')}`;
}

interface OrderProps {
  readonly order: OrderLine;
  readonly signs: boolean;
  readonly works: boolean;
}

function Order({ order, signs, works }: OrderProps) {
  const ask = useChange('sendOrder');
  const receive = useChange('receiveOrder');
  const failed = ask.error ?? receive.error;
  return (
    <View className="gap-2 border border-card-edge bg-card p-3">
      {failed ? <Failure sentence={sentenceOf(failed)} kept="The order is kept." /> : null}
      <Words face="strong" tone={order.late || order.problem ? 'held' : 'ink'}>
        {sayOrder(order)}
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
        {works && ORDER.after(order.state, 'receive').ok ? (
          <Button
            kind="main"
            className="grow"
            label="It has arrived"
            disabled={receive.isPending}
            onPress={() => receive.mutate({ params: { id: order.id } })}
          />
        ) : null}
        {signs && order.state !== 'failed' ? (
          <Button
            className="grow"
            label={ask.isPending ? 'Asking…' : 'Ask the supplier now'}
            disabled={ask.isPending}
            onPress={() => ask.mutate({ params: { id: order.id } })}
          />
        ) : null}
      </View>
    </View>
  );
}
