import { SERVICE_ITEMS } from '@hudrik/core/catalogue';
import type { ReorderReply } from '@hudrik/core/contracts';
import { View } from 'react-native';
import { sentenceOf, useRead } from '@/api';
import { Button, Failure, Section, Words } from '@/design';
import { sayAs, sayFull, sayMoney } from '@/writing';

type Line = ReorderReply['lines'][number];
const DAY_MS = 86_400_000;
/** So many units are named. */
const NAMED = 3;

/** What to order for the shelf, each with why. */
export function Reorder() {
  const { data, isError, error, refetch } = useRead('reorder');
  if (data === undefined) return isError ? <Failure sentence={sentenceOf(error)} retry={() => void refetch()} /> : null;
  if (data.lines.length === 0) return null;
  return (
    <Section title="To order" count={data.lines.length}>
      <Words>{`About ${sayMoney(data.cents)} for the shelf.`}</Words>
      {data.lines.map((line) => (
        <View key={line.number} className="gap-1 border-b border-line py-2">
          <View className="flex-row items-baseline gap-3">
            <Words face="figures" size={22}>
              {`${line.order} ×`}
            </Words>
            <Words face="strong" className="min-w-0 flex-1">
              {`${line.name}, ${line.number}`}
            </Words>
            <Words size={15}>{sayMoney(line.cents)}</Words>
          </View>
          <Words size={15} tone="ink-soft">
            {sayWhy(line)}
          </Words>
        </View>
      ))}
      <Button
        className="self-start"
        label="Take the list along (CSV)"
        onPress={() => window.open('/api/export/reorder')}
      />
    </Section>
  );
}

/** Why so many. Example: 0 free, 2 wanted at the least: 1.3 a month go on; for GE-03 by 12 Dec. Comes in 7 days. */
function sayWhy({ free, orderBelow, usedPerMonth, ahead, leadDays }: Line): string {
  const have = free < 0 ? `${-free} are waited for` : `${free} free`;
  const named = ahead.slice(0, NAMED).map(({ tag }) => tag);
  const more = ahead.length > NAMED ? ` and ${ahead.length - NAMED} more` : '';
  const last = ahead.slice(0, NAMED).at(-1);
  const item = SERVICE_ITEMS.find(({ id }) => id === ahead[0]?.item)?.name.toLowerCase() ?? 'service';
  const service =
    last === undefined
      ? null
      : `${item} of ${named.join(', ')}${more}, by ${sayAs(Date.now() + last.inDays * DAY_MS, 'd MMM')}`;
  const uses = usedPerMonth > 0 ? `${sayFull(usedPerMonth)} a month in repairs` : null;
  return `${have}, ${orderBelow} wanted at the least: ${[uses, service].filter(Boolean).join('; ')}. Comes in ${leadDays} days.`;
}
