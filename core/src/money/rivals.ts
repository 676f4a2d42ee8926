/** A way to put something right. */
export interface RivalAsked {
  readonly title: string;
  /** Hands-on, with what has to come off. */
  readonly minutes: number;
  readonly partsCents: number;
  /** In what share of machines it holds, 0 to 1. */
  readonly holds: number;
}

export interface Rival extends RivalAsked {
  /** Cents: its own, and, where it does not hold, the surest of the others after it. */
  readonly expectedCents: number;
  /** From this share of machines on in which it holds, it is the cheapest to begin with; null: it never is, or always. */
  readonly breakEven: number | null;
}

/**
 * Ways to put one thing right, the cheapest in expectation first: each begun with, and the surest of the others after it where it does not hold.
 * In: the ways, cents an hour. Out: the same with their expected cost, cents. Example: a bath of 55 min and 22.00 that holds in 82 of 100, at
 * 78.00 an hour, costs 93.50 and in 18 of 100 a new carburettor for 87.50 more: 109.25; a new one at once 87.50 and in 3 of 100 a bath.
 */
export function rivalsOf(ways: readonly RivalAsked[], centsPerHour: number): Rival[] {
  const own = ({ minutes, partsCents }: RivalAsked): number => (minutes * centsPerHour) / 60 + partsCents;
  const after = (way: RivalAsked): number => {
    const others = ways.filter((other) => other !== way);
    const surest = others.sort((a, b) => b.holds - a.holds)[0];
    return surest === undefined ? 0 : own(surest);
  };
  const expected = (way: RivalAsked): number => own(way) + (1 - way.holds) * after(way);
  return ways
    .map((way) => {
      const cheapestOther = Math.min(...ways.filter((other) => other !== way).map(expected));
      const breakEven = 1 - (cheapestOther - own(way)) / after(way);
      return {
        ...way,
        expectedCents: Math.round(expected(way)),
        breakEven: breakEven > 0 && breakEven < 1 ? breakEven : null,
      };
    })
    .sort((a, b) => a.expectedCents - b.expectedCents);
}
