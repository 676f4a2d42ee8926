import { screen, waitFor } from '@testing-library/react-native';
import type { FuelStore, UnitFuel } from '@hudrik/core/contracts';
import { LOG, taken } from '@/testing/cardReply';
import { gone, IVO, press, refusal, show, type } from '@/testing/screen';
import { FuelLine } from './FuelLine';
import { FuelOfUnit } from './FuelOfUnit';
import { FuelStoreScreen } from './FuelStoreScreen';
import { sayDose, sayFuelState, sayLevel } from './sayFuelOf';

const state = (more: Partial<NonNullable<UnitFuel['state']>> = {}): NonNullable<UnitFuel['state']> => ({
  ...{ litres: 2, ethanol: 0.1, ageDays: 12, spent: 0.4, staleBy: '2030-06-01T08:00:00Z', isStale: false, unknown: 0 },
  ...more,
});
const fuel = (more: Partial<UnitFuel> = {}): UnitFuel => ({
  ...{
    tag: 'PW-11',
    classId: 'pressure-washer',
    modelId: 4,
    tank: { litres: 3, isMetal: false, hasTap: true },
    state: state(),
  },
  portions: [{ litres: 2, ethanol: 0.1, boughtAt: '2030-05-01T08:00:00Z', isUnknown: false, isTreated: false }],
  ...{ bowl: 'wet', isTapShut: null, overflowed: 0 },
  level: { litres: 2, holds: 3, seenAt: null, ranSince: false },
  ...more,
});
const can = (name: string, more: object = {}): FuelStore['cans'][number] => ({
  ...{ id: `id of ${name}`, name, fuel: 'e0', ethanol: 0, litres: 12, litresMax: 20, place: 'Shed' },
  ...{ boughtAt: '2030-05-01T08:00:00Z', openedAt: null, treatedAt: null, staleBy: '2030-08-01T08:00:00Z' },
  ...{ isStale: false, wantsCount: false },
  ...more,
});
const store: FuelStore = {
  cans: [can('Can 1'), can('Can 2', { isStale: true, litres: 4 }), can('Can 3', { litres: -1, wantsCount: true })],
  units: [fuel({ state: state({ isStale: true }) })],
  litres: 16,
};
const UNIT = { 'GET /api/units/PW-11/fuel': fuel(), 'GET /api/fuel': store };

describe('fuel in words', () => {
  test.each([
    [fuel(), '12 days old, 10 % ethanol, bowl wet.'],
    [fuel({ state: state({ isStale: true, ageDays: 64 }) }), 'Stale: 64 days old, 10 % ethanol, bowl wet.'],
    [
      fuel({ state: state({ unknown: 0.6, ageDays: 1 }) }),
      '1 day old, 10 % ethanol, bowl wet, mostly what hirers put in.',
    ],
    [fuel({ state: null, bowl: 'drained', isTapShut: true }), 'Empty, bowl drained, tap shut.'],
  ])('%#: %s', (of, words) => expect(sayFuelState(of)).toBe(words));
});

test('doses as a person reads them', () => {
  expect([sayDose(3.5, 'metric'), sayDose(0.018, 'metric')]).toEqual(['3.5 l', '18 ml']);
  // 1 US gal = 3.785411784 l, 1 US fl oz = 29.5735295625 ml (NIST SP 811).
  expect([sayDose(3.785411784, 'inch'), sayDose(0.0295735295625, 'inch')]).toEqual([
    '1.00 US gal (3.8 l)',
    '1.0 US fl oz (30 ml)',
  ]);
});

describe('the fuel of a unit', () => {
  test('a lead says what the tank of its model is, or leaves it to its class', async () => {
    const said = { 'PUT /api/models/4/tank': { litres: 3.5, isMetal: true, hasTap: true } };
    const server = show(<FuelOfUnit tag="PW-11" />, { ...UNIT, ...said }, { ...IVO, role: 'lead' });
    await press('Its tank');
    await type('It holds, litres', '');
    expect(screen.getByText('Enter what it holds, in litres.')).toBeTruthy();
    await type('It holds, litres', '3,5');
    await press('Metal');
    await press('Save for this model');
    await gone('Save for this model');
    await press('Its tank');
    await press('As usual for its class');
    await waitFor(() =>
      expect(server.sent.map(({ body }) => body)).toEqual([
        { litres: 3.5, isMetal: true, hasTap: true },
        { litres: null, isMetal: null, hasTap: null },
      ]),
    );
  });

  test('poured in by two taps: a can, and pour; what fits in stands there', async () => {
    const server = show(<FuelOfUnit tag="PW-11" />, { ...UNIT, [LOG]: taken });
    await press('Pour fuel in');
    expect(await screen.findByText('1.0 l fit in')).toBeTruthy();
    expect(screen.queryByText(/Can 2/)).toBeNull();
    await press('Can 1, Ethanol-free petrol, 12.0 l');
    await press('Pour it in');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({
        ...{ kind: 'fuelled', tag: 'PW-11', facts: { litres: 1, canId: 'id of Can 1', isTreated: false } },
      }),
    );
  });

  test('out of no can: of which kind; what is refused is said, and what was chosen stays', async () => {
    show(<FuelOfUnit tag="PW-11" />, {
      ...UNIT,
      [LOG]: refusal(422, 'tank-too-small', {}, 'That is more than it holds.'),
    });
    await press('Pour fuel in');
    await press('No can of ours');
    await press('Alkylate');
    await press('Pour it in');
    expect(await screen.findByText(/That is more than it holds/)).toBeTruthy();
    expect(screen.getByText('1 l')).toBeTruthy();
  });

  test('drained into a can, run dry with what stays in the bowl said, tap shut', async () => {
    const server = show(<FuelOfUnit tag="PW-11" />, { ...UNIT, [LOG]: taken });
    await press('Drain, run dry, treat');
    expect(screen.getByText('Choose what was done.')).toBeTruthy();
    await press('Tank drained (2.0 l)');
    await press('Into Can 1');
    await press('Run dry');
    expect(screen.getByText(/leaves a quarter to three eighths of an inch/)).toBeTruthy();
    await press('Tap shut');
    await press('Write it down');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({
        kind: 'fuel-out',
        facts: { litres: null, canId: 'id of Can 1', bowl: 'run-dry', isTapShut: true, isTreated: false },
      }),
    );
  });

  test('the counter pours and drains nothing; more than fits is asked about', async () => {
    show(
      <FuelOfUnit tag="PW-11" />,
      { 'GET /api/units/PW-11/fuel': fuel({ overflowed: 1.2 }) },
      { ...IVO, role: 'counter' },
    );
    expect(await screen.findByText(/1.2 l more was written down than fits/)).toBeTruthy();
    expect(screen.queryByText('Drain, run dry, treat')).toBeNull();
  });

  test('in one line, at check-in and check-out', async () => {
    show(<FuelLine tag="PW-11" />, UNIT);
    expect(
      await screen.findByText(
        'By what was written down about 2 of 3 l, nobody looked into it yet. 12 days old, 10 % ethanol, bowl wet.',
      ),
    ).toBeTruthy();
  });
});

describe('how much is in the tank', () => {
  const at = '2030-03-04T09:00:00Z';
  test.each([
    [{ litres: 16.04, holds: 20, seenAt: null, ranSince: false }, /^about 16 of 20 l, nobody looked into it yet$/],
    [{ litres: 16, holds: 20, seenAt: at, ranSince: false }, /^about 16 of 20 l, seen .*2030/],
    [
      { litres: 9.4, holds: 20, seenAt: at, ranSince: true },
      /^about 9\.4 of 20 l, by its hours since it was seen .*2030/,
    ],
  ])('%j', (level, words) => expect(sayLevel(level)).toMatch(words));

  test('somebody looks into it: what differs by more than an eighth is said before it is written down', async () => {
    const server = show(<FuelOfUnit tag="PW-11" />, { ...UNIT, [LOG]: taken });
    await press('Level seen');
    expect(
      screen.getByText('By what was written down about 2 of 3 l, nobody looked into it yet. How full is it?'),
    ).toBeTruthy();
    await press('Fuel 6/8');
    expect(screen.queryByRole('alert')).toBeNull();
    await press('Fuel full');
    expect(screen.getByText(/^1\.0 l more than was written down: /)).toBeTruthy();
    await press('Fuel 2/8');
    expect(screen.getByText(/^1\.3 l less than was written down: /)).toBeTruthy();
    await press('Write it down');
    await waitFor(() => expect(server.sent[0]?.body).toMatchObject({ kind: 'fuel-seen', facts: { fuelEighths: 2 } }));
  });
});

describe('the fuel store', () => {
  test('what is in it, what is past its date, what wants a count', async () => {
    show(<FuelStoreScreen />, { 'GET /api/fuel': store });
    expect(await screen.findByText('16.0 l in 3 cans. 2 cans or tanks are past their date.')).toBeTruthy();
    expect(screen.getByText('More was drawn than was in it: count it.')).toBeTruthy();
  });

  test('a can is filled, counted, treated, disposed of', async () => {
    const server = show(<FuelStoreScreen />, {
      'GET /api/fuel': store,
      'POST /api/fuel/cans/id%20of%20Can%201': store,
    });
    await press('Open Can 1');
    await type('Litres', '7,5');
    await press('So many were bought into it');
    await gone('So many were bought into it');
    await press('Open Can 1');
    await press('Emptied for disposal');
    await waitFor(() =>
      expect(server.sent.map(({ body }) => body)).toEqual([{ what: 'bought', litres: 7.5 }, { what: 'disposed' }]),
    );
  });

  test('another can', async () => {
    const server = show(<FuelStoreScreen />, {
      'GET /api/fuel': { cans: [], units: [], litres: 0 },
      'POST /api/fuel/cans': store,
    });
    expect(await screen.findByText('No cans yet. Write down what stands in the shed.')).toBeTruthy();
    await press('Another can');
    await press('Add it');
    expect(await screen.findByText('Enter what stands on it, e.g. Can 5.')).toBeTruthy();
    await type('What stands on it', 'Can 9');
    await press('Add it');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({ name: 'Can 9', fuel: 'e10', litres: 20, litresMax: 20 }),
    );
  });
});
