import { LAY_UP_METHODS, type LayUpMethodId } from '../catalogue';
import type { FuelEvent } from './passport';

/** What a way of lay-up does to the fuel of a unit. In: the method, when (ms), what its tank holds, litres. Out: events, none where it is left as it is. */
export function eventsOfLayUp(method: LayUpMethodId, at: number, tankLitres: number): FuelEvent[] {
  const { leaves, takesStabiliser, staysReady, steps } = LAY_UP_METHODS[method];
  if (steps.length === 0) return [];
  const drained: FuelEvent = { what: 'drained', at, litres: null };
  const bowl = leaves === null ? 'drained' : 'wet';
  const line: FuelEvent = { what: 'line', at: at + 2, bowl, isTapShut: !staysReady };
  if (leaves === null) return [drained, line];
  const litres = leaves.litres === 'full' ? tankLitres : Math.min(leaves.litres, tankLitres);
  // A moment later: what was in it went first.
  const poured = {
    what: 'poured',
    at: at + 1,
    litres,
    fuel: leaves.fuel,
    boughtAt: at,
    isTreated: takesStabiliser,
  } as const;
  return [drained, poured, line];
}
