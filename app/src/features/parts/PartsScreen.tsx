import type { Part } from '@hudrik/core/contracts';
import { useDeferredValue, useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, usePerson, useRead, useSigns } from '@/api';
import { Button, Empty, Failure, Field, Heading, Loading, useIsWide, Words } from '@/design';
import { LongList } from '@/design/LongList';
import { sayMoney } from '@/writing';
import { ExchangeParts } from './ExchangeParts';
import { Orders } from './Orders';
import { Reorder } from './Reorder';
import { AddPartSheet, PartSheet } from './PartForms';

/** The shelf: parts by any number they ever had, orders, and parts that were taken off and are good again. */
export function PartsScreen() {
  const { role } = usePerson();
  const wide = useIsWide();
  const [text, setText] = useState('');
  const find = useDeferredValue(text.trim());
  const parts = useRead('parts', { query: { find } });
  const [open, setOpen] = useState<Part | null>(null);
  const [adding, setAdding] = useState(false);
  const signs = useSigns();
  const works = role !== 'counter';
  const listed = parts.data?.parts ?? [];
  const low = listed.filter((part) => part.onHand - part.reserved < part.reorderAt).length;
  const side = (
    <View className="gap-5">
      <Reorder />
      <Orders signs={signs} works={works} />
      <ExchangeParts works={works} />
    </View>
  );
  const heading = (
    <Words role="heading" aria-level={1} size={22} face="strong">
      {sayShelf(low)}
    </Words>
  );
  const shelf = (
    <LongList
      items={listed}
      keyOf={(part) => part.number}
      label="Parts on the shelf"
      estimate={68}
      contentClassName={`p-4 pb-10 ${wide ? '' : 'w-full max-w-[760px] mx-auto'}`}
      header={
        <View className="gap-3 pb-2">
          {heading}
          {wide ? null : side}
          <View className="flex-row items-baseline gap-2 border-b-2 border-ink pb-1">
            <Heading className="flex-1">On the shelf</Heading>
            <Words face="figures" size={17}>
              {listed.length}
            </Words>
          </View>
          <Field
            label="Find a name, or any number a part ever had"
            value={text}
            onChangeText={setText}
            autoCapitalize="characters"
          />
          {parts.data?.today ? (
            <Words role="status" face="strong">
              {sayToday(parts.data.today)}
            </Words>
          ) : null}
          {parts.isError ? <Failure sentence={sentenceOf(parts.error)} retry={() => void parts.refetch()} /> : null}
          {parts.isPending ? <Loading what="the shelf" /> : null}
          {parts.data?.parts.length === 0 ? (
            <Empty
              sentence={
                find
                  ? `No part has or had the name or number “${find}”.`
                  : 'No parts yet. Import a list under “Import and export lists”, or add one.'
              }
            />
          ) : null}
          {signs ? <Button className="self-start" label="Add a part" onPress={() => setAdding(true)} /> : null}
        </View>
      }
      render={(part) => <PartRow part={part} onOpen={() => setOpen(part)} />}
    />
  );
  return (
    <View className={`min-h-0 flex-1 ${wide ? 'flex-row' : ''}`}>
      {shelf}
      {wide ? <View className="w-[392px] overflow-y-auto border-l border-line p-4">{side}</View> : null}
      {open ? <PartSheet part={open} signs={signs} onClose={() => setOpen(null)} /> : null}
      {adding ? <AddPartSheet onClose={() => setAdding(false)} /> : null}
    </View>
  );
}

function sayShelf(low: number): string {
  if (low === 0) return 'No part is below its reorder point.';
  return low === 1 ? 'One part is below its reorder point.' : `${low} parts are below their reorder points.`;
}

function sayToday({
  asked,
  number,
  through,
}: {
  readonly asked: string;
  readonly number: string;
  readonly through: readonly string[];
}): string {
  const steps = through.slice(1);
  return `${asked} is now ${number}${steps.length > 0 ? `, after ${steps.join(', ')}` : ''}.`;
}

function PartRow({ part, onOpen }: { readonly part: Part; readonly onOpen: () => void }) {
  const free = part.onHand - part.reserved;
  const isLow = free < part.reorderAt;
  const facts = [
    part.number,
    sayMoney(part.cents),
    part.place,
    part.reserved > 0 && `${part.reserved} promised`,
    isLow && 'reorder',
  ];
  return (
    <View className="flex-row items-center gap-3 border-b border-line py-2">
      <Words face="figures" size={32} tone={isLow ? 'held' : 'ink'} className="w-[48px] text-right">
        {free}
      </Words>
      <View className="min-w-0 flex-1">
        <Words face="strong">{part.name}</Words>
        <Words size={13} tone="ink-soft">
          {facts.filter(Boolean).join(' · ')}
        </Words>
      </View>
      <Button kind="quiet" label="Open" aria-label={`Open ${part.number}`} onPress={onOpen} />
    </View>
  );
}
