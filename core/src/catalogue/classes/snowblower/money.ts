import type { ClassMoney } from '../../shapes';

/** A hire day, what a sound unit is worth, and what another engine costs (judgement). */
export const MONEY: ClassMoney = {
  dayCents: 9000,
  soundCents: 120_000,
  scrapCents: 8000,
  engineCents: 30_000,
  swapMinutes: 120,
};
