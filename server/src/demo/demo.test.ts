import assert from 'node:assert/strict';
import { after, before, describe, test } from 'node:test';
import { classOf } from '@hudrik/core/catalogue';
import { assessReading, learnUseRate } from '@hudrik/core/hours';
import { sql } from 'kysely';
import { COMMANDS } from '../administration/commands';
import { TestYard } from '../testing/yard';
import { loadDemo } from './load';
import { generateYard, DEMO_SCALE } from './generate';

const personIds = { counter: 1, technicians: [2, 3] };

describe('the demo', () => {
  const yard = new TestYard();
  before(() => yard.open());
  after(() => yard.close());

  test('the same seed and day give the same yard; another seed another', () => {
    const now = new Date('2030-03-04T09:00:00Z');
    const make = (seed: string) =>
      JSON.stringify(generateYard({ ...DEMO_SCALE, seed, now, personIds }).byTable.check_in.slice(0, 50));
    assert.equal(make('one'), make('one'));
    assert.notEqual(make('one'), make('two'));
  });

  test('about 60 units with two years behind them pass every constraint, and their readiness agrees with their facts', async () => {
    const records = await loadDemo(yard.db, yard.now);
    assert.ok((records ?? 0) > 8000);
    const said: string[] = [];
    assert.equal(await COMMANDS['check']?.run(yard.db, [], (line) => said.push(line), yard.pool), 0);
    assert.equal(said.at(-1), '0 wrong.');
    assert.ok(said.length > 5 && said.slice(0, -1).every((line) => line.startsWith('good')), said.join('\n'));
  });

  test('loading again changes nothing', async () => {
    assert.equal(await loadDemo(yard.db, yard.now), null);
  });

  test('what comes after it has ids of its own, in every table that counts them', async () => {
    const { rows } = await sql<{ name: string }>`select table_name as name from information_schema.columns
      where table_schema = 'public' and column_name = 'id' and is_identity = 'YES'`.execute(yard.db);
    assert.ok(rows.length > 8);
    for (const { name } of rows) {
      const { rows: after } = await sql<{ next: number; top: number }>`select
        nextval(pg_get_serial_sequence(${name}, 'id'))::int as next, (select coalesce(max(id), 0)::int from ${sql.table(name)}) as top`.execute(
        yard.db,
      );
      assert.ok((after[0]?.next ?? 0) > (after[0]?.top ?? 0), name);
    }
  });

  test('every readiness is to be seen', async () => {
    const rows = await yard.db.selectFrom('unit').select('readiness').distinct().execute();
    assert.deepEqual(rows.map((row) => row.readiness).sort(), ['fit', 'gone', 'held', 'laid-up', 'out', 'prep']);
  });

  test('at most 1 in 20 of its hires, all honest, is called unusual by what was known before it', async () => {
    const hires = await yard.db
      .selectFrom('hire as h')
      .innerJoin('unit as u', 'u.id', 'h.unit_id')
      .innerJoin('check_out as o', 'o.hire_id', 'h.id')
      .innerJoin('meter_reading as ro', 'ro.id', 'o.reading_id')
      .innerJoin('check_in as i', 'i.hire_id', 'h.id')
      .innerJoin('meter_reading as ri', 'ri.id', 'i.reading_id')
      .select(['h.unit_id', 'u.class_id', sql<number>`ri.true_hours - ro.true_hours`.as('hours')])
      .select(sql<number>`extract(epoch from (h.ended_at - h.out_at))::float8 / 86400`.as('days'))
      .where('i.second_look_of', 'is', null)
      .orderBy('h.ended_at')
      .execute();
    const known = new Map<number | null, { hours: number; days: number }[]>();
    let unusual = 0;
    for (const { unit_id, class_id, hours, days } of hires) {
      const before = known.get(unit_id) ?? [];
      const use = learnUseRate(classOf(class_id).use, before.slice(-12));
      const { findings } = assessReading(hours.toFixed(1), {
        lastReading: 0,
        clockHours: days * 24,
        hireDays: days,
        use,
      });
      unusual += findings.length;
      known.set(unit_id, [...before, { hours, days }]);
    }
    assert.ok(hires.length > 2000);
    assert.ok(unusual <= hires.length / 20, `${unusual} of ${hires.length}`);
    assert.ok(unusual > hires.length / 500, `only ${unusual} of ${hires.length}: nothing would ever be asked`);
  });

  test('the administration’s export gives what the import takes', async () => {
    const lines: string[] = [];
    assert.equal(await COMMANDS['export']?.run(yard.db, ['units'], (line) => lines.push(line), yard.pool), 0);
    assert.equal(lines.join('\n').split('\r\n').length, 62);
    await assert.rejects(
      async () => COMMANDS['export']?.run(yard.db, ['cakes'], () => undefined, yard.pool),
      /Say which/,
    );
  });
});
