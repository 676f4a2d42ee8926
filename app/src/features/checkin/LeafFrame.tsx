import { ScrollView, View } from 'react-native';

/** A leaf: what is asked in the middle, the main action at the bottom within reach of a thumb. */
export function LeafFrame({
  children,
  action,
}: {
  readonly children: React.ReactNode;
  readonly action: React.ReactNode;
}) {
  return (
    <View className="min-h-0 min-w-0 flex-1">
      <ScrollView
        className="flex-1"
        contentContainerClassName="w-full max-w-[680px] gap-4 self-center p-4"
        keyboardShouldPersistTaps="handled"
      >
        {children}
      </ScrollView>
      <View className="border-t border-line bg-tray p-3">
        <View className="w-full max-w-[680px] self-center">{action}</View>
      </View>
    </View>
  );
}
