import { WORKS_ON_UNITS, object, string } from '../../fields';
import { logKind, telling } from '../shape';

/** What it is loaded with. */
export const proofLoad = logKind({
  kind: 'proof-load',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ load: string().max(40).nullable().defined() }),
  card: { ofProof: true },
  sentence: ({ load }) => telling(load === null ? 'No load' : `Load: ${load.replaceAll('-', ' ')}`),
});
