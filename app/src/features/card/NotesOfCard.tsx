import { useState } from 'react';
import { View } from 'react-native';
import { Button, Field, Section, Words } from '@/design';
import { sayDay } from '@/writing';
import { MarkedPhoto, MarkSheet } from './PhotoMarks';
import type { CardHandle } from './useCard';
import { useTakePhoto } from '@/photos';

/** Notes and photos of the card as a whole; those of a thing stand with the thing. */
export function NotesOfCard({ handle, works }: { readonly handle: CardHandle; readonly works: boolean }) {
  const [text, setText] = useState('');
  const [marking, setMarking] = useState<string | null>(null);
  const photo = useTakePhoto((photoId) =>
    handle.add('photo', { photoId, marks: [], stepId: null, thingId: null }, { photos: [photoId] }),
  );
  const notes = handle.card?.notes ?? [];
  const photos = (handle.card?.photos ?? []).filter((entry) => entry.thingId === null);
  const marked = photos.find((entry) => entry.photoId === marking);
  return (
    <Section title="Notes and photos" place="notes" count={notes.length + photos.length}>
      {notes.map((note) => (
        <View key={note.id} className="border-b border-line py-1">
          <Words>{note.facts.text}</Words>
          <Words size={13} tone="ink-soft">{`${note.by ?? ''}, ${sayDay(note.at)}`}</Words>
        </View>
      ))}
      <View className="flex-row flex-wrap gap-2">
        {photos.map((entry) => (
          <View key={entry.photoId} className="w-[48%] gap-1">
            <MarkedPhoto id={entry.photoId} marks={entry.marks} small sentence={`Photo by ${entry.by ?? ''}`} />
            {works ? <Button kind="quiet" label="Mark it" onPress={() => setMarking(entry.photoId)} /> : null}
          </View>
        ))}
      </View>
      {works ? (
        <>
          <Field label="Note" value={text} onChangeText={setText} multiline />
          <View className="flex-row gap-2">
            <Button
              className="grow"
              label="Save the note"
              offBecause={text.trim() === '' ? 'Nothing is written yet.' : null}
              onPress={() => {
                handle.add('note', { text: text.trim(), stepId: null });
                setText('');
              }}
            />
            <Button className="grow" label="Photo" aria-label="Photo of the job" onPress={photo.take} />
          </View>
          {photo.input}
          {photo.wrong ? (
            <Words tone="held" role="alert">
              {photo.wrong}
            </Words>
          ) : null}
        </>
      ) : null}
      {marked ? (
        <MarkSheet
          id={marked.photoId}
          marks={marked.marks}
          onKeep={(marks) => {
            handle.add('photo-marked', { photoId: marked.photoId, marks: [...marks] });
            setMarking(null);
          }}
          onClose={() => setMarking(null)}
        />
      ) : null}
    </Section>
  );
}
