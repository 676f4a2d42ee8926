import { JUDGEMENT, type ClassMoney } from '../../shapes';

/** A hire day, what a sound unit is worth new in the yard, and what another engine costs (judgement). */
export const MONEY: ClassMoney = {
  dayCents: 9000,
  soundCents: 120_000,
  scrapCents: 8000,
  engineCents: 30_000,
  swapMinutes: 120,
  halfLife: { hours: 1500, years: 12 },
  source: JUDGEMENT,
};
