import { LAY_UP_METHODS, type FuelId, type LayUpMethod, type LayUpMethodId } from '../catalogue';
import type { FuelEvent } from './passport';

/** What was poured in and drained at a lay-up, where it was said. */
export interface LayUpFuel {
  readonly staysIn: boolean;
  readonly poured: { readonly litres: number; readonly fuel: FuelId; readonly boughtAt: number } | null;
}

/** What a way of lay-up leaves in a tank in which so much stays, litres. In: what the tank holds. */
export function pouredAtLayUp(method: LayUpMethodId, stays: number, tankLitres: number): number {
  const { leaves } = LAY_UP_METHODS[method];
  if (leaves === null) return 0;
  return leaves.litres === 'full' ? Math.max(tankLitres - stays, 0) : Math.min(leaves.litres, tankLitres - stays);
}

/**
 * What a way of lay-up does to the fuel of a unit. In: the method, when (ms), what its tank holds, litres; what was said of it, null: nothing, then
 * as the method has it. Out: events, none where it is left as it is.
 */
export function eventsOfLayUp(
  method: LayUpMethodId,
  at: number,
  tankLitres: number,
  said: LayUpFuel | null = null,
): FuelEvent[] {
  const { leaves, takesStabiliser, staysReady, steps } = LAY_UP_METHODS[method];
  if (steps.length === 0) return [];
  const { staysIn, poured } = said ?? asTheMethodHasIt(method, at, tankLitres);
  return [
    staysIn ? { what: 'treated', at } : { what: 'drained', at, litres: null },
    // A moment later: what was in it went first.
    ...(poured === null ? [] : [{ what: 'poured', at: at + 1, ...poured, isTreated: takesStabiliser } as const]),
    { what: 'line', at: at + 2, bowl: leaves === null ? 'drained' : 'wet', isTapShut: !staysReady },
  ];
}

function asTheMethodHasIt(method: LayUpMethodId, at: number, tankLitres: number): LayUpFuel {
  const { leaves } = LAY_UP_METHODS[method];
  const litres = pouredAtLayUp(method, 0, tankLitres);
  return { staysIn: false, poured: leaves === null ? null : { litres, fuel: leaves.fuel, boughtAt: at } };
}

/** Whether good fuel may stay in: what a way fills up is filled up on top of it, with stabiliser in all of it. */
export function mayStayIn(method: LayUpMethodId): boolean {
  const { leaves }: LayUpMethod = LAY_UP_METHODS[method];
  return leaves?.litres === 'full';
}
