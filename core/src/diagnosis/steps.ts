import { JUDGEMENT, type Threshold } from '../catalogue/shapes';
/** What may be done: a check made, or a fault put right. */
export interface Choice {
  readonly kind: 'check' | 'repair';
  readonly id: string;
}

export interface Step extends Choice {
  /** Hands-on, with what must be taken off first. */
  readonly minutes: number;
  /** Minutes (parts counted at the bench rate) that the way to the end is expected to be shorter by. */
  readonly expectedSaving: number;
  /** Tools that it needs and that are not at hand. */
  readonly toolsMissing: readonly string[];
  /** Of a repair: how likely its fault is what is looked for. */
  readonly odds?: number;
  /** What it puts right is established. */
  readonly given?: true;
  /** It is put right before anything else is looked at. */
  readonly now?: true;
}

/** What is established and not put right: how likely it explains everything. */
export interface ToPutRight {
  readonly id: string;
  readonly enough: number;
}

export const LONG_ODDS: Threshold = {
  name: 'A repair at odds under these is not made while a check pays',
  value: 0.2,
  unit: 'probability',
  source: JUDGEMENT,
};
/** A cover is what takes longer to come off than this; plug and hose are none. */
const COVER_MINUTES = 3;
/** What is behind a cover comes first only where it is better by so many minutes and by this share. */
const BETTER_BY = { minutes: 5, share: 0.25 };
/** Steps as good as each other within this: then the cheaper one, with nothing to take off. */
const AS_GOOD = { minutes: 1, share: 0.1 };

/** What can be done with what is at hand before what cannot, what pays before what does not; long shots wait for checks. */
function lateness(step: Step): number {
  if (step.toolsMissing.length > 0) return 4;
  if (step.now === true) return 0;
  if (step.expectedSaving < -1e-9) return 3;
  return step.kind === 'repair' && step.given !== true && (step.odds ?? 1) < LONG_ODDS.value ? 2 : 1;
}

/**
 * Best first. Behind a cover only where it is much better; of what is as good as the best, what is cheapest with nothing to take off.
 * In: steps, the minutes until a hand gets to a check. Out: the same steps in order.
 */
export function inOrder(steps: readonly Step[], coverOf: (id: string) => number): Step[] {
  const sorted = [...steps].sort(
    (x, y) => lateness(x) - lateness(y) || y.expectedSaving - x.expectedSaving || x.minutes - y.minutes,
  );
  const first = sorted[0];
  if (first === undefined || lateness(first) !== 1 || first.kind !== 'check') return sorted;
  const rivals = sorted.filter((step) => lateness(step) === 1 && step.kind === 'check');
  const isCovered = (step: Step): boolean => coverOf(step.id) > COVER_MINUTES;
  const open = rivals.find((step) => !isCovered(step));
  const isWorthIt = (step: Step, other: Step): boolean =>
    step.expectedSaving >= other.expectedSaving + BETTER_BY.minutes &&
    step.expectedSaving >= other.expectedSaving * (1 + BETTER_BY.share);
  const top = isCovered(first) && open !== undefined && !isWorthIt(first, open) ? open : first;
  const within = Math.max(AS_GOOD.minutes, AS_GOOD.share * top.expectedSaving);
  const chosen = rivals
    .filter((step) => top.expectedSaving - step.expectedSaving <= within && (step === top || !isCovered(step)))
    .reduce((least, step) => (step.minutes < least.minutes ? step : least), top);
  return [chosen, ...sorted.filter((step) => step !== chosen)];
}
