import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import { EMPTY_SHEET, type FindingRecord } from '@hudrik/core/contracts';
import { problemIn, useYard, jsonOf } from '../testing/yard';

const SHEET = {
  rated: { hertz: 50, volts: 230 },
  engine: { ignition: 'points', strokes: 4, release: false },
  limits: { plugGapInch: [0.02, 0.024], compressionFree: [110, null] },
};

describe('a model’s data sheet', () => {
  const yard = useYard();
  const modelOf = async (tag: string): Promise<number> =>
    (await yard.db.selectFrom('unit').select('model_id').where('tag', '=', tag).executeTakeFirstOrThrow()).model_id;
  const put = (id: number | string, body: object, as: 'lead' | 'technician' = 'lead') =>
    yard.ask('PUT', `/api/models/${id}/data-sheet`, { as, body });

  test('is empty at first, and is what a lead wrote afterwards', async () => {
    await yard.addUnit('GE-01');
    const id = await modelOf('GE-01');
    const read = async () => await yard.read<{ dataSheet: object }>(`/api/models/${id}`, 'counter');
    assert.deepEqual((await read()).dataSheet, EMPTY_SHEET);
    assert.equal((await put(id, SHEET, 'technician')).status, 403);
    assert.equal((await put(id, SHEET)).status, 200);
    assert.deepEqual((await read()).dataSheet, { ...EMPTY_SHEET, ...SHEET });
    // A device of an older edition knows nothing of what came since: it takes nothing away.
    await put(id, { ...SHEET, plug: 'NX-7R', notes: [{ text: 'Leave the left bolt', places: ['card'] }] });
    await put(id, SHEET);
    const kept = (await read()).dataSheet as { plug: string; notes: unknown[] };
    assert.deepEqual([kept.plug, kept.notes.length], ['NX-7R', 1]);
    await put(id, { ...SHEET, plug: '', notes: [] });
  });

  test('a new model is as another one of its class: sheet, tank and service plan; of another class it is none', async () => {
    const from = await modelOf('GE-01');
    const plan = { severity: 0.7, anchorMonth: null, items: [{ id: 'engine-oil', hours: 80 }] };
    assert.equal(
      (await yard.ask('PUT', `/api/models/${from}/service-plan`, { as: 'lead', body: { plan } })).status,
      200,
    );
    await yard.db
      .updateTable('model')
      .set({ tank_litres: 17, metal_tank: true, fuel_tap: false })
      .where('id', '=', from)
      .execute();
    const add = (body: object) => yard.ask('POST', '/api/models', { as: 'lead', body });
    const twin = { classId: 'generator', make: 'Tuvellan', name: 'Twin', copyOf: from };
    const { id } = await jsonOf<{ id: number }>(await add(twin));
    const read = (of: number) => yard.read<{ dataSheet: object }>(`/api/models/${of}`, 'counter');
    assert.deepEqual((await read(id)).dataSheet, (await read(from)).dataSheet);
    const own = await yard.read<{ own: object; version: number }>(`/api/models/${id}/service-plan`, 'lead');
    assert.deepEqual([own.own, own.version], [plan, 2]);
    const tank = await yard.db
      .selectFrom('model')
      .select(['tank_litres', 'metal_tank', 'fuel_tap'])
      .where('id', '=', id)
      .executeTakeFirstOrThrow();
    assert.deepEqual(tank, { tank_litres: 17, metal_tank: true, fuel_tap: false });
    // What is changed of one leaves the other as it is.
    await put(id, { ...SHEET, plug: 'NX-9' });
    assert.notDeepEqual((await read(id)).dataSheet, (await read(from)).dataSheet);
    assert.equal((await problemIn(await add({ ...twin, name: 'Third', classId: 'tiller' }))).code, 'not-valid');
    assert.equal((await problemIn(await add({ ...twin, name: 'Third', copyOf: 99_999 }))).code, 'not-found');
    assert.equal((await problemIn(await add(twin))).code, 'already-there');
    const { models } = await yard.read<{ models: { name: string }[] }>('/api/models', 'lead');
    assert.ok(!models.some(({ name }) => name === 'Third'));
  });

  test('speaks for its units: engine and limits are in the finding', async () => {
    await yard.addUnit('GE-02');
    await put(await modelOf('GE-02'), SHEET);
    const id = randomUUID();
    await yard.enter({ id, tag: 'GE-02' }, 'finding-opened', { machine: { engine: {}, past: {} } });
    const finding = await yard.read<FindingRecord>(`/api/findings/${id}`);
    assert.equal(finding.machine.engine.ignition, 'points');
    assert.deepEqual(finding.limits, SHEET.limits);
  });

  test('what is said of one engine beats the sheet', async () => {
    await yard.addUnit('GE-03');
    await put(await modelOf('GE-03'), SHEET);
    const id = randomUUID();
    const machine = { engine: { ignition: 'coil' }, past: { daysStood: 200 } } as const;
    await yard.enter({ id, tag: 'GE-03' }, 'finding-opened', { machine });
    const finding = await yard.read<FindingRecord>(`/api/findings/${id}`);
    assert.deepEqual(
      [finding.machine.engine.ignition, finding.machine.engine.strokes, finding.machine.past.daysStood],
      ['coil', 4, 200],
    );
  });

  test('nonsense and strangers are refused', async () => {
    const id = await modelOf('GE-01');
    for (const body of [
      { engine: { ignition: 'magic' }, limits: {} },
      { engine: {}, limits: { plugGapInch: [0.02] } },
      { engine: {}, limits: { plugGapInch: ['a', 'b'] } },
      // Inverted and impossible bands.
      { limits: { plugGapInch: [0.03, 0.02] } },
      { limits: { plugGapInch: [0.03, null] } },
      { limits: { airGapInch: [10, 12] } },
      { limits: { leakDownPercent: [20, 40] } },
      { limits: { compressionFree: [900, null] } },
      { measures: [{ name: 'Stem', unit: 'mm', from: 3, to: 2 }] },
      { measures: [{ name: 'Stem', unit: 'furlong', from: 3, to: null }] },
      { torques: [{ what: 'Head', value: 18, unit: 'mm' }] },
      { torques: [{ what: 'Head', value: 18, unit: 'lbf·ft', order: [1, 1, 2] }] },
      { torques: [{ what: 'Head', value: 18, unit: 'lbf·ft', order: [1, 2], long: [3] }] },
      { oils: [{ where: 'Engine', grade: 'SAE 30', fromC: 20, toC: 5 }] },
    ])
      assert.equal((await put(id, body)).status, 422, JSON.stringify(body));
    assert.deepEqual(
      (await jsonOf<{ dataSheet: object }>(await put(id, { engine: {}, limits: { colour: [1, 2] } }))).dataSheet,
      EMPTY_SHEET,
    );
    for (const stranger of [999_999, 'abc'])
      assert.equal((await problemIn(await put(stranger, SHEET))).code, 'not-found');
  });

  test('what is said of an engine later is kept, and what was said last counts', async () => {
    await yard.addUnit('GE-04');
    const id = randomUUID();
    await yard.enter({ id, tag: 'GE-04' }, 'finding-opened', { machine: { engine: {}, past: {} } });
    const describe = async (daysStood: number): Promise<FindingRecord> => {
      await yard.enter({ findingId: id }, 'machine-described', {
        machine: { classId: 'generator', engine: {}, past: { daysStood } },
      });
      return yard.read(`/api/findings/${id}`);
    };
    assert.equal((await describe(120)).machine.past.daysStood, 120);
    assert.equal((await describe(130)).machine.past.daysStood, 130);
  });
});
