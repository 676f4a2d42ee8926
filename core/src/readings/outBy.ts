import { exact } from '../figures';
import type { Bands } from './bandReading';

export interface Out {
  /** Outside by so much, in the unit of the bands; 0 inside. */
  readonly by: number;
  readonly way: 'in' | 'low' | 'high';
  /** The healthy band; no upper end: null. */
  readonly from: number;
  readonly to: number | null;
}

/**
 * How far a reading is outside its healthy band, and on which side.
 * In: value in the unit of the bands, bands, the healthy outcome. Out: see Out. A band's ends are inside it. Example: 0.040 in against
 * 0.028 to 0.031: high by 0.009.
 */
export function outBy(value: number, { steps }: Bands, healthy: string): Out {
  const at = steps.findIndex((step) => step.outcome === healthy);
  const from = steps[at]?.from ?? 0;
  const to = steps[at + 1]?.from ?? null;
  const read = exact(value);
  if (read < from) return { by: exact(from - read), way: 'low', from, to };
  return to !== null && read > to ? { by: exact(read - to), way: 'high', from, to } : { by: 0, way: 'in', from, to };
}
