import { LAY_UP_METHODS } from '@hudrik/core/catalogue';
import { litresOf, mayStayIn, pouredAtLayUp, stateOf } from '@hudrik/core/fuel';
import type { Facts } from '@hudrik/core/log';
import type { Trx } from '../database/tables';
import { canById, mixInto, moveFuel } from '../fuel/cans';
import { readFuel } from '../fuel/unitFuel';
import type { UnitChange } from '../log/changeUnit';
import { refuse } from '../refusal';

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
  const [tank] = await readFuel(trx, unit.id);
  const isSaid = staysIn || drainedInto !== undefined || pouredFrom !== undefined;
  if (!isSaid || tank === undefined || LAY_UP_METHODS[method].steps.length === 0) return { outcome: {}, move: nothing };
  if (staysIn && !mayStayIn(method)) refuse('does-not-fit', { method, classId: unit.class_id });
  const { leaves } = LAY_UP_METHODS[method];
  const there = litresOf(tank.passport.blend);
  const drained = staysIn ? 0 : there;
  const poured = pouredAtLayUp(method, there - drained, tank.tank.litres);
  const into = await canFor(trx, drainedInto, drained);
  const from = await canFor(trx, pouredFrom, poured);
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

/** Null: no can of the yard's, or nothing that would go there. */
const canFor = async (trx: Trx, id: string | null | undefined, litres: number) =>
  id == null || litres === 0 ? null : canById(trx, id);

const nothing = async (): Promise<void> => undefined;
