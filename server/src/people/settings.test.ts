import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import type { Settings } from '@hudrik/core/contracts';
import { problemIn, useYard } from '../testing/yard';

describe('how the yard writes', () => {
  const yard = useYard();
  const put = (body: Partial<Settings>) => yard.ask('PUT', '/api/settings', { as: 'lead', body });
  const ours: Settings = { yard: 'Askild Hire', currency: 'NOK', locale: 'nb-NO', timeZone: 'Europe/Oslo' };

  test('until a lead says so: the clock is this server’s', async () => {
    const { timeZone } = await yard.read<Settings>('/api/settings', 'counter');
    assert.equal(timeZone, Intl.DateTimeFormat().resolvedOptions().timeZone);
  });

  test('what a lead says is kept, and everybody reads it', async () => {
    assert.deepEqual(await (await put(ours)).json(), ours);
    assert.deepEqual(await yard.read<Settings>('/api/settings', 'apprentice'), ours);
  });

  test('a currency, a locale or a time zone that is none is refused by its field, and nothing changes', async () => {
    for (const [field, value] of [
      ['timeZone', 'Mars/Olympus'],
      ['locale', 'en-'],
      ['locale', 'en_US'],
      ['currency', 'kroner'],
      ['yard', '  '],
    ] as const) {
      const answer = await put({ ...ours, [field]: value });
      const problem = await problemIn(answer);
      assert.equal(answer.status, 422, field);
      assert.equal(problem.errors?.[0]?.path ?? problem.facts?.['field'], field);
    }
    assert.deepEqual(await yard.read<Settings>('/api/settings', 'lead'), ours);
  });
});
