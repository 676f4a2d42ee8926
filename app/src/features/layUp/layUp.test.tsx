import { screen, waitFor } from '@testing-library/react-native';
import type { LayUpReply, SeasonSheet } from '@hudrik/core/contracts';
import { LOG, taken } from '@/testing/cardReply';
import { IVO, press, show, type } from '@/testing/screen';
import { LayUpScreen } from './LayUpScreen';
import { isComing, sayForecast, sayLayUp, sayMargin, sayRisk, sayWaking, standingOf, type LayUpUnit } from './sayLayUp';

const LEAD = { ...IVO, role: 'lead' } as const;
const cost = (method: LayUpUnit['costs'][number]['method'], cents: number) => ({
  ...{ method, cents, fluidsCents: 600, minutes: 18, risk: 0.03, litres: 3.5 },
});
const unit = (tag: string, more: Partial<LayUpUnit> = {}): LayUpUnit => ({
  ...{ tag, classId: 'snowblower', readiness: 'fit', tank: { litres: 3.5, isMetal: false, hasTap: true } },
  ...{ ethanol: 0.1, callOdds: 0.05, laidUp: null, nextHireAt: null, choice: null, hasJob: false },
  forecast: { beginsIn: 0, early: 170, expected: 183, late: 197, endsByHire: false },
  costs: [cost('full-stabilised', 3100), cost('alkylate', 3500)],
  breakEvens: [{ days: 84, from: 'as-it-is', to: 'full-stabilised' }],
  ...more,
});
const standing = unit('SN-09', {
  readiness: 'laid-up',
  laidUp: { since: '2030-04-01T08:00:00Z', method: 'run-dry', days: 40, due: ['battery-care'], wakeMinutes: 25 },
});
const layUp = (more: Partial<LayUpReply> = {}): LayUpReply => ({
  now: '2030-05-01T08:00:00Z',
  prices: {
    perMinute: 130,
    repair: 14_000,
    litre: { e0: 160, alkylate: 620 },
    stabiliserPerLitre: 40,
    stabiliserMl: 5,
  },
  seasons: [{ classId: 'snowblower', from: '05-01', to: '10-31', callOdds: 0.05 }],
  units: [unit('SN-01'), standing],
  wakes: [{ method: 'run-dry', hasEthanol: false, band: 2, tries: 9, failed: 3 }],
  ...more,
});
const sheet: SeasonSheet = {
  ...{ now: '2030-05-01T08:00:00Z', stabiliserMl: 18, fogMl: 10, minutes: 14 },
  lines: [
    {
      ...{ tag: 'SN-01', classId: 'snowblower', method: 'full-stabilised', isMetal: false, hasJob: false, days: 183 },
      ...{ beginsIn: 0, fuel: 'e0', litres: 3.5, stabiliserMl: 18, fogMl: 10, minutes: 14, besides: [] },
    },
  ],
  wants: [{ fuel: 'e0', litres: 3.5, inStore: 1 }],
};
const can = (id: string, name: string, litres: number) => ({
  ...{ id, name, fuel: 'e0', ethanol: 0, litres, litresMax: 20, place: '', boughtAt: '2030-04-01T08:00:00Z' },
  ...{ openedAt: null, treatedAt: null, staleBy: '2030-08-01T08:00:00Z', isStale: false, wantsCount: false },
});
const TANK = {
  ...{ tag: 'SN-01', classId: 'snowblower', modelId: 4, tank: { litres: 3.5, isMetal: true, hasTap: true } },
  state: { litres: 2, ethanol: 0.1, ageDays: 50, spent: 2, staleBy: '2030-04-01T08:00:00Z', isStale: true, unknown: 0 },
  level: { litres: 2, holds: 3.5, seenAt: null, ranSince: false },
  ...{ portions: [], bowl: 'wet', isTapShut: null, overflowed: 0 },
};
const REPLIES = {
  'GET /api/lay-up': layUp(),
  'GET /api/lay-up/sheet': sheet,
  'GET /api/fuel': { cans: [can('can 1', 'Can 1', 12), can('can 2', 'Can 2', 0)], units: [], litres: 12 },
  'GET /api/units/SN-01/fuel': TANK,
};

describe('lay-up in words', () => {
  test('the yard, how long, why, how often', () => {
    expect(sayLayUp([unit('SN-01'), standing])).toBe('1 unit comes into lay-up; 1 stands laid up.');
    expect(sayLayUp([])).toBe('Nothing stands, and no season is near.');
    expect(sayForecast(unit('SN-01'))).toBe('183 days from now, 8 in 10 between 170 and 197.');
    const byHire = { beginsIn: 0, early: 20, expected: 20, late: 20, endsByHire: true };
    expect(sayForecast(unit('SN-01', { forecast: byHire, nextHireAt: '2030-05-21T08:00:00Z' }))).toMatch(
      /^20 days from now, until its hire of/,
    );
    expect(sayMargin(unit('SN-01'))).toBe(
      'About $4 less than: drained, alkylate run through and left in. By idle days: from 84 days full, ethanol-free with stabiliser.',
    );
    expect(sayMargin(unit('SN-01', { choice: { method: 'run-dry', reason: 'No fuel here' } }))).toMatch(
      /^The lead says so: No fuel here\. The sum says: full/,
    );
    expect([sayRisk(0.001), sayRisk(0.006), sayRisk(0.25)]).toEqual(['hardly ever', '1 in 100', '25 in 100']);
  });

  test('what is out, or stands for less than a week, does not come into lay-up', () => {
    const brief = { beginsIn: 0, early: 5, expected: 6, late: 7, endsByHire: true };
    expect(
      [unit('A'), unit('A', { readiness: 'out' }), unit('A', { forecast: brief }), standing].map(isComing),
    ).toEqual([true, false, false, false]);
  });
});

describe('what stands is woken', () => {
  const stands = (tag: string, nextHireAt: string | null, wakeMinutes: number, more: Partial<LayUpUnit> = {}) =>
    unit(tag, {
      nextHireAt,
      laidUp: { since: '2030-04-01T08:00:00Z', method: null, days: 30, due: [], wakeMinutes },
      ...more,
    });
  const units = [
    stands('SN-01', null, 20),
    stands('SN-02', '2030-05-03T08:00:00Z', 70),
    stands('SN-03', null, 20, { forecast: null }),
    stands('SN-04', '2030-05-01T08:30:00Z', 45),
    unit('SN-05'),
  ];

  test('in the order of its hires, then of its season’s end, with its work and that before it', () => {
    const waking = standingOf({ units, now: '2030-05-01T08:00:00Z' });
    expect(waking.map((one) => [one.unit.tag, sayWaking(one)])).toEqual([
      ['SN-04', 'Goes out Wed 1 May 2030 08:30. 45 min of work to wake it. Too late by 15 min, were it all begun now.'],
      ['SN-02', 'Goes out Fri 3 May 2030 08:00. 1 h 10 of work to wake it; with those before it 1 h 55.'],
      ['SN-01', 'Its season ends in about 183 days. 20 min of work to wake it; with those before it 2 h 15.'],
      ['SN-03', '20 min of work to wake it; with those before it 2 h 35.'],
    ]);
  });

  test('the screen has them so', async () => {
    show(<LayUpScreen />, { 'GET /api/lay-up': layUp({ units }), 'GET /api/lay-up/sheet': sheet });
    expect(await screen.findByText('Laid up: wake in this order')).toBeTruthy();
    const buttons = screen.getAllByRole('button', { name: /^Wake SN/ });
    expect(buttons.map((button) => String(button.props['aria-label'] ?? button.props['accessibilityLabel']))).toEqual([
      'Wake SN-04',
      'Wake SN-02',
      'Wake SN-01',
      'Wake SN-03',
    ]);
  });
});

describe('lay-up on the phone', () => {
  test('the next unit with its steps and doses; its job is raised, then it is laid up', async () => {
    const server = show(<LayUpScreen />, { ...REPLIES, [LOG]: taken });
    expect(await screen.findByText('0.92 US gal (3.5 l) of ethanol-free')).toBeTruthy();
    expect(screen.getByText('0.6 US fl oz (18 ml) of stabiliser by its label')).toBeTruthy();
    expect(screen.getByText(/^1\. Old fuel drained/)).toBeTruthy();
    expect(await screen.findByText('buy 0.66 US gal (2.5 l)')).toBeTruthy();
    expect(screen.getByText(/^Its season ends in about 183 days\. 25 min of work to wake it\.$/)).toBeTruthy();
    expect(screen.getByText('Due while it stands: Battery.')).toBeTruthy();
    await press('Raise the lay-up of SN-01');
    await press('SN-01 is laid up');
    expect(await screen.findByText('Say where its old fuel went.')).toBeTruthy();
    await press('Into Can 2: empty');
    expect(screen.getByText('Say which can the fuel came out of.')).toBeTruthy();
    await press('Can 1: Ethanol-free petrol, 12.0 l');
    await press('Write it down');
    await waitFor(() =>
      expect(server.sent.map(({ body }) => body)).toMatchObject([
        { kind: 'job-raised', facts: { kind: 'lay-up', work: 'lay-up-full-stabilised-snowblower', minutes: 14 } },
        {
          kind: 'laid-up',
          tag: 'SN-01',
          facts: { method: 'full-stabilised', drainedInto: 'can 2', pouredFrom: 'can 1' },
        },
      ]),
    );
  });

  test('a lead takes another way, with a reason', async () => {
    const server = show(<LayUpScreen />, { ...REPLIES, 'PUT /api/units/SN-01/lay-up': layUp() }, LEAD);
    await press('Another way');
    await press('Drained, alkylate run through and left in: $35');
    expect(screen.getByText('Say why.')).toBeTruthy();
    await type('Why', 'It may stand for two years');
    await press('A rule of the house: every snowblower');
    await press('Do it so');
    await waitFor(() =>
      expect(server.sent[0]?.body).toEqual({
        method: 'alkylate',
        reason: 'It may stand for two years',
        forClass: true,
      }),
    );
  });

  test('woken: its steps, at which pull it started, what it needed', async () => {
    const server = show(<LayUpScreen />, { ...REPLIES, [LOG]: taken });
    await press('Wake SN-09');
    expect(screen.getByText(/^1\. Fresh fuel in/)).toBeTruthy();
    expect(screen.getByText('Say at which pull it started.')).toBeTruthy();
    await press('It did not');
    await press('It wants a fuel repair');
    await type('What it needed', 'New needle');
    await press('It is awake');
    await waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({
        ...{ kind: 'woken', tag: 'SN-09', facts: { pulls: null, wantsFuelRepair: true, needed: 'New needle' } },
      }),
    );
  });

  test('how they woke, against what was taken beforehand', async () => {
    show(<LayUpScreen />, REPLIES);
    expect(await screen.findByText('3 of 9 wanted a repair')).toBeTruthy();
    expect(screen.getByText(/^Taken beforehand 8 in 100; now 2\d in 100$/)).toBeTruthy();
  });

  test('when classes stand: what cannot be is said before it is sent', async () => {
    const server = show(<LayUpScreen />, { ...REPLIES, 'PUT /api/seasons/snowblower': layUp() }, LEAD);
    await press('Say when classes stand');
    await type('From, month and day', '13-01');
    expect(screen.getByText(/Write days as month and day/)).toBeTruthy();
    await type('From, month and day', '04-20');
    await press('Save this class');
    await waitFor(() =>
      expect(server.sent[0]?.body).toEqual({ seasons: [{ from: '04-20', to: '10-31', callOdds: 0.05 }] }),
    );
  });
});
