import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { router } from 'expo-router';
import { takeBack, tryAll, useOutbox, type Letter } from '@/api';
import { Button, Card, Sheet, Words } from '@/design';
import { restoreDraft } from '@/features/checkin';

/** A thin strip while something waits on this device, or was refused and wants a decision. */
export function OutboxStrip() {
  const letters = useOutbox();
  const [open, setOpen] = useState(false);
  if (letters.length === 0) return null;
  const refused = letters.filter((letter) => letter.state === 'refused').length;
  return (
    <View className="no-print" role="status">
      <Pressable
        role="button"
        onPress={() => setOpen(true)}
        className={`min-h-[48px] justify-center px-4 ${refused > 0 ? 'bg-held' : 'bg-mark'}`}
      >
        <Words size={15} face="strong" tone="on-mark">
          {refused > 0
            ? `${refused} check-in needs your decision. Nothing is lost.`
            : `${letters.length} check-in kept on this device, waiting to be sent.`}
        </Words>
      </Pressable>
      <Sheet title="Waiting on this device" open={open} onClose={() => setOpen(false)}>
        {letters.map((letter) => (
          <Waiting key={letter.body.id} letter={letter} onDone={() => setOpen(false)} />
        ))}
      </Sheet>
    </View>
  );
}

function Waiting({ letter, onDone }: { readonly letter: Letter; readonly onDone: () => void }) {
  const goOn = async () => {
    await restoreDraft(letter.body.tag, letter.draft);
    onDone();
    router.navigate(`/u/${letter.body.tag}/check-in`);
  };
  return (
    <Card className="gap-3">
      <Words face="stencil" size={22}>
        {letter.body.tag}
      </Words>
      <Words>{letter.problem?.title ?? 'It is sent as soon as the yard’s server answers.'}</Words>
      {letter.state === 'waiting' ? (
        <Button label="Try now" onPress={() => void tryAll()} />
      ) : (
        <Button label="Open it again" onPress={() => void goOn()} />
      )}
      {letter.state === 'refused' ? (
        <Button kind="stop" label="Throw it away" onPress={() => void takeBack(letter.body.id)} />
      ) : null}
    </Card>
  );
}
