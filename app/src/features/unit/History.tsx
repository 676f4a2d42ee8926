import type { LogRecord } from '@hudrik/core/contracts';
import { isOf, kindOf, tellEntry, type Entry } from '@hudrik/core/log';
import { memo, useCallback } from 'react';
import { Image, View } from 'react-native';
import { useReadPages } from '@/api';
import { Button, Empty, Failure, Loading, ReadinessMark, Words } from '@/design';
import { WORDING } from '@/features/fleet';
import { entryOf, usePending, type EntryItem, type On } from '@/outbox';
import { sayDay, sayMoney } from '@/writing';
import { CorrectReading } from './CorrectReading';

/** All that happened to the unit, newest first, a page at a time; on top of it what was made here and is on its way. */
export function History({ tag }: { readonly tag: string }) {
  const history = useReadPages('history', { params: { tag } });
  const pending = usePending(useCallback((on: On) => on.tag === tag, [tag]));
  if (history.isPending) return <Loading what="the history" />;
  if (history.isError)
    return <Failure sentence="The history cannot be fetched just now." retry={() => void history.refetch()} />;
  const records = history.data.pages.flatMap((page) => page.records);
  const known = new Set(records.map((record) => record.id));
  const unsent = pending.filter(
    (item) => item.state === 'waiting' && !known.has(item.id) && !kindOf(item.kind)?.isSilent,
  );
  return (
    <View>
      {records.length + unsent.length === 0 ? <Empty sentence="Nothing has happened to it yet." /> : null}
      <View role={records.length + unsent.length === 0 ? undefined : 'list'}>
        {[...unsent].reverse().map((item) => (
          <Unsent key={item.id} tag={tag} item={item} />
        ))}
        {records.map((record) => (
          <Line
            key={record.id}
            tag={tag}
            entry={record}
            note={noteOf(record)}
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

const noteOf = ({ sentBy, corrects }: LogRecord): string =>
  [sentBy && `sent by ${sentBy}`, corrects && 'corrects an earlier entry'].filter(Boolean).join(' · ');

interface LineProps {
  readonly tag: string;
  readonly entry: Entry;
  readonly note: string;
  readonly corrected?: boolean;
}

/** The photos that an entry brought. */
function photosOf({ facts }: Entry): readonly string[] {
  const photos = typeof facts === 'object' && facts !== null && 'photos' in facts ? facts.photos : [];
  return Array.isArray(photos) ? photos.map(String) : [];
}

/** Hundreds may wait: while one after the other is sent, the others are not drawn again. */
const Unsent = memo(function Unsent({ tag, item }: { readonly tag: string; readonly item: EntryItem }) {
  return <Line tag={tag} entry={entryOf(item)} note="not sent yet" />;
});

const Line = memo(function Line({ tag, entry, note, corrected = false }: LineProps) {
  const { title, lines } = tellEntry(entry, WORDING);
  const verdict = isOf(entry, 'check-in') ? entry.outcome.verdict : undefined;
  const photos = photosOf(entry);
  return (
    <View role="listitem" className="flex-row gap-3 border-l-2 border-ink pb-4 pl-4">
      <View className="-ml-[25px] mt-1 h-[18px] w-[18px] items-center justify-center bg-tray">
        {verdict ? (
          <ReadinessMark of={verdict.result} size={18} />
        ) : (
          <View className="h-[9px] w-[9px] rounded-full bg-ink" />
        )}
      </View>
      <View className="min-w-0 flex-1 gap-1">
        <Words face="strong" size={15}>
          {title}
        </Words>
        <Words size={13} tone="ink-soft">
          {[sayDay(entry.at), entry.by, note].filter(Boolean).join(' · ')}
        </Words>
        {lines.map((line) => (
          <Words key={line} size={15}>
            {line}
          </Words>
        ))}
        {(verdict?.bill ?? []).map((item) => (
          <Words key={item.name} size={15}>
            Charged: {item.name.toLowerCase()}, {sayMoney(item.priceCents)}
          </Words>
        ))}
        <CorrectReading tag={tag} entry={entry} corrected={corrected} />
        <View className="flex-row flex-wrap gap-2">
          {photos.map((id) => (
            <Image
              key={id}
              source={{ uri: `/api/photos/${id}/thumb` }}
              accessibilityLabel="Photo taken at the check-in"
              className="h-[96px] w-[128px] border border-card-edge"
              resizeMode="cover"
            />
          ))}
        </View>
      </View>
    </View>
  );
});
