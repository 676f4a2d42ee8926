import type { FleetService } from '@hudrik/core/contracts';
import { Suspense, useState } from 'react';
import { View } from 'react-native';
import { BarChart } from '@/charts';
import { Loading, useInk, Words } from '@/design';
import { sayAs, sayFigure, sayMinutes } from '@/writing';

/** Hours of service work a week ahead: overdue dark at the foot, what falls due above it. */
export function WorkAhead({ weeks }: { readonly weeks: FleetService['weeks'] }) {
  const ink = useInk();
  const [width, setWidth] = useState(0);
  const most = Math.max(1, ...weeks.map(({ minutes, overdueMinutes }) => Math.ceil((minutes + overdueMinutes) / 60)));
  const text = { color: ink('ink'), fontFamily: 'BarlowCondensed_600SemiBold', fontSize: 14 };
  const room = (width - 60) / Math.max(weeks.length, 1);
  return (
    <View
      className="min-h-[200px] overflow-hidden border border-line bg-paper p-2"
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      role="img"
      aria-label={`Hours of service work a week: ${weeks.map((week) => sayMinutes(week.minutes + week.overdueMinutes)).join(', ')}`}
    >
      <Words size={15} face="strong">
        Hours of service work, week by week
      </Words>
      {width === 0 ? null : (
        <Suspense fallback={<Loading what="the chart" />}>
          <BarChart
            stackData={weeks.map(({ fromAt, minutes, overdueMinutes }) => ({
              stacks: [
                { value: overdueMinutes / 60, color: ink('held') },
                { value: minutes / 60, color: ink('card-edge') },
              ],
              label: sayAs(fromAt, 'd MMM'),
              topLabelComponent: () => (
                <Words face="figures" size={13}>
                  {sayFigure((minutes + overdueMinutes) / 60)}
                </Words>
              ),
            }))}
            width={width - 60}
            height={120}
            disableScroll
            barWidth={Math.max(room * 0.55, 8)}
            spacing={Math.max(room * 0.45, 4)}
            initialSpacing={6}
            maxValue={most * 1.25}
            noOfSections={3}
            yAxisTextStyle={text}
            xAxisLabelTextStyle={text}
            yAxisColor={ink('line')}
            xAxisColor={ink('line')}
            rulesColor={ink('line')}
            disablePress
          />
        </Suspense>
      )}
      <Words size={13} tone="ink-soft">
        Red: overdue already. The rest by each unit’s own use and its bookings.
      </Words>
    </View>
  );
}
