import { View } from 'react-native';
import Svg, { Circle } from 'react-native-svg';
import { LeftScale } from './LeftScale';
import { useInk } from './ink';

interface Props {
  readonly children: React.ReactNode;
  readonly large?: boolean;
  /** 0 to 1: the scale of hours left along the bottom edge; null leaves it out. */
  readonly scale?: number | null;
  readonly tone?: 'card' | 'empty';
}

/** The hang tag: cut corners at the eyelet end, the punched eyelet, a thin scale along the bottom. */
export function HangTag({ children, large = false, scale = null, tone = 'card' }: Props) {
  const ink = useInk();
  const cut = large ? 'cut-tag-large' : 'cut-tag';
  const eye = large ? 30 : 20;
  return (
    <View className={`${cut} ${tone === 'card' ? 'bg-card-edge' : 'bg-line'} p-[1.5px]`}>
      <View className={`${cut} ${tone === 'card' ? 'bg-card' : 'bg-tray'} flex-row items-stretch`}>
        <View className={`${large ? 'w-[52px]' : 'w-[34px]'} items-center justify-center`}>
          <Svg width={eye} height={eye} viewBox="0 0 20 20" aria-hidden>
            <Circle cx={10} cy={10} r={8} fill={ink('card-deep')} stroke={ink('card-edge')} strokeWidth={1.5} />
            <Circle cx={10} cy={10} r={4.2} fill={ink('tray')} stroke={ink('card-edge')} strokeWidth={1} />
          </Svg>
        </View>
        <View className="min-w-0 flex-1">
          <View className={large ? 'py-4 pr-4' : 'py-2 pr-2'}>{children}</View>
          {scale === null ? null : <LeftScale left={scale} />}
        </View>
      </View>
    </View>
  );
}
