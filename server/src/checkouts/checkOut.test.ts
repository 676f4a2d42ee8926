import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import { isCheckedOut, isOf, type CheckedOut } from '@hudrik/core/log';
import type { Opening, UnitPage } from '@hudrik/core/contracts';
import { handOut } from '../testing/samples';
import { entryIn, problemIn, useYard } from '../testing/yard';

const GOING = handOut('generator', '100.4', { dueAt: '2030-03-06T17:00:00Z', fuelEighths: 6 });

// The yard's clock stands at 2030-03-04, 09:00.
describe('handing out', () => {
  const yard = useYard();
  const book = (reference: string, tag: string | null, fromAt: string, toAt: string, classId = 'generator') =>
    yard.book({ reference, classId, tag, fromAt, toAt });
  const out = (tag: string, more: object = {}, id = randomUUID()) =>
    yard.enter({ tag, id }, 'check-out', { ...GOING, ...more }, 'counter');
  const cameTo = async (answer: Response): Promise<CheckedOut> => {
    const entry = await entryIn(answer);
    if (!isOf(entry, 'check-out') || !isCheckedOut(entry.outcome)) throw new Error('not handed out');
    return entry.outcome;
  };
  const fieldOf = async (answer: Response) => {
    const { code, facts } = await problemIn(answer);
    return [code, facts?.['field']];
  };

  test('to somebody who walked in: a hire is made, and what went with it is known', async () => {
    await yard.addUnit('GE-01');
    const id = randomUUID();
    const { reference, dueAt, waived, trueHours } = await cameTo(await out('GE-01', {}, id));
    assert.deepEqual(
      [reference, dueAt, waived, trueHours],
      [`W-${id.slice(0, 8)}`, '2030-03-06T17:00:00.000Z', false, 100.4],
    );
    const page = await yard.read<UnitPage>('/api/units/GE-01');
    assert.deepEqual([page.unit.verdict.readiness, page.fuel?.litres, page.unit.trueHours], ['out', 15, 100.4]);
    const opening = await yard.read<Opening>('/api/units/GE-01/opening');
    assert.deepEqual(
      [opening.wentOut?.fuelEighths, opening.wentOut?.kit, opening.hire?.reference, opening.hire?.fromAt],
      [6, GOING.kit, reference, '2030-03-04T09:00:00.000Z'],
    );
    assert.equal((await problemIn(await out('GE-01'))).code, 'not-ready');
  });

  test('a hirer who walks in must bring it back some day, and not before now', async () => {
    await yard.addUnit('GE-02');
    for (const dueAt of [null, '2030-03-04T09:00:00Z', '2030-03-04T08:59:00Z'])
      assert.deepEqual(await fieldOf(await out('GE-02', { dueAt })), ['not-valid', 'dueAt']);
    assert.equal((await out('GE-02', { dueAt: '2030-03-04T09:00:01Z' })).status, 201);
  });

  test('kit that the class has not got is none', async () => {
    await yard.addUnit('GE-03');
    assert.deepEqual(await fieldOf(await out('GE-03', { kit: [{ id: 'wings', count: 1 }] })), ['not-valid', 'kit.id']);
    assert.deepEqual(
      await fieldOf(
        await out('GE-03', {
          kit: [
            { id: 'key', count: 1 },
            { id: 'wings', count: 1 },
          ],
        }),
      ),
      ['not-valid', 'kit.id'],
    );
  });

  test('not before its kit is counted and it is looked at as it goes; what stays here is counted as none', async () => {
    await yard.addUnit('GE-33');
    const kit = await problemIn(await out('GE-33', { kit: [{ id: 'key', count: 1 }] }));
    assert.deepEqual(
      [kit.code, kit.facts?.['items']],
      [
        'kit-not-counted',
        [
          { id: 'cord', name: 'Outdoor cord' },
          { id: 'wheel-pin', name: 'Wheel pins' },
        ],
      ],
    );
    const looks = await problemIn(await out('GE-33', { looks: GOING.looks.slice(1) }));
    assert.deepEqual(
      [looks.code, looks.facts?.['looks']],
      ['looks-missing', [{ id: 'oil-level', words: 'Oil at the mark' }]],
    );
    const none = GOING.kit.map(({ id }) => ({ id, count: 0 }));
    assert.equal((await out('GE-33', { kit: none })).status, 201);
  });

  test('on a booking: its own unit or any of its class, once', async () => {
    for (const tag of ['GE-04', 'GE-05']) await yard.addUnit(tag);
    await yard.addUnit('WE-04', 'welder');
    await book('A-1', 'GE-04', '2030-03-04T10:00:00Z', '2030-03-05T10:00:00Z');
    await book('A-2', null, '2030-03-04T10:00:00Z', '2030-03-05T10:00:00Z');
    await book('A-3', null, '2030-03-04T10:00:00Z', '2030-03-05T10:00:00Z', 'welder');
    const on = (tag: string, hire: string) => out(tag, { hire, dueAt: null });
    assert.deepEqual(await fieldOf(await on('GE-05', 'A-1')), ['not-valid', 'hire']);
    assert.deepEqual(await fieldOf(await on('GE-05', 'A-3')), ['not-valid', 'hire']);
    assert.equal((await problemIn(await on('GE-05', 'A-9'))).code, 'not-found');
    assert.equal((await cameTo(await on('GE-04', 'A-1'))).dueAt, '2030-03-05T10:00:00.000Z');
    assert.equal((await cameTo(await on('GE-05', 'A-2'))).reference, 'A-2');
    await yard.addUnit('GE-06');
    const twice = await problemIn(await on('GE-06', 'A-2'));
    assert.deepEqual([twice.code, twice.facts?.['state']], ['already-out', 'out']);
  });

  test('not while somebody else is promised it in that time; up to then it may go', async () => {
    await yard.addUnit('GE-07');
    await book('B-1', 'GE-07', '2030-03-06T08:00:00Z', '2030-03-07T08:00:00Z');
    const promised = await problemIn(await out('GE-07', { dueAt: '2030-03-06T08:00:01Z' }));
    assert.deepEqual(
      [promised.code, promised.facts?.['reference'], promised.facts?.['tag'], promised.facts?.['fromAt']],
      ['hire-overlaps', 'B-1', 'GE-07', '2030-03-06T08:00:00.000Z'],
    );
    assert.equal((await out('GE-07', { dueAt: '2030-03-06T08:00:00Z' })).status, 201);
  });

  test('a cancelled booking promises nothing', async () => {
    await yard.addUnit('GE-08');
    await book('C-1', 'GE-08', '2030-03-05T08:00:00Z', '2030-03-07T08:00:00Z');
    await yard.ask('POST', '/api/hires/C-1/cancel', { as: 'counter' });
    assert.equal((await problemIn(await out('GE-08', { hire: 'C-1', dueAt: null }))).code, 'already-out');
    assert.equal((await out('GE-08')).status, 201);
  });

  test('what falls due before it is back is said, for a walk-in and a booking; a lead waives it with a reason', async () => {
    const outAs = async (tag: string, as: 'lead' | 'counter', more: object) =>
      yard.enter({ tag }, 'check-out', { ...GOING, dueAt: '2030-06-04T09:00:00Z', ...more }, as);
    await yard.addUnit('GE-20');
    const refused = await problemIn(await outAs('GE-20', 'counter', {}));
    assert.equal(refused.code, 'prep-not-done');
    assert.match(
      String(refused.facts?.['because']),
      /^The oil service would run out during this hire: 50 h are left, about \d+(\.\d)? h/,
    );
    assert.equal(
      (await problemIn(await outAs('GE-20', 'counter', { waiverReason: 'In a hurry' }))).code,
      'prep-not-done',
    );
    await book('D-1', 'GE-20', '2030-03-04T10:00:00Z', '2030-06-05T10:00:00Z');
    const onBooking = { hire: 'D-1', dueAt: null };
    assert.equal((await problemIn(await outAs('GE-20', 'counter', onBooking))).code, 'prep-not-done');
    const waived = await cameTo(
      await outAs('GE-20', 'lead', { ...onBooking, waiverReason: 'The hirer changes its oil' }),
    );
    assert.deepEqual([waived.reference, waived.waived], ['D-1', true]);
    // For a day the hours suffice.
    await yard.addUnit('GE-21');
    assert.equal((await outAs('GE-21', 'counter', { dueAt: '2030-03-05T09:00:00Z' })).status, 201);
  });

  test('hours below the last stop it, and nothing of it is kept', async () => {
    await yard.addUnit('GE-09');
    const low = await out('GE-09', { hours: { typed: '99.9', confirmed: false, meterEvent: null } });
    assert.equal((await problemIn(low)).code, 'hours-below-last');
    assert.equal((await yard.read<UnitPage>('/api/units/GE-09')).unit.verdict.readiness, 'fit');
    assert.equal(
      (
        await yard.db
          .selectFrom('hire')
          .select('id')
          .where('unit_id', '=', await idOf('GE-09'))
          .execute()
      ).length,
      0,
    );
  });

  const idOf = async (tag: string): Promise<number> =>
    (await yard.db.selectFrom('unit').select('id').where('tag', '=', tag).executeTakeFirstOrThrow()).id;
});
