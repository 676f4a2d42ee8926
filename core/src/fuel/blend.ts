import { JUDGEMENT, type Threshold } from '../catalogue';

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
  /** Days: so old at least is a tenth of it. */
  readonly ageDays: number;
  /** Of its time that it keeps, so much has a tenth of it spent: 1 is stale. */
  readonly spent: number;
  /** When it is stale, ms. */
  readonly staleBy: number;
  /** Of its volume, nobody knows what it is. */
  readonly unknown: number;
}

/** What a tenth of it does, the whole does: that much stale fuel is enough for gum in a jet. */
export const SPOILS: Threshold = {
  name: 'So much old fuel makes a mix as old as that is',
  value: 0.1,
  unit: 'of its volume',
  source: JUDGEMENT,
};

const DAY_MS = 86_400_000;
/** A share that differs by less is the same. */
const ALIKE = 1e-9;

/**
 * What a blend is at a moment. It is as old as its oldest portions that make up a tenth of its volume, and stale once those are; what is poured on
 * top freshens nothing. In: a blend and the moment, ms. Out: null where there is nothing.
 * Source: judgement of the trade, the volumes by mass balance. Example: 9 l that are 31 days old and keep 30, with 1 l of fresh alkylate: 31 days
 * old, stale since yesterday; half a litre of it in 9 l of fresh fuel: fresh.
 */
export function stateOf(blend: Blend, now: number): BlendState | null {
  const litres = litresOf(blend);
  if (litres <= NOTHING) return null;
  const ageOf = ({ boughtAt }: Portion): number => Math.max(now - boughtAt, 0) / DAY_MS;
  return {
    litres,
    ethanol: ethanolIn(blend) / litres,
    ageDays: worstTenth(blend, ageOf),
    spent: worstTenth(blend, (portion) => ageOf(portion) / portion.keepsDays),
    staleBy: -worstTenth(blend, ({ boughtAt, keepsDays }) => -(boughtAt + keepsDays * DAY_MS)),
    unknown: litresOf(blend.filter(({ isUnknown }) => isUnknown)) / litres,
  };
}

/** Of a figure of its portions, what at least a tenth of its volume has, or more. */
function worstTenth(blend: Blend, of: (portion: Portion) => number): number {
  const wanted = SPOILS.value * litresOf(blend) - ALIKE;
  let litres = 0;
  for (const portion of [...blend].sort((a, b) => of(b) - of(a))) {
    litres += portion.litres;
    if (litres >= wanted) return of(portion);
  }
  return Number.NaN;
}
