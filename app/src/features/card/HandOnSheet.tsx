import { useState } from 'react';
import { View } from 'react-native';
import { usePerson, useRead } from '@/api';
import { Button, Choice, Field, Loading, Section, Sheet, Words } from '@/design';
import type { CardHandle } from './useCard';

/** The card goes to somebody else with a word of what is next; who may not sign asks for a signature. */
export function HandOnSheet({ handle, onClose }: { readonly handle: CardHandle; readonly onClose: () => void }) {
  const { id: me, role } = usePerson();
  const options = useRead('signInOptions');
  const [to, setTo] = useState<number | null>(null);
  const [note, setNote] = useState('');
  const people = options.data?.people.filter((person) => person.role !== 'counter' && person.id !== me) ?? [];
  const send = () => {
    if (to !== null) handle.add('handed-on', { to, note: note.trim() });
    onClose();
  };
  return (
    <Sheet title="Hand it on" open onClose={onClose}>
      {options.data ? null : <Loading what="the names" />}
      <View className="flex-row flex-wrap gap-2" role="group" aria-label="To whom">
        {people.map((person) => (
          <Choice
            key={person.id}
            className="grow"
            label={person.name}
            on={to === person.id}
            onPress={() => setTo(person.id)}
          />
        ))}
      </View>
      <Field label="What is done, what is next" value={note} onChangeText={setNote} multiline />
      <Button
        kind="main"
        tall
        label="Hand it on"
        offBecause={to === null ? 'Choose to whom it goes.' : null}
        onPress={send}
      />
      {role === 'apprentice' ? (
        <Section title="Ready to be signed">
          <Words size={15}>A technician sees it on Shift, with what you write above.</Words>
          <Button
            label="Ask for the signature"
            onPress={() => {
              handle.add('signature-asked', { note: note.trim() });
              onClose();
            }}
          />
        </Section>
      ) : null}
    </Sheet>
  );
}
