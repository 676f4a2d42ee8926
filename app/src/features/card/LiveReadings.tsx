import { isProofReadingId } from '@hudrik/core/catalogue';
import type { Proof } from '@hudrik/core/proof';
import { Suspense, useState } from 'react';
import { View } from 'react-native';
import { LineChart } from '@/charts';
import { Button, Choice, Gauge, Section, useInk, Words } from '@/design';
import type { CardHandle } from './useCard';
import { useLive, type LiveReading } from './useLive';

const STEPS = [0, 0.25, 0.5, 0.75, 1] as const;
const OFF = 'off';

interface Props {
  readonly jobId: string;
  readonly classId: string;
  readonly handle: CardHandle;
  readonly proof: Proof;
}

/** The load bank and the clip-on tachometer, live: a moving gauge, a chart, and each reading taken by a tap at its load. */
export function LiveReadings({ jobId, handle, proof }: Props) {
  const [load, setLoad] = useState<number | typeof OFF>(OFF);
  const live = useLive(jobId, load === OFF ? null : load);
  const readable = proof.readings.filter(({ reading }) => reading.live !== undefined);
  const here = readable.filter(({ reading }) => reading.atLoad === load);
  // Before it runs, running it comes first; when nothing is missing, its end.
  const isNext = proof.runningSince !== null && proof.missing.length > 0;
  const takeAll = (latest: LiveReading) => {
    for (const { reading } of here) {
      const value = latest[reading.live ?? ''];
      if (value !== undefined && isProofReadingId(reading.id))
        handle.add('proof-reading', { reading: reading.id, value, unit: reading.unit, live: true });
    }
  };
  const shown = [...new Map((here.length > 0 ? here : readable).map((entry) => [entry.reading.live, entry])).values()];
  return (
    <Section title="Load bank and tachometer (simulated)">
      <Words size={13} tone="ink-soft">
        Load, per cent of rated
      </Words>
      <View className="flex-row gap-2" role="group" aria-label="Load step">
        <Choice className="flex-1" label="Off" on={load === OFF} onPress={() => setLoad(OFF)} />
        {STEPS.map((step) => (
          <Choice
            key={step}
            className="flex-1"
            label={String(step * 100)}
            aria-label={`${step * 100} %`}
            on={load === step}
            onPress={() => setLoad(step)}
          />
        ))}
      </View>
      {live.away ? (
        <Words tone="held" role="alert">
          The instruments do not answer. They are asked again; readings can be typed.
        </Words>
      ) : null}
      {load === OFF ? <Words tone="ink-soft">Choose a load: its readings appear by themselves.</Words> : null}
      {live.latest ? (
        <>
          <View className="flex-row flex-wrap gap-x-6">
            {shown.map(({ reading }) => {
              const value = live.latest?.[reading.live ?? ''] ?? null;
              const well =
                value !== null &&
                value >= (reading.least ?? Number.NEGATIVE_INFINITY) &&
                value <= (reading.most ?? Number.POSITIVE_INFINITY);
              return (
                <View key={reading.live} className="min-w-[260px] grow basis-0">
                  <Gauge
                    scale={reading.scale}
                    good={[reading.least ?? null, reading.most ?? null]}
                    value={value}
                    unit={reading.unit}
                    verdict={well ? 'Well' : 'Outside'}
                    tone={well ? 'fit' : 'held'}
                  />
                </View>
              );
            })}
          </View>
          <Words face="figures" size={22}>{`${live.latest['rpm'] ?? 0} r/min`}</Words>
          <SpeedTrail trail={live.trail} />
          {here.length > 0 ? (
            <Button
              kind={isNext ? 'main' : 'plain'}
              tall
              label={`Take ${here.length === 1 ? 'this reading' : `these ${here.length} readings`}`}
              onPress={() => live.latest && takeAll(live.latest)}
            />
          ) : (
            <Words size={15} tone="ink-soft">
              No reading is needed at this load.
            </Words>
          )}
        </>
      ) : null}
    </Section>
  );
}

const CHART_HEIGHT = 110;

/** The engine's speed over the last half minute. */
function SpeedTrail({ trail }: { readonly trail: readonly LiveReading[] }) {
  const ink = useInk();
  const [width, setWidth] = useState(0);
  const speeds = trail.map((reading) => reading['rpm'] ?? 0);
  const least = Math.floor((Math.min(...speeds) - 100) / 200) * 200;
  const most = Math.max(Math.ceil((Math.max(...speeds) + 100) / 200) * 200, least + 400);
  const text = { color: ink('ink'), fontFamily: 'BarlowCondensed_600SemiBold', fontSize: 13 };
  return (
    <View
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      className="min-h-[140px] border border-card-edge bg-card p-2"
      role="img"
      aria-label={`Speed over the last readings: ${speeds.at(-1) ?? 0} r/min`}
    >
      {width === 0 || speeds.length < 2 ? null : (
        <Suspense fallback={null}>
          <LineChart
            data={speeds.map((speed) => ({ value: speed - least }))}
            width={width - 76}
            height={CHART_HEIGHT}
            adjustToWidth
            disableScroll
            initialSpacing={4}
            thickness={2.5}
            color={ink('ink')}
            hideDataPoints
            maxValue={most - least}
            noOfSections={2}
            yAxisLabelTexts={[least, (least + most) / 2, most].map((value) => String(Math.round(value)))}
            yAxisTextStyle={text}
            xAxisLabelsHeight={0}
            yAxisColor={ink('line')}
            xAxisColor={ink('line')}
            rulesColor={ink('card-edge')}
          />
        </Suspense>
      )}
    </View>
  );
}
