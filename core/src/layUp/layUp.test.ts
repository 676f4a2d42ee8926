import fc from 'fast-check';
import jStat from 'jstat';
import {
  besidesOf,
  LAY_UP_METHOD_IDS,
  LAY_UP_METHODS,
  methodOfWork,
  workOfLayUp,
  type LayUpMethodId,
} from '../catalogue';
import {
  bandOf,
  breakEvens,
  costOf,
  costsOf,
  idleForecast,
  NO_WAKES,
  riskBand,
  riskBefore,
  riskOf,
  wrongOfSeasons,
  type LayUpPrices,
  type OwnWakes,
  type Season,
  type Standing,
} from './index';

const unit: Standing = { tankLitres: 3.5, isMetal: false, hasTap: true, ethanol: 0.1, callOdds: 0.1 };
const prices: LayUpPrices = {
  perMinute: 130,
  repair: 14_000,
  litre: { e0: 160, alkylate: 620 },
  stabiliserPerLitre: 25,
};
const best = (days: number, more: Partial<Standing> = {}, price: Partial<LayUpPrices> = {}, own = NO_WAKES) =>
  costsOf(days, { ...unit, ...more }, { ...prices, ...price }, own)[0]?.method;
const units = fc.record({
  tankLitres: fc.double({ min: 1, max: 40, noNaN: true }),
  isMetal: fc.boolean(),
  hasTap: fc.boolean(),
  ethanol: fc.constantFrom(0, 0.05, 0.1),
  callOdds: fc.double({ min: 0, max: 1, noNaN: true }),
});
const method = fc.constantFrom(...LAY_UP_METHOD_IDS);
const ownOf =
  (of: LayUpMethodId, tries: number, failed: number): OwnWakes =>
  (one) =>
    one === of ? { tries, failed } : { tries: 0, failed: 0 };

describe('the odds of a fuel repair', () => {
  // Against another library's Weibull distribution.
  test('before any experience: Weibull by method, ethanol and metal', () => {
    expect(riskBefore('run-dry', 180, unit)).toBeCloseTo(jStat.weibull.cdf(180, 900, 1.3), 12);
    expect(riskBefore('run-dry', 180, { ...unit, isMetal: true })).toBeCloseTo(jStat.weibull.cdf(180, 540, 1.3), 12);
    expect(riskBefore('as-it-is', 90, unit)).toBeCloseTo(jStat.weibull.cdf(90, 225, 1.5), 12);
    expect(riskBefore('as-it-is', 90, { ...unit, ethanol: 0 })).toBeCloseTo(jStat.weibull.cdf(90, 300, 1.5), 12);
    expect(riskBefore('full-stabilised', 0, unit)).toBe(0);
  });

  test('one’s own wake-ups move them: at the middle of a band to the Beta mean, between bands evenly', () => {
    const own = ownOf('run-dry', 8, 8);
    const before = riskBefore('run-dry', 135, unit);
    expect(riskOf('run-dry', 135, unit, own)).toBeCloseTo((8 * before + 8) / 16, 9);
    expect(riskOf('alkylate', 135, unit, own)).toBe(riskBefore('alkylate', 135, unit));
    const inOne: OwnWakes = (_, __, band) => (band === 2 ? { tries: 8, failed: 8 } : { tries: 0, failed: 0 });
    expect(riskOf('run-dry', 60, unit, inOne)).toBeCloseTo(riskBefore('run-dry', 60, unit), 9);
    expect(riskOf('run-dry', 90, unit, inOne)).toBeGreaterThan(riskBefore('run-dry', 90, unit) * 1.5);
    expect(riskOf('run-dry', 10, unit, inOne)).toBeCloseTo(riskBefore('run-dry', 10, unit), 9);
    expect(riskOf('run-dry', 700, unit, own)).toBeGreaterThan(riskBefore('run-dry', 700, unit));
  });

  // Against another library's Beta distribution.
  test('their band: 8 in 10 of the Beta belief, narrower with every wake-up', () => {
    const { low, middle, high } = riskBand(0.1, { tries: 12, failed: 3 });
    expect(low).toBeCloseTo(jStat.beta.inv(0.1, 3.8, 16.2), 6);
    expect(high).toBeCloseTo(jStat.beta.inv(0.9, 3.8, 16.2), 6);
    expect(middle).toBeCloseTo(3.8 / 20, 12);
    const more = riskBand(0.1, { tries: 120, failed: 30 });
    expect(more.high - more.low).toBeLessThan(high - low);
  });

  test('idle bands', () => expect([0, 30, 31, 180, 181, 365, 366].map(bandOf)).toEqual([0, 0, 1, 2, 3, 3, 4]));
});

describe('what it costs to let it stand', () => {
  test('its worked example: full with stabiliser, 180 days, called one time in ten', () => {
    const { cents, fluidsCents, minutes, risk, litres } = costOf('full-stabilised', 180, unit, prices, NO_WAKES);
    expect([litres, fluidsCents, minutes]).toEqual([3.5, 647.5, 18]);
    expect(risk).toBeCloseTo(1 - Math.exp(-((180 / 1000) ** 2)), 12);
    expect(cents).toBeCloseTo(647.5 + (18 + 0.1 * 4 * 4) * 130 + risk * 14_000, 6);
  });

  test('without a tap and of metal it takes longer to stand empty; a small tank takes no more than it holds', () => {
    const minutesOf = (more: Partial<Standing>) =>
      costOf('run-dry', 180, { ...unit, ...more }, prices, NO_WAKES).minutes;
    expect([minutesOf({}), minutesOf({ hasTap: false }), minutesOf({ isMetal: true })]).toEqual([30, 38, 34]);
    expect(costOf('alkylate', 180, { ...unit, tankLitres: 0.6 }, prices, NO_WAKES).litres).toBe(0.6);
    expect(costOf('exercised', 61, unit, prices, NO_WAKES).minutes).toBeCloseTo(46, 9);
  });

  test('each way wins somewhere', () => {
    expect(best(5)).toBe('as-it-is');
    expect(best(120)).toBe('full-stabilised');
    expect(best(300)).toBe('alkylate');
    expect(best(230, { tankLitres: 20 }, { perMinute: 180, litre: { e0: 900, alkylate: 9000 } })).toBe('run-dry');
    expect(best(700, { tankLitres: 20 }, { litre: { e0: 900, alkylate: 30_000 }, repair: 60_000 })).toBe('bowl-off');
    expect(
      best(
        300,
        { callOdds: 1, isMetal: true },
        { perMinute: 20, repair: 400_000, litre: { e0: 10, alkylate: 90_000 } },
      ),
    ).toBe('exercised');
  });

  test('it moves the right way: dearer with days, price, odds of a call, and the repair (property)', () => {
    const positive = fc.double({ min: 1, max: 300, noNaN: true });
    fc.assert(
      fc.property(method, units, positive, positive, (way, one, days, more) => {
        const cost = (d: number, u: Partial<Standing> = {}, p: Partial<LayUpPrices> = {}) =>
          costOf(way, d, { ...one, ...u }, { ...prices, ...p }, NO_WAKES).cents;
        const base = cost(days) - 1e-9;
        expect(cost(days + more)).toBeGreaterThanOrEqual(base);
        expect(cost(days, {}, { repair: prices.repair + more })).toBeGreaterThanOrEqual(base);
        expect(cost(days, {}, { perMinute: prices.perMinute + more })).toBeGreaterThanOrEqual(base);
        expect(cost(days, { callOdds: 1 })).toBeGreaterThanOrEqual(base);
        expect(cost(days, { hasTap: false })).toBeGreaterThanOrEqual(cost(days, { hasTap: true }) - 1e-9);
        expect(costOf(way, days, one, prices, ownOf(way, 10, 10)).cents).toBeGreaterThanOrEqual(base);
      }),
    );
  });

  test('the cheapest is the cheapest of all by looking at each, and changes at the break-evens of a fine scan (property)', () => {
    fc.assert(
      fc.property(units, fc.double({ min: 2000, max: 60_000, noNaN: true }), (one, repair) => {
        const p = { ...prices, repair };
        const cheapestAt = (days: number) =>
          LAY_UP_METHOD_IDS.map((id) => costOf(id, days, one, p, NO_WAKES)).reduce((a, b) =>
            b.cents < a.cents ? b : a,
          ).method;
        const found = breakEvens(one, p, NO_WAKES);
        for (const { days, from, to } of found) {
          expect(cheapestAt(days)).toBe(to);
          expect(cheapestAt(days - 0.3)).toBe(from);
        }
        const at = (day: number) => found.filter(({ days }) => days <= day).at(-1)?.to ?? cheapestAt(0);
        for (let day = 0; day <= 720; day += 15) expect(at(day)).toBe(cheapestAt(day));
      }),
      { numRuns: 40 },
    );
  });
});

describe('seasons', () => {
  const winter: Season = { from: '11-01', to: '03-31', callOdds: 0.1 };
  const summer: Season = { from: '05-01', to: '10-15', callOdds: 0.3 };

  test.each([
    [[winter, summer], null],
    [[{ ...winter, from: '02-30' }], { code: 'not-a-day', at: 0 }],
    [[{ ...winter, to: '11-01' }], { code: 'not-a-day', at: 0 }],
    [[{ ...winter, callOdds: 1.2 }], { code: 'odds', at: 0 }],
    [[winter, { ...summer, from: '03-31' }], { code: 'overlap', at: 1 }],
    [[summer, { ...winter, from: '06-01', to: '06-02' }], { code: 'overlap', at: 1 }],
    [[winter, { ...summer, from: '04-15', to: '12-24' }], { code: 'overlap', at: 1 }],
    [[winter, { ...summer, from: '12-10', to: '01-10' }], { code: 'overlap', at: 1 }],
    [[winter, { ...summer, from: '02-01', to: '02-20' }], { code: 'overlap', at: 1 }],
  ])('%j: %j', (seasons, wrong) => expect(wrongOfSeasons(seasons)).toEqual(wrong));

  const on = (day: string, hire: string | null = null) =>
    idleForecast([winter, summer], new Date(`${day}T09:00:00Z`), hire === null ? null : new Date(`${hire}T09:00:00Z`));

  test('until the season ends, over the turn of the year too', () => {
    expect(on('2030-05-01')).toMatchObject({ season: summer, beginsIn: 0, expected: 167, early: 153, late: 181 });
    expect(on('2030-12-01')).toMatchObject({ season: winter, beginsIn: 0, expected: 120 });
    expect(on('2031-02-01')).toMatchObject({ season: winter, beginsIn: 0, expected: 58 });
  });

  test('or until its next hire; near a season from when it begins; far from any not at all', () => {
    expect(on('2030-05-01', '2030-05-21')).toMatchObject({ endsByHire: true });
    expect(on('2030-05-01', '2030-05-21')?.expected).toBeCloseTo(20, 0);
    expect(on('2030-04-16')).toMatchObject({ season: summer, beginsIn: 15, expected: 167 });
    expect(idleForecast([summer], new Date('2030-02-01T09:00:00Z'), null)).toBeNull();
  });
});

test('what is done besides the fuel: by class, nothing where it stays ready, no battery where none is', () => {
  expect(besidesOf('snowblower', LAY_UP_METHODS['run-dry'])).toEqual(['fog', 'metal', 'belts', 'airways']);
  expect(besidesOf('pressure-washer', LAY_UP_METHODS.alkylate)).toContain('pump');
  expect(besidesOf('generator', LAY_UP_METHODS.exercised)).toEqual(['battery']);
  expect(besidesOf('tiller', LAY_UP_METHODS['as-it-is'])).toEqual([]);
  for (const id of LAY_UP_METHOD_IDS) expect(methodOfWork(workOfLayUp(id, 'tiller'))).toBe(id);
  expect(methodOfWork('oil-service')).toBeUndefined();
});
