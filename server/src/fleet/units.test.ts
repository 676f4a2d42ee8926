import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import type { Opening, UnitPage, UnitsReply } from '@hudrik/core/contracts';
import { foundCheckIn, wellCheckIn } from '../testing/samples';
import { problemIn, useYard } from '../testing/yard';

describe('the yard', () => {
  const yard = useYard();
  const list = (query = ''): Promise<UnitsReply> => yard.read<UnitsReply>(`/api/units${query}`);
  const tags = async (query = ''): Promise<string[]> => (await list(query)).units.map((unit) => unit.tag);
  const change = async (tag: string, body: object, as: 'lead' | 'technician' = 'lead', version?: number) => {
    const seen = version ?? (await yard.read<UnitPage>(`/api/units/${tag}`)).unit.version;
    return yard.ask('PATCH', `/api/units/${tag}`, { as, body, headers: { 'If-Match': `"${seen}"` } });
  };

  test('by class in their order, then by tag, a page at a time', async () => {
    await yard.addUnit('WE-02', 'welder');
    await yard.addUnit('GE-10', 'generator');
    await yard.addUnit('GE-02', 'generator');
    await yard.addUnit('PW-07', 'pressure-washer');
    await yard.addUnit('TI-01', 'tiller');
    assert.deepEqual(await tags(), ['PW-07', 'GE-02', 'GE-10', 'TI-01', 'WE-02']);
    const seen: string[] = [];
    for (let cursor = ''; ;) {
      const page = await list(`?limit=2${cursor}`);
      assert.ok(page.units.length <= 2);
      seen.push(...page.units.map((unit) => unit.tag));
      if (page.next === null) break;
      cursor = `&cursor=${encodeURIComponent(page.next)}`;
    }
    assert.deepEqual(seen, await tags());
    assert.equal((await problemIn(await yard.ask('GET', '/api/units?cursor=eA', { as: 'lead' }))).code, 'not-valid');
  });

  test('by class, by readiness, by what is typed of tag, serial and model', async () => {
    await yard.checkIn(foundCheckIn('GE-02', 'generator', '101.0', { sockets: 'damaged' }));
    assert.deepEqual(await tags('?class=generator'), ['GE-02', 'GE-10']);
    assert.deepEqual(await tags('?readiness=held'), ['GE-02']);
    assert.deepEqual(await tags('?class=welder&readiness=held'), []);
    assert.deepEqual(await tags('?find=ge10'), ['GE-10']);
    assert.deepEqual(await tags('?find=S-PW'), ['PW-07']);
    assert.deepEqual(await tags(`?find=${encodeURIComponent('tuvellan model TI')}`), ['TI-01']);
    assert.deepEqual(await tags('?find=%25'), []);
    assert.deepEqual(await tags('?find=_E'), []);
    assert.deepEqual((await list()).counts, { fit: 4, held: 1 });
    assert.deepEqual((await list('?class=generator')).counts, { fit: 1, held: 1 });
  });

  test('what its own plate says counts for it, and goes again when it is taken out', async () => {
    const page = () => yard.read<UnitPage>('/api/units/GE-10');
    assert.deepEqual((await page()).ratings.unit, {});
    assert.equal((await change('GE-10', { rated: { hertz: 50 } }, 'technician')).status, 403);
    assert.equal((await change('GE-10', { rated: { hertz: -1 } })).status, 422);
    assert.equal((await change('GE-10', { rated: { hertz: 50, volts: 230 } })).status, 200);
    assert.deepEqual((await page()).ratings.unit, { hertz: 50, volts: 230 });
    // Another change leaves it.
    assert.equal((await change('GE-10', { homeBay: (await page()).unit.homeBay })).status, 200);
    assert.deepEqual((await yard.read<Opening>('/api/units/GE-10/opening', 'technician')).ratings.unit, {
      hertz: 50,
      volts: 230,
    });
    assert.equal((await change('GE-10', { rated: {} })).status, 200);
    assert.deepEqual((await page()).ratings.unit, {});
  });

  test('a unit that is gone is not on the yard, and can be found', async () => {
    assert.equal((await change('WE-02', { gone: { why: 'Sold' } })).status, 200);
    assert.deepEqual(await tags('?class=welder'), []);
    assert.deepEqual(await tags('?readiness=gone'), ['WE-02']);
    assert.deepEqual(await tags('?find=WE-02'), ['WE-02']);
  });

  test('hours to its oil service, its next hire, and what it is', async () => {
    await yard.ask('POST', '/api/hires', {
      as: 'counter',
      body: {
        sure: true,
        reference: 'N-2',
        classId: 'generator',
        tag: 'GE-10',
        fromAt: '2030-05-01T08:00:00Z',
        toAt: '2030-05-02T08:00:00Z',
      },
    });
    await yard.ask('POST', '/api/hires', {
      as: 'counter',
      body: {
        sure: true,
        reference: 'N-1',
        classId: 'generator',
        tag: 'GE-10',
        fromAt: '2030-04-01T08:00:00Z',
        toAt: '2030-04-02T08:00:00Z',
      },
    });
    const [unit] = (await list('?find=GE-10')).units;
    assert.deepEqual(
      [unit?.nextHire?.reference, unit?.nextHire?.fromAt, unit?.nextHire?.tag, unit?.nextHire?.state],
      ['N-1', '2030-04-01T08:00:00.000Z', 'GE-10', 'booked'],
    );
    assert.deepEqual([unit?.trueHours, unit?.model.name, unit?.homeBay], [100, 'Model GE-10', 'North 1']);
    assert.equal(unit?.hoursToOilService, (unit?.oilServiceEvery ?? 0) + 100 - 100);
    await yard.checkIn(wellCheckIn('GE-10', 'generator', '107.3'));
    assert.equal((await list('?find=GE-10')).units[0]?.hoursToOilService, (unit?.oilServiceEvery ?? 0) - 7.3);
  });

  test('laid up and back; changed only by a lead, and only on what was seen', async () => {
    const { version } = (await yard.read<UnitPage>('/api/units/TI-01')).unit;
    assert.equal((await change('TI-01', { homeBay: 'South 4' }, 'technician')).status, 403);
    // How it stands is an entry of its own, with what was done.
    await change('TI-01', { laidUp: true });
    assert.equal((await yard.read<UnitPage>('/api/units/TI-01')).unit.verdict.readiness, 'fit');
    const stands = { method: 'as-it-is', note: '' } as const;
    assert.equal((await yard.enter({ tag: 'TI-01' }, 'laid-up', stands, 'counter')).status, 403);
    assert.equal((await yard.enter({ tag: 'TI-01' }, 'laid-up', stands)).status, 201);
    assert.equal((await yard.read<UnitPage>('/api/units/TI-01')).unit.verdict.readiness, 'laid-up');
    assert.equal((await change('TI-01', { homeBay: 'South 4' }, 'lead', version)).status, 412);
    const unreadable = await yard.ask('PATCH', '/api/units/TI-01', {
      as: 'lead',
      body: { homeBay: 'South 5' },
      headers: { 'If-Match': 'the last one' },
    });
    assert.deepEqual([unreadable.status, (await problemIn(unreadable)).facts?.['field']], [422, 'If-Match']);
    assert.equal((await change('TI-01', { homeBay: 'South 4' })).status, 200);
    const wakes = { pulls: 1, wantsFuelRepair: false, needed: '' };
    assert.equal((await yard.enter({ tag: 'TI-01' }, 'woken', wakes)).status, 201);
    const after = (await yard.read<UnitPage>('/api/units/TI-01')).unit;
    assert.deepEqual([after.homeBay, after.verdict.readiness], ['South 4', 'held']);
    // Nobody knows how it is until somebody has looked.
    assert.match(after.verdict.because.join(), /^Not looked at/);
    assert.equal((await yard.checkIn(wellCheckIn('TI-01', 'tiller', '101.0'))).status, 201);
    assert.equal((await yard.read<UnitPage>('/api/units/TI-01')).unit.verdict.readiness, 'fit');
    assert.ok(after.version > version);
  });
});
