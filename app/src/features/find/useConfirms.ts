import type { Defect } from '@hudrik/core/contracts';
import { usePerson, useRead } from '@/api';

/** Whether the person signed in may say what the cause was. */
export const useConfirms = (): boolean => {
  const { role } = usePerson();
  return role === 'technician' || role === 'lead';
};

/** What was told of a unit and is open: a cause that explains it closes it. */
export function useTold(tag: string | null): readonly Defect[] {
  const page = useRead('unit', { params: { tag: tag ?? '' }, enabled: tag !== null });
  return page.data?.defects.filter((defect) => defect.origin.kind === 'told') ?? [];
}
