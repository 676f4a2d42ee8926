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
export function riskBefore(method: LayUpMethodId, days: number, unit: Pick<Standing, 'isMetal' | 'ethanol'>): number {
  const { risk, ethanolShare, metalShare } = LAY_UP_METHODS[method];
  const scale = risk.scaleDays * (hasEthanolAs(method, unit) ? ethanolShare : 1) * (unit.isMetal ? metalShare : 1);
  return 1 - Math.exp(-((Math.max(days, 0) / scale) ** risk.shape));
}

/** What stands in it: its own fuel where nothing is done, else what the method leaves. */
export const hasEthanolAs = (method: LayUpMethodId, { ethanol }: Pick<Standing, 'ethanol'>): boolean =>
  method === 'as-it-is' && ethanol > 0.01;

const logit = (p: number): number => {
  const sure = Math.min(Math.max(p, 1e-6), 1 - 1e-6);
  return Math.log(sure / (1 - sure));
};

/**
 * The same with the yard's own wake-ups: in each idle band the chance before them is a Beta belief worth so many wake-ups, moved by those that
 * were made; between bands the shift (on the scale of log odds) goes over evenly. In: method, days, unit, own wake-ups. Out: 0 to 1.
 * Source: Beta-binomial conjugacy (Gelman et al., Bayesian Data Analysis, 3rd ed., 2.1). Example: 0.1 before, 8 failed of 8: 0.55.
 */
export function riskOf(method: LayUpMethodId, days: number, unit: Standing, own: OwnWakes): number {
  const before = riskBefore(method, days, unit);
  if (days <= 0) return before;
  const shift = shiftAt(days, (band) => shiftIn(method, band, unit, own));
  return shift === 0 ? before : 1 / (1 + Math.exp(-(logit(before) + shift)));
}

function shiftIn(method: LayUpMethodId, band: number, unit: Standing, own: OwnWakes): number {
  const woken = own(method, hasEthanolAs(method, unit), band);
  if (woken.tries === 0) return 0;
  const before = riskBefore(method, BAND_MIDDLES[band] ?? 0, unit);
  return logit(posterior(before, woken)) - logit(before);
}

/** Between the middles of two bands in proportion; outside the first and the last as there. */
function shiftAt(days: number, of: (band: number) => number): number {
  const after = BAND_MIDDLES.findIndex((middle) => middle >= days);
  if (after === 0) return of(0);
  if (after < 0) return of(BAND_MIDDLES.length - 1);
  const [low = 0, high = 1] = [BAND_MIDDLES[after - 1], BAND_MIDDLES[after]];
  const share = (days - low) / (high - low);
  return of(after - 1) * (1 - share) + of(after) * share;
}

const posterior = (before: number, { tries, failed }: Woken): number =>
  (WAKES_WORTH.value * before + failed) / (WAKES_WORTH.value + tries);

/** The same with its band: 8 in 10 that the chance lies between. In: the chance before, 0 to 1, and what was woken in that band. */
export function riskBand(before: number, { tries, failed }: Woken): { low: number; middle: number; high: number } {
  const [a, b] = [WAKES_WORTH.value * before + failed, WAKES_WORTH.value * (1 - before) + tries - failed];
  return { low: quantile(0.1, a, b), middle: a / (a + b), high: quantile(0.9, a, b) };
}
