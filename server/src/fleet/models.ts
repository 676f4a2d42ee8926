import { SERVICE_PLANS, type ClassId, type Rated } from '@hudrik/core/catalogue';
import { EMPTY_SHEET, type DataSheet, type FindingRecord } from '@hudrik/core/contracts';
import type { Actor, Context } from '../context';
import { inTransaction } from '../database/inTransaction';
import type { Db, Trx, UnitRow } from '../database/tables';
import { refuse } from '../refusal';
import { setFigures } from '../figures/setFigures';
import { ownPlans } from '../service/modelPlans';

export interface NewModel {
  readonly classId: ClassId;
  readonly make: string;
  readonly name: string;
}

const toModel = (row: { id: number; class_id: ClassId; make: string; name: string }) => ({
  id: row.id,
  classId: row.class_id,
  make: row.make,
  name: row.name,
});

export async function readModels(db: Db) {
  const rows = await db
    .selectFrom('model')
    .select(['id', 'class_id', 'make', 'name'])
    .orderBy('class_id')
    .orderBy('make')
    .orderBy('name')
    .execute();
  return { models: rows.map(toModel) };
}

/** Adds a model. Refused when the make has one of that name. */
export async function addModel(db: Db | Trx, fresh: NewModel) {
  if (
    await db
      .selectFrom('model')
      .select('id')
      .where('make', '=', fresh.make)
      .where('name', '=', fresh.name)
      .executeTakeFirst()
  )
    refuse('already-there', { make: fresh.make, name: fresh.name });
  return toModel(
    await db
      .insertInto('model')
      .values({ class_id: fresh.classId, make: fresh.make, name: fresh.name })
      .returning(['id', 'class_id', 'make', 'name'])
      .executeTakeFirstOrThrow(),
  );
}

/** Adds a model that is as another one of its class: with its data sheet, its tank, and its own service plan. */
export function copyModel({ db, now }: Pick<Context, 'db' | 'now'>, actor: Actor, copyOf: number, fresh: NewModel) {
  return inTransaction(db, async (trx) => {
    const from = await trx.selectFrom('model').selectAll().where('id', '=', copyOf).executeTakeFirst();
    if (from === undefined) return refuse('not-found', { model: copyOf });
    if (from.class_id !== fresh.classId) return refuse('not-valid', { field: 'copyOf', classId: from.class_id });
    const model = await addModel(trx, fresh);
    const { data_sheet: sheet, tank_litres, metal_tank, fuel_tap } = from;
    await trx
      .updateTable('model')
      .set({ data_sheet: JSON.stringify(sheet), tank_litres, metal_tank, fuel_tap })
      .where('id', '=', model.id)
      .execute();
    const own = (await ownPlans(trx)).get(copyOf);
    if (own)
      await trx
        .insertInto('model_plan')
        .values({
          ...{ model_id: model.id, version: SERVICE_PLANS[fresh.classId].version + 1 },
          ...{ plan: JSON.stringify(own.plan), made_at: now(), made_by: actor.id },
        })
        .execute();
    return model;
  });
}

/** A model with its data sheet: its engine, and limits of readings. */
export async function readModelSheet(db: Db, id: number) {
  const row =
    (await db.selectFrom('model').selectAll().where('id', '=', id).executeTakeFirst()) ??
    refuse('not-found', { model: id });
  return { model: toModel(row), dataSheet: wholeSheet(row.data_sheet) };
}

/** A sheet as it is kept, with what one of an older edition lacks. */
export const wholeSheet = (kept: Partial<DataSheet>): DataSheet => ({ ...EMPTY_SHEET, ...kept });

/** What a sheet says from now on. What the change does not speak of stays as it was. */
export async function changeSheet(
  { db, now }: Pick<Context, 'db' | 'now'>,
  actor: Pick<Actor, 'id'>,
  id: number,
  change: Partial<DataSheet>,
) {
  const kept = await db.selectFrom('model').select('data_sheet').where('id', '=', id).forUpdate().executeTakeFirst();
  const said = Object.fromEntries(Object.entries(change).filter(([, value]) => value !== undefined));
  const sheet = { ...wholeSheet(kept?.data_sheet ?? {}), ...said };
  const changed = await db
    .updateTable('model')
    .set({ data_sheet: JSON.stringify(sheet) })
    .where('id', '=', id)
    .executeTakeFirst();
  if (Number(changed.numUpdatedRows) === 0) return refuse('not-found', { model: id });
  const rated = [kept?.data_sheet.rated ?? {}, sheet.rated ?? {}] as const;
  await setFigures(db, { modelId: id }, rated, { by: actor.id, at: now() });
  return readModelSheet(db, id);
}

/** What the model and the unit are rated for, as far as each says. */
export interface Ratings {
  readonly model: Rated;
  readonly unit: Rated;
}

export async function ratingsOfUnit(db: Db, unit: Pick<UnitRow, 'model_id' | 'data_sheet'>): Promise<Ratings> {
  const model = await db
    .selectFrom('model')
    .select('data_sheet')
    .where('id', '=', unit.model_id)
    .executeTakeFirstOrThrow();
  return { model: model.data_sheet.rated ?? {}, unit: unit.data_sheet.rated ?? {} };
}

/** Limits of readings of a model's own, where its data sheet has them. */
export const limitsOf = (sheet: Partial<DataSheet>): NonNullable<FindingRecord['limits']> | null =>
  sheet.limits ?? null;
