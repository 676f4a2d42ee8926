import { sayWeakness, weaknessOfPin } from '@hudrik/core/people';
import { useState } from 'react';
import { ScrollView } from 'react-native';
import { sentenceOf, useAsk } from '@/api';
import { Button, Failure, Field, Heading, Words } from '@/design';
import { openAnew } from './openAnew';

/** Opened by the printed one-time link: makes the first lead of a new yard. */
export function FirstLead({ code }: { readonly code: string }) {
  const first = useAsk('firstLead');
  const [name, setName] = useState('');
  const [pin, setPin] = useState('');
  const weakness = weaknessOfPin(pin, name);
  const make = async () => {
    await first.mutateAsync({ body: { code, name, pin } });
    openAnew();
  };
  return (
    <ScrollView
      className="flex-1 bg-tray"
      contentContainerClassName="w-full max-w-[520px] gap-4 self-center p-5 pt-10"
      role="main"
    >
      <Heading level={1}>The first lead</Heading>
      <Words>This link works once. The lead you create here adds everybody else.</Words>
      {first.isError ? <Failure sentence={sentenceOf(first.error)} /> : null}
      <Field label="Name" value={name} onChangeText={setName} />
      <Field label="PIN of six figures, or password" value={pin} onChangeText={setPin} secureTextEntry />
      <Button
        kind="main"
        tall
        label="Create the lead"
        disabled={first.isPending}
        offBecause={(name.trim() === '' ? 'Enter your name.' : weakness && sayWeakness(weakness)) ?? first.offBecause}
        onPress={() => void make().catch(() => undefined)}
      />
    </ScrollView>
  );
}
