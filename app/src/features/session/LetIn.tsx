import { useState } from 'react';
import { ScrollView } from 'react-native';
import { sentenceOf, useAsk } from '@/api';
import { Button, Failure, Field, Heading, Words } from '@/design';
import { openAnew } from './openAnew';

interface Props {
  /** As it stood in the link that was scanned. */
  readonly code?: string;
}

/** A device that was not let in yet: the code that a lead shows lets it in, once. */
export function LetIn({ code: scanned = '' }: Props) {
  const letIn = useAsk('letIn');
  const [code, setCode] = useState(scanned);
  const [name, setName] = useState('');
  const send = async () => {
    await letIn.mutateAsync({ body: { code, name: name.trim() } });
    openAnew();
  };
  return (
    <ScrollView
      className="flex-1 bg-tray"
      contentContainerClassName="w-full max-w-[520px] gap-4 self-center p-5 pt-10"
      role="main"
    >
      <Words face="stencil" size={32}>
        HUDRIK
      </Words>
      <Heading level={1}>Let this device in</Heading>
      <Words>
        A lead opens More, Devices and sign-ins, and Let a device in: the code that stands there works once, within ten
        minutes.
      </Words>
      {letIn.isError ? (
        <Failure sentence={sentenceOf(letIn.error)} kept="What was entered on this device is kept." />
      ) : null}
      <Field label="Code" value={code} onChangeText={setCode} autoCapitalize="characters" autoCorrect={false} />
      <Field label="What this device is called" value={name} onChangeText={setName} placeholder="Shed phone" />
      <Button
        kind="main"
        tall
        label="Let it in"
        disabled={letIn.isPending}
        offBecause={
          (code.trim().length < 4 ? 'Enter the code.' : name.trim() === '' ? 'Name this device.' : null) ??
          letIn.offBecause
        }
        onPress={() => void send().catch(() => undefined)}
      />
    </ScrollView>
  );
}
