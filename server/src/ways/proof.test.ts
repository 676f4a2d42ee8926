import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import { folderOf } from '@hudrik/core/catalogue';
import type { Role } from '@hudrik/core/contracts';
import { isOf } from '@hudrik/core/log';
import { cardIn, loadOf, onCard, prove } from '../testing/proving';
import { cardWhy, Ways } from '../testing/ways';
import { problemIn, useYard } from '../testing/yard';

/** Ways that led past "the looks of a proof lie in the proof". */
describe('the looks of a proof lie in the proof', () => {
  const yard = useYard();
  const ways = new Ways(yard);
  /** In its proof, dry. */
  const proving = async (tag: string, found?: Readonly<Record<string, string>>): Promise<string> => {
    const jobId = await ways.begun(tag, found);
    await onCard(yard, jobId, 'to-proof', {});
    await onCard(yard, jobId, 'leak-look', { dry: true, note: '' });
    return jobId;
  };
  const look = (jobId: string, id: string, ok: boolean, did?: string, as: Role = 'technician') =>
    onCard(yard, jobId, 'proof-look', { look: id, ok, did }, as);

  test('“restarts hot” and smoke can be said only of a run', async () => {
    const jobId = await proving('GE-20');
    for (const answer of [await onCard(yard, jobId, 'smoke', { clear: true }), await look(jobId, 'steady', true)])
      assert.deepEqual(await cardWhy(answer), { code: 'run-first' });
    await onCard(yard, jobId, 'run-started', {});
    assert.equal((await look(jobId, 'steady', true)).status, 201);
    assert.deepEqual(await cardWhy(await look(jobId, 'restart-hot', true)), { code: 'run-it-out' });
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
    assert.deepEqual(await cardWhy(await look(jobId, 'level-again', true)), { code: 'run-it-out' });
    await onCard(yard, jobId, 'run-stopped', { why: '' });
    yard.later(4 / 60);
    assert.equal((await cardWhy(await look(jobId, 'level-again', true))).code, 'not-before');
    yard.later(1.1 / 60);
    assert.equal((await look(jobId, 'level-again', true)).status, 201);
  });

  test('a look that this proof does not ask is none', async () => {
    const jobId = await proving('GE-22');
    assert.equal((await cardWhy(await look(jobId, 'auger', true))).code, 'no-such-thing');
  });

  test('a load is one of the class’s kinds, with the figure that it was set to', async () => {
    const jobId = await proving('GE-23');
    const load = (facts: object) => onCard(yard, jobId, 'proof-load', facts as never);
    assert.equal((await cardWhy(await load({ load: 'a-big-one' }))).code, 'no-such-load');
    assert.equal((await cardWhy(await load({ load: 'load-bank' }))).code, 'load-figure-wanted');
    for (const figure of [
      { value: 0, unit: 'W' },
      { value: 5000, unit: 'kg' },
      { value: 5000, unit: 'furlong' },
    ])
      assert.equal((await cardWhy(await load({ load: 'load-bank', figure }))).code, 'load-figure-wanted');
    assert.equal((await load({ load: 'load-bank', figure: { value: 3, unit: 'kW' } })).status, 201);
  });

  test('“it leaks”, then “dry”: the leak is a defect, dry again by what was done, and ended by the proof', async () => {
    const jobId = await proving('GE-24', { cords: 'damaged', 'fuel-leak': 'hose' });
    await onCard(yard, jobId, 'leak-look', { dry: false, note: '' });
    const leak = await ways.defect('GE-24', 'leak-look');
    assert.deepEqual([leak?.safety, leak?.weight], [true, 'hold']);
    assert.equal((await cardWhy(await onCard(yard, jobId, 'run-started', {}))).code, 'leak-look-first');
    assert.deepEqual(await cardWhy(await onCard(yard, jobId, 'leak-look', { dry: true, note: '' })), {
      code: 'done-what',
    });
    assert.deepEqual(
      await cardWhy(await onCard(yard, jobId, 'leak-look', { dry: true, note: '', did: '\u200b \u00a0' })),
      { code: 'not-valid' },
    );
    // Out of the proof and in again it is asked all the same.
    await onCard(yard, jobId, 'back-to-work', { why: '' });
    await onCard(yard, jobId, 'to-proof', {});
    assert.deepEqual(await cardWhy(await onCard(yard, jobId, 'leak-look', { dry: true, note: '' })), {
      code: 'done-what',
    });
    const refused = await problemIn(await ways.close('GE-24', leak?.id, { how: 'put-right' }));
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
      (await cardWhy(await onCard(yard, jobId, 'answer-taken-back', { entryId: id }, 'apprentice'))).code,
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
      (await cardWhy(await onCard(yard, jobId, 'answer-taken-back', { entryId: later }))).code,
      'not-to-take-back',
    );
    assert.notEqual(await ways.defect('GE-25', 'leak-look'), undefined);
    const leak = await ways.defect('GE-25', 'leak-look');
    assert.equal((await ways.close('GE-25', leak?.id)).status, 201);
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
    const wanted = await cardWhy(await onCard(yard, jobId, 'proved', { passed: true, note: '', looks: [] }));
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
    assert.equal((await cardWhy(await instead({ why: 'Mistyped' }, 'technician'))).code, 'lead-only');
    assert.equal((await cardWhy(await instead({}, 'lead'))).code, 'lead-only');
    assert.equal((await instead({ why: 'The clamp was open' }, 'lead')).status, 201);
    assert.equal(await ways.howEnded(low?.id ?? ''), 'undone');
    const { entries } = await cardIn(yard, jobId);
    assert.ok(entries.some((entry) => entry.id === live));
  });
});
