import { changeStep } from '../../card';
import { WORKS_ON_UNITS, object, id } from '../../fields';
import { mustHaveStep } from '../refusals';
import { logKind, telling, type Names } from '../shape';

/** A tick is taken back. */
export const stepUndone = logKind({
  kind: 'step-undone',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ stepId: id.required() }),
  card: {
    refusal: mustHaveStep,
    change: (card, { facts }) =>
      changeStep(card, facts.stepId, (step) => ({ ...step, state: 'to-do', by: null, at: null, why: null })),
  },
  sentence: (_, { step }: Names) => telling(`Open again: ${step ?? 'a step'}`),
});
