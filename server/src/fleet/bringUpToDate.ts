import { sql } from 'kysely';
import { knownMigrations, migrate } from '../database/open';
import { migrationsToRun } from '../database/newer';
import type { Db } from '../database/tables';
import { changeUnit } from '../log/changeUnit';
import { VERSION } from '../version';

/**
 * Brings the database to the newest migration, and reckons each unit's stored readiness anew: by a newer rule a unit may be held that was fit.
 * That it was reckoned is kept, so that who is stopped in between begins it again. Out: the names of those that ran. Throws RecordsAreNewer.
 */
export async function bringUpToDate(
  db: Db,
  now: () => Date = () => new Date(),
  /** The backup that was written before; null: none. */
  backup: string | null = null,
): Promise<string[]> {
  await migrationsToRun(db);
  const ran = await migrate(db);
  const newest = (await knownMigrations()).at(-1) ?? '';
  const done = await db
    .selectFrom('upgrade')
    .select('to_migration')
    .where('to_migration', '=', newest)
    .executeTakeFirst();
  if (done !== undefined) return ran;
  const units = await db.selectFrom('unit').select('id').orderBy('id').execute();
  for (const { id } of units) await changeUnit({ db, now }, null, { id }, async () => undefined);
  await db
    .insertInto('upgrade')
    .values({ to_migration: newest, version: VERSION, backup, reckoned_at: sql`now()` })
    .onConflict((conflict) => conflict.doNothing())
    .execute();
  return ran;
}
