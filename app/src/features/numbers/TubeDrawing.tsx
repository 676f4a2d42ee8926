import { View } from 'react-native';
import Svg, { Line, Path, Rect } from 'react-native-svg';
import { useInk, Words } from '@/design';

const [WIDTH, DEEP, TOP, LEFT, BROAD] = [84, 150, 14, 20, 34];
/** Of the tube, what water was poured in first: as much as shows. */
const WATER_SHARE = 0.2;

interface Props {
  /** Fuel poured in, and by how much the water below grew: in one unit. */
  readonly fuel: number;
  readonly grown: number;
}

/** A tube after the shake: water below, grown by the ethanol that went over into it; the mark where the water stood before. */
export function TubeDrawing({ fuel, grown }: Props) {
  const ink = useInk();
  const share = Math.min(Math.max(grown / fuel, 0), 1) || 0;
  const water = DEEP * WATER_SHARE;
  const taken = (DEEP - water) * share;
  const floor = TOP + DEEP;
  return (
    <View
      className="flex-row items-center gap-4"
      role="img"
      aria-label={`After the shake the water has grown by ${Math.round(share * 100)} in 100 of the fuel`}
    >
      <Svg width={WIDTH} height={DEEP + 2 * TOP} viewBox={`0 0 ${WIDTH} ${DEEP + 2 * TOP}`}>
        <Rect x={LEFT} y={TOP} width={BROAD} height={DEEP - water - taken} fill={ink('prep')} opacity={0.45} />
        <Rect x={LEFT} y={floor - water - taken} width={BROAD} height={taken} fill={ink('held')} opacity={0.55} />
        <Rect x={LEFT} y={floor - water} width={BROAD} height={water} fill={ink('ink-soft')} opacity={0.35} />
        <Path
          d={`M${LEFT} 4V${floor - 8}a8 8 0 0 0 8 8h${BROAD - 16}a8 8 0 0 0 8-8V4`}
          fill="none"
          stroke={ink('ink')}
          strokeWidth={2.5}
        />
        {[floor - water, floor - water - taken].map((y, at) => (
          <Line key={at} x1={LEFT - 8} x2={LEFT + BROAD + 14} y1={y} y2={y} stroke={ink('ink')} strokeWidth={at + 1} />
        ))}
      </Svg>
      <View className="min-w-0 flex-1 gap-1">
        <Words size={15}>Thick line: where the water stands after the shake.</Words>
        <Words size={15}>Thin line: where it stood before. Between them is the ethanol.</Words>
        <Words size={15} tone="ink-soft">
          Outdoors, engine fuel only, no flame; what was shaken goes to the waste fuel.
        </Words>
      </View>
    </View>
  );
}
