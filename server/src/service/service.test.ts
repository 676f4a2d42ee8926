import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import type { FindingRecord, ServiceItemState, UnitService } from '@hudrik/core/contracts';
import type { Facts } from '@hudrik/core/log';
import { cardOf } from '@hudrik/core/log';
import type { Trx } from '../database/tables';
import { writingAny } from '../log/changeUnit';
import { cardIn, onCard, prove } from '../testing/proving';
import { wellCheckIn } from '../testing/samples';
import { entryIn, useYard } from '../testing/yard';

const DAY_MS = 86_400_000;

describe('a unit’s service plan', () => {
  const yard = useYard();
  const service = (tag: string) => yard.read<UnitService>(`/api/units/${tag}/service`, 'apprentice');
  const itemIn = (read: UnitService, id: string): ServiceItemState => {
    const found = read.items.find((item) => item.id === id);
    assert.ok(found, id);
    return found;
  };
  const raise = async (tag: string, work: string): Promise<string> => {
    const facts: Facts<'job-raised'> = { kind: 'service', title: work, minutes: 20, blocks: 'none', work };
    return String((await entryIn(await yard.enter({ tag }, 'job-raised', facts, 'lead'))).outcome['jobId']);
  };

  test('an item that nobody wrote down counts from when the unit came; the soonest is first', async () => {
    await yard.addUnit('PW-01', 'pressure-washer', 100);
    const read = await service('PW-01');
    const pump = itemIn(read, 'pump-oil');
    assert.deepEqual([pump.done, pump.dueHours, pump.hoursLeft], [null, 600, 500]);
    assert.ok(Math.abs((pump.daysLeft ?? 0) - 355) < 1.5);
    assert.equal(read.came.trueHours, 100);
    const expected = read.items.map((item) => item.fallsDueIn.expected);
    assert.deepEqual(
      expected,
      [...expected].sort((a, b) => a - b),
    );
    for (const { early, expected: middle, late } of read.items.map((item) => item.fallsDueIn))
      assert.ok(early <= middle && middle <= late);
  });

  test('what was ticked is done, with what it includes; what was left out goes on', async () => {
    await yard.addUnit('TI-01', 'tiller', 100);
    const jobId = await raise('TI-01', 'service-air-filter');
    assert.equal(itemIn(await service('TI-01'), 'air-filter').jobId, jobId);
    yard.now = new Date(yard.now.getTime() + DAY_MS);
    await prove(yard, jobId);
    const read = await service('TI-01');
    for (const id of ['air-filter', 'pre-filter']) {
      assert.equal(itemIn(read, id).done?.trueHours, 100);
      assert.equal(itemIn(read, id).share > 0.999, true);
      assert.equal(itemIn(read, id).jobId, null);
    }
    assert.equal(itemIn(read, 'plug').done, null);
    const rows = await yard.db.selectFrom('service_done').select(['item', 'plan_version', 'job_id']).execute();
    assert.deepEqual(
      rows.filter((row) => String(row.job_id) === jobId).map((row) => [row.item, row.plan_version]),
      [
        ['air-filter', 1],
        ['pre-filter', 1],
      ],
    );
  });

  test('the oil service’s card does oil, pre-filter and plug as they are ticked', async () => {
    await yard.addUnit('TI-02', 'tiller', 100);
    const jobId = await raise('TI-02', 'oil-service');
    await yard.enter({ jobId }, 'job-started', {});
    const { steps } = cardOf((await cardIn(yard, jobId)).entries);
    const started = await service('TI-02');
    assert.deepEqual(
      ['engine-oil', 'pre-filter', 'plug', 'belts'].map((id) => itemIn(started, id).jobId),
      [jobId, jobId, jobId, null],
    );
    const plug = steps.find((step) => step.key === 'plug');
    await onCard(yard, jobId, 'step-dropped', { stepId: plug?.stepId ?? '', why: 'New last month' });
    await prove(yard, jobId);
    const read = await service('TI-02');
    assert.equal(itemIn(read, 'engine-oil').hoursLeft, 50);
    assert.equal(itemIn(read, 'pre-filter').done?.trueHours, 100);
    assert.equal(itemIn(read, 'air-filter').done, null);
    assert.equal(itemIn(read, 'plug').done, null);
  });

  test('it says which booked hire an item runs out in, and groups what falls due near each other', async () => {
    await yard.addUnit('GE-01', 'generator', 100);
    await yard.read('/api/units/GE-01');
    const from = new Date(yard.now.getTime() + 2 * DAY_MS);
    const to = new Date(yard.now.getTime() + 40 * DAY_MS);
    const { status } = await yard.ask('POST', '/api/hires', {
      as: 'lead',
      body: {
        reference: 'B-77',
        classId: 'generator',
        tag: 'GE-01',
        fromAt: from.toISOString(),
        toAt: to.toISOString(),
        hirer: 'Orra',
        sure: true,
        phone: '',
      },
    });
    assert.equal(status, 201);
    const read = await service('GE-01');
    assert.equal(itemIn(read, 'engine-oil').runsOutDuring, 'B-77');
    assert.equal(itemIn(read, 'valve-lash').runsOutDuring, null);
    const first = read.visits[0];
    assert.ok(first !== undefined && first.ids.length > 1, 'one visit for what falls due together');
    assert.ok(read.savedMinutes > 0);
  });

  const idOf = async (tag: string): Promise<number> =>
    (await yard.db.selectFrom('unit').select('id').where('tag', '=', tag).executeTakeFirstOrThrow()).id;
  const writing = (work: (trx: Trx) => Promise<unknown>) =>
    yard.db.transaction().execute((trx) => writingAny(trx, () => work(trx)));
  const oilAt = (unitId: number, trueHours: number, daysAgo: number) =>
    writing((trx) =>
      trx
        .insertInto('service_done')
        .values({
          unit_id: unitId,
          item: 'engine-oil',
          true_hours: trueHours,
          at: new Date(yard.now.getTime() - daysAgo * DAY_MS),
          plan_version: 1,
          job_id: null,
        })
        .execute(),
    );

  test('the newest change counts, wherever it was written down; a unit came with its first reading', async () => {
    await yard.addUnit('GE-05', 'generator', 100);
    await yard.checkIn(
      wellCheckIn('GE-05', 'generator', '140.0', { hours: { typed: '140.0', confirmed: true, meterEvent: null } }),
    );
    const findingMachine = async () => {
      const { outcome } = await entryIn(
        await yard.enter({ tag: 'GE-05' }, 'finding-opened', { machine: { engine: {}, past: {} } }),
      );
      const { machine } = await yard.read<FindingRecord>(`/api/findings/${String(outcome['findingId'] ?? '')}`);
      return machine.past.hoursSinceService;
    };
    const read = await service('GE-05');
    assert.equal(read.came.trueHours, 100);
    assert.equal(itemIn(read, 'plug').hoursLeft, 60);
    await oilAt(await idOf('GE-05'), 130, 1);
    await oilAt(await idOf('GE-05'), 110, 5);
    assert.equal(itemIn(await service('GE-05'), 'engine-oil').hoursLeft, 40);
    assert.equal(await findingMachine(), 10);
  });

  test('what has a job is not laid out again; another kind of job does none of it, and makes the visit that it joins', async () => {
    await yard.addUnit('GE-06', 'generator', 100);
    await oilAt(await idOf('GE-06'), 60, 30);
    const before = await service('GE-06');
    const daysOf = (read: UnitService, id: string) => read.visits.find(({ ids }) => ids.includes(id))?.inDays;
    assert.ok((daysOf(before, 'engine-oil') ?? 0) > 0);
    const repair = { kind: 'repair', title: 'New socket', minutes: 20, blocks: 'none' } as const;
    await entryIn(await yard.enter({ tag: 'GE-06' }, 'job-raised', repair, 'lead'));
    const joined = await service('GE-06');
    assert.equal(itemIn(joined, 'engine-oil').jobId, null);
    assert.equal(daysOf(joined, 'engine-oil'), 0);
    await raise('GE-06', 'oil-service');
    assert.equal(daysOf(await service('GE-06'), 'engine-oil'), undefined);
    assert.ok((await service('GE-06')).items.some(({ fallsDueIn: { expected } }) => expected > 120));
    for (const { inDays } of (await service('GE-06')).visits) assert.ok(inDays <= 120);
  });

  test('the days on hire are its own: one that was always out wears faster', async () => {
    await yard.addUnit('GE-07', 'generator', 100);
    const still = (await service('GE-07')).hoursPerDay;
    const unitId = await idOf('GE-07');
    const at = (days: number) => new Date(yard.now.getTime() - days * DAY_MS);
    const ended = {
      state: 'ended',
      from_at: at(9),
      to_at: at(1),
      out_at: at(9),
      back_at: at(1),
      ended_at: at(1),
    } as const;
    await writing((trx) =>
      trx
        .insertInto('hire')
        .values({ reference: 'B-90', class_id: 'generator', unit_id: unitId, ...ended })
        .execute(),
    );
    // Ten days on the books, eight of them out: (0.35 × 60 + 8) ÷ 70 against 21 ÷ 70.
    const { hoursPerDay } = await service('GE-07');
    assert.ok(Math.abs(hoursPerDay / still - 29 / 21) < 0.01);
  });

  test('a service that is not of its class’s plan, or no service, is not raised under that name', async () => {
    await yard.addUnit('GE-02', 'generator', 100);
    const raising = {
      kind: 'service',
      title: 'Pump oil',
      minutes: 20,
      blocks: 'none',
      work: 'service-pump-oil',
    } as const;
    for (const facts of [raising, { ...raising, work: 'oil-service', kind: 'prep' as const }])
      assert.equal((await yard.enter({ tag: 'GE-02' }, 'job-raised', facts, 'lead')).status, 422);
    assert.equal(
      (await yard.enter({ tag: 'GE-02' }, 'job-raised', { ...raising, work: 'oil-service' }, 'lead')).status,
      201,
    );
  });

  test('while it is out, the hours of that hire count too', async () => {
    await yard.addUnit('GE-03', 'generator', 100);
    const id = await idOf('GE-03');
    const at = (days: number) => new Date(yard.now.getTime() + days * DAY_MS);
    const out = { reference: 'B-80', class_id: 'generator', unit_id: id, state: 'out', out_at: at(-1) } as const;
    await writing((trx) =>
      trx
        .insertInto('hire')
        .values({ ...out, from_at: at(-1), to_at: at(30) })
        .execute(),
    );
    assert.equal(itemIn(await service('GE-03'), 'engine-oil').runsOutDuring, 'B-80');
  });

  test('a unit that is none is not found', async () => {
    assert.equal((await yard.ask('GET', '/api/units/GE-99/service', { as: 'lead' })).status, 404);
  });
});
