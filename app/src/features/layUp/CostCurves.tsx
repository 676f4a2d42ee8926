import { LAY_UP_METHODS } from '@hudrik/core/catalogue';
import type { LayUpReply } from '@hudrik/core/contracts';
import { costOf, type OwnWakes, type Standing } from '@hudrik/core/layUp';
import { Suspense, useState } from 'react';
import { View } from 'react-native';
import { LineChart } from '@/charts';
import { Loading, useInk, Words } from '@/design';
import { sayCost, type LayUpUnit } from './sayLayUp';

const MOST_DAYS = 360;
const STEP = 15;
const LOOKS = ['ink', 'held', 'prep', 'out', 'fit', 'laid-up'] as const;
const MOST_SHOWN = 4;
const LEFT = 64;

const ownWakes =
  (wakes: LayUpReply['wakes']): OwnWakes =>
  (method, hasEthanol, band) =>
    wakes.find((wake) => wake.method === method && wake.hasEthanol === hasEthanol && wake.band === band) ?? {
      tries: 0,
      failed: 0,
    };

const standingOf = ({ tank, ethanol, callOdds }: LayUpUnit): Standing => ({
  ...{ tankLitres: tank.litres, isMetal: tank.isMetal, hasTap: tank.hasTap, ethanol, callOdds },
});

/** What each way costs by idle days, the cheapest few; today's forecast as a band. */
export function CostCurves({ unit, layUp }: { readonly unit: LayUpUnit; readonly layUp: LayUpReply }) {
  const ink = useInk();
  const [width, setWidth] = useState(0);
  const own = ownWakes(layUp.wakes);
  const shown = unit.costs.slice(0, MOST_SHOWN).map(({ method }) => method);
  const lines = shown.map((method) =>
    Array.from({ length: MOST_DAYS / STEP + 1 }, (_, at) => ({
      value: costOf(method, at * STEP, standingOf(unit), layUp.prices, own).cents / 100,
    })),
  );
  const most = Math.max(...lines.flat().map(({ value }) => value), 1);
  const room = width - LEFT - 16;
  const at = (days: number): number => (Math.min(days, MOST_DAYS) / MOST_DAYS) * room;
  const { early = 0, late = 0 } = unit.forecast ?? {};
  const text = { color: ink('ink'), fontFamily: 'BarlowCondensed_600SemiBold', fontSize: 14 };
  return (
    <View
      className="min-h-[280px] overflow-hidden border border-line bg-paper p-2"
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      role="img"
      aria-label={`${unit.tag}: cost of lay-up by idle days, ${unit.costs.map(({ method, cents }) => `${LAY_UP_METHODS[method].name} ${sayCost(cents)}`).join(', ')}`}
    >
      <Words size={15} face="strong">{`${unit.tag}: cost by idle days`}</Words>
      {width === 0 ? null : (
        <View>
          {/* Today's forecast, 8 in 10. */}
          <View
            aria-hidden
            className="absolute bottom-[28px] top-0 bg-card-deep"
            style={{ left: LEFT + at(early), width: Math.max(at(late) - at(early), 3) }}
          />
          <Suspense fallback={<Loading what="the curves" />}>
            <LineChart
              dataSet={lines.map((data, nth) => ({
                data,
                color: ink(LOOKS[nth] ?? 'ink'),
                thickness: nth === 0 ? 4 : 2,
              }))}
              width={room}
              height={180}
              adjustToWidth
              disableScroll
              hideDataPoints
              initialSpacing={0}
              endSpacing={0}
              maxValue={most * 1.05}
              noOfSections={4}
              yAxisLabelWidth={LEFT - 12}
              formatYLabel={(label) => sayCost(Number(label) * 100)}
              xAxisLabelTexts={lines[0]?.map((_, nth) => (nth % 6 === 0 ? String(nth * STEP) : '')) ?? []}
              yAxisTextStyle={text}
              xAxisLabelTextStyle={text}
              yAxisColor={ink('line')}
              xAxisColor={ink('line')}
              rulesColor={ink('line')}
            />
          </Suspense>
        </View>
      )}
      <View className="flex-row flex-wrap gap-x-4 gap-y-1">
        {shown.map((method, nth) => (
          <View key={method} className="flex-row items-center gap-2">
            <View style={{ width: 22, height: nth === 0 ? 5 : 3, backgroundColor: ink(LOOKS[nth] ?? 'ink') }} />
            <Words size={13}>{LAY_UP_METHODS[method].name}</Words>
          </View>
        ))}
      </View>
      <Words size={13} tone="ink-soft">
        The band: how long it will stand, 8 in 10.
      </Words>
    </View>
  );
}
