import quantile from '@stdlib/stats-base-dists-poisson-quantile';

/**
 * The stock at which to order again: the smallest that the demand over the lead time stays within at the wanted service level.
 * In: mean use a day (from 0), lead time in days, service level (over 0, under 1). Out: whole parts. Demand is Poisson (independent rare
 * uses). Example: 0.1 a day and 10 days at 0.95 give 3.
 */
export const reorderPoint = (perDay: number, leadDays: number, serviceLevel: number): number =>
  quantile(serviceLevel, perDay * leadDays);
