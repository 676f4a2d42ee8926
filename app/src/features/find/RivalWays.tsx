import type { Rival } from '@hudrik/core/money';
import { View } from 'react-native';
import { Words } from '@/design';
import { sayMinutes, sayMoney } from '@/writing';
import { sayPercent } from './say';

/** Ways to put a fault right, the one to begin with first, and from when on the other would be. Nothing where there is one way only. */
export function RivalWays({ ways }: { readonly ways: readonly Rival[] }) {
  if (ways.length < 2) return null;
  return (
    <View className="gap-2" role="list" aria-label="Ways to put it right">
      {ways.map(({ title, minutes, partsCents, holds, expectedCents, breakEven }, at) => (
        <View key={title} role="listitem" className="border-l-[6px] border-line pl-3">
          <Words size={15} face="strong">
            {at === 0 ? `Begin with: ${title.toLowerCase()}.` : `Or: ${title.toLowerCase()}.`}
          </Words>
          <Words size={15}>
            {[
              sayMinutes(minutes),
              ...(partsCents > 0 ? [`parts ${sayMoney(partsCents)}`] : []),
              `holds in ${sayPercent(holds)}`,
              `about ${sayMoney(expectedCents)} to the end`,
            ].join(' · ')}
          </Words>
          {at > 0 && breakEven !== null && breakEven > holds ? (
            <Words size={13} tone="ink-soft">{`It would come first if it held in ${sayPercent(breakEven)}.`}</Words>
          ) : null}
        </View>
      ))}
    </View>
  );
}
