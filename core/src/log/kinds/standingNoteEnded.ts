import { WORKS_ON_UNITS, id, object } from '../../fields';
import { logKind, telling } from '../shape';

/** A note that stood does not hold any more. */
export const standingNoteEnded = logKind({
  kind: 'standing-note-ended',
  on: 'unit',
  who: WORKS_ON_UNITS,
  facts: object({ noteId: id.required() }),
  sentence: (_, { text }: { readonly text?: string }) => telling('Note taken down', text),
});
