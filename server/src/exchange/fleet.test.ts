import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import type { FleetReport } from '@hudrik/core/contracts';
import { sql } from 'kysely';
import { paperIn } from '../testing/readPaper';
import { problemIn, useYard } from '../testing/yard';

const HEAD = 'tag,class,make,model,serial,home_bay,hours,read_on,oil_hours,oil_on';

describe('a fleet from the yard’s own list', () => {
  const yard = useYard();
  const send = (lines: string[], trial: boolean, as: 'lead' | 'technician' = 'lead') =>
    yard.ask('POST', `/api/import/fleet${trial ? '?trial=yes' : ''}`, {
      as,
      // What most lists do not know is left out.
      raw: [HEAD, ...lines.map((line) => (line.includes(';') ? line.replace(';', ',') : `${line},,,`))].join('\n'),
      headers: { 'content-type': 'text/csv' },
    });
  const take = async (lines: string[], trial = false) => (await (await send(lines, trial)).json()) as FleetReport;
  const count = async () => (await yard.db.selectFrom('unit').select('id').execute()).length;
  const GOOD = [
    'GE-01,generator,Tuvellan,Lantern 5,A1,North 1,"120,5"',
    'PW-01,Pressure washers,Fellbrook,Spate 210,B1,,',
    'SN-01,,Ostra,Drift 7,C1,South 2,40',
  ];

  test('as a trial it says what would happen, and takes nothing', async () => {
    const report = await take(GOOD, true);
    assert.deepEqual(
      [report.taken, report.refused, report.isTaken, report.newModels],
      [3, 0, false, ['Tuvellan Lantern 5', 'Fellbrook Spate 210', 'Ostra Drift 7']],
    );
    assert.equal(await count(), 0);
    assert.equal((await yard.db.selectFrom('model').select('id').execute()).length, 0);
  });

  test('one wrong line, and nothing is half taken; each says why', async () => {
    const report = await take([
      ...GOOD,
      'GE-02,crane,Tuvellan,Lift,D1,,',
      'PW-09,generator,Tuvellan,Lantern 5,E1,,5',
      'GE-01,generator,Tuvellan,Lantern 5,F1,,1',
      'GE-03,generator,Tuvellan,Lantern 5,G1,,-4',
    ]);
    assert.deepEqual([report.taken, report.refused, report.isTaken], [3, 4, false]);
    assert.deepEqual(
      report.lines.filter(({ taken }) => !taken).map(({ line }) => line),
      [5, 6, 7, 8],
    );
    assert.ok(report.lines.every(({ taken, why }) => taken || (why ?? '') !== ''));
    assert.equal(await count(), 0);
  });

  test('all right it is there, with its models, hours and classes as people write them; nobody has looked at it', async () => {
    assert.equal((await take(GOOD)).isTaken, true);
    const rows = await yard.db.selectFrom('unit').select(['tag', 'class_id', 'readiness']).orderBy('tag').execute();
    assert.deepEqual(rows, [
      { tag: 'GE-01', class_id: 'generator', readiness: 'held' },
      { tag: 'PW-01', class_id: 'pressure-washer', readiness: 'held' },
      { tag: 'SN-01', class_id: 'snowblower', readiness: 'held' },
    ]);
    const hours = await yard.db.selectFrom('meter_reading').select('true_hours').orderBy('id').execute();
    assert.deepEqual(
      hours.map(({ true_hours: value }) => value),
      [120.5, 0, 40],
    );
    const again = await take(GOOD);
    assert.deepEqual([again.isTaken, again.refused], [false, 3]);
  });

  test('what was read when, and the oil service that was: they count from there', async () => {
    const report = await take([
      'TI-01,tiller,Ostra,Furrow 3,T1,,80;2029-11-05,62.5,2029-06-01',
      'TI-02,tiller,Ostra,Furrow 3,T2,,80;,80,',
    ]);
    assert.deepEqual([report.isTaken, report], [true, report]);
    const { rows } = await sql<{ tag: string; read: string; hours: number | null; oil: string | null }>`
      select u.tag, r.read_at::date::text as read, d.true_hours::float8 as hours, d.at::date::text as oil
      from unit u join meter_reading r on r.unit_id = u.id left join service_done d on d.unit_id = u.id and d.item = 'engine-oil'
      where u.tag like 'TI-%' order by u.tag`.execute(yard.db);
    const today = yard.now.toISOString().slice(0, 10);
    assert.deepEqual(rows, [
      { tag: 'TI-01', read: '2029-11-05', hours: 62.5, oil: '2029-06-01' },
      { tag: 'TI-02', read: today, hours: 80, oil: today },
    ]);
    const { units } = await yard.read<{ units: { tag: string; hoursToOilService: number; oilServiceEvery: number }[] }>(
      '/api/units?class=tiller',
    );
    const [first, second] = units;
    assert.equal(first?.hoursToOilService, (first?.oilServiceEvery ?? 0) - 17.5);
    assert.equal(second?.hoursToOilService, second?.oilServiceEvery);
  });

  test('an oil service at more hours than there are, a day that has not been, a day that is none', async () => {
    const report = await take([
      'TI-03,tiller,Ostra,Furrow 3,T3,,80;,81,',
      'TI-04,tiller,Ostra,Furrow 3,T4,,80;2099-01-01,,',
      'TI-05,tiller,Ostra,Furrow 3,T5,,80;,80,5 May',
    ]);
    assert.deepEqual([report.taken, report.refused, report.isTaken], [0, 3, false]);
  });

  test('no list, no columns, nobody but a lead', async () => {
    assert.equal((await send(GOOD, true, 'technician')).status, 403);
    assert.equal((await take([])).isTaken, false);
    const wrong = await yard.ask('POST', '/api/import/fleet', {
      as: 'lead',
      raw: 'a,b\n1,2',
      headers: { 'content-type': 'text/csv' },
    });
    assert.equal((await problemIn(wrong)).code, 'wrong-columns');
  });

  test('labels for all of it are printed, with the code that opens each', async () => {
    const { text } = await paperIn(await yard.ask('GET', '/api/labels.pdf', { as: 'technician' }));
    for (const tag of ['GE-01', 'PW-01', 'SN-01']) assert.ok(text.includes(tag), tag);
  });
});
