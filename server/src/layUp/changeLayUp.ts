import type { ClassId, LayUpMethodId } from '@hudrik/core/catalogue';
import type { LayUpReply } from '@hudrik/core/contracts';
import { wrongOfSeasons, type Season } from '@hudrik/core/layUp';
import type { Actor, Context } from '../context';
import { inTransaction } from '../database/inTransaction';
import type { Db } from '../database/tables';
import { unitByTag } from '../fleet/units';
import { refuse } from '../refusal';
import { mustFit } from './mustFit';
import { readLayUp } from './readLayUp';

type Asking = Pick<Context, 'db' | 'now'>;

/** When a class stands, year by year. */
export async function setSeasons(context: Asking, classId: ClassId, seasons: readonly Season[]): Promise<LayUpReply> {
  const wrong = wrongOfSeasons(seasons);
  if (wrong) refuse('not-valid', { field: 'seasons', wrong });
  await inTransaction(context.db, async (trx) => {
    await trx.deleteFrom('season').where('class_id', '=', classId).execute();
    for (const { from, to, callOdds } of seasons)
      await trx
        .insertInto('season')
        .values({ class_id: classId, from_day: from, to_day: to, call_odds: callOdds })
        .execute();
  });
  return readLayUp(context);
}

interface Choice {
  readonly method: LayUpMethodId | null;
  readonly reason: string;
  /** A rule of the house: for each of its class. */
  readonly forClass: boolean;
}

async function idsOfClass(db: Db, classId: ClassId): Promise<number[]> {
  const rows = await db
    .selectFrom('unit')
    .select('id')
    .where('class_id', '=', classId)
    .where('gone_at', 'is', null)
    .execute();
  return rows.map(({ id }) => id);
}

/** A lead says how a unit, or each of its class, is laid up, and why; or leaves it to the sum again. */
export async function chooseLayUp(
  context: Asking,
  actor: Actor,
  tag: string,
  { method, reason, forClass }: Choice,
): Promise<LayUpReply> {
  const { db, now } = context;
  const unit = await unitByTag(db, tag);
  const unitIds = forClass ? await idsOfClass(db, unit.class_id) : [unit.id];
  if (method === null) await db.deleteFrom('lay_up_choice').where('unit_id', 'in', unitIds).execute();
  else {
    mustFit(unit.class_id, method);
    if (reason === '') refuse('not-valid', { field: 'reason' });
    const row = { method, reason, person_id: actor.id, at: now() };
    await db
      .insertInto('lay_up_choice')
      .values(unitIds.map((id) => ({ unit_id: id, ...row })))
      .onConflict((conflict) => conflict.column('unit_id').doUpdateSet(row))
      .execute();
  }
  return readLayUp(context);
}

interface TankSaid {
  readonly litres: number | null;
  readonly isMetal: boolean | null;
  readonly hasTap: boolean | null;
}

/** What a model's tank is; null: as its class's. */
export async function setModelTank(
  { db }: Asking,
  modelId: number,
  { litres, isMetal, hasTap }: TankSaid,
): Promise<TankSaid> {
  const { numUpdatedRows } = await db
    .updateTable('model')
    .set({ tank_litres: litres, metal_tank: isMetal, fuel_tap: hasTap })
    .where('id', '=', modelId)
    .executeTakeFirst();
  if (numUpdatedRows === 0n) refuse('not-found', { model: modelId });
  return { litres, isMetal, hasTap };
}
