import type { UnitFuel } from '@hudrik/core/contracts';
import { View } from 'react-native';
import Svg, { Line, Path, Rect } from 'react-native-svg';
import { useInk } from '@/design';

const [WIDTH, HEIGHT] = [132, 150];
const [LEFT, TOP, DEEP, BROAD] = [12, 24, 112, 100];

interface Props {
  /** What it holds. */
  readonly litres: number;
  readonly portions: readonly Pick<UnitFuel['portions'][number], 'litres' | 'isUnknown'>[];
  readonly isStale: boolean;
  readonly bowl?: UnitFuel['bowl'];
}

/** A tank with what was poured in as layers, the oldest at the floor, and its bowl. What nobody knows is hatched. */
export function TankDrawing({ litres, portions, isStale, bowl }: Props) {
  const ink = useInk();
  const high = (part: number): number => (Math.min(part / litres, 1) || 0) * DEEP;
  const layers = portions.reduce<{ y: number; height: number; isUnknown: boolean }[]>((list, portion) => {
    const floor = list.at(-1)?.y ?? TOP + DEEP;
    const height = high(portion.litres);
    return [...list, { y: floor - height, height, isUnknown: portion.isUnknown }];
  }, []);
  return (
    <View aria-hidden>
      <Svg width={WIDTH} height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`}>
        <Path d="M48 24V12h28v12" fill="none" stroke={ink('ink')} strokeWidth={2} />
        {layers.map(({ y, height, isUnknown }, at) => (
          <Rect
            key={at}
            x={LEFT}
            y={y}
            width={BROAD}
            height={height}
            fill={ink(isStale ? 'held' : 'prep')}
            opacity={isUnknown ? 0.3 : 0.6 - 0.12 * (at % 3)}
            stroke={ink('ink')}
            strokeWidth={0.75}
            strokeDasharray={isUnknown ? '4 3' : undefined}
          />
        ))}
        <Rect x={LEFT} y={TOP} width={BROAD} height={DEEP} rx={8} fill="none" stroke={ink('ink')} strokeWidth={2.5} />
        {[0.25, 0.5, 0.75].map((mark) => (
          <Line
            key={mark}
            x1={LEFT}
            x2={LEFT + 12}
            y1={TOP + DEEP * (1 - mark)}
            y2={TOP + DEEP * (1 - mark)}
            stroke={ink('ink')}
            strokeWidth={2}
          />
        ))}
        {bowl === undefined ? null : (
          <>
            <Path d="M62 136v5" stroke={ink('ink')} strokeWidth={2} />
            <Path
              d="M50 141h24l-4 8h-16z"
              stroke={ink('ink')}
              strokeWidth={2}
              fill={bowl === 'wet' ? ink('prep') : 'none'}
              opacity={bowl === 'drained' ? 0.6 : 1}
            />
          </>
        )}
      </Svg>
    </View>
  );
}
