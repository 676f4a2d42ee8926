import type { UnitSheet } from '@hudrik/core/contracts';
import { useRead } from '@/api';

const FRESH_MS = 60_000;

/** What is known of a unit beside its state; null without a unit, or until it is there. */
export function useUnitSheet(tag: string | null): UnitSheet | null {
  const read = useRead('unitSheet', { params: { tag: tag ?? '' }, enabled: tag !== null, staleTime: FRESH_MS });
  return read.data ?? null;
}
