import { Modal, Pressable, ScrollView, View } from 'react-native';
import { Button } from './Button';
import { Heading } from './Words';

interface Props {
  readonly title: string;
  readonly open: boolean;
  readonly onClose: () => void;
  readonly children: React.ReactNode;
}

/** A sheet that comes up over the work; what is below stays as it was. */
export function Sheet({ title, open, onClose, children }: Props) {
  return (
    <Modal visible={open} transparent animationType="none" onRequestClose={onClose}>
      <View className="flex-1 items-center justify-end md:justify-center">
        <Pressable
          aria-label="Close"
          role="button"
          onPress={onClose}
          className="absolute inset-0 bg-tray-deep opacity-80"
        />
        <View role="dialog" aria-label={title} className="max-h-[92%] w-full max-w-[560px] border-2 border-ink bg-tray">
          <View className="flex-row items-center gap-2 border-b border-line py-2 pl-4 pr-2">
            <Heading className="flex-1">{title}</Heading>
            <Button label="Close" kind="quiet" onPress={onClose} />
          </View>
          <ScrollView contentContainerClassName="gap-3 p-4">{children}</ScrollView>
        </View>
      </View>
    </Modal>
  );
}
