import type { NotePlace } from '@hudrik/core/log';
import { View } from 'react-native';
import { Words } from '@/design';
import { useUnitSheet } from './useUnitSheet';

interface Props {
  readonly tag: string | null;
  readonly place: NotePlace;
}

/** What whoever comes to this unit must know, where it matters: the unit's own notes, then its model's. */
export function StandingNotes({ tag, place }: Props) {
  const sheet = useUnitSheet(tag);
  if (sheet === null) return null;
  const own = sheet.notes.filter((note) => note.places.includes(place));
  const ofModel = sheet.dataSheet.notes.filter((note) => note.places.includes(place));
  if (own.length + ofModel.length === 0) return null;
  return (
    <View role="note" aria-label="Notes that stand" className="gap-1 border-l-[6px] border-mark bg-card p-3">
      {own.map((note) => (
        <Words key={note.id} face="strong">
          {note.text}
        </Words>
      ))}
      {ofModel.map((note) => (
        <Words key={note.text}>{`${note.text} (${sheet.model.name})`}</Words>
      ))}
    </View>
  );
}
