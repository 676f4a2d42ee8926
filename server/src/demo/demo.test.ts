import assert from 'node:assert/strict';
import { after, before, describe, test } from 'node:test';
import { COMMANDS } from '../administration/commands';
import { TestYard } from '../testing/yard';
import { loadDemo } from './load';
import { generateYard, DEMO_SCALE } from './generate';

const personIds = { counter: 1, technicians: [2, 3] };

describe('the demo', () => {
  const yard = new TestYard();
  before(() => yard.open());
  after(() => yard.close());

  test('the same seed and day give the same yard; another seed another', () => {
    const now = new Date('2030-03-04T09:00:00Z');
    const make = (seed: string) =>
      JSON.stringify(generateYard({ ...DEMO_SCALE, seed, now, personIds }).byTable.check_in.slice(0, 50));
    assert.equal(make('one'), make('one'));
    assert.notEqual(make('one'), make('two'));
  });

  test('about 60 units with two years behind them pass every constraint, and their readiness agrees with their facts', async () => {
    const records = await loadDemo(yard.db, yard.now);
    assert.ok((records ?? 0) > 8000);
    const said: string[] = [];
    assert.equal(await COMMANDS['check']?.run(yard.db, [], (line) => said.push(line), yard.pool), 0);
    assert.deepEqual(said, ['62 units looked at, 0 wrong.']);
  });

  test('loading again changes nothing', async () => {
    assert.equal(await loadDemo(yard.db, yard.now), null);
  });

  test('every readiness is to be seen', async () => {
    const rows = await yard.db.selectFrom('unit').select('readiness').distinct().execute();
    assert.deepEqual(rows.map((row) => row.readiness).sort(), ['fit', 'gone', 'held', 'laid-up', 'out', 'prep']);
  });

  test('the administration’s export gives what the import takes', async () => {
    const lines: string[] = [];
    assert.equal(await COMMANDS['export']?.run(yard.db, ['units'], (line) => lines.push(line), yard.pool), 0);
    assert.equal(lines.join('\n').split('\r\n').length, 62);
    await assert.rejects(
      async () => COMMANDS['export']?.run(yard.db, ['cakes'], () => undefined, yard.pool),
      /Say which/,
    );
  });
});
