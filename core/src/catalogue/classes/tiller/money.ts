import { JUDGEMENT, type ClassMoney } from '../../shapes';

/** A hire day, what a sound unit is worth new in the yard, and what another engine costs (judgement). */
export const MONEY: ClassMoney = {
  dayCents: 7000,
  soundCents: 85_000,
  scrapCents: 6000,
  engineCents: 26_000,
  swapMinutes: 110,
  halfLife: { hours: 1500, years: 12 },
  source: JUDGEMENT,
};
