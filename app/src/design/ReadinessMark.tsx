import Svg, { Circle, Path, Rect } from 'react-native-svg';
import { View } from 'react-native';
import { useInk } from './ink';
import { Words } from './Words';

export type ReadinessName = 'fit' | 'prep' | 'held' | 'out' | 'laid-up' | 'gone';

export const READINESS_WORD: Readonly<Record<ReadinessName, string>> = {
  fit: 'Fit',
  prep: 'Prep',
  held: 'Held',
  out: 'Out',
  'laid-up': 'Laid up',
  gone: 'Gone',
};

interface Props {
  readonly of: ReadinessName;
  readonly size?: number;
}

/** Readiness by shape first: disc, half disc, barred square, open ring, lozenge, dash. Its word stands beside it. */
export function ReadinessMark({ of, size = 22 }: Props) {
  const color = useInk()(of);
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      {SHAPES[of](color)}
    </Svg>
  );
}

const SHAPES: Readonly<Record<ReadinessName, (color: string) => React.ReactNode>> = {
  fit: (color) => <Circle cx={12} cy={12} r={10} fill={color} />,
  prep: (color) => (
    <>
      <Circle cx={12} cy={12} r={9} fill="none" stroke={color} strokeWidth={3} />
      <Path d="M12 3a9 9 0 0 0 0 18z" fill={color} />
    </>
  ),
  held: (color) => (
    <>
      <Rect x={2} y={2} width={20} height={20} fill={color} />
      <Rect x={5} y={10} width={14} height={4} fill="white" />
    </>
  ),
  out: (color) => (
    <Path d="M19.4 6.8A9 9 0 1 0 19.4 17.2" fill="none" stroke={color} strokeWidth={3.4} strokeLinecap="round" />
  ),
  'laid-up': (color) => <Path d="M1 12 12 7l11 5-11 5z" fill={color} />,
  gone: (color) => <Path d="M6 12h12" stroke={color} strokeWidth={4} />,
};

/** The mark with its word. */
export function Readiness({ of, size = 22 }: Props) {
  return (
    <View className="flex-row items-center gap-2">
      <ReadinessMark of={of} size={size} />
      <Words face="strong" size={size > 26 ? 22 : 15} tone={of}>
        {READINESS_WORD[of]}
      </Words>
    </View>
  );
}
