import { JUDGEMENT, type Threshold } from '../catalogue/shapes';
import { reorderPoint } from './reorderPoint';

/** What a part is asked for. */
export interface PartDemand {
  /** Put on by repairs, less what came back, over so many days that it has been here. */
  readonly used: number;
  readonly days: number;
  /** Days from now in which service that takes it falls due, one for each. */
  readonly serviceIn: readonly number[];
  /** Days until an order comes. */
  readonly leadDays: number;
}

export interface Stock {
  /** Asked for by repairs, a day. */
  readonly perDay: number;
  /** Of those that service wants, so many before an order of today comes. */
  readonly serviceWants: number;
  /** Order when fewer are free. */
  readonly orderBelow: number;
  /** Up to so many. */
  readonly orderUpTo: number;
}

export const LASTS_DAYS: Threshold = {
  name: 'An order for the shelf is to last so long after it has come',
  value: 30,
  unit: 'd',
  source: JUDGEMENT,
};
export const KNOWN_AFTER_DAYS: Threshold = {
  name: 'A part that is just new counts as here for so long: nobody knows yet how often it is used',
  value: 60,
  unit: 'd',
  source: JUDGEMENT,
};

/**
 * How many of a part are to lie there. In: its demand, the share of times that it should be there (over 0, under 1). Out: whole parts.
 * Repairs are rare and independent: Poisson over the lead time; service that falls due before an order comes adds its own number. Source: the
 * order-up-to rule with Poisson demand (Silver, Pyke & Thomas, Inventory and Production Management in Supply Chains, from memory).
 * Example: 4 used in 120 days, one service due in 5 days, 7 days lead, 0.95: order below 2.
 */
export function stockFor({ used, days, serviceIn, leadDays }: PartDemand, serviceLevel: number): Stock {
  const perDay = Math.max(used, 0) / Math.max(days, KNOWN_AFTER_DAYS.value);
  const within = (span: number): number => serviceIn.filter((inDays) => inDays <= span).length;
  const upTo = (span: number): number => reorderPoint(perDay, span, serviceLevel) + within(span);
  return {
    perDay,
    serviceWants: within(leadDays),
    orderBelow: upTo(leadDays),
    orderUpTo: upTo(leadDays + LASTS_DAYS.value),
  };
}
