import { listSteps, type ListedStep } from '../../card';
import { mixed, object, string } from '../../fields';
import { logKind, telling } from '../shape';

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
