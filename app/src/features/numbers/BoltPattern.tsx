import { nth } from '@hudrik/core/typed';
import type { BoltPlace } from '@hudrik/core/torque';
import { View } from 'react-native';
import Svg, { Circle, Rect, Text } from 'react-native-svg';
import { useInk } from '@/design';

interface Props {
  readonly places: readonly BoltPlace[];
  /** The order in which they are tightened, as places in the list. */
  readonly order: readonly number[];
  /** Bolts that are long ones, from 1. */
  readonly long: readonly number[];
  /** Bolts done in this round. */
  readonly done: number;
}

const SIZE = 300;
const EDGE = 34;

const endsOf = (values: readonly number[]): readonly [least: number, most: number] => [
  Math.min(...values),
  Math.max(...values),
];

/** The head drawn with its bolts in their order: done ones filled, the next one ringed. */
export function BoltPattern({ places, order, long, done }: Props) {
  const ink = useInk();
  const [left, right] = endsOf(places.map(({ x }) => x));
  const [top, bottom] = endsOf(places.map(({ y }) => y));
  const scale = (SIZE - 2 * EDGE) / Math.max(right - left, bottom - top, 1);
  const height = (bottom - top) * scale + 2 * EDGE;
  const at = (place: BoltPlace) => ({
    x: SIZE / 2 + (place.x - (left + right) / 2) * scale,
    y: EDGE + (place.y - top) * scale,
  });
  return (
    <View
      className="items-center"
      role="img"
      aria-label={`Order of tightening: ${order.map((bolt) => bolt + 1).join(', ')}`}
    >
      <Svg width="100%" height={height} viewBox={`0 0 ${SIZE} ${height}`}>
        <Rect
          x={4}
          y={4}
          width={SIZE - 8}
          height={height - 8}
          rx={14}
          fill={ink('card')}
          stroke={ink('card-edge')}
          strokeWidth={2}
        />
        {order.map((bolt, turn) => {
          const { x, y } = at(nth(places, bolt));
          const isDone = turn < done;
          return [
            turn === done ? (
              <Circle key={`ring ${bolt}`} cx={x} cy={y} r={25} fill="none" stroke={ink('held')} strokeWidth={4} />
            ) : null,
            long.includes(bolt + 1) ? (
              <Circle key={`long ${bolt}`} cx={x} cy={y} r={22} fill="none" stroke={ink('ink')} strokeWidth={2} />
            ) : null,
            <Circle
              key={`bolt ${bolt}`}
              cx={x}
              cy={y}
              r={18}
              fill={isDone ? ink('mark') : ink('paper')}
              stroke={ink('ink')}
              strokeWidth={2}
            />,
            <Text
              key={`turn ${bolt}`}
              x={x}
              y={y + 7}
              textAnchor="middle"
              fontSize={20}
              fontFamily="BarlowCondensed_600SemiBold"
              fill={isDone ? ink('on-mark') : ink('ink')}
            >
              {turn + 1}
            </Text>,
          ];
        })}
      </Svg>
    </View>
  );
}
