import type { Check } from '@hudrik/core/catalogue';
import { roundTenth } from '@hudrik/core/hours';
import type { Answer } from '@hudrik/core/verdict';

/** What somebody found at a check: an exception, or all in order. */
export const answerOf = (check: Check, exception: string | undefined): Answer =>
  exception === undefined
    ? { check: check.id, result: 'ok', ...figureOf(check) }
    : { check: check.id, result: 'not-ok', exception };

/** What is measured has its figure. */
const figureOf = ({ measured }: Check): Pick<Answer, 'reading'> =>
  measured?.limit.kind === 'within'
    ? { reading: { value: roundTenth((measured.limit.min + measured.limit.max) / 2), unit: measured.unit } }
    : {};
