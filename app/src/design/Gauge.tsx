import { View } from 'react-native';
import Svg, { Defs, Line, Path, Pattern, Rect } from 'react-native-svg';
import { useInk } from './ink';
import { Words, type Tone } from './Words';

interface Props {
  readonly scale: readonly [number, number];
  /** Where the good band lies on the scale; an open end runs to the scale's end. */
  readonly good: readonly [number | null, number | null];
  readonly value: number | null;
  readonly unit: string;
  readonly verdict: string;
  readonly tone: Tone;
}

const WIDTH = 320;

/** A feeler-gauge leaf: the good band raised, the rest hatched, a needle, the number large with its unit, the word under it. */
export function Gauge({ scale, good, value, unit, verdict, tone }: Props) {
  const ink = useInk();
  const x = (at: number) =>
    8 + ((Math.max(scale[0], Math.min(scale[1], at)) - scale[0]) / (scale[1] - scale[0])) * (WIDTH - 16);
  const [from, to] = [x(good[0] ?? scale[0]), x(good[1] ?? scale[1])];
  return (
    <View className="gap-1" role="img" aria-label={`${value ?? 'no reading'} ${unit}, ${verdict}`}>
      <View className="flex-row items-baseline gap-2">
        <Words face="figures" size={56}>
          {value ?? '–'}
        </Words>
        <Words size={22}>{unit}</Words>
        <Words face="strong" size={22} tone={tone} className="ml-auto">
          {verdict}
        </Words>
      </View>
      <Svg width="100%" height={46} viewBox={`0 0 ${WIDTH} 46`} preserveAspectRatio="none">
        <Defs>
          <Pattern id="hatch" width={6} height={6} patternUnits="userSpaceOnUse">
            <Path d="M0 6 6 0" stroke={ink('held')} strokeWidth={1.4} />
          </Pattern>
        </Defs>
        <Rect x={8} y={16} width={WIDTH - 16} height={16} fill="url(#hatch)" stroke={ink('line')} />
        <Rect
          x={from}
          y={10}
          width={Math.max(to - from, 2)}
          height={22}
          fill={ink('paper')}
          stroke={ink('fit')}
          strokeWidth={2}
        />
        {value === null ? null : (
          <Line x1={x(value)} y1={2} x2={x(value)} y2={40} stroke={ink('ink')} strokeWidth={3.5} />
        )}
      </Svg>
      <View className="h-[22px]">
        {[scale[0], ...good.filter((end): end is number => end !== null), scale[1]].map((mark) => (
          <View
            key={mark}
            className="absolute w-[60px] items-center"
            style={{ left: `${(x(mark) / WIDTH) * 100}%`, marginLeft: -30 }}
          >
            <Words face="figures" size={15}>
              {mark}
            </Words>
          </View>
        ))}
      </View>
    </View>
  );
}
