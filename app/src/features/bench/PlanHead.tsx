import type { BenchReply } from '@hudrik/core/contracts';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Button, Words } from '@/design';
import { sayAdvice, sayBench, sayChange } from './sayBench';
import type { BenchHandle } from './useBench';

const AT_FIRST = 3;

/** The answer first: how the bench stands, what is missed, what runs by itself; what moved, and how to put it back. */
export function PlanHead({ bench, handle }: { readonly bench: BenchReply; readonly handle: BenchHandle }) {
  const [showsAll, setShowsAll] = useState(false);
  const shown = showsAll ? bench.advice : bench.advice.slice(0, AT_FIRST);
  return (
    <View className="gap-2">
      <Words role="heading" aria-level={1} size={22} face="strong">
        {sayBench(bench)}
      </Words>
      {shown.map((told, at) => (
        <View key={at} className={`border-l-[6px] pl-3 ${told.code === 'will-miss' ? 'border-held' : 'border-line'}`}>
          <Words>{sayAdvice(bench, told)}</Words>
        </View>
      ))}
      {bench.advice.length > AT_FIRST ? (
        <Link
          label={showsAll ? 'Less' : `${bench.advice.length - AT_FIRST} more`}
          onPress={() => setShowsAll(!showsAll)}
        />
      ) : null}
      <Changes bench={bench} />
      <Moved handle={handle} />
    </View>
  );
}

function Changes({ bench }: { readonly bench: BenchReply }) {
  const [isOpen, setOpen] = useState(false);
  const { changes } = bench;
  if (changes.length === 0) return null;
  const first = changes[0];
  return (
    <View className="gap-1" role="status">
      <Words size={15} tone="ink-soft">
        {`The plan changed: ${first ? sayChange(bench, first) : ''}`}
      </Words>
      {isOpen
        ? changes.slice(1).map((change) => (
            <Words key={`${change.code} ${change.id}`} size={15} tone="ink-soft">
              {sayChange(bench, change)}
            </Words>
          ))
        : null}
      {changes.length > 1 ? (
        <Link
          label={isOpen ? 'Less' : changes.length === 2 ? '1 more change' : `${changes.length - 1} more changes`}
          onPress={() => setOpen(!isOpen)}
        />
      ) : null}
    </View>
  );
}

function Moved({ handle: { moved, problem, isPutting } }: { readonly handle: BenchHandle }) {
  if (problem)
    return (
      <View className="border-l-[6px] border-held bg-paper p-3" role="alert">
        <Words>{`It was not moved: ${problem.message}`}</Words>
      </View>
    );
  if (moved === null) return null;
  return (
    <View className="flex-row items-center gap-3 border border-line bg-paper pl-3" role="status">
      <Words className="flex-1">{`${moved.visit.tag} was put by hand.`}</Words>
      <Button kind="quiet" label="Undo" disabled={isPutting} onPress={moved.undo} />
    </View>
  );
}

const Link = ({ label, onPress }: { readonly label: string; readonly onPress: () => void }) => (
  <Pressable role="button" onPress={onPress} className="min-h-[48px] justify-center self-start">
    <Words className="underline">{label}</Words>
  </Pressable>
);
