import { View } from 'react-native';
import Svg, { Line, Path, Rect } from 'react-native-svg';
import { useInk } from '@/design';

/** The tank, drawn with how full it is, 0 to 1; null: not known. */
export function FuelTank({ share }: { readonly share: number | null }) {
  const ink = useInk();
  const top = 74 - Math.min(share ?? 0, 1) * 60;
  return (
    <View aria-hidden>
      <Svg width={84} height={92} viewBox="0 0 84 92">
        <Path d="M32 14V6h20v8" fill="none" stroke={ink('ink')} strokeWidth={2} />
        {share === null ? null : <Rect x={8} y={top} width={68} height={80 - top} fill={ink('prep')} opacity={0.45} />}
        <Rect x={8} y={14} width={68} height={66} rx={6} fill="none" stroke={ink('ink')} strokeWidth={2.5} />
        {[2, 4, 6].map((mark) => (
          <Line
            key={mark}
            x1={8}
            x2={18}
            y1={80 - mark * 8.25}
            y2={80 - mark * 8.25}
            stroke={ink('ink')}
            strokeWidth={2}
          />
        ))}
      </Svg>
    </View>
  );
}
