import { JUDGEMENT, type ClassMoney } from '../../shapes';

/** A hire day, what a sound unit is worth new in the yard, and what another engine costs (judgement). */
export const MONEY: ClassMoney = {
  dayCents: 9500,
  soundCents: 140_000,
  scrapCents: 12_000,
  engineCents: 28_000,
  swapMinutes: 100,
  halfLife: { hours: 2500, years: 12 },
  source: JUDGEMENT,
};
