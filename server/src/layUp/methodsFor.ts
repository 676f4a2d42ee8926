import { LAY_UP_METHOD_IDS, TANKS, type ClassId, type LayUpMethodId } from '@hudrik/core/catalogue';
import { refuse } from '../refusal';

/** Ways of lay-up that fit a class: what is run each month has a battery to keep. */
export const methodsFor = (classId: ClassId): LayUpMethodId[] =>
  LAY_UP_METHOD_IDS.filter((id) => id !== 'exercised' || TANKS[classId].hasBattery);

export function mustFit(classId: ClassId, method: LayUpMethodId): void {
  if (!methodsFor(classId).includes(method)) refuse('does-not-fit', { method, classId });
}
