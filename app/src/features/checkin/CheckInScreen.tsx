import { sayAtGate } from '@hudrik/core/log';
import { router } from 'expo-router';
import { useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { Refused, sentenceOf } from '@/api';
import { Button, Empty, Failure, Loading, useIsWide, Words } from '@/design';
import { StandingNotes } from '@/features/sheet';
import { leafIsDone, leavesOf, type Draft, type Leaf } from './draft';
import { FuelLeaf } from './FuelLeaf';
import { HoursLeaf } from './HoursLeaf';
import type { Sent } from './leaf';
import { NoticedLeaf } from './NoticedLeaf';
import { Outcome } from './Outcome';
import { StationLeaf } from './StationLeaf';
import { useDraft, type DraftHandle } from './useDraft';
import { VerdictLeaf } from './VerdictLeaf';
import { nth } from '@hudrik/core/typed';

/** The return inspection, leaf by leaf. */
export function CheckInScreen({ tag }: { readonly tag: string }) {
  const handle = useDraft(tag);
  const [sent, setSent] = useState<Sent | null>(null);
  const wide = useIsWide();
  if (sent) return <Outcome tag={tag} sent={sent} />;
  if (handle.error) return <CanNotStart error={handle.error} retry={handle.retry} />;
  if (!handle.draft) return <Loading what={tag} />;
  const leaves = leavesOf(handle.draft);
  const leaf = leaves[handle.draft.leaf] ?? nth(leaves, 0);
  return (
    <View className="flex-1">
      <Header draft={handle.draft} leaves={leaves} onBack={() => goBack(handle)} />
      <View className={`min-h-0 flex-1 ${wide ? 'flex-row' : ''}`}>
        {wide ? <Contents draft={handle.draft} leaves={leaves} onOpen={(at) => handle.change({ leaf: at })} /> : null}
        <LeafOf key={handle.draft.leaf} leaf={leaf} handle={handle} onSent={setSent} />
      </View>
    </View>
  );
}

function goBack({ draft, change }: DraftHandle): void {
  if (!draft || draft.leaf === 0) router.navigate(draft ? `/u/${draft.tag}` : '/');
  else change({ leaf: draft.leaf - 1 });
}

function LeafOf({
  leaf,
  handle,
  onSent,
}: {
  readonly leaf: Leaf;
  readonly handle: DraftHandle;
  readonly onSent: (sent: Sent) => void;
}) {
  const draft = handle.draft as Draft;
  const next = () => handle.change((before) => ({ leaf: before.leaf + 1 }));
  const props = { draft, change: handle.change, next };
  switch (leaf.kind) {
    case 'hours':
      return <HoursLeaf {...props} />;
    case 'fuel':
      return <FuelLeaf {...props} />;
    case 'noticed':
      return <NoticedLeaf {...props} />;
    case 'station':
      return <StationLeaf {...props} stationId={leaf.stationId} />;
    case 'verdict':
      return <VerdictLeaf {...props} drop={handle.drop} onSent={onSent} />;
  }
}

function Header({
  draft,
  leaves,
  onBack,
}: {
  readonly draft: Draft;
  readonly leaves: readonly Leaf[];
  readonly onBack: () => void;
}) {
  return (
    <View className="border-b border-line bg-card">
      <View className="flex-row items-center gap-2 pl-1 pr-4">
        <Button kind="quiet" label="‹ Back" onPress={onBack} />
        <Words face="stencil" size={22}>
          {draft.tag}
        </Words>
        <Words size={15} className="min-w-0 flex-1 text-right" numberOfLines={1}>
          {leaves[draft.leaf]?.name}
        </Words>
      </View>
      {draft.opening.atGate && sayAtGate(draft.opening.atGate).length > 0 ? (
        <Words size={15} face="strong" className="px-4 pb-2">
          {`Said at the gate: ${sayAtGate(draft.opening.atGate).join(', ')}.`}
        </Words>
      ) : null}
      {draft.isAnew === true && draft.leaf === 0 ? (
        <Words size={15} face="strong" role="note" className="px-4 pb-2">
          It was handed out after the last one was begun here: this one begins anew.
        </Words>
      ) : null}
      {draft.leaf === 0 ? <StandingNotes tag={draft.tag} place="check-in" /> : null}
      <View
        className="h-[6px] flex-row gap-[2px]"
        role="progressbar"
        aria-label="Check-in"
        aria-valuemin={1}
        aria-valuemax={leaves.length}
        aria-valuenow={draft.leaf + 1}
      >
        {leaves.map((leaf, at) => (
          <View key={leaf.name} className={`flex-1 ${at <= draft.leaf ? 'bg-mark' : 'bg-card-deep'}`} />
        ))}
      </View>
    </View>
  );
}

/** On the wide screen all leaves stand at the left; those done can be opened again. */
function Contents({
  draft,
  leaves,
  onOpen,
}: {
  readonly draft: Draft;
  readonly leaves: readonly Leaf[];
  readonly onOpen: (at: number) => void;
}) {
  const firstOpen = leaves.findIndex((leaf) => !leafIsDone(draft, leaf, new Date()));
  return (
    <ScrollView className="w-[260px] flex-none border-r border-line" contentContainerClassName="p-3">
      {leaves.map((leaf, at) => {
        const reachable = at <= firstOpen;
        return (
          <Pressable
            key={leaf.name}
            role="button"
            aria-current={at === draft.leaf ? 'step' : undefined}
            disabled={!reachable}
            onPress={() => onOpen(at)}
            className={`min-h-[48px] flex-row items-center gap-2 px-3 ${at === draft.leaf ? 'bg-mark' : ''}`}
          >
            <Words
              face="strong"
              tone={at === draft.leaf ? 'on-mark' : reachable ? 'ink' : 'ink-soft'}
              className="flex-1"
            >
              {leaf.name}
            </Words>
            {at < firstOpen ? <Words tone={at === draft.leaf ? 'on-mark' : 'ink'}>✓</Words> : null}
          </Pressable>
        );
      })}
    </ScrollView>
  );
}

function CanNotStart({ error, retry }: { readonly error: Error; readonly retry: () => void }) {
  return (
    <View className="p-4">
      {error instanceof Refused ? (
        <Empty sentence={sentenceOf(error)}>
          <Button label="Find another tag" onPress={() => router.replace('/check-in')} />
        </Empty>
      ) : (
        <Failure sentence={sentenceOf(error)} kept="Check-ins that you began are kept on this device." retry={retry} />
      )}
    </View>
  );
}
