import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import { signOff } from '../testing/proving';
import { classOf } from '@hudrik/core/catalogue';
import type { CheckIn, LogRecord, Opening, UnitPage } from '@hudrik/core/contracts';
import { changeUnit } from '../log/changeUnit';
import { foundCheckIn, handOut, wellCheckIn } from '../testing/samples';
import { checkedIn, problemIn, useYard } from '../testing/yard';

describe('a check-in', () => {
  const yard = useYard();
  const unit = async (tag: string): Promise<UnitPage> => await yard.read<UnitPage>(`/api/units/${tag}`, 'technician');

  const newest = async (tag: string) => (await yard.read<Opening>(`/api/units/${tag}/opening`, 'technician')).basedOn;
  const readingOf = async (tag: string, reading: number) =>
    String(
      (
        await yard.db
          .selectFrom('meter_reading as r')
          .innerJoin('unit as u', 'u.id', 'r.unit_id')
          .select('r.id')
          .where('u.tag', '=', tag)
          .where('r.reading', '=', reading)
          .executeTakeFirstOrThrow()
      ).id,
    );

  test('of a unit in which all is well leaves it fit, with reading, fuel and history', async () => {
    await yard.addUnit('GE-01');
    const response = await yard.checkIn(wellCheckIn('GE-01', 'generator', '104.5'));
    assert.equal(response.status, 201);
    assert.equal((await checkedIn(response)).verdict.result, 'fit');
    const page = await unit('GE-01');
    assert.equal(page.unit.verdict.readiness, 'fit');
    assert.equal(page.unit.trueHours, 104.5);
    assert.deepEqual(page.fuel, { litres: 20, holds: 20, seenAt: yard.now.toISOString(), ranSince: false });
    const history = await yard.read<{ records: { kind: string }[] }>('/api/units/GE-01/history', 'counter');
    assert.deepEqual(
      history.records.map((record) => record.kind),
      ['check-in', 'unit-added'],
    );
  });

  test('that finds fuel in the oil holds the unit, raises the job with its caution, and says why', async () => {
    await yard.addUnit('GE-02');
    const kept = await checkedIn(
      await yard.checkIn(
        foundCheckIn('GE-02', 'generator', '101.0', { 'oil-level': 'over-full', 'oil-look': 'smells-of-fuel' }),
      ),
    );
    assert.equal(kept.verdict.result, 'held');
    const page = await unit('GE-02');
    assert.deepEqual(page.unit.verdict.because, ['Fuel in the oil. Do not start it: the float needle lets by.']);
    assert.deepEqual(
      page.jobs.map((job) => [job.work, job.blocks, job.caution]),
      [['fuel-in-oil', 'hold', 'do-not-start']],
    );
  });

  test('sent twice is one check-in, with and without the key', async () => {
    await yard.addUnit('GE-03');
    const sent = wellCheckIn('GE-03', 'generator', '101.0');
    const headers = { 'Idempotency-Key': sent.id };
    const body = { ...sent, kind: 'check-in' };
    const answers = [
      await yard.ask('POST', '/api/log', { as: 'technician', body, headers }),
      await yard.ask('POST', '/api/log', { as: 'technician', body, headers }),
      await yard.checkIn(sent),
    ];
    assert.deepEqual(
      answers.map((answer) => answer.status),
      [201, 201, 201],
    );
    const rows = await yard.db.selectFrom('check_in').select('id').where('id', '=', sent.id).execute();
    assert.equal(rows.length, 1);
    assert.equal(
      (
        await yard.db
          .selectFrom('meter_reading as r')
          .innerJoin('unit as u', 'u.id', 'r.unit_id')
          .select('r.id')
          .where('u.tag', '=', 'GE-03')
          .execute()
      ).length,
      2,
    );
  });

  test('a key used for something else is refused', async () => {
    await yard.addUnit('GE-04');
    const headers = { 'Idempotency-Key': randomUUID() };
    const note = (text: string) => ({ id: randomUUID(), tag: 'GE-04', kind: 'note', facts: { text } });
    await yard.ask('POST', '/api/log', { as: 'lead', body: note('one'), headers });
    const response = await yard.ask('POST', '/api/log', { as: 'lead', body: note('two'), headers });
    assert.equal((await problemIn(response)).code, 'key-reused');
  });

  test('two people at once: one is first, the other is kept beside it and told so; what either found counts', async () => {
    await yard.addUnit('GE-05');
    const mine = wellCheckIn('GE-05', 'generator', '101.0');
    const yours = foundCheckIn('GE-05', 'generator', '101.0', { sockets: 'damaged' });
    const came = await Promise.all(
      [yard.checkIn(mine), yard.checkIn(yours, 'lead')].map(async (one) => checkedIn(await one)),
    );
    const seconds = came.map((one) => one.secondLookOf ?? null);
    assert.equal(seconds.filter((first) => first === null).length, 1);
    assert.ok(seconds.some((first) => first === mine.id || first === yours.id));
    assert.equal((await unit('GE-05')).unit.verdict.readiness, 'held');
  });

  test('hours that do not fit are set aside and told; the look counts, and they are to be read again', async () => {
    await yard.addUnit('GE-06', 'generator', 340);
    const low = await checkedIn(await yard.checkIn(wellCheckIn('GE-06', 'generator', '34.2')));
    assert.deepEqual([low.readingId, low.aside], [null, [{ part: 'hours', code: 'hours-below-last' }]]);
    const before = await unit('GE-06');
    assert.deepEqual([before.unit.trueHours, before.unit.verdict.readiness], [340, 'prep']);
    assert.deepEqual(before.unit.verdict.because, ['The hours as they were typed do not fit: read the meter again.']);
    const replaced = wellCheckIn('GE-06', 'generator', '4.2', {
      basedOn: await newest('GE-06'),
      hours: {
        typed: '4.2',
        confirmed: false,
        meterEvent: { kind: 'replaced', oldReading: 341, newMeterShows: 0.2, rollsAt: undefined },
      },
    });
    assert.equal((await checkedIn(await yard.checkIn(replaced))).aside, undefined);
    const page = await unit('GE-06');
    assert.deepEqual([page.unit.trueHours, page.meter.reading, page.unit.verdict.readiness], [345, 4.2, 'fit']);
  });

  test('hours faster than the clock are set aside, and kept when the person stands by them', async () => {
    await yard.addUnit('GE-07');
    const sent = wellCheckIn('GE-07', 'generator', '900.0');
    assert.equal((await checkedIn(await yard.checkIn(sent))).aside?.[0]?.part, 'hours');
    const again = wellCheckIn('GE-07', 'generator', '900.0', {
      basedOn: sent.id,
      hours: { ...sent.facts.hours, confirmed: true },
    });
    assert.equal((await checkedIn(await yard.checkIn(again))).reading, 900);
  });

  test('the database itself refuses a reading below the last, and any change of history', async () => {
    const id = await yard.addUnit('GE-08');
    const meter = await yard.db.selectFrom('meter').select('id').where('unit_id', '=', id).executeTakeFirstOrThrow();
    await assert.rejects(
      changeUnit(yard.context, null, { id }, ({ trx }) =>
        trx
          .insertInto('meter_reading')
          .values({
            meter_id: meter.id,
            unit_id: id,
            reading: 99.9,
            true_hours: 99.9,
            read_at: yard.now,
            corrects_id: null,
          })
          .execute(),
      ),
      /below the last/,
    );
    await assert.rejects(
      // Its owner, too.
      changeUnit({ ...yard.context, db: yard.db }, null, { id }, ({ trx }) =>
        trx.updateTable('log_entry').set({ kind: 'note' }).where('unit_id', '=', id).execute(),
      ),
      /append-only/,
    );
    await assert.rejects(yard.db.deleteFrom('log_entry').where('unit_id', '=', id).execute(), /append-only/);
  });

  test('a photo that is not there any more is told, and the rest is taken', async () => {
    await yard.addUnit('GE-09');
    const well = wellCheckIn('GE-09', 'generator', '101.0');
    const photoId = randomUUID();
    const answers = well.facts.answers.map((answer, at) => (at === 0 ? { ...answer, photos: [photoId] } : answer));
    const came = await checkedIn(await yard.checkIn({ ...well, facts: { ...well.facts, answers } }));
    assert.deepEqual([came.aside, came.reading], [[{ part: 'photo', photoId }], 101]);
  });

  test('an error in the middle leaves nothing behind', async () => {
    await yard.addUnit('GE-79');
    const well = wellCheckIn('GE-79', 'generator', '101.0', { complaintIds: ['tines-creep'] });
    assert.equal((await problemIn(await yard.checkIn(well))).code, 'not-valid');
    const page = await unit('GE-79');
    assert.equal(page.unit.trueHours, 100);
    assert.equal((await yard.db.selectFrom('check_in').select('id').where('id', '=', well.id).execute()).length, 0);
  });

  test('what it asks of the lists must be on them', async () => {
    await yard.addUnit('GE-10');
    const sent = wellCheckIn('GE-10', 'generator', '101.0', { complaintIds: ['tines-creep'] });
    const problem = await problemIn(await yard.checkIn(sent));
    assert.deepEqual([problem.status, problem.facts?.['field']], [422, 'complaintIds']);
  });

  test('letters in numbers are refused by field', async () => {
    const problem = await problemIn(await yard.checkIn(wellCheckIn('GE-10', 'generator', '1O1')));
    assert.deepEqual(
      problem.errors?.map((error) => [error.path, error.message]),
      [['facts', 'Figures, with at most one after the point.']],
    );
  });

  test('what says that it was begun later than it was made, was begun when it was made', async () => {
    await yard.addUnit('GE-77');
    const sent = wellCheckIn('GE-77', 'generator', '101.0');
    const startedAt = new Date(yard.now.getTime() + 6 * 60_000).toISOString();
    await checkedIn(await yard.checkIn({ ...sent, facts: { ...sent.facts, startedAt } }));
    const row = await yard.db.selectFrom('check_in').selectAll().where('id', '=', sent.id).executeTakeFirstOrThrow();
    assert.deepEqual([row.began_at, row.stands], [row.at, true]);
  });

  test('SQL, HTML and script stay text', async () => {
    await yard.addUnit('GE-11');
    const remarks = `'; drop table unit; -- <script>alert(1)</script>`;
    await yard.checkIn(wellCheckIn('GE-11', 'generator', '101.0', { remarks }));
    const history = await yard.read<{
      records: LogRecord[];
    }>('/api/units/GE-11/history', 'lead');
    assert.equal(history.records[0]?.facts['remarks'], remarks);
    assert.equal((await yard.ask('GET', `/api/units?find=${encodeURIComponent(remarks)}`, { as: 'lead' })).status, 200);
  });

  test('an apprentice may look, a technician signs it off; the counter may not', async () => {
    await yard.addUnit('GE-12');
    assert.equal((await yard.checkIn(wellCheckIn('GE-12', 'generator', '101.0'), 'counter')).status, 403);
    assert.equal((await yard.checkIn(wellCheckIn('GE-12', 'generator', '101.0'), 'apprentice')).status, 201);
    const [job] = (await unit('GE-12')).jobs;
    assert.equal(job?.work, 'sign-off');
    assert.equal((await signOff(yard, job?.id ?? '', 'apprentice')).status, 403);
    assert.equal((await signOff(yard, job?.id ?? '', 'technician')).status, 201);
    assert.equal((await unit('GE-12')).unit.verdict.readiness, 'fit');
  });

  test('a reading is corrected by a new record that points at the old', async () => {
    await yard.addUnit('GE-13');
    await yard.checkIn(wellCheckIn('GE-13', 'generator', '108.0'));
    const history = await yard.read<{
      records: LogRecord[];
    }>('/api/units/GE-13/history', 'lead');
    const first = history.records[0];
    const correcting = (facts: { readingId: string; reading: number; why: string }) =>
      yard.enter({ tag: 'GE-13' }, 'reading-corrected', facts);
    const body = { readingId: String(first?.outcome['readingId']), reading: 103, why: 'Misread the 3 as an 8' };
    assert.equal((await correcting(body)).status, 201);
    assert.equal((await unit('GE-13')).unit.trueHours, 103);
    const after = await yard.read<{
      records: { kind: string; corrects: string | null }[];
    }>('/api/units/GE-13/history', 'lead');
    assert.deepEqual([after.records[0]?.kind, after.records[0]?.corrects], ['reading-corrected', first?.id]);
    yard.later(24);
    await yard.checkIn(wellCheckIn('GE-13', 'generator', '105.0', { basedOn: await newest('GE-13') }));
    const second = { readingId: await readingOf('GE-13', 103), why: 'Read again on the photo' };
    const correct = (reading: number) => correcting({ ...second, reading });
    assert.equal((await problemIn(await correct(105.1))).code, 'hours-above-next');
    assert.equal((await problemIn(await correct(99.9))).code, 'hours-below-last');
    assert.equal((await correct(104)).status, 201);
    const page = await unit('GE-13');
    assert.equal(page.unit.trueHours, 105);
    assert.deepEqual(
      page.readings.map((reading) => reading.trueHours),
      [100, 104, 105],
    );
    assert.equal((await correcting({ ...body, readingId: '999999999', reading: 1 })).status, 404);
  });

  test('stations passed faster than they can be looked at are named in the record', async () => {
    await yard.addUnit('GE-14');
    const well = wellCheckIn('GE-14', 'generator', '101.0');
    const stations = well.facts.stations.map((station, at) => ({ ...station, seconds: at === 0 ? 0.5 : 60 }));
    await yard.checkIn({ ...well, facts: { ...well.facts, stations } });
    const { records } = await yard.read<{
      records: LogRecord[];
    }>('/api/units/GE-14/history', 'lead');
    assert.deepEqual(records[0]?.outcome['hurried'], [classOf('generator').stations[0].name]);
    const kept = await yard.read<CheckIn>(`/api/check-ins/${well.id}`);
    assert.deepEqual(
      kept.stations.map((station) => station.hurried),
      kept.stations.map((_, at) => at === 0),
    );
  });

  test('a second look that comes after the unit went out again does not end the new hire', async () => {
    await yard.addUnit('GE-15');
    const first = wellCheckIn('GE-15', 'generator', '101.0');
    await yard.checkIn(first);
    const startedAt = yard.now.toISOString();
    yard.later(0.1);
    const going = handOut('generator', '101.0', { dueAt: '2030-03-06T17:00:00Z' });
    assert.equal((await yard.enter({ tag: 'GE-15' }, 'check-out', going, 'counter')).status, 201);
    assert.equal(
      (await yard.checkIn(wellCheckIn('GE-15', 'generator', '101.0', { secondLookOf: first.id, startedAt }), 'lead'))
        .status,
      201,
    );
    assert.equal((await unit('GE-15')).unit.verdict.readiness, 'out');
  });

  test('only what went along can be missing', async () => {
    await yard.addUnit('GE-16');
    const left = { kit: classOf('generator').kit.map(({ id }) => ({ id, count: id === 'key' ? 1 : 0 })) };
    const going = handOut('generator', '100.0', { dueAt: '2030-03-06T17:00:00Z', ...left });
    await yard.enter({ tag: 'GE-16' }, 'check-out', going, 'counter');
    yard.later(24);
    const kept = await checkedIn(
      await yard.checkIn(
        wellCheckIn('GE-16', 'generator', '101.0', {
          missing: classOf('generator').kit.map((item) => ({ id: item.id, count: item.count })),
        }),
      ),
    );
    assert.deepEqual(
      kept.verdict.bill.map((line) => [line.id, line.count]),
      [['key', 1]],
    );
  });
});
