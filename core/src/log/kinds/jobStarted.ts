import { WORKS_ON_UNITS } from '../../fields';
import { nothing } from '../schemas';
import { logKind, telling, type Names } from '../shape';

/** A waiting job is taken to the bench: its steps are listed. */
export const jobStarted = logKind({
  kind: 'job-started',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: nothing,
  sentence: (_, { title }: Names) => telling(`Work started: ${title ?? 'a job'}`),
});
