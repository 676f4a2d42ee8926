import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import type { DeskReply, HireLine, ZoneShift } from '@hudrik/core/contracts';
import fc from 'fast-check';
import { calendarOf, type DeskBooking } from '../standins/bookingDesk';
import { problemIn, useYard } from '../testing/yard';
import { heldBackOf } from './burst';
import { takeDesk } from './takeDesk';

const yard = useYard();
yard.now = new Date('2030-05-06T06:00:00Z');

const saysText = (text: string): Promise<DeskReply> => {
  yard.deskAnswer = { ok: true, body: { bytes: Buffer.from(text), type: 'text/calendar' } };
  return takeDesk(yard.context, yard.context.desk);
};
const many = (count: number, letter: string, day = '08'): DeskBooking[] =>
  Array.from({ length: count }, (_, nth) => ({
    ...{ uid: `${letter}-${nth}@desk`, classId: 'generator', hirer: 'Orra' },
    ...{ from: `2030-05-${day}T08:00:00.000Z`, to: `2030-05-${day}T18:00:00.000Z` },
  }));
const booked = async () =>
  (await yard.read<{ hires: HireLine[] }>('/api/hires')).hires.filter(({ state }) => state === 'booked');

describe('far more of a class at once than there are units', () => {
  test('is held back and asked about; other days and other classes are taken', async () => {
    for (const tag of ['GE-01', 'GE-02']) await yard.addUnit(tag);
    const welder = { ...many(1, 'W')[0], classId: 'welder' } as DeskBooking;
    const reply = await saysText(calendarOf([...many(7, 'A'), ...many(2, 'B', '09'), welder]));
    assert.deepEqual(reply.bursts, [
      { classId: 'generator', units: 2, atOnce: 7, at: '2030-05-08T08:00:00.000Z', count: 7 },
    ]);
    assert.deepEqual((await booked()).map(({ reference }) => reference).sort(), ['B-0', 'B-1', 'W-0']);
    // They are asked about together, and not told one by one.
    assert.deepEqual([reply.refused, reply.notTaken], [0, []]);
  });

  test('as many as three times the units are taken', async () => {
    const reply = await saysText(calendarOf([...many(6, 'A'), ...many(2, 'B', '09')]));
    assert.deepEqual(reply.bursts, []);
    assert.equal((await booked()).filter(({ reference }) => reference.startsWith('A')).length, 6);
  });

  test('what is booked already counts, and is not held back itself; moved into it is', async () => {
    const moved = {
      ...many(2, 'B', '09')[0],
      ...{ from: many(1, 'A')[0]?.from, to: many(1, 'A')[0]?.to },
    } as DeskBooking;
    const reply = await saysText(calendarOf([...many(6, 'A'), moved]));
    assert.deepEqual(
      reply.bursts.map(({ atOnce, count }) => [atOnce, count]),
      [[7, 1]],
    );
    assert.equal((await booked()).find(({ reference }) => reference === 'B-0')?.fromAt, '2030-05-09T08:00:00.000Z');
    assert.ok(reply.notTaken.some(({ uid, problem }) => uid === 'B-1@desk' && problem === 'vanished'));
  });

  test('a lead says that it is meant, for so many; nobody else may', async () => {
    const body = { atOnce: 7 };
    const path = '/api/desk/at-once/generator';
    assert.equal((await yard.ask('PUT', path, { as: 'counter', body })).status, 403);
    assert.equal(
      (await problemIn(await yard.ask('PUT', '/api/desk/at-once/crane', { as: 'lead', body }))).code,
      'not-valid',
    );
    yard.deskAnswer = { ok: true, body: { bytes: Buffer.from(calendarOf(many(7, 'A'))), type: '' } };
    assert.equal((await yard.ask('PUT', path, { as: 'lead', body })).status, 202);
    await yard.runBackground();
    assert.equal((await booked()).filter(({ reference }) => reference.startsWith('A')).length, 7);
    const reply = await saysText(calendarOf(many(8, 'A')));
    assert.deepEqual(
      reply.bursts.map(({ atOnce }) => atOnce),
      [8],
    );
  });

  test('whichever are held back, what is taken never exceeds it: against counting at every moment', () => {
    const stretch = fc.tuple(fc.nat(20), fc.integer({ min: 1, max: 8 })).map(([from, long]) => ({
      fromAt: String(from).padStart(3, '0'),
      toAt: String(from + long).padStart(3, '0'),
    }));
    fc.assert(
      fc.property(
        fc.array(stretch, { maxLength: 12 }),
        fc.array(stretch, { maxLength: 12 }),
        fc.nat(5),
        (old, fresh, most) => {
          const { held, busiest } = heldBackOf(old, fresh, most);
          const at = (list: readonly { fromAt: string; toAt: string }[], moment: string): number =>
            list.filter(({ fromAt, toAt }) => fromAt <= moment && moment < toAt).length;
          const moments = [...old, ...fresh].map(({ fromAt }) => fromAt);
          const all = [...old, ...fresh];
          const most_ = Math.max(0, ...moments.map((moment) => at(all, moment)));
          assert.equal(busiest?.atOnce ?? 0, most_ > most ? most_ : 0);
          const taken = fresh.filter((one) => !held.includes(one));
          for (const moment of moments) {
            // Held back is just what lies in a moment of too many.
            if (at(all, moment) > most)
              assert.equal(at(taken, moment), 0, `${moment}: ${JSON.stringify({ old, fresh, most })}`);
          }
          for (const one of held)
            assert.ok(moments.some((moment) => one.fromAt <= moment && moment < one.toAt && at(all, moment) > most));
        },
      ),
    );
  });
});

describe('a list that is read with faults', () => {
  const BROKEN = ['BEGIN:VEVENT', 'UID:bro\0ken', 'END:VEVENT'].join('\r\n');
  const withBroken = (text: string): string => text.replace('END:VCALENDAR', `${BROKEN}\r\nEND:VCALENDAR`);

  test('nobody is missing from it while an entry cannot be told from others', async () => {
    const faulty = await saysText(withBroken(calendarOf(many(1, 'A'))));
    assert.deepEqual(
      faulty.notTaken.map(({ uid, problem }) => [uid, problem]),
      [[null, 'odd-signs']],
    );
    const whole = await saysText(calendarOf(many(1, 'A')));
    assert.ok(whole.notTaken.length > 0 && whole.notTaken.every(({ problem }) => problem === 'vanished'));
    assert.ok(whole.notTaken.every(({ reference }) => reference !== null));
  });

  test('a hire whose entry is broken for a while is the same hire afterwards', async () => {
    const before = await booked();
    const garbled = calendarOf(many(7, 'A')).replace('DTSTART:20300508T080000Z', 'DTSTART:GARBAGE');
    const reply = await saysText(garbled);
    assert.deepEqual(
      reply.notTaken.filter(({ uid }) => uid === 'A-0@desk').map(({ problem, reference }) => [problem, reference]),
      [['no-time', 'A-0']],
    );
    const again = await saysText(calendarOf(many(7, 'A')));
    assert.ok(again.notTaken.every(({ uid }) => uid !== 'A-0@desk'));
    assert.deepEqual(await booked(), before);
  });

  test('a class that changed under its hire is told, and nothing is moved', async () => {
    const [first] = many(1, 'A') as [DeskBooking];
    const reply = await saysText(calendarOf([{ ...first, classId: 'welder', to: '2030-05-08T20:00:00.000Z' }]));
    assert.deepEqual(
      reply.notTaken.filter(({ uid }) => uid === 'A-0@desk').map(({ problem }) => problem),
      ['not-valid'],
    );
    assert.equal((await booked()).find(({ reference }) => reference === 'A-0')?.toAt, '2030-05-08T18:00:00.000Z');
  });

  test('of thousands that are not taken the first are named and all are counted', async () => {
    const cranes = many(1500, 'X').map((one) => ({ ...one, classId: 'crane' }));
    const reply = await saysText(calendarOf([...many(7, 'A'), ...cranes]));
    assert.ok(reply.refused >= 1500 && reply.notTaken.length === 200, `${reply.refused} ${reply.notTaken.length}`);
  });
});

describe('another time zone of the yard', () => {
  const shift = (to: string) => yard.read<ZoneShift>(`/api/settings/zone?to=${to}`, 'lead');
  const setZone = async (timeZone: string): Promise<void> => {
    const {
      yard: name,
      currency,
      locale,
    } = await yard.read<{ yard: string; currency: string; locale: string }>('/api/settings');
    const body = { yard: name, currency, locale, timeZone };
    assert.equal((await yard.ask('PUT', '/api/settings', { as: 'lead', body })).status, 200);
  };

  test('what it shifts is said first', async () => {
    await setZone('UTC');
    await yard.db.updateTable('yard_settings').set({ open_hours: null }).execute();
    const floating = calendarOf(many(7, 'A')).replaceAll(/(DT(?:START|END):2030\d{4}T\d{6})Z/g, '$1');
    await saysText(floating);
    // Monday, 06:00 in UTC, 08:00 in Berlin's summer, 00:00 in Denver's: opens at 07:30, a backup is written at two.
    assert.deepEqual(await shift('Europe/Berlin'), {
      minutes: 120,
      opens: { before: '2030-05-06T07:30:00.000Z', after: '2030-05-06T10:30:00.000Z' },
      backup: { before: '2030-05-07T02:00:00.000Z', after: '2030-05-07T00:00:00.000Z' },
      deskHires: 7,
    });
    assert.deepEqual(await shift('America/Denver'), {
      minutes: -360,
      opens: { before: '2030-05-06T07:30:00.000Z', after: '2030-05-06T13:30:00.000Z' },
      backup: { before: '2030-05-07T02:00:00.000Z', after: '2030-05-06T08:00:00.000Z' },
      deskHires: 7,
    });
    const unknown = await yard.ask('GET', '/api/settings/zone?to=Nowhere/At-all', { as: 'lead' });
    assert.equal((await problemIn(unknown)).code, 'not-valid');
  });

  test('then hires whose times name no zone go with it, by themselves', async () => {
    await setZone('America/Denver');
    await yard.runBackground();
    assert.ok(
      (await booked())
        .filter(({ reference }) => reference.startsWith('A'))
        .every(({ fromAt }) => fromAt === '2030-05-08T14:00:00.000Z'),
    );
  });
});
