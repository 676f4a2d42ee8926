import type { Taker } from '../log/taking';
import { refuse } from '../refusal';
import { standingNotes } from './unitSheet';

/** A note that stood comes down; one that does not stand on this unit cannot. */
export const takeDownNote: Taker<'standing-note-ended'> = async ({ change, at, facts, record }) => {
  const note = (await standingNotes(change.trx, change.unit.id)).find((one) => one.id === facts.noteId);
  if (note === undefined) return refuse('not-found', { note: facts.noteId });
  // What was put up after that was seen stands.
  if (at.toISOString() < note.at) return refuse('look-too-old', { seenAt: note.at, sentence: note.text });
  await record({ outcome: { text: note.text } });
};
