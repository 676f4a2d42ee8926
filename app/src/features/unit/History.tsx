import type { HistoryRecord } from '@hudrik/core/contracts';
import { useInfiniteQuery } from '@tanstack/react-query';
import { Image, View } from 'react-native';
import { call } from '@/api';
import { Button, Empty, Failure, Loading, ReadinessMark, Words, type ReadinessName } from '@/design';
import { sayDay, sayMoney } from '@/features/fleet';
import { CorrectReading } from './CorrectReading';
import { sayRecord } from './sayRecord';

/** All that happened to the unit, newest first, a page at a time. */
export function History({ tag }: { readonly tag: string }) {
  const history = useInfiniteQuery({
    queryKey: ['history', { tag }],
    queryFn: ({ pageParam }) => call('history', { params: { tag }, query: { cursor: pageParam ?? undefined } }),
    // Null and not undefined: what is kept on the device is JSON, which has no undefined.
    initialPageParam: null as string | null,
    getNextPageParam: (last) => last.next,
  });
  if (history.isPending) return <Loading what="the history" />;
  if (history.isError)
    return <Failure sentence="The history can not be fetched just now." retry={() => void history.refetch()} />;
  const records = history.data.pages.flatMap((page) => page.records);
  return (
    <View>
      {records.length === 0 ? <Empty sentence="Nothing happened to it yet." /> : null}
      <View role={records.length === 0 ? undefined : 'list'}>
        {records.map((record) => (
          <Entry
            key={record.id}
            tag={tag}
            record={record}
            corrected={records.some((other) => other.corrects === record.id)}
          />
        ))}
      </View>
      {history.hasNextPage ? (
        <Button
          label={history.isFetchingNextPage ? 'Fetching…' : 'Earlier'}
          onPress={() => void history.fetchNextPage()}
        />
      ) : null}
    </View>
  );
}

function Entry({
  tag,
  record,
  corrected,
}: {
  readonly tag: string;
  readonly record: HistoryRecord;
  readonly corrected: boolean;
}) {
  const { title, lines } = sayRecord(record);
  const facts = record.facts as {
    result?: ReadinessName;
    photos?: string[];
    bill?: { name: string; priceCents: number }[];
  };
  return (
    <View role="listitem" className="flex-row gap-3 border-l-2 border-ink pb-4 pl-4">
      <View className="-ml-[25px] mt-1 h-[18px] w-[18px] items-center justify-center bg-tray">
        {facts.result ? (
          <ReadinessMark of={facts.result} size={18} />
        ) : (
          <View className="h-[9px] w-[9px] rounded-full bg-ink" />
        )}
      </View>
      <View className="min-w-0 flex-1 gap-1">
        <Words face="strong" size={15}>
          {title}
        </Words>
        <Words size={13} tone="ink-soft">
          {sayDay(record.at)}
          {record.by ? ` · ${record.by}` : ''}
          {record.corrects ? ` · corrects an earlier entry` : ''}
        </Words>
        {lines.map((line) => (
          <Words key={line} size={15}>
            {line}
          </Words>
        ))}
        {(facts.bill ?? []).map((entry) => (
          <Words key={entry.name} size={15}>
            Charged: {entry.name.toLowerCase()}, {sayMoney(entry.priceCents)}
          </Words>
        ))}
        <CorrectReading tag={tag} record={record} corrected={corrected} />
        <View className="flex-row flex-wrap gap-2">
          {(facts.photos ?? []).map((id) => (
            <Image
              key={id}
              source={{ uri: `/api/photos/${id}` }}
              accessibilityLabel="Photo taken at the check-in"
              className="h-[96px] w-[128px] border border-card-edge"
              resizeMode="cover"
            />
          ))}
        </View>
      </View>
    </View>
  );
}
