import { LAY_UP_METHODS, type FuelId, type LayUpMethodId } from '../catalogue';
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
  if (said !== null) return eventsAsSaid(method, at, said);
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

function eventsAsSaid(method: LayUpMethodId, at: number, { staysIn, poured }: LayUpFuel): FuelEvent[] {
  const { leaves, takesStabiliser, staysReady } = LAY_UP_METHODS[method];
  const line: FuelEvent = {
    ...{ what: 'line', at: at + 2, isTapShut: !staysReady },
    bowl: leaves === null ? 'drained' : 'wet',
  };
  return [
    ...(staysIn ? [] : [{ what: 'drained', at, litres: null } as const]),
    ...(staysIn && takesStabiliser ? [{ what: 'treated', at } as const] : []),
    ...(poured === null ? [] : [{ what: 'poured', at: at + 1, ...poured, isTreated: takesStabiliser } as const]),
    line,
  ];
}
