import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import type { HireLine, UnitLine } from '@hudrik/core/contracts';
import { foundCheckIn } from '../testing/samples';
import { problemIn, useYard } from '../testing/yard';

// The yard's clock stands at 2030-03-04, 09:00.
describe('what is asked before a hire is booked', () => {
  const yard = useYard();
  const SPAN = { fromAt: '2030-03-05T08:00:00Z', toAt: '2030-03-06T08:00:00Z' };
  const book = (reference: string, more: object = {}) =>
    yard.ask('POST', '/api/hires', {
      as: 'counter',
      body: { reference, classId: 'generator', tag: null, ...SPAN, ...more },
    });
  const codeOf = async (answer: Promise<Response>) => (await problemIn(await answer)).code;
  const free = async (from: string, to: string) =>
    (await yard.read<{ units: UnitLine[] }>(`/api/free?class=generator&from=${from}&to=${to}`, 'counter')).units.map(
      (unit) => [unit.tag, unit.verdict.readiness],
    );

  test('not in the past, and not for less than an hour', async () => {
    await yard.addUnit('GE-01');
    assert.equal(await codeOf(book('A-1', { tag: 'GE-01', fromAt: '2030-03-04T08:44:59Z' })), 'hire-in-past');
    assert.equal(
      (await book('A-2', { tag: 'GE-01', fromAt: '2030-03-04T08:45:00Z', toAt: '2030-03-04T09:45:00Z' })).status,
      201,
    );
    const short = { tag: 'GE-01', fromAt: '2030-03-04T12:00:00Z', toAt: '2030-03-04T12:59:59Z' };
    assert.equal(await codeOf(book('A-3', short)), 'hire-too-short');
    assert.equal(await codeOf(book('A-3', { ...short, sure: true })), 'hire-too-short');
  });

  test('a unit that is held is asked about, with why; who is sure books it', async () => {
    await yard.addUnit('GE-02');
    await yard.checkIn(foundCheckIn('GE-02', 'generator', '101.0', { sockets: 'damaged' }));
    const asked = await problemIn(await book('B-1', { tag: 'GE-02' }));
    assert.deepEqual(
      [asked.code, asked.facts?.['why'], asked.facts?.['because']],
      ['hire-doubtful', 'not-fit', ['A socket is broken or burnt.']],
    );
    assert.equal((await book('B-1', { tag: 'GE-02', sure: true })).status, 201);
  });

  test('of a class no more are promised than are free', async () => {
    // GE-01 is free on that day, GE-02 is promised.
    assert.equal((await book('C-1')).status, 201);
    assert.deepEqual((await problemIn(await book('C-2'))).facts, { why: 'none-free', classId: 'generator' });
    assert.equal((await book('C-2', { fromAt: '2030-03-06T08:00:00Z', toAt: '2030-03-07T08:00:00Z' })).status, 201);
    assert.equal((await book('C-3', { sure: true })).status, 201);
  });

  test('what is free: nobody is promised it then, what is fit first; to the minute', async () => {
    assert.deepEqual(await free('2030-03-05T09:00:00Z', '2030-03-05T10:00:00Z'), [['GE-01', 'fit']]);
    assert.deepEqual(await free('2030-03-06T08:00:00Z', '2030-03-06T10:00:00Z'), [
      ['GE-01', 'fit'],
      ['GE-02', 'held'],
    ]);
    assert.deepEqual(await free('2030-03-04T09:44:59Z', '2030-03-04T10:00:00Z'), [['GE-02', 'held']]);
  });

  test('who hires and how to reach them stands on the hire', async () => {
    const whom = {
      sure: true,
      hirer: 'Orchard on the slope',
      phone: '555 0117',
      tag: 'GE-01',
      fromAt: '2030-04-05T08:00:00Z',
      toAt: '2030-04-06T08:00:00Z',
    };
    assert.equal((await book('D-1', whom)).status, 201);
    const { hires } = await yard.read<{ hires: HireLine[] }>('/api/hires?tag=GE-01', 'counter');
    const hire = hires.find((one) => one.reference === 'D-1');
    assert.deepEqual([hire?.hirer, hire?.phone], ['Orchard on the slope', '555 0117']);
  });
});
