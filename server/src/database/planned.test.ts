import assert from 'node:assert/strict';
import { after, before, describe, test } from 'node:test';
import { Kysely, PostgresDialect, sql } from 'kysely';
import type pg from 'pg';
import { makeDatabase, type MadeDatabase } from '../testing/databases';
import { openPool } from './open';
import { keepingPlans, Plans } from './planned';

interface Own {
  things: { id: number; name: string };
}

describe('plans that are kept', () => {
  let made: MadeDatabase;
  let pool: pg.Pool;
  let db: Kysely<Own>;
  const plans = new Plans();

  before(async () => {
    made = await makeDatabase();
    pool = openPool(made.url, 1);
    db = new Kysely<Own>({ dialect: new PostgresDialect({ pool: keepingPlans(pool, plans) }) });
    await sql`create table things (id int primary key, name text not null)`.execute(db);
    await sql`insert into things select n, 'thing ' || n from generate_series(1, 50) n`.execute(db);
  });
  after(async () => {
    await db.destroy();
    await made.drop();
  });

  const nameOf = (id: number) => db.selectFrom('things').selectAll().where('id', '=', id).executeTakeFirst();
  const kept = async () =>
    (await pool.query<{ statement: string }>('select statement from pg_prepared_statements')).rows.map(
      ({ statement }) => statement,
    );

  test('what is asked often is planned once by its connection, and answers the same for each value', async () => {
    for (let id = 1; id <= 19; id++) assert.equal((await nameOf(id))?.name, `thing ${id}`);
    assert.deepEqual(await kept(), []);
    for (let id = 20; id <= 50; id++) assert.equal((await nameOf(id))?.name, `thing ${id}`);
    assert.equal(await nameOf(51), undefined);
    assert.deepEqual(await kept(), ['select * from "things" where "id" = $1']);
  });

  test('a change is never kept, nor what has its values in its text', async () => {
    for (let n = 0; n < 30; n++) {
      await db
        .updateTable('things')
        .set({ name: `other ${n}` })
        .where('id', '=', 50)
        .execute();
      await sql.raw(`select ${n}`).execute(db);
    }
    assert.equal((await kept()).length, 1);
    assert.equal((await nameOf(50))?.name, 'other 29');
  });

  test('when the table has another column the plan fails once, and is made anew', async () => {
    await sql`alter table things add column colour text`.execute(db);
    await assert.rejects(nameOf(1), /cached plan/);
    for (let n = 0; n < 30; n++)
      assert.deepEqual(await nameOf(1), { id: 1, name: 'thing 1', colour: null } as unknown as Own['things']);
    assert.equal((await kept()).length, 2);
  });

  test('no more than so many are kept', () => {
    const own = new Plans();
    const names = new Set<string | null>();
    for (let n = 0; n < 400; n++) for (let asked = 0; asked < 20; asked++) names.add(own.nameOf(`select ${n}`));
    assert.equal(names.size, 151);
    for (let n = 0; n < 5000; n++) own.nameOf(`select ${n}, 1`);
    assert.equal(own.nameOf('select 0'), 'hudrik_1');
  });
});
