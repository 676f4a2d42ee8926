import { SIGNS_OFF, object, text } from '../../fields';
import { logKind, telling, type Names } from '../shape';

/** A job is left for a later visit, with a reason. What it is there for stays open. */
export const jobPutOff = logKind({
  kind: 'job-put-off',
  on: 'job',
  who: SIGNS_OFF,
  facts: object({ why: text.min(3).required() }),
  sentence: (facts, { title }: Names) => telling(`Put off: ${title ?? 'a job'}`, facts.why),
});
