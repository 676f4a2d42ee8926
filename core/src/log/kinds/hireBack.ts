import { HANDS_OUT, object, trimmed } from '../../fields';
import { atGate, sayAtGate } from '../atGate';
import { logKind, telling } from '../shape';

/** It is back on the yard, and nobody has looked at it; with what three taps said of it, where it was one of a pile. */
export const hireBack = logKind({
  kind: 'hire-back',
  on: 'unit',
  who: HANDS_OUT,
  facts: object({
    reference: trimmed.min(1).max(40).required(),
    atGate: atGate.optional().default(undefined),
  }),
  sentence: ({ reference, atGate: said }) => {
    const amiss = said ? sayAtGate(said) : [];
    return telling(`Back on the yard from ${reference}`, amiss.length > 0 ? `At the gate: ${amiss.join(', ')}` : '');
  },
});
