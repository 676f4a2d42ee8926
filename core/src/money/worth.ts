/** In how many hours, and in how many years, a unit loses half of what it is worth. */
export interface HalfLife {
  readonly hours: number;
  readonly years: number;
}

/**
 * What a unit is worth sound, by its age and hours.
 * In: its worth new, cents; true hours and years, from 0; half-lives of its class; the least it is worth, cents. Out: cents, not below the
 * least. Declining balance: half of it goes in so many hours, and half of the rest in so many years. Source: common practice of valuing
 * hire plant; the half-lives are judgement. Example: 1100.00 with half-lives of 2000 h and 8 years, at 1000 h and 4 years: 550.00.
 */
export const worthOf = (
  newCents: number,
  { hours, years }: { readonly hours: number; readonly years: number },
  half: HalfLife,
  leastCents: number,
): number => Math.max(newCents * 0.5 ** (hours / half.hours) * 0.5 ** (years / half.years), leastCents);

/**
 * Odds from cases, shrunk to what is held without any.
 * In: the prior odds, how many cases that belief is worth, cases and how many of them came true. Out: odds. Source: mean of a Beta posterior
 * (Gelman et al., Bayesian Data Analysis, 3rd ed., 2.4). Example: 0.1 worth 20 cases, and 3 of 10: 5 of 30.
 */
export const shrunkOdds = (prior: number, worth: number, cases: number, came: number): number =>
  (prior * worth + came) / (worth + cases);

/**
 * Money as an estimate should say it: no finer than it is known. In and out: cents. Under 20.00 to 1.00, under 200.00 to 5.00, under 2000.00
 * to 10.00, above to 50.00; half away from nought. Example: 173.38 is 175.00.
 */
export function roundMoney(cents: number): number {
  const size = Math.abs(cents);
  const step = size < 2000 ? 100 : size < 20_000 ? 500 : size < 200_000 ? 1000 : 5000;
  return Math.sign(cents) * Math.round(size / step) * step;
}
