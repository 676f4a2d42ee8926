import { WORKS_ON_UNITS, boolean, object, text } from '../../fields';
import { logKind, telling } from '../shape';

/** The look for leaks with the fuel on, before anything runs. */
export const leakLook = logKind({
  kind: 'leak-look',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ dry: boolean().required(), note: text.defined() }),
  card: { ofProof: true },
  sentence: ({ dry, note }) => telling(dry ? 'Fuel on: dry' : 'It leaks', note),
});
