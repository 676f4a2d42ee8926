import assert from 'node:assert/strict';
import { after, before, describe, test } from 'node:test';
import { ROLES } from '@hudrik/core/contracts';
import { loadDemo } from '../demo/load';
import { fuzz, oddRequests, type Fuzzed } from '../testing/oddRequests';
import { TestYard } from '../testing/yard';

const SEED = 20261126;
const COUNT = Number(process.env['HUDRIK_FUZZ'] ?? 400);

const worst = ({ bad }: Fuzzed): string =>
  bad
    .slice(0, 5)
    .map(({ odd, status }) => `${status} ${odd.method} ${odd.path.slice(0, 120)} ${String(odd.body).slice(0, 200)}`)
    .join('\n');

describe('odd requests', () => {
  const yard = new TestYard();
  before(async () => {
    yard.now = new Date();
    await yard.open();
    await loadDemo(yard.db, yard.now, { days: 20 });
    await yard.addPeople();
  });
  after(() => yard.close());

  test(`${COUNT} of them, to every operation: none ends in a failure of the server`, async () => {
    const ids = async (table: 'job' | 'finding' | 'part_line' | 'part_order' | 'photo') =>
      (await yard.db.selectFrom(table).select('id').orderBy('id').limit(12).execute()).map((row) => String(row.id));
    const units = await yard.db.selectFrom('unit').select('tag').orderBy('tag').limit(20).execute();
    const known = {
      tags: units.map((unit) => unit.tag),
      ids: (await Promise.all((['job', 'finding', 'part_line', 'part_order', 'photo'] as const).map(ids))).flat(),
    };
    const requests = oddRequests(COUNT, SEED, known);
    assert.equal(new Set(requests.map((one) => one.operation)).size > 50, true);
    const ended = await fuzz(
      yard.url,
      requests,
      ROLES.map((role) => `${yard.device.cookie}; ${yard.cookieOf(role)}`),
    );
    assert.equal(ended.bad.length, 0, worst(ended));
    // It is no test when all are refused before they are read.
    const share = (from: number, to: number): number =>
      [...ended.byStatus].reduce(
        (sum, [status, n]) => (Number(status) >= from && Number(status) < to ? sum + n : sum),
        0,
      ) / COUNT;
    assert.ok(
      share(200, 300) > 0.15 && ended.done.size > 25,
      `${JSON.stringify([...ended.byStatus])} ${[...ended.done]}`,
    );
    assert.equal((await yard.ask('GET', '/api/shift', { as: 'lead' })).status, 200);
    assert.equal(({} as { a?: unknown }).a, undefined);
  });
});
