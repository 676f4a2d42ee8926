import assert from 'node:assert/strict';
import { searchesIn } from '../bench/searches';
import { NO_SUMS } from '../sums/noSums';
import { readFile } from 'node:fs/promises';
import { after, before, describe, test } from 'node:test';
import { gunzipSync } from 'node:zlib';
import { randomUUID } from 'node:crypto';
import { cardOf } from '@hudrik/core/log';
import { sql } from 'kysely';
import pg from 'pg';
import { pino } from 'pino';
import { prepareBackground } from '../background/runner';
import { readCard } from '../cards/readCard';
import { bringUpToDate } from '../fleet/bringUpToDate';
import { takeEntry } from '../log/takeEntry';
import { readHistory } from '../log/readLog';
import { migrationsAfter } from '../testing/migrationsAfter';
import { emptyDatabase, type MadeDatabase } from '../testing/databases';
import { migratorFor, openDatabase } from './open';
import type { Db } from './tables';
import { NO_FEED } from '../outside/feed';
import { NO_READERS } from '../outside/readersPool';

const NOW = new Date('2030-03-04T10:00:00Z');
const YARD = new URL('../testing/yards/before0008.sql.gz', import.meta.url);

interface OilAt {
  readonly tag: string;
  readonly at: number;
}

/** The demo's yard as the version before wrote it, with cards in every state. */
describe('visits of a yard kept by the version before', () => {
  let made: MadeDatabase;
  let db: Db;
  let counted: Record<string, unknown>;
  let oilBefore: OilAt[];

  const count = async () =>
    (
      await sql<Record<string, unknown>>`select
        (select count(*) from unit) as units, (select count(*) from person) as people, (select count(*) from hire) as hires,
        (select count(*) from meter_reading) as readings, (select count(*) from log_entry where kind <> 'fuel-seen') as entries,
        (select count(*) from job) as jobs, (select count(*) from part_line) as parts, (select count(*) from defect) as defects,
        (select count(*) from clock where state = 'running') as clocks`.execute(db)
    ).rows[0] ?? {};
  const jobsOf = async (tag: string) =>
    db
      .selectFrom('job as j')
      .innerJoin('unit as u', 'u.id', 'j.unit_id')
      .select(['j.id', 'j.state', 'j.work'])
      .where('u.tag', '=', tag)
      .where('j.closed_at', 'is', null)
      .orderBy('j.id')
      .execute();
  const cardOfFirst = async (tag: string) => {
    const [job] = await jobsOf(tag);
    return readCard({ db, now: () => NOW }, String(job?.id));
  };

  before(async () => {
    made = await emptyDatabase();
    db = openDatabase(made.url, 2);
    const earlier = await migratorFor(db).migrateTo('0007_defects');
    if (earlier.error) throw earlier.error;
    const client = new pg.Client({ connectionString: made.url });
    await client.connect();
    await client.query(
      'set session_replication_role = replica; delete from yard_settings; delete from supplier_state;',
    );
    await client.query(gunzipSync(await readFile(YARD)).toString());
    await client.end();
    const pool = new pg.Pool({ connectionString: made.url });
    pool.on('error', () => undefined);
    await prepareBackground(pool, pino({ level: 'silent' }));
    await pool.end();
    counted = await count();
    oilBefore = (await sql<OilAt>`select tag, last_oil_service_true_hours as at from unit order by tag`.execute(db))
      .rows;
    assert.deepEqual(await bringUpToDate(db, () => NOW), await migrationsAfter('0007_defects'));
    assert.deepEqual(await bringUpToDate(db, () => NOW), []);
  });
  after(async () => {
    await db.destroy();
    await made.drop();
  });

  test('the one counter of the oil is the first line of what was done, at the hours at which it stood', async () => {
    const { rows } =
      await sql<OilAt>`select u.tag, d.true_hours as at from service_done d join unit u on u.id = d.unit_id
      where d.item = 'engine-oil' and d.plan_version is null order by u.tag`.execute(db);
    assert.ok(rows.length > 50 && rows.some(({ at }) => at > 50));
    assert.deepEqual(rows, oilBefore);
  });

  test('nothing is lost: units, people, hires, readings, entries, jobs, parts, defects, clocks', async () => {
    assert.deepEqual(await count(), counted);
    assert.ok(Number(counted['entries']) > 300);
  });

  test('the open cards of a unit are one visit, with one tray', async () => {
    const card = await cardOfFirst('PW-08');
    assert.deepEqual(
      [card.visit.state, card.jobs.map((job) => [job.work, job.state])],
      [
        'open',
        [
          ['new-nozzle', 'open'],
          ['wash', 'open'],
        ],
      ],
    );
    assert.deepEqual(
      cardOf(card.entries).ledger.putBack.map((thing) => thing.what),
      ['Cover'],
    );
  });

  test('what waited for a part still does, with all that lies in its tray', async () => {
    const card = await cardOfFirst('GE-07');
    assert.deepEqual([card.visit.state, cardOf(card.entries).ledger.putBack.length], ['waits-part', 7]);
    assert.ok(card.parts.some((line) => line.state === 'ordered'));
  });

  test('a proof under way is void: the card is at the bench again', async () => {
    const card = await cardOfFirst('PW-04');
    assert.equal(card.visit.state, 'open');
    assert.equal(card.verdict.readiness, 'held');
  });

  test('what nobody began waits', async () => {
    const card = await cardOfFirst('GE-03');
    assert.deepEqual([card.visit.state, card.jobs.length], ['waiting', 2]);
  });

  test('a finished card is a visit of its own, and reads as it did', async () => {
    const ended = await db.selectFrom('job').select(['id', 'unit_id']).where('closed_at', 'is not', null).execute();
    assert.ok(ended.length > 20);
    for (const { id } of ended) {
      const card = await readCard({ db, now: () => NOW }, String(id));
      const own = await db.selectFrom('log_entry').select('id').where('job_id', '=', id).orderBy('place').execute();
      assert.deepEqual(
        [card.visit.state, card.jobs.map((job) => job.id), card.entries.map((entry) => entry.id)],
        ['ended', [String(id)], own.map((row) => row.id)],
      );
    }
  });

  test('a phone that still holds entries of any of the old cards is heard', async () => {
    const person = await db.selectFrom('person').selectAll().where('role', '=', 'technician').executeTakeFirstOrThrow();
    const [first, second] = await jobsOf('PW-08');
    const thing = cardOf((await readCard({ db, now: () => NOW }, String(first?.id))).entries).ledger.putBack[0];
    const context = {
      db,
      now: () => NOW,
      instruments: { open: async () => null },
      paper: { make: async () => Buffer.alloc(0) },
      sums: NO_SUMS,
      searches: searchesIn(db),
      desk: NO_FEED,
      equipment: NO_FEED,
      readers: NO_READERS,
    };
    await takeEntry(context, person, {
      id: randomUUID(),
      kind: 'put-back',
      facts: { thingId: thing?.thingId ?? '' },
      at: undefined,
      offsetMs: null,
      tag: null,
      jobId: String(second?.id),
      findingId: null,
      lineId: null,
      madeBy: null,
    });
    const after = cardOf((await readCard({ db, now: () => NOW }, String(first?.id))).entries);
    assert.deepEqual(after.ledger.putBack, []);
    const { records } = await readHistory({ db }, 'PW-08', { limit: 1 });
    assert.equal(records[0]?.kind, 'put-back');
  });

  test('two open visits of one unit are refused by the database itself, and an ended one stays ended', async () => {
    const visit = await db.selectFrom('visit').selectAll().where('ended_at', 'is', null).executeTakeFirstOrThrow();
    const ended = await db.selectFrom('visit').selectAll().where('ended_at', 'is not', null).executeTakeFirstOrThrow();
    const inUnit = (unitId: number, statement: ReturnType<typeof sql>) =>
      db.transaction().execute(async (trx) => {
        await sql`select set_config('hudrik.unit', ${String(unitId)}, true)`.execute(trx);
        await statement.execute(trx);
      });
    const second = sql`insert into visit (unit_id, opened_at) values (${visit.unit_id}, now())`;
    await assert.rejects(inUnit(visit.unit_id, second), /visit_one_open/);
    const again = sql`update visit set state = 'open', ended_at = null where id = ${ended.id}`;
    await assert.rejects(inUnit(ended.unit_id, again), /this visit is ended/);
    await assert.rejects(
      inUnit(ended.unit_id, sql`delete from visit where id = ${ended.id}`),
      /not thrown away|violates/,
    );
    await assert.rejects(inUnit(0, sql`update visit set version = 9 where id = ${visit.id}`), /outside its own/);
  });
});
