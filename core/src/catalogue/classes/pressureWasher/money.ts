import type { ClassMoney } from '../../shapes';

/** A hire day, what a sound unit is worth, and what another engine costs (judgement). */
export const MONEY: ClassMoney = {
  dayCents: 6500,
  soundCents: 62_000,
  scrapCents: 4000,
  engineCents: 24_000,
  swapMinutes: 90,
};
