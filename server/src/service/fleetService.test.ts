import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import { SERVICE_ITEMS } from '@hudrik/core/catalogue';
import type { FleetService, UnitService } from '@hudrik/core/contracts';
import { entryIn, problemIn, useYard } from '../testing/yard';

const yard = useYard();
yard.now = new Date('2030-05-06T06:00:00Z');
const fleet = (): Promise<FleetService> => yard.read<FleetService>('/api/service');

describe('the service of the yard', () => {
  test('of each unit what it says of itself; the soonest first; laid-up ones not', async () => {
    await yard.addUnit('GE-01', 'generator', 100);
    await yard.addUnit('TI-01', 'tiller', 40);
    await yard.addUnit('GE-02', 'generator', 100);
    yard.later(40 * 24);
    await yard.signInAgain();
    const { units, weeks } = await fleet();
    assert.deepEqual(units.map(({ tag }) => tag).slice(0, 2), ['GE-01', 'GE-02']);
    const own = await yard.read<UnitService>('/api/units/GE-01/service');
    const line = units[0]?.items.find(({ id }) => id === 'battery-care');
    assert.ok(line && line.share < 0);
    assert.equal(line.share, own.items.find(({ id }) => id === 'battery-care')?.share);
    assert.equal(weeks.length, 8);
    const overdue = units.flatMap(({ items }) => items).filter(({ share }) => share <= 0);
    assert.equal(
      weeks[0]?.overdueMinutes,
      overdue.reduce((sum, { minutes }) => sum + minutes, 0),
    );
    assert.ok(overdue.length > 0);
  });

  test('what was raised early with the rest stands there, on the card', async () => {
    const own = await yard.read<UnitService>('/api/units/GE-01/service');
    const early = own.items.find(({ id, fallsDueIn }) => id === 'valve-lash' && fallsDueIn.expected > 8 * 7);
    assert.ok(early, JSON.stringify(own.items.map(({ id, fallsDueIn }) => [id, fallsDueIn.expected])));
    const listed = async () =>
      (await fleet()).units.find(({ tag }) => tag === 'GE-01')?.items.find(({ id }) => id === early.id);
    assert.equal(await listed(), undefined);
    const facts = {
      kind: 'service',
      work: `service-${early.id}`,
      title: early.id,
      minutes: 30,
      blocks: 'none',
    } as const;
    const { jobId } = await entryIn(await yard.enter({ tag: 'GE-01' }, 'job-raised', facts));
    assert.equal((await listed())?.jobId, jobId);
  });

  test('a service that is not of the unit’s own plan is not raised', async () => {
    const facts = {
      kind: 'service',
      work: 'service-hydraulic-filter',
      title: 'Filter',
      minutes: 30,
      blocks: 'none',
    } as const;
    assert.equal((await problemIn(await yard.enter({ tag: 'GE-01' }, 'job-raised', facts))).code, 'not-valid');
  });

  test('what is laid up is served when it wakes', async () => {
    const laid = await yard.enter({ tag: 'GE-02' }, 'laid-up', { method: 'as-it-is', note: '' });
    assert.equal(laid.status, 201);
    assert.ok((await fleet()).units.every(({ tag }) => tag !== 'GE-02'));
  });

  test('a booking during which an item runs out is asked about; with its job raised it is not', async () => {
    await yard.addUnit('WE-01', 'welder', 100);
    yard.later(12 * 24);
    await yard.signInAgain();
    const from = new Date(yard.now.getTime() + 24 * 3_600_000).toISOString();
    const to = new Date(yard.now.getTime() + 30 * 24 * 3_600_000).toISOString();
    const book = (reference: string) =>
      yard.ask('POST', '/api/hires', {
        as: 'counter',
        body: { reference, classId: 'welder', tag: 'WE-01', fromAt: from, toAt: to },
      });
    const problem = await problemIn(await book('B-1'));
    assert.equal(problem.code, 'hire-doubtful');
    assert.equal(problem.facts?.['why'], 'runs-out');
    const { items } = await yard.read<UnitService>('/api/units/WE-01/service');
    const names = problem.facts?.['because'] as string[];
    assert.ok(names.length > 1 && names.length < items.length, names.join());
    // Each by its own name.
    const own = items.map(({ id }) => SERVICE_ITEMS.find((item) => item.id === id)?.name);
    assert.ok(new Set(names).size === names.length && names.every((name) => own.includes(name)), names.join());
    for (const { id } of items) {
      const work = id === 'engine-oil' ? 'oil-service' : `service-${id}`;
      await yard.enter({ tag: 'WE-01' }, 'job-raised', {
        kind: 'service',
        work,
        title: id,
        minutes: 20,
        blocks: 'none',
      });
    }
    await entryIn(await yard.enter({ tag: 'WE-01' }, 'note', { text: 'All raised.' } as never));
    assert.equal((await book('B-1')).status, 201);
  });
});
