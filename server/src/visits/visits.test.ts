import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import type { LogRecord, Shift, UnitPage } from '@hudrik/core/contracts';
import type { CardKind, Facts } from '@hudrik/core/log';
import { changeUnit } from '../log/changeUnit';
import { cardIn, onCard, prove, signOff } from '../testing/proving';
import { foundCheckIn, handOut, thingOff } from '../testing/samples';
import { entryIn, problemIn, useYard } from '../testing/yard';

// Three damages of a generator: two that must run, one that is seen.
const LEAK = { 'fuel-leak': 'carburettor' };
const SOCKET = { sockets: 'damaged' };
const DIRT = { clean: 'dirty' };

describe('a visit', () => {
  const yard = useYard();
  const page = (tag: string): Promise<UnitPage> => yard.read<UnitPage>(`/api/units/${tag}`);
  const verdict = async (tag: string) => (await page(tag)).unit.verdict;
  const history = async (tag: string) =>
    (await yard.read<{ records: LogRecord[] }>(`/api/units/${tag}/history?limit=100`)).records;
  const visitsOf = async (tag: string) =>
    yard.db
      .selectFrom('visit as v')
      .innerJoin('unit as u', 'u.id', 'v.unit_id')
      .selectAll('v')
      .where('u.tag', '=', tag)
      .orderBy('v.id')
      .execute();
  /** A unit with what was found on it, and its jobs by their work. */
  const found = async (tag: string, checks: Readonly<Record<string, string>>) => {
    await yard.addUnit(tag);
    await yard.checkIn(foundCheckIn(tag, 'generator', '101.0', checks));
    return jobsOf(tag);
  };
  const jobsOf = async (tag: string): Promise<{ prep: string; repair: string; socket: string }> => {
    const { jobs } = await page(tag);
    const of = (is: (job: (typeof jobs)[number]) => boolean) => jobs.find(is)?.id ?? '';
    return {
      prep: of((job) => job.kind === 'prep'),
      socket: of((job) => job.work === 'new-socket'),
      repair: of((job) => job.kind === 'repair' && job.work !== 'new-socket'),
    };
  };
  const why = async (answer: Response) => (await problemIn(answer)).facts?.['why'] as { code: string; tag?: string };
  const putOff = (jobId: string) => yard.enter({ jobId }, 'job-put-off', { why: 'The part is late' });
  const drop = (jobId: string) => yard.enter({ jobId }, 'job-dropped', { why: 'Not needed' });

  test('three jobs are one card, one tray and one proof; what was looked at in it is closed, and the unit is fit', async () => {
    const { repair, socket, prep } = await found('GE-01', { ...LEAK, ...SOCKET, ...DIRT });
    for (const jobId of [repair, socket, prep]) await yard.enter({ jobId }, 'job-started', {});
    const cards = await Promise.all([repair, socket, prep].map((jobId) => cardIn(yard, jobId)));
    assert.deepEqual([...new Set(cards.map((card) => card.visit.id))].length, 1);
    assert.deepEqual([...new Set(cards.map((card) => card.entries.length))].length, 1);
    // Off for the one, seen and put back from the other.
    const cover = thingOff('Cover');
    await onCard(yard, repair, 'taken-off', cover);
    assert.equal((await why(await onCard(yard, socket, 'to-proof', {}))).code, 'things-off');
    await onCard(yard, prep, 'put-back', { thingId: cover.thingId });
    assert.equal((await prove(yard, socket)).status, 201);
    assert.deepEqual([(await verdict('GE-01')).readiness, (await page('GE-01')).jobs], ['fit', []]);
    const told = (await history('GE-01')).filter((record) => record.kind === 'job-finished');
    assert.deepEqual(told.map((record) => record.jobId).sort(), [repair, socket, prep].sort());
    // The figures of the one run stand once.
    assert.equal(told.filter((record) => record.outcome['proof'] !== undefined).length, 1);
    assert.ok((await visitsOf('GE-01')).every((visit) => visit.ended_at !== null));
  });

  test('a job that nobody began is not proved with the others: it waits on the next visit, its defect open', async () => {
    const { repair, prep } = await found('GE-02', { ...LEAK, ...DIRT });
    assert.equal((await prove(yard, repair)).status, 201);
    const [ended, next, ...more] = await visitsOf('GE-02');
    assert.deepEqual([ended?.state, next?.state, more.length], ['ended', 'waiting', 0]);
    assert.deepEqual(
      (await page('GE-02')).defects.map((defect) => [defect.origin.id, defect.jobId]),
      [['clean', prep]],
    );
    assert.equal((await cardIn(yard, prep)).visit.id, String(next?.id));
    assert.deepEqual((await cardIn(yard, prep)).entries, []);
    // It was never on the card that has ended.
    assert.deepEqual(
      (await cardIn(yard, repair)).jobs.map((job) => job.id),
      [repair],
    );
    assert.equal((await verdict('GE-02')).readiness, 'prep');
  });

  test('put off with nothing done for it, it leaves the visit to the others; taken up again it goes on', async () => {
    const { repair, socket } = await found('GE-03', { ...LEAK, ...SOCKET });
    await yard.enter({ jobId: socket }, 'job-started', {});
    assert.equal((await putOff(socket)).status, 201);
    assert.equal((await prove(yard, repair)).status, 201);
    const visits = await visitsOf('GE-03');
    assert.deepEqual(
      visits.map((visit) => visit.ended_at === null),
      [false, false, true],
    );
    assert.equal((await cardIn(yard, socket)).visit.id, String(visits.at(-1)?.id));
    // Something was written for it on the card that has ended: it stands there too.
    assert.ok((await cardIn(yard, repair)).jobs.some((job) => job.id === socket));
    const held = await verdict('GE-03');
    assert.deepEqual([held.readiness, held.because], ['held', ['A socket is broken or burnt.']]);
    await yard.enter({ jobId: socket }, 'job-started', {});
    assert.equal((await signOff(yard, socket)).status, 201);
    assert.equal((await verdict('GE-03')).readiness, 'fit');
  });

  test('nothing is put off or dropped while something of it is off', async () => {
    const { repair, socket } = await found('GE-04', { ...LEAK, ...SOCKET });
    const cover = thingOff('Cover', { system: 'fuel' });
    await onCard(yard, repair, 'taken-off', cover);
    for (const leave of [putOff, drop])
      assert.deepEqual((await problemIn(await leave(repair))).facts?.['things'], ['Cover']);
    // The visit is not over with the other job either.
    await yard.enter({ jobId: socket }, 'job-started', {});
    assert.equal((await signOff(yard, socket)).status, 201);
    assert.equal((await visitsOf('GE-04')).filter((visit) => visit.ended_at === null).length, 1);
    await onCard(yard, repair, 'put-back', { thingId: cover.thingId });
    assert.equal((await drop(repair)).status, 201);
  });

  test('dropped after its work was begun, what was worked on must still be proved; then the unit is held by what is wrong alone', async () => {
    const { repair } = await found('GE-05', LEAK);
    const cover = thingOff('Cover');
    await onCard(yard, repair, 'taken-off', cover);
    await onCard(yard, repair, 'put-back', { thingId: cover.thingId });
    assert.equal((await drop(repair)).status, 201);
    assert.match((await verdict('GE-05')).because.join(' '), /what was worked on is not proved/);
    // It is proved on the same card, whose job has ended.
    const card = await cardIn(yard, repair);
    assert.deepEqual([card.visit.unproved, card.needs.length > 0], [true, true]);
    assert.equal((await prove(yard, repair)).status, 201);
    const after = await verdict('GE-05');
    assert.deepEqual([after.readiness, after.because.length], ['held', 1]);
    assert.equal((await page('GE-05')).defects[0]?.jobId, null);
  });

  test('parked: nothing off, no clock; unproved it holds, and says so', async () => {
    const { repair } = await found('GE-06', LEAK);
    const cover = thingOff('Cover');
    await onCard(yard, repair, 'taken-off', cover);
    const park = () => onCard(yard, repair, 'parked', { why: 'Waits for a float' });
    assert.equal((await why(await park())).code, 'things-off');
    await onCard(yard, repair, 'put-back', { thingId: cover.thingId });
    const clockId = randomUUID();
    await onCard(yard, repair, 'clock-started', { clockId, clock: 'drip-test', minutes: 120, stepId: null });
    assert.equal((await why(await park())).code, 'clock-runs');
    yard.later(2.1);
    await onCard(yard, repair, 'clock-ended', { clockId, result: 'dry', note: '' });
    const entry = await entryIn(await park());
    assert.deepEqual(entry.outcome['unproved'], true);
    assert.match((await verdict('GE-06')).because.join(' '), /On the bench/);
    assert.equal((await onCard(yard, repair, 'resumed', { why: '' })).status, 201);
    assert.equal((await prove(yard, repair)).status, 201);
  });

  test('while a clock runs it is neither signed nor dropped nor proved', async () => {
    const { prep, repair } = await found('GE-16', { ...DIRT, ...LEAK });
    const clockId = randomUUID();
    await onCard(yard, prep, 'clock-started', { clockId, clock: 'drip-test', minutes: 600, stepId: null });
    assert.equal((await problemIn(await signOff(yard, prep))).code, 'clock-runs');
    assert.equal((await problemIn(await drop(prep))).code, 'clock-runs');
    assert.equal((await problemIn(await prove(yard, repair))).code, 'clock-runs');
    assert.equal((await page('GE-16')).jobs.length, 2);
    yard.later(10);
    await onCard(yard, prep, 'clock-ended', { clockId, result: 'dry', note: '' });
    assert.equal((await prove(yard, repair)).status, 201);
    assert.equal((await verdict('GE-16')).readiness, 'fit');
  });

  test('parked with nothing done, it is held by what is wrong, and not by the bench', async () => {
    const { prep } = await found('GE-07', DIRT);
    await yard.enter({ jobId: prep }, 'job-started', {});
    assert.equal((await verdict('GE-07')).readiness, 'held');
    const entry = await entryIn(await onCard(yard, prep, 'parked', { why: 'No water today' }));
    assert.equal(entry.outcome['unproved'], undefined);
    assert.equal((await verdict('GE-07')).readiness, 'prep');
  });

  test('an apprentice asks for a signature: it stands on the shift until it is given or the work goes on', async () => {
    const { repair } = await found('GE-08', LEAK);
    const asked = async () =>
      (await yard.read<Shift>('/api/shift')).toSign
        .filter((line) => line.tag === 'GE-08')
        .map((line) => [line.jobId, line.facts['by']]);
    await yard.enter({ jobId: repair }, 'job-started', {});
    const ask = () => onCard(yard, repair, 'signature-asked', { note: 'Ran twenty minutes' }, 'apprentice');
    assert.equal((await ask()).status, 201);
    assert.deepEqual(await asked(), [[repair, 'The apprentice']]);
    await onCard(yard, repair, 'to-proof', {});
    assert.equal((await onCard(yard, repair, 'back-to-work', { why: 'Smells of fuel' })).status, 201);
    assert.deepEqual(await asked(), []);
    await ask();
    const proved = { passed: true, note: '' };
    assert.equal((await onCard(yard, repair, 'proved', proved, 'apprentice')).status, 403);
    assert.equal((await prove(yard, repair)).status, 201);
    assert.deepEqual(await asked(), []);
  });

  test('handed on with a note; nobody hands it to who works on no unit, or to nobody', async () => {
    const { repair } = await found('GE-09', LEAK);
    const hand = (to: number) => onCard(yard, repair, 'handed-on', { to, note: 'Bowl is clean' }, 'apprentice');
    assert.equal((await hand(yard.personId('technician'))).status, 201);
    const card = await cardIn(yard, repair);
    assert.equal(card.visit.givenTo?.name, 'The technician');
    // Only said: nobody has begun.
    assert.equal(card.visit.state, 'waiting');
    const refused = await problemIn(await hand(yard.personId('counter')));
    assert.deepEqual([refused.code, refused.facts?.['role']], ['not-your-role', 'counter']);
    assert.equal((await problemIn(await hand(999_999))).code, 'not-found');
    assert.equal((await cardIn(yard, repair)).visit.givenTo?.name, 'The technician');
  });

  test('no work begins on a unit that is out, and what was begun is not lost when it went', async () => {
    const { prep } = await found('GE-10', DIRT);
    const going = handOut('generator', '101.0', {
      dueAt: new Date(yard.now.getTime() + 24 * 3_600_000).toISOString(),
      hours: { typed: '101.0', confirmed: true, meterEvent: null },
      waiverReason: 'Goes to a quarry',
    });
    assert.equal((await yard.enter({ tag: 'GE-10' }, 'check-out', going, 'lead')).status, 201);
    assert.equal((await problemIn(await yard.enter({ jobId: prep }, 'job-started', {}))).code, 'unit-is-out');
    assert.equal((await problemIn(await onCard(yard, prep, 'hands-on', {}))).code, 'unit-is-out');
    assert.equal((await page('GE-10')).jobs.length, 1);
  });

  test('scrapped: clocks stop, its parts go back, and what is off is no hindrance', async () => {
    const { repair } = await found('GE-11', LEAK);
    await onCard(yard, repair, 'taken-off', thingOff('Carburettor'));
    const clockId = randomUUID();
    await onCard(yard, repair, 'clock-started', { clockId, clock: 'drip-test', minutes: 120, stepId: null });
    const edit = async (body: object) => {
      const { version } = (await page('GE-11')).unit;
      return yard.ask('PATCH', '/api/units/GE-11', { as: 'lead', body, headers: { 'If-Match': `"${version}"` } });
    };
    assert.equal((await edit({ gone: { why: 'Sold' } })).status, 409);
    assert.equal((await edit({ gone: { why: 'Bent crank', scrapped: true } })).status, 200);
    const { state, ended_at: endedAt } = await yard.db
      .selectFrom('clock')
      .selectAll()
      .where('id', '=', clockId)
      .executeTakeFirstOrThrow();
    assert.deepEqual([state, endedAt], ['stopped', yard.now]);
    // It comes back: held by what is wrong with it, what is off, and that nobody has looked.
    assert.equal((await edit({ gone: null })).status, 200);
    const back = await verdict('GE-11');
    assert.equal(back.readiness, 'held');
    assert.match(back.because.join(' '), /On the bench/);
  });

  describe('a run that is entered afterwards', () => {
    const at = (minutesAgo: number): string => new Date(yard.now.getTime() - minutesAgo * 60_000).toISOString();
    const then = <K extends CardKind>(jobId: string, kind: K, facts: Facts<K>, minutesAgo: number) =>
      yard.enter({ jobId, at: at(minutesAgo) }, kind, facts);
    const inProof = async (tag: string): Promise<string> => {
      const { repair } = await found(tag, LEAK);
      await yard.enter({ jobId: repair }, 'job-started', {});
      yard.later(1);
      await onCard(yard, repair, 'to-proof', {});
      yard.later(1);
      await then(repair, 'leak-look', { dry: true, note: '' }, 59);
      return repair;
    };

    test('is marked, and begins neither before it went to proof nor before what was said of the run', async () => {
      const jobId = await inProof('GE-12');
      assert.equal((await why(await then(jobId, 'run-started', {}, 61))).code, 'run-too-early');
      const started = await entryIn(await then(jobId, 'run-started', {}, 40));
      assert.equal(started.outcome['afterwards'], true);
      assert.equal((await why(await then(jobId, 'run-stopped', { why: '' }, 41))).code, 'run-too-early');
      assert.equal((await then(jobId, 'run-stopped', { why: '' }, 20)).status, 201);
      assert.equal((await why(await then(jobId, 'run-started', {}, 30))).code, 'run-too-early');
      const now = await entryIn(await onCard(yard, jobId, 'run-started', {}));
      assert.equal(now.outcome['afterwards'], undefined);
      assert.equal((await onCard(yard, jobId, 'run-stopped', { why: '' })).status, 201);
    });

    test('nobody runs two units at once; one after the other he may', async () => {
      const first = await inProof('GE-13');
      await then(first, 'run-started', {}, 40);
      await then(first, 'run-stopped', { why: '' }, 20);
      const { repair } = await found('GE-14', LEAK);
      // The visit of the other began only now.
      assert.equal((await why(await then(repair, 'to-proof', {}, 50))).code, 'run-too-early');
      const other = await inProof('GE-15');
      yard.later(0.1);
      await then(first, 'run-started', {}, 45);
      await then(first, 'run-stopped', { why: '' }, 25);
      const overlap = await why(await then(other, 'run-started', {}, 30));
      assert.deepEqual([overlap.code, overlap.tag], ['run-overlaps', 'GE-13']);
      assert.equal((await then(other, 'run-started', {}, 25)).status, 201);
    });
  });

  test('the database itself: a unit has one open visit', async () => {
    const id = await yard.addUnit('GE-20');
    const open = () =>
      changeUnit(yard.context, null, { id }, ({ trx, at }) =>
        trx
          .insertInto('visit')
          .values({ unit_id: id, given_to: null, signature_asked_by: null, opened_at: at })
          .execute(),
      );
    await open();
    await assert.rejects(open(), /unique|duplicate/);
  });
});
