import { changeStep } from '../../card';
import { WORKS_ON_UNITS, object, id } from '../../fields';
import { mustHaveStep } from '../refusals';
import { logKind, telling, type Names } from '../shape';

/** A step is ticked. */
export const stepDone = logKind({
  kind: 'step-done',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ stepId: id.required() }),
  card: {
    refusal: mustHaveStep,
    change: (card, { facts, by, at }) =>
      changeStep(card, facts.stepId, (step) => ({ ...step, state: 'done', by, at, why: null })),
  },
  sentence: (_, { step }: Names) => telling(`Done: ${step ?? 'a step'}`),
});
