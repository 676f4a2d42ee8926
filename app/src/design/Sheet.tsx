import { useCallback, useRef, useState } from 'react';
import { Modal, Pressable, ScrollView, View } from 'react-native';
import { Button } from './Button';
import { Heading, Words } from './Words';
import { WrittenContext } from './written';

interface Props {
  readonly title: string;
  readonly open: boolean;
  readonly onClose: () => void;
  readonly children: React.ReactNode;
}

/** A sheet that comes up over the work; what is below stays as it was. What was written in it is not thrown away unasked. */
export function Sheet({ title, open, onClose, children }: Props) {
  const { written, wasWritten } = useWrittenLines();
  const [asking, setAsking] = useState(false);
  const close = () => {
    if (wasWritten()) setAsking(true);
    else onClose();
  };
  return (
    <Modal visible={open} transparent animationType="none" onRequestClose={close} aria-label={title}>
      <View className="flex-1 items-center justify-end md:justify-center">
        <Pressable
          aria-label="Close"
          role="button"
          onPress={close}
          className="absolute inset-0 bg-tray-deep opacity-80"
        />
        <View className="max-h-[92%] w-full max-w-[560px] border-2 border-ink bg-tray">
          <View className="flex-row items-center gap-2 border-b border-line py-2 pl-4 pr-2">
            <Heading className="flex-1">{title}</Heading>
            <Button label="Close" kind="quiet" onPress={close} />
          </View>
          {asking ? (
            <View className="gap-2 border-b border-line bg-paper p-4" role="alert">
              <Words face="strong">What you wrote is not saved.</Words>
              <View className="flex-row flex-wrap gap-2">
                <Button label="Go on writing" onPress={() => setAsking(false)} />
                <Button
                  kind="stop"
                  label="Throw it away"
                  onPress={() => {
                    setAsking(false);
                    onClose();
                  }}
                />
              </View>
            </View>
          ) : null}
          <ScrollView contentContainerClassName="gap-3 p-4">
            <WrittenContext value={written}>{children}</WrittenContext>
          </ScrollView>
        </View>
      </View>
    </Modal>
  );
}

function useWrittenLines() {
  const lines = useRef(new Set<string>());
  const written = useCallback((line: string, isWritten: boolean) => {
    if (isWritten) lines.current.add(line);
    else lines.current.delete(line);
  }, []);
  return { written, wasWritten: useCallback(() => lines.current.size > 0, []) };
}
