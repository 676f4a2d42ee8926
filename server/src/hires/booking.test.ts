import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import type { HireLine, LogRecord, Opening, Shift } from '@hudrik/core/contracts';
import type { AtGate } from '@hudrik/core/log';
import { handOut, wellCheckIn } from '../testing/samples';
import { problemIn, useYard } from '../testing/yard';

// The yard's clock stands at 2030-03-04, 09:00.
describe('bookings', () => {
  const yard = useYard();
  const book = (reference: string, tag: string | null, fromAt: string, toAt: string, classId = 'generator') =>
    yard.book({ reference, classId, tag, fromAt, toAt });
  const list = async (query = ''): Promise<string[]> =>
    (await yard.read<{ hires: HireLine[] }>(`/api/hires${query}`, 'counter')).hires.map((hire) => hire.reference);
  const cancel = (reference: string) => yard.ask('POST', `/api/hires/${reference}/cancel`, { as: 'counter' });
  const kinds = async (tag: string) =>
    (await yard.read<{ records: LogRecord[] }>(`/api/units/${tag}/history`)).records.map((record) => record.kind);

  test('from two weeks ago to two months ahead, the first to go first; or as asked, or of one unit', async () => {
    await yard.addUnit('GE-01');
    await yard.addUnit('GE-02');
    for (const [reference, tag, from, to] of [
      ['LATE', 'GE-01', '2030-05-04T08:00:00Z', '2030-05-05T08:00:00Z'],
      ['SOON', 'GE-02', '2030-05-03T08:00:00Z', '2030-05-04T07:00:00Z'],
      ['OLD', 'GE-01', '2030-02-17T08:00:00Z', '2030-02-18T08:00:00Z'],
      ['OVER', 'GE-02', '2030-02-17T08:00:00Z', '2030-02-18T09:00:01Z'],
      ['ANY', null, '2030-03-10T08:00:00Z', '2030-03-11T08:00:00Z'],
    ] as const)
      assert.equal((await book(reference, tag, from, to)).status, 201, reference);
    assert.deepEqual(await list(), ['OVER', 'ANY', 'SOON']);
    assert.deepEqual(await list('?tag=GE-02'), ['OVER', 'SOON']);
    assert.deepEqual(await list('?from=2030-01-01T00:00:00Z&to=2030-03-01T00:00:00Z'), ['OLD', 'OVER']);
    assert.deepEqual(await list('?from=2030-05-04T08:00:00Z&to=2030-06-01T00:00:00Z'), ['LATE']);
    assert.deepEqual(await list('?tag=GE-99'), []);
  });

  test('a reference is taken once; a unit is booked as what it is, and not when it is gone', async () => {
    const span = ['2030-06-01T08:00:00Z', '2030-06-02T08:00:00Z'] as const;
    assert.equal((await problemIn(await book('SOON', null, ...span))).code, 'already-there');
    const wrong = await problemIn(await book('W-1', 'GE-01', ...span, 'welder'));
    assert.deepEqual(
      [wrong.code, wrong.facts?.['field'], wrong.facts?.['wants']],
      ['not-valid', 'classId', 'generator'],
    );
    assert.equal((await problemIn(await book('W-2', 'GE-99', ...span))).code, 'no-such-tag');
    const id = await yard.addUnit('GE-03');
    const { version } = await yard.db
      .selectFrom('unit')
      .select('version')
      .where('id', '=', id)
      .executeTakeFirstOrThrow();
    await yard.ask('PATCH', '/api/units/GE-03', {
      as: 'lead',
      body: { gone: { why: 'Sold' } },
      headers: { 'If-Match': `"${version}"` },
    });
    assert.equal((await problemIn(await book('W-3', 'GE-03', ...span))).code, 'not-ready');
  });

  test('one may begin in the minute in which the other ends', async () => {
    await yard.addUnit('GE-04');
    await book('E-1', 'GE-04', '2030-06-01T08:00:00Z', '2030-06-02T08:00:00Z');
    assert.equal(
      (await problemIn(await book('E-2', 'GE-04', '2030-06-02T07:59:00Z', '2030-06-03T08:00:00Z'))).code,
      'hire-overlaps',
    );
    assert.equal(
      (await problemIn(await book('E-3', 'GE-04', '2030-05-31T08:00:00Z', '2030-06-01T08:01:00Z'))).code,
      'hire-overlaps',
    );
    assert.equal((await book('E-4', 'GE-04', '2030-06-02T08:00:00Z', '2030-06-03T08:00:00Z')).status, 201);
    assert.equal((await book('E-5', 'GE-04', '2030-05-31T08:00:00Z', '2030-06-01T08:00:00Z')).status, 201);
    await cancel('E-1');
    assert.equal((await book('E-6', 'GE-04', '2030-06-01T08:00:00Z', '2030-06-02T08:00:00Z')).status, 201);
  });

  test('cancelled once, however often it is said; the unit’s history tells it once', async () => {
    await yard.addUnit('GE-05');
    await book('C-1', 'GE-05', '2030-06-01T08:00:00Z', '2030-06-02T08:00:00Z');
    await book('C-2', null, '2030-06-01T08:00:00Z', '2030-06-02T08:00:00Z');
    for (const reference of ['C-1', 'C-1', 'C-2', 'C-2']) assert.equal((await cancel(reference)).status, 200);
    assert.deepEqual(await kinds('GE-05'), ['hire-cancelled', 'hire-booked', 'unit-added']);
    const rows = await yard.db.selectFrom('hire').select('state').where('reference', 'in', ['C-1', 'C-2']).execute();
    assert.deepEqual(
      rows.map((row) => row.state),
      ['cancelled', 'cancelled'],
    );
    assert.equal((await problemIn(await cancel('NONE'))).code, 'not-found');
  });

  test('what is out is not cancelled; it comes back once, to its own unit', async () => {
    await yard.addUnit('GE-06');
    await book('B-1', 'GE-06', '2030-03-04T09:00:00Z', '2030-03-05T08:00:00Z');
    const back = (tag: string, reference = 'B-1') => yard.enter({ tag }, 'hire-back', { reference }, 'counter');
    await yard.enter({ tag: 'GE-06' }, 'check-out', handOut('generator', '100.0', { hire: 'B-1' }), 'counter');
    const late = await problemIn(await cancel('B-1'));
    assert.deepEqual([late.code, late.facts?.['state']], ['already-out', 'out']);
    const at = async () =>
      (await yard.db.selectFrom('hire').select('back_at').where('reference', '=', 'B-1').executeTakeFirstOrThrow())
        .back_at;
    assert.equal((await back('GE-06')).status, 201);
    const first = await at();
    yard.later(1);
    assert.equal((await back('GE-06')).status, 201);
    assert.deepEqual(await at(), first);
    const page = await yard.read<{ unit: { verdict: { readiness: string; notLookedAtSince?: string } } }>(
      '/api/units/GE-06',
    );
    assert.deepEqual([page.unit.verdict.readiness, page.unit.verdict.notLookedAtSince], ['held', first?.toISOString()]);
  });

  test('one of a pile: what three taps said is there when it is looked at; what was said last counts, and only of this hire', async () => {
    await yard.addUnit('GE-07');
    const opening = async () => (await yard.read<Opening>('/api/units/GE-07/opening', 'technician')).atGate;
    const goesOutAndComesBack = async (reference: string, ...said: readonly (AtGate | undefined)[]) => {
      const now = yard.now.getTime();
      await book(reference, 'GE-07', new Date(now).toISOString(), new Date(now + 3_600_000).toISOString());
      const facts = handOut('generator', '100.0', { hire: reference });
      assert.equal((await yard.enter({ tag: 'GE-07' }, 'check-out', facts, 'counter')).status, 201);
      yard.later(1);
      for (const atGate of said)
        assert.equal((await yard.enter({ tag: 'GE-07' }, 'hire-back', { reference, atGate }, 'counter')).status, 201);
    };
    const [well, badly]: AtGate[] = [
      { runs: 'yes', leaks: false, complete: true },
      { runs: 'no', leaks: false, complete: false },
    ];
    await goesOutAndComesBack('P-1', well, badly, undefined);
    assert.deepEqual(await opening(), badly);
    const { back } = await yard.read<Shift>('/api/shift', 'technician');
    assert.deepEqual(back.find((line) => line.reference === 'P-1')?.because, ['does not run', 'something is missing']);
    await yard.checkIn(wellCheckIn('GE-07', 'generator', '100.0'));
    assert.equal(await opening(), null);
    await goesOutAndComesBack('P-2', undefined);
    assert.equal(await opening(), null);
  });
});
