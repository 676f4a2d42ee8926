import { JUDGEMENT, type Threshold } from '../catalogue/shapes';

export const SHARE_OUT: Threshold = {
  name: 'Of its days a unit is out, before its own are known',
  value: 0.35,
  unit: 'of the days',
  source: JUDGEMENT,
};

export const SHARE_OUT_WORTH: Threshold = {
  name: 'That share is worth so many days',
  value: 60,
  unit: 'days',
  source: JUDGEMENT,
};

/**
 * Of its days, the share that a unit is on hire: its own, shrunk to what is usual. In: days that it was on the yard's books, days of them on
 * hire. Out: 0 to 1. Source: the mean of a beta belief after counting (Gelman et al., Bayesian Data Analysis, 3rd ed., 2.4).
 * Example: 60 days, 39 of them out: (21 + 39) ÷ 120 = 0.5.
 */
export const shareOnHire = (days: number, daysOut: number): number =>
  (SHARE_OUT.value * SHARE_OUT_WORTH.value + Math.min(daysOut, days)) / (SHARE_OUT_WORTH.value + days);
