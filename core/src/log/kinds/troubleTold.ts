import { COMPLAINTS } from '../../catalogue';
import { HANDS_OUT, array, object, string, text, trimmed } from '../../fields';
import { logKind, telling } from '../shape';

/** The hirer rings: what is wrong with a unit that is out. */
export const troubleTold = logKind({
  kind: 'trouble-told',
  on: 'unit',
  who: HANDS_OUT,
  facts: object({
    reference: trimmed.min(1).max(40).required(),
    complaintIds: array(string().required()).min(1).max(12).required(),
    note: text.defined(),
  }),
  sentence: ({ reference, complaintIds, note }) =>
    telling(
      `The hirer of ${reference} rang`,
      complaintIds.map((id) => COMPLAINTS.find((complaint) => complaint.id === id)?.sentence ?? id).join(' '),
      note,
    ),
});
