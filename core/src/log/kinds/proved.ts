import { SIGNS_OFF, boolean, object, text } from '../../fields';
import { closingLooks, defectIds, measuredLooks } from '../schemas';
import { nothingOff, proofMissing } from '../refusals';
import { logKind, telling } from '../shape';

/** The signature under a proof. */
export const proved = logKind({
  kind: 'proved',
  on: 'job',
  who: SIGNS_OFF,
  facts: object({
    passed: boolean().required(),
    note: text.defined(),
    looks: closingLooks,
    measured: measuredLooks,
    /** What was told and did not show in a proof long enough for it. */
    notFound: defectIds,
    /** What is still not right, and stays open. */
    leftOpen: defectIds,
  }),
  card: {
    ofProof: true,
    change: (card) => ({ ...card, signatureAsked: null }),
    refusal: (asked) => (asked.facts.passed ? (nothingOff(asked) ?? proofMissing(asked)) : null),
    visitState: (_, { passed }) => (passed ? 'ended' : 'open'),
  },
  sentence: ({ passed, note }) => telling(passed ? 'Proof passed' : 'Proof failed', note),
});
