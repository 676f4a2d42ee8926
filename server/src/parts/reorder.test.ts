import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import type { PartsReply, ReorderReply, Settings, UnitService } from '@hudrik/core/contracts';
import { useYard } from '../testing/yard';

const yard = useYard();
yard.now = new Date('2030-05-06T06:00:00Z');

const list = () => yard.read<ReorderReply>('/api/parts/reorder', 'counter');
const lineOf = async (number: string) => (await list()).lines.find((line) => line.number === number);
const modelOf = async (tag: string): Promise<number> =>
  (await yard.db.selectFrom('unit').select('model_id').where('tag', '=', tag).executeTakeFirstOrThrow()).model_id;
const settings: Settings = { yard: 'Ours', currency: 'USD', locale: 'en-US', timeZone: 'UTC' };

describe('what to order for the shelf', () => {
  test('nothing is used, nothing falls due: nothing is ordered', async () => {
    const csv =
      'number,name,cents,place,count,superseded_by,kit_of\r\nTV-1,Plug,450,,3,,\r\nTV-9,Kit,6500,,0,,TV-1*1\r\n';
    await yard.ask('POST', '/api/import/parts', { as: 'lead', raw: csv });
    assert.deepEqual(await list(), { lines: [], cents: 0 });
  });

  test('the service ahead asks for its kit before an order of today comes, with whose it is', async () => {
    for (const tag of ['GE-01', 'GE-02']) {
      await yard.addUnit(tag);
      const plan = { severity: 1, anchorMonth: null, items: [{ id: 'engine-oil', kit: 'TV-9' }] };
      await yard.ask('PUT', `/api/models/${await modelOf(tag)}/service-plan`, { as: 'lead', body: { plan } });
    }
    assert.equal(await lineOf('TV-9'), undefined);
    // A year later the oil of both is overdue.
    yard.now = new Date('2031-06-10T06:00:00Z');
    await yard.signInAgain();
    const kit = await lineOf('TV-9');
    assert.deepEqual([kit?.free, kit?.orderBelow, kit?.order, kit?.cents, kit?.leadDays], [0, 2, 2, 13_000, 7]);
    assert.deepEqual(kit?.ahead.map(({ tag, item: of, inDays }) => [tag, of, inDays]).sort(), [
      ['GE-01', 'engine-oil', 0],
      ['GE-02', 'engine-oil', 0],
    ]);
    const shelf = await yard.read<PartsReply>('/api/parts?find=TV-9', 'counter');
    assert.equal(shelf.parts[0]?.reorderAt, 2);
  });

  test('what stands on a card has its own kit: it is waited for, and not asked for twice', async () => {
    const raised = { kind: 'service', work: 'oil-service', title: 'Oil', minutes: 25, blocks: 'none' };
    assert.equal((await yard.enter({ tag: 'GE-01' }, 'job-raised', raised as never, 'lead')).status, 201);
    const kit = await lineOf('TV-9');
    assert.deepEqual([kit?.free, kit?.orderBelow, kit?.order, kit?.ahead.length], [-1, 1, 2, 1]);
  });

  test('by repairs of the days that it has been here, less what came back, by how surely it should be there', async () => {
    const csvIn = 'number,name,cents,place,count,superseded_by,kit_of\r\nTV-2,Plug,450,,3,,\r\n';
    await yard.ask('POST', '/api/import/parts', { as: 'lead', raw: csvIn });
    const { id } = await yard.db.selectFrom('part').select('id').where('number', '=', 'TV-2').executeTakeFirstOrThrow();
    const person = yard.personIds.get('lead') ?? 0;
    const moved = (change: number, why: 'used' | 'returned' | 'counted', daysAgo: number) =>
      yard.db
        .insertInto('part_move')
        .values({
          ...{ part_id: id, change, why, note: null, line_id: null, person_id: person },
          at: new Date(yard.now.getTime() - daysAgo * 86_400_000),
        })
        .execute();
    await moved(60, 'counted', 100);
    for (let n = 0; n < 7; n++) await moved(-9, 'used', 90 - 10 * n);
    await moved(3, 'returned', 5);
    // 60 in 100 days: 4.2 in a week, of which 8 are enough 95 times in 100 (Poisson), and 22 over five weeks.
    const plug = await lineOf('TV-2');
    assert.deepEqual([plug?.free, plug?.orderBelow, plug?.order, plug?.usedPerMonth], [3, 8, 27, 18.3]);
    await yard.ask('PUT', '/api/settings', { as: 'lead', body: { ...settings, serviceLevel: 0.99 } });
    assert.equal((await lineOf('TV-2'))?.orderBelow, 10);
    // What a service took says nothing of repairs: its plan asks for it.
    const job = await yard.db.selectFrom('job').select('id').where('kind', '=', 'service').executeTakeFirstOrThrow();
    const line = await yard.db
      .insertInto('part_line')
      .values({
        ...{ id: randomUUID(), job_id: job.id, part_id: id, count: 20, state: 'used' },
        ...{ asked: 'TV-2', asked_by: person, asked_at: yard.now },
      })
      .returning('id')
      .executeTakeFirstOrThrow();
    await moved(20, 'counted', 0);
    await yard.db
      .insertInto('part_move')
      .values({ part_id: id, change: -20, why: 'used', note: null, line_id: line.id, person_id: person, at: yard.now })
      .execute();
    const same = await lineOf('TV-2');
    assert.deepEqual([same?.free, same?.usedPerMonth, same?.leadDays], [3, 18.3, 7]);
    // The supplier's own time to come counts, not the usual: three weeks' use lies there.
    await yard.db
      .insertInto('supplier_quote')
      .values({ number: 'TV-2', cents: 450, lead_days: 21, asked_at: yard.now })
      .execute();
    const slow = await lineOf('TV-2');
    assert.deepEqual([slow?.leadDays, slow?.orderBelow], [21, 22]);
    await yard.db.deleteFrom('supplier_quote').execute();
    const csv = await (await yard.ask('GET', '/api/export/reorder', { as: 'technician' })).text();
    assert.match(csv, /^number,name,order,free,order-below,lead-days,cents\r?\n/);
    assert.match(csv, /TV-2,Plug,\d+,3,10,7,/);
  });

  test('the oil of a unit is of the grade for the coldest start until it is changed, as its sheet has it', async () => {
    const model = await modelOf('GE-02');
    const oils = [
      { where: 'Engine', grade: '5W-30', fromC: -30, toC: 5 },
      { where: 'Engine', grade: 'SAE 30', fromC: 5, toC: null },
    ];
    const capacities = [{ what: 'Engine oil', value: 1.1, unit: 'L' }];
    const { data_sheet: sheet } = await yard.db
      .selectFrom('model')
      .select('data_sheet')
      .where('id', '=', model)
      .executeTakeFirstOrThrow();
    await yard.db
      .updateTable('model')
      .set({ data_sheet: JSON.stringify({ ...sheet, oils, capacities }) })
      .where('id', '=', model)
      .execute();
    const oil = async () =>
      (await yard.read<UnitService>('/api/units/GE-02/service')).items.find(({ id }) => id === 'engine-oil')?.fluid;
    assert.deepEqual((await oil())?.grade, '5W-30');
    const warm = Array.from({ length: 12 }, () => 9);
    await yard.ask('PUT', '/api/settings', { as: 'lead', body: { ...settings, coldestStarts: warm } });
    assert.deepEqual(await oil(), {
      ...{ grade: 'SAE 30', amount: { value: 1.1, unit: 'L' }, coldestC: 9, seasonChanged: false },
    });
    const eleven = await yard.ask('PUT', '/api/settings', {
      as: 'lead',
      body: { ...settings, coldestStarts: warm.slice(1) },
    });
    assert.equal(eleven.status, 422);
  });

  test('who is good at something is planned with for it, once anybody is said to be', async () => {
    await yard.enter(
      { tag: 'GE-02', id: randomUUID() },
      'job-raised',
      { kind: 'service', work: 'service-socket-test', title: 'Sockets', minutes: 20, blocks: 'none' } as never,
      'lead',
    );
    const who = async () => {
      const { asked, visits } = await yard.read<{
        asked: { visits: { id: string; who: string[] }[] };
        visits: { id: string; tag: string }[];
      }>('/api/bench');
      const id = visits.find(({ tag }) => tag === 'GE-02')?.id;
      return asked.visits.find((visit) => visit.id === id)?.who;
    };
    const hours = [1, 2, 3, 4, 5].map((weekday) => ({ weekday, from: '08:00', to: '16:00' }));
    const [lead, technician] = [yard.personIds.get('lead') ?? 0, yard.personIds.get('technician') ?? 0];
    await yard.ask('PUT', `/api/working-hours/${lead}`, { as: 'lead', body: { hours } });
    const all = [String(technician), String(lead)].sort();
    assert.deepEqual((await who())?.sort(), all);
    const skilled = await yard.ask('PATCH', `/api/people/${lead}`, { as: 'lead', body: { skills: ['electrical'] } });
    assert.equal(skilled.status, 200);
    assert.deepEqual(await who(), [String(lead)]);
    await yard.ask('PATCH', `/api/people/${lead}`, { as: 'lead', body: { skills: [] } });
    assert.deepEqual((await who())?.sort(), all);
  });
});
