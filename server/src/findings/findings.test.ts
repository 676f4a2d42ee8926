import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import { EDITIONS, type FaultId } from '@hudrik/core/catalogue';
import type { CardReply, FindingRecord, LearnedReply, LogRecord, Role, UnitPage } from '@hudrik/core/contracts';
import { observationsOf, type Facts } from '@hudrik/core/log';
import { writingAny } from '../log/changeUnit';
import { foundCheckIn } from '../testing/samples';
import { prove } from '../testing/proving';
import { entryIn, problemIn, useYard, jsonOf } from '../testing/yard';

const MACHINE = { engine: {}, past: {} };
const seen = (observation: Facts<'seen'>['observation'], outcome: string, reading: object | null = null) => ({
  observation,
  outcomes: [outcome],
  reading: reading as Facts<'seen'>['reading'],
});

describe('a finding', () => {
  const yard = useYard();
  const read = (id: string) => yard.read<FindingRecord>(`/api/findings/${id}`);
  /** Begins one, by an id made on the device. Out: the finding that is gone on with. */
  const open = async (tag: string | null, as: Role = 'technician', id: string = randomUUID()) => {
    const entry = await entryIn(
      await yard.enter({ id, ...(tag === null ? {} : { tag }) }, 'finding-opened', { machine: MACHINE }, as),
    );
    return read(String(entry.outcome['findingId']));
  };
  const add = (findingId: string, facts: Facts<'seen'>, as: Role = 'technician', id: string = randomUUID()) =>
    yard.enter({ findingId, id }, 'seen', facts, as);
  const confirm = (findingId: string, causes: readonly FaultId[], as: Role = 'technician') =>
    yard.enter({ findingId }, 'causes-confirmed', { causes: [...causes], note: '' }, as);
  const held = async (tag: string) => {
    await yard.addUnit(tag);
    await yard.checkIn(
      foundCheckIn(tag, 'generator', '101.0', {}, { complaintIds: ['will-not-fire'], ended: 'ended-dead' }),
    );
  };
  const unit = async (tag: string) => await yard.read<UnitPage>(`/api/units/${tag}`, 'lead');
  const history = async (tag: string) =>
    (
      await yard.read<{
        records: LogRecord[];
      }>(`/api/units/${tag}/history`, 'lead')
    ).records;

  test('begins with what the check-in showed, of the person who looked, and with what is known of the unit', async () => {
    await held('GE-01');
    const finding = await open('GE-01', 'lead');
    const starting = finding.entries.find((entry) => entry.facts['observation'] === 'starting');
    assert.deepEqual([starting?.facts['outcomes'], starting?.by], [['will-not-fire'], 'The technician']);
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
    await add(theirs.id, seen('compression', 'strong', { value: 118, unit: 'psi', method: 'pull' }), 'apprentice');
    await yard.enter({ findingId: theirs.id }, 'taken-back', { observation: 'spark-set-gap' }, 'apprentice');
    const now = await yard.read<{
      finding: FindingRecord;
    }>('/api/units/GE-02/finding', 'counter');
    assert.deepEqual(
      now.finding.entries.slice(-4).map((entry) => [entry.kind, entry.facts['observation'], entry.by]),
      [
        ['seen', 'spark-set-gap', 'The technician'],
        ['finding-opened', undefined, 'The apprentice'],
        ['seen', 'compression', 'The apprentice'],
        ['taken-back', 'spark-set-gap', 'The apprentice'],
      ],
    );
    assert.deepEqual(
      (await history('GE-02')).slice(0, 6).map((record) => record.kind),
      // The plug that came off for the second look lies in the tray.
      ['taken-back', 'taken-off', 'job-started', 'seen', 'finding-opened', 'seen'],
    );
  });

  test('an entry sent twice is one; two people beginning at once share one finding', async () => {
    await held('GE-03');
    const [a, b] = await Promise.all([open('GE-03', 'technician'), open('GE-03', 'lead')]);
    assert.equal(a.id, b.id);
    const id = randomUUID();
    const sent = () => add(a.id, seen('fuel-look', 'fresh'), 'technician', id);
    assert.deepEqual([(await sent()).status, (await sent()).status], [201, 201]);
    assert.equal((await open('GE-03')).entries.filter((one) => one.id === id).length, 1);
  });

  test('how long it stood: between its last two hires, or since its last; and how old it is on the yard', async () => {
    const past = async (tag: string) => {
      const id = randomUUID();
      await yard.enter({ tag, id }, 'finding-opened', { machine: { engine: {}, past: {} } });
      const { machine } = await read(id);
      return [machine.past.daysStood, machine.past.ageYears, machine.past.hoursSinceService];
    };
    const DAY = 86_400_000;
    const ago = (days: number) => new Date(yard.now.getTime() - days * DAY);
    const hired = async (tag: string, spans: readonly (readonly [outDays: number, backDays: number])[]) => {
      const unitId = await yard.addUnit(tag, 'generator', 100);
      for (const [n, [out, back]] of spans.entries())
        await yard.db
          .insertInto('hire')
          .values({
            reference: `${tag}-${n}`,
            class_id: 'generator',
            unit_id: unitId,
            from_at: ago(out),
            to_at: ago(back),
            state: 'ended',
            out_at: ago(out),
            back_at: ago(back),
            ended_at: ago(back),
          })
          .execute();
    };
    await hired('GE-71', []);
    await hired('GE-72', [[60, 58]]);
    // Back for a week: what it stood before that hire is what counts.
    await hired('GE-73', [
      [100, 90],
      [10, 7],
    ]);
    // Back for exactly a fortnight: what it has stood since.
    await hired('GE-74', [
      [100, 90],
      [20, 14],
    ]);
    assert.deepEqual(await past('GE-71'), [0, 0, 0]);
    assert.deepEqual(await past('GE-72'), [58, 0, 0]);
    assert.deepEqual(await past('GE-73'), [80, 0, 0]);
    assert.deepEqual(await past('GE-74'), [14, 0, 0]);
  });

  test('a finding that is none, and one of another name', async () => {
    for (const id of ['one', randomUUID()])
      assert.equal((await yard.ask('GET', `/api/findings/${id}`, { as: 'technician' })).status, 404);
  });

  test('what is not in the vocabulary is refused, and the counter only looks', async () => {
    const { id } = await open(null);
    for (const [kind, facts] of [
      ['seen', { ...seen('fuel-look', 'fresh'), observation: 'fuel-lok' }],
      ['seen', seen('fuel-look', 'fresch')],
      ['seen', { ...seen('fuel-look', 'fresh'), outcomes: [] }],
      ['repaired', { fault: 'nobody' }],
    ]) {
      const body = { id: randomUUID(), kind, findingId: id, facts };
      assert.equal((await yard.ask('POST', '/api/log', { as: 'technician', body })).status, 422);
    }
    assert.equal((await add(id, seen('fuel-look', 'fresh'), 'counter')).status, 403);
    assert.equal((await problemIn(await add(randomUUID(), seen('fuel-look', 'fresh')))).code, 'not-found');
  });

  test('known to be so without a look: by who signs, with how; kept in the order of entry, and said no more', async () => {
    await held('GE-31');
    const { id } = await open('GE-31');
    const say = (so: boolean, as: Role = 'technician') =>
      yard.enter({ findingId: id }, 'said-so', { fault: 'coil-failed', so, why: 'Tried on another engine' }, as);
    assert.equal((await say(true, 'apprentice')).status, 403);
    assert.equal((await say(true)).status, 201);
    assert.deepEqual(observationsOf((await read(id)).entries).chapters.at(-1)?.said, ['coil-failed']);
    assert.equal((await say(false)).status, 201);
    assert.equal(observationsOf((await read(id)).entries).chapters.at(-1)?.said, undefined);
    const body = {
      id: randomUUID(),
      kind: 'said-so',
      findingId: id,
      facts: { fault: 'coil-failed', so: true, why: '' },
    };
    assert.equal((await yard.ask('POST', '/api/log', { as: 'technician', body })).status, 422);
  });

  test('more than three causes of a machine that stood: each is a defect, and none goes', async () => {
    await held('GE-32');
    const { id } = await open('GE-32');
    const causes = ['stale-fuel', 'carb-varnished', 'pilot-jet-blocked', 'plug-gap-wide'] as const;
    assert.equal((await confirm(id, causes)).status, 201);
    assert.deepEqual((await read(id)).causes, causes);
    const wrong = (await unit('GE-32')).defects.filter((defect) => defect.origin.kind === 'cause');
    assert.deepEqual(wrong.map((defect) => defect.origin.id).sort(), [...causes].sort());
  });

  test('confirmed causes close it onto its job, which still holds the unit; an apprentice does not confirm', async () => {
    await held('GE-04');
    const { id, jobId } = await open('GE-04');
    assert.equal((await confirm(id, ['flywheel-key-sheared'], 'apprentice')).status, 403);
    assert.equal((await confirm(id, ['flywheel-key-sheared', 'plug-fouled'])).status, 201);
    const closed = await read(id);
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
    const learned = async () => await yard.read<LearnedReply>('/api/learned', 'technician');
    await held('GE-06');
    const before = await learned();
    const { id } = await open('GE-06');
    await confirm(id, ['main-jet-blocked']);
    assert.deepEqual(await learned(), before);
    const job = (await unit('GE-06')).jobs[0];
    assert.equal(
      (await problemIn(await yard.enter({ jobId: job?.id ?? '' }, 'job-finished', { note: '' }))).code,
      'not-proven',
    );
    assert.deepEqual(await learned(), before);
    assert.equal((await prove(yard, job?.id ?? '')).status, 201);
    const after = await learned();
    assert.ok(after.version > before.version);
    assert.deepEqual(after.lessons, [
      {
        classId: 'generator',
        family: 'coil-4-petrol',
        cases: 1,
        counts: { 'main-jet-blocked': 1 },
        apart: {},
        brought: {},
        cameBack: {},
      },
    ]);
    // What was looked at in its finding teaches what it brings about; the same trouble soon after says that it came back.
    const last = await yard.db.selectFrom('proven_cause').selectAll().executeTakeFirstOrThrow();
    await yard.db
      .updateTable('proven_cause')
      .set({ faults: ['dirt-in-tank'] })
      .execute();
    assert.deepEqual((await learned()).lessons[0]?.brought, {});
    const inFinding = (kind: string, facts: object) =>
      yard.db.transaction().execute((trx) =>
        writingAny(trx, () =>
          trx
            .insertInto('log_entry')
            .values({
              id: randomUUID(),
              unit_id: null,
              finding_id: last.finding_id,
              at: yard.now,
              kind,
              facts: JSON.stringify(facts),
            } as never)
            .execute(),
        ),
      );
    // What nobody could tell was not looked at.
    await inFinding('could-not-tell', { observation: 'fuel-filter' });
    await inFinding('seen', seen('inlet-screen', 'clear'));
    assert.deepEqual((await learned()).lessons[0]?.brought, {
      'dirt-in-tank': { 'inlet-screen-blocked': { looked: 1, found: 0 } },
    });
    const again = async (days: number) => {
      const id = randomUUID();
      await yard.enter({ id }, 'finding-opened', { machine: MACHINE });
      const theirs = yard.db.selectFrom('finding').select('unit_id').where('id', '=', last.finding_id);
      const { unit_id: unitId } = await theirs.executeTakeFirstOrThrow();
      const done = { unit_id: unitId, closed_at: last.at, causes: ['dirt-in-tank'] };
      await yard.db
        .transaction()
        .execute((trx) => writingAny(trx, () => trx.updateTable('finding').set(done).where('id', '=', id).execute()));
      const { id: _, ...row } = last;
      const at = new Date(last.at.getTime() + days * 86_400_000);
      await yard.db
        .insertInto('proven_cause')
        .values({ ...row, at, faults: ['dirt-in-tank'], finding_id: id })
        .execute();
    };
    await again(45);
    assert.deepEqual((await learned()).lessons[0]?.cameBack, {});
    await again(60);
    assert.deepEqual((await learned()).lessons[0]?.cameBack, { 'dirt-in-tank': 1 });
    assert.equal((await learned()).lessons[0]?.cases, 2.5);
    await yard.db.deleteFrom('proven_cause').where('id', '<>', last.id).execute();
    // What was taught while fuel low and the tap shut were one fault is shared between them.
    await yard.db
      .updateTable('proven_cause')
      .set({ faults: ['fuel-low-or-off'] })
      .execute();
    const [shared] = (await learned()).lessons;
    assert.deepEqual(Object.keys(shared?.counts ?? {}), ['fuel-low', 'tap-off']);
    assert.ok(Math.abs((shared?.counts['fuel-low'] ?? 0) - 12 / 22) < 1e-12);
    assert.equal((await yard.ask('POST', '/api/learned/reset', { as: 'technician', body: {} })).status, 403);
    yard.later(1);
    assert.deepEqual(
      (await jsonOf<LearnedReply>(await yard.ask('POST', '/api/learned/reset', { as: 'lead', body: {} }))).lessons,
      [],
    );
  });

  test('what was taken back counts nowhere: not in the card’s complaint, nor in the reckoning', async () => {
    await held('GE-07');
    const { id, jobId } = await open('GE-07');
    await add(id, seen('runs-for', '10-to-30-min'));
    await add(id, seen('compression', 'strong'));
    const card = () => yard.read<CardReply>(`/api/jobs/${jobId}/card`);
    assert.equal((await card()).complaint.afterMinutes, 30);
    assert.ok((await card()).seen.includes('compression'));
    await yard.enter({ findingId: id }, 'taken-back', { observation: 'runs-for' });
    await yard.enter({ findingId: id }, 'taken-back', { observation: 'compression' });
    assert.equal((await card()).complaint.afterMinutes, null);
    assert.ok(!(await card()).seen.includes('compression'));
  });

  test('one that was begun on a device while another was open leads to the other', async () => {
    await held('GE-08');
    const theirs = await open('GE-08', 'lead');
    const own = randomUUID();
    await open('GE-08', 'technician', own);
    assert.equal((await add(own, seen('fuel-look', 'fresh'))).status, 201);
    assert.deepEqual(
      [(await read(own)).id, (await read(own)).entries.at(-1)?.facts['observation']],
      [theirs.id, 'fuel-look'],
    );
  });

  test('it says by which edition it was begun', async () => {
    const { edition } = await open(null);
    assert.equal(edition, EDITIONS.knowledge);
  });

  test('entries are append-only in the database itself', async () => {
    const { id } = await open(null);
    await add(id, seen('fuel-look', 'stale'));
    await assert.rejects(yard.db.deleteFrom('log_entry').where('finding_id', '=', id).execute(), /append-only/);
  });
});
