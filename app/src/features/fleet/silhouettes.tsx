import type { ClassId } from '@hudrik/core/catalogue';
import { CLASS_TAGS } from '@hudrik/core/classTags';
import Svg, { Circle, Path } from 'react-native-svg';
import { useInk } from '@/design';

/** The drawing of a class of machine, in one stroke weight. */
export function Silhouette({ classId, size = 44 }: { readonly classId: ClassId; readonly size?: number }) {
  const stroke = {
    stroke: useInk()('ink'),
    strokeWidth: 2,
    fill: 'none',
    strokeLinejoin: 'round',
    strokeLinecap: 'round',
  } as const;
  const { paths, circles } = CLASS_TAGS[classId].drawing;
  return (
    <Svg width={size} height={size} viewBox="0 0 48 48" aria-hidden>
      {paths.map((path) => (
        <Path key={path} d={path} {...stroke} />
      ))}
      {circles.map(({ x, y, radius }) => (
        <Circle key={`${x} ${y}`} cx={x} cy={y} r={radius} {...stroke} />
      ))}
    </Svg>
  );
}
