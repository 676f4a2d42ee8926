import { View } from 'react-native';
import { Words } from '@/design';
import { sayFault, sayPercent } from './say';

/** The unit, and what is most likely wrong with it. */
export function FindHead({
  tag,
  top,
  entries,
  thinking,
}: {
  readonly tag: string | null;
  readonly top: { readonly id: string; readonly probability: number } | undefined;
  readonly entries: number;
  readonly thinking: boolean;
}) {
  const sure = top !== undefined && entries > 0 && top.probability >= 0.5;
  return (
    <View className="gap-1">
      <Words face="stencil" size={32} role="heading" aria-level={1}>
        {tag ?? 'Find the fault'}
      </Words>
      <Words face="strong" aria-live="polite" tone={thinking ? 'ink-soft' : 'ink'}>
        {top === undefined || entries === 0
          ? 'Nothing seen yet.'
          : sure
            ? `Most likely: ${sayFault(top.id).toLowerCase()}, ${sayPercent(top.probability)}.`
            : `Still open. Most likely so far: ${sayFault(top.id).toLowerCase()}, ${sayPercent(top.probability)}.`}
      </Words>
    </View>
  );
}
