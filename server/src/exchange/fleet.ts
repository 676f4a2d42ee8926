import { CLASS_IDS, classOf, ENGINE_OIL, isClassId, type ClassId } from '@hudrik/core/catalogue';
import { newFleetUnit, type FleetReport } from '@hudrik/core/contracts';
import { sql } from 'kysely';
import type { Actor, Context } from '../context';
import { inTransaction } from '../database/inTransaction';
import type { Trx } from '../database/tables';
import { insertUnit } from '../fleet/addUnit';
import { changeUnit } from '../log/changeUnit';
import { refuse } from '../refusal';
import { importCsv } from './csv';

const DAY_MS = 86_400_000;

const FLEET_COLUMNS = [
  'tag',
  'class',
  'make',
  'model',
  'serial',
  'home_bay',
  'hours',
  'read_on',
  'oil_hours',
  'oil_on',
] as const;

/** The class that somebody means: by its id, its name, or the letters before its tags' numbers. */
function classMeant(typed: string, tag: string): ClassId | string {
  const plain = typed
    .trim()
    .toLowerCase()
    .replaceAll(/[\s_]+/g, '-');
  if (isClassId(plain)) return plain;
  const singular = plain.replace(/s$/, '');
  const letters = tag.trim().toUpperCase().split('-')[0];
  return (
    CLASS_IDS.find((id) => id === singular || classOf(id).name.toLowerCase() === typed.trim().toLowerCase()) ??
    (plain === '' ? CLASS_IDS.find((id) => classOf(id).letters === letters) : undefined) ??
    typed
  );
}

/**
 * Takes a whole fleet from one list, models that are not known yet with it: all of it, or nothing. As a trial it says what would happen, and
 * takes nothing.
 */
export async function takeFleet(
  context: Pick<Context, 'db' | 'now'>,
  actor: Actor | null,
  text: string,
  isTrial: boolean,
): Promise<FleetReport> {
  return inTransaction(context.db, async (trx) => {
    await sql`savepoint fleet`.execute(trx);
    const newModels: string[] = [];
    const report = await importCsv({ ...context, db: trx }, text, {
      columns: FLEET_COLUMNS,
      schema: newFleetUnit,
      shape: (row) => ({
        tag: row['tag'],
        classId: classMeant(row['class'] ?? '', row['tag'] ?? ''),
        make: row['make'],
        model: row['model'],
        serial: row['serial'],
        homeBay: row['home_bay'],
        meterReading: figureIn(row['hours']) ?? 0,
        readOn: row['read_on'] || null,
        oilReading: figureIn(row['oil_hours']),
        oilOn: row['oil_on'] || null,
      }),
      what: (row) => row['tag'] || '(no tag)',
      take: async (inside, { classId, make, model, readOn, oilReading, oilOn, ...unit }) => {
        const { id: modelId, isNew } = await modelOf(inside.db, { classId, make, model });
        const now = inside.now();
        const readAt = dayOr(readOn, { field: 'read_on', otherwise: now, now });
        const id = await insertUnit({ db: inside.db, now: () => readAt }, actor, { ...unit, modelId, meterOffset: 0 });
        const oilAt = dayOr(oilOn, { field: 'oil_on', otherwise: readAt, now });
        if (oilReading !== null)
          await changeUnit(inside, actor, { id }, ({ trx }) =>
            noteOilService(trx, id, { trueHours: oilReading, at: oilAt }),
          );
        if (isNew) newModels.push(`${make} ${model}`);
      },
    });
    const isTaken = !isTrial && report.refused === 0 && report.taken > 0;
    if (!isTaken) await sql`rollback to savepoint fleet`.execute(trx);
    return { ...report, isTaken, newModels };
  });
}

const figureIn = (cell: string | undefined): string | null => (cell ? cell.replace(',', '.') : null);

/** Noon of a day that has been. */
function dayOr(
  day: string | null,
  { field, otherwise, now }: { readonly field: string; readonly otherwise: Date; readonly now: Date },
): Date {
  if (day === null) return otherwise;
  const at = new Date(`${day}T12:00:00Z`);
  return at.getTime() - now.getTime() > DAY_MS ? refuse('not-valid', { field, value: day }) : at > now ? now : at;
}

/** An oil service of before Hudrik: no job of ours did it. */
const noteOilService = (
  trx: Trx,
  unitId: number,
  { trueHours, at }: { readonly trueHours: number; readonly at: Date },
) =>
  trx
    .insertInto('service_done')
    .values({ unit_id: unitId, item: ENGINE_OIL, true_hours: trueHours, at, plan_version: null, job_id: null })
    .execute();

interface Model {
  readonly classId: ClassId;
  readonly make: string;
  readonly model: string;
}

async function modelOf(
  trx: Trx,
  { classId, make, model }: Model,
): Promise<{ readonly id: number; readonly isNew: boolean }> {
  const known = await trx
    .selectFrom('model')
    .select('id')
    .where('make', '=', make)
    .where('name', '=', model)
    .executeTakeFirst();
  if (known) return { id: known.id, isNew: false };
  const { id } = await trx
    .insertInto('model')
    .values({ class_id: classId, make, name: model })
    .returning('id')
    .executeTakeFirstOrThrow();
  return { id, isNew: true };
}
