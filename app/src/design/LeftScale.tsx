import { View } from 'react-native';

interface Props {
  /** 1 all, 0 none; beyond that it is cut off. */
  readonly left: number;
  /** For those who hear it; without one it only repeats what stands beside it. */
  readonly label?: string;
}

/** A thin scale of what is left of something. */
export function LeftScale({ left, label }: Props) {
  const share = Math.max(0, Math.min(1, left));
  const heard = { role: 'progressbar', 'aria-label': label, 'aria-valuemin': 0, 'aria-valuemax': 100 } as const;
  return (
    <View
      className={`${label === undefined ? 'h-[5px]' : 'h-[8px]'} w-full flex-row bg-card-deep`}
      {...(label === undefined ? { 'aria-hidden': true } : { ...heard, 'aria-valuenow': Math.round(share * 100) })}
    >
      <View className={share <= 0.1 ? 'bg-held' : 'bg-ink-soft'} style={{ width: `${Math.max(share, 0.02) * 100}%` }} />
    </View>
  );
}
