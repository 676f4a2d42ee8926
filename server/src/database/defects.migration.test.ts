import assert from 'node:assert/strict';
import { after, before, describe, test } from 'node:test';
import { sql } from 'kysely';
import { computeReadiness } from '../fleet/computeReadiness';
import { bringUpToDate } from '../fleet/bringUpToDate';
import { migrationsAfter } from '../testing/migrationsAfter';
import { emptyDatabase, type MadeDatabase } from '../testing/databases';
import { migratorFor, openDatabase } from './open';
import type { Db } from './tables';

const uuid = (n: number): string => `11111111-1111-4111-8111-${String(n).padStart(12, '0')}`;

/** Three units as the version before kept them: with jobs for what is wrong, with one dropped, with nothing. */
async function keepTheOldWay(db: Db): Promise<void> {
  await sql`select set_config('hudrik.unit', 'any', false)`.execute(db);
  const run = (statement: string) => sql.raw(statement).execute(db);
  await run(`insert into person (name, role, pin_hash) values ('Ivo', 'technician', 'x')`);
  await run(`insert into model (class_id, make, name) values ('generator', 'Tuvellan', 'Lantern 5')`);
  for (const tag of ['GE-01', 'GE-02', 'GE-03'])
    await run(
      `insert into unit (tag, class_id, model_id, serial, home_bay) values ('${tag}', 'generator', 1, 'S-${tag}', 'North 1')`,
    );
  await run(
    `insert into meter (unit_id, ordinal, offset_hours, fitted_at, fitted_why) select id, 1, 0, now(), 'first' from unit`,
  );
  await run(
    `insert into meter_reading (meter_id, unit_id, reading, true_hours, read_at) select id, unit_id, 100, 100, now() from meter`,
  );
  const reason = (id: string, exception: string, sentence: string, consequence: string) => ({
    origin: { kind: 'check', id, exception },
    consequence,
    sentence,
  });
  const reasons = [
    reason('sockets', 'damaged', 'A socket is damaged.', 'hold'),
    reason('clean', 'dirty', 'It is dirty.', 'fix-before-hire'),
    reason('fuel-leak', 'carburettor', 'Fuel leaks at the carburettor.', 'hold'),
  ];
  for (const [unit, n] of [
    [1, 1],
    [2, 2],
  ]) {
    await run(`insert into log_entry (id, unit_id, at, person_id, kind, facts, outcome)
      values ('${uuid(n ?? 0)}', ${unit}, '2030-03-04T09:00:00Z', 1, 'check-in', '{}', '${JSON.stringify({ verdict: { reasons } })}')`);
    await run(
      `insert into check_in (id, unit_id, at, reading_id) values ('${uuid(n ?? 0)}', ${unit}, '2030-03-04T09:00:00Z', ${unit})`,
    );
  }
  await run(`insert into finding (id, unit_id, machine, opened_at, opened_by, closed_at, causes, edition)
    values ('${uuid(7)}', 3, '{}', now(), 1, now(), '{plug-fouled,fuel-low-or-off}', 'old')`);
  const job = (unit: number, title: string, blocks: string, origins: object[], why: string[], state: string) =>
    run(`insert into job (unit_id, check_in_id, kind, work, title, minutes, blocks, origins, why, state, raised_at, closed_at)
      values (${unit}, '${uuid(unit)}', 'repair', '${title}', '${title}', 10, '${blocks}', '${JSON.stringify(origins)}',
        '${JSON.stringify(why)}', '${state}', '2030-03-04T09:00:00Z', ${state === 'dropped' ? `'2030-03-04T10:00:00Z'` : 'null'})`);
  const [sockets, clean, leak] = reasons.map((one) => one.origin);
  await job(
    1,
    'socket',
    'hold',
    [sockets ?? {}, leak ?? {}],
    ['A socket is damaged.', 'Fuel leaks at the carburettor.'],
    'waiting',
  );
  await job(1, 'label', 'none', [], [], 'waiting');
  await job(2, 'socket', 'hold', [sockets ?? {}], ['A socket is damaged.'], 'dropped');
  await job(2, 'wash', 'prep', [clean ?? {}], ['It is dirty.'], 'dropped');
}

describe('defects of a yard kept by the version before', () => {
  let made: MadeDatabase;
  let db: Db;
  const open = async (unit: number) =>
    (
      await db
        .selectFrom('defect')
        .select(['origin_id', 'exception', 'sentence', 'weight', 'safety', 'job_id', 'found_by'])
        .where('unit_id', '=', unit)
        .where('closed_at', 'is', null)
        .orderBy('origin_id')
        .execute()
    ).map((row) => Object.values(row));

  before(async () => {
    made = await emptyDatabase();
    db = openDatabase(made.url, 1);
    const before = await migratorFor(db).migrateTo('0006_works');
    if (before.error) throw before.error;
    await keepTheOldWay(db);
    assert.deepEqual(await bringUpToDate(db), await migrationsAfter('0006_works'));
    assert.deepEqual(await bringUpToDate(db), []);
  });
  after(async () => {
    await db.destroy();
    await made.drop();
  });

  test('a cause that is two faults now goes on under the likelier', async () => {
    const { causes } = await db.selectFrom('finding').select('causes').executeTakeFirstOrThrow();
    assert.deepEqual(causes, ['plug-fouled', 'fuel-low']);
  });

  test('an open job’s reasons are a defect each, what can hurt is known as such; a job that blocks nothing has none', async () => {
    assert.deepEqual(await open(1), [
      ['fuel-leak', 'carburettor', 'Fuel leaks at the carburettor.', 'hold', true, 1, uuid(1)],
      ['sockets', 'damaged', 'A socket is damaged.', 'hold', true, 1, uuid(1)],
    ]);
    assert.equal((await computeReadiness(db, 1)).readiness, 'held');
  });

  test('what is dangerous and had its job dropped comes back; what is only dirty does not', async () => {
    assert.deepEqual(await open(2), [['sockets', 'damaged', 'A socket is damaged.', 'hold', true, null, uuid(2)]]);
    assert.equal((await computeReadiness(db, 2)).readiness, 'held');
  });

  test('what is stored of each unit is what its facts say now', async () => {
    const rows = await db.selectFrom('unit').select(['tag', 'readiness']).orderBy('tag').execute();
    assert.deepEqual(
      rows.map((row) => [row.tag, row.readiness]),
      [
        ['GE-01', 'held'],
        ['GE-02', 'held'],
        ['GE-03', 'fit'],
      ],
    );
  });

  test('nothing wrong stays nothing wrong', async () => {
    assert.deepEqual(await open(3), []);
    assert.equal((await computeReadiness(db, 3)).readiness, 'fit');
  });
});
