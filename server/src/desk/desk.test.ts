import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import type { BenchReply, DeskReply, HireLine } from '@hudrik/core/contracts';
import ICAL from 'node-ical';
import { calendarOf, type DeskBooking } from '../standins/bookingDesk';
import { startStandIns } from '../standins/start';
import { entryIn, jsonOf, useYard } from '../testing/yard';
import { httpFeed } from '../outside/feed';
import { takeDesk } from './takeDesk';

const yard = useYard();
yard.now = new Date('2030-05-06T06:00:00Z');

const booking = (uid: string, more: Partial<DeskBooking> = {}): DeskBooking => ({
  uid,
  classId: 'generator',
  hirer: 'Orra',
  from: '2030-05-08T08:00:00.000Z',
  to: '2030-05-09T08:00:00.000Z',
  ...more,
});
const answers = (text: string) => ({
  ok: true as const,
  body: { bytes: Buffer.from(text), type: 'text/calendar' },
});
const saysText = (text: string): Promise<DeskReply> => {
  yard.deskAnswer = answers(text);
  return takeDesk(yard.context, yard.context.desk);
};
const says = (...bookings: DeskBooking[]): Promise<DeskReply> => saysText(calendarOf(bookings));
const hires = async () => (await yard.read<{ hires: HireLine[] }>('/api/hires')).hires;
const hireOf = async (reference: string) => (await hires()).find((hire) => hire.reference === reference);

describe('the booking desk', () => {
  test('its hires are booked here, once; read again nothing is booked twice', async () => {
    for (const tag of ['GE-01', 'GE-02']) await yard.addUnit(tag);
    await says(booking('D-1@desk'), booking('D-2@desk', { tag: 'GE-01' }));
    await says(booking('D-1@desk'), booking('D-2@desk', { tag: 'GE-01' }));
    assert.deepEqual((await hires()).map(({ reference, tag, hirer }) => [reference, tag, hirer]).sort(), [
      ['D-1', null, 'Orra'],
      ['D-2', 'GE-01', 'Orra'],
    ]);
  });

  test('a change there is a change here, and the bench says why its plan is another', async () => {
    const raised = await entryIn(
      await yard.enter({ tag: 'GE-01' }, 'job-raised', {
        kind: 'repair',
        title: 'Socket',
        minutes: 30,
        blocks: 'prep',
      }),
    );
    assert.ok(raised.jobId);
    await yard.read<BenchReply>('/api/bench');
    const moved = { from: '2030-05-07T08:00:00.000Z', to: '2030-05-10T08:00:00.000Z' };
    await says(booking('D-1@desk'), booking('D-2@desk', { tag: 'GE-01', ...moved }));
    assert.equal((await hireOf('D-2'))?.fromAt, moved.from);
    const bench = await yard.read<BenchReply>('/api/bench');
    const wanted = bench.changes.find(({ code, tag }) => code === 'wanted' && tag === 'GE-01');
    assert.ok(wanted?.code === 'wanted' && wanted.to === Date.parse(moved.from), JSON.stringify(bench.changes));
  });

  test('cancelled there is cancelled here; what only vanished stays, and somebody is told', async () => {
    const reply = await says(booking('D-1@desk', { status: 'CANCELLED' }));
    assert.equal((await hireOf('D-1'))?.state, 'cancelled');
    assert.equal((await hireOf('D-2'))?.state, 'booked');
    assert.deepEqual(reply.notTaken, [{ line: null, uid: 'D-2@desk', problem: 'vanished', reference: 'D-2' }]);
    assert.equal((await says(booking('D-2@desk', { tag: 'GE-01' }))).notTaken.length, 0);
  });

  test('what may not be here is told with its reason, and the rest is taken', async () => {
    const reply = await says(
      booking('D-2@desk', { tag: 'GE-01' }),
      booking('D-3@desk', { tag: 'GE-01', from: '2030-05-08T09:00:00.000Z' }),
      booking('D-4@desk', { classId: 'crane' }),
      booking('D-5@desk', { from: '2030-05-09T08:00:00.000Z', to: '2030-05-08T08:00:00.000Z' }),
      booking('D-6@desk', { tag: 'GE-99' }),
      booking('D-8@desk', { to: '2030-05-08T08:20:00.000Z' }),
      booking('', { hirer: 'Nobody knows' }),
      booking('D-7@desk', { tag: 'GE-02', from: '2030-05-11T08:00:00.000Z', to: '2030-05-12T08:00:00.000Z' }),
    );
    assert.deepEqual(
      reply.notTaken.map(({ uid, problem }) => [uid, problem]),
      [
        ['D-4@desk', 'no-class'],
        ['D-5@desk', 'ends-before'],
        [null, 'no-uid'],
        ['D-3@desk', 'hire-overlaps'],
        ['D-6@desk', 'no-such-tag'],
        ['D-8@desk', 'hire-too-short'],
      ],
    );
    const list = calendarOf([booking('D-2@desk', { tag: 'GE-01' }), booking('D-4@desk', { classId: 'crane' })]).split(
      '\r\n',
    );
    const [crane] = (await saysText(list.join('\n'))).notTaken;
    assert.equal(list[(crane?.line ?? 0) - 1], 'BEGIN:VEVENT');
    assert.equal(list[crane?.line ?? 0], 'UID:D-4@desk');
    assert.equal((await hireOf('D-7'))?.tag, 'GE-02');
  });

  test('what is out is the yard’s: the desk changes and cancels nothing of it', async () => {
    const out = { state: 'out', out_at: yard.now } as const;
    await yard.db.updateTable('hire').set(out).where('reference', '=', 'D-7').execute();
    const span = { from: '2030-05-11T08:00:00.000Z', to: '2030-05-12T08:00:00.000Z' };
    const before = await hireOf('D-7');
    const seven = booking('D-7@desk', { tag: 'GE-02', ...span, status: 'CANCELLED' });
    const reply = await says(booking('D-2@desk', { tag: 'GE-01' }), seven);
    assert.ok(reply.notTaken.every(({ uid }) => uid !== 'D-7@desk'));
    assert.deepEqual(await hireOf('D-7'), before);
  });

  test('away, cut short or lying: what it said last stands, and it says so', async () => {
    const before = await hires();
    yard.deskAnswer = { ok: false, problem: 'away' };
    const away = await takeDesk(yard.context, yard.context.desk);
    assert.equal(away.problem, 'away');
    assert.ok(away.answeredAt);
    const whole = calendarOf([booking('D-2@desk', { status: 'CANCELLED' })]);
    for (const [text, problem] of [
      [whole.slice(0, whole.length / 2), 'cut-short'],
      ['<h1>Back soon</h1>', 'nonsense'],
    ] as const) {
      assert.equal((await saysText(text)).problem, problem);
    }
    assert.deepEqual(await hires(), before);
    assert.equal((await yard.read<DeskReply>('/api/desk')).problem, 'nonsense');
  });

  test('asked for at the desk it is read in the background', async () => {
    yard.deskAnswer = answers(calendarOf([booking('D-2@desk', { tag: 'GE-01' })]));
    assert.equal((await yard.ask('POST', '/api/desk/read', { as: 'counter' })).status, 202);
    await yard.runBackground();
    assert.equal((await yard.read<DeskReply>('/api/desk')).problem, null);
  });

  test('the simulated desk over HTTP: booked, cancelled, misbehaving', async () => {
    const standIns = await startStandIns({ dayMs: 1000, failsOf100: 0, now: Date.now }, 20, [booking('D-9')]);
    const url = standIns.deskUrl;
    const read = async (query = '') => {
      const answer = await httpFeed(url + query, ['127.0.0.1'], { tries: 1 }).read();
      return answer.ok ? yard.context.readers.calendar(answer.body, { timeZone: 'UTC', at: yard.now }) : answer;
    };
    await fetch(url.replace('.ics', '/D-10'), {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(booking('D-10', { tag: 'GE-02' })),
    });
    await fetch(url.replace('.ics', '/D-9'), { method: 'DELETE' });
    const reply = await read();
    assert.ok(reply.ok);
    assert.deepEqual(
      reply.hires.map(({ uid, tag, isCancelled }) => [uid, tag, isCancelled]),
      [
        ['D-9', null, true],
        ['D-10', 'GE-02', false],
      ],
    );
    assert.deepEqual(await read('?manners=cut'), { ok: false, problem: 'cut-short' });
    assert.deepEqual(await read('?manners=nonsense'), { ok: false, problem: 'other-type' });
    standIns.stop();
    assert.deepEqual(await read(), { ok: false, problem: 'away' });
  });
});

describe('one’s own calendar', () => {
  const address = async (as: 'technician' | 'lead', method: 'GET' | 'POST' = 'GET'): Promise<string> =>
    (await jsonOf<{ path: string }>(await yard.ask(method, '/api/session/calendar', { as }))).path;

  test('another parser reads it: the plan’s work at its times, services on their days', async () => {
    await yard.read<BenchReply>('/api/bench');
    const answer = await yard.ask('GET', await address('technician'));
    assert.match(answer.headers.get('content-type') ?? '', /^text\/calendar/);
    const events = Object.values(ICAL.sync.parseICS(await answer.text())).filter(({ type }) => type === 'VEVENT') as {
      uid: string;
      summary: string;
      start: Date;
      end: Date;
      datetype: string;
    }[];
    const bench = await yard.read<BenchReply>('/api/bench');
    const mine = bench.plan.phases.filter(({ who }) => who === String(yard.personId('technician')));
    const planned = events.filter(({ uid }) => uid.startsWith('visit-'));
    assert.equal(planned.length, mine.length);
    assert.ok(planned.every(({ start, end }) => end > start));
    assert.equal(planned[0]?.start.getTime(), Date.parse(bench.at) + (mine[0]?.from ?? 0) * 60_000);
    assert.match(planned[0]?.summary ?? '', /^GE-01: Socket/);
    const services = events.filter(({ uid }) => uid.startsWith('service-'));
    assert.ok(services.length > 0 && services.every(({ datetype }) => datetype === 'date'));
    assert.equal(new Set(events.map(({ uid }) => uid)).size, events.length);
  });

  test('the secret is one’s own; renewed, the old address is dead', async () => {
    const [mine, theirs] = [await address('technician'), await address('lead')];
    assert.notEqual(mine, theirs);
    assert.equal(await address('technician'), mine);
    const fresh = await address('technician', 'POST');
    assert.notEqual(fresh, mine);
    assert.equal((await yard.ask('GET', mine)).status, 404);
    assert.equal((await yard.ask('GET', fresh)).status, 200);
    assert.equal((await yard.ask('GET', theirs)).status, 200);
    assert.equal((await yard.ask('GET', '/api/calendar/')).status, 404);
    const technician = yard.personId('technician');
    await yard.db.updateTable('person').set({ left_at: yard.now }).where('id', '=', technician).execute();
    assert.equal((await yard.ask('GET', fresh)).status, 404);
  });
});
