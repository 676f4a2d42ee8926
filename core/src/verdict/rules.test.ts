import {
  kitAtPrices,
  kitThatWent,
  presentKit,
  judge,
  judgeCheckIn,
  placeInLimit,
  type Answer,
  type JudgeInput,
} from './index';
import { checksOf, classOf, rulesOf, type Check, type Complaint, type DerivedFinding } from '../catalogue';
import { nth } from '../typed';

/** A small machine of our own, so that each rule can be seen by itself. */
const source = { kind: 'judgement' } as const;
const work = (id: string, minutes = 10) => ({ kind: 'repair', work: id, title: `Do ${id}`, minutes, source }) as const;
const GUARD: Check = {
  id: 'guard',
  words: 'Guard in place',
  kind: 'safety',
  leastSeconds: 1,
  secondsSource: source,
  caution: 'moving-parts',
  exceptions: [{ id: 'off', words: 'Off', consequence: 'hold', sentence: 'Guard is off.', raises: work('guard', 5) }],
};
const OIL: Check = {
  id: 'oil',
  words: 'Oil at the mark',
  kind: 'ordinary',
  leastSeconds: 1,
  secondsSource: source,
  showsWhenOk: { observation: 'oil-level', outcome: 'right' },
  exceptions: [
    {
      id: 'low',
      words: 'Low',
      consequence: 'fix-before-hire',
      sentence: 'Oil is low.',
      raises: work('oil', 5),
      shows: { observation: 'oil-level', outcome: 'low' },
    },
    { id: 'dirty', words: 'Dirty', consequence: 'note', sentence: 'Oil is dirty.', raises: work('oil', 25) },
  ],
};
const SPEED: Check = {
  id: 'speed',
  words: 'Speed in its band',
  kind: 'ordinary',
  leastSeconds: 1,
  secondsSource: source,
  measured: {
    dimension: 'frequency',
    unit: 'Hz',
    limit: { kind: 'within', min: 59, max: 62, source },
    low: 'slow',
    high: 'fast',
    scale: [50, 70],
  },
  exceptions: [
    { id: 'slow', words: 'Slow', consequence: 'fix-before-hire', sentence: 'Too slow.' },
    { id: 'fast', words: 'Fast', consequence: 'hold', sentence: 'Too fast.' },
  ],
};
const DIES: Complaint = {
  id: 'dies',
  group: 'running',
  words: 'Dies',
  consequence: 'hold',
  sentence: 'It dies.',
  raises: work('find', 45),
  shows: { observation: 'oil-look', outcome: 'dirty' },
};
const SHORT: DerivedFinding = {
  id: 'short',
  source,
  when: [{ fact: 'fuelEighthsShort', atLeast: 2 }],
  consequence: 'bill',
  sentence: '{fuelEighthsShort} eighths short.',
};

const ok = (id: string, more: Partial<Answer> = {}): Answer => ({
  check: id,
  result: 'ok',
  ...(FIGURES[id] ?? {}),
  ...more,
});
/** What is measured has its figure. */
const FIGURES: Readonly<Record<string, Pick<Answer, 'reading'>>> = {
  speed: { reading: { value: 60, unit: 'Hz' } },
  hertz: { reading: { value: 60, unit: 'Hz' } },
  volts: { reading: { value: 120, unit: 'V' } },
};
const input = (more: Partial<JudgeInput> = {}): JudgeInput => ({
  edition: 'e1',
  checks: [GUARD, OIL, SPEED],
  complaints: [DIES],
  derived: [SHORT],
  answers: [ok('guard'), ok('oil'), ok('speed')],
  complaintIds: [],
  missing: [],
  facts: {},
  ...more,
});
const sentences = (more: Partial<JudgeInput>) => judge(input(more)).reasons.map((reason) => reason.sentence);

describe('each rule by itself', () => {
  test('at the limits a reading is in; without a lower or an upper one there is none', () => {
    const within = { kind: 'within', min: 59, max: 62, source } as const;
    expect([58.9, 59, 62, 62.1].map((value) => placeInLimit(value, within))).toEqual(['low', 'in', 'in', 'high']);
    const least = { kind: 'at-least', min: 5, source } as const;
    expect([4.9, 5, 1e9].map((value) => placeInLimit(value, least))).toEqual(['low', 'in', 'in']);
    const most = { kind: 'at-most', max: 5, source } as const;
    expect([-1e9, 5, 5.1].map((value) => placeInLimit(value, most))).toEqual(['in', 'in', 'high']);
  });

  test('a reading decides whatever was tapped; without one the exception that was picked, or the first', () => {
    const speed = (more: Partial<Answer>) =>
      sentences({ answers: [ok('guard'), ok('oil'), { ...ok('speed'), ...more }] });
    expect(speed({ reading: { value: 58, unit: 'Hz' } })).toEqual(['Too slow.']);
    expect(speed({ reading: { value: 63, unit: 'Hz' } })).toEqual(['Too fast.']);
    expect(speed({ reading: { value: 60, unit: 'Hz' } })).toEqual([]);
    expect(speed({ result: 'not-ok', exception: 'fast' })).toEqual(['Too fast.']);
    expect(speed({ result: 'not-ok' })).toEqual(['Too slow.']);
  });

  test('what nobody looked at: safety holds, the rest is prep, both under one job', () => {
    const { result, reasons, jobs } = judge(
      input({ answers: [ok('speed'), { check: 'oil', result: 'could-not-look' }] }),
    );
    expect(result).toBe('held');
    expect(reasons).toEqual([
      {
        origin: { kind: 'check', id: 'guard', exception: 'could-not-look' },
        consequence: 'hold',
        sentence: 'Not looked at: guard in place.',
        safety: true,
      },
      {
        origin: { kind: 'check', id: 'oil', exception: 'could-not-look' },
        consequence: 'fix-before-hire',
        sentence: 'Not looked at: oil at the mark.',
      },
    ]);
    expect(jobs).toMatchObject([{ work: 'look-again', kind: 'prep', blocks: 'hold', minutes: 5 }]);
    expect(jobs[0]?.origins).toHaveLength(2);
  });

  test('the worst first, safety before ordinary, a derived one before both; else in the order of the lists', () => {
    expect(
      sentences({
        answers: [
          ok('guard', { result: 'not-ok' }),
          ok('oil', { result: 'not-ok' }),
          ok('speed', { result: 'not-ok', exception: 'fast' }),
        ],
        complaintIds: ['dies'],
        missing: [{ id: 'key', name: 'Key', count: 1, priceCents: 900 }],
        facts: { fuelEighthsShort: 3 },
      }),
    ).toEqual(['Guard is off.', 'Too fast.', 'It dies.', 'Oil is low.', '3 eighths short.', 'Missing: key.']);
  });

  test('a caution goes with what holds, not with a note', () => {
    const { reasons } = judge(input({ answers: [ok('guard', { result: 'not-ok' }), ok('oil'), ok('speed')] }));
    expect(reasons[0]?.caution).toBe('moving-parts');
    const mild: Check = {
      ...GUARD,
      exceptions: [{ id: 'off', words: 'Off', consequence: 'note', sentence: 'Loose.' }],
    };
    expect(
      judge(input({ checks: [mild, OIL, SPEED], answers: [ok('guard', { result: 'not-ok' }), ok('oil'), ok('speed')] }))
        .reasons[0],
    ).toEqual({
      origin: { kind: 'check', id: 'guard', exception: 'off' },
      consequence: 'note',
      sentence: 'Loose.',
      safety: true,
    });
  });

  test('missing kit: one, several; it is billed and put back before the next hire', () => {
    const missing = [{ id: 'key', name: 'Key', count: 2, priceCents: 1800 }];
    const verdict = judge(input({ missing }));
    expect(verdict).toMatchObject({ result: 'prep', bill: missing, edition: 'e1' });
    expect(verdict.reasons).toEqual([
      { origin: { kind: 'kit', id: 'key' }, consequence: 'bill', sentence: 'Missing: 2 × key.' },
    ]);
    expect(verdict.jobs).toEqual([
      {
        kind: 'prep',
        work: 'restock-kit',
        title: 'Put the missing kit back',
        minutes: 5,
        blocks: 'prep',
        origins: [{ kind: 'kit', id: 'key' }],
      },
    ]);
  });

  test('a bill with no work to it leaves a unit fit', () => {
    expect(judge(input({ facts: { fuelEighthsShort: 2 } }))).toMatchObject({ result: 'fit', jobs: [] });
    expect(sentences({ facts: { fuelEighthsShort: 1 } })).toEqual([]);
    expect(sentences({ facts: {} })).toEqual([]);
  });

  test('one work is one job: the worst decides what it blocks, the longest how long it takes', () => {
    const twice: Check = { ...OIL, id: 'oil-2' };
    const { jobs } = judge(
      input({
        checks: [GUARD, OIL, twice, SPEED],
        answers: [
          ok('guard'),
          ok('oil', { result: 'not-ok', exception: 'dirty' }),
          ok('oil-2', { result: 'not-ok' }),
          ok('speed'),
        ],
      }),
    );
    expect(jobs).toMatchObject([{ work: 'oil', blocks: 'prep', minutes: 25 }]);
    expect(jobs[0]?.origins.map((origin) => origin.id)).toEqual(['oil-2', 'oil']);
  });

  test('what was seen, well or not, goes to fault finding; what was not looked at shows nothing', () => {
    const shows = (more: Partial<JudgeInput>) =>
      judge(input(more)).shows.map((shown) => `${shown.observation} ${shown.outcome}`);
    expect(shows({})).toEqual(['oil-level right']);
    expect(
      shows({ answers: [ok('guard'), ok('oil', { result: 'not-ok' }), ok('speed')], complaintIds: ['dies'] }),
    ).toEqual(['oil-level low', 'oil-look dirty']);
    expect(shows({ answers: [ok('guard'), ok('speed')] })).toEqual([]);
  });

  test('answers and complaints that the lists do not hold are the caller’s mistake', () => {
    expect(() => judge(input({ answers: [ok('wings')] }))).toThrow('wings');
    expect(() => judge(input({ complaintIds: ['sings'] }))).toThrow('sings');
  });
});

describe('what went along', () => {
  const kit = [
    { id: 'key', count: 2 },
    { id: 'hose', count: 1 },
  ];
  test('all of it where nobody wrote it down; else what did, and no more than there is', () => {
    expect(kitThatWent(kit, null)).toEqual(kit);
    expect(kitThatWent(kit, [{ id: 'key', count: 1 }])).toEqual([{ id: 'key', count: 1 }]);
    expect(
      kitThatWent(kit, [
        { id: 'key', count: 9 },
        { id: 'hose', count: 0 },
      ]),
    ).toEqual([{ id: 'key', count: 2 }]);
    expect(kitThatWent(kit, [])).toEqual([]);
  });

  test('missing is priced by the piece, never more than went; hurried stations are counted', () => {
    const generator = classOf('generator');
    const first = nth(generator.kit, 0);
    const entered = {
      fuelEighths: 8,
      fuelTap: 'was-shut',
      ended: 'well',
      missing: [{ id: first.id, count: 99 }],
      complaintIds: [],
      answers: checksOf(generator).map((check) => ok(check.id)),
      stations: generator.stations.map((station) => ({ id: station.id, seconds: 600 })),
      trueHours: 100,
      unusualOneIn: 0,
      byApprentice: false,
    } as const;
    const known = {
      trueHours: 100,
      hoursToOilService: 40,
      nextHireHours: null,
      wentOutWithEighths: 8,
      wentOutWithKit: null,
    };
    const verdict = judgeCheckIn(rulesOf(generator), entered, known);
    expect(verdict.bill).toEqual([
      { id: first.id, name: first.name, count: first.count, priceCents: first.priceCents * first.count },
    ]);
    expect(judgeCheckIn(rulesOf(generator), { ...entered, missing: [] }, known).reasons).toEqual([]);
    const hurried = (seconds: number) =>
      judgeCheckIn(
        rulesOf(generator),
        { ...entered, missing: [], stations: generator.stations.map((station) => ({ id: station.id, seconds })) },
        known,
      ).reasons.length;
    expect([hurried(600), hurried(0.1) > 0]).toEqual([0, true]);
    expect(judgeCheckIn(rulesOf(generator), { ...entered, missing: [], stations: [] }, known).reasons.length).toBe(
      hurried(0.1),
    );
  });
});

describe('what could not be made, and what was not measured', () => {
  const reasonsOf = (answers: readonly Answer[], more: Partial<JudgeInput> = {}) =>
    judge(input({ answers, ...more })).reasons;

  test('a measured check without its figure was not measured', () =>
    expect(reasonsOf([ok('guard'), ok('oil'), { check: 'speed', result: 'ok' }])).toMatchObject([
      { sentence: 'Not looked at: speed in its band.', origin: { exception: 'could-not-look' } },
    ]));

  test('a figure in another unit is converted before it is judged', () => {
    const read = (value: number, unit: string) => ok('pressure', { reading: { value, unit } });
    const check: Check = {
      ...SPEED,
      id: 'pressure',
      measured: {
        dimension: 'pressure',
        unit: 'bar',
        limit: { kind: 'at-least', min: 100, source },
        low: 'slow',
        scale: [0, 200],
      },
    };
    const judged = (answer: Answer) => judge(input({ checks: [check], answers: [answer] })).result;
    expect([judged(read(1500, 'psi')), judged(read(1400, 'psi')), judged(read(101, 'bar'))]).toEqual([
      'fit',
      'prep',
      'fit',
    ]);
  });

  test('not possible stays open as such: safety holds, the rest is prep, and says why', () => {
    const findFault = work('find-fault', 45);
    const not = (check: string, because?: Answer['because']): Answer => ({ check, result: 'not-possible', because });
    expect(reasonsOf([not('guard', 'in-parts'), ok('oil'), not('speed')], { findFault })).toMatchObject([
      { sentence: 'Not possible, it is in parts: guard in place.', consequence: 'hold', safety: true },
      { sentence: 'Not possible, it will not start: speed in its band.', consequence: 'fix-before-hire' },
    ]);
    const { jobs } = judge(
      input({ answers: [not('guard', 'not-under-pressure'), ok('oil'), not('speed')], findFault }),
    );
    expect(jobs.map((job) => job.work)).toEqual(['look-again', 'find-fault']);
  });
});

describe('kit of the yard’s own', () => {
  const washer = classOf('pressure-washer').kit;

  test('a nozzle of each angle is in the kit, counted by itself', () => {
    const nozzles = washer.filter(({ id }) => id.startsWith('nozzle-'));
    expect(nozzles.map(({ name, count }) => [name, count])).toEqual([
      ['Nozzle 0°', 1],
      ['Nozzle 15°', 1],
      ['Nozzle 25°', 1],
      ['Nozzle 40°', 1],
      ['Soap nozzle', 1],
    ]);
  });

  test('what went out under a line of an older edition is asked for by the lines that stand in its place', () => {
    const went = [
      { id: 'nozzle', count: 4 },
      { id: 'hose', count: 1 },
    ];
    expect(kitThatWent(washer, went).map(({ id }) => id)).toEqual([
      'hose',
      'nozzle-0',
      'nozzle-15',
      'nozzle-25',
      'nozzle-40',
    ]);
    expect(presentKit([{ id: 'nozzle', count: 2 }], washer)).toEqual([
      { id: 'nozzle-0', count: 1 },
      { id: 'nozzle-15', count: 1 },
    ]);
    expect(presentKit([{ id: 'hose', count: 1 }], washer)).toEqual([{ id: 'hose', count: 1 }]);
  });

  test('its price is the yard’s own where it has set one', () => {
    const priced = kitAtPrices(washer, { hose: 12_000 });
    expect(priced.find(({ id }) => id === 'hose')?.priceCents).toBe(12_000);
    expect(priced.find(({ id }) => id === 'nozzle-0')?.priceCents).toBe(900);
  });

  test.each([
    [2, false],
    [3, true],
  ])('%d comebacks within a year: looked into before it goes out again: %s', (comebacks, asked) => {
    const machineClass = classOf('generator');
    const verdict = judge({
      edition: 'x',
      checks: [],
      complaints: [],
      derived: rulesOf(machineClass).derived,
      answers: [],
      complaintIds: [],
      missing: [],
      facts: { comebacks },
    });
    expect(verdict.reasons.some(({ origin }) => origin.id === 'comes-back')).toBe(asked);
    expect(verdict.jobs.some(({ work }) => work === 'why-it-comes-back')).toBe(asked);
  });
});
