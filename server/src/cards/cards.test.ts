import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import { workedMinutes } from '@hudrik/core/card';
import type { FaultId } from '@hudrik/core/catalogue';
import { cardOf } from '@hudrik/core/log';
import type {
  CardReply,
  ClockLine,
  FindingRecord,
  LogRecord,
  JobLine,
  Opening,
  UnitPage,
  WaysReply,
} from '@hudrik/core/contracts';
import sharp from 'sharp';
import { cardIn, onCard as enter, prove } from '../testing/proving';
import { foundCheckIn, thingOff } from '../testing/samples';
import { paperIn } from '../testing/readPaper';
import { problemIn, useYard } from '../testing/yard';
import { nth } from '@hudrik/core/typed';

const thing = (thingId: string, what: string, place: number) =>
  thingOff(what, { thingId, place, fasteners: [{ count: 2, size: 'M6 × 20', place: 'studs' }] });

describe('a job’s card', () => {
  const yard = useYard();
  const unit = async (tag: string) => await yard.read<UnitPage>(`/api/units/${tag}`, 'technician');
  const history = async (tag: string) =>
    (
      await yard.read<{
        records: LogRecord[];
      }>(`/api/units/${tag}/history?limit=100`, 'technician')
    ).records;
  const held = async (
    tag: string,
    exceptions: Record<string, string> = { 'fuel-leak': 'carburettor' },
  ): Promise<string> => {
    await yard.addUnit(tag);
    await yard.checkIn(foundCheckIn(tag, 'generator', '101.0', exceptions));
    return (await unit(tag)).jobs[0]?.id ?? '';
  };
  const again = async (tag: string, typed: string): Promise<void> => {
    const { basedOn } = await yard.read<Opening>(`/api/units/${tag}/opening`, 'technician');
    assert.equal(
      (await yard.checkIn(foundCheckIn(tag, 'generator', typed, { 'fuel-leak': 'carburettor' }, { basedOn }))).status,
      201,
    );
  };
  const whyOf = async (answer: Response) =>
    ((await problemIn(answer)).facts?.['why'] as
      | { code: string; things?: string[]; missing?: string[] }
      | undefined) ?? { code: 'none' };
  const confirmed = async (tag: string, causes: readonly FaultId[]): Promise<void> => {
    const id = randomUUID();
    await yard.enter({ tag, id }, 'finding-opened', { machine: { engine: {}, past: {} } });
    // Where somebody began before, the one that was begun then is meant.
    const answer = await yard.enter({ findingId: id }, 'causes-confirmed', { causes: [...causes], note: '' });
    assert.equal(answer.status, 201);
  };

  test('the first thing that happens on a waiting card takes it to the bench and lists its steps', async () => {
    const id = await held('GE-01');
    assert.deepEqual(cardOf((await cardIn(yard, id)).entries).steps, []);
    await enter(yard, id, 'note', { text: 'Clamp is cracked', stepId: null }, 'apprentice');
    const card = await cardIn(yard, id);
    assert.equal(card.job.state, 'open');
    assert.equal(card.job.startedBy, 'The apprentice');
    assert.ok(cardOf(card.entries).steps.length > 0);
    assert.equal(cardOf(card.entries).notes[0]?.facts.text, 'Clamp is cracked');
  });

  test('causes that are confirmed later bring their steps, each once', async () => {
    await yard.addUnit('GE-02');
    await yard.checkIn(foundCheckIn('GE-02', 'generator', '101.0', { volts: 'low' }));
    const id = (await unit('GE-02')).jobs[0]?.id ?? '';
    await enter(yard, id, 'hands-on', {});
    await confirmed('GE-02', ['needle-stuck-shut']);
    const steps = cardOf((await cardIn(yard, id)).entries).steps;
    assert.ok(steps.some((step) => step.key === 'repair-needle-stuck-shut'));
    assert.ok(steps.some((step) => step.clock === 'drip-test'));
    assert.equal(new Set(steps.map((step) => step.key)).size, steps.length);
  });

  test('what often brings a cause about is named while nobody looked at it', async () => {
    await yard.addUnit('GE-31');
    await yard.checkIn(foundCheckIn('GE-31', 'generator', '101.0', { volts: 'low' }));
    const id = (await unit('GE-31')).jobs[0]?.id ?? '';
    await confirmed('GE-31', ['magnet-or-coil-rust', 'air-gap-wrong', 'filter-blocked']);
    const behind = async () => (await cardIn(yard, id)).behind?.map(({ cause, parent }) => [cause, parent]);
    assert.deepEqual(await behind(), [['filter-blocked', 'dirt-in-tank']]);
  });

  test('sent twice it is one; the same id on another card is refused', async () => {
    const [one, other] = [await held('GE-03'), await held('GE-04')];
    const id = randomUUID();
    for (let n = 0; n < 2; n++)
      assert.equal((await enter(yard, one, 'note', { text: 'once', stepId: null }, 'technician', id)).status, 201);
    assert.equal(cardOf((await cardIn(yard, one)).entries).notes.length, 1);
    assert.equal(
      (await problemIn(await enter(yard, other, 'note', { text: 'once', stepId: null }, 'technician', id))).code,
      'key-reused',
    );
  });

  test('facts that do not go with their kind are refused, and nothing is kept', async () => {
    const id = await held('GE-05');
    for (const [kind, facts] of [
      ['taken-off', { thingId: randomUUID() }],
      ['clock-started', { clockId: randomUUID(), clock: 'tea', minutes: 5, stepId: null }],
      ['note', { text: '', stepId: null }],
      ['steps-listed', { edition: 'x', from: 'me', steps: [] }],
      ['proof-reading', { reading: 'volts-0', value: 'many', live: false }],
    ] as const) {
      assert.equal((await problemIn(await enter(yard, id, kind as never, facts as never))).code, 'not-valid', kind);
    }
    assert.deepEqual((await cardIn(yard, id)).entries, []);
  });

  test('what is off keeps the card from its proof; struck with a reason, replaced or put back lets it go', async () => {
    const id = await held('GE-06');
    const [a, b, c] = [randomUUID(), randomUUID(), randomUUID()];
    for (const [at, it] of [a, b, c].entries())
      await enter(yard, id, 'taken-off', thing(it, `Thing ${at + 1}`, at + 1));
    assert.deepEqual(await whyOf(await enter(yard, id, 'to-proof', {})), {
      code: 'things-off',
      things: ['Thing 3', 'Thing 2', 'Thing 1'],
    });
    await enter(yard, id, 'put-back', { thingId: c });
    await enter(yard, id, 'struck-off', { thingId: b, why: 'Bolt would snap: left in' });
    await enter(yard, id, 'replaced', { thingId: a, part: 'TV-1182', forTrial: true });
    assert.deepEqual(await whyOf(await enter(yard, id, 'to-proof', {})), { code: 'on-trial', things: ['Thing 1'] });
    assert.equal((await enter(yard, id, 'trial-start', { how: 'ran', note: 'On the old gasket' })).status, 201);
    await enter(yard, id, 'replaced', { thingId: a, part: 'TV-1182', forTrial: false });
    assert.equal((await enter(yard, id, 'to-proof', {})).status, 201);
    assert.equal((await cardIn(yard, id)).visit.state, 'to-prove');
    const said = (await history('GE-06')).filter((record) => record.kind === 'struck-off');
    assert.equal(said[0]?.outcome['what'], 'Thing 2');
  });

  test('two people on one card: what merges is taken, what cannot is refused with what stands', async () => {
    const id = await held('GE-07');
    const it = randomUUID();
    await enter(yard, id, 'taken-off', thing(it, 'Muffler', 1));
    await Promise.all([
      enter(yard, id, 'note', { text: 'left', stepId: null }),
      enter(yard, id, 'note', { text: 'right', stepId: null }, 'lead'),
    ]);
    assert.equal(cardOf((await cardIn(yard, id)).entries).notes.length, 2);
    const both = await Promise.all([
      enter(yard, id, 'put-back', { thingId: it }),
      enter(yard, id, 'put-back', { thingId: it }, 'lead'),
    ]);
    assert.deepEqual(both.map((answer) => answer.status).sort(), [201, 409]);
    const refused = nth(
      both.filter((answer) => answer.status === 409),
      0,
    );
    assert.equal((await whyOf(refused)).code, 'not-off');
    const step = cardOf((await cardIn(yard, id)).entries).steps[0];
    const was = step?.title ?? '';
    await enter(yard, id, 'step-changed', { stepId: step?.stepId ?? '', title: 'Mine', was });
    await enter(yard, id, 'step-changed', { stepId: step?.stepId ?? '', title: 'Theirs', was }, 'lead');
    const after = cardOf((await cardIn(yard, id)).entries).steps[0];
    assert.deepEqual([after?.title, after?.otherWords.map((other) => other.title)], ['Theirs', ['Mine']]);
  });

  test('a clock runs on the server’s time, outlives everything, and its end asks for its result once', async () => {
    const id = await held('GE-08');
    const clockId = randomUUID();
    await enter(yard, id, 'paused', { for: 'clock', why: '' });
    await enter(yard, id, 'clock-started', { clockId, clock: 'drip-test', minutes: 120, stepId: null });
    const clocks = async () =>
      (await yard.read<{ clocks: ClockLine[] }>('/api/clocks', 'lead')).clocks.filter((clock) => clock.tag === 'GE-08');
    const [running] = await clocks();
    assert.equal(Date.parse(running?.endsAt ?? '') - yard.now.getTime(), 120 * 60_000);
    assert.equal(running?.mine, false);
    yard.later(40);
    assert.equal((await clocks()).length, 1);
    assert.equal((await enter(yard, id, 'clock-ended', { clockId, result: 'dry', note: '' })).status, 201);
    assert.equal(
      (await whyOf(await enter(yard, id, 'clock-ended', { clockId, result: 'drips', note: '' }))).code,
      'clock-ended',
    );
    assert.deepEqual(await clocks(), []);
    assert.equal((await cardIn(yard, id)).job.state, 'open');
  });

  test('hands-on minutes run from start to stop, whoever reloads meanwhile', async () => {
    const id = await held('GE-09');
    await enter(yard, id, 'hands-on', {});
    yard.later(0.5);
    await enter(yard, id, 'hands-off', {});
    await enter(yard, id, 'hands-on', {}, 'lead');
    const card = cardOf((await cardIn(yard, id)).entries);
    assert.deepEqual(workedMinutes(card), { 'The technician': 30 });
    assert.deepEqual(
      card.working.map((entry) => entry.by),
      ['The lead'],
    );
  });

  test('a proof goes in its order: dry first, smoke clear, its minutes, its readings; then the unit is fit', async () => {
    const id = await held('GE-10');
    assert.equal((await whyOf(await enter(yard, id, 'run-started', {}))).code, 'not-in-proof');
    await enter(yard, id, 'to-proof', {});
    assert.equal((await whyOf(await enter(yard, id, 'run-started', {}))).code, 'leak-look-first');
    assert.equal(
      (await problemIn(await enter(yard, id, 'proved', { passed: true, note: '' }, 'apprentice'))).code,
      'not-your-role',
    );
    const early = await whyOf(await enter(yard, id, 'proved', { passed: true, note: '' }));
    assert.equal(early.code, 'not-passed');
    assert.ok(early.missing?.includes('minutes') && early.missing.includes('reading-volts-100'));
    assert.equal((await prove(yard, id)).status, 201);
    assert.equal((await unit('GE-10')).unit.verdict.readiness, 'fit');
    assert.equal((await problemIn(await enter(yard, id, 'note', { text: 'late', stepId: null }))).code, 'job-closed');
  });

  test('too few minutes, or a reading outside, do not pass; another hold still holds', async () => {
    const id = await held('GE-11');
    const short = await whyOf(await prove(yard, id, { minutes: 19 }));
    assert.deepEqual(short.missing, ['minutes', 'look-restart-hot']);
    const low = await whyOf(await prove(yard, id, { values: { 'volts-100': 101 } }));
    assert.deepEqual(low.missing, ['reading-volts-100']);
    const raised = { kind: 'repair', title: 'Wheel off', minutes: 20, blocks: 'hold' } as const;
    await yard.enter({ tag: 'GE-11' }, 'job-raised', { ...raised, work: undefined }, 'lead');
    assert.equal((await prove(yard, id)).status, 201);
    assert.equal((await unit('GE-11')).unit.verdict.readiness, 'held');
  });

  test('a failed proof goes back to fault finding with what it showed, and only what was found after it is learnt', async () => {
    await yard.addUnit('GE-12');
    await yard.checkIn(foundCheckIn('GE-12', 'generator', '101.0', { volts: 'low' }));
    const id = (await unit('GE-12')).jobs[0]?.id ?? '';
    await confirmed('GE-12', ['governor-spring']);
    assert.equal((await prove(yard, id, { passed: false, values: { 'volts-100': 96 } })).status, 201);
    const { finding } = await yard.read<{
      finding: FindingRecord;
    }>('/api/units/GE-12/finding', 'technician');
    // The same finding: all that was seen before is still there, then what was put right, then what the proof showed.
    const told = finding.entries.map((entry) => [entry.kind, entry.facts['observation'] ?? entry.facts['fault']]);
    assert.deepEqual(told.slice(-2), [
      ['repaired', 'governor-spring'],
      ['seen', 'output'],
    ]);
    assert.ok(told.some(([kind, what]) => kind === 'seen' && what === 'oil-level'));
    assert.deepEqual(finding.entries.at(-1)?.facts['outcomes'], ['drops-on-load']);
    assert.equal((await cardIn(yard, id)).findingId, finding.id);
    assert.equal((await unit('GE-12')).unit.verdict.readiness, 'held');
    yard.later(0.1);
    await confirmed('GE-12', ['main-jet-blocked']);
    assert.equal((await prove(yard, id)).status, 201);
    const taught = await yard.db.selectFrom('proven_cause').select('faults').execute();
    assert.deepEqual(
      taught.map((row) => row.faults),
      [['main-jet-blocked']],
    );
  });

  test('a finished card teaches its model the order of taking apart', async () => {
    const id = await held('GE-14');
    await enter(yard, id, 'teardown-begun', { teardown: 'carburettor-off' });
    for (const [at, what] of ['Fuel hose', 'Air box'].entries()) {
      const it = randomUUID();
      await enter(yard, id, 'taken-off', {
        ...thing(it, what, at + 1),
        key: what === 'Air box' ? 'air-box' : 'fuel-hose',
      });
      await enter(yard, id, 'put-back', { thingId: it });
    }
    await prove(yard, id);
    yard.later(24);
    await again('GE-14', '105.0');
    const { learnt } = await cardIn(yard, (await unit('GE-14')).jobs[0]?.id ?? '');
    assert.deepEqual(
      learnt['carburettor-off']?.slice(0, 3).map((entry) => entry.key),
      ['fuel-hose', 'air-box', 'air-filter'],
    );
  });

  test('the reckoning says what was not looked at, and is printed', async () => {
    await yard.addUnit('GE-15');
    await yard.checkIn(foundCheckIn('GE-15', 'generator', '101.0', { volts: 'low' }));
    const id = (await unit('GE-15')).jobs[0]?.id ?? '';
    await confirmed('GE-15', ['rings-worn']);
    const ways = await yard.read<WaysReply>(
      `/api/jobs/${id}/ways?state=corroded&risks=seized-fastener&access=60`,
      'technician',
    );
    assert.deepEqual(ways.notLookedAt, ['the bowl', 'the compression']);
    assert.deepEqual(
      [...ways.ways].map((way) => way.costCents),
      [...ways.ways].map((way) => way.costCents).sort((x, y) => x - y),
    );
    assert.equal(
      (
        await enter(
          yard,
          id,
          'decided',
          { way: 'swap-engine', why: 'Cheap engine', figures: { ways: ways.ways } },
          'apprentice',
        )
      ).status,
      403,
    );
    assert.equal(
      (await enter(yard, id, 'decided', { way: 'swap-engine', why: 'Cheap engine', figures: { ways: ways.ways } }))
        .status,
      201,
    );
    for (const file of ['card.pdf', 'estimate.pdf']) {
      const { text } = await paperIn(await yard.ask('GET', `/api/jobs/${id}/${file}`, { as: 'counter' }));
      assert.match(text, /GE-15 (visit|estimate)/);
    }
  });

  test('photos are shown small; half an upload is none, and comes again whole', async () => {
    const whole = await sharp({ create: { width: 1600, height: 1200, channels: 3, background: '#86785c' } })
      .jpeg()
      .toBuffer();
    const id = randomUUID();
    assert.equal(
      (
        await yard.ask('PUT', `/api/photos/${id}`, {
          as: 'technician',
          raw: whole.subarray(0, 900),
          headers: { 'content-type': 'image/jpeg' },
        })
      ).status,
      415,
    );
    assert.equal((await yard.ask('GET', `/api/photos/${id}`, { as: 'technician' })).status, 404);
    assert.equal(
      (
        await yard.ask('PUT', `/api/photos/${id}`, {
          as: 'technician',
          raw: whole,
          headers: { 'content-type': 'image/jpeg' },
        })
      ).status,
      201,
    );
    const thumb = async () => {
      const answer = await yard.ask('GET', `/api/photos/${id}/thumb`, { as: 'technician' });
      const { width, height } = await sharp(Buffer.from(await answer.arrayBuffer())).metadata();
      return [width, height, answer.headers.get('cache-control')];
    };
    assert.deepEqual(await thumb(), [1600, 1200, 'no-store']);
    await yard.runBackground();
    assert.deepEqual(await thumb(), [240, 180, 'private, max-age=31536000, immutable']);
  });

  test('entries are append-only in the database itself; the counter reads and writes nothing', async () => {
    const id = await held('GE-17');
    await enter(yard, id, 'note', { text: 'x', stepId: null });
    await assert.rejects(yard.db.deleteFrom('log_entry').execute(), /append-only/);
    assert.equal((await enter(yard, id, 'note', { text: 'x', stepId: null }, 'counter')).status, 403);
    assert.equal((await yard.read<CardReply>(`/api/jobs/${id}/card`, 'counter')).job.id, id);
    const { jobs } = await yard.read<{
      jobs: JobLine[];
    }>('/api/jobs?tag=GE-17', 'counter');
    assert.equal(jobs[0]?.state, 'open');
  });

  test('a comeback is said at once, with what was done then', async () => {
    const id = await held('GE-13');
    assert.equal((await cardIn(yard, id)).comeback, null);
    await prove(yard, id);
    // Later than sessions last.
    yard.later(24 * 20);
    await yard.signInAgain();
    await again('GE-13', '130.0');
    const second = (await unit('GE-13')).jobs[0]?.id ?? '';
    const { comeback } = await cardIn(yard, second);
    assert.deepEqual([comeback?.jobId, comeback?.days, comeback?.did], [id, 20, 'Runs well']);
    await prove(yard, second);
    yard.later(24 * 60);
    await yard.signInAgain();
    await again('GE-13', '190.0');
    assert.equal((await cardIn(yard, (await unit('GE-13')).jobs[0]?.id ?? '')).comeback, null);
  });
});
