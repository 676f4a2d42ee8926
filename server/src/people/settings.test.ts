import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import type { BenchReply, Opening, Person, Settings } from '@hudrik/core/contracts';
import { foundCheckIn } from '../testing/samples';
import { paperIn } from '../testing/readPaper';
import { entryIn, problemIn, useYard } from '../testing/yard';
import { CHANNEL } from '../background/notify';
import { addPerson } from './people';

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
    const where = { place: '', heightM: null, usualUnits: null, openHours: null, bays: null };
    const read = {
      ...ours,
      ...where,
      centsPerHour: null,
      kitPrices: {},
      serviceLevel: null,
      coldestStarts: null,
      ...FUEL,
    };
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

  test('where it lies, how high, when it is open: kept, and refused where it cannot be', async () => {
    const hours = [{ weekday: 6, from: '09:00', to: '13:00' }];
    const own = { place: 'Slip Road 3', heightM: 1650, openHours: hours, bays: 3 };
    assert.equal((await put({ ...ours, ...own })).status, 200);
    const { place, heightM, openHours, bays } = await yard.read<Settings>('/api/settings', 'counter');
    assert.deepEqual({ place, heightM, openHours, bays }, own);
    const overlap = [...hours, { weekday: 6, from: '12:00', to: '15:00' }];
    const backwards = [{ weekday: 6, from: '13:00', to: '09:00' }];
    for (const wrong of [
      { heightM: 9000 },
      { bays: 0 },
      { bays: 2.5 },
      { openHours: overlap },
      { openHours: backwards },
    ])
      assert.equal((await put({ ...ours, ...wrong })).status, 422, JSON.stringify(wrong));
    await yard.addUnit('GE-91');
    const labels = await paperIn(await yard.ask('GET', '/api/labels.pdf', { as: 'lead' }));
    assert.ok(labels.text.includes('Askild Hire, Slip Road 3'));
    // Technicians of whom nobody said otherwise work then; each has of the bays what falls to him.
    const bench = await yard.read<BenchReply>('/api/bench');
    const technician = bench.asked.technicians.find(({ id }) => id === String(yard.personId('technician')));
    assert.deepEqual([technician?.places, technician?.shifts.every(([from, to]) => to - from <= 240)], [3, true]);
    assert.ok((technician?.shifts.length ?? 0) <= 5);
    await put({ ...ours, openHours: null, bays: null });
    const usual = (await yard.read<BenchReply>('/api/bench')).asked.technicians[0];
    assert.deepEqual([usual?.places, (usual?.shifts.length ?? 0) > 20], [4, true]);
  });

  test('other hours or bays are told to every screen of the bench; a name is not', async () => {
    const client = await yard.pool.connect();
    const heard: string[] = [];
    client.on('notification', ({ payload = '' }) => heard.push(payload));
    await client.query(`listen ${CHANNEL}`);
    await put({ ...ours, yard: 'Askild Hire' });
    await put({ ...ours, bays: 6 });
    await client.query('select 1');
    await client.query(`unlisten ${CHANNEL}`);
    client.release();
    assert.deepEqual(
      heard.map((payload) => JSON.parse(payload)).filter(({ what }) => what === 'bench'),
      [{ what: 'bench', id: 'hours' }],
    );
  });

  test('bays are shared out: the first have one more, nobody none', async () => {
    const lead = yard.personId('lead');
    const hours = [{ weekday: 1, from: '08:00', to: '16:00' }];
    await yard.ask('PUT', `/api/working-hours/${lead}`, { as: 'lead', body: { hours } });
    const places = async (bays: number) => {
      await put({ ...ours, bays });
      return (await yard.read<BenchReply>('/api/bench')).asked.technicians.map((one) => one.places);
    };
    assert.deepEqual(await places(5), [3, 2]);
    assert.deepEqual(await places(1), [1, 1]);
  });

  test('whoever has not chosen measures as the yard does, those who come later too; who has chosen goes on', async () => {
    const unitsOf = async (as: 'technician' | 'counter') =>
      (await yard.read<Person>('/api/session', as)).preferences.units;
    await yard.ask('PUT', '/api/session/preferences', { as: 'technician', body: { units: 'inch', theme: 'dark' } });
    await put({ ...ours, usualUnits: 'metric' });
    assert.deepEqual([await unitsOf('technician'), await unitsOf('counter')], ['inch', 'metric']);
    const { preferences } = await addPerson(yard.db, { name: 'New one', role: 'technician', pin: '48151623' });
    assert.equal(preferences.units, 'metric');
    // The yard thinks better of it: so does whoever has not chosen.
    await put({ ...ours, usualUnits: 'inch' });
    assert.deepEqual([await unitsOf('technician'), await unitsOf('counter')], ['inch', 'inch']);
  });
});
