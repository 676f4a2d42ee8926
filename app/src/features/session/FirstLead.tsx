import { router } from 'expo-router';
import { useState } from 'react';
import { ScrollView } from 'react-native';
import { queryClient, readKey, sentenceOf, useChange } from '@/api';
import { Button, Failure, Field, Heading, Words } from '@/design';

/** Opened by the printed one-time link: makes the first lead of a new yard. */
export function FirstLead({ code }: { readonly code: string }) {
  const first = useChange('firstLead');
  const [name, setName] = useState('');
  const [pin, setPin] = useState('');
  const make = async () => {
    const person = await first.mutateAsync({ body: { code, name, pin } });
    queryClient.setQueryData(readKey('me'), person);
    router.replace('/');
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
      <Field label="PIN or password" value={pin} onChangeText={setPin} secureTextEntry />
      <Button
        kind="main"
        tall
        label="Create the lead"
        disabled={name.trim() === '' || pin.length < 4 || first.isPending}
        onPress={() => void make().catch(() => undefined)}
      />
    </ScrollView>
  );
}
