import type { LaneState } from '@hudrik/core/diagnosis';
import { View } from 'react-native';
import { Words } from '@/design';

const NAME: Readonly<Record<LaneState['lane'], string>> = {
  compression: 'Compr.',
  spark: 'Spark',
  timing: 'Timing',
  fuel: 'Fuel',
  air: 'Air',
  machine: 'Machine',
};
const FULL: Readonly<Record<LaneState['lane'], string>> = {
  compression: 'Compression',
  spark: 'Spark',
  timing: 'Timing',
  fuel: 'Fuel',
  air: 'Air',
  machine: 'Driven machine',
};
const WORD: Readonly<Record<LaneState['state'], string>> = {
  cleared: 'cleared',
  suspect: 'suspect',
  'not-looked-at': 'not looked at',
};
const MARK: Readonly<Record<LaneState['state'], string>> = { cleared: '✓', suspect: '?', 'not-looked-at': '–' };

/** What an engine needs, and the machine behind it: each a leaf, standing out as far as the fault is likely to be there. */
export function Lanes({
  lanes,
  upright = false,
}: {
  readonly lanes: readonly LaneState[];
  readonly upright?: boolean;
}) {
  return (
    <View className={upright ? 'gap-1' : 'flex-row gap-1'} role="list" aria-label="Lanes">
      {lanes.map((lane) => (upright ? <Leaf key={lane.lane} lane={lane} /> : <Blade key={lane.lane} lane={lane} />))}
    </View>
  );
}

const edge = (state: LaneState['state']): string =>
  state === 'suspect' ? 'border-held' : state === 'cleared' ? 'border-fit' : 'border-line';

function Blade({ lane }: { readonly lane: LaneState }) {
  return (
    <View
      role="listitem"
      aria-label={`${FULL[lane.lane]}: ${WORD[lane.state]}`}
      className={`h-[64px] min-w-0 flex-1 justify-end overflow-hidden rounded-b-[10px] border-2 bg-paper ${edge(lane.state)}`}
    >
      <View
        className="absolute bottom-0 left-0 right-0 bg-card-deep"
        style={{ height: `${Math.round(lane.probability * 100)}%` }}
      />
      <View className="items-center pb-1">
        <Words
          face="strong"
          size={17}
          tone={lane.state === 'suspect' ? 'held' : lane.state === 'cleared' ? 'fit' : 'ink-soft'}
        >
          {MARK[lane.state]}
        </Words>
        <Words size={13} numberOfLines={1}>
          {NAME[lane.lane]}
        </Words>
      </View>
    </View>
  );
}

function Leaf({ lane }: { readonly lane: LaneState }) {
  return (
    <View
      role="listitem"
      aria-label={`${FULL[lane.lane]}: ${WORD[lane.state]}`}
      className={`min-h-[52px] flex-row items-center gap-3 overflow-hidden rounded-r-[12px] border-2 bg-paper px-3 ${edge(lane.state)}`}
    >
      <View
        className="absolute bottom-0 left-0 top-0 bg-card-deep"
        style={{ width: `${Math.round(lane.probability * 100)}%` }}
      />
      <Words
        face="strong"
        size={22}
        className="w-[18px] text-center"
        tone={lane.state === 'suspect' ? 'held' : lane.state === 'cleared' ? 'fit' : 'ink-soft'}
      >
        {MARK[lane.state]}
      </Words>
      <View className="min-w-0 flex-1">
        <Words size={15} face="strong">
          {FULL[lane.lane]}
        </Words>
        <Words size={13}>{WORD[lane.state]}</Words>
      </View>
    </View>
  );
}
