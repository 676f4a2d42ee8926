import { JUDGEMENT, type ClassMoney } from '../../shapes';

/** A hire day, what a sound unit is worth new in the yard, and what another engine costs (judgement). */
export const MONEY: ClassMoney = {
  dayCents: 11_000,
  soundCents: 210_000,
  scrapCents: 20_000,
  engineCents: 52_000,
  swapMinutes: 300,
  halfLife: { hours: 3000, years: 10 },
  source: JUDGEMENT,
};
