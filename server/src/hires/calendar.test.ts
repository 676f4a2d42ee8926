import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import { SERVICE_ITEMS, workOfItem } from '@hudrik/core/catalogue';
import type { BenchReply, HireCalendar, UnitService } from '@hudrik/core/contracts';
import { entryIn, jsonOf, problemIn, useYard } from '../testing/yard';

const yard = useYard();
yard.now = new Date('2030-05-06T06:00:00Z');

const calendar = (): Promise<HireCalendar> => yard.read<HireCalendar>('/api/hires/calendar');
const hireOf = (reply: HireCalendar, reference: string) => {
  const hire = reply.hires.find((one) => one.reference === reference);
  assert.ok(hire, reference);
  return hire;
};
const book = (reference: string, tag: string | null, from: string, to: string) =>
  yard.book({ reference, classId: 'generator', tag, fromAt: `2030-05-${from}:00Z`, toAt: `2030-05-${to}:00Z` });
const change = (reference: string, body: object, as: 'counter' | 'technician' = 'counter') =>
  yard.ask('PATCH', `/api/hires/${reference}`, { as, body });

describe('hires and the units that they are given', () => {
  test('a hire of a class is given a unit that is free and fit; it keeps it', async () => {
    for (const tag of ['GE-01', 'GE-02']) await yard.addUnit(tag);
    await book('B-1', 'GE-01', '07T08:00', '09T08:00');
    await book('B-2', null, '07T09:00', '08T08:00');
    const first = await calendar();
    assert.equal(hireOf(first, 'B-2').tag, 'GE-02');
    assert.equal(hireOf(first, 'B-2').isOwn, false);
    assert.equal(hireOf(first, 'B-1').isOwn, true);
    const kept = await yard.db.selectFrom('hire_assignment').selectAll().execute();
    assert.equal(kept.length, 1);
    await yard.addUnit('GE-03');
    assert.equal(hireOf(await calendar(), 'B-2').tag, 'GE-02');
  });

  test('none left: it says so, with the visit that would cover it, and the bench puts that visit before', async () => {
    await book('B-3', null, '07T09:00', '08T08:00');
    await book('B-4', null, '07T09:00', '08T08:00');
    await yard.addUnit('GE-04');
    await yard.addUnit('GE-05');
    const raise = (tag: string, minutes: number) =>
      yard.enter({ tag }, 'job-raised', { kind: 'repair', title: `Work on ${tag}`, minutes, blocks: 'prep' });
    await entryIn(await raise('GE-04', 30));
    await entryIn(await raise('GE-05', 400));
    await yard.read<BenchReply>('/api/bench');
    const before = await calendar();
    assert.equal(hireOf(before, 'B-3').tag, 'GE-03');
    assert.equal(hireOf(before, 'B-4').tag, 'GE-04');
    const bench = await yard.read<BenchReply>('/api/bench');
    const line = bench.visits.find(({ tag }) => tag === 'GE-04');
    assert.deepEqual([line?.hire?.reference, line?.hire?.isOwn], ['B-4', false]);
    assert.equal(bench.plan.visits.find(({ id }) => id === line?.id)?.lateMinutes, 0);
    await book('B-5', null, '07T09:00', '08T08:00');
    const after = hireOf(await calendar(), 'B-5');
    assert.equal(after.tag === null ? after.help?.visit : after.tag, 'GE-05');
  });

  test('a visit that was put too late by hand would cover it if it came first: it is named, and its card says for what', async () => {
    await yard.addUnit('WE-01', 'welder');
    const facts = { kind: 'repair', title: 'Lead', minutes: 40, blocks: 'prep' } as const;
    const { jobId } = await entryIn(await yard.enter({ tag: 'WE-01' }, 'job-raised', facts));
    const place = { to: yard.personId('technician'), at: '2030-05-08T08:00:00Z' };
    await entryIn(await yard.enter({ jobId: jobId ?? '' }, 'placed', place));
    await yard.read<BenchReply>('/api/bench');
    const wanted = { fromAt: '2030-05-07T14:00:00Z', toAt: '2030-05-07T20:00:00Z' };
    await yard.book({ reference: 'W-1', classId: 'welder', tag: null, ...wanted });
    const hire = hireOf(await calendar(), 'W-1');
    assert.deepEqual([hire.tag, hire.help?.visit], [null, 'WE-01']);
    const bench = await yard.read<BenchReply>('/api/bench');
    const line = bench.visits.find(({ tag }) => tag === 'WE-01');
    assert.deepEqual([line?.hire?.reference, line?.hire?.isOwn], ['W-1', false]);
    assert.ok(bench.advice.some((told) => told.code === 'will-miss' && told.id === line?.id && !told.whateverTheOrder));
  });

  test('what falls due, and what a hire runs over, is what nobody is at yet: a job for it is a promise', async () => {
    await yard.addUnit('TI-01', 'tiller');
    await yard.book({
      ...{ reference: 'T-1', classId: 'tiller', tag: 'TI-01', sure: true },
      ...{ fromAt: '2030-05-10T08:00:00Z', toAt: '2031-06-10T08:00:00Z' },
    });
    const dueIn = async () => (await calendar()).units.find(({ tag }) => tag === 'TI-01')?.dueInDays ?? null;
    const items = async () => (await yard.read<UnitService>('/api/units/TI-01/service')).items;
    const open = (list: UnitService['items']) => list.filter(({ jobId }) => jobId === null);
    const before = await items();
    assert.equal(await dueIn(), before[0]?.fallsDueIn.expected);
    assert.equal(hireOf(await calendar(), 'T-1').overruns, true);
    for (const { id, runsOutDuring } of before) {
      const item = SERVICE_ITEMS.find((one) => one.id === id);
      if (runsOutDuring === null || item === undefined || (await items()).find((one) => one.id === id)?.jobId) continue;
      const facts = { kind: 'service', work: workOfItem(item), title: item.name, minutes: 20, blocks: 'none' } as const;
      await entryIn(await yard.enter({ tag: 'TI-01' }, 'job-raised', facts));
    }
    const after = open(await items());
    assert.ok(after.length < before.length);
    assert.equal(await dueIn(), after[0]?.fallsDueIn.expected ?? null);
    assert.equal(hireOf(await calendar(), 'T-1').overruns, false);
  });

  test('overruled by hand: it goes with the unit that the desk says, or with any again', async () => {
    const moved = await jsonOf<HireCalendar>(await change('B-2', { tag: 'GE-03' }));
    assert.deepEqual([hireOf(moved, 'B-2').tag, hireOf(moved, 'B-2').isOwn], ['GE-03', true]);
    const history = await yard.read<{ records: { kind: string }[] }>('/api/units/GE-03/history');
    assert.equal(history.records[0]?.kind, 'hire-changed');
    const back = await jsonOf<HireCalendar>(await change('B-2', { tag: null }));
    assert.equal(hireOf(back, 'B-2').isOwn, false);
  });

  test('refused: over another hire, of another class, into the past, too short, out already, by a technician', async () => {
    await yard.addUnit('PW-01', 'pressure-washer');
    const tries: readonly (readonly [string, object, string, ('technician' | undefined)?])[] = [
      ['B-2', { tag: 'GE-01' }, 'hire-overlaps'],
      ['B-2', { tag: 'PW-01' }, 'not-valid'],
      ['B-2', { tag: 'GE-99' }, 'no-such-tag'],
      ['B-2', { fromAt: '2030-05-05T08:00:00Z' }, 'hire-in-past'],
      ['B-2', { toAt: '2030-05-07T09:10:00Z' }, 'hire-too-short'],
      ['B-9', { tag: null }, 'not-found'],
      ['B-2', { tag: null }, 'not-your-role', 'technician'],
    ];
    for (const [reference, body, code, as] of tries)
      assert.equal((await problemIn(await change(reference, body, as))).code, code, JSON.stringify(body));
    await yard.db.updateTable('hire').set({ state: 'cancelled' }).where('reference', '=', 'B-5').execute();
    assert.equal((await problemIn(await change('B-5', { tag: null }))).code, 'already-out');
  });

  test('one that was never fetched and is over asks for no unit', async () => {
    await book('B-8', null, '06T07:00', '06T09:00');
    const now = yard.now;
    yard.now = new Date('2030-05-06T09:30:00Z');
    assert.ok((await calendar()).hires.every(({ reference }) => reference !== 'B-8'));
    yard.now = now;
  });

  test('another time moves what the bench works towards, and the plan says why', async () => {
    await yard.read<BenchReply>('/api/bench');
    const given = hireOf(await calendar(), 'B-4');
    await change('B-4', { fromAt: '2030-05-10T09:00:00Z', toAt: '2030-05-11T08:00:00Z' });
    const bench = await yard.read<BenchReply>('/api/bench');
    assert.notEqual(given.tag, null);
    assert.ok(
      bench.changes.some(({ code }) => code === 'wanted'),
      JSON.stringify(bench.changes),
    );
  });
});
