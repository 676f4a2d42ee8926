/** Fuel of one kind and age, in a tank or a can. */
export interface Portion {
  readonly litres: number;
  /** Of its volume, 0 to 1. */
  readonly ethanol: number;
  /** When it was bought, ms. Where nobody knows: when it came. */
  readonly boughtAt: number;
  /** Days that it keeps from then. */
  readonly keepsDays: number;
  /** Nobody knows what it is. */
  readonly isUnknown: boolean;
}

/** What is in a tank: its portions are mixed, and leave it in proportion. */
export type Blend = readonly Portion[];

export const EMPTY: Blend = [];

/** Less is a film on the wall, litres. */
const NOTHING = 1e-9;

export const litresOf = (blend: Blend): number => blend.reduce((sum, { litres }) => sum + litres, 0);

/** Litres of ethanol in it. */
export const ethanolIn = (blend: Blend): number =>
  blend.reduce((sum, { litres, ethanol }) => sum + litres * ethanol, 0);

/** Poured in. */
export const pour = (blend: Blend, portion: Portion): Blend => (portion.litres > NOTHING ? [...blend, portion] : blend);

/**
 * Taken out of a blend, burnt or drained: in proportion of all that is in it. In: litres, 0 or more; more than there is takes all. Out: what is
 * left, and what was taken. Litres and ethanol of both together are those of before.
 */
export function take(blend: Blend, litres: number): { readonly left: Blend; readonly taken: Blend } {
  const all = litresOf(blend);
  const share = all <= NOTHING ? 1 : Math.min(Math.max(litres, 0) / all, 1);
  const scaled = (by: number): Blend =>
    blend.map((portion) => ({ ...portion, litres: portion.litres * by })).filter((one) => one.litres > NOTHING);
  return { left: scaled(1 - share), taken: scaled(share) };
}

export interface BlendState {
  readonly litres: number;
  /** Share of its volume, 0 to 1. */
  readonly ethanol: number;
  /** By volume, days. */
  readonly ageDays: number;
  /** Of its time that it keeps, by volume: 1 is stale. */
  readonly spent: number;
  /** When it is stale, ms. */
  readonly staleBy: number;
  /** Of its volume, nobody knows what it is. */
  readonly unknown: number;
}

const DAY_MS = 86_400_000;

/**
 * What a blend is at a moment: all by volume. Each portion has spent its age over the days that it keeps; the blend what its portions have, by
 * their shares; it is stale when that is 1. In: a blend and the moment, ms. Out: null where there is nothing.
 * Source: mass balance; ageing in proportion to time: judgement. Example: a litre 30 days old that keeps 30 and a litre fresh: half spent,
 * stale in 15 days.
 */
export function stateOf(blend: Blend, now: number): BlendState | null {
  const litres = litresOf(blend);
  if (litres <= NOTHING) return null;
  const mean = (of: (portion: Portion) => number): number =>
    blend.reduce((sum, portion) => sum + portion.litres * of(portion), 0) / litres;
  const ageDays = mean(({ boughtAt }) => Math.max(now - boughtAt, 0) / DAY_MS);
  const spent = mean(({ boughtAt, keepsDays }) => Math.max(now - boughtAt, 0) / DAY_MS / keepsDays);
  const perDay = mean(({ keepsDays }) => 1 / keepsDays);
  return {
    litres,
    ethanol: ethanolIn(blend) / litres,
    ageDays,
    spent,
    staleBy: now + ((1 - spent) / perDay) * DAY_MS,
    unknown: mean(({ isUnknown }) => Number(isUnknown)),
  };
}
