import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import type { Role } from '@hudrik/core/contracts';

import { onCard, prove } from '../testing/proving';
import { foundCheckIn, thingOff } from '../testing/samples';
import { cardWhy, Ways } from '../testing/ways';
import { problemIn, useYard } from '../testing/yard';

/** Ways that led past "a look is no repair", clocks, and what came off. */
describe('work', () => {
  const yard = useYard();
  const ways = new Ways(yard);
  describe('a look is no repair', () => {
    test('what is put right by work that is proved is not put right by a tap: the answer names its job', async () => {
      const jobId = await ways.begun('GE-01');
      const leak = await ways.defect('GE-01', 'fuel-leak');
      const refused = await problemIn(await ways.close('GE-01', leak?.id, { how: 'put-right' }));
      assert.deepEqual([refused.code, refused.facts?.['jobId']], ['needs-proof', jobId]);
      assert.deepEqual(leak?.looks, ['was-all-right']);
      assert.equal((await ways.close('GE-01', leak?.id, {}, 'apprentice')).status, 403);
    });

    test('nor after its job was dropped: dropping closes nothing, and a look still only says that it was all right', async () => {
      const jobId = await ways.begun('GE-02');
      await yard.enter({ jobId }, 'job-dropped', { why: 'Not needed' });
      const leak = await ways.defect('GE-02', 'fuel-leak');
      assert.equal(await ways.ready('GE-02'), 'held');
      assert.equal((await problemIn(await ways.close('GE-02', leak?.id, { how: 'put-right' }))).code, 'needs-proof');
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
      await ways.begun('GE-03');
      yard.later(1);
      const { basedOn } = await ways.opening('GE-03');
      await yard.checkIn(foundCheckIn('GE-03', 'generator', '100.5', { 'fuel-leak': 'carburettor' }, { basedOn }));
      const leak = await ways.defect('GE-03', 'fuel-leak');
      assert.equal(leak?.second, 'seen-twice');
      assert.deepEqual((await problemIn(await ways.close('GE-03', leak?.id))).facts?.['why'], 'seen-twice');
      // Others are here: alone is no way.
      const alone = { alone: { why: 'In a hurry', photoId: null } };
      assert.deepEqual((await problemIn(await ways.close('GE-03', leak?.id, alone))).code, 'second-present');
      // One's own word, a counter's, one that was used: none.
      assert.equal((await ways.close('GE-03', leak?.id, { witnessId: randomUUID() })).status, 409);
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
      assert.equal((await ways.close('GE-03', leak?.id, second)).status, 201);
      await ways.begun('GE-04');
      assert.equal(
        (await problemIn(await ways.close('GE-04', (await ways.defect('GE-04', 'fuel-leak'))?.id, second))).code,
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
      const jobId = await ways.begun('GE-10');
      assert.deepEqual(await cardWhy(await start(jobId, { minutes: 5 }).answer), {
        code: 'clock-too-short',
        minutes: 120,
      });
      const short = { minutes: 5, shortWhy: 'Only to see' };
      assert.deepEqual(await cardWhy(await start(jobId, short, 'apprentice').answer), {
        code: 'signers-only',
        what: 'short-clock',
      });
      assert.equal((await start(jobId, { minutes: 240 }, 'apprentice').answer).status, 201);
      assert.equal((await start(jobId, short).answer).status, 201);
    });

    test('one that was cut short closes nothing that can hurt; a whole one does', async () => {
      const jobId = await ways.begun('GE-11');
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
      const jobId = await ways.begun('GE-12');
      const { clockId, answer } = start(jobId);
      await answer;
      yard.later(1);
      assert.equal((await cardWhy(await end(jobId, clockId, 'dry'))).code, 'clock-not-over');
      assert.equal((await cardWhy(await end(jobId, clockId, 'dry', { ranMs: 10 * 3_600_000 }))).code, 'clock-not-over');
      assert.equal((await cardWhy(await end(jobId, clockId, 'dry', { earlyWhy: 'Enough' }))).code, 'early-not-good');
      assert.deepEqual(await cardWhy(await end(jobId, clockId, 'stopped', { earlyWhy: 'Enough' }, 'apprentice')), {
        code: 'signers-only',
        what: 'early-end',
      });
      yard.later(1.01);
      assert.equal((await end(jobId, clockId, 'dry')).status, 201);
    });

    test('started without a connection it counts from its arrival, unless its own device counted on meanwhile', async () => {
      const jobId = await ways.begun('GE-13');
      const begunAt = ways.ago(0);
      yard.later(3);
      const offline = start(jobId, {}, 'technician', begunAt);
      assert.equal((await offline.answer).status, 201);
      assert.equal((await cardWhy(await end(jobId, offline.clockId, 'dry'))).code, 'clock-not-over');
      assert.equal((await end(jobId, offline.clockId, 'dry', { ranMs: 3 * 3_600_000 })).status, 201);
    });

    test('a start that is stamped before its job was begun, or ahead, is its arrival; it runs until a person ends it', async () => {
      const jobId = await ways.begun('GE-14');
      yard.later(1);
      for (const minutes of [24 * 60, -24 * 60]) {
        const { clockId, answer } = start(jobId, {}, 'technician', ways.ago(minutes));
        assert.equal((await answer).status, 201);
        const row = await yard.db.selectFrom('clock').selectAll().where('id', '=', clockId).executeTakeFirstOrThrow();
        assert.equal(row.started_at.toISOString(), yard.now.toISOString());
        yard.later(5);
        assert.equal((await cardWhy(await onCard(yard, jobId, 'parked', { why: 'For weeks' }))).code, 'clock-runs');
        assert.equal((await end(jobId, clockId, 'dry')).status, 201);
      }
    });
  });

  describe('what came off is asked about', () => {
    test('a thing without a system is asked for one before it is signed; an apprentice does not say otherwise', async () => {
      const jobId = await ways.begun('GE-30', { cords: 'damaged', 'fuel-leak': 'hose' });
      const panel = thingOff('Panel', { system: undefined });
      await onCard(yard, jobId, 'taken-off', panel);
      await onCard(yard, jobId, 'put-back', { thingId: panel.thingId });
      const refused = await cardWhy(await prove(yard, jobId));
      assert.deepEqual(refused, { code: 'system-wanted', things: ['Panel'] });
      const { system: _, ...plain } = panel;
      assert.equal(
        (await onCard(yard, jobId, 'thing-changed', { ...plain, system: 'guard' }, 'apprentice')).status,
        201,
      );
      assert.deepEqual(
        await cardWhy(await onCard(yard, jobId, 'thing-changed', { ...plain, system: 'none' }, 'apprentice')),
        {
          code: 'signers-only',
          what: 'system',
        },
      );
      // What is a guard is looked at as one before it goes.
      assert.equal((await prove(yard, jobId)).status, 201);
    });

    test('what stays off of a guard, a shield, the exhaust or a cable is a defect; an apprentice strikes off none of them', async () => {
      const jobId = await ways.begun('GE-31', { cords: 'damaged', 'fuel-leak': 'hose' });
      for (const system of ['guard', 'electric'] as const) {
        const thing = thingOff(`A ${system}`, { system });
        await onCard(yard, jobId, 'taken-off', thing);
        const strike = (as: Role) =>
          onCard(yard, jobId, 'struck-off', { thingId: thing.thingId, why: 'Would snap' }, as);
        assert.deepEqual(await cardWhy(await strike('apprentice')), { code: 'signers-only', what: 'stays-off' });
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
      const jobId = await ways.begun('GE-32');
      const cover = thingOff('Cover');
      await onCard(yard, jobId, 'taken-off', cover);
      await onCard(yard, jobId, 'put-back', { thingId: cover.thingId });
      assert.equal((await cardWhy(await onCard(yard, jobId, 'taken-off', cover))).code, 'not-off');
    });
  });
});
