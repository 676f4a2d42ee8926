import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import { sql } from 'kysely';
import { useYard } from '../testing/yard';
import { RIGHTS } from './rights';

const TABLES_OF_THE_MIGRATOR = ['kysely_migration', 'kysely_migration_lock', 'upgrade'];

describe('what the server may do in its database', () => {
  const yard = useYard();
  const asApp = (statement: string) => sql.raw(statement).execute(yard.context.db);
  const refused = (statement: string) => assert.rejects(asApp(statement), /permission denied|must be owner/, statement);

  test('it is the server’s own role, which is no superuser', async () => {
    const { rows } = await sql<{ who: string; super: boolean }>`
      select current_user as who, rolsuper as super from pg_roles where rolname = current_user`.execute(
      yard.context.db,
    );
    assert.deepEqual(rows, [{ who: 'hudrik_app', super: false }]);
  });

  test('each table has its right written down', async () => {
    const { rows } = await sql<{ name: string }>`
      select tablename as name from pg_tables where schemaname = 'public' order by 1`.execute(yard.db);
    assert.deepEqual(
      rows.map(({ name }) => name).filter((name) => !TABLES_OF_THE_MIGRATOR.includes(name)),
      Object.values(RIGHTS).flat().sort(),
    );
  });

  test('history is added to, and neither changed nor taken away nor emptied', async () => {
    await yard.addUnit('GE-01');
    assert.equal((await yard.enter({ tag: 'GE-01' }, 'note', { text: 'As it was' }, 'lead')).status, 201);
    for (const table of RIGHTS.insert) {
      await refused(`delete from ${table}`);
      await refused(`truncate ${table} cascade`);
    }
    await refused(`update log_entry set facts = '{}'`);
    await refused(`update check_in set at = now()`);
    await refused(`update meter_reading set reading = 0`);
    await refused(`update meter set offset_hours = 0`);
    await assert.rejects(asApp(`update meter set id = 5`), /can only be updated to DEFAULT/);
    const { rows } = await sql<{ text: string }>`
      select facts ->> 'text' as text from log_entry where kind = 'note'`.execute(yard.db);
    assert.deepEqual(rows, [{ text: 'As it was' }]);
  });

  test('it can not put itself past the rules', async () => {
    for (const statement of [
      'alter table log_entry disable trigger all',
      'alter table log_entry owner to hudrik_app',
      `set session_replication_role = 'replica'`,
      'create table mine (a int)',
      'drop table log_entry',
      'set role hudrik_owner',
      `grant update on log_entry to hudrik_app`,
    ]) {
      await asApp(statement).then(
        // To give oneself what one has not is no error in PostgreSQL, and gives nothing.
        () => assert.match(statement, /^grant/),
        (error: Error) => assert.match(error.message, /permission denied|must be owner|must be able to|no privileges/),
      );
    }
    await refused(`update log_entry set facts = '{}'`);
  });
});
