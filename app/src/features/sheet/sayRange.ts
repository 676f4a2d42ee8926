import { sayFull } from '@/writing';

/** From where to where something is right. Example: "60.2 to 60.8 mm". */
export function sayRange(from: number | null, to: number | null, unit: string): string {
  if (from !== null && to !== null) return `${sayFull(from)} to ${sayFull(to)} ${unit}`;
  if (from !== null) return `from ${sayFull(from)} ${unit}`;
  return to === null ? '' : `up to ${sayFull(to)} ${unit}`;
}
