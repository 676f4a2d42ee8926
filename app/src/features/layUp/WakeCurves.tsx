import { LAY_UP_METHODS, type LayUpMethodId } from '@hudrik/core/catalogue';
import type { LayUpReply } from '@hudrik/core/contracts';
import { BAND_ENDS, riskBand, riskBefore } from '@hudrik/core/layUp';
import { View } from 'react-native';
import { Section, Words } from '@/design';
import { methodName, sayRisk } from './sayLayUp';

const MIDDLES = [20, 60, 135, 270, 500];

const bandName = (band: number): string => {
  const [from, to] = [band === 0 ? 0 : (BAND_ENDS[band - 1] ?? 0), BAND_ENDS[band]];
  return to === undefined ? `over ${from} days` : `${from} to ${to} days`;
};

/** How those woke that stood: what was taken beforehand, and what the yard's own wake-ups made of it, 8 in 10. */
export function WakeCurves({ layUp: { wakes } }: { readonly layUp: LayUpReply }) {
  if (wakes.length === 0) return null;
  const sorted = [...wakes].sort((a, b) => a.method.localeCompare(b.method) || a.band - b.band);
  return (
    <Section title="How they woke" count={wakes.reduce((sum, { tries }) => sum + tries, 0)}>
      {sorted.map((wake) => (
        <WakeLine key={`${wake.method} ${wake.hasEthanol} ${wake.band}`} wake={wake} />
      ))}
      <Words size={13} tone="ink-soft">
        The mark is what is taken beforehand, the bar what your own wake-ups make of it, 8 in 10.
      </Words>
    </Section>
  );
}

function WakeLine({
  wake: { method, hasEthanol, band, tries, failed },
}: {
  readonly wake: LayUpReply['wakes'][number];
}) {
  const before = riskBefore(method as LayUpMethodId, MIDDLES[band] ?? 0, {
    isMetal: false,
    ethanol: hasEthanol ? 0.1 : 0,
  });
  const { low, middle, high } = riskBand(before, { tries, failed });
  const at = (share: number) => `${Math.min(share, 1) * 100}%` as const;
  return (
    <View className="gap-1 border-b border-line py-2">
      <View className="flex-row items-baseline gap-3">
        <Words size={15} face="strong" className="min-w-0 flex-1">
          {`${methodName(method)}, ${bandName(band)}`}
        </Words>
        <Words size={15}>{`${failed} of ${tries} wanted a repair`}</Words>
      </View>
      <View
        className="h-[14px] w-full bg-card-deep"
        role="img"
        aria-label={`${LAY_UP_METHODS[method].name}: ${sayRisk(before)} taken beforehand, ${sayRisk(middle)} now, 8 in 10 between ${sayRisk(low)} and ${sayRisk(high)}`}
      >
        <View className="absolute bottom-0 top-0 bg-ink-soft" style={{ left: at(low), width: at(high - low) }} />
        <View className="absolute bottom-[-3px] top-[-3px] w-[4px] bg-held" style={{ left: at(before) }} />
      </View>
      <Words size={13} tone="ink-soft">
        {`Taken beforehand ${sayRisk(before)}; now ${sayRisk(middle)}`}
      </Words>
    </View>
  );
}
