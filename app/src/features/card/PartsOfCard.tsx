import type { PartLine } from '@hudrik/core/contracts';
import { isUnknownNumber } from '@hudrik/core/parts';
import { PART_LINE, type PartLineAction } from '@hudrik/core/states';
import { useState } from 'react';
import { View } from 'react-native';
import { newId, sentenceOf } from '@/api';
import { Button, Failure, Section, Words } from '@/design';
import { useChange, useEntry } from '@/outbox';
import { sayMoney, sayTime } from '@/writing';
import { AskPartSheet } from './AskPartSheet';
import { NumberPartSheet } from './NumberPartSheet';
import { sayOrderProblem } from './QuoteWords';
import type { CardHandle } from './useCard';

const STATE_WORD: Readonly<Record<PartLine['state'], string>> = {
  wanted: 'wanted',
  reserved: 'reserved on the shelf',
  ordered: 'on order',
  arrived: 'arrived',
  used: 'used',
  returned: 'given back',
  dropped: 'not wanted any more',
};

interface Props {
  readonly handle: CardHandle;
  readonly jobId: string;
  readonly works: boolean;
  readonly signs: boolean;
}

/** Parts of the card with their state; ask for one by any number it ever had, order what is wanted, use, give back. */
export function PartsOfCard({ handle, jobId, works, signs }: Props) {
  const [asking, setAsking] = useState(false);
  const [numbering, setNumbering] = useState<PartLine | null>(null);
  const change = useEntry('part-line-changed');
  const order = useChange('addOrder');
  const lines = (handle.reply?.parts ?? []).filter((line) => line.state !== 'dropped');
  const wanted = lines.filter((line) => line.state === 'wanted' && !isUnknownNumber(line.number));
  const isWaitedFor = lines.some((line) => line.state === 'wanted' || line.state === 'ordered');
  const failed = change.error ?? order.error;
  const onTheWay = new Set(
    handle.pending.filter((item) => item.state === 'waiting').flatMap((item) => item.on.lineId ?? []),
  );
  const asked = handle.pending.filter((item) => item.kind === 'part-asked' && item.state === 'waiting').length;
  return (
    <Section title="Parts" count={lines.length} place="parts">
      {failed ? <Failure sentence={sentenceOf(failed)} kept="Nothing was changed." /> : null}
      {order.data?.problem ? (
        <OrderProblem problem={order.data.problem} failed={order.data.state === 'failed'} />
      ) : null}
      {lines.map((line) => (
        <Line
          key={line.id}
          line={line}
          works={works}
          isOnTheWay={onTheWay.has(line.id)}
          onNumber={() => setNumbering(line)}
          onAction={(action) => change.mutate({ facts: { action }, on: { lineId: line.id, jobId } })}
        />
      ))}
      {asked > 0 ? (
        <Words size={15} tone="ink-soft">
          {asked === 1 ? 'One part asked for is not sent yet.' : `${asked} parts asked for are not sent yet.`}
        </Words>
      ) : null}
      {works ? (
        <View className="flex-row flex-wrap gap-2">
          <Button className="grow" label="Ask for a part" onPress={() => setAsking(true)} />
          {signs && wanted.length > 0 ? (
            <Button
              className="grow"
              label={order.isPending ? 'Ordering…' : `Order ${wanted.length === 1 ? 'it' : `these ${wanted.length}`}`}
              disabled={order.isPending}
              onPress={() => order.mutate({ body: { id: newId(), lines: wanted.map((line) => line.id) } })}
            />
          ) : null}
          {isWaitedFor && handle.state !== 'waits-part' ? (
            <Button
              className="grow"
              label="Wait for parts"
              onPress={() => handle.add('paused', { for: 'part', why: '' })}
            />
          ) : null}
        </View>
      ) : null}
      {asking ? (
        <AskPartSheet
          jobId={jobId}
          tag={handle.reply?.unit.tag ?? null}
          signs={signs}
          onClose={() => setAsking(false)}
        />
      ) : null}
      {numbering ? <NumberPartSheet line={numbering} onClose={() => setNumbering(null)} /> : null}
    </Section>
  );
}

const OrderProblem = ({ problem, failed }: { readonly problem: string; readonly failed: boolean }) => (
  <Failure
    sentence={sayOrderProblem(problem)}
    kept={failed ? 'The parts are marked as wanted again.' : 'The order is kept, and sent again by itself.'}
  />
);

/** What may be done by hand, as its button says it. */
const ACTIONS: readonly (readonly [action: PartLineAction, label: string])[] = [
  ['use', 'Used'],
  ['return', 'Give back'],
  ['reserve', 'Reserve'],
  ['drop', 'Not needed'],
];

interface LineProps {
  readonly line: PartLine;
  readonly works: boolean;
  readonly isOnTheWay: boolean;
  readonly onNumber: () => void;
  readonly onAction: (action: PartLineAction) => void;
}

function Line({ line, works, isOnTheWay, onNumber, onAction }: LineProps) {
  const isUnknown = isUnknownNumber(line.number);
  const may = (action: PartLineAction): boolean =>
    PART_LINE.after(line.state, action).ok && (action !== 'reserve' || line.inStock >= line.count);
  return (
    <View className="gap-1 border-b border-line py-2">
      <View className="flex-row items-baseline gap-2">
        <Words face="figures" size={22}>
          {isUnknown ? '?' : line.number}
        </Words>
        <Words className="min-w-0 flex-1" size={15}>
          {line.name}
        </Words>
        <Words face="figures">{isUnknown ? `${line.count} ×` : `${line.count} × ${sayMoney(line.cents)}`}</Words>
      </View>
      {isUnknown ? <Words size={15}>Needed, number unknown: no price, and nothing to order yet.</Words> : null}
      {line.asked === line.number ? null : (
        <Words size={13} tone="ink-soft">{`Asked for as ${line.asked}, which is now ${line.number}.`}</Words>
      )}
      <Words size={15} tone={line.late ? 'held' : 'ink-soft'}>
        {sayLine(line)}
      </Words>
      {isOnTheWay ? (
        <Words size={15} role="status">
          Your change is not sent yet.
        </Words>
      ) : null}
      {works && !isOnTheWay ? (
        <View className="flex-row flex-wrap gap-2">
          {isUnknown ? (
            <Button className="grow" label="Its number" aria-label={`Its number: ${line.name}`} onPress={onNumber} />
          ) : null}
          {ACTIONS.filter(([action]) => may(action)).map(([action, label]) => (
            <Button
              key={action}
              kind={action === 'drop' ? 'quiet' : 'plain'}
              className={action === 'drop' ? '' : 'grow'}
              label={label}
              aria-label={`${label}: ${line.name}`}
              onPress={() => onAction(action)}
            />
          ))}
        </View>
      ) : null}
    </View>
  );
}

function sayLine({ state, place, expectedAt, late }: PartLine): string {
  if (state === 'reserved' && place) return `${STATE_WORD[state]}, ${place}`;
  if (state === 'ordered' && expectedAt)
    return `${STATE_WORD[state]}, ${late ? 'late, now ' : ''}expected ${sayTime(expectedAt)}`;
  return STATE_WORD[state];
}
