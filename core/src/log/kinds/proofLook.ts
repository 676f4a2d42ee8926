import { WORKS_ON_UNITS, boolean, object, string } from '../../fields';
import { logKind, telling } from '../shape';

/** One of the looks that a proof asks for. */
export const proofLook = logKind({
  kind: 'proof-look',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ look: string().max(40).required(), ok: boolean().required() }),
  card: { ofProof: true },
  sentence: ({ look, ok }) => telling(`${look.replaceAll('-', ' ')}: ${ok ? 'right' : 'not right'}`),
});
