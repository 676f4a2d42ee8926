import { JUDGEMENT, type Threshold } from '../catalogue/shapes';
import { suggestReadings, type Suggestion } from './suggestReadings';
import { roundTenth } from './trueHours';
import { chanceOfAtLeast, chanceOfAtMost, oneIn, type UseRate } from './useRate';

export interface ReadingContext {
  /** The last reading on this meter, hours; below 0 where another meter had it and this one began after it. */
  readonly lastReading: number;
  /** What this meter showed when it was fitted, since the last reading. */
  readonly fittedAt?: number;
  /** The hours at which this meter starts again from nought. */
  readonly rollsAt?: number;
  /** Wall-clock hours since the last reading, 0 or more. */
  readonly clockHours: number;
  /** Days on hire since the last reading; 0 when the unit was not out. */
  readonly hireDays: number;
  /** How hard this unit is worked. */
  readonly use: UseRate;
}

/** What is wrong or odd about a reading: a fact with a code; the words are made where it is shown. */
export type ReadingFinding =
  | { readonly code: 'below-last'; readonly lastReading: number; readonly by: number }
  | { readonly code: 'below-fitted'; readonly fittedAt: number; readonly by: number }
  | { readonly code: 'past-its-roll'; readonly rollsAt: number }
  | { readonly code: 'faster-than-clock'; readonly hoursRun: number; readonly clockHours: number }
  | {
      readonly code: 'unusually-high';
      readonly hoursRun: number;
      readonly hireDays: number;
      readonly oneIn: number;
      readonly expected: number;
    }
  | {
      readonly code: 'unusually-low';
      readonly hoursRun: number;
      readonly hireDays: number;
      readonly oneIn: number;
      readonly expected: number;
    };

export interface ReadingAssessment {
  /** Hours since the last reading, to a tenth; negative when below it. */
  readonly hoursRun: number;
  readonly findings: readonly ReadingFinding[];
  /** What was likely meant, best first; empty when nothing is odd. */
  readonly suggestions: readonly Suggestion[];
}

/** Findings that nobody can stand by: no meter shows that. */
const IMPOSSIBLE: readonly ReadingFinding['code'][] = ['below-last', 'below-fitted', 'past-its-roll'];
export const isImpossible = ({ code }: Pick<ReadingFinding, 'code'>): boolean => IMPOSSIBLE.includes(code);

export const UNUSUAL_BELOW: Threshold = {
  name: 'Hours of a hire rarer than this: a person is asked to look again',
  value: 0.01,
  unit: 'odds',
  source: JUDGEMENT,
};
export const CLOCK_SLACK_HOURS: Threshold = {
  name: 'A meter may lead the wall clock by so much',
  value: 0.2,
  unit: 'h',
  source: JUDGEMENT,
};

/**
 * Whether an hour-meter reading makes sense, and what was likely meant when it does not.
 * In: the figures as typed (digits with at most one point) and what is known of the unit. Out: findings and suggestions.
 * A reading that has no finding is plausible. Text that is no number is the form's business, not ours.
 * Source: monotone and rate limits by reason; surprise by the Gamma-Poisson tail (useRate).
 * Example: last 123.4, typed "132.4" after one day out at about 4 h a day: unusually high is not said (9 h), but "231.4" is
 * faster than the clock and 123.x is offered.
 */
export function assessReading(typed: string, context: ReadingContext): ReadingAssessment {
  const findings = findingsOf(Number(typed), context);
  const suggestions = findings.length === 0 ? [] : suggestReadings(typed, (reading) => likelihood(reading, context));
  return { hoursRun: roundTenth(Number(typed) - context.lastReading), findings, suggestions };
}

function findingsOf(reading: number, context: ReadingContext): ReadingFinding[] {
  const hoursRun = roundTenth(reading - context.lastReading);
  const { fittedAt = 0, rollsAt = Infinity } = context;
  if (reading >= rollsAt) return [{ code: 'past-its-roll', rollsAt }];
  if (reading < fittedAt) return [{ code: 'below-fitted', fittedAt, by: roundTenth(fittedAt - reading) }];
  if (hoursRun < 0) return [{ code: 'below-last', lastReading: context.lastReading, by: -hoursRun }];
  if (hoursRun > context.clockHours + CLOCK_SLACK_HOURS.value) {
    return [{ code: 'faster-than-clock', hoursRun, clockHours: roundTenth(context.clockHours) }];
  }
  return context.hireDays > 0 ? surpriseOf(hoursRun, context) : [];
}

function surpriseOf(hoursRun: number, { use, hireDays }: ReadingContext): ReadingFinding[] {
  const facts = { hoursRun, hireDays, expected: roundTenth((use.shape / use.rate) * hireDays) };
  const high = chanceOfAtLeast(use, hireDays, hoursRun);
  if (high < UNUSUAL_BELOW.value) return [{ code: 'unusually-high', ...facts, oneIn: oneIn(high) }];
  const low = chanceOfAtMost(use, hireDays, hoursRun);
  return low < UNUSUAL_BELOW.value ? [{ code: 'unusually-low', ...facts, oneIn: oneIn(low) }] : [];
}

/** How well a reading would fit, 0 to 1; 0 for one that has a finding itself. */
function likelihood(reading: number, context: ReadingContext): number {
  if (findingsOf(reading, context).length > 0) return 0;
  const run = reading - context.lastReading;
  if (context.hireDays <= 0) return 1 / (1 + run);
  return Math.min(
    chanceOfAtLeast(context.use, context.hireDays, run),
    chanceOfAtMost(context.use, context.hireDays, run),
  );
}
