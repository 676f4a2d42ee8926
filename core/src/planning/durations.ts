import { JUDGEMENT, type Threshold } from '../catalogue/shapes';

export const TEMPLATE_WORTH: Threshold = {
  name: 'What is known of a piece of work before any was done here, against this yard’s own finished ones',
  value: 4,
  unit: 'cases',
  source: JUDGEMENT,
};
/** The template's spread counts as so many cases. */
export const SPREAD_WORTH_CASES: Threshold = {
  name: 'The usual spread of minutes, against that of this yard’s own finished pieces of work',
  value: 6,
  unit: 'cases',
  source: JUDGEMENT,
};

export interface Duration {
  /** The mean. */
  readonly minutes: number;
  /** Standard deviation of the logarithm. */
  readonly spread: number;
}

/**
 * What a piece of work takes, log-normal, by the yard's own finished ones, drawn towards the template.
 * In: mean minutes (above 0) and spread of the template; own minutes, each above 0. Out: mean minutes, and the spread of the next one,
 * what is not known of the mean included. Source: normal-inverse-gamma posterior of the logarithm (Gelman and others, Bayesian Data
 * Analysis, 3rd edition, 3.3; from memory). Example: without own ones the template's mean stays: 40 min make 40 min.
 */
export function durationOf(template: Duration, own: readonly number[]): Duration {
  const logs = own.map(Math.log);
  const n = logs.length;
  const [worth, cases] = [TEMPLATE_WORTH.value, SPREAD_WORTH_CASES.value];
  const before = Math.log(template.minutes) - template.spread ** 2 / 2;
  const mean = n === 0 ? before : logs.reduce((sum, log) => sum + log, 0) / n;
  const centre = (worth * before + n * mean) / (worth + n);
  const within = logs.reduce((sum, log) => sum + (log - mean) ** 2, 0);
  const between = ((worth * n) / (worth + n)) * (mean - before) ** 2;
  const variance = (cases * template.spread ** 2 + within + between) / (cases + n);
  return { minutes: Math.exp(centre + variance / 2), spread: Math.sqrt(variance * (1 + 1 / (worth + n))) };
}
