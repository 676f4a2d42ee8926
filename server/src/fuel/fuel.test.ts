import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import type { FuelStore, Opening, UnitFuel, UnitPage } from '@hudrik/core/contracts';
import { foundCheckIn } from '../testing/samples';
import { jsonOf, problemIn, useYard } from '../testing/yard';
import { findStaleFuel } from './staleFuel';

const yard = useYard();
yard.now = new Date('2030-05-06T08:00:00Z');
const DAY = 86_400_000;
const fuel = (tag = 'GE-01') => yard.read<UnitFuel>(`/api/units/${tag}/fuel`, 'counter');
const store = () => yard.read<FuelStore>('/api/fuel', 'counter');
const can = async (name: string) => (await store()).cans.find((one) => one.name === name);
const add = (name: string, more: object = {}) =>
  yard.ask('POST', '/api/fuel/cans', {
    as: 'technician',
    body: { name, fuel: 'e0', litresMax: 20, litres: 10, boughtAt: '2030-05-01T08:00:00Z', ...more },
  });
const pour = (litres: number, more: object = {}) =>
  yard.enter(
    { tag: 'GE-01' },
    'fuelled',
    { litres, canId: null, isTreated: false, fuel: 'e10', ...more } as never,
    'counter',
  );
const out = (facts: object) => yard.enter({ tag: 'GE-01' }, 'fuel-out', { isTreated: false, ...facts } as never);

describe('fuel', () => {
  test('a can: what it holds, until when it keeps; more than it holds, bought tomorrow or the same name is refused', async () => {
    assert.equal((await add('Can 1')).status, 201);
    assert.deepEqual(
      [(await can('Can 1'))?.litres, (await can('Can 1'))?.staleBy, (await can('Can 1'))?.isStale],
      [10, '2030-07-30T08:00:00.000Z', false],
    );
    assert.equal((await problemIn(await add('Can 2', { litres: 21 }))).code, 'tank-too-small');
    assert.equal((await add('Can 2', { boughtAt: '2030-05-07T08:00:00Z' })).status, 422);
    assert.equal((await problemIn(await add('Can 1'))).code, 'already-there');
  });

  test('poured out of a can: the can is less, the tank is more, and of the can’s fuel and age', async () => {
    await yard.addUnit('GE-01');
    const { id = '' } = (await can('Can 1')) ?? {};
    assert.equal((await pour(4, { canId: id, fuel: undefined })).status, 201);
    assert.equal((await can('Can 1'))?.litres, 6);
    assert.notEqual((await can('Can 1'))?.openedAt, null);
    const { state, portions } = await fuel();
    assert.deepEqual([state?.litres, state?.ethanol, state?.ageDays], [4, 0, 5]);
    assert.deepEqual(portions[0], {
      ...{ litres: 4, ethanol: 0, isUnknown: false, isTreated: false },
      boughtAt: '2030-05-01T08:00:00.000Z',
    });
  });

  test('a level at a return is burnt or unknown fuel; entered late it counts at its time', async () => {
    yard.now = new Date('2030-05-16T08:00:00Z');
    // It ran an hour and burnt 1.8 l; a tank of 20 l, two eighths: 5 l, so 2.8 l of the pump’s were poured in on the way.
    await yard.checkIn(foundCheckIn('GE-01', 'generator', '101.0', {}, { fuelEighths: 2 }));
    assert.deepEqual([(await fuel()).state?.litres, (await fuel()).state?.unknown.toFixed(9)], [5, '0.560000000']);
    // 6 l more on the 8th, told now: 10 l were there, so 5 were burnt and nothing was unknown.
    assert.equal((await pour(6, { boughtAt: '2030-05-08T08:00:00Z', pouredAt: '2030-05-08T08:00:00Z' })).status, 201);
    const { state } = await fuel();
    assert.deepEqual(
      [state?.litres.toFixed(9), state?.unknown, state?.ethanol.toFixed(9)],
      ['5.000000000', 0, '0.060000000'],
    );
  });

  test('far more than the tank holds, an age to come, nothing said: refused; a can emptier than drawn from wants a count', async () => {
    assert.equal((await problemIn(await pour(23))).code, 'tank-too-small');
    assert.equal((await pour(3, { pouredAt: '2030-05-17T08:00:00Z' })).status, 422);
    assert.equal((await pour(3, { fuel: undefined })).status, 422);
    assert.equal((await pour(-3)).status, 422);
    assert.equal((await out({})).status, 422);
    const { id = '' } = (await can('Can 1')) ?? {};
    await pour(8, { canId: id, fuel: undefined });
    assert.deepEqual([(await can('Can 1'))?.litres, (await can('Can 1'))?.wantsCount], [-2, true]);
    const counted = await yard.ask('POST', `/api/fuel/cans/${id}`, {
      as: 'lead',
      body: { what: 'counted', litres: 3 },
    });
    const [after] = (await jsonOf<FuelStore>(counted)).cans;
    assert.deepEqual([after?.litres, after?.wantsCount], [3, false]);
  });

  test('drained into a can, run dry: where the fuel is; the sum of what came and went is what is there', async () => {
    const { id = '' } = (await can('Can 1')) ?? {};
    await out({ litres: null, canId: id, bowl: 'run-dry', isTapShut: true });
    const { state, bowl, isTapShut } = await fuel();
    assert.deepEqual([state, bowl, isTapShut], [null, 'run-dry', true]);
    assert.equal((await can('Can 1'))?.litres, 16);
    await yard.ask('POST', `/api/fuel/cans/${id}`, { as: 'lead', body: { what: 'disposed' } });
    assert.equal((await can('Can 1'))?.litres, 0);
    const full = await yard.ask('POST', `/api/fuel/cans/${id}`, { as: 'lead', body: { what: 'bought', litres: 30 } });
    assert.equal((await problemIn(full)).code, 'tank-too-small');
    await yard.ask('POST', `/api/fuel/cans/${id}`, { as: 'lead', body: { what: 'bought', litres: 15 } });
    await yard.ask('POST', `/api/fuel/cans/${id}`, { as: 'lead', body: { what: 'treated' } });
    assert.equal((await can('Can 1'))?.staleBy, new Date(yard.now.getTime() + 365 * DAY).toISOString());
  });

  test('what is drained makes an empty can its own, and goes to no fuel that it would spoil', async () => {
    await add('Can 5', { litres: 0 });
    await add('Can 6');
    await pour(6, { boughtAt: '2030-04-16T08:00:00Z' });
    const idOf = async (name: string) => (await can(name))?.id ?? '';
    assert.equal((await problemIn(await out({ litres: 2, canId: await idOf('Can 6') }))).code, 'would-spoil');
    assert.equal((await out({ litres: 2, canId: await idOf('Can 5') })).status, 201);
    const five = await can('Can 5');
    assert.deepEqual([five?.fuel, five?.litres, five?.boughtAt.slice(0, 10)], ['e10', 2, '2030-04-16']);
    // To its like, and no younger for it.
    assert.equal((await out({ litres: null, canId: five?.id })).status, 201);
    assert.equal((await can('Can 5'))?.litres, 6);
    await pour(1, { boughtAt: '2030-02-01T08:00:00Z' });
    await yard.ask('POST', `/api/fuel/cans/${five?.id ?? ''}`, { as: 'lead', body: { what: 'disposed' } });
    await yard.ask('POST', `/api/fuel/cans/${five?.id ?? ''}`, { as: 'lead', body: { what: 'bought', litres: 5 } });
    assert.equal((await problemIn(await out({ litres: null, canId: five?.id }))).code, 'would-spoil');
    await out({ litres: null });
  });

  test('past its date it is a defect to be put right before hire; fresh fuel puts it right', async () => {
    await pour(4, { boughtAt: yard.now.toISOString() });
    const page = () => yard.read<UnitPage>('/api/units/GE-01');
    const stale = async () => (await page()).defects.filter(({ sentence }) => sentence.startsWith('The fuel is stale'));
    assert.equal(await findStaleFuel(yard.context), 0);
    yard.now = new Date('2030-06-20T08:00:00Z');
    await yard.signInAgain();
    assert.equal(await findStaleFuel(yard.context), 1);
    assert.equal(await findStaleFuel(yard.context), 0);
    assert.deepEqual(
      (await stale()).map(({ sentence, weight }) => [sentence, weight]),
      [['The fuel is stale: 35 days old, 10 % ethanol.', 'prep']],
    );
    await out({ litres: 1 });
    assert.equal((await stale()).length, 1);
    await out({ litres: null, bowl: 'drained' });
    assert.equal((await stale()).length, 0);
  });

  test('filled up, a can is as old as what was left in it, unless that was a drop', async () => {
    const change = async (name: string, body: object) =>
      yard.ask('POST', `/api/fuel/cans/${(await can(name))?.id}`, { as: 'technician', body });
    const bought = async (name: string) => (await can(name))?.boughtAt;
    const old = '2030-05-01T08:00:00.000Z';
    await add('Half', { litres: 5, boughtAt: old });
    await add('Drop', { litres: 1, boughtAt: old });
    for (const name of ['Half', 'Drop']) assert.equal((await change(name, { what: 'bought', litres: 10 })).status, 200);
    assert.deepEqual([await bought('Half'), await bought('Drop')], [old, yard.now.toISOString()]);
  });

  test('somebody looks into it: every screen says so, and how sure that is; a look to come and a tenth eighth are refused', async () => {
    await yard.addUnit('GE-03');
    const seen = (facts: object) => yard.enter({ tag: 'GE-03' }, 'fuel-seen', facts as never, 'counter');
    const everywhere = async () => [
      (await fuel('GE-03')).level,
      (await yard.read<UnitPage>('/api/units/GE-03')).fuel,
      (await yard.read<Opening>('/api/units/GE-03/opening', 'counter')).fuel,
    ];
    const [nothing, page, opening] = await everywhere();
    assert.deepEqual([nothing?.litres, nothing?.seenAt, page, opening], [0, null, null, null]);
    assert.equal((await seen({ fuelEighths: 6 })).status, 201);
    const level = { litres: 15, holds: 20, seenAt: yard.now.toISOString(), ranSince: false };
    assert.deepEqual(await everywhere(), [level, level, level]);
    assert.equal((await fuel('GE-03')).state?.unknown, 1);
    // Told later that it was dipped the day before: what was seen since counts.
    const before = new Date(yard.now.getTime() - DAY).toISOString();
    assert.equal((await seen({ fuelEighths: 1, seenAt: before })).status, 201);
    assert.deepEqual((await fuel('GE-03')).level, level);
    assert.equal((await seen({ fuelEighths: 9 })).status, 422);
    const ahead = new Date(yard.now.getTime() + DAY).toISOString();
    assert.equal((await seen({ fuelEighths: 1, seenAt: ahead })).status, 422);
  });

  test('what a model’s tank is comes before what its class’s is', async () => {
    const { model_id: model } = await yard.db.selectFrom('unit').select('model_id').limit(1).executeTakeFirstOrThrow();
    assert.deepEqual((await fuel()).tank, { litres: 20, isMetal: true, hasTap: true });
    const body = { litres: 12, isMetal: false, hasTap: null };
    assert.equal((await yard.ask('PUT', `/api/models/${model}/tank`, { as: 'lead', body })).status, 200);
    assert.deepEqual((await fuel()).tank, { litres: 12, isMetal: false, hasTap: true });
    assert.equal((await yard.ask('PUT', '/api/models/9999/tank', { as: 'lead', body })).status, 404);
  });
});
