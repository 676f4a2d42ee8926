import { Pressable, View } from 'react-native';
import { Words } from './Words';

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0', '⌫'] as const;

interface Props {
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly decimals?: number;
  readonly longest?: number;
}

/** Large figures for gloved thumbs. Typing on a keyboard does the same. */
export function Keypad({ value, onChange, decimals = 1, longest = 7 }: Props) {
  return (
    <View className="flex-row flex-wrap" role="group" aria-label="Keypad">
      {KEYS.map((key) => (
        <View key={key} className="w-1/3 p-1">
          <Pressable
            role="button"
            aria-label={key === '⌫' ? 'Delete last figure' : key}
            onPress={() => onChange(press(value, key, decimals, longest))}
            className="h-[58px] items-center justify-center rounded-[4px] border border-line bg-paper active:bg-card-deep"
          >
            <Words face="figures" size={32}>
              {key}
            </Words>
          </Pressable>
        </View>
      ))}
    </View>
  );
}

/** The text after one key. Figures that would break the form "12345.6" are not taken. */
export function press(value: string, key: string, decimals = 1, longest = 7): string {
  if (key === '⌫') return value.slice(0, -1);
  const point = key === ',' ? '.' : key;
  const next = point === '.' && value === '' ? '0.' : value + point;
  const form = decimals === 0 ? /^\d*$/ : new RegExp(`^\\d{0,5}(\\.\\d{0,${decimals}})?$`);
  return form.test(next) && next.length <= longest ? next : value;
}
