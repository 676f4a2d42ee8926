import { litresOf, stateOf } from '@hudrik/core/fuel';
import type { Trx } from '../database/tables';
import { closeOf } from '../defects/closeDefects';
import type { Taker } from '../log/taking';
import { refuse } from '../refusal';
import { canById, mixInto, moveFuel } from './cans';
import { readFuel } from './unitFuel';
import { STALE_FUEL } from './staleFuel';

/** A device's clock may be so far ahead. */
const AHEAD_MS = 5 * 60_000;
/** By the book a tank may hold a little less than it does. */
const OVER_BY = 1.1;
const round = (litres: number): number => Math.round(litres * 100) / 100;

/** Fuel is poured in: out of a can of the yard's, whose fuel it is, or out of another. What the tank cannot hold by far is refused. */
export const takeFuelled: Taker<'fuelled'> = async ({
  change: { trx, unit, at: now },
  actor,
  id,
  at,
  facts,
  record,
}) => {
  const pouredAt = facts.pouredAt === undefined ? at : new Date(facts.pouredAt);
  mustBePast(pouredAt, now);
  const before = await fuelOf(trx, unit.id);
  const room = before.tank.litres - litresOf(before.passport.blend);
  if (facts.litres > before.tank.litres * OVER_BY)
    refuse('tank-too-small', { litres: facts.litres, holds: before.tank.litres });
  const can = facts.canId === null ? null : await canById(trx, facts.canId);
  if (can === null && facts.fuel === undefined) refuse('not-valid', { field: 'fuel' });
  const overflow = facts.pouredAt === undefined && facts.litres > room ? round(facts.litres - room) : 0;
  await record({
    outcome: {
      fuel: can?.fuel ?? facts.fuel,
      boughtAt: can ? can.bought_at.toISOString() : (facts.boughtAt ?? null),
      isTreated: can ? can.treated_at !== null : facts.isTreated,
      ...(can ? { can: can.name } : {}),
      ...(overflow > 0 ? { overflow } : {}),
    },
  });
  if (can)
    await moveFuel(trx, {
      canId: can.id,
      change: -facts.litres,
      why: 'poured',
      unitId: unit.id,
      entryId: id,
      at: pouredAt,
      by: actor.id,
    });
  await closeStale(trx, unit.id, id, now);
};

/** Somebody looked into the tank. */
export const takeFuelSeen: Taker<'fuel-seen'> = async ({ change: { trx, unit, at: now }, id, at, facts, record }) => {
  mustBePast(facts.seenAt === undefined ? at : new Date(facts.seenAt), now);
  await record({});
  await closeStale(trx, unit.id, id, now);
};

/** Fuel is drained, run dry or treated. */
export const takeFuelOut: Taker<'fuel-out'> = async ({
  change: { trx, unit, at: now },
  actor,
  id,
  at,
  facts,
  record,
}) => {
  const doneAt = facts.doneAt === undefined ? at : new Date(facts.doneAt);
  mustBePast(doneAt, now);
  if (facts.litres === undefined && facts.bowl === undefined && !facts.isTreated)
    refuse('not-valid', { field: 'litres' });
  const before = await fuelOf(trx, unit.id);
  const there = litresOf(before.passport.blend);
  const can = facts.canId == null ? null : await canById(trx, facts.canId);
  const drained = facts.litres === undefined ? 0 : Math.min(facts.litres ?? there, there);
  const state = stateOf(before.passport.blend, doneAt.getTime());
  if (can && state && drained > 0) await mixInto(trx, can, { ...state, litres: drained }, doneAt);
  await record({ outcome: can ? { can: can.name, litres: round(drained) } : {} });
  if (can && drained > 0)
    await moveFuel(trx, {
      ...{ canId: can.id, change: drained, why: 'drained-into', unitId: unit.id, entryId: id, at: doneAt },
      by: actor.id,
    });
  await closeStale(trx, unit.id, id, now);
};

function mustBePast(when: Date, now: Date): void {
  if (when.getTime() > now.getTime() + AHEAD_MS) refuse('not-valid', { field: 'at', value: when.toISOString() });
}

async function fuelOf(trx: Trx, unitId: number) {
  const [fuel] = await readFuel(trx, unitId);
  if (fuel === undefined) throw new Error(`Unit ${unitId} is not there`);
  return fuel;
}

/** What is stale no more is no defect any more. */
export async function closeStale(trx: Trx, unitId: number, entryId: string, at: Date): Promise<void> {
  const { passport } = await fuelOf(trx, unitId);
  const state = stateOf(passport.blend, at.getTime());
  if (state !== null && state.spent >= 1) return;
  await closeOf(trx, { unitId, kind: 'derived', ids: [STALE_FUEL] }, { entryId, how: 'put-right', at });
}
