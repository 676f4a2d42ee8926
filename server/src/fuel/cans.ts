import { randomUUID } from 'node:crypto';
import { FUELS, type FuelId } from '@hudrik/core/catalogue';
import type { FuelStore } from '@hudrik/core/contracts';
import { stateOf, type BlendState } from '@hudrik/core/fuel';
import { sql } from 'kysely';
import type { Actor, Context } from '../context';
import { inTransaction } from '../database/inTransaction';
import type { Db, Trx } from '../database/tables';
import type { FuelTables } from '../database/fuelTables';
import { refuse } from '../refusal';
import { readFuel, toUnitFuel } from './unitFuel';

const DAY_MS = 86_400_000;

export async function canById(db: Db | Trx, id: string) {
  const can = await db.selectFrom('fuel_can').selectAll().where('id', '=', id).executeTakeFirst();
  return can ?? refuse('not-found', { can: id });
}

interface Move {
  readonly canId: string;
  readonly change: number;
  readonly why: FuelTables['fuel_move']['why'];
  readonly unitId?: number | null;
  readonly entryId?: string | null;
  readonly at: Date;
  readonly by: number | null;
}

/** What came into a can or went out of it. More out than there was is written down all the same: somebody counts it then. */
export async function moveFuel(trx: Trx, { canId, change, why, unitId, entryId, at, by }: Move): Promise<void> {
  await trx
    .insertInto('fuel_move')
    .values({
      ...{ can_id: canId, change, why, at, person_id: by },
      ...{ unit_id: unitId ?? null, entry_id: entryId ?? null },
    })
    .execute();
  if (why === 'poured')
    await trx
      .updateTable('fuel_can')
      .set({ opened_at: at })
      .where('id', '=', canId)
      .where('opened_at', 'is', null)
      .execute();
}

type Can = Awaited<ReturnType<typeof canById>>;

const litresIn = async (trx: Trx, canId: string): Promise<number> =>
  (
    await trx
      .selectFrom('fuel_move')
      .select(sql<number>`coalesce(sum(change), 0)::float8`.as('litres'))
      .where('can_id', '=', canId)
      .executeTakeFirstOrThrow()
  ).litres;

/** Less in a can is a film on its walls, litres. */
const EMPTY_LITRES = 0.1;
/** Ethanol that differs by more is another fuel, share. */
const ALIKE = 0.03;

/**
 * What is drained goes into an empty can, whose fuel it then is, or to its like: what is stale or of another blend would spoil what is in it, and is
 * refused. The mix is as old as its oldest tenth.
 */
export async function mixInto(trx: Trx, can: Can, fuel: BlendState, at: Date): Promise<void> {
  const there = await litresIn(trx, can.id);
  const boughtAt = new Date(at.getTime() - fuel.ageDays * DAY_MS);
  const change = (set: { fuel?: FuelId; bought_at: Date; treated_at?: null }) =>
    trx.updateTable('fuel_can').set(set).where('id', '=', can.id).execute();
  if (there <= EMPTY_LITRES) {
    await change({ fuel: kindOf(fuel.ethanol), bought_at: boughtAt, treated_at: null });
    return;
  }
  const isFresh = can.bought_at.getTime() + FUELS[can.fuel].keepsDays * DAY_MS > at.getTime();
  if (Math.abs(FUELS[can.fuel].ethanol - fuel.ethanol) > ALIKE || (fuel.spent >= 1 && isFresh))
    refuse('would-spoil', { can: can.name });
  await change({ bought_at: oldestOf([there, can.bought_at], [fuel.litres, boughtAt]) });
}

/** When what is mixed counts as bought: a mix is as old as its oldest, unless that is a drop. In: litres, and since when each is. */
function oldestOf(...parts: readonly (readonly [litres: number, boughtAt: Date])[]): Date {
  const about = { ethanol: 0, keepsDays: 1, isUnknown: false };
  const now = Math.max(...parts.map(([, at]) => at.getTime()));
  const blend = parts.map(([litres, at]) => ({ ...about, litres: Math.max(litres, 0), boughtAt: at.getTime() }));
  return new Date(now - (stateOf(blend, now)?.ageDays ?? 0) * DAY_MS);
}

/** The fuel whose ethanol is nearest; alkylate is not told from it. */
const kindOf = (ethanol: number): FuelId =>
  (['e10', 'e5', 'e0'] as const).reduce((best, id) =>
    Math.abs(FUELS[id].ethanol - ethanol) < Math.abs(FUELS[best].ethanol - ethanol) ? id : best,
  );

/** Cans with what is in them, and each unit's tank; what goes stale first comes first. */
export async function readFuelStore({ db, now }: Pick<Context, 'db' | 'now'>): Promise<FuelStore> {
  const at = now();
  const rows = await db
    .selectFrom('fuel_can as c')
    .selectAll('c')
    .select(
      sql<number>`(select coalesce(sum(m.change), 0)::float8 from fuel_move m where m.can_id = c.id)`.as('litres'),
    )
    .orderBy('c.name')
    .execute();
  const cans = rows.map(({ id, name, fuel, litres, litres_max: litresMax, place, ...times }) => {
    const { keepsDays, treatedDays, ethanol } = FUELS[fuel];
    const staleBy = times.bought_at.getTime() + (times.treated_at === null ? keepsDays : treatedDays) * DAY_MS;
    return {
      ...{ id, name, fuel, ethanol, litresMax, place },
      litres: Math.round(litres * 100) / 100,
      boughtAt: times.bought_at.toISOString(),
      openedAt: times.opened_at?.toISOString() ?? null,
      treatedAt: times.treated_at?.toISOString() ?? null,
      staleBy: new Date(staleBy).toISOString(),
      isStale: staleBy <= at.getTime() && litres > 0,
      // More came out than was in it.
      wantsCount: litres < -0.005 || litres > litresMax * 1.02,
    };
  });
  const units = (await readFuel(db)).map((fuel) => toUnitFuel(fuel, at)).filter(({ state }) => state !== null);
  return {
    cans,
    units: units.sort((a, b) => (a.state?.staleBy ?? '').localeCompare(b.state?.staleBy ?? '')),
    litres: Math.round(cans.reduce((sum, { litres }) => sum + Math.max(litres, 0), 0) * 10) / 10,
  };
}

interface NewCan {
  readonly name: string;
  readonly fuel: FuelId;
  readonly litresMax: number;
  readonly litres: number;
  readonly place: string;
  readonly boughtAt: string;
  readonly isTreated: boolean;
}

export async function addCan(context: Context, actor: Actor, can: NewCan): Promise<FuelStore> {
  const { db, now } = context;
  const boughtAt = new Date(can.boughtAt);
  if (boughtAt > now()) refuse('not-valid', { field: 'boughtAt', value: can.boughtAt });
  if (can.litres > can.litresMax) refuse('tank-too-small', { litres: can.litres, holds: can.litresMax });
  await inTransaction(db, async (trx) => {
    if (await trx.selectFrom('fuel_can').select('id').where('name', '=', can.name).executeTakeFirst())
      refuse('already-there', { name: can.name });
    const id = randomUUID();
    await trx
      .insertInto('fuel_can')
      .values({
        ...{ id, name: can.name, fuel: can.fuel, litres_max: can.litresMax, place: can.place, bought_at: boughtAt },
        ...{ opened_at: null, treated_at: can.isTreated ? boughtAt : null, made_at: now() },
      })
      .execute();
    if (can.litres > 0)
      await moveFuel(trx, { canId: id, change: can.litres, why: 'bought', at: boughtAt, by: actor.id });
  });
  return readFuelStore(context);
}

interface CanChange {
  readonly what: 'bought' | 'counted' | 'disposed' | 'treated';
  readonly litres?: number | undefined;
}

/** A can is filled anew, counted, emptied for disposal, or treated. */
export async function changeCan(context: Context, actor: Actor, id: string, change: CanChange): Promise<FuelStore> {
  const { db, now } = context;
  await inTransaction(db, async (trx) => {
    const can = await canById(trx, id);
    await trx.selectFrom('fuel_can').select('id').where('id', '=', id).forUpdate().execute();
    const there = await litresIn(trx, id);
    const at = now();
    const move = (by: number) =>
      moveFuel(trx, {
        canId: id,
        change: by,
        why: change.what === 'treated' ? 'counted' : change.what,
        at,
        by: actor.id,
      });
    if (change.what === 'treated') {
      await trx.updateTable('fuel_can').set({ treated_at: at }).where('id', '=', id).execute();
      return;
    }
    if (change.what === 'disposed') return move(-there);
    const litres = change.litres ?? refuse('not-valid', { field: 'litres' });
    if (change.what === 'counted') {
      if (litres > can.litres_max) refuse('tank-too-small', { litres, holds: can.litres_max });
      return move(litres - there);
    }
    if (there + litres > can.litres_max * 1.02) refuse('tank-too-small', { litres, holds: can.litres_max });
    await move(litres);
    // What is left of the old one is mixed in.
    await trx
      .updateTable('fuel_can')
      .set({ bought_at: oldestOf([there, can.bought_at], [litres, at]), opened_at: null, treated_at: null })
      .where('id', '=', id)
      .execute();
  });
  return readFuelStore(context);
}
