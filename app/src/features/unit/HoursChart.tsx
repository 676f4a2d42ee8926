import type { UnitPage } from '@hudrik/core/contracts';
import { Suspense, useState } from 'react';
import { View } from 'react-native';
import { LineChart } from '@/charts';
import { Empty, Loading, useInk, Words } from '@/design';
import { sayAs } from '@/writing';

/** Readings over time, true hours. */
export function HoursChart({ readings }: { readonly readings: UnitPage['readings'] }) {
  const ink = useInk();
  const [width, setWidth] = useState(0);
  if (readings.length < 3) return <Empty sentence="Too few readings for a curve yet." />;
  const least = Math.floor((readings[0]?.trueHours ?? 0) / 50) * 50;
  const most = Math.ceil((readings.at(-1)?.trueHours ?? 0) / 50) * 50;
  const text = { color: ink('ink'), fontFamily: 'BarlowCondensed_600SemiBold', fontSize: 14 };
  return (
    <View
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      className="min-h-[230px] border border-card-edge bg-card p-2"
      role="img"
      aria-label={`True hours from ${readings[0]?.trueHours} to ${readings.at(-1)?.trueHours}`}
    >
      {width === 0 ? null : (
        <Suspense fallback={<Loading what="the curve" />}>
          <LineChart
            data={readings.map((reading) => ({ value: reading.trueHours - least }))}
            width={width - 76}
            height={180}
            adjustToWidth
            disableScroll
            initialSpacing={6}
            stepChart
            thickness={2.5}
            color={ink('ink')}
            hideDataPoints
            maxValue={Math.max(most - least, 50)}
            noOfSections={4}
            yAxisLabelTexts={[0, 1, 2, 3, 4].map((n) =>
              String(Math.round(least + (n * Math.max(most - least, 50)) / 4)),
            )}
            yAxisTextStyle={text}
            xAxisLabelsHeight={0}
            yAxisColor={ink('line')}
            xAxisColor={ink('line')}
            rulesColor={ink('card-edge')}
          />
        </Suspense>
      )}
      <View className="flex-row justify-between pl-10 pr-2">
        {[readings[0], readings.at(-1)].map((reading) => (
          <Words key={reading?.at} face="figures" size={15}>
            {sayAs(reading?.at ?? 0, 'd MMM yyyy')}
          </Words>
        ))}
      </View>
    </View>
  );
}
