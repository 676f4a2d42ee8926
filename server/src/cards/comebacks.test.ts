import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import { sql } from 'kysely';
import { useYard } from '../testing/yard';
import { countComebacks } from './countComebacks';

const DAY = 86_400_000;

describe('how often the same trouble came back', () => {
  const yard = useYard();
  const unitId = async (tag: string): Promise<number> =>
    (await yard.db.selectFrom('unit').select('id').where('tag', '=', tag).executeTakeFirstOrThrow()).id;

  /** A repair that was raised and closed so many days ago; not closed: it is open. */
  const repair = async (tag: string, work: string, raised: number, closed: number | null, kind = 'repair') => {
    const at = (days: number) => new Date(yard.now.getTime() - days * DAY);
    const id = await unitId(tag);
    await yard.db.transaction().execute(async (trx) => {
      await sql`select set_config('hudrik.unit', 'any', true)`.execute(trx);
      await trx
        .insertInto('job')
        .values({
          unit_id: id,
          check_in_id: null,
          kind: kind as 'repair',
          work,
          title: work,
          minutes: 10,
          blocks: 'none',
          origins: '[]',
          why: '[]',
          caution: null,
          state: closed === null ? 'waiting' : 'done',
          raised_at: at(raised),
          closed_at: closed === null ? null : at(closed),
        } as never)
        .execute();
    });
  };
  const count = async (tag: string) => countComebacks(yard.db, await unitId(tag), yard.now);

  test('within 30 days of its end, by its work; later, other work and what was dropped are none', async () => {
    await yard.addUnit('GE-71');
    assert.equal(await count('GE-71'), 0);
    await repair('GE-71', 'fuel-leak', 200, 199);
    await repair('GE-71', 'fuel-leak', 180, 179);
    assert.equal(await count('GE-71'), 1);
    // 31 days after the last, and other work.
    await repair('GE-71', 'fuel-leak', 148, 147);
    await repair('GE-71', 'exhaust', 146, 145);
    assert.equal(await count('GE-71'), 1);
    await repair('GE-71', 'exhaust', 130, null);
    assert.equal(await count('GE-71'), 2);
  });

  test('what is older than a year does not count, and looking into why begins anew', async () => {
    await yard.addUnit('GE-72');
    for (const day of [400, 390, 380]) await repair('GE-72', 'fuel-leak', day, day - 1);
    assert.equal(await count('GE-72'), 0);
    for (const day of [90, 80, 70]) await repair('GE-72', 'fuel-leak', day, day - 1);
    assert.equal(await count('GE-72'), 2);
    await repair('GE-72', 'why-it-comes-back', 60, 59, 'prep');
    assert.equal(await count('GE-72'), 0);
    await repair('GE-72', 'fuel-leak', 50, 49);
    assert.equal(await count('GE-72'), 1);
  });
});
