import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import type { LogRecord } from '@hudrik/core/contracts';
import { entryIn, problemIn, useYard } from '../testing/yard';

// The yard's clock stands at 2030-03-04, 09:00.
describe('the log', () => {
  const yard = useYard();
  interface Page {
    readonly records: readonly LogRecord[];
    readonly next: string | null;
  }
  const history = (tag: string, query = '') => yard.read<Page>(`/api/units/${tag}/history${query}`);
  const note = (tag: string, text: string, at?: string) =>
    yard.enter({ tag, ...(at === undefined ? {} : { at }) }, 'note', { text });
  const cursor = (text: string) => Buffer.from(text).toString('base64url');

  test('in pages that meet exactly, newest first, also of one and the same moment', async () => {
    await yard.addUnit('GE-01');
    for (let n = 0; n < 5; n++) await note('GE-01', `n${n}`);
    const seen: unknown[] = [];
    let pages = 0;
    for (let query = '?limit=2'; ; pages++) {
      const page = await history('GE-01', query);
      seen.push(...page.records.map((record) => record.facts['text'] ?? record.kind));
      if (page.next === null) break;
      query = `?limit=2&cursor=${encodeURIComponent(page.next)}`;
    }
    assert.deepEqual([seen, pages], [['n4', 'n3', 'n2', 'n1', 'n0', 'unit-added'], 2]);
    assert.equal((await history('GE-01', '?limit=6')).next, null);
  });

  test('a place in it that is none is refused', async () => {
    await yard.addUnit('GE-02');
    const good = '12|2030-03-04T09:00:00.000000Z';
    assert.equal(
      (await yard.ask('GET', `/api/units/GE-02/history?cursor=${cursor(good)}`, { as: 'lead' })).status,
      200,
    );
    for (const text of [
      '',
      '12',
      'x|2030-03-04T09:00:00.000000Z',
      '1x|2030-03-04T09:00:00.000000Z',
      'x1|2030-03-04T09:00:00.000000Z',
      '1234567890123456|2030-03-04T09:00:00.000000Z',
      '12|2030-03-04T09:00:00Z',
      '12|2030-13-04T09:00:00.000000Z',
      '12|yesterday',
    ]) {
      const answer = await yard.ask('GET', `/api/units/GE-02/history?cursor=${cursor(text)}`, { as: 'lead' });
      if (text !== '') assert.equal((await problemIn(answer)).facts?.['field'], 'cursor', text);
    }
  });

  test('when it happened is as the device says, never later than it arrived; how far that is known is kept', async () => {
    await yard.addUnit('GE-03');
    const said = async (at: string, offsetMs: number | null = 0) => {
      const body = { id: randomUUID(), kind: 'note', tag: 'GE-03', facts: { text: 'x' }, at, offsetMs };
      const entry = await entryIn(await yard.ask('POST', '/api/log', { as: 'lead', body }));
      return [entry.at, entry.timing ?? 'known', entry.takenAt];
    };
    const now = '2030-03-04T09:00:00.000Z';
    assert.deepEqual(await said('2030-03-01T09:00:00.000Z'), ['2030-03-01T09:00:00.000Z', 'known', now]);
    assert.deepEqual(await said('2030-03-01T08:59:59.999Z'), ['2030-03-01T08:59:59.999Z', 'too-old', now]);
    assert.deepEqual(await said('2030-03-04T09:00:00.001Z'), [now, 'known', now]);
    assert.deepEqual(await said('2030-03-04T08:59:00.000Z'), ['2030-03-04T08:59:00.000Z', 'known', now]);
    assert.deepEqual(await said('2030-03-04T08:59:00.000Z', null), ['2030-03-04T08:59:00.000Z', 'unknown', now]);
    assert.equal((await entryIn(await note('GE-03', 'x'))).at, now);
  });

  test('what an entry hangs on must be there, and be said', async () => {
    await yard.addUnit('GE-04');
    const problem = async (body: object) => {
      const { code, facts } = await problemIn(
        await yard.ask('POST', '/api/log', { as: 'lead', body: { id: randomUUID(), ...body } }),
      );
      return [code, facts?.['field'] ?? null];
    };
    assert.deepEqual(await problem({ kind: 'note', facts: { text: 'x' } }), ['not-valid', 'tag']);
    assert.deepEqual(await problem({ kind: 'note', tag: 'GE-99', facts: { text: 'x' } }), ['no-such-tag', null]);
    assert.deepEqual(await problem({ kind: 'note', jobId: '999999', facts: { text: 'x' } }), ['not-found', null]);
    assert.deepEqual(await problem({ kind: 'hands-on', tag: 'GE-04', facts: {} }), ['not-valid', 'jobId']);
    assert.deepEqual(
      await problem({ kind: 'seen', facts: { observation: 'oil-look', outcomes: ['clean'], reading: null } }),
      ['not-valid', 'findingId'],
    );
    assert.deepEqual(await problem({ kind: 'part-line-changed', facts: { action: 'use' } }), ['not-valid', 'lineId']);
    assert.deepEqual(await problem({ kind: 'part-line-changed', lineId: randomUUID(), facts: { action: 'use' } }), [
      'not-found',
      null,
    ]);
  });

  test('a lead sends on what another made: both names stand; what the maker may counts', async () => {
    await yard.addUnit('GE-05');
    const apprentice = yard.personId('apprentice');
    const sendOn = (as: 'lead' | 'technician', madeBy: number, kind: 'note' | 'job-raised') =>
      kind === 'note'
        ? yard.enter({ tag: 'GE-05', madeBy }, 'note', { text: 'Loud' }, as)
        : yard.enter(
            { tag: 'GE-05', madeBy },
            'job-raised',
            { kind: 'prep', title: 'Wash', minutes: 5, blocks: 'prep' },
            as,
          );
    const entry = await entryIn(await sendOn('lead', apprentice, 'note'));
    assert.deepEqual([entry.by, entry.sentBy], ['The apprentice', 'The lead']);
    const own = await entryIn(await sendOn('lead', yard.personId('lead'), 'note'));
    assert.deepEqual([own.by, own.sentBy], ['The lead', null]);
    assert.equal((await problemIn(await sendOn('technician', apprentice, 'note'))).code, 'not-your-role');
    assert.equal((await problemIn(await sendOn('lead', apprentice, 'job-raised'))).code, 'not-your-role');
    assert.equal((await problemIn(await sendOn('lead', 99_999, 'note'))).code, 'not-found');
  });

  test('a change that leaves readiness as it was leaves the unit’s version too', async () => {
    await yard.addUnit('GE-06');
    const version = async () =>
      (await yard.db.selectFrom('unit').select('version').where('tag', '=', 'GE-06').executeTakeFirstOrThrow()).version;
    const before = await version();
    await note('GE-06', 'x');
    assert.equal(await version(), before);
    await yard.enter({ tag: 'GE-06' }, 'defect-found', { sentence: 'Dirty.', weight: 'prep', safety: false });
    assert.equal(await version(), before + 1);
  });
});
