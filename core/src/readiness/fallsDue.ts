import { forecastHours, type UseRate } from '../hours';

interface GoingFor {
  /** Running hours until the oil service. */
  readonly hoursToOilService: number;
  readonly use: UseRate;
  /** Days on hire. */
  readonly days: number;
}

/**
 * What falls due while a unit is on hire, as sentences.
 * In: hours left to the oil service (overdue below 0), the belief in its use, days on hire. Out: none where the hours to be expected fit in.
 * Source: common practice. Example: 3 h left, 5 h a day for 2 days: the service would run out.
 */
export function fallsDue({ hoursToOilService, use, days }: GoingFor): string[] {
  const { expected } = forecastHours(use, days);
  if (hoursToOilService < 0) return [`The oil service is ${hours(-hoursToOilService)} h overdue.`];
  if (expected <= hoursToOilService) return [];
  return [
    `The oil service would run out during this hire: ${hours(hoursToOilService)} h are left, about ${hours(expected)} h are to be expected.`,
  ];
}

const hours = (value: number): number => Math.round(value * 10) / 10;
