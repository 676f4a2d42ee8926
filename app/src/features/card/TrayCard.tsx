import type { Thing } from '@hudrik/core/teardown';
import { View } from 'react-native';
import Svg, { Circle, Rect, Text } from 'react-native-svg';
import { useInk } from '@/design';

const COLUMNS = 8;
const ROWS = 3;
const STEP = 40;

/** A tray's card with its holes: what lies there is filled, the next free one ringed. */
export function TrayCard({
  things,
  tray,
  next,
}: {
  readonly things: readonly Thing[];
  readonly tray: string;
  readonly next: number | null;
}) {
  const ink = useInk();
  const lying = new Map(
    things
      .filter((thing) => thing.tray === tray && (thing.state === 'off' || thing.state === 'on-trial'))
      .map((thing) => [thing.place, thing]),
  );
  const [width, height] = [COLUMNS * STEP + 12, ROWS * STEP + 12];
  return (
    <View
      role="img"
      aria-label={`Tray ${tray}: ${[...lying].map(([place, thing]) => `${place} ${thing.what}`).join(', ') || 'empty'}`}
    >
      <Svg width="100%" height={undefined} viewBox={`0 0 ${width} ${height}`} style={{ aspectRatio: width / height }}>
        <Rect
          x={1}
          y={1}
          width={width - 2}
          height={height - 2}
          rx={6}
          fill={ink('card')}
          stroke={ink('card-edge')}
          strokeWidth={2}
        />
        {Array.from({ length: COLUMNS * ROWS }, (_, at) => {
          const place = at + 1;
          const [x, y] = [6 + STEP * (at % COLUMNS) + STEP / 2, 6 + STEP * Math.floor(at / COLUMNS) + STEP / 2];
          const taken = lying.has(place);
          return [
            place === next ? (
              <Circle key={`ring ${place}`} cx={x} cy={y} r={18} fill="none" stroke={ink('held')} strokeWidth={3} />
            ) : null,
            <Circle
              key={`hole ${place}`}
              cx={x}
              cy={y}
              r={14}
              fill={ink(taken ? 'mark' : 'tray-deep')}
              stroke={ink('ink')}
              strokeWidth={1.4}
            />,
            <Text
              key={`place ${place}`}
              x={x}
              y={y + 5.5}
              textAnchor="middle"
              fontSize={16}
              fontFamily="BarlowCondensed_600SemiBold"
              fill={ink(taken ? 'on-mark' : 'ink')}
            >
              {place}
            </Text>,
          ];
        })}
      </Svg>
    </View>
  );
}
