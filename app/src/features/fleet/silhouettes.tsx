import Svg, { Circle, Path } from 'react-native-svg';
import { useInk } from '@/design';

/** Our own drawings of the six kinds of machine, one stroke weight. */
const DRAWINGS: Readonly<Record<string, (stroke: object) => React.ReactNode>> = {
  'pressure-washer': (s) => (
    <>
      <Path d="M12 36h22M16 36V24h14v12M30 28h6M12 36 8 10h-3" {...s} />
      <Circle cx={16} cy={39} r={4} {...s} />
      <Path d="M36 28c6 0 2-10 7-14M19 24v-5h8v5" {...s} />
    </>
  ),
  generator: (s) => (
    <>
      <Path d="M6 12h36v26H6zM10 38v4M38 38v4M12 12V8h20v4" {...s} />
      <Path d="M12 19h12v13H12zM30 20h6M30 26h6M30 32h6" {...s} />
    </>
  ),
  tiller: (s) => (
    <>
      <Path d="M4 10h8l10 14h14v-8H26M36 24v6" {...s} />
      <Circle cx={28} cy={36} r={7} {...s} />
      <Path d="M28 29v14M21 36h14M23 31l10 10M33 31 23 41" {...s} />
    </>
  ),
  snowblower: (s) => (
    <>
      <Path d="M4 12h6l8 14h12M18 26v8M30 40V24l12 2v14z" {...s} />
      <Circle cx={18} cy={37} r={5} {...s} />
      <Path d="M33 24v-8c0-4 3-6 8-6M31 33c4-4 7 4 11 0" {...s} />
    </>
  ),
  'log-splitter': (s) => (
    <>
      <Path d="M4 28h40M6 28v-6h4v6M10 25h14M24 20v8h4v-8zM34 28V16l6 12" {...s} />
      <Circle cx={14} cy={36} r={5} {...s} />
      <Path d="M36 28v12M32 40h8" {...s} />
    </>
  ),
  welder: (s) => (
    <>
      <Path d="M6 14h26v22H6zM10 36v5M28 36v5M12 20h6v6h-6zM24 20h4M24 25h4" {...s} />
      <Path d="M32 30c8 0 4-14 10-14M42 16l-3-6M20 31h6" {...s} />
    </>
  ),
};

export function Silhouette({ classId, size = 44 }: { readonly classId: string; readonly size?: number }) {
  const stroke = {
    stroke: useInk()('ink'),
    strokeWidth: 2,
    fill: 'none',
    strokeLinejoin: 'round',
    strokeLinecap: 'round',
  } as const;
  return (
    <Svg width={size} height={size} viewBox="0 0 48 48" aria-hidden>
      {DRAWINGS[classId]?.(stroke)}
    </Svg>
  );
}
