import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import type { ClassId, FaultId } from '@hudrik/core/catalogue';
import type { Defect, LogRecord, Opening, UnitPage } from '@hudrik/core/contracts';
import type { Facts } from '@hudrik/core/log';
import { cardIn, onCard, prove, signOff } from '../testing/proving';
import { foundCheckIn, thingOff, wellCheckIn } from '../testing/samples';
import { entryIn, problemIn, useYard } from '../testing/yard';

describe('what a signature closes', () => {
  const yard = useYard();
  const page = (tag: string): Promise<UnitPage> => yard.read<UnitPage>(`/api/units/${tag}`);
  const verdict = async (tag: string) => (await page(tag)).unit.verdict;
  const opened = async (tag: string): Promise<readonly Defect[]> => (await page(tag)).defects;
  const jobOf = async (tag: string, work: string) => (await page(tag)).jobs.find((job) => job.work === work)?.id ?? '';
  const rowOf = (id: string) => yard.db.selectFrom('defect').selectAll().where('id', '=', id).executeTakeFirstOrThrow();
  const closedOf = async (tag: string): Promise<Record<string, string>> =>
    Object.fromEntries(
      (
        await yard.db
          .selectFrom('defect as d')
          .innerJoin('unit as u', 'u.id', 'd.unit_id')
          .select(['d.origin_id', 'd.closed_how'])
          .where('u.tag', '=', tag)
          .where('d.closed_at', 'is not', null)
          .where('d.origin_kind', '<>', 'unit')
          .execute()
      ).map((row) => [row.origin_id, row.closed_how ?? '']),
    );

  /** A unit of which something was told, with the causes that were confirmed for it. */
  const told = async (tag: string, complaint: string, causes: readonly FaultId[], classId: ClassId = 'generator') => {
    await yard.addUnit(tag, classId);
    await yard.checkIn(wellCheckIn(tag, classId, '101.0', { complaintIds: [complaint] }));
    if (causes.length > 0) await confirm(tag, causes);
    return (await page(tag)).jobs.find((job) => job.kind === 'repair')?.id ?? '';
  };
  const confirm = async (tag: string, causes: readonly FaultId[]): Promise<void> => {
    const findingId = randomUUID();
    await yard.enter({ tag, id: findingId }, 'finding-opened', { machine: { engine: {}, past: {} } });
    assert.equal((await yard.enter({ findingId }, 'causes-confirmed', { causes: [...causes], note: '' })).status, 201);
  };
  const idIn = (defects: readonly Defect[], kind: string, id?: string): string =>
    defects.find((defect) => defect.origin.kind === kind && (id === undefined || defect.origin.id === id))?.id ?? '';

  test('what was told closes with the cause that explains it', async () => {
    const jobId = await told('GE-01', 'will-not-fire', ['main-jet-blocked', 'plug-fouled']);
    const [first] = (await opened('GE-01')).filter((defect) => defect.origin.kind === 'told');
    assert.ok((first?.causes.length ?? 0) > 0);
    assert.equal((await prove(yard, jobId)).status, 201);
    assert.deepEqual(await opened('GE-01'), []);
    assert.equal((await closedOf('GE-01'))['will-not-fire'], 'put-right');
  });

  test('while one of its causes is left open, what was told stays too, and the unit is held', async () => {
    const jobId = await told('GE-02', 'will-not-fire', ['plug-fouled', 'coil-failed']);
    const before = await opened('GE-02');
    const [toldId, coil] = [idIn(before, 'told'), idIn(before, 'cause', 'coil-failed')];
    assert.deepEqual([...(before.find((one) => one.id === toldId)?.causes ?? [])].sort(), [
      'coil-failed',
      'plug-fouled',
    ]);
    const entry = await entryIn(
      await prove(yard, jobId, {
        sign: (looks) => ({ looks: looks.filter((id) => id !== coil), leftOpen: [coil] }),
      }),
    );
    assert.equal(entry.kind, 'proved');
    assert.deepEqual((await opened('GE-02')).map((defect) => [defect.origin.kind, defect.jobId]).sort(), [
      ['cause', null],
      ['told', null],
    ]);
    assert.equal((await verdict('GE-02')).readiness, 'held');
    assert.equal((await closedOf('GE-02'))['plug-fouled'], 'put-right');
  });

  test('told, without a cause: a proof says that it was not found, else it stays; each return asks until it is answered', async () => {
    const jobId = await told('GE-03', 'hunts', []);
    const toldId = idIn(await opened('GE-03'), 'told');
    assert.equal((await prove(yard, jobId, { sign: () => ({ looks: [] }) })).status, 201);
    // Nobody said that it was not found.
    assert.deepEqual(
      (await opened('GE-03')).map((defect) => [defect.id, defect.jobId]),
      [[toldId, null]],
    );
    const again = await told('GE-04', 'hunts', []);
    const other = idIn(await opened('GE-04'), 'told');
    assert.equal((await prove(yard, again, { sign: () => ({ looks: [], notFound: [other] }) })).status, 201);
    assert.equal((await verdict('GE-04')).readiness, 'fit');
    assert.equal((await rowOf(other)).closed_how, 'not-found');
    const asked = async () => (await yard.read<Opening>('/api/units/GE-04/opening')).asksAgain.map((one) => one.id);
    assert.deepEqual(await asked(), [other]);
    const back = async (showed: boolean) => {
      const { basedOn } = await yard.read<Opening>('/api/units/GE-04/opening');
      yard.later(1);
      return yard.checkIn(
        wellCheckIn('GE-04', 'generator', '101.0', { basedOn, again: [{ defectId: other, showed }] }),
      );
    };
    assert.equal((await back(false)).status, 201);
    assert.deepEqual(await asked(), []);
    assert.equal((await verdict('GE-04')).readiness, 'fit');
    assert.equal((await back(true)).status, 201);
    assert.deepEqual(
      (await opened('GE-04')).map((defect) => [defect.origin.id, defect.weight]),
      [['hunts', 'hold']],
    );
  });

  test('a cause cannot be said not to be found: it is signed, or left open', async () => {
    const jobId = await told('GE-05', 'will-not-fire', ['coil-failed']);
    const coil = idIn(await opened('GE-05'), 'cause');
    const refused = await problemIn(await prove(yard, jobId, { sign: () => ({ looks: [], notFound: [coil] }) }));
    assert.equal(refused.code, 'not-looked-at');
    assert.ok(JSON.stringify(refused.facts).includes(coil));
  });

  test('work that asks no proof is signed with a look, and with it its cause and what was told', async () => {
    const jobId = await told('SN-01', 'short-throw', ['scraper-worn'], 'snowblower');
    assert.notEqual(jobId, '');
    assert.deepEqual((await cardIn(yard, jobId)).needs, []);
    const entry = await entryIn(await signOff(yard, jobId));
    assert.equal(entry.kind, 'job-finished');
    assert.equal((await closedOf('SN-01'))['scraper-worn'], 'put-right');
  });

  test('found by a number, closed by a number inside the limit: taken in the run', async () => {
    const found = async (tag: string) => {
      await yard.addUnit(tag, 'welder');
      const { facts } = wellCheckIn(tag, 'welder', '101.0');
      const answers = facts.answers.map((answer) =>
        answer.check === 'open-circuit'
          ? { ...answer, result: 'not-ok' as const, exception: 'low', reading: { value: 20, unit: 'V' } }
          : answer,
      );
      await yard.checkIn(wellCheckIn(tag, 'welder', '101.0', { answers }));
      return idIn(await opened(tag), 'check', 'open-circuit');
    };
    const close = (tag: string, defectId: string, measured?: { value: number; unit: string }) =>
      yard.enter({ tag }, 'defect-closed', {
        defectId,
        how: 'put-right',
        why: 'New brushes',
        ...(measured ? { measured } : {}),
      });
    const id = await found('WE-01');
    assert.notEqual(id, '');
    // A look is no repair, whatever it measures.
    assert.equal((await problemIn(await close('WE-01', id, { value: 65, unit: 'V' }))).code, 'needs-proof');
    const inRun = await found('WE-02');
    const jobId = (await page('WE-02')).jobs[0]?.id ?? '';
    assert.equal((await prove(yard, jobId)).status, 201);
    assert.equal((await rowOf(inRun)).closed_how, 'put-right');
  });

  test('a reading outside in the run is a defect until a later run is within; a mistyped one never was', async () => {
    const jobId = await told('GE-06', 'will-not-fire', ['plug-fouled']);
    await yard.enter({ jobId }, 'job-started', {});
    const enter = <K extends 'to-proof' | 'leak-look' | 'smoke' | 'proof-load' | 'run-started' | 'run-stopped'>(
      kind: K,
      facts: Facts<K>,
    ) => onCard(yard, jobId, kind, facts);
    await enter('to-proof', {});
    await enter('leak-look', { dry: true, note: '' });
    // Before it runs nothing is a reading.
    await onCard(yard, jobId, 'proof-reading', { reading: 'volts-0', value: 12, unit: 'V', live: false });
    const early = (await opened('GE-06')).filter((defect) => defect.origin.kind === 'reading');
    await enter('run-started', {});
    const take = async (value: number, more: { insteadOf?: string } = {}) =>
      (
        await entryIn(
          await onCard(yard, jobId, 'proof-reading', { reading: 'volts-0', value, unit: 'V', live: false, ...more }),
        )
      ).id;
    const readings = async () => (await opened('GE-06')).filter((defect) => defect.origin.kind === 'reading');
    const wrong = await take(12);
    const [held] = await readings();
    assert.equal(early.length, 0);
    assert.deepEqual([held?.origin.id, held?.weight], ['volts-0', 'hold']);
    assert.match(held?.sentence ?? '', /too low in the run: 12 V/);
    // Another that is well does not take it back, nor does one that names no entry of this run.
    const well = await take(120);
    await take(120, { insteadOf: randomUUID() });
    await take(120, { insteadOf: well });
    assert.equal((await readings()).length, 1);
    await take(120, { insteadOf: wrong });
    assert.deepEqual(await readings(), []);
    assert.equal((await rowOf(held?.id ?? '')).closed_how, 'undone');
    // Found bad and stopped: it stays, whatever is said of it afterwards, until a later run is within.
    const bad = await take(10);
    await enter('run-stopped', { why: 'Surges' });
    await onCard(yard, jobId, 'proof-reading', {
      reading: 'volts-0',
      value: 120,
      unit: 'V',
      live: false,
      insteadOf: bad,
    });
    assert.equal((await readings()).length, 1);
    assert.equal((await prove(yard, jobId)).status, 201);
    assert.deepEqual(await opened('GE-06'), []);
  });

  test('over-full with the tap open: dry for its wait, or the float needle put right', async () => {
    const overFull = async (tag: string, isNew = true) => {
      if (isNew) await yard.addUnit(tag);
      await yard.checkIn(
        foundCheckIn(tag, 'generator', '101.0', { 'oil-level': 'over-full' }, { fuelTap: 'shut-now' }),
      );
      return idIn(await opened(tag), 'derived', 'over-full-with-tap-open');
    };
    // A wait that was dry before it was found shows nothing.
    await yard.addUnit('GE-07');
    await yard.enter({ tag: 'GE-07' }, 'job-raised', {
      kind: 'prep',
      title: 'Wipe it',
      minutes: 5,
      blocks: 'none',
    });
    const before = (await page('GE-07')).jobs[0]?.id ?? '';
    const early = randomUUID();
    await onCard(yard, before, 'clock-started', { clockId: early, clock: 'drip-test', minutes: 120, stepId: null });
    yard.later(2.1);
    await onCard(yard, before, 'clock-ended', { clockId: early, result: 'dry', note: '' });
    yard.later(0.1);
    const id = await overFull('GE-07', false);
    assert.notEqual(id, '');
    const jobId = await jobOf('GE-07', 'fuel-in-oil');
    const refused = await problemIn(await prove(yard, jobId));
    assert.deepEqual([refused.code, refused.facts?.['wants']], ['not-shown-yet', 'Drip test']);
    const wait = async (result: string, minutes: number, more: { shortWhy?: string } = {}) => {
      const clockId = randomUUID();
      await onCard(yard, jobId, 'clock-started', { clockId, clock: 'drip-test', minutes, stepId: null, ...more });
      yard.later(minutes / 60 + 0.1);
      return onCard(yard, jobId, 'clock-ended', { clockId, result, note: '' });
    };
    assert.equal((await wait('drips', 120)).status, 201);
    assert.equal((await opened('GE-07')).filter((defect) => defect.origin.kind === 'clock').length, 1);
    // One that was cut short shows nothing of what can hurt, nor takes back what did.
    assert.equal((await wait('dry', 60, { shortWhy: 'Hirer waits' })).status, 201);
    assert.equal((await opened('GE-07')).filter((defect) => defect.origin.kind === 'clock').length, 1);
    assert.equal((await problemIn(await prove(yard, jobId))).code, 'not-shown-yet');
    assert.equal((await wait('dry', 120)).status, 201);
    assert.deepEqual(
      (await opened('GE-07')).filter((defect) => defect.origin.kind === 'clock'),
      [],
    );
    assert.equal((await prove(yard, jobId)).status, 201);
    assert.equal((await rowOf(id)).closed_how, 'put-right');
    const other = await overFull('GE-08');
    await confirm('GE-08', ['plug-fouled']);
    await confirm('GE-08', ['needle-stuck-shut']);
    for (const { id: each } of (await page('GE-08')).jobs) await yard.enter({ jobId: each }, 'job-started', {});
    assert.equal((await prove(yard, await jobOf('GE-08', 'fuel-in-oil'))).status, 201);
    assert.equal((await rowOf(other)).closed_how, 'put-right');
  });

  test('a cause that was none puts nothing right', async () => {
    await yard.addUnit('GE-11');
    await yard.checkIn(
      foundCheckIn('GE-11', 'generator', '101.0', { 'oil-level': 'over-full' }, { fuelTap: 'shut-now' }),
    );
    const id = idIn(await opened('GE-11'), 'derived', 'over-full-with-tap-open');
    await confirm('GE-11', ['needle-stuck-shut']);
    const needle = idIn(await opened('GE-11'), 'cause', 'needle-stuck-shut');
    const close = (defectId: string, how: 'put-right' | 'was-all-right') =>
      yard.enter({ tag: 'GE-11' }, 'defect-closed', { defectId, how, why: 'It moves freely' });
    assert.equal((await close(needle, 'was-all-right')).status, 201);
    const jobId = await jobOf('GE-11', 'fuel-in-oil');
    assert.equal((await problemIn(await prove(yard, jobId))).code, 'not-shown-yet');
    assert.equal((await close(id, 'was-all-right')).status, 201);
  });

  test('a reading that was outside and belongs to no job any more is closed by a later run all the same', async () => {
    const jobId = await told('GE-12', 'will-not-fire', ['plug-fouled']);
    const cover = thingOff('Cover');
    await onCard(yard, jobId, 'taken-off', cover);
    await onCard(yard, jobId, 'put-back', { thingId: cover.thingId });
    await onCard(yard, jobId, 'to-proof', {});
    await onCard(yard, jobId, 'leak-look', { dry: true, note: '' });
    await onCard(yard, jobId, 'run-started', {});
    await onCard(yard, jobId, 'proof-reading', { reading: 'volts-0', value: 12, unit: 'V', live: false });
    await onCard(yard, jobId, 'run-stopped', { why: '' });
    assert.equal((await yard.enter({ jobId }, 'job-dropped', { why: 'Goes to the maker' })).status, 201);
    assert.notEqual(idIn(await opened('GE-12'), 'reading'), '');
    assert.equal((await prove(yard, jobId)).status, 201);
    assert.deepEqual((await opened('GE-12')).map((defect) => defect.origin.kind).sort(), ['cause', 'told']);
  });

  test('what it came to is written down with each job: put right, not found, still open', async () => {
    const jobId = await told('GE-10', 'will-not-fire', ['plug-fouled']);
    await prove(yard, jobId);
    const { records } = await yard.read<{ records: LogRecord[] }>('/api/units/GE-10/history');
    const finished = records.find((record) => record.kind === 'job-finished');
    assert.equal(Array.isArray(finished?.outcome['closed']), true);
    assert.deepEqual(finished?.outcome['leftOpen'], []);
  });
});
