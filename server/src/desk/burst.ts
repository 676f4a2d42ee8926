/** A stretch of time in which one unit of a class is away. */
export interface Stretch {
  readonly fromAt: string;
  readonly toAt: string;
}

/** More hires at one moment than so many times the units of a class are no ordinary day, but a mistake of whoever writes the list. */
const TIMES_UNITS = 3;

/** So many hires of a class at one moment are taken without asking. */
export const usualAtOnce = (units: number): number => TIMES_UNITS * Math.max(units, 1);

/**
 * Which of the new hires of a class lie in a moment at which more than `most` are away.
 * In: what is booked or out already, what is new. Out: those held back, in their order, and the busiest moment (null: none has too many).
 */
export function heldBackOf<T extends Stretch>(
  booked: readonly Stretch[],
  fresh: readonly T[],
  most: number,
): { readonly held: readonly T[]; readonly busiest: { readonly at: string; readonly atOnce: number } | null } {
  const steps = [...booked, ...fresh]
    .flatMap(({ fromAt, toAt }) => [
      { at: fromAt, by: 1 },
      { at: toAt, by: -1 },
    ])
    // One ends at the moment at which the next begins.
    .sort((a, b) => a.at.localeCompare(b.at) || a.by - b.by);
  const crowded: { from: string; to: string }[] = [];
  let atOnce = 0;
  let busiest: { at: string; atOnce: number } | null = null;
  for (const { at, by } of steps) {
    const was = atOnce;
    atOnce += by;
    if (was <= most && atOnce > most) crowded.push({ from: at, to: at });
    if (was > most && atOnce <= most) crowded[crowded.length - 1] = { from: crowded.at(-1)?.from ?? at, to: at };
    if (atOnce > most && atOnce > (busiest?.atOnce ?? 0)) busiest = { at, atOnce };
  }
  const held = fresh.filter(({ fromAt, toAt }) => crowded.some(({ from, to }) => fromAt < to && toAt > from));
  return { held, busiest };
}
