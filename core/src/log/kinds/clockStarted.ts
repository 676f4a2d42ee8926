import { CLOCK_IDS } from '../../catalogue/ids';
import { clockEnd } from '../../card';
import { WORKS_ON_UNITS, number, object, string, id } from '../../fields';
import { idOrNone } from '../schemas';
import { logKind, telling, type Names } from '../shape';

/** A wait begins. */
export const clockStarted = logKind({
  kind: 'clock-started',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({
    clockId: id.required(),
    clock: string().oneOf(CLOCK_IDS).required(),
    minutes: number().min(1).max(20_160).required(),
    stepId: idOrNone,
  }),
  card: {
    change: (card, { facts, at, by }) => ({
      ...card,
      clocks: [
        ...card.clocks,
        {
          clockId: facts.clockId,
          clock: facts.clock,
          stepId: facts.stepId,
          startedAt: at,
          endsAt: clockEnd(at, facts.minutes),
          by,
          result: null,
        },
      ],
    }),
  },
  sentence: ({ clock, minutes }, outcome: Names) => telling(`${outcome.clock ?? clock}: ${minutes} min started`),
});
