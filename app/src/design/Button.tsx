import { Pressable, View, type PressableProps } from 'react-native';
import { Words } from './Words';

type Kind = 'main' | 'plain' | 'stop' | 'quiet';

const KIND: Readonly<Record<Kind, string>> = {
  main: 'bg-mark',
  plain: 'bg-paper border-2 border-ink',
  stop: 'bg-paper border-2 border-held',
  quiet: 'bg-transparent',
};

interface Props extends Omit<PressableProps, 'children'> {
  readonly label: string;
  readonly detail?: string;
  readonly kind?: Kind;
  readonly icon?: React.ReactNode;
  readonly tall?: boolean;
  /** Why it cannot be pushed; without a reason it can. Said under it. */
  readonly offBecause?: string | false | null | undefined;
}

/** A push: at least 48 px high, its word on it. */
export function Button({
  label,
  detail,
  kind = 'plain',
  icon,
  tall = false,
  disabled,
  offBecause,
  className = '',
  ...rest
}: Props) {
  const reason = typeof offBecause === 'string' ? offBecause : null;
  const off = reason !== null || (disabled ?? false);
  const tone = kind === 'main' ? 'on-mark' : kind === 'stop' ? 'held' : 'ink';
  const push = (
    <Pressable
      role="button"
      testID={kind === 'main' ? 'main-action' : undefined}
      disabled={off}
      aria-disabled={off}
      className={`${tall ? 'min-h-[60px]' : 'min-h-[48px]'} flex-row items-center justify-center gap-2 rounded-[4px] px-4 py-2 ${KIND[kind]} ${off ? 'opacity-50' : 'active:opacity-80'} ${reason === null ? className : ''}`}
      {...rest}
    >
      {icon}
      <View className="shrink">
        <Words face="strong" size={tall ? 22 : 17} tone={tone} className="text-center">
          {label}
        </Words>
        {detail ? (
          <Words size={13} tone={tone} className="text-center">
            {detail}
          </Words>
        ) : null}
      </View>
    </Pressable>
  );
  if (reason === null) return push;
  return (
    <View className={`gap-1 ${className}`}>
      {push}
      <Words size={15} tone="ink-soft" className="text-center">
        {reason}
      </Words>
    </View>
  );
}

interface ChoiceProps extends Omit<PressableProps, 'children'> {
  readonly label: string;
  readonly on: boolean;
  readonly tone?: 'ink' | 'held';
}

/** One of several: pressed in when chosen, with a heavier edge and a tick, not by colour alone. */
export function Choice({ label, on, tone = 'ink', className = '', ...rest }: ChoiceProps) {
  const chosen = tone === 'held' ? 'bg-held border-held' : 'bg-mark border-mark';
  return (
    <Pressable
      role="button"
      aria-label={label}
      aria-pressed={on}
      className={`min-h-[48px] items-center justify-center rounded-[4px] border-2 px-3 py-2 ${on ? chosen : 'border-line bg-paper'} ${className}`}
      {...rest}
    >
      <Words face={on ? 'strong' : 'text'} size={15} tone={on ? 'on-mark' : 'ink'} className="text-center">
        {on ? `✓ ${label}` : label}
      </Words>
    </Pressable>
  );
}
