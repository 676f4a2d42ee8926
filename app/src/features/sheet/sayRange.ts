import { sayValue } from '@/writing';

/** From where to where something is right. Example: "60.2 to 60.8 mm". */
export function sayRange(from: number | null, to: number | null, unit: string): string {
  if (from !== null && to !== null) return `${sayValue(from)} to ${sayValue(to)} ${unit}`;
  if (from !== null) return `from ${sayValue(from)} ${unit}`;
  return to === null ? '' : `up to ${sayValue(to)} ${unit}`;
}
