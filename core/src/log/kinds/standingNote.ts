import { WORKS_ON_UNITS, array, object, string, trimmed } from '../../fields';
import { logKind, telling } from '../shape';
import { NOTE_PLACES } from '../schemas';

/** Something that whoever comes to this unit must know, until it is taken down: "left bolt of the shroud: leave it". */
export const standingNote = logKind({
  kind: 'standing-note',
  on: 'unit',
  who: WORKS_ON_UNITS,
  facts: object({
    text: trimmed.min(2).max(400).required(),
    places: array(string().oneOf(NOTE_PLACES).required()).min(1).required(),
  }),
  sentence: ({ text }) => telling('Note that stands', text),
});
