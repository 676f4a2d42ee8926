import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import { folderOf } from '@hudrik/core/catalogue';
import type { Role } from '@hudrik/core/contracts';
import { isOf, type CardRefusal } from '@hudrik/core/log';
import { cardIn, loadOf, onCard, prove } from '../testing/proving';
import { foundCheckIn, thingOff } from '../testing/samples';
import { Ways } from '../testing/ways';
import { problemIn, useYard } from '../testing/yard';

/** Ways that led past "a look is no repair", clocks, the looks of a proof, and what came off. */
describe('work', () => {
  const yard = useYard();
  const ways = new Ways(yard);
  /** A generator that came back with these checks not in order, its first job begun. Out: that job. */
  const begun = async (tag: string, found: Readonly<Record<string, string>> = { 'fuel-leak': 'carburettor' }) => {
    await ways.fit(tag);
    await yard.checkIn(foundCheckIn(tag, 'generator', '100.5', found));
    const jobId = (await ways.page(tag)).jobs[0]?.id ?? '';
    await yard.enter({ jobId }, 'job-started', {});
    return jobId;
  };
  const whyOf = async (answer: Response): Promise<CardRefusal | { readonly code: string }> => {
    const { code, facts } = await problemIn(answer);
    return code === 'card-refused' ? (facts?.['why'] as CardRefusal) : { code };
  };
  const close = (tag: string, defectId: string | undefined, more: object = {}, as: Role = 'technician') =>
    yard.enter(
      { tag },
      'defect-closed',
      { defectId: defectId ?? '', how: 'was-all-right', why: 'Looked at it', ...more },
      as,
    );

  describe('a look is no repair', () => {
    test('what is put right by work that is proved is not put right by a tap: the answer names its job', async () => {
      const jobId = await begun('GE-01');
      const leak = await ways.defect('GE-01', 'fuel-leak');
      const refused = await problemIn(await close('GE-01', leak?.id, { how: 'put-right' }));
      assert.deepEqual([refused.code, refused.facts?.['jobId']], ['needs-proof', jobId]);
      assert.deepEqual(leak?.looks, ['was-all-right']);
      assert.equal((await close('GE-01', leak?.id, {}, 'apprentice')).status, 403);
    });

    test('nor after its job was dropped: dropping closes nothing, and a look still only says that it was all right', async () => {
      const jobId = await begun('GE-02');
      await yard.enter({ jobId }, 'job-dropped', { why: 'Not needed' });
      const leak = await ways.defect('GE-02', 'fuel-leak');
      assert.equal(await ways.ready('GE-02'), 'held');
      assert.equal((await problemIn(await close('GE-02', leak?.id, { how: 'put-right' }))).code, 'needs-proof');
      // A job of its own is raised for it: the same work, proved.
      const raised = await yard.enter({ tag: 'GE-02' }, 'job-raised', {
        ...{ kind: 'repair', title: 'Anything', minutes: 20, work: undefined, blocks: 'hold', defectId: leak?.id },
      });
      assert.equal(raised.status, 201);
      const [job] = (await ways.page('GE-02')).jobs;
      await prove(yard, job?.id ?? '');
      assert.deepEqual([await ways.howEnded(leak?.id ?? ''), await ways.ready('GE-02')], ['put-right', 'fit']);
    });

    test('seen twice, one technician alone does not say that it was all right: a lead does, or two people', async () => {
      await begun('GE-03');
      yard.later(1);
      const { basedOn } = await ways.opening('GE-03');
      await yard.checkIn(foundCheckIn('GE-03', 'generator', '100.5', { 'fuel-leak': 'carburettor' }, { basedOn }));
      const leak = await ways.defect('GE-03', 'fuel-leak');
      assert.equal(leak?.second, 'seen-twice');
      assert.deepEqual((await problemIn(await close('GE-03', leak?.id))).facts?.['why'], 'seen-twice');
      // Others are here: alone is no way.
      const alone = { alone: { why: 'In a hurry', photoId: null } };
      assert.deepEqual((await problemIn(await close('GE-03', leak?.id, alone))).code, 'second-present');
      // One's own word, a counter's, one that was used: none.
      assert.equal((await close('GE-03', leak?.id, { witnessId: randomUUID() })).status, 409);
      const own = await yard.ask('POST', '/api/witnesses', {
        as: 'technician',
        body: { personId: yard.personId('technician'), pin: '12345' },
      });
      assert.equal((await problemIn(own)).code, 'own-word');
      const counter = await yard.ask('POST', '/api/witnesses', {
        as: 'technician',
        body: { personId: yard.personId('counter'), pin: '12345' },
      });
      assert.equal(counter.status, 403);
      const second = await ways.second('apprentice', 'technician');
      assert.equal((await close('GE-03', leak?.id, second)).status, 201);
      await begun('GE-04');
      assert.equal(
        (await problemIn(await close('GE-04', (await ways.defect('GE-04', 'fuel-leak'))?.id, second))).code,
        'no-such-witness',
      );
    });

    test('no unit is fit while a begun job asks a proof, parked or not; a planned oil service counts from when it is begun', async () => {
      await ways.fit('GE-05');
      await yard.enter({ tag: 'GE-05' }, 'job-raised', {
        ...{ kind: 'service', title: 'Oil service', minutes: 20, work: 'oil-service', blocks: 'none' },
      });
      assert.equal(await ways.ready('GE-05'), 'fit');
      const jobId = (await ways.page('GE-05')).jobs[0]?.id ?? '';
      await yard.enter({ jobId }, 'job-started', {});
      assert.equal(await ways.ready('GE-05'), 'held');
      await onCard(yard, jobId, 'parked', { why: 'No oil' });
      assert.equal(await ways.ready('GE-05'), 'held');
      await yard.enter({ jobId }, 'job-put-off', { why: 'No oil' });
      assert.equal(await ways.ready('GE-05'), 'fit');
    });
  });

  describe('a clock is a clock', () => {
    const start = (jobId: string, more: object = {}, as: Role = 'technician', at?: string) => {
      const clockId = randomUUID();
      const facts = { clockId, clock: 'drip-test', minutes: 120, stepId: null, ...more } as const;
      return {
        clockId,
        answer: yard.enter({ jobId, ...(at === undefined ? {} : { at }) }, 'clock-started', facts, as),
      };
    };
    const end = (jobId: string, clockId: string, result: string, more: object = {}, as: Role = 'technician') =>
      onCard(yard, jobId, 'clock-ended', { clockId, result, note: '', ...more }, as);

    test('its length is its kind’s: shorter only by a technician, with a reason; longer by anybody', async () => {
      const jobId = await begun('GE-10');
      assert.deepEqual(await whyOf(await start(jobId, { minutes: 5 }).answer), {
        code: 'clock-too-short',
        minutes: 120,
      });
      const short = { minutes: 5, shortWhy: 'Only to see' };
      assert.deepEqual(await whyOf(await start(jobId, short, 'apprentice').answer), {
        code: 'signers-only',
        what: 'short-clock',
      });
      assert.equal((await start(jobId, { minutes: 240 }, 'apprentice').answer).status, 201);
      assert.equal((await start(jobId, short).answer).status, 201);
    });

    test('one that was cut short closes nothing that can hurt; a whole one does', async () => {
      const jobId = await begun('GE-11');
      const first = start(jobId);
      await first.answer;
      await end(jobId, first.clockId, 'drips');
      assert.notEqual(await ways.defect('GE-11', 'drip-test'), undefined);
      const short = start(jobId, { minutes: 1, shortWhy: 'Only to see' });
      await short.answer;
      yard.later(0.1);
      assert.equal((await end(jobId, short.clockId, 'dry')).status, 201);
      assert.notEqual(await ways.defect('GE-11', 'drip-test'), undefined);
      const whole = start(jobId);
      await whole.answer;
      yard.later(2.01);
      assert.equal((await end(jobId, whole.clockId, 'dry')).status, 201);
      assert.equal(await ways.defect('GE-11', 'drip-test'), undefined);
    });

    test('a good result before its end is refused, whatever the device says of how long it ran', async () => {
      const jobId = await begun('GE-12');
      const { clockId, answer } = start(jobId);
      await answer;
      yard.later(1);
      assert.equal((await whyOf(await end(jobId, clockId, 'dry'))).code, 'clock-not-over');
      assert.equal((await whyOf(await end(jobId, clockId, 'dry', { ranMs: 10 * 3_600_000 }))).code, 'clock-not-over');
      assert.equal((await whyOf(await end(jobId, clockId, 'dry', { earlyWhy: 'Enough' }))).code, 'early-not-good');
      assert.deepEqual(await whyOf(await end(jobId, clockId, 'stopped', { earlyWhy: 'Enough' }, 'apprentice')), {
        code: 'signers-only',
        what: 'early-end',
      });
      yard.later(1.01);
      assert.equal((await end(jobId, clockId, 'dry')).status, 201);
    });

    test('started without a connection it counts from its arrival, unless its own device counted on meanwhile', async () => {
      const jobId = await begun('GE-13');
      const begunAt = ways.ago(0);
      yard.later(3);
      const offline = start(jobId, {}, 'technician', begunAt);
      assert.equal((await offline.answer).status, 201);
      assert.equal((await whyOf(await end(jobId, offline.clockId, 'dry'))).code, 'clock-not-over');
      assert.equal((await end(jobId, offline.clockId, 'dry', { ranMs: 3 * 3_600_000 })).status, 201);
    });

    test('a start that is stamped before its job was begun, or ahead, is its arrival; it runs until a person ends it', async () => {
      const jobId = await begun('GE-14');
      yard.later(1);
      for (const minutes of [24 * 60, -24 * 60]) {
        const { clockId, answer } = start(jobId, {}, 'technician', ways.ago(minutes));
        assert.equal((await answer).status, 201);
        const row = await yard.db.selectFrom('clock').selectAll().where('id', '=', clockId).executeTakeFirstOrThrow();
        assert.equal(row.started_at.toISOString(), yard.now.toISOString());
        yard.later(5);
        assert.equal((await whyOf(await onCard(yard, jobId, 'parked', { why: 'For weeks' }))).code, 'clock-runs');
        assert.equal((await end(jobId, clockId, 'dry')).status, 201);
      }
    });
  });

  describe('the looks of a proof lie in the proof', () => {
    /** In its proof, dry. */
    const proving = async (tag: string, found?: Readonly<Record<string, string>>): Promise<string> => {
      const jobId = await begun(tag, found);
      await onCard(yard, jobId, 'to-proof', {});
      await onCard(yard, jobId, 'leak-look', { dry: true, note: '' });
      return jobId;
    };
    const look = (jobId: string, id: string, ok: boolean, did?: string, as: Role = 'technician') =>
      onCard(yard, jobId, 'proof-look', { look: id, ok, did }, as);

    test('“restarts hot” and smoke can be said only of a run', async () => {
      const jobId = await proving('GE-20');
      for (const answer of [await onCard(yard, jobId, 'smoke', { clear: true }), await look(jobId, 'steady', true)])
        assert.deepEqual(await whyOf(answer), { code: 'run-first' });
      await onCard(yard, jobId, 'run-started', {});
      assert.equal((await look(jobId, 'steady', true)).status, 201);
      assert.deepEqual(await whyOf(await look(jobId, 'restart-hot', true)), { code: 'run-it-out' });
    });

    test('“five minutes after stopping” counts from the stop', async () => {
      await ways.fit('GE-21');
      await yard.enter({ tag: 'GE-21' }, 'job-raised', {
        ...{ kind: 'service', title: 'Oil service', minutes: 20, work: 'oil-service', blocks: 'none' },
      });
      const jobId = (await ways.page('GE-21')).jobs[0]?.id ?? '';
      await yard.enter({ jobId }, 'job-started', {});
      await onCard(yard, jobId, 'to-proof', {});
      await onCard(yard, jobId, 'leak-look', { dry: true, note: '' });
      await onCard(yard, jobId, 'run-started', {});
      yard.later(0.5);
      assert.deepEqual(await whyOf(await look(jobId, 'level-again', true)), { code: 'run-it-out' });
      await onCard(yard, jobId, 'run-stopped', { why: '' });
      yard.later(4 / 60);
      assert.equal((await whyOf(await look(jobId, 'level-again', true))).code, 'not-before');
      yard.later(1.1 / 60);
      assert.equal((await look(jobId, 'level-again', true)).status, 201);
    });

    test('a look that this proof does not ask is none', async () => {
      const jobId = await proving('GE-22');
      assert.equal((await whyOf(await look(jobId, 'auger', true))).code, 'no-such-thing');
    });

    test('a load is one of the class’s kinds, with the figure that it was set to', async () => {
      const jobId = await proving('GE-23');
      const load = (facts: object) => onCard(yard, jobId, 'proof-load', facts as never);
      assert.equal((await whyOf(await load({ load: 'a-big-one' }))).code, 'no-such-load');
      assert.equal((await whyOf(await load({ load: 'load-bank' }))).code, 'load-figure-wanted');
      for (const figure of [
        { value: 0, unit: 'W' },
        { value: 5000, unit: 'kg' },
        { value: 5000, unit: 'furlong' },
      ])
        assert.equal((await whyOf(await load({ load: 'load-bank', figure }))).code, 'load-figure-wanted');
      assert.equal((await load({ load: 'load-bank', figure: { value: 3, unit: 'kW' } })).status, 201);
    });

    test('“it leaks”, then “dry”: the leak is a defect, dry again by what was done, and ended by the proof', async () => {
      const jobId = await proving('GE-24', { cords: 'damaged', 'fuel-leak': 'hose' });
      await onCard(yard, jobId, 'leak-look', { dry: false, note: '' });
      const leak = await ways.defect('GE-24', 'leak-look');
      assert.deepEqual([leak?.safety, leak?.weight], [true, 'hold']);
      assert.equal((await whyOf(await onCard(yard, jobId, 'run-started', {}))).code, 'leak-look-first');
      assert.deepEqual(await whyOf(await onCard(yard, jobId, 'leak-look', { dry: true, note: '' })), {
        code: 'done-what',
      });
      assert.deepEqual(
        await whyOf(await onCard(yard, jobId, 'leak-look', { dry: true, note: '', did: '\u200b \u00a0' })),
        { code: 'not-valid' },
      );
      // Out of the proof and in again it is asked all the same.
      await onCard(yard, jobId, 'back-to-work', { why: '' });
      await onCard(yard, jobId, 'to-proof', {});
      assert.deepEqual(await whyOf(await onCard(yard, jobId, 'leak-look', { dry: true, note: '' })), {
        code: 'done-what',
      });
      const refused = await problemIn(await close('GE-24', leak?.id, { how: 'put-right' }));
      assert.equal(refused.code, 'needs-proof');
      await onCard(yard, jobId, 'back-to-work', { why: '' });
      await prove(yard, jobId, { did: 'New gasket' });
      assert.equal(await ways.howEnded(leak?.id ?? ''), 'put-right');
    });

    test('an answer is taken back by its author within a minute; later, or another’s, it is not', async () => {
      const jobId = await proving('GE-25');
      const id = randomUUID();
      await onCard(yard, jobId, 'leak-look', { dry: false, note: '' }, 'technician', id);
      assert.equal(
        (await whyOf(await onCard(yard, jobId, 'answer-taken-back', { entryId: id }, 'apprentice'))).code,
        'not-to-take-back',
      );
      yard.later(0.5 / 60);
      assert.equal((await onCard(yard, jobId, 'answer-taken-back', { entryId: id })).status, 201);
      assert.equal(await ways.defect('GE-25', 'leak-look'), undefined);
      const { entries } = await cardIn(yard, jobId);
      assert.ok(
        entries.some((entry) => entry.id === id),
        'what was taken back stays in the record',
      );
      const later = randomUUID();
      await onCard(yard, jobId, 'leak-look', { dry: false, note: '' }, 'technician', later);
      yard.later(2 / 60);
      assert.equal(
        (await whyOf(await onCard(yard, jobId, 'answer-taken-back', { entryId: later }))).code,
        'not-to-take-back',
      );
      assert.notEqual(await ways.defect('GE-25', 'leak-look'), undefined);
      const leak = await ways.defect('GE-25', 'leak-look');
      assert.equal((await close('GE-25', leak?.id)).status, 201);
    });

    test('where no load is to be had a lead says so: it passes without, and what was not proved is shown until it is', async () => {
      const jobId = await proving('GE-26');
      const notHad = (as: Role) => onCard(yard, jobId, 'load-not-had', { why: 'No snow in July' }, as);
      assert.equal((await notHad('technician')).status, 403);
      assert.equal((await notHad('lead')).status, 201);
      await onCard(yard, jobId, 'run-started', {});
      await onCard(yard, jobId, 'smoke', { clear: true });
      yard.later(0.5);
      for (const { id, unit, least, most, atLoad } of folderOf('generator').proof.readings)
        if (atLoad === 0) {
          const value = ((least ?? 0) + (most ?? 0)) / 2;
          await onCard(yard, jobId, 'proof-reading', { reading: id as 'hertz-0', value, unit, live: false });
        }
      await onCard(yard, jobId, 'run-stopped', { why: '' });
      const { entries } = await cardIn(yard, jobId);
      for (const step of entries.flatMap((entry) => (isOf(entry, 'steps-listed') ? entry.facts.steps : [])))
        await onCard(yard, jobId, 'step-done', { stepId: step.stepId });
      const wanted = await whyOf(await onCard(yard, jobId, 'proved', { passed: true, note: '', looks: [] }));
      const missing = 'missing' in wanted ? wanted.missing : [];
      for (const one of missing) await look(jobId, one.replace(/^look-/, ''), true);
      const looks = (await cardIn(yard, jobId)).job.defects.map(({ id }) => id);
      const signed = await onCard(yard, jobId, 'proved', { passed: true, note: '', looks });
      assert.deepEqual([signed.status, await ways.ready('GE-26')], [201, 'fit']);
      const { unproved } = await ways.page('GE-26');
      assert.equal(unproved?.why, 'No snow in July');
      assert.ok((unproved?.what ?? []).length > 0);
      assert.equal((await ways.opening('GE-26')).unproved?.why, 'No snow in July');
    });

    test('a reading of a unit that it cannot be told in is refused, and so is an empty one', async () => {
      const jobId = await proving('GE-27');
      await onCard(yard, jobId, 'run-started', {});
      const read = (more: object) =>
        onCard(yard, jobId, 'proof-reading', { reading: 'volts-0', value: 120, live: false, ...more });
      for (const unit of ['bar', 'furlong', '', ' '])
        assert.deepEqual([(await read({ unit })).status < 500, (await read({ unit })).status >= 400], [true, true]);
      assert.equal((await read({ unit: 'V' })).status, 201);
    });

    test('what the instruments read by themselves is struck out by a lead with a reason, and stays in the record', async () => {
      const jobId = await proving('GE-28');
      await onCard(yard, jobId, 'proof-load', loadOf({ plan: folderOf('generator').proof }));
      await onCard(yard, jobId, 'run-started', {});
      const live = randomUUID();
      await onCard(
        yard,
        jobId,
        'proof-reading',
        { reading: 'volts-0', value: 60, unit: 'V', live: true },
        'technician',
        live,
      );
      const low = await ways.defect('GE-28', 'volts-0');
      assert.notEqual(low, undefined);
      const instead = (more: object, as: Role) =>
        onCard(
          yard,
          jobId,
          'proof-reading',
          { reading: 'volts-0', value: 120, unit: 'V', live: false, insteadOf: live, ...more },
          as,
        );
      assert.equal((await whyOf(await instead({ why: 'Mistyped' }, 'technician'))).code, 'lead-only');
      assert.equal((await whyOf(await instead({}, 'lead'))).code, 'lead-only');
      assert.equal((await instead({ why: 'The clamp was open' }, 'lead')).status, 201);
      assert.equal(await ways.howEnded(low?.id ?? ''), 'undone');
      const { entries } = await cardIn(yard, jobId);
      assert.ok(entries.some((entry) => entry.id === live));
    });
  });

  describe('what came off is asked about', () => {
    test('a thing without a system is asked for one before it is signed; an apprentice does not say otherwise', async () => {
      const jobId = await begun('GE-30', { cords: 'damaged', 'fuel-leak': 'hose' });
      const panel = thingOff('Panel', { system: undefined });
      await onCard(yard, jobId, 'taken-off', panel);
      await onCard(yard, jobId, 'put-back', { thingId: panel.thingId });
      const refused = await whyOf(await prove(yard, jobId));
      assert.deepEqual(refused, { code: 'system-wanted', things: ['Panel'] });
      const { system: _, ...plain } = panel;
      assert.equal(
        (await onCard(yard, jobId, 'thing-changed', { ...plain, system: 'guard' }, 'apprentice')).status,
        201,
      );
      assert.deepEqual(
        await whyOf(await onCard(yard, jobId, 'thing-changed', { ...plain, system: 'none' }, 'apprentice')),
        {
          code: 'signers-only',
          what: 'system',
        },
      );
      // What is a guard is looked at as one before it goes.
      assert.equal((await prove(yard, jobId)).status, 201);
    });

    test('what stays off of a guard, a shield, the exhaust or a cable is a defect; an apprentice strikes off none of them', async () => {
      const jobId = await begun('GE-31', { cords: 'damaged', 'fuel-leak': 'hose' });
      for (const system of ['guard', 'electric'] as const) {
        const thing = thingOff(`A ${system}`, { system });
        await onCard(yard, jobId, 'taken-off', thing);
        const strike = (as: Role) =>
          onCard(yard, jobId, 'struck-off', { thingId: thing.thingId, why: 'Would snap' }, as);
        assert.deepEqual(await whyOf(await strike('apprentice')), { code: 'signers-only', what: 'stays-off' });
        assert.equal((await strike('technician')).status, 201);
        const off = await ways.defect('GE-31', thing.thingId);
        assert.deepEqual([off?.safety, off?.weight, off?.sentence], [true, 'hold', `Stays off: A ${system}.`]);
        // A look does not put it back on; the thing does.
        assert.equal((await onCard(yard, jobId, 'put-back', { thingId: thing.thingId })).status, 201);
        assert.equal(await ways.howEnded(off?.id ?? ''), 'put-right');
      }
      const bolt = thingOff('A bolt', { system: 'none' });
      await onCard(yard, jobId, 'taken-off', bolt);
      assert.equal(
        (await onCard(yard, jobId, 'struck-off', { thingId: bolt.thingId, why: 'Would snap' }, 'apprentice')).status,
        201,
      );
      assert.equal(await ways.defect('GE-31', bolt.thingId), undefined);
    });

    test('a thing that is on the card already does not come off as a new one', async () => {
      const jobId = await begun('GE-32');
      const cover = thingOff('Cover');
      await onCard(yard, jobId, 'taken-off', cover);
      await onCard(yard, jobId, 'put-back', { thingId: cover.thingId });
      assert.equal((await whyOf(await onCard(yard, jobId, 'taken-off', cover))).code, 'not-off');
    });
  });
});
