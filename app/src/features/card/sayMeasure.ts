import type { Measure } from '@hudrik/core/card';
import { areOfOneDimension, convertValue } from '@hudrik/core/units';
import { sayRange } from '@/features/sheet';
import { sayDay, sayFull } from '@/writing';

export const isRight = ({ value, from, to }: Measure): boolean =>
  (from === null || value >= from) && (to === null || value <= to);

export function sayMeasure(measure: Measure): string {
  const { name, place, value, unit, from, to } = measure;
  const range = sayRange(from, to, unit);
  const verdict = range === '' ? '' : isRight(measure) ? `, right: ${range}` : `, not right: it should be ${range}`;
  return `${[name, place].filter(Boolean).join(', ')}: ${sayFull(value)} ${unit}${verdict}`;
}

/** A figure of another unit than the sheet's, in the sheet's. */
export const turnedMeasure = (value: number | null, from: string, to: string): number | null =>
  value === null || !areOfOneDimension(from, to) ? value : Number(convertValue(value, from, to).toPrecision(6));

export function sayLast(
  last: { readonly value: number; readonly unit: string; readonly at: string },
  facts: Measure | null,
): string {
  const before = facts ? (turnedMeasure(last.value, last.unit, facts.unit) ?? last.value) : last.value;
  const unit = facts && areOfOneDimension(last.unit, facts.unit) ? facts.unit : last.unit;
  const said = `Last time, ${sayDay(last.at)}: ${sayFull(before)} ${unit}.`;
  if (facts === null || unit !== facts.unit) return said;
  const change = Number((facts.value - before).toPrecision(6));
  return change === 0
    ? `${said} The same.`
    : `${said} ${change > 0 ? 'More' : 'Less'} by ${sayFull(Math.abs(change))}.`;
}
