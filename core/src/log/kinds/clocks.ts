import { clockEnd } from '../../card';
import { CLOCK_IDS } from '../../catalogue/ids';
import { CLOCKS } from '../../catalogue/workshop';
import { WORKS_ON_UNITS, id, number, object, string, text, reasonText } from '../../fields';
import { mustBeLongEnough, mustBeOver } from '../refusals';
import { idOrNone } from '../schemas';
import { type Names, logKind, telling } from '../shape';

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
    /** Why it is to be shorter than its kind: its result closes nothing that can hurt. */
    shortWhy: reasonText.optional(),
  }),
  card: {
    refusal: mustBeLongEnough,
    change: (card, { facts, at, takenAt, by }) => ({
      ...card,
      clocks: [
        ...card.clocks,
        {
          clockId: facts.clockId,
          clock: facts.clock,
          stepId: facts.stepId,
          startedAt: at,
          arrivedAt: takenAt ?? at,
          minutes: facts.minutes,
          endsAt: clockEnd(at, facts.minutes),
          shortWhy: facts.shortWhy ?? null,
          by,
          result: null,
        },
      ],
    }),
  },
  sentence: ({ clock, minutes, shortWhy }, outcome: Names) =>
    telling(
      `${outcome.clock ?? clock}: ${minutes} min started`,
      shortWhy !== undefined && `Shorter than usual: ${shortWhy}`,
    ),
});

const resultName = (result: string): string =>
  (
    Object.values(CLOCKS)
      .map((clock) => clock.results[result]?.[0])
      .find((words) => words !== undefined) ?? 'stopped'
  ).toLowerCase();

/** What was found when a wait was over. */
export const clockEnded = logKind({
  kind: 'clock-ended',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({
    clockId: id.required(),
    result: string().max(40).required(),
    note: text.defined(),
    /** Why it was ended before its time. */
    earlyWhy: reasonText.optional(),
    /** How long it ran by a count of the device that no change of its clock moves, ms. */
    ranMs: number()
      .min(0)
      .max(31 * 86_400_000)
      .optional(),
  }),
  closes: true,
  card: {
    refusal: mustBeOver,
    change: (card, { facts }) => ({
      ...card,
      clocks: card.clocks.map((clock) =>
        clock.clockId === facts.clockId ? { ...clock, result: facts.result } : clock,
      ),
    }),
    visitState: (state, _, card) =>
      state === 'waits-clock' && card.clocks.every((clock) => clock.result !== null)
        ? 'open'
        : state === 'waiting'
          ? 'open'
          : state,
  },
  sentence: ({ result, note, earlyWhy }, outcome: Names) =>
    telling(
      `${outcome.clock ?? 'A wait'}: ${resultName(result)}`,
      earlyWhy !== undefined && `Ended before its time: ${earlyWhy}`,
      note,
    ),
});
