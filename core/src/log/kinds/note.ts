import { ANYONE_SIGNED_IN, object, id, text } from '../../fields';
import { logKind, telling } from '../shape';

/** Something worth knowing, on the unit or on a job's card. */
export const note = logKind({
  kind: 'note',
  on: 'unit',
  who: ANYONE_SIGNED_IN,
  facts: object({ text: text.min(1).required(), stepId: id.nullable().optional() }),
  card: {
    change: (card, entry) => ({
      ...card,
      notes: [...card.notes, { ...entry, facts: { text: entry.facts.text, stepId: entry.facts.stepId ?? null } }],
    }),
    // What is said of a parked visit does not take it up again.
    visitState: (state) => (state === 'waiting' ? 'open' : state),
  },
  sentence: (facts) => telling('Note', facts.text),
});
