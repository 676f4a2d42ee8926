import { FAULT_IDS } from '../../catalogue/ids';
import { SIGNS_OFF, array, object, string, text } from '../../fields';
import { logKind, telling } from '../shape';
import { faultName } from '../observed';

/** What was wrong is confirmed: the finding is closed onto its job. */
export const causesConfirmed = logKind({
  kind: 'causes-confirmed',
  on: 'finding',
  who: SIGNS_OFF,
  facts: object({
    causes: array(string().oneOf(FAULT_IDS).required())
      .min(1)
      .max(3)
      .required()
      .test('twice', 'The same cause twice.', (causes) => new Set(causes).size === causes.length),
    note: text.defined(),
  }),
  finding: () => ({ kind: 'nothing' }),
  sentence: ({ causes, note }) => telling(`Found: ${causes.map(faultName).join('; ').toLowerCase()}`, note),
});
