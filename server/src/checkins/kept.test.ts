import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import type { Opening, UnitPage } from '@hudrik/core/contracts';
import { nth } from '@hudrik/core/typed';
import { foundCheckIn, handOut, wellCheckIn } from '../testing/samples';
import { checkedIn, problemIn, useYard } from '../testing/yard';

describe('what a check-in is held to, and what is kept of it', () => {
  const yard = useYard();
  const unit = (tag: string): Promise<UnitPage> => yard.read<UnitPage>(`/api/units/${tag}`, 'technician');
  const newest = async (tag: string) => (await yard.read<Opening>(`/api/units/${tag}/opening`, 'technician')).basedOn;

  test('what is found anew is one job with what is open: the stricter, the longer, all reasons', async () => {
    await yard.addUnit('GE-40');
    await yard.checkIn(foundCheckIn('GE-40', 'generator', '101.0', { 'oil-look': 'smells-of-fuel' }));
    const [before] = (await unit('GE-40')).jobs;
    assert.deepEqual([before?.work, before?.why], ['fuel-in-oil', ['Oil smells of fuel.']]);
    const again = foundCheckIn(
      'GE-40',
      'generator',
      '101.0',
      { 'oil-level': 'over-full', 'oil-look': 'smells-of-fuel' },
      { basedOn: await newest('GE-40') },
    );
    assert.equal((await yard.checkIn(again)).status, 201);
    const jobs = (await unit('GE-40')).jobs.filter((job) => job.work === 'fuel-in-oil');
    assert.equal(jobs.length, 1);
    assert.deepEqual(jobs[0]?.why, [
      'Fuel in the oil. Do not start it: the float needle lets by.',
      'Oil smells of fuel.',
    ]);
    assert.deepEqual(
      jobs[0]?.origins.map((origin) => [origin.kind, origin.id]),
      [
        ['derived', 'fuel-in-oil'],
        ['check', 'oil-look'],
      ],
    );
    assert.equal(jobs[0]?.caution, 'do-not-start');
  });

  test('four damages are four jobs', async () => {
    await yard.addUnit('WE-40', 'welder');
    const found = { 'weld-leads': 'damaged', holder: 'damaged', clamp: 'weak', frame: 'damaged' };
    await yard.checkIn(foundCheckIn('WE-40', 'welder', '101.0', found));
    const { jobs } = await unit('WE-40');
    assert.equal(jobs.length, 4);
    assert.equal(new Set(jobs.map((job) => job.title)).size, 4);
    for (const job of jobs) assert.equal(job.origins.length, 1);
  });

  test('each list of what was sent must be of the class, and name each thing once', async () => {
    await yard.addUnit('GE-50');
    const well = wellCheckIn('GE-50', 'generator', '101.0');
    const first = nth(well.facts.answers, 0);
    const station = nth(well.facts.stations, 0);
    const problem = async (more: object) => {
      const { code, facts } = await problemIn(await yard.checkIn({ ...well, facts: { ...well.facts, ...more } }));
      return [code, facts?.['field'], facts?.['value']];
    };
    assert.deepEqual(await problem({ answers: [...well.facts.answers, { ...first, check: 'wings' }] }), [
      'not-valid',
      'answers.check',
      'wings',
    ]);
    assert.deepEqual(await problem({ answers: [...well.facts.answers, first] }), [
      'not-valid',
      'answers.check',
      'twice',
    ]);
    assert.deepEqual(await problem({ missing: [{ id: 'wings', count: 1 }] }), ['not-valid', 'missing.id', 'wings']);
    assert.deepEqual(await problem({ stations: [station, station] }), ['not-valid', 'stations.id', 'twice']);
    assert.deepEqual(await problem({ complaintIds: ['sings'] }), ['not-valid', 'complaintIds', 'sings']);
  });

  test('readings of its checks are kept with their names, photos with the answers that name them', async () => {
    await yard.addUnit('GE-52');
    const well = wellCheckIn('GE-52', 'generator', '101.0');
    const photoId = randomUUID();
    await yard.db
      .insertInto('photo')
      .values({
        id: photoId,
        person_id: yard.personId('technician'),
        media_type: 'image/png',
        width: 1,
        height: 1,
        bytes: Buffer.from('x'),
        thumb: null,
      })
      .execute();
    const answers = well.facts.answers.map((answer) =>
      answer.check === 'hertz'
        ? { ...answer, reading: { value: 61, unit: 'Hz' }, photos: [photoId] }
        : { ...answer, reading: undefined },
    );
    const kept = await checkedIn(await yard.checkIn({ ...well, facts: { ...well.facts, answers } }));
    assert.deepEqual(
      kept.readings.map(({ value, unit: of }) => [value, of]),
      [[61, 'Hz']],
    );
    assert.ok((kept.readings[0]?.name ?? '').length > 5);
    assert.deepEqual(kept.hurried, []);
  });

  test('a check-in ends the hire that it comes back from, and knows how long it ran and with what it went', async () => {
    await yard.addUnit('GE-51');
    const going = handOut('generator', '100.0', { dueAt: '2030-03-09T17:00:00Z' });
    assert.equal((await yard.enter({ tag: 'GE-51' }, 'check-out', going, 'counter')).status, 201);
    yard.later(48);
    const opening = await yard.read<Opening>('/api/units/GE-51/opening', 'technician');
    assert.equal(opening.hire?.state, 'out');
    const kept = await checkedIn(await yard.checkIn(wellCheckIn('GE-51', 'generator', '108.0', { fuelEighths: 2 })));
    assert.deepEqual([kept.hoursRun, kept.reference], [8, opening.hire?.reference]);
    // It went out full and came back with a quarter: the fuel is charged for.
    assert.deepEqual(
      kept.verdict.reasons.map((reason) => reason.sentence),
      ['Came back 6 eighths of a tank under what went out.'],
    );
    const hire = await yard.db
      .selectFrom('hire')
      .select(['state', 'back_at', 'ended_at'])
      .where('reference', '=', opening.hire?.reference ?? '')
      .executeTakeFirstOrThrow();
    assert.deepEqual([hire.state, hire.back_at, hire.ended_at], ['ended', yard.now, yard.now]);
    const after = await yard.read<Opening>('/api/units/GE-51/opening', 'technician');
    assert.deepEqual([after.hire, after.wentOut, after.fuel?.litres, after.trueHours], [null, null, 5, 108]);
    assert.equal(
      after.workMinutes,
      (await unit('GE-51')).jobs.filter((job) => job.blocks !== 'none').reduce((sum, job) => sum + job.minutes, 0),
    );
  });
});
