import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import { FAULT_IDS, faultOf, workOfLayUp } from '@hudrik/core/catalogue';
import type { LayUpReply, SeasonSheet, UnitFuel } from '@hudrik/core/contracts';
import { findStaleFuel } from '../fuel/staleFuel';
import { writingAny } from '../log/changeUnit';
import { thingOff } from '../testing/samples';
import { entryIn, problemIn, useYard } from '../testing/yard';

const yard = useYard();
yard.now = new Date('2030-05-06T08:00:00Z');
const read = () => yard.read<LayUpReply>('/api/lay-up', 'counter');
const layUp = (tag: string, method: string) => yard.enter({ tag }, 'laid-up', { method, note: '' } as never);
const raise = (tag: string, facts: object) =>
  yard.enter({ tag }, 'job-raised', { title: 'Work', minutes: 20, blocks: 'none', ...facts } as never, 'lead');
const modelOf = async (tag: string): Promise<number> =>
  (await yard.db.selectFrom('unit').select('model_id').where('tag', '=', tag).executeTakeFirstOrThrow()).model_id;
const later = async (at: string) => {
  yard.now = new Date(at);
  await yard.signInAgain();
};

describe('what stands in the way of a lay-up', () => {
  test('it is out with a hirer', async () => {
    await yard.addUnit('TI-01', 'tiller');
    const { id } = await yard.db.selectFrom('unit').select('id').where('tag', '=', 'TI-01').executeTakeFirstOrThrow();
    const hire = { reference: 'B-1', class_id: 'tiller', unit_id: id, state: 'out', out_at: yard.now } as const;
    const span = { from_at: yard.now, to_at: new Date('2030-05-08T08:00:00Z') };
    await yard.db.transaction().execute((trx) =>
      writingAny(trx, () =>
        trx
          .insertInto('hire')
          .values({ ...hire, ...span })
          .execute(),
      ),
    );
    assert.equal((await problemIn(await layUp('TI-01', 'run-dry'))).code, 'already-out');
  });

  test('something is off', async () => {
    await yard.addUnit('TI-02', 'tiller');
    const { jobId } = await entryIn(await raise('TI-02', { kind: 'repair' }));
    await yard.enter({ jobId: String(jobId) }, 'job-started', {});
    await yard.enter({ jobId: String(jobId) }, 'taken-off', thingOff('Bowl'));
    assert.equal((await problemIn(await layUp('TI-02', 'run-dry'))).code, 'things-off');
  });

  test('its work is a lay-up, and no repair by that name', async () => {
    const work = workOfLayUp('run-dry', 'tiller');
    assert.equal((await raise('TI-02', { kind: 'repair', work })).status, 422);
    assert.equal((await raise('TI-02', { kind: 'lay-up', work: 'wake-up-run-dry' })).status, 422);
    assert.equal((await raise('TI-02', { kind: 'wake-up', work: 'wake-up-run-dry' })).status, 201);
  });
});

describe('what stands', () => {
  test('wants its battery looked at by the calendar, and nothing that a season is enough for; its stale fuel is no defect', async () => {
    await yard.addUnit('WE-01', 'welder');
    const fuelled = { litres: 5, canId: null, fuel: 'e10', boughtAt: yard.now.toISOString(), isTreated: false };
    await yard.enter({ tag: 'WE-01' }, 'fuelled', fuelled as never);
    await layUp('WE-01', 'as-it-is');
    const due = async () => (await read()).units.find(({ tag }) => tag === 'WE-01')?.laidUp?.due ?? [];
    assert.deepEqual(await due(), []);
    await later('2030-07-20T08:00:00Z');
    assert.deepEqual([...(await due())].sort(), ['battery-care', 'load-transfer']);
    assert.equal((await yard.read<UnitFuel>('/api/units/WE-01/fuel')).state?.isStale, true);
    assert.equal(await findStaleFuel(yard.context), 0);
  });

  test('out of a treated can it keeps as long as that', async () => {
    await yard.addUnit('TI-03', 'tiller');
    const can = { name: 'Can 1', fuel: 'e0', litresMax: 20, litres: 10, boughtAt: yard.now.toISOString() };
    await yard.ask('POST', '/api/fuel/cans', { as: 'lead', body: { ...can, isTreated: true } });
    const [{ id } = { id: '' }] = await yard.db.selectFrom('fuel_can').select('id').execute();
    await yard.enter({ tag: 'TI-03' }, 'fuelled', { litres: 2, canId: id, isTreated: false } as never);
    const { state, portions } = await yard.read<UnitFuel>('/api/units/TI-03/fuel');
    assert.deepEqual([state?.staleBy, portions[0]?.isTreated], ['2031-07-20T08:00:00.000Z', true]);
  });
});

describe('the season’s sheet and its prices', () => {
  test('metal tanks come first, whatever their tag', async () => {
    for (const tag of ['SN-01', 'SN-02']) await yard.addUnit(tag, 'snowblower');
    const body = { litres: null, isMetal: true, hasTap: null };
    await yard.ask('PUT', `/api/models/${await modelOf('SN-02')}/tank`, { as: 'lead', body });
    const seasons = [{ from: '07-01', to: '12-31', callOdds: 0 }];
    await yard.ask('PUT', '/api/seasons/snowblower', { as: 'lead', body: { seasons } });
    const { lines } = await yard.read<SeasonSheet>('/api/lay-up/sheet', 'lead');
    assert.deepEqual(
      lines.map(({ tag, isMetal }) => [tag, isMetal]),
      [
        ['SN-02', true],
        ['SN-01', false],
      ],
    );
  });

  test('a fuel repair costs what proven ones took; of another lane they say nothing', async () => {
    const before = (await read()).prices;
    const prove = async (lane: string, minutes: number) => {
      const { jobId } = await entryIn(await raise('TI-03', { kind: 'repair', minutes }));
      const { id: unitId } = await yard.db
        .selectFrom('unit')
        .select('id')
        .where('tag', '=', 'TI-03')
        .executeTakeFirstOrThrow();
      const fault = FAULT_IDS.find((id) => faultOf(id)?.lane === lane) ?? '';
      const finding = { id: randomUUID(), unit_id: unitId, job_id: Number(jobId), opened_at: yard.now };
      const machine = JSON.stringify({ engine: {}, past: {} });
      const by = { opened_by: yard.personIds.get('lead') ?? 0, closed_at: yard.now, causes: [fault] };
      await yard.db.transaction().execute((trx) =>
        writingAny(trx, async () => {
          await trx
            .insertInto('finding')
            .values({ ...finding, ...by, machine } as never)
            .execute();
        }),
      );
      await yard.db
        .insertInto('proven_cause')
        .values({ finding_id: finding.id, class_id: 'tiller', family: 'any', faults: [fault], at: yard.now })
        .execute();
    };
    await prove('spark', 600);
    assert.equal((await read()).prices.repair, before.repair);
    await prove('fuel', 600);
    // One of 600 min beside five that are taken beforehand.
    const more = ((600 - 70) / 6) * before.perMinute;
    assert.ok(Math.abs((await read()).prices.repair - before.repair - more) <= 1);
  });
});
