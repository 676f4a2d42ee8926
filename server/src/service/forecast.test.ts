import assert from 'node:assert/strict';
import { after, before, describe, test } from 'node:test';
import { classOf } from '@hudrik/core/catalogue';
import { forecastHours, learnUseRate } from '@hudrik/core/hours';
import { sql } from 'kysely';
import { loadDemo } from '../demo/load';
import { TestYard } from '../testing/yard';

/** A hire is told by so many before it of its unit. */
const BEFORE = 4;
const TOLD = 12;

describe('the forecast, tried on what has been', () => {
  const yard = new TestYard();
  before(async () => {
    yard.now = new Date();
    await yard.open();
    await loadDemo(yard.db, yard.now);
  });
  after(() => yard.close());

  test('of the demo’s hires 75 to 90 in a hundred ran as many hours as the 8-in-10 band said from the hires before', async () => {
    const rows = await yard.db
      .selectFrom('hire as h')
      .innerJoin('unit as u', 'u.id', 'h.unit_id')
      .innerJoin('check_out as o', 'o.hire_id', 'h.id')
      .innerJoin('meter_reading as ro', 'ro.id', 'o.reading_id')
      .innerJoin('check_in as i', 'i.hire_id', 'h.id')
      .innerJoin('meter_reading as ri', 'ri.id', 'i.reading_id')
      .select(['h.unit_id', 'u.class_id'])
      .select(sql<number>`greatest(ri.true_hours - ro.true_hours, 0)::float8`.as('hours'))
      .select(sql<number>`greatest(extract(epoch from (h.ended_at - h.out_at)) / 86400, 0.5)::float8`.as('days'))
      .where('h.state', '=', 'ended')
      .where('i.second_look_of', 'is', null)
      .orderBy('h.unit_id')
      .orderBy('h.ended_at')
      .execute();
    let [held, tried] = [0, 0];
    for (const [at, row] of rows.entries()) {
      const past = rows
        .slice(0, at)
        .filter((other) => other.unit_id === row.unit_id)
        .slice(-TOLD);
      if (past.length < BEFORE) continue;
      const { low, high } = forecastHours(learnUseRate(classOf(row.class_id).use, past), row.days);
      tried += 1;
      if (row.hours >= low && row.hours <= high) held += 1;
    }
    assert.ok(tried > 500, String(tried));
    const share = held / tried;
    assert.ok(share > 0.75 && share < 0.9, `${held} of ${tried}`);
  });
});
