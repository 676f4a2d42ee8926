import quantile from '@stdlib/stats-base-dists-beta-quantile';
import { JUDGEMENT, LAY_UP_METHODS, type LayUpMethodId, type Threshold } from '../catalogue';
import type { OwnWakes, Standing, Woken } from './shapes';

/** Idle bands end at so many days; the last has no end. */
export const BAND_ENDS = [30, 90, 180, 365] as const;
/** A day of each band that stands for it. */
const BAND_MIDDLES = [20, 60, 135, 270, 500] as const;
export const WAKES_WORTH: Threshold = {
  name: 'What is taken for a way of lay-up beforehand weighs like so many wake-ups of one’s own',
  value: 8,
  unit: 'wake-ups',
  source: JUDGEMENT,
};

export const bandOf = (days: number): number => {
  const band = BAND_ENDS.findIndex((end) => days <= end);
  return band < 0 ? BAND_ENDS.length : band;
};

export const NO_WAKES: OwnWakes = () => ({ tries: 0, failed: 0 });

/**
 * The chance that a unit wants a fuel repair when it is woken, before any experience of one's own.
 * In: method, days (0 or more), the unit. Out: 0 to 1. Source: Weibull distribution; scales and shapes by method: judgement.
 * Example: 900 days of scale, shape 1.3, 180 days: 0.116.
 */
export const riskBefore = (method: LayUpMethodId, days: number, unit: Pick<Standing, 'isMetal' | 'ethanol'>): number =>
  curveBefore(method, unit)(days, logOf(days));

function curveBefore(method: LayUpMethodId, unit: Pick<Standing, 'isMetal' | 'ethanol'>): RiskCurve {
  const { risk, ethanolShare, metalShare } = LAY_UP_METHODS[method];
  const scale = risk.scaleDays * (hasEthanolAs(method, unit) ? ethanolShare : 1) * (unit.isMetal ? metalShare : 1);
  const logScale = Math.log(scale);
  return (_, log) => 1 - Math.exp(-Math.exp(risk.shape * (log - logScale)));
}

/** What stands in it: its own fuel where nothing is done, else what the method leaves. */
export const hasEthanolAs = (method: LayUpMethodId, { ethanol }: Pick<Standing, 'ethanol'>): boolean =>
  method === 'as-it-is' && ethanol > 0.01;

/** Neither nought nor one: it has log odds. */
const sure = (p: number): number => Math.min(Math.max(p, 1e-6), 1 - 1e-6);
const logit = (p: number): number => Math.log(sure(p) / (1 - sure(p)));

/** A chance by idle days, and by their logarithm: it is the same for all methods, and a power would take it anew for each. */
export type RiskCurve = (days: number, log: number) => number;

/** Of idle days; none are minus infinity. */
export const logOf = (days: number): number => Math.log(Math.max(days, 0));

/**
 * The same with the yard's own wake-ups: in each idle band the chance before them is a Beta belief worth so many wake-ups, moved by those that
 * were made; between the middles of bands the shift (on the scale of log odds) goes over evenly. In: method, unit, own wake-ups. Out: the
 * chance, 0 to 1, by days. Source: Beta-binomial conjugacy (Gelman et al., Bayesian Data Analysis, 3rd ed., 2.1).
 * Example: 0.1 before, 8 failed of 8: 0.55.
 */
export function riskCurve(method: LayUpMethodId, unit: Standing, own: OwnWakes): RiskCurve {
  const before = curveBefore(method, unit);
  const shifts = BAND_MIDDLES.map((middle, band) => {
    const woken = own(method, hasEthanolAs(method, unit), band);
    if (woken.tries === 0) return 0;
    const chance = before(middle, logOf(middle));
    return logit(posterior(chance, woken)) - logit(chance);
  });
  if (shifts.every((shift) => shift === 0)) return before;
  return (days, log) => {
    const risk = before(days, log);
    const shift = days <= 0 ? 0 : shiftAt(days, shifts);
    if (shift === 0) return risk;
    // The odds grow by the shift: what a logistic of the log odds comes to, with one exponential less.
    const odds = (sure(risk) / (1 - sure(risk))) * Math.exp(shift);
    return odds / (1 + odds);
  };
}

/** That chance on one day. */
export const riskOf = (method: LayUpMethodId, days: number, unit: Standing, own: OwnWakes): number =>
  riskCurve(method, unit, own)(days, logOf(days));

/** Between the middles of two bands in proportion; outside the first and the last as there. */
function shiftAt(days: number, shifts: readonly number[]): number {
  // A loop, and no search by a function: it stands in the innermost sum.
  let after = 0;
  while (after < BAND_MIDDLES.length && (BAND_MIDDLES[after] as number) < days) after++;
  if (after === 0) return shifts[0] ?? 0;
  if (after === BAND_MIDDLES.length) return shifts[after - 1] ?? 0;
  const low = BAND_MIDDLES[after - 1] as number;
  const high = BAND_MIDDLES[after] as number;
  const share = (days - low) / (high - low);
  return (shifts[after - 1] ?? 0) * (1 - share) + (shifts[after] ?? 0) * share;
}

const posterior = (before: number, { tries, failed }: Woken): number =>
  (WAKES_WORTH.value * before + failed) / (WAKES_WORTH.value + tries);

/** The same with its band: 8 in 10 that the chance lies between. In: the chance before, 0 to 1, and what was woken in that band. */
export function riskBand(before: number, { tries, failed }: Woken): { low: number; middle: number; high: number } {
  const [a, b] = [WAKES_WORTH.value * before + failed, WAKES_WORTH.value * (1 - before) + tries - failed];
  return { low: quantile(0.1, a, b), middle: a / (a + b), high: quantile(0.9, a, b) };
}
