import { LAY_UP_METHODS } from '@hudrik/core/catalogue';
import { litresOf, pouredAtLayUp, stateOf } from '@hudrik/core/fuel';
import type { Facts } from '@hudrik/core/log';
import { canById, mixInto, moveFuel } from '../fuel/cans';
import { readFuel } from '../fuel/unitFuel';
import type { UnitChange } from '../log/changeUnit';

type Said = Pick<Facts<'laid-up'>, 'method' | 'drainedInto' | 'pouredFrom' | 'staysIn'>;
const round = (litres: number): number => Math.round(litres * 100) / 100;

/**
 * What a lay-up does with fuel: what was in the tank goes into a can or for disposal, or stays; what the method leaves comes out of a can. Out: what
 * is written down of it, and what moves it once that is; of one that says nothing of cans, nothing.
 */
export async function fuelOfLayUp(
  { trx, unit, at }: Pick<UnitChange, 'trx' | 'unit' | 'at'>,
  { method, drainedInto, pouredFrom, staysIn = false }: Said,
  entryId: string,
  by: number | null,
) {
  const asked = drainedInto !== undefined || pouredFrom !== undefined || staysIn;
  const [tank] = await readFuel(trx, unit.id);
  if (!asked || tank === undefined || LAY_UP_METHODS[method].steps.length === 0) return { outcome: {}, move: nothing };
  const { leaves } = LAY_UP_METHODS[method];
  const there = litresOf(tank.passport.blend);
  const drained = staysIn ? 0 : there;
  const poured = pouredAtLayUp(method, there - drained, tank.tank.litres);
  const into = drainedInto == null || drained === 0 ? null : await canById(trx, drainedInto);
  const from = pouredFrom == null || poured === 0 ? null : await canById(trx, pouredFrom);
  const state = stateOf(tank.passport.blend, at.getTime());
  const outcome = {
    drained: round(drained),
    ...(into ? { into: into.name } : {}),
    ...(poured > 0 && leaves
      ? { poured: round(poured), fuel: from?.fuel ?? leaves.fuel, boughtAt: (from?.bought_at ?? at).toISOString() }
      : {}),
    ...(from ? { outOf: from.name } : {}),
  };
  const move = async (): Promise<void> => {
    const about = { unitId: unit.id, entryId, at, by };
    if (into && state) {
      await mixInto(trx, into, { ...state, litres: drained }, at);
      await moveFuel(trx, { ...about, canId: into.id, change: drained, why: 'drained-into' });
    }
    if (from) await moveFuel(trx, { ...about, canId: from.id, change: -poured, why: 'poured' });
  };
  return { outcome, move };
}

const nothing = async (): Promise<void> => undefined;
