import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import type { BenchReply, WorkingHours } from '@hudrik/core/contracts';
import { Watch } from '../sums/Watch';
import { until } from '../testing/processes';
import { paperIn } from '../testing/readPaper';
import { entryIn, jsonOf, problemIn, useYard } from '../testing/yard';
import { findMinutes } from './findEstimates';
import { readOwnMinutes } from './ownMinutes';
import { searchesIn } from './searches';
import { shiftsOf, USUAL_HOURS } from './shifts';

const yard = useYard();
// A Monday, before anybody works.
yard.now = new Date('2030-05-06T06:00:00Z');
const HOUR = 60;

const bench = (): Promise<BenchReply> => yard.read<BenchReply>('/api/bench');

async function raise(
  tag: string,
  minutes: number,
  blocks: 'prep' | 'none' = 'prep',
  title = `Work on ${tag}`,
): Promise<string> {
  const facts = { kind: 'repair', title, minutes, blocks } as const;
  const entry = await entryIn(await yard.enter({ tag }, 'job-raised', facts));
  return String(entry.jobId);
}
const placeOf = (reply: BenchReply, tag: string) => {
  const line = reply.visits.find((visit) => visit.tag === tag);
  return { line, planned: reply.plan.visits.find(({ id }) => id === line?.id) };
};
const at = (reply: BenchReply, minute: number): string =>
  new Date(Date.parse(reply.at) + minute * 60_000).toISOString();

describe('the bench plan', () => {
  test('what goes out first is ready first; a second look is the same plan', async () => {
    await yard.db.updateTable('yard_settings').set({ time_zone: 'UTC' }).execute();
    for (const tag of ['GE-01', 'GE-02', 'GE-03']) await yard.addUnit(tag);
    await raise('GE-01', 60);
    await raise('GE-02', 60);
    await yard.book({
      reference: 'B-1',
      classId: 'generator',
      tag: 'GE-02',
      fromAt: '2030-05-06T09:30:00Z',
      toAt: '2030-05-08T09:00:00Z',
    });
    const first = await bench();
    assert.equal(at(first, placeOf(first, 'GE-02').planned?.from ?? -1), '2030-05-06T07:30:00.000Z');
    assert.equal(placeOf(first, 'GE-02').line?.hire?.reference, 'B-1');
    assert.equal(placeOf(first, 'GE-02').planned?.lateMinutes, 0);
    assert.ok((first.promises.find(({ id }) => id === placeOf(first, 'GE-02').line?.id)?.inTime ?? 0) > 0.5);
    const again = await bench();
    assert.equal(again.at, first.at);
    assert.deepEqual(again.plan, first.plan);
  });

  test('a unit out with a hirer is worked on when it is back; one that goes out as it is, before or after', async () => {
    await yard.addUnit('PW-01', 'pressure-washer');
    await raise('PW-01', 30, 'none');
    await yard.book({
      reference: 'B-2',
      classId: 'pressure-washer',
      tag: 'PW-01',
      fromAt: '2030-05-06T07:45:00Z',
      toAt: '2030-05-07T10:00:00Z',
    });
    const reply = await bench();
    const { planned } = placeOf(reply, 'PW-01');
    assert.ok(at(reply, planned?.from ?? 0) >= '2030-05-07T10:00:00.000Z');
    assert.equal(placeOf(reply, 'PW-01').line?.readiness, 'fit');
  });

  test('put to a person and an hour by hand: it stays there; nobody else’s; it is undone by the same entry', async () => {
    const jobId = placeOf(await bench(), 'GE-01').line?.jobId ?? '';
    const lead = yard.personId('lead');
    await yard.ask('PUT', `/api/working-hours/${lead}`, {
      as: 'lead',
      body: { hours: [{ weekday: 1, from: '13:00', to: '16:00' }] },
    });
    const facts = { to: lead, at: '2030-05-06T14:00:00Z' };
    const entry = await entryIn(await yard.enter({ jobId }, 'placed', facts));
    assert.deepEqual(entry.outcome, { to: 'The lead', was: { to: null, at: null } });
    const placed = await bench();
    assert.equal(placeOf(placed, 'GE-01').planned?.who, String(lead));
    assert.equal(at(placed, placeOf(placed, 'GE-01').planned?.from ?? 0), '2030-05-06T14:00:00.000Z');
    assert.ok(placed.changes.some((change) => change.code === 'other-hands' && change.tag === 'GE-01'));
    await entryIn(await yard.enter({ jobId }, 'placed', { to: null, at: null }));
    const back = await bench();
    assert.equal(placeOf(back, 'GE-01').line?.givenTo, null);
    assert.equal(placeOf(back, 'GE-01').line?.pinnedAt, null);
    assert.equal(back.asked.visits.find(({ id }) => id === placeOf(back, 'GE-01').line?.id)?.who.length, 2);
  });

  test('not to an hour that is past, to somebody who may not sign, to nobody here, or by an apprentice', async () => {
    const jobId = placeOf(await bench(), 'GE-01').line?.jobId ?? '';
    const tries: readonly (readonly [object, string, ('apprentice' | 'technician')?])[] = [
      [{ to: null, at: '2030-05-06T05:00:00Z' }, 'not-valid'],
      [{ to: yard.personId('counter'), at: null }, 'not-your-role'],
      [{ to: 9999, at: null }, 'not-found'],
      [{ to: null, at: null }, 'not-your-role', 'apprentice'],
      [{ to: null, at: 'noon' }, 'not-valid'],
    ];
    for (const [facts, code, as] of tries)
      assert.equal((await problemIn(await yard.enter({ jobId }, 'placed', facts as never, as))).code, code);
  });

  test('who is away is not planned with; who leaves gives back what was put to him', async () => {
    const technician = yard.personId('technician');
    const jobId = placeOf(await bench(), 'GE-01').line?.jobId ?? '';
    await entryIn(await yard.enter({ jobId }, 'placed', { to: technician, at: null }));
    const away = { personId: technician, fromOn: '2030-05-06', toOn: '2030-05-07', why: 'Course' };
    const { people } = await jsonOf<WorkingHours>(await yard.ask('POST', '/api/absences', { as: 'lead', body: away }));
    const absence = people.find(({ id }) => id === technician)?.absences[0];
    assert.deepEqual([absence?.why, absence?.fromOn, absence?.toOn], ['Course', '2030-05-06', '2030-05-07']);
    const without = await bench();
    assert.ok(at(without, placeOf(without, 'GE-01').planned?.from ?? 0) >= '2030-05-08T07:30:00.000Z');
    await yard.ask('DELETE', `/api/absences/${absence?.id}`, { as: 'lead' });
    assert.equal(
      (await problemIn(await yard.ask('DELETE', `/api/absences/${absence?.id}`, { as: 'lead' }))).code,
      'not-found',
    );
    await yard.db.updateTable('person').set({ left_at: yard.now }).where('id', '=', technician).execute();
    const left = await yard.read<BenchReply>('/api/bench', 'lead');
    assert.ok(left.people.every(({ id }) => id !== String(technician)));
    assert.ok(left.changes.some((change) => change.code === 'other-hands' && change.tag === 'GE-01'));
    assert.equal(placeOf(left, 'GE-01').planned?.who ?? String(yard.personId('lead')), String(yard.personId('lead')));
    await yard.db.updateTable('person').set({ left_at: null }).where('id', '=', technician).execute();
  });

  test('a part that comes late moves its visit, and the plan says so', async () => {
    const before = await bench();
    const line = placeOf(before, 'GE-02').line;
    await yard.ask('POST', '/api/parts', {
      as: 'technician',
      body: { number: 'Q-1', name: 'Main jet', cents: 900, place: 'A1', onHand: 0 },
    });
    await entryIn(
      await yard.enter({ jobId: line?.jobId ?? '' }, 'part-asked', {
        lineId: '7d1f7d9e-3a70-4a7c-9be4-2a8a1f5c9b10',
        number: 'Q-1',
        count: 1,
      }),
    );
    const reply = await bench();
    assert.equal(placeOf(reply, 'GE-02').line?.part?.name, 'Main jet');
    assert.ok((placeOf(reply, 'GE-02').planned?.from ?? 0) > 24 * HOUR);
    assert.ok(reply.changes.some((change) => change.code === 'later-there' && change.tag === 'GE-02'));
    assert.ok(reply.advice.some((advice) => advice.code === 'will-miss' && advice.id === line?.id));
  });

  test('a longer search says how far it is and what it saves, and ends when somebody has enough: the best so far stands', async () => {
    const searched: unknown[] = [];
    yard.whilePlanning = async (ms) => {
      if (ms < 1000) return;
      searched.push(await yard.read('/api/bench/plan'));
      assert.equal((await yard.ask('DELETE', '/api/bench/plan', { as: 'counter' })).status, 403);
      assert.equal((await yard.ask('DELETE', '/api/bench/plan', { as: 'technician' })).status, 200);
    };
    const before = (await yard.read<BenchReply>('/api/bench')).plan;
    const answer = await yard.ask('POST', '/api/bench/plan', { as: 'lead', body: { seconds: 5 } });
    assert.equal(answer.status, 200);
    assert.deepEqual(searched, [{ search: { share: 0, savedCents: 0 } }]);
    assert.ok((await jsonOf<BenchReply>(answer)).plan.cents <= before.cents + 1);
    assert.deepEqual(await yard.read('/api/bench/plan'), { search: null });
    yard.whilePlanning = async () => undefined;
  });

  test('a search is seen and stopped from any process of the server, and one that died with its process is not', async () => {
    const [here, there] = [searchesIn(yard.context.db), searchesIn(yard.context.db)];
    const watch = new Watch();
    watch.spent(0.25);
    watch.better(9000);
    watch.better(7500);
    const end = await here.begin(watch);
    await until(async () => (await there.read()).search?.savedCents === 1500);
    assert.deepEqual(await there.read(), { search: { share: 0.25, savedCents: 1500 } });
    await there.stop();
    await until(() => watch.spent(0.3) === 1);
    await end();
    assert.deepEqual(await there.read(), { search: null });

    await yard.db
      .insertInto('bench_search')
      .values({ id: randomUUID(), seen_at: new Date(Date.now() - 11_000) })
      .execute();
    assert.deepEqual(await here.read(), { search: null });
  });

  test('what somebody else moved meanwhile is not moved by who saw it elsewhere', async () => {
    const [visit] = (await yard.read<BenchReply>('/api/bench')).visits;
    assert.ok(visit);
    const saw = { to: visit.givenTo === null ? null : Number(visit.givenTo), at: visit.pinnedAt };
    const other =
      ['technician', 'lead'].map((role) => yard.personIds.get(role as 'lead') ?? 0).find((id) => id !== saw.to) ?? 0;
    const put = (to: number | null, from: typeof saw) =>
      yard.enter({ jobId: visit.jobId }, 'placed', { to, at: null, from }, 'lead');
    assert.equal((await put(other, saw)).status, 201);
    const late = await put(null, saw);
    assert.deepEqual([late.status, (await jsonOf<{ code: string }>(late)).code], [412, 'changed-meanwhile']);
    const atAnHour = { to: other, at: '2030-05-08T08:00:00Z' };
    assert.equal((await put(null, atAnHour)).status, 412);
    assert.equal((await put(saw.to, { to: other, at: null })).status, 201);
  });

  test('hours that overlap or end before they begin are refused, and what was there stays', async () => {
    const lead = yard.personId('lead');
    const set = (hours: readonly object[]) =>
      yard.ask('PUT', `/api/working-hours/${lead}`, { as: 'lead', body: { hours } });
    for (const hours of [
      [
        { weekday: 1, from: '08:00', to: '12:00' },
        { weekday: 1, from: '11:00', to: '16:00' },
      ],
      [{ weekday: 1, from: '12:00', to: '08:00' }],
      [{ weekday: 8, from: '08:00', to: '12:00' }],
      [{ weekday: 1, from: '8', to: '12:00' }],
    ])
      assert.equal((await problemIn(await set(hours))).code, 'not-valid');
    const { people } = await yard.read<WorkingHours>('/api/working-hours');
    assert.deepEqual(people.find(({ id }) => id === lead)?.hours, [{ weekday: 1, from: '13:00', to: '16:00' }]);
    assert.equal(people.find(({ id }) => id === yard.personId('technician'))?.isUsual, true);
  });
});

describe('shifts', () => {
  // The clock goes from two to three on 31 March 2030 in Europe: facts of the time zone database.
  test('a shift over the night in which the clock is put on is an hour shorter', () => {
    const week = [{ weekday: 7, from: '01:00', to: '05:00' }];
    const [shift] = shiftsOf(week, [], new Date('2030-03-30T12:00:00Z'), 'Europe/Vienna');
    assert.deepEqual(shift, [12 * HOUR, 15 * HOUR]);
  });

  test('after it the shift begins at the same hour of the yard', () => {
    const shifts = shiftsOf(USUAL_HOURS, [], new Date('2030-03-29T12:00:00Z'), 'Europe/Vienna');
    const starts = shifts.map(([from]) => new Date(Date.parse('2030-03-29T12:00:00Z') + from * 60_000).toISOString());
    assert.equal(starts[0], '2030-03-29T12:00:00.000Z');
    assert.equal(starts[1], '2030-04-01T05:30:00.000Z');
  });

  test('an absence takes whole days', () => {
    const shifts = shiftsOf(
      USUAL_HOURS,
      [{ fromOn: '2030-05-06', toOn: '2030-05-07' }],
      new Date('2030-05-06T00:00:00Z'),
      'UTC',
    );
    assert.equal(shifts[0]?.[0], 2 * 24 * HOUR + 7.5 * HOUR);
  });
});

describe('facts that are easily taken for others', () => {
  test('a unit that is back waits for no hire: the one that it came from makes nothing late', async () => {
    await yard.addUnit('WE-05', 'welder');
    await raise('WE-05', 20);
    const span = { fromAt: '2030-05-03T08:00:00Z', toAt: '2030-05-08T08:00:00Z' };
    await yard.book({ reference: 'B-55', classId: 'welder', tag: 'WE-05', ...span });
    await yard.db
      .updateTable('hire')
      .set({ state: 'back', out_at: span.fromAt, back_at: yard.now })
      .where('reference', '=', 'B-55')
      .execute();
    const reply = await bench();
    assert.equal(placeOf(reply, 'WE-05').line?.hire, null);
    assert.equal(placeOf(reply, 'WE-05').planned?.lateMinutes, 0);
  });

  test('who does not work at the bench at all is not planned with; taken back to the usual, again', async () => {
    const technician = yard.personId('technician');
    const body = { hours: [] };
    const set = await yard.ask('PUT', `/api/working-hours/${technician}`, { as: 'lead', body });
    const { people } = await jsonOf<WorkingHours>(set);
    assert.deepEqual(people.find(({ id }) => id === technician)?.hours, []);
    assert.ok((await bench()).people.every(({ id }) => id !== String(technician)));
    await yard.ask('PUT', `/api/working-hours/${technician}`, { as: 'lead', body: { hours: USUAL_HOURS } });
    assert.ok((await bench()).people.some(({ id }) => id === String(technician)));
  });

  test('a bench that nobody changes is planned once: what a plan leads to asks for no other plan', async () => {
    const first = await bench();
    for (let look = 0; look < 4; look++) assert.equal((await bench()).at, first.at);
    yard.later(0.01);
    assert.deepEqual((await bench()).plan, first.plan);
  });
});

describe('what goes on', () => {
  test('who began a visit goes on with it; who has hands on it, first of all', async () => {
    await yard.addUnit('LS-05', 'log-splitter');
    const technician = String(yard.personId('technician'));
    const lead = yard.personId('lead');
    await yard.ask('PUT', `/api/working-hours/${lead}`, { as: 'lead', body: { hours: USUAL_HOURS } });
    const jobId = await raise('LS-05', 300);
    assert.equal(placeOf(await bench(), 'LS-05').line?.inHandBy, null);
    await entryIn(await yard.enter({ jobId }, 'job-started', {}, 'lead'));
    const begun = await bench();
    const asked = begun.asked.visits.find(({ id }) => id === placeOf(begun, 'LS-05').line?.id);
    assert.deepEqual(asked?.who, [String(lead)]);
    await entryIn(await yard.enter({ jobId }, 'hands-on', {}));
    const inHand = await bench();
    assert.equal(placeOf(inHand, 'LS-05').line?.inHandBy, technician);
    const own = inHand.plan.phases.filter(({ who }) => who === technician).sort((a, b) => a.from - b.from);
    assert.equal(own[0]?.visitId, placeOf(inHand, 'LS-05').line?.id);
  });

  test('what people saw is known to the next plan', async () => {
    const before = await bench();
    await raise('GE-03', 45);
    const after = await bench();
    const { line, planned } = placeOf(before, 'LS-05');
    const seen = after.asked.visits.find(({ id }) => id === line?.id)?.seen;
    assert.deepEqual([seen?.who, seen?.from], [planned?.who, Math.max(planned?.from ?? -1, 0)]);
  });

  test('what finding a fault takes is reckoned once, and anew when it is a week old', async () => {
    let reckoned = 0;
    const sums = { ...yard.context.sums, minutesToFind: async () => 10 * ++reckoned };
    const of = { machine: { classId: 'generator', engine: {}, past: {} }, seen: {} };
    const ask = () => findMinutes({ ...yard.context, sums }, of);
    assert.deepEqual([await ask(), await ask(), reckoned], [10, 10, 1]);
    yard.later(8 * 24);
    assert.deepEqual([await ask(), reckoned], [20, 2]);
    yard.later(-8 * 24);
  });

  test('what the yard’s own work took against its estimate', async () => {
    await yard.addUnit('SN-05', 'snowblower');
    const facts = { kind: 'prep', title: 'Wash it', minutes: 20, blocks: 'none' } as const;
    const jobId = String((await entryIn(await yard.enter({ tag: 'SN-05' }, 'job-raised', facts))).jobId);
    await entryIn(await yard.enter({ jobId }, 'job-started', {}));
    await entryIn(await yard.enter({ jobId }, 'hands-on', {}));
    yard.later(0.5);
    await entryIn(await yard.enter({ jobId }, 'hands-off', {}));
    await entryIn(await yard.enter({ jobId }, 'job-finished', { note: '' }));
    const own = (await readOwnMinutes(yard.db)).get('prep snowblower') ?? [];
    assert.equal(own.length, 1);
    assert.ok(Math.abs((own[0] ?? 0) - 1.5) < 0.01, String(own));
  });
});

describe('the day on paper', () => {
  test('what somebody does today, in its order, and why; nobody else’s', async () => {
    const technician = yard.personId('technician');
    const answer = await yard.ask('GET', `/api/bench/${technician}/day.pdf`, { as: 'technician' });
    const { text } = await paperIn(answer);
    const reply = await bench();
    const first = reply.plan.phases.filter(({ who }) => who === String(technician)).sort((a, b) => a.from - b.from)[0];
    const visit = reply.visits.find(({ id }) => id === first?.visitId);
    assert.ok(visit && text.includes(visit.tag) && text.includes(visit.titles[0] ?? '-'), text);
    assert.equal((await problemIn(await yard.ask('GET', '/api/bench/99/day.pdf', { as: 'lead' }))).code, 'not-found');
  });
});
