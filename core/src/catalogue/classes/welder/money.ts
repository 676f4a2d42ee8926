import type { ClassMoney } from '../../shapes';

/** A hire day, what a sound unit is worth, and what another engine costs (judgement). */
export const MONEY: ClassMoney = {
  dayCents: 11_000,
  soundCents: 210_000,
  scrapCents: 20_000,
  engineCents: 52_000,
  swapMinutes: 300,
};
