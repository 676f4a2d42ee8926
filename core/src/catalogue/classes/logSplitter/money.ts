import type { ClassMoney } from '../../shapes';

/** A hire day, what a sound unit is worth, and what another engine costs (judgement). */
export const MONEY: ClassMoney = {
  dayCents: 9500,
  soundCents: 140_000,
  scrapCents: 12_000,
  engineCents: 28_000,
  swapMinutes: 100,
};
