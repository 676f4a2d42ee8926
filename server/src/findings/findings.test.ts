import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import type { FindingRecord, HistoryRecord, LearnedReply, UnitPage } from '@hudrik/core/contracts';
import { foundCheckIn } from '../testing/samples';
import { prove } from '../testing/proving';
import { problemIn, useYard } from '../testing/yard';

const MACHINE = { engine: {}, past: {} };
const seen = (observation: string, outcome: string, more: object = {}) => ({
  id: randomUUID(),
  kind: 'seen',
  observation,
  outcomes: [outcome],
  ...more,
});

describe('a finding', () => {
  const yard = useYard();
  const open = async (
    tag: string | null,
    as: 'technician' | 'apprentice' | 'lead' = 'technician',
    id: string = randomUUID(),
  ) =>
    (await (
      await yard.ask('POST', '/api/findings', { as, body: { id, tag, machine: MACHINE } })
    ).json()) as FindingRecord;
  const add = (id: string, entry: object, as: 'technician' | 'apprentice' | 'lead' | 'counter' = 'technician') =>
    yard.ask('POST', `/api/findings/${id}/entries`, { as, body: entry });
  const confirm = (id: string, causes: readonly string[], as: 'technician' | 'apprentice' = 'technician') =>
    yard.ask('POST', `/api/findings/${id}/causes`, { as, body: { causes } });
  const held = async (tag: string) => {
    await yard.addUnit(tag);
    await yard.checkIn(
      foundCheckIn(tag, 'generator', '101.0', {}, { complaintIds: ['will-not-fire'], ended: 'ended-dead' }),
    );
  };
  const unit = async (tag: string) =>
    (await (await yard.ask('GET', `/api/units/${tag}`, { as: 'lead' })).json()) as UnitPage;
  const history = async (tag: string) =>
    (
      (await (await yard.ask('GET', `/api/units/${tag}/history`, { as: 'lead' })).json()) as {
        records: HistoryRecord[];
      }
    ).records;

  test('begins with what the check-in showed, of the person who looked, and with what is known of the unit', async () => {
    await held('GE-01');
    const finding = await open('GE-01', 'lead');
    const starting = finding.entries.find((entry) => entry.observation === 'starting');
    assert.deepEqual([starting?.outcomes, starting?.by], [['will-not-fire'], 'The technician']);
    assert.equal(finding.machine.classId, 'generator');
    assert.equal(finding.machine.past.hoursSinceService, 1);
    assert.ok(finding.jobId);
  });

  test('is gone on with by another person; entries are kept in order, and in the history', async () => {
    await held('GE-02');
    const mine = await open('GE-02');
    await add(mine.id, seen('spark-set-gap', 'jumps'));
    const theirs = await open('GE-02', 'apprentice');
    assert.equal(theirs.id, mine.id);
    await add(
      theirs.id,
      seen('compression', 'strong', { reading: { value: 118, unit: 'psi', method: 'pull' } }),
      'apprentice',
    );
    await add(theirs.id, { id: randomUUID(), kind: 'taken-back', observation: 'spark-set-gap' }, 'apprentice');
    const now = (await (await yard.ask('GET', '/api/units/GE-02/finding', { as: 'counter' })).json()) as {
      finding: FindingRecord;
    };
    assert.deepEqual(
      now.finding.entries.slice(-3).map((entry) => [entry.kind, entry.observation, entry.by]),
      [
        ['seen', 'spark-set-gap', 'The technician'],
        ['seen', 'compression', 'The apprentice'],
        ['taken-back', 'spark-set-gap', 'The apprentice'],
      ],
    );
    assert.deepEqual(
      (await history('GE-02')).slice(0, 4).map((record) => record.kind),
      ['finding-taken-back', 'finding-seen', 'finding-seen', 'finding-opened'],
    );
  });

  test('an entry sent twice is one; two people beginning at once share one finding', async () => {
    await held('GE-03');
    const [a, b] = await Promise.all([open('GE-03', 'technician'), open('GE-03', 'lead')]);
    assert.equal(a.id, b.id);
    const entry = seen('fuel-look', 'fresh');
    assert.deepEqual([(await add(a.id, entry)).status, (await add(a.id, entry)).status], [201, 201]);
    assert.equal((await open('GE-03')).entries.filter((one) => one.id === entry.id).length, 1);
  });

  test('what is not in the vocabulary is refused, and the counter only looks', async () => {
    const { id } = await open(null);
    for (const entry of [
      seen('fuel-lok', 'fresh'),
      seen('fuel-look', 'fresch'),
      { id: randomUUID(), kind: 'seen', observation: 'fuel-look', outcomes: [] },
      { id: randomUUID(), kind: 'repaired', fault: 'nobody' },
    ])
      assert.equal((await add(id, entry)).status, 422);
    assert.equal((await add(id, seen('fuel-look', 'fresh'), 'counter')).status, 403);
    assert.equal((await problemIn(await add(randomUUID(), seen('fuel-look', 'fresh')))).code, 'not-found');
  });

  test('confirmed causes close it onto its job, which still holds the unit; an apprentice does not confirm', async () => {
    await held('GE-04');
    const { id, jobId } = await open('GE-04');
    assert.equal((await confirm(id, ['flywheel-key-sheared'], 'apprentice')).status, 403);
    const closed = (await (await confirm(id, ['flywheel-key-sheared', 'plug-fouled'])).json()) as FindingRecord;
    assert.deepEqual([closed.causes, closed.jobId], [['flywheel-key-sheared', 'plug-fouled'], jobId]);
    const page = await unit('GE-04');
    assert.equal(page.unit.verdict.readiness, 'held');
    assert.match(page.jobs[0]?.title ?? '', /^New key, taper clean, nut to its torque; New plug/);
    assert.equal((await problemIn(await add(id, seen('fuel-look', 'fresh')))).code, 'finding-closed');
    assert.equal((await problemIn(await confirm(id, ['coil-failed']))).code, 'finding-closed');
    assert.notEqual((await open('GE-04')).id, id);
  });

  test('without a job to find the fault, confirming raises one that holds', async () => {
    await yard.addUnit('GE-05');
    const { id } = await open('GE-05');
    await confirm(id, ['coil-failed']);
    const page = await unit('GE-05');
    assert.deepEqual([page.unit.verdict.readiness, page.jobs[0]?.blocks], ['held', 'hold']);
  });

  test('the yard learns from a proven job, never before; and can go back', async () => {
    const learned = async () =>
      (await (await yard.ask('GET', '/api/learned', { as: 'technician' })).json()) as LearnedReply;
    await held('GE-06');
    const before = await learned();
    const { id } = await open('GE-06');
    await confirm(id, ['main-jet-blocked']);
    assert.deepEqual(await learned(), before);
    const job = (await unit('GE-06')).jobs[0];
    assert.equal(
      (await problemIn(await yard.ask('POST', `/api/jobs/${job?.id}/done`, { as: 'technician', body: { note: '' } })))
        .code,
      'not-proven',
    );
    assert.deepEqual(await learned(), before);
    assert.equal((await prove(yard, job?.id ?? '', 'generator')).status, 201);
    const after = await learned();
    assert.ok(after.version > before.version);
    assert.deepEqual(after.lessons, [
      { classId: 'generator', family: 'coil-4-petrol', cases: 1, counts: { 'main-jet-blocked': 1 } },
    ]);
    assert.equal((await yard.ask('POST', '/api/learned/reset', { as: 'technician', body: {} })).status, 403);
    yard.later(1);
    assert.deepEqual(
      ((await (await yard.ask('POST', '/api/learned/reset', { as: 'lead', body: {} })).json()) as LearnedReply).lessons,
      [],
    );
  });

  test('entries are append-only in the database itself', async () => {
    const { id } = await open(null);
    await add(id, seen('fuel-look', 'stale'));
    await assert.rejects(yard.db.deleteFrom('finding_entry').where('finding_id', '=', id).execute(), /append-only/);
  });
});
