import { methodsFor, type ClassId, type LayUpMethodId } from '@hudrik/core/catalogue';
import { refuse } from '../refusal';

export function mustFit(classId: ClassId, method: LayUpMethodId): void {
  if (!methodsFor(classId).includes(method)) refuse('does-not-fit', { method, classId });
}
