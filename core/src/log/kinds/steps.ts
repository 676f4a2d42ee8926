import { type ListedStep, changeStep, listSteps, startWork, stopWork } from '../../card';
import { WORKS_ON_UNITS, id, mixed, name, object, string } from '../../fields';
import { mustHaveStep } from '../refusals';
import { nothing, why } from '../schemas';
import { type Names, logKind, telling } from '../shape';

/** The steps that the templates and the causes want. The server writes it. */
export const stepsListed = logKind({
  kind: 'steps-listed',
  on: 'job',
  who: [],
  facts: object({
    edition: string().required(),
    from: string().required(),
    steps: mixed<readonly ListedStep[]>().required(),
  }),
  isSilent: true,
  card: {
    change: (card, { facts, jobId }) => ({ ...listSteps(card, facts.steps, jobId ?? null), edition: facts.edition }),
    visitState: (state) => state,
  },
  sentence: ({ from }) => telling(`Steps listed: ${from}`),
});

/** A person's own step. */
export const stepAdded = logKind({
  kind: 'step-added',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ stepId: id.required(), title: name.required() }),
  card: { change: (card, { facts, jobId }) => listSteps(card, [{ ...facts, key: null }], jobId ?? null) },
  sentence: ({ title }) => telling(`Step added: ${title}`),
});

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

/** A person begins to work on it: their time counts. */
export const handsOn = logKind({
  kind: 'hands-on',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: nothing,
  card: { change: (card, { by, at }) => startWork(card, by, at) },
  sentence: () => telling('Hands-on time started'),
});

/** A person stops working on it. */
export const handsOff = logKind({
  kind: 'hands-off',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: nothing,
  card: { change: (card, { by, at }) => stopWork(card, by, at) },
  sentence: () => telling('Hands-on time stopped'),
});
