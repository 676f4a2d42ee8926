import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import type { Opening, Settings } from '@hudrik/core/contracts';
import { foundCheckIn } from '../testing/samples';
import { entryIn, problemIn, useYard } from '../testing/yard';

describe('how the yard writes', () => {
  const yard = useYard();
  const put = (body: Partial<Settings>) => yard.ask('PUT', '/api/settings', { as: 'lead', body });
  const FUEL = { unknownFuel: 'e10', stabiliserMl: 5, stabiliserCents: 8 } as const;
  const ours: Settings = { yard: 'Askild Hire', currency: 'NOK', locale: 'nb-NO', timeZone: 'Europe/Oslo' };

  test('until a lead says so: the clock is this server’s', async () => {
    const { timeZone } = await yard.read<Settings>('/api/settings', 'counter');
    assert.equal(timeZone, Intl.DateTimeFormat().resolvedOptions().timeZone);
  });

  test('what a lead says is kept, and everybody reads it', async () => {
    const read = { ...ours, centsPerHour: null, kitPrices: {}, serviceLevel: null, coldestStarts: null, ...FUEL };
    assert.deepEqual(await (await put(ours)).json(), read);
    assert.deepEqual(await yard.read<Settings>('/api/settings', 'apprentice'), read);
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
    const { yard: name, currency } = await yard.read<Settings>('/api/settings', 'lead');
    assert.deepEqual([name, currency], [ours.yard, ours.currency]);
  });

  test('the yard’s own prices: what is not said stays, what is no price is refused', async () => {
    const own = { centsPerHour: 9100, kitPrices: { 'generator/key': 2200, 'pressure-washer/nozzle-15': 1150 } };
    assert.equal((await put({ ...ours, ...own })).status, 200);
    await put(ours);
    await put({ ...ours, unknownFuel: 'e5', stabiliserMl: 4, stabiliserCents: 11 });
    await put(ours);
    const { unknownFuel, stabiliserMl, stabiliserCents } = await yard.read<Settings>('/api/settings', 'counter');
    assert.deepEqual([unknownFuel, stabiliserMl, stabiliserCents], ['e5', 4, 11]);
    const { centsPerHour, kitPrices } = await yard.read<Settings>('/api/settings', 'counter');
    assert.deepEqual({ centsPerHour, kitPrices }, own);
    for (const wrong of [
      { kitPrices: { 'generator/key': -1 } },
      { kitPrices: { key: 5 } },
      { centsPerHour: 0 },
      { stabiliserMl: 0 },
      { unknownFuel: 'rum' },
    ])
      assert.equal((await put({ ...ours, ...wrong } as never)).status, 422, JSON.stringify(wrong));
    // What did not come back is charged at it.
    await yard.addUnit('GE-61');
    const { kitPrices: ofClass } = await yard.read<Opening>('/api/units/GE-61/opening', 'technician');
    assert.deepEqual(ofClass, { key: 2200 });
    const sent = foundCheckIn('GE-61', 'generator', '101.0', {});
    const { outcome } = await entryIn(
      await yard.checkIn({ ...sent, facts: { ...sent.facts, missing: [{ id: 'key', count: 1 }] } }),
    );
    assert.match(JSON.stringify(outcome), /22/);
  });
});
