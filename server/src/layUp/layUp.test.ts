import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import { LAY_UP_METHODS, SERVICE_PLANS, workOfLayUp, type Past } from '@hudrik/core/catalogue';
import type { LayUpReply, Opening, SeasonSheet, UnitFuel, UnitPage } from '@hudrik/core/contracts';
import { machineOfUnit } from '../findings/machineOfUnit';
import { paperIn } from '../testing/readPaper';
import { entryIn, problemIn, useYard } from '../testing/yard';

const yard = useYard();
yard.now = new Date('2030-04-20T08:00:00Z');
const read = () => yard.read<LayUpReply>('/api/lay-up', 'counter');
const unitOf = async (tag: string) => (await read()).units.find((unit) => unit.tag === tag);
const seasons = (list: object[], as: 'lead' | 'technician' = 'lead', classId = 'snowblower') =>
  yard.ask('PUT', `/api/seasons/${classId}`, { as, body: { seasons: list } });
const summer = { from: '05-01', to: '10-31', callOdds: 0.05 };
const choose = (tag: string, body: object) => yard.ask('PUT', `/api/units/${tag}/lay-up`, { as: 'lead', body });
const layUp = (tag: string, method: string) => yard.enter({ tag }, 'laid-up', { method, note: '' } as never);
const pick = ({ fuelBlend, stored }: Past) => [fuelBlend, stored];
const wake = (tag: string, facts: object) => yard.enter({ tag }, 'woken', { needed: '', ...facts } as never);

describe('lay-up', () => {
  test('without a season nothing stands; seasons that overlap or are none are refused', async () => {
    for (const tag of ['SN-01', 'SN-02', 'SN-03']) await yard.addUnit(tag, 'snowblower');
    assert.deepEqual((await read()).units, []);
    for (const wrong of [
      [summer, { ...summer, from: '10-01', to: '12-01' }],
      [{ ...summer, from: '02-30' }],
      [{ ...summer, callOdds: 2 }],
    ])
      assert.equal((await seasons(wrong)).status, 422, JSON.stringify(wrong));
    assert.equal((await seasons([summer], 'technician')).status, 403);
    assert.equal((await seasons([summer], 'lead', 'crane')).status, 404);
    assert.equal((await seasons([summer])).status, 200);
  });

  test('how long each will stand, and every way that fits with its price; the cheapest first', async () => {
    const unit = await unitOf('SN-01');
    assert.deepEqual([unit?.forecast?.beginsIn, unit?.forecast?.expected], [11, 183]);
    const costs = unit?.costs ?? [];
    assert.deepEqual(
      costs.map(({ cents }) => cents),
      costs.map(({ cents }) => cents).sort((a, b) => a - b),
    );
    // A battery to keep is what a snowblower has not.
    assert.equal(costs.length, 5);
    assert.ok(!costs.some(({ method }) => method === 'exercised'));
    assert.equal(costs[0]?.method, 'full-stabilised');
    assert.ok((unit?.breakEvens.length ?? 0) > 0);
  });

  test('a booked hire ends it sooner', async () => {
    const book = { reference: 'B-1', classId: 'snowblower', tag: 'SN-02', hirer: 'Orra' };
    const at = { fromAt: '2030-05-21T08:00:00Z', toAt: '2030-05-22T08:00:00Z' };
    await yard.ask('POST', '/api/hires', { as: 'counter', body: { ...book, ...at } });
    const { forecast } = (await unitOf('SN-02')) ?? {};
    assert.deepEqual([forecast?.endsByHire, Math.round(forecast?.expected ?? 0)], [true, 20]);
  });

  test('a lead says otherwise, with a reason, and the sheet goes by it; what does not fit is refused', async () => {
    assert.equal((await choose('SN-01', { method: 'run-dry', reason: '' })).status, 422);
    assert.equal((await problemIn(await choose('SN-01', { method: 'exercised', reason: 'So' }))).code, 'does-not-fit');
    await choose('SN-01', { method: 'run-dry', reason: 'No fuel in this shed' });
    const sheet = await yard.read<SeasonSheet>('/api/lay-up/sheet', 'technician');
    assert.deepEqual(
      sheet.lines.map(({ tag, method, litres, stabiliserMl }) => [tag, method, litres, stabiliserMl]).sort(),
      [
        ['SN-01', 'run-dry', 0, 0],
        ['SN-03', 'full-stabilised', 3.5, 18],
      ],
    );
    assert.deepEqual(sheet.wants, [{ fuel: 'e0', litres: 3.5, inStore: 0 }]);
    assert.equal(sheet.lines[0]?.days, 183);
    const csv = await (await yard.ask('GET', '/api/export/lay-up', { as: 'technician' })).text();
    assert.match(csv, /SN-03,snowblower,full-stabilised,183,e0,3.5,18,10,14/);
    const paper = await paperIn(await yard.ask('GET', '/api/lay-up/sheet.pdf', { as: 'technician' }));
    assert.ok(paper.says('SN-03: Full, ethanol-free with stabiliser, 183 days, 3.5 l with 18 ml of stabiliser'));
    const tags = await paperIn(await yard.ask('GET', '/api/lay-up/tags.pdf', { as: 'technician' }));
    assert.ok(tags.says('3.5 l of e0, 18 ml of stabiliser'));
    await choose('SN-01', { method: 'alkylate', reason: 'House rule', forClass: true });
    for (const tag of ['SN-01', 'SN-03']) assert.equal((await unitOf(tag))?.choice?.method, 'alkylate');
    await choose('SN-01', { method: null, forClass: true });
    assert.equal((await unitOf('SN-03'))?.choice, null);
  });

  test('its job has the steps of the method and of the class; then it is laid up, with what stands in it', async () => {
    const work = workOfLayUp('full-stabilised', 'snowblower');
    const raised = { kind: 'lay-up', work, title: 'Lay up', minutes: 14, blocks: 'none' };
    const { jobId } = await entryIn(await yard.enter({ tag: 'SN-03' }, 'job-raised', raised as never, 'lead'));
    assert.equal((await unitOf('SN-03'))?.hasJob, true);
    const wrong = { ...raised, work: 'lay-up-by-magic-snowblower' };
    assert.equal((await yard.enter({ tag: 'SN-03' }, 'job-raised', wrong as never, 'lead')).status, 422);
    const on = { jobId: jobId ?? '' };
    await yard.enter(on, 'job-started', {});
    const { entries } = await yard.read<{ entries: { facts: { steps?: { stepId: string }[] } }[] }>(
      `/api/jobs/${jobId}/card`,
    );
    const steps = entries.flatMap((entry) => entry.facts.steps ?? []);
    assert.ok(steps.length > 5);
    assert.equal((await problemIn(await yard.enter(on, 'job-finished', { note: '' }))).code, 'card-refused');
    for (const { stepId } of steps) await yard.enter(on, 'step-done', { stepId });
    assert.equal((await yard.enter(on, 'job-finished', { note: '' })).status, 201);
    assert.equal((await yard.read<UnitPage>('/api/units/SN-03')).unit.verdict.readiness, 'laid-up');
    const { state, isTapShut } = await yard.read<UnitFuel>('/api/units/SN-03/fuel');
    assert.deepEqual([state?.litres, state?.ethanol, isTapShut], [3.5, 0, true]);
    assert.equal((await problemIn(await layUp('SN-03', 'alkylate'))).code, 'already-there');
  });

  test('the work of waking it is its method’s, and what its service plan wants by the time it goes out', async () => {
    const minutes = async (tag: string) => (await unitOf(tag))?.laidUp?.wakeMinutes;
    assert.equal(await minutes('SN-03'), LAY_UP_METHODS['full-stabilised'].wakeMinutes);
    await yard.addUnit('GE-05', 'generator');
    const hire = { reference: 'B-9', classId: 'generator', tag: 'GE-05', hirer: 'Orra', sure: true };
    const at = { fromAt: '2034-11-21T08:00:00Z', toAt: '2034-11-22T08:00:00Z' };
    assert.equal((await yard.ask('POST', '/api/hires', { as: 'counter', body: { ...hire, ...at } })).status, 201);
    assert.equal((await layUp('GE-05', 'run-dry')).status, 201);
    // Four and a half years on all that goes by the calendar is due, but for what is looked after as it stands.
    const due = SERVICE_PLANS.generator.items.filter(({ every: { months = 0 } }) => months > 3 && months <= 54);
    assert.ok(due.length > 1);
    const own: number = LAY_UP_METHODS['run-dry'].wakeMinutes;
    const all = due.reduce((sum, item) => sum + item.minutes, own);
    assert.equal(await minutes('GE-05'), all);
    // Called for today, it wants its method's alone.
    assert.equal((await yard.read<Opening>('/api/units/GE-05/opening')).workMinutes, own);
    assert.equal((await yard.read<Opening>('/api/units/SN-01/opening')).workMinutes, 0);
  });

  test('woken: nobody knows how it is, a bad start is a defect, and both move the odds', async () => {
    const before = (await unitOf('SN-01'))?.costs.find(({ method }) => method === 'full-stabilised')?.risk ?? 0;
    yard.now = new Date('2030-10-20T08:00:00Z');
    await yard.signInAgain();
    assert.equal((await wake('SN-03', { pulls: null, wantsFuelRepair: true, needed: 'Needle stuck' })).status, 201);
    const { verdict } = (await yard.read<UnitPage>('/api/units/SN-03')).unit;
    assert.equal(verdict.readiness, 'held');
    assert.ok(verdict.because.includes('Woken, it did not start: Needle stuck.'), JSON.stringify(verdict));
    assert.deepEqual((await read()).wakes, [
      { method: 'full-stabilised', hasEthanol: false, band: 3, tries: 1, failed: 1 },
    ]);
    yard.now = new Date('2030-04-20T08:00:00Z');
    await yard.signInAgain();
    const after = (await unitOf('SN-01'))?.costs.find(({ method }) => method === 'full-stabilised')?.risk ?? 0;
    assert.ok(after > before * 1.3, `${before} ${after}`);
    assert.equal((await problemIn(await wake('SN-01', { pulls: 1, wantsFuelRepair: false }))).code, 'not-laid-up');
  });

  test('whoever finds its fault is told how it stood, and on what', async () => {
    const past = async (tag: string, at: string) => {
      const unit = await yard.db.selectFrom('unit').selectAll().where('tag', '=', tag).executeTakeFirstOrThrow();
      const none = { engine: {}, past: {} };
      return yard.db.transaction().execute((trx) => machineOfUnit(trx, unit, none, new Date(at)));
    };
    assert.deepEqual(pick((await past('SN-03', '2030-10-25T08:00:00Z')).past), ['E0', 'stabilised-full']);
    // Long after it was woken, how it stood tells nothing more.
    assert.deepEqual(pick((await past('SN-03', '2031-02-25T08:00:00Z')).past), ['E0', undefined]);
    assert.deepEqual(pick((await past('SN-01', '2030-10-25T08:00:00Z')).past), [undefined, undefined]);
  });

  test('by no other way: a change of the unit neither lays it up nor wakes it', async () => {
    await layUp('SN-01', 'run-dry');
    const { version } = (await yard.read<UnitPage>('/api/units/SN-01')).unit;
    const headers = { 'If-Match': `"${version}"` };
    await yard.ask('PATCH', '/api/units/SN-01', { as: 'lead', body: { laidUp: false }, headers });
    assert.equal((await yard.read<UnitPage>('/api/units/SN-01')).unit.verdict.readiness, 'laid-up');
    assert.equal((await read()).wakes.length, 1);
  });
});
