import { changeStep } from '../../card';
import { WORKS_ON_UNITS, object, id } from '../../fields';
import { mustHaveStep } from '../refusals';
import { why } from '../schemas';
import { logKind, telling, type Names } from '../shape';

/** A step is left out, with a reason. */
export const stepDropped = logKind({
  kind: 'step-dropped',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ stepId: id.required(), why: why.required() }),
  card: {
    refusal: mustHaveStep,
    change: (card, { facts, by, at }) =>
      changeStep(card, facts.stepId, (step) => ({ ...step, state: 'dropped', by, at, why: facts.why })),
  },
  sentence: (facts, { step }: Names) => telling(`Not done: ${step ?? 'a step'}`, facts.why),
});
