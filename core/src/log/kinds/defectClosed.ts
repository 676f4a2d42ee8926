import { id, number, object, SIGNS_OFF, string, text } from '../../fields';
import { logKind, telling } from '../shape';

interface Closed {
  /** What the defect says. */
  readonly sentence?: string;
}

/** A defect is no more: it was put right, or it was no defect. Who says so has looked, in the defect’s own words, and says why. */
export const defectClosed = logKind({
  kind: 'defect-closed',
  on: 'unit',
  who: SIGNS_OFF,
  facts: object({
    defectId: id.required(),
    how: string().oneOf(['put-right', 'was-all-right']).required(),
    why: text.min(3).required(),
    /** What was measured at the look. */
    measured: object({ value: number().min(-1e6).max(1e6).required(), unit: string().max(12).required() })
      .optional()
      .default(undefined),
  }),
  sentence: ({ how, why }, { sentence }: Closed) =>
    telling(`${how === 'put-right' ? 'Put right' : 'Was all right'}: ${sentence ?? 'a defect'}`, why),
});
