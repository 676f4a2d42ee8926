import { SIGNS_OFF, object, string, hours, text } from '../../fields';
import { logKind, telling } from '../shape';

/** An hour-meter reading was wrong: a new one in its place. */
export const readingCorrected = logKind({
  kind: 'reading-corrected',
  on: 'unit',
  who: SIGNS_OFF,
  facts: object({
    readingId: string()
      .matches(/^\d{1,15}$/)
      .required(),
    reading: hours.required(),
    why: text.min(3).required(),
  }),
  sentence: ({ reading, ...facts }, { from }: { readonly from?: number }) =>
    telling(`Reading corrected: ${from ?? '?'} to ${reading}`, facts.why),
});
