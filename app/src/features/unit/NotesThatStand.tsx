import { NOTE_PLACES, type NotePlace } from '@hudrik/core/log';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, usePerson } from '@/api';
import { Button, Choice, Failure, Field, Section, Sheet, Words } from '@/design';
import { useUnitSheet } from '@/features/sheet';
import { useEntry } from '@/outbox';
import { sayDay } from '@/writing';

const PLACE_WORD: Readonly<Record<NotePlace, string>> = {
  'check-in': 'At check-in',
  finding: 'In fault finding',
  card: 'On the card',
  'check-out': 'When it goes out',
};

/** What whoever comes to this unit must know: put up, shown where it matters, taken down when it does not hold any more. */
export function NotesThatStand({ tag }: { readonly tag: string }) {
  const { role } = usePerson();
  const sheet = useUnitSheet(tag);
  const takeDown = useEntry('standing-note-ended');
  const [writing, setWriting] = useState(false);
  const works = role !== 'counter';
  const notes = sheet?.notes ?? [];
  if (!works && notes.length === 0) return null;
  return (
    <Section title="Notes that stand" count={notes.length}>
      {takeDown.isError ? <Failure sentence={sentenceOf(takeDown.error)} /> : null}
      {notes.map((note) => (
        <View key={note.id} className="flex-row items-center gap-2 border-b border-line py-1">
          <View className="min-w-0 flex-1">
            <Words>{note.text}</Words>
            <Words size={13} tone="ink-soft">
              {[note.places.map((place) => PLACE_WORD[place].toLowerCase()).join(', '), note.by, sayDay(note.at)]
                .filter(Boolean)
                .join(' · ')}
            </Words>
          </View>
          {works ? (
            <Button
              kind="quiet"
              label="Take down"
              aria-label={`Take down: ${note.text}`}
              onPress={() => takeDown.mutate({ facts: { noteId: note.id }, on: { tag } })}
            />
          ) : null}
        </View>
      ))}
      {works ? <Button className="self-start" label="Put up a note" onPress={() => setWriting(true)} /> : null}
      {writing ? <WriteNote tag={tag} onClose={() => setWriting(false)} /> : null}
    </Section>
  );
}

function WriteNote({ tag, onClose }: { readonly tag: string; readonly onClose: () => void }) {
  const put = useEntry('standing-note');
  const [text, setText] = useState('');
  const [places, setPlaces] = useState<readonly NotePlace[]>(['card']);
  const off =
    text.trim().length < 2 ? 'Nothing is written yet.' : places.length === 0 ? 'Choose where it shows.' : null;
  const send = async () => {
    await put.mutateAsync({ facts: { text: text.trim(), places: [...places] }, on: { tag } });
    onClose();
  };
  return (
    <Sheet title={`A note that stands on ${tag}`} open onClose={onClose}>
      {put.isError ? <Failure sentence={sentenceOf(put.error)} kept="What you wrote is still here." /> : null}
      <Field label="What whoever comes to it must know" value={text} onChangeText={setText} multiline />
      <View className="flex-row flex-wrap gap-2" role="group" aria-label="Where it shows">
        {NOTE_PLACES.map((place) => (
          <Choice
            key={place}
            className="grow"
            label={PLACE_WORD[place]}
            on={places.includes(place)}
            onPress={() =>
              setPlaces(places.includes(place) ? places.filter((one) => one !== place) : [...places, place])
            }
          />
        ))}
      </View>
      <Button kind="main" tall label="Put it up" offBecause={off} onPress={() => void send().catch(() => undefined)} />
    </Sheet>
  );
}
