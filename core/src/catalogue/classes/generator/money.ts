import { JUDGEMENT, type ClassMoney } from '../../shapes';

/** A hire day, what a sound unit is worth new in the yard, and what another engine costs (judgement). */
export const MONEY: ClassMoney = {
  dayCents: 8500,
  soundCents: 110_000,
  scrapCents: 9000,
  engineCents: 38_000,
  swapMinutes: 240,
  halfLife: { hours: 2500, years: 9 },
  source: JUDGEMENT,
};
