import { View } from 'react-native';
import { Words } from '@/design';

/** What may mislead here. */
export function Warnings({ sentences }: { readonly sentences: readonly string[] }) {
  return (
    <View className="gap-2 border-l-[6px] border-prep bg-paper p-3" role="note">
      {sentences.map((line) => (
        <Words key={line} size={15}>
          {line}
        </Words>
      ))}
    </View>
  );
}
