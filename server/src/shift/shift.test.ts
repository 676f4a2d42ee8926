import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import type { Shift, UnitPage } from '@hudrik/core/contracts';
import { foundCheckIn, handOut, wellCheckIn } from '../testing/samples';
import { useYard } from '../testing/yard';

// The yard's clock stands at 2030-03-04, 09:00.
describe('what to do now', () => {
  const yard = useYard();
  const shift = (): Promise<Shift> => yard.read<Shift>('/api/shift');
  const book = (reference: string, tag: string | null, fromAt: string, toAt: string) =>
    yard.book({ reference, classId: 'generator', tag, fromAt, toAt });
  const out = (tag: string, hire: string, typed = '100.0') =>
    yard.enter({ tag }, 'check-out', handOut('generator', typed, { hire }), 'counter');

  test('an empty yard has nothing to do', async () => {
    const { back, soon, held, inWork, due, hires, goingOut, goingOutNotFit, minutesBetween, at } = await shift();
    assert.deepEqual([back, soon, held, inWork, due, hires], [[], [], [], [], [], []]);
    assert.deepEqual([goingOut, goingOutNotFit, minutesBetween, at], [0, 0, 0, '2030-03-04T09:00:00.000Z']);
  });

  test('what goes out soon and is not fit, with the minutes of its jobs; what goes later is not asked yet', async () => {
    for (const tag of ['GE-01', 'GE-02', 'GE-03']) await yard.addUnit(tag);
    await yard.checkIn(foundCheckIn('GE-01', 'generator', '101.0', { sockets: 'damaged' }));
    await book('S-1', 'GE-01', '2030-03-06T09:00:00Z', '2030-03-07T09:00:00Z');
    await book('S-2', 'GE-02', '2030-03-05T09:00:00Z', '2030-03-07T09:00:00Z');
    await book('S-3', 'GE-03', '2030-03-06T09:00:01Z', '2030-03-07T09:00:00Z');
    const now = await shift();
    const { jobs } = await yard.read<UnitPage>('/api/units/GE-01');
    const minutes = jobs.reduce((sum, job) => sum + job.minutes, 0);
    assert.ok(minutes > 0);
    assert.deepEqual(
      now.soon.map((line) => [line.tag, line.code, line.reference, line.minutes, line.jobId]),
      [['GE-01', 'unit-not-fit', 'S-1', minutes, jobs[0]?.id]],
    );
    assert.deepEqual([now.soon[0]?.facts['readiness'], now.soon[0]?.facts['nearestFit']], ['held', 'GE-03']);
    assert.deepEqual(now.soon[0]?.because, (await yard.read<UnitPage>('/api/units/GE-01')).unit.verdict.because);
    assert.deepEqual([now.goingOut, now.goingOutNotFit, now.minutesBetween], [2, 1, minutes]);
    // It is named once: under what goes out, not under what is held too.
    assert.deepEqual(now.held, []);
    assert.deepEqual(now.hires.map((hire) => hire.reference).sort(), ['S-1', 'S-2', 'S-3']);
  });

  test('a class with fewer fit units than hires is short, by whom', async () => {
    for (const n of [4, 5, 6]) await book(`S-${n}`, null, '2030-03-05T09:00:00Z', '2030-03-07T09:00:00Z');
    const short = (await shift()).soon.filter((line) => line.code === 'class-short');
    assert.ok(short.length >= 1);
    assert.deepEqual(
      [short[0]?.tag, short[0]?.minutes, short[0]?.jobId, short[0]?.facts['class'], short[0]?.classId],
      [null, 0, null, 'Generator', 'generator'],
    );
    for (const n of [4, 5, 6]) await yard.ask('POST', `/api/hires/S-${n}/cancel`, { as: 'counter' });
    assert.deepEqual(
      (await shift()).soon.map((line) => line.reference),
      ['S-1'],
    );
  });

  test('a line’s job is its own unit’s, and one that holds something; what is out or back says when', async () => {
    const raise = (tag: string, title: string, blocks: 'none' | 'prep') =>
      yard.enter({ tag }, 'job-raised', { kind: 'prep', title, minutes: 7, blocks }, 'lead');
    for (const tag of ['GE-07', 'GE-08', 'GE-09', 'GE-11']) await yard.addUnit(tag);
    await raise('GE-07', 'Another’s', 'prep');
    await raise('GE-08', 'Label', 'none');
    await raise('GE-08', 'Wash', 'prep');
    const wash = (await yard.read<UnitPage>('/api/units/GE-08')).jobs.find((job) => job.title === 'Wash');
    await book('T-8', 'GE-08', '2030-03-05T09:00:00Z', '2030-03-05T12:00:00Z');
    for (const [tag, hire] of [
      ['GE-09', 'T-9'],
      ['GE-11', 'T-11'],
    ] as const) {
      await book(hire, tag, '2030-03-04T08:00:00Z', '2030-03-05T08:00:00Z');
      assert.equal((await out(tag, hire)).status, 201);
      await book(`${hire}-next`, tag, '2030-03-05T09:00:00Z', '2030-03-05T12:00:00Z');
    }
    await yard.enter({ tag: 'GE-11' }, 'hire-back', { reference: 'T-11' }, 'counter');
    const soon = (await shift()).soon
      .filter((line) => line.reference?.startsWith('T-'))
      .sort((a, b) => (a.tag ?? '').localeCompare(b.tag ?? ''));
    assert.deepEqual(
      soon.map(({ tag, minutes, jobId, facts }) => [
        tag,
        minutes,
        jobId,
        facts['readiness'],
        facts['dueAt'],
        facts['backAt'],
      ]),
      [
        ['GE-08', 7, wash?.id, 'prep', null, null],
        ['GE-09', 0, null, 'out', '2030-03-05T08:00:00.000Z', null],
        ['GE-11', 0, null, 'held', null, '2030-03-04T09:00:00.000Z'],
      ],
    );
    // What is back stands in the order in which it is needed again.
    await yard.enter({ tag: 'GE-09' }, 'hire-back', { reference: 'T-9' }, 'counter');
    const order = async () => (await shift()).back.map((line) => line.tag);
    await yard.ask('POST', '/api/hires/T-11-next/cancel', { as: 'counter' });
    await book('T-11-late', 'GE-11', '2030-03-06T09:00:00Z', '2030-03-06T12:00:00Z');
    assert.deepEqual(await order(), ['GE-09', 'GE-11']);
    await yard.ask('POST', '/api/hires/T-9-next/cancel', { as: 'counter' });
    await book('T-9-late', 'GE-09', '2030-03-07T09:00:00Z', '2030-03-07T12:00:00Z');
    assert.deepEqual(await order(), ['GE-11', 'GE-09']);
    for (const reference of ['T-9-late', 'T-11-late'])
      await yard.ask('POST', `/api/hires/${reference}/cancel`, { as: 'counter' });
    // What is back and not looked at stands under what is back, not under what is held.
    assert.ok(!(await shift()).held.some((line) => line.tag === 'GE-11'));
    for (const reference of ['T-8', 'T-9-next', 'T-11-next'])
      await yard.ask('POST', `/api/hires/${reference}/cancel`, { as: 'counter' });
    await yard.checkIn(wellCheckIn('GE-11', 'generator', '100.1'));
    await yard.checkIn(wellCheckIn('GE-09', 'generator', '100.1'));
  });

  test('what is held and not asked for, and what is on the bench', async () => {
    await yard.addUnit('GE-10');
    await yard.checkIn(foundCheckIn('GE-10', 'generator', '101.0', { sockets: 'damaged' }));
    const [job] = (await yard.read<UnitPage>('/api/units/GE-10')).jobs;
    const held = (await shift()).held;
    assert.deepEqual(
      held.map((line) => [line.tag, line.code, line.minutes, line.jobId, line.reference]),
      [['GE-10', 'held', job?.minutes, job?.id, null]],
    );
    assert.deepEqual(held[0]?.facts['readiness'], 'held');
    assert.deepEqual((await shift()).inWork, []);
    await yard.enter({ jobId: job?.id ?? '' }, 'job-started', {});
    const { inWork } = await shift();
    assert.deepEqual(
      inWork.map((line) => [line.tag, line.code, line.facts, line.minutes, line.jobId, line.because]),
      [['GE-10', 'in-work', { by: 'The technician', title: job?.title }, job?.minutes, job?.id, job?.why]],
    );
  });

  test('an oil service within five hours is due, until there is a job for it or the unit is out', async () => {
    await yard.addUnit('GE-20', 'generator', 10);
    await yard.checkIn(wellCheckIn('GE-20', 'generator', '56.0', hoursKept('56.0')));
    const due = async () =>
      (await shift()).due.map((line) => [line.tag, line.because.slice(0, 2).join(', '), line.minutes]);
    const every = (await yard.read<UnitPage>('/api/units/GE-20')).unit.oilServiceEvery;
    const { trueHours, hoursToOilService } = (await yard.read<UnitPage>('/api/units/GE-20')).unit;
    assert.equal(hoursToOilService, Math.round((10 + every - trueHours) * 10) / 10);
    // Common practice: 50 hours between oil changes; four are left.
    assert.deepEqual([every, hoursToOilService], [50, 4]);
    assert.deepEqual(
      (await due()).filter(([tag]) => tag === 'GE-20'),
      [['GE-20', 'Engine oil, Pre-filter', 25]],
    );
    await yard.enter(
      { tag: 'GE-20' },
      'job-raised',
      { kind: 'service', title: 'Oil', minutes: 25, blocks: 'none', work: 'oil-service' },
      'lead',
    );
    assert.deepEqual(
      (await due()).filter(([tag]) => tag === 'GE-20'),
      [],
    );
  });

  test('what is back and not looked at comes before what is late; both stand until they are looked at', async () => {
    for (const tag of ['GE-30', 'GE-31']) await yard.addUnit(tag);
    await book('B-1', 'GE-30', '2030-03-04T08:00:00Z', '2030-03-04T12:00:00Z');
    await book('B-2', 'GE-31', '2030-03-04T08:00:00Z', '2030-03-04T12:00:00Z');
    for (const [tag, hire] of [
      ['GE-30', 'B-1'],
      ['GE-31', 'B-2'],
    ] as const)
      assert.equal((await out(tag, hire)).status, 201);
    assert.deepEqual((await shift()).back, []);
    yard.later(4);
    const lines = async () =>
      (await shift()).back.map((line) => [line.tag, line.code, line.minutes, line.reference, line.facts['dueAt']]);
    assert.deepEqual((await lines()).map(([tag, code]) => [tag, code]).sort(), [
      ['GE-30', 'overdue'],
      ['GE-31', 'overdue'],
    ]);
    await yard.enter({ tag: 'GE-31' }, 'hire-back', { reference: 'B-2' }, 'counter');
    assert.deepEqual(await lines(), [
      ['GE-31', 'back-not-looked-at', 6, 'B-2', '2030-03-04T12:00:00.000Z'],
      ['GE-30', 'overdue', 0, 'B-1', '2030-03-04T12:00:00.000Z'],
    ]);
    await yard.checkIn(wellCheckIn('GE-31', 'generator', '101.0'));
    assert.deepEqual(
      (await lines()).map(([tag]) => tag),
      ['GE-30'],
    );
  });
});

const hoursKept = (typed: string) => ({ hours: { typed, confirmed: true, meterEvent: null } });
