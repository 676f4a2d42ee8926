import { SIGNS_OFF, boolean, object, text } from '../../fields';
import { closingLooks } from '../schemas';
import { nothingOff, proofMissing } from '../refusals';
import { logKind, telling } from '../shape';

/** The signature under a proof. */
export const proved = logKind({
  kind: 'proved',
  on: 'job',
  who: SIGNS_OFF,
  facts: object({ passed: boolean().required(), note: text.defined(), looks: closingLooks }),
  card: {
    ofProof: true,
    refusal: (asked) => (asked.facts.passed ? (nothingOff(asked) ?? proofMissing(asked)) : null),
    jobState: (_, { passed }) => (passed ? 'done' : 'open'),
  },
  sentence: ({ passed, note }) => telling(passed ? 'Proof passed' : 'Proof failed', note),
});
