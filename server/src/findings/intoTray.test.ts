import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import type { CardReply, LogRecord, UnitPage } from '@hudrik/core/contracts';
import { cardOf, type Facts } from '@hudrik/core/log';
import { foundCheckIn, handOut } from '../testing/samples';
import { problemIn, useYard } from '../testing/yard';

describe('what a finding’s step takes off', () => {
  const yard = useYard();
  const open = async (tag: string | null): Promise<string> => {
    const id = randomUUID();
    const on = { id, ...(tag === null ? {} : { tag }) };
    assert.equal((await yard.enter(on, 'finding-opened', { machine: { engine: {}, past: {} } })).status, 201);
    return id;
  };
  const see = (findingId: string, observation: Facts<'seen'>['observation'], outcome: string) =>
    yard.enter({ findingId }, 'seen', { observation, outcomes: [outcome], reading: null });
  const page = (tag: string) => yard.read<UnitPage>(`/api/units/${tag}`);
  const card = async (tag: string): Promise<CardReply> => {
    const [job] = (await page(tag)).jobs;
    return yard.read<CardReply>(`/api/jobs/${job?.id}/card`);
  };
  const tray = async (tag: string) =>
    cardOf((await card(tag)).entries).ledger.things.map(({ what, state, system, tray: dish, place }) => [
      what,
      state,
      system,
      `${dish}${place}`,
    ]);
  const kinds = async (tag: string) =>
    (await yard.read<{ records: LogRecord[] }>(`/api/units/${tag}/history`)).records.map((record) => record.kind);

  test('lies in the tray of a visit that is begun for it; the unit is on the bench until it is back and proved', async () => {
    await yard.addUnit('GE-01');
    const finding = await open('GE-01');
    assert.equal((await see(finding, 'fuel-look', 'fresh')).status, 201);
    assert.deepEqual((await page('GE-01')).jobs, []);
    assert.equal((await see(finding, 'kill-wire-off', 'no-change')).status, 201);
    assert.deepEqual(await tray('GE-01'), [
      ['Blower housing with the starter', 'off', 'guard', 'A1'],
      ['Kill wire', 'off', 'electric', 'A2'],
    ]);
    const { unit, jobs } = await page('GE-01');
    assert.deepEqual([unit.verdict.readiness, jobs.map((job) => job.title)], ['held', ['Find the fault']]);
    assert.equal((await card('GE-01')).visit.state, 'open');
    assert.deepEqual((await kinds('GE-01')).slice(0, 5), [
      'taken-off',
      'taken-off',
      'job-started',
      'job-raised',
      'seen',
    ]);
  });

  test('is off once, by whatever name a teardown has it; what is back comes off again', async () => {
    await yard.addUnit('GE-02');
    await yard.enter({ tag: 'GE-02' }, 'job-raised', { kind: 'repair', title: 'Look', minutes: 9, blocks: 'hold' });
    const jobId = (await page('GE-02')).jobs[0]?.id ?? '';
    const thingId = randomUUID();
    const plug = { thingId, what: 'Plug', key: 'plug-lead', tray: 'B', place: 3, fasteners: [], orientation: '' };
    const off = { ...plug, linkHole: '', stack: [], quarterTurns: null };
    assert.equal((await yard.enter({ jobId }, 'taken-off', off)).status, 201);
    const finding = await open('GE-02');
    assert.equal((await see(finding, 'plug-look', 'dry-clean')).status, 201);
    const at = async () => (await tray('GE-02')).map(([what, state]) => [what, state]);
    assert.deepEqual(await at(), [['Plug', 'off']]);
    await yard.enter({ jobId }, 'put-back', { thingId });
    assert.deepEqual(await at(), [['Plug', 'back']]);
    assert.equal((await see(finding, 'plug-look', 'wet-fuel')).status, 201);
    assert.deepEqual(await at(), [['Plug', 'off']]);
    // All of what a look needs: the housing came off besides.
    assert.equal((await see(finding, 'air-gap', 'in-spec')).status, 201);
    assert.deepEqual(await at(), [
      ['Plug', 'off'],
      ['Blower housing with the starter', 'off'],
    ]);
    assert.equal((await page('GE-02')).jobs.length, 1);
  });

  test('of a unit that is out, or of an engine that is no unit’s, it lies nowhere', async () => {
    await yard.addUnit('GE-03');
    await yard.book({
      reference: 'B-1',
      classId: 'generator',
      tag: 'GE-03',
      fromAt: '2030-03-04T09:00:00Z',
      toAt: '2030-03-05T09:00:00Z',
    });
    const out = handOut('generator', '100.0', { hire: 'B-1' });
    assert.equal((await yard.enter({ tag: 'GE-03' }, 'check-out', out, 'counter')).status, 201);
    assert.equal((await see(await open('GE-03'), 'kill-wire-off', 'no-change')).status, 201);
    assert.deepEqual((await page('GE-03')).jobs, []);
    assert.equal((await see(await open(null), 'kill-wire-off', 'no-change')).status, 201);
  });

  test('a repair that did not help leaves off what had to come off for it', async () => {
    await yard.addUnit('GE-04');
    const finding = await open('GE-04');
    assert.equal((await yard.enter({ findingId: finding }, 'repaired', { fault: 'main-jet-blocked' })).status, 201);
    assert.deepEqual(
      (await tray('GE-04')).map(([what]) => what),
      ['Bowl'],
    );
  });

  test('in the middle of a proof it is off all the same, and nothing is signed before it is back', async () => {
    await yard.addUnit('GE-05');
    await yard.enter({ tag: 'GE-05' }, 'job-raised', { kind: 'repair', title: 'Look', minutes: 9, blocks: 'hold' });
    const jobId = (await page('GE-05')).jobs[0]?.id ?? '';
    for (const kind of ['job-started', 'to-proof'] as const)
      assert.equal((await yard.enter({ jobId }, kind, {})).status, 201);
    assert.equal((await see(await open('GE-05'), 'plug-gap', 'in-spec')).status, 201);
    const refused = await problemIn(await yard.enter({ jobId }, 'proved', { passed: true, note: '', looks: [] }));
    assert.equal(refused.code, 'card-refused');
    assert.equal((refused.facts?.['why'] as { code?: string } | undefined)?.code, 'things-off');
  });

  test('of a unit that is laid up too: it does not wake up fit', async () => {
    await yard.addUnit('GE-06');
    const stands = await yard.enter({ tag: 'GE-06' }, 'laid-up', { method: 'as-it-is', note: '' });
    assert.equal(stands.status, 201);
    assert.equal((await see(await open('GE-06'), 'bowl-look', 'clean')).status, 201);
    assert.equal((await page('GE-06')).unit.verdict.readiness, 'laid-up');
    const wakes = await yard.enter({ tag: 'GE-06' }, 'woken', { pulls: 1, wantsFuelRepair: false, needed: '' });
    assert.equal(wakes.status, 201);
    assert.equal((await page('GE-06')).unit.verdict.readiness, 'held');
  });

  test('lies there for the job that is there to find the fault, whatever else is on the bench', async () => {
    await yard.addUnit('GE-07');
    await yard.enter({ tag: 'GE-07' }, 'job-raised', { kind: 'prep', title: 'Wash', minutes: 9, blocks: 'prep' });
    await yard.checkIn(foundCheckIn('GE-07', 'generator', '101.0', { volts: 'low' }));
    const { jobs } = await page('GE-07');
    const [wash, find] = ['Wash', 'Find the fault'].map((title) => jobs.find((job) => job.title === title)?.id);
    await yard.enter({ jobId: wash ?? '' }, 'job-started', {});
    assert.equal((await see(await open('GE-07'), 'plug-gap', 'in-spec')).status, 201);
    const { entries } = await yard.read<CardReply>(`/api/jobs/${find}/card`);
    assert.deepEqual(
      cardOf(entries).ledger.things.map((thing) => thing.jobId),
      [find],
    );
  });
});
