import { PROOF_READING_IDS } from '../../catalogue/ids';
import { WORKS_ON_UNITS, boolean, id, number, object, string } from '../../fields';
import { logKind, telling } from '../shape';

/** A reading of the run, in the unit in which it was taken. Without a unit: the one of the class's list, as older ones were. */
export const proofReading = logKind({
  kind: 'proof-reading',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({
    reading: string().oneOf(PROOF_READING_IDS).required(),
    value: number().min(0).max(100_000).required(),
    unit: string().max(12).optional(),
    live: boolean().required(),
    /** The entry that was mistyped, which this one stands for. */
    insteadOf: id.optional(),
  }),
  card: { ofProof: true },
  sentence: ({ reading, value, unit, live, insteadOf }) =>
    telling(
      `Proof reading, ${reading.replaceAll('-', ' ')}: ${value}${unit === undefined ? '' : ` ${unit}`}`,
      live && 'By the instruments',
      insteadOf !== undefined && 'In place of a mistyped one',
    ),
});
