import { changeStep } from '../../card';
import { WORKS_ON_UNITS, object, string, id, name } from '../../fields';
import { mustHaveStep } from '../refusals';
import { logKind, telling } from '../shape';

/** A step is worded anew. `was` is what stood there when the person began to write: where it no longer does, both wordings are kept. */
export const stepChanged = logKind({
  kind: 'step-changed',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ stepId: id.required(), title: name.required(), was: string().max(300).defined() }),
  card: {
    refusal: mustHaveStep,
    change: (card, { facts }) =>
      changeStep(card, facts.stepId, (step) => ({
        ...step,
        title: facts.title,
        otherWords:
          facts.was === step.title || facts.title === step.title
            ? []
            : [...step.otherWords, { title: step.title, by: step.by }],
      })),
  },
  sentence: ({ title }) => telling(`Step changed: ${title}`),
});
