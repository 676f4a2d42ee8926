import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import { SERVICE_PLANS } from '@hudrik/core/catalogue';
import type { ImportReport, ModelPlan, UnitPage, UnitService } from '@hudrik/core/contracts';
import { entryIn, jsonOf, problemIn, useYard } from '../testing/yard';

const yard = useYard();
const USUAL = { severity: 1, anchorMonth: null, items: [] };
let model = 0;
const change = (plan: object, more: object = {}, as: 'lead' | 'technician' = 'lead') =>
  yard.ask('PUT', `/api/models/${model}/service-plan`, { as, body: { plan, ...more } });
const tag = async (of: string) => {
  const { unit } = await yard.read<UnitPage>(`/api/units/${of}`);
  return [unit.oilServiceEvery, unit.hoursToOilService];
};
const oil = async () =>
  (await yard.read<UnitService>('/api/units/GE-01/service')).items.find(({ id }) => id === 'engine-oil');

describe('a model’s own service plan', () => {
  test('rules for its units at once, and for no other model’s', async () => {
    await yard.addUnit('GE-01', 'generator', 100);
    await yard.addUnit('GE-02', 'generator', 100);
    model = (await yard.db.selectFrom('unit').select('model_id').where('tag', '=', 'GE-01').executeTakeFirstOrThrow())
      .model_id;
    assert.equal((await oil())?.dueHours, 150);
    const made = await jsonOf<ModelPlan>(
      await change({
        ...USUAL,
        severity: 0.5,
        items: [
          { id: 'engine-oil', hours: 100 },
          { id: 'brushes', isOff: true },
        ],
      }),
    );
    assert.equal(made.version, 2);
    const mine = await yard.read<UnitService>('/api/units/GE-01/service');
    assert.equal((await oil())?.dueHours, 150);
    assert.equal(mine.planVersion, 2);
    assert.equal(mine.items.find(({ id }) => id === 'plug')?.dueHours, 150);
    assert.ok(!mine.items.some(({ id }) => id === 'brushes'));
    const other = await yard.read<UnitService>('/api/units/GE-02/service');
    assert.deepEqual([other.planVersion, other.items.find(({ id }) => id === 'plug')?.dueHours], [1, 200]);
  });

  test('a unit that works harder is due sooner by itself, its card too; the log says so, and only a lead may', async () => {
    const hard = async (severity: number, as: 'lead' | 'technician' = 'lead') => {
      const { unit } = await yard.read<UnitPage>('/api/units/GE-02');
      const headers = { 'If-Match': `"${unit.version}"` };
      return yard.ask('PATCH', '/api/units/GE-02', { as, body: { severity }, headers });
    };
    const plug = async () => {
      const { severity, items } = await yard.read<UnitService>('/api/units/GE-02/service');
      // Shortened is not the model's own.
      assert.ok(items.every(({ isOwn }) => !isOwn));
      return [severity, items.find(({ id }) => id === 'plug')?.dueHours];
    };
    assert.equal((await hard(0.5)).status, 200);
    assert.deepEqual(await plug(), [0.5, 150]);
    const { records } = await yard.read<{ records: { kind: string; facts: object }[] }>('/api/units/GE-02/history');
    assert.deepEqual([records[0]?.kind, records[0]?.facts], ['unit-changed', { severity: 0.5 }]);
    for (const severity of [0, 0.1, 1.5]) assert.equal((await problemIn(await hard(severity))).code, 'not-valid');
    assert.equal((await hard(0.7, 'technician')).status, 403);
    assert.deepEqual(await plug(), [0.5, 150]);
    // Its tag, and what a check-in and a check-out hang on, go by the same plan.
    assert.deepEqual(await tag('GE-02'), [25, 25]);
    await hard(1);
    assert.deepEqual(await plug(), [1, 200]);
    assert.deepEqual(await tag('GE-02'), [50, 50]);
  });

  test('what was done keeps the version that it was done by; each version is kept', async () => {
    await change({ ...USUAL, items: [{ id: 'engine-oil', hours: 80 }] }, { seenVersion: 2 });
    const rows = await yard.db
      .selectFrom('model_plan')
      .select('version')
      .where('model_id', '=', model)
      .orderBy('version')
      .execute();
    assert.deepEqual(
      rows.map(({ version }) => version),
      [2, 3],
    );
    assert.equal((await problemIn(await change(USUAL, { seenVersion: 2 }))).code, 'changed-meanwhile');
    // An item that a look ends.
    const plain = SERVICE_PLANS.generator.items.find(({ proof }) => proof.length === 0)?.id ?? '';
    const facts = { kind: 'service', work: `service-${plain}`, title: 'Plain', minutes: 15, blocks: 'none' } as const;
    const { jobId } = await entryIn(await yard.enter({ tag: 'GE-01' }, 'job-raised', facts));
    await entryIn(await yard.enter({ jobId: jobId ?? '' }, 'job-started', {}));
    const card = await yard.read<{ entries: { kind: string; facts: { steps?: { stepId: string; key: string }[] } }[] }>(
      `/api/jobs/${jobId}/card`,
    );
    const step = card.entries.flatMap((entry) => entry.facts.steps ?? []).find(({ key }) => key === `do-${plain}`);
    await entryIn(await yard.enter({ jobId: jobId ?? '' }, 'step-done', { stepId: step?.stepId ?? '' }));
    await yard.enter({ jobId: jobId ?? '' }, 'job-finished', { note: '' });
    const done = await yard.db
      .selectFrom('service_done')
      .select(['item', 'plan_version'])
      .where('job_id', '=', Number(jobId))
      .execute();
    assert.ok(done.length > 0);
    assert.deepEqual(
      done.map((row) => row.plan_version),
      done.map(() => 3),
    );
  });

  test('the kit of an item is put aside with its job, or wanted where the shelf has none', async () => {
    const kit = { number: 'K-OIL', name: 'Oil kit', cents: 1900, place: 'A1', count: 1 };
    assert.equal((await yard.ask('POST', '/api/parts', { as: 'technician', body: kit })).status, 201);
    await change({ ...USUAL, items: [{ id: 'engine-oil', kit: 'K-OIL' }] });
    await yard.addUnit('GE-03', 'generator', 100);
    await yard.db.updateTable('unit').set({ model_id: model }).where('tag', '=', 'GE-03').execute();
    const facts = { kind: 'service', work: 'oil-service', title: 'Oil', minutes: 25, blocks: 'none' } as const;
    const states = [];
    for (const tag of ['GE-01', 'GE-03']) {
      const entry = await entryIn(await yard.enter({ tag }, 'job-raised', facts));
      states.push((entry.outcome['kit'] as { state: string } | undefined)?.state);
    }
    assert.deepEqual(states, ['reserved', 'wanted']);
    const jobs = (await yard.read<UnitPage>('/api/units/GE-01')).jobs;
    const lines = await yard.db.selectFrom('part_line').select('job_id').execute();
    assert.ok(lines.some(({ job_id: id }) => String(id) === jobs.find(({ work }) => work === 'oil-service')?.id));
  });

  test('a dear kit is not thrown away for the way to the bench: what is done together goes by its price', async () => {
    await change({ ...USUAL, items: [{ id: 'plug', hours: 60, kit: 'K-OIL' }] });
    await yard.addUnit('GE-04', 'generator', 100);
    await yard.db.updateTable('unit').set({ model_id: model }).where('tag', '=', 'GE-04').execute();
    const saved = async (cents: number) => {
      await yard.db.updateTable('part').set({ cents }).where('number', '=', 'K-OIL').execute();
      return (await yard.read<UnitService>('/api/units/GE-04/service')).savedMinutes;
    };
    const [cheap, dear] = [await saved(1), await saved(500_000)];
    assert.ok(cheap > dear, `${cheap} and ${dear}`);
  });

  test('tag, check-in and check-out go by the model’s own oil; where it has none, nothing of it falls due', async () => {
    await change({ ...USUAL, items: [{ id: 'engine-oil', hours: 120 }] });
    assert.deepEqual(await tag('GE-04'), [120, 120]);
    await change({ ...USUAL, items: [{ id: 'engine-oil', isOff: true }] });
    assert.deepEqual(await tag('GE-04'), [50, 50]);
  });

  test('what cannot be is refused, with which item and why; a technician changes nothing', async () => {
    const tries = [
      [{ ...USUAL, items: [{ id: 'crane' }] }, 'unknown-item'],
      [{ ...USUAL, items: [{ id: 'engine-oil', hours: null, months: null }] }, 'no-interval'],
      [
        {
          ...USUAL,
          items: [
            { id: 'plug', includes: ['air-filter'] },
            { id: 'air-filter', includes: ['plug'] },
          ],
        },
        'loop',
      ],
    ] as const;
    for (const [plan, why] of tries) {
      const problem = await problemIn(await change(plan));
      assert.deepEqual([problem.code, problem.facts?.['why']], ['not-valid', why]);
    }
    assert.equal(
      (await problemIn(await change({ ...USUAL, items: [{ id: 'engine-oil', hours: -1 }] }))).code,
      'not-valid',
    );
    assert.equal((await problemIn(await change(USUAL, {}, 'technician'))).code, 'not-your-role');
    const kit = { ...USUAL, items: [{ id: 'engine-oil', kit: 'K-NOBODY' }] };
    assert.equal((await problemIn(await change(kit))).code, 'part-unknown');
    const none = await yard.ask('PUT', '/api/models/9999/service-plan', { as: 'lead', body: { plan: USUAL } });
    assert.equal((await problemIn(none)).code, 'not-found');
  });

  test('out as CSV and in again, it is the same; a bad line is refused with its reason', async () => {
    const plan = {
      severity: 0.7,
      anchorMonth: 4,
      items: [
        { id: 'engine-oil', hours: 80, months: null, kit: 'K-OIL' },
        { id: 'plug', minutes: 12 },
        { id: 'brushes', isOff: true },
      ],
    };
    await change(plan);
    const csv = await (await yard.ask('GET', '/api/export/service-plans', { as: 'lead' })).text();
    await change(USUAL);
    const load = async (raw: string): Promise<ImportReport> =>
      jsonOf<ImportReport>(
        await yard.ask('POST', '/api/import/service-plans', {
          as: 'lead',
          raw,
          headers: { 'content-type': 'text/csv' },
        }),
      );
    const report = await load(csv);
    assert.equal(report.refused, 0, JSON.stringify(report));
    const back = await yard.read<ModelPlan>(`/api/models/${model}/service-plan`);
    assert.deepEqual(back.own, plan);
    const heading = csv.split('\r\n')[0] ?? '';
    const { make, name } = back.model;
    const bad = await load(
      `${heading}\r\n${make},${name},engine-oil,-3,,,,,,,\r\n${make},${name},crane,5,,,,,,,\r\nNobody,None,plug,5,,,,,,,\r\n${make},${name},plug,x,,,,,,,\r\n`,
    );
    assert.deepEqual([bad.taken, bad.refused], [0, 4]);
    assert.deepEqual((await yard.read<ModelPlan>(`/api/models/${model}/service-plan`)).own, plan);
  });
});
