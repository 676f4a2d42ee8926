import { SIGNS_OFF, boolean, object, text } from '../../fields';
import { logKind, telling } from '../shape';
import { faultName } from '../observed';
import { faultId } from '../schemas';

/** Somebody who signs says that a fault is there without a look, and how that is known; or says it no more. */
export const saidSo = logKind({
  kind: 'said-so',
  on: 'finding',
  who: SIGNS_OFF,
  facts: object({
    fault: faultId.required(),
    so: boolean().required(),
    why: text.min(3).required(),
  }),
  finding: ({ fault, so }) => ({ kind: 'said', fault, so }),
  sentence: ({ fault, so, why }) =>
    telling(`${so ? 'Known to be so' : 'Not said any more'}: ${faultName(fault).toLowerCase()}`, why),
});
