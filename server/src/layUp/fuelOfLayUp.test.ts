import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import type { FuelStore, UnitFuel, UnitPage } from '@hudrik/core/contracts';
import { problemIn, useYard } from '../testing/yard';

const yard = useYard();
yard.now = new Date('2030-04-20T08:00:00Z');

describe('the fuel of a lay-up', () => {
  const cans = async () =>
    Object.fromEntries(
      (await yard.read<FuelStore>('/api/fuel', 'counter')).cans.map(({ name, litres, fuel, id }) => [
        name,
        { litres, fuel, id },
      ]),
    );
  const addCan = (name: string, litres: number, fuel = 'e0') =>
    yard.ask('POST', '/api/fuel/cans', {
      as: 'technician',
      body: { name, fuel, litresMax: 20, litres, boughtAt: '2030-04-10T08:00:00Z' },
    });
  const pour = (tag: string, litres: number, boughtAt: string) =>
    yard.enter({ tag }, 'fuelled', { litres, canId: null, isTreated: false, fuel: 'e10', boughtAt } as never);
  const fuel = (tag: string) => yard.read<UnitFuel>(`/api/units/${tag}/fuel`, 'counter');
  const lay = (tag: string, facts: object) => yard.enter({ tag }, 'laid-up', { note: '', ...facts } as never);

  test('what was in it goes into a can, what is left in comes out of one: every litre is somewhere', async () => {
    for (const tag of ['TI-01', 'TI-02', 'TI-03', 'TI-04']) await yard.addUnit(tag, 'tiller');
    await addCan('Fresh', 10);
    await addCan('Old', 0, 'e10');
    await pour('TI-01', 2, '2030-03-01T08:00:00Z');
    const { Fresh, Old } = await cans();
    const before = (Fresh?.litres ?? 0) + (Old?.litres ?? 0) + 2;
    const holds = (await fuel('TI-01')).tank.litres;
    const said = { method: 'full-stabilised', drainedInto: Old?.id, pouredFrom: Fresh?.id };
    assert.equal((await lay('TI-01', said)).status, 201);
    const now = await cans();
    assert.deepEqual([now['Fresh']?.litres, now['Old']?.litres, now['Old']?.fuel], [10 - holds, 2, 'e10']);
    const { state, bowl, isTapShut } = await fuel('TI-01');
    assert.deepEqual([state?.litres, state?.ethanol, state?.ageDays, bowl, isTapShut], [holds, 0, 10, 'wet', true]);
    assert.equal((now['Fresh']?.litres ?? 0) + (now['Old']?.litres ?? 0) + holds, before);
    const { records } = await yard.read<{ records: { outcome: object }[] }>(
      '/api/units/TI-01/history?limit=1',
      'counter',
    );
    assert.deepEqual(records[0]?.outcome, {
      ...{ drained: 2, into: 'Old', poured: holds, outOf: 'Fresh', fuel: 'e0', boughtAt: '2030-04-10T08:00:00.000Z' },
    });
  });

  test('good fuel stays in, and only the rest is poured on top', async () => {
    const fresh = (await cans())['Fresh'];
    const holds = (await fuel('TI-02')).tank.litres;
    await pour('TI-02', 1, '2030-04-18T08:00:00Z');
    assert.equal((await lay('TI-02', { method: 'full-stabilised', staysIn: true, pouredFrom: fresh?.id })).status, 201);
    const { state, portions } = await fuel('TI-02');
    assert.deepEqual([state?.litres, portions.length, portions.every(({ isTreated }) => isTreated)], [holds, 2, true]);
    assert.equal((await cans())['Fresh']?.litres, (fresh?.litres ?? 0) - (holds - 1));
  });

  test('for disposal it is gone; where nobody says, it is as the way has it, out of no can', async () => {
    const before = await cans();
    await pour('TI-03', 1, '2030-03-01T08:00:00Z');
    await lay('TI-03', { method: 'run-dry', drainedInto: null });
    await lay('TI-04', { method: 'full-stabilised' });
    assert.deepEqual(await cans(), before);
    assert.equal((await fuel('TI-03')).state, null);
    assert.equal((await fuel('TI-04')).state?.litres, (await fuel('TI-04')).tank.litres);
  });

  test('stale fuel into fresh, and a can that is none: refused, and the unit does not stand', async () => {
    await yard.addUnit('TI-05', 'tiller');
    await pour('TI-05', 2, '2030-01-01T08:00:00Z');
    const { Fresh } = await cans();
    const spoilt = await problemIn(await lay('TI-05', { method: 'run-dry', drainedInto: Fresh?.id }));
    assert.equal(spoilt.code, 'would-spoil');
    const none = await lay('TI-05', { method: 'full-stabilised', drainedInto: null, pouredFrom: crypto.randomUUID() });
    assert.equal(none.status, 404);
    const half = await problemIn(await lay('TI-05', { method: 'run-dry', staysIn: true }));
    assert.equal(half.code, 'does-not-fit');
    assert.notEqual((await yard.read<UnitPage>('/api/units/TI-05')).unit.verdict.readiness, 'laid-up');
    assert.equal((await fuel('TI-05')).state?.litres, 2);
    assert.deepEqual((await cans())['Fresh'], Fresh);
  });
});
