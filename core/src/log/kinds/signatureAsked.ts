import { WORKS_ON_UNITS, object, text } from '../../fields';
import { logKind, telling } from '../shape';

/** Who may not sign asks for the signature of somebody who may. */
export const signatureAsked = logKind({
  kind: 'signature-asked',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ note: text.defined() }),
  card: {
    change: (card, { facts, by, at }) => ({ ...card, signatureAsked: { note: facts.note, by, at } }),
    visitState: (state) => state,
  },
  sentence: ({ note }) => telling('A signature is asked for', note),
});
