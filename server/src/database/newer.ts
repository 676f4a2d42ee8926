import { sql } from 'kysely';
import { knownMigrations } from './open';
import type { Db } from './tables';
import { VERSION } from '../version';

/** These records are of a newer version than this program. */
export class RecordsAreNewer extends Error {
  constructor(newest: string, by: { readonly version: string; readonly backup: string | null } | null) {
    const made = by === null ? 'a newer version' : `version ${by.version}`;
    const before = by?.backup ? ` The backup that was written before that is ${by.backup}.` : '';
    super(
      `These records were brought to ${newest} by ${made} of Hudrik; this is ${VERSION}, and does not know that. ` +
        `Nothing was changed. Start ${made} again, or restore a backup of this one.${before}`,
    );
  }
}

/** The migrations that ran on these records; none: they are empty. */
export async function migrationsRun(db: Db): Promise<string[]> {
  const there = await sql<{
    there: boolean;
  }>`select to_regclass('public.kysely_migration') is not null as there`.execute(db);
  if (!there.rows[0]?.there) return [];
  const { rows } = await sql<{ name: string }>`select name from kysely_migration order by name`.execute(db);
  return rows.map(({ name }) => name);
}

/** Throws RecordsAreNewer where this version does not know all of these. */
export async function mustKnow(migrations: readonly string[]): Promise<void> {
  const known = await knownMigrations();
  if (migrations.some((name) => !known.includes(name))) throw new RecordsAreNewer(migrations.at(-1) ?? '', null);
}

/** The migrations that are still to run. Throws RecordsAreNewer where some ran that this version does not know. */
export async function migrationsToRun(db: Db): Promise<string[]> {
  const [ran, known] = [await migrationsRun(db), await knownMigrations()];
  const unknown = ran.filter((name) => !known.includes(name));
  if (unknown.length > 0) throw new RecordsAreNewer(ran.at(-1) ?? '', await upgradeTo(db, unknown));
  return known.filter((name) => !ran.includes(name));
}

/** The first upgrade that went past what this version knows. */
async function upgradeTo(db: Db, names: readonly string[]) {
  const there = await sql<{ there: boolean }>`select to_regclass('public.upgrade') is not null as there`.execute(db);
  if (!there.rows[0]?.there) return null;
  const upgrades = await db
    .selectFrom('upgrade')
    .select(['to_migration', 'version', 'backup'])
    .orderBy('to_migration')
    .execute();
  return upgrades.find(({ to_migration }) => names.includes(to_migration)) ?? null;
}
