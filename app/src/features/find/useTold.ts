import type { Defect } from '@hudrik/core/contracts';
import { useRead } from '@/api';

/** What was told of a unit and is open: a cause that explains it closes it. */
export function useTold(tag: string | null): readonly Defect[] {
  const page = useRead('unit', { params: { tag: tag ?? '' }, enabled: tag !== null });
  return page.data?.defects.filter((defect) => defect.origin.kind === 'told') ?? [];
}
