import { Pressable, View } from 'react-native';
import { Words } from './Words';

interface Props {
  readonly items: readonly { readonly id: string; readonly sentence: string }[];
  readonly ticked: readonly string[];
  readonly onChange: (ticked: readonly string[]) => void;
}

/** Lines to tick, each once it was looked at. */
export function TickList({ items, ticked, onChange }: Props) {
  return (
    <View className="gap-1">
      {items.map(({ id, sentence }) => {
        const on = ticked.includes(id);
        return (
          <Pressable
            key={id}
            role="checkbox"
            aria-checked={on}
            aria-label={sentence}
            onPress={() => onChange(on ? ticked.filter((other) => other !== id) : [...ticked, id])}
            className="min-h-[52px] flex-row items-center gap-3"
          >
            <View
              className={`h-[40px] w-[40px] items-center justify-center border-2 border-ink ${on ? 'bg-mark' : 'bg-paper'}`}
            >
              <Words size={22} face="strong" tone="on-mark">
                {on ? '✓' : ''}
              </Words>
            </View>
            <Words className="min-w-0 flex-1">{sentence}</Words>
          </Pressable>
        );
      })}
    </View>
  );
}
