import { JUDGEMENT, type ClassMoney } from '../../shapes';

/** A hire day, what a sound unit is worth new in the yard, and what another engine costs (judgement). */
export const MONEY: ClassMoney = {
  dayCents: 6500,
  soundCents: 62_000,
  scrapCents: 4000,
  engineCents: 24_000,
  swapMinutes: 90,
  halfLife: { hours: 1500, years: 7 },
  source: JUDGEMENT,
};
