import { SIGNS_OFF, object, text } from '../../fields';
import { logKind, telling, type Names } from '../shape';

/** A job is not done, with a reason. */
export const jobDropped = logKind({
  kind: 'job-dropped',
  on: 'job',
  who: SIGNS_OFF,
  facts: object({ why: text.min(3).required() }),
  sentence: (facts, { title }: Names) => telling(`Dropped: ${title ?? 'a job'}`, facts.why),
});
