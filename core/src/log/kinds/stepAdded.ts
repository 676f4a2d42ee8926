import { listSteps } from '../../card';
import { WORKS_ON_UNITS, object, id, name } from '../../fields';
import { logKind, telling } from '../shape';

/** A person's own step. */
export const stepAdded = logKind({
  kind: 'step-added',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ stepId: id.required(), title: name.required() }),
  card: { change: (card, { facts, jobId }) => listSteps(card, [{ ...facts, key: null }], jobId ?? null) },
  sentence: ({ title }) => telling(`Step added: ${title}`),
});
