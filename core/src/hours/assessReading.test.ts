import fc from 'fast-check';
import {
  assessReading,
  isImpossible,
  readMeter,
  replaceMeter,
  rollOver,
  roundTenth,
  suggestReadings,
  trueHours,
  type ReadingContext,
} from './index';

const context: ReadingContext = { lastReading: 123.4, clockHours: 48, hireDays: 2, use: { shape: 40, rate: 10 } };
const codes = (typed: string, more: Partial<ReadingContext> = {}) =>
  assessReading(typed, { ...context, ...more }).findings.map((finding) => finding.code);

describe('an hour-meter reading', () => {
  test('that is usual has nothing to say', () => {
    expect(assessReading('131.0', context)).toEqual({ hoursRun: 7.6, findings: [], suggestions: [] });
  });

  test('below the last is said with by how much', () => {
    expect(assessReading('120.0', context).findings).toEqual([{ code: 'below-last', lastReading: 123.4, by: 3.4 }]);
  });

  test('equal to the last is no fall', () => {
    expect(codes('123.4', { hireDays: 0 })).toEqual([]);
  });

  test('faster than the wall clock', () => {
    expect(codes('172.0')).toEqual(['faster-than-clock']);
    expect(codes('171.5', { hireDays: 0 })).toEqual([]);
  });

  test('possible but far beyond this unit’s habit, with its odds', () => {
    const [finding] = assessReading('160', context).findings;
    expect(finding).toMatchObject({ code: 'unusually-high', hoursRun: 36.6, expected: 8 });
    expect(finding && 'oneIn' in finding ? finding.oneIn : 0).toBeGreaterThan(1000);
  });

  test('a meter that did not move over a long hire', () => {
    expect(codes('123.4', { hireDays: 14, clockHours: 336 })).toEqual(['unusually-low']);
  });

  test.each([
    ['1310', 131, 'missing-point'],
    ['113.0', 131, 'swapped-digits'],
    ['1331.0', 131, 'doubled-digit'],
    ['13.0', 130, 'dropped-digit'],
  ] as const)('typed %s: %d is offered', (typed, _meant, slip) => {
    const { suggestions } = assessReading(typed, context);
    expect(suggestions.length).toBeGreaterThan(0);
    expect(suggestions.map((entry) => entry.slip)).toContain(slip);
    for (const { reading } of suggestions) expect(assessReading(String(reading), context).findings).toEqual([]);
  });

  test('whatever is typed, a suggestion always makes sense itself (property)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 99_999 }), fc.boolean(), (figures, tenth) => {
        const typed = tenth ? (figures / 10).toFixed(1) : String(figures);
        for (const { reading } of assessReading(typed, context).suggestions)
          expect(assessReading(String(reading), context).findings).toEqual([]);
      }),
    );
  });

  // One slip of the finger, by a search that knows nothing of how they are made: which readings is the typed one away from?
  const only = (wanted: number) => (reading: number) => (reading === wanted ? 1 : 0);
  test.each([
    ['1243', 124.3, 'missing-point'],
    ['12', 1.2, 'missing-point'],
    ['1243', 2143, 'swapped-digits'],
    ['1243', 1423, 'swapped-digits'],
    ['1243', 1234, 'swapped-digits'],
    ['12.3', 13.2, null],
    ['12.3', 1.23, 'swapped-digits'],
    ['1123.0', 123, 'doubled-digit'],
    ['1233', 123, 'doubled-digit'],
    ['123', 9123, 'dropped-digit'],
    ['123', 1239, 'dropped-digit'],
    ['12.3', 125.3, 'dropped-digit'],
    ['12.3', 12.53, null],
    ['12.3', 92.3, 'wrong-digit'],
    ['12.3', 19.3, 'wrong-digit'],
    ['12.3', 12.9, null],
    ['1', 0.1, null],
    ['123', 145, null],
  ] as const)('%s, where %d fits: %s', (typed, wanted, slip) => {
    expect(suggestReadings(typed, only(wanted))).toEqual(slip === null ? [] : [{ reading: wanted, slip }]);
  });

  test('what fits better by the slip that is likelier comes first, once; what does not fit does not come', () => {
    const fits = (reading: number) => ({ 124.3: 0.2, 2143: 0.5, 1423: 0.4, 1234: 0, 9243: 0.9 })[reading] ?? 0;
    expect(suggestReadings('1243', fits)).toEqual([
      { reading: 2143, slip: 'swapped-digits' },
      { reading: 1423, slip: 'swapped-digits' },
      { reading: 124.3, slip: 'missing-point' },
    ]);
    // 1 for 11 by the likelier slip, though it comes up twice.
    expect(suggestReadings('11', only(1))).toEqual([{ reading: 1, slip: 'doubled-digit' }]);
  });

  test('at once at the limits: the clock with its slack, odds of one in a hundred', () => {
    expect(codes('171.6', { hireDays: 0 })).toEqual([]);
    expect(codes('171.7', { hireDays: 0 })).toEqual(['faster-than-clock']);
  });

  test('with no day of hire, the nearest reading is the likeliest', () => {
    const { suggestions } = assessReading('1234', { ...context, hireDays: 0 });
    expect(suggestions[0]).toEqual({ reading: 123.4, slip: 'missing-point' });
    // 125.5 by swapping (1 in 3.1) before 124.55 by a dropped figure (half of 1 in 2.15).
    expect(assessReading('12.55', { ...context, hireDays: 0 }).suggestions.map((entry) => entry.reading)).toEqual([
      123.55, 125.5, 124.55,
    ]);
  });

  test('suggestions are distinct and at most three', () => {
    const all = suggestReadings('1111', () => 1);
    expect(all.length).toBeLessThanOrEqual(3);
    expect(new Set(all.map((entry) => entry.reading)).size).toBe(all.length);
  });
});

describe('true hours go on', () => {
  test('over a replaced meter', () => {
    const meter = replaceMeter(340, 0.2);
    expect(meter.offsetHours).toBe(339.8);
    expect(trueHours(12.5, meter)).toBe(352.3);
  });

  test('over a meter that rolled', () => {
    expect(trueHours(3.1, rollOver({ offsetHours: 0 }, 1000))).toBe(1003.1);
  });

  test('never fall at the change itself (property)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 90_000 }), fc.integer({ min: 0, max: 500 }), (before, shows) => {
        expect(trueHours(shows / 10, replaceMeter(before / 10, shows / 10))).toBeCloseTo(before / 10, 6);
      }),
    );
  });
});

describe('after a meter was replaced or rolled over', () => {
  const around = { clockHours: 48, hireDays: 0, use: { shape: 40, rate: 10 } };
  const rolled = { kind: 'rolled-over', oldReading: null, newMeterShows: 0, rollsAt: 1000 } as const;
  const last = { lastReading: 995, offsetHours: 0 };

  test('a rolled meter: 995.0 and then 4.5 is 9.5 hours run and 1004.5 true hours', () => {
    const read = readMeter('4.5', last, rolled, around);
    expect(read).toMatchObject({ trueHours: 1004.5, assessment: { hoursRun: 9.5, findings: [] } });
  });

  test('a rolled meter suggests what the meter can show, not true hours', () => {
    const { assessment } = readMeter('425', last, rolled, around);
    expect(assessment.findings[0]?.code).toBe('faster-than-clock');
    expect(assessment.suggestions.length).toBeGreaterThan(0);
    for (const { reading } of assessment.suggestions) {
      expect(reading).toBeLessThan(43.3);
      expect(readMeter(String(reading), last, rolled, around).assessment.findings).toEqual([]);
    }
    expect(assessment.suggestions.map(({ reading }) => reading)).toContain(42.5);
  });

  test('a meter that starts again at 1000 cannot show 1004.5: nobody can stand by it', () => {
    const [finding] = readMeter('1004.5', last, rolled, around).assessment.findings;
    expect(finding).toEqual({ code: 'past-its-roll', rollsAt: 1000 });
    expect(finding && isImpossible(finding)).toBe(true);
    const code = (typed: string) =>
      readMeter(typed, last, rolled, { ...around, clockHours: 9999 }).assessment.findings[0]?.code;
    expect([code('1000'), code('999.9')]).toEqual(['past-its-roll', undefined]);
  });

  test('hours typed after a meter change never take true hours back', () => {
    // The old one had run on to 400 when it was taken off at 340 on record; the new one showed 100 then.
    const replaced = { kind: 'replaced', oldReading: 400, newMeterShows: 100 } as const;
    const at = (typed: string) =>
      readMeter(typed, { lastReading: 340, offsetHours: 0 }, replaced, { ...around, clockHours: 900 });
    expect(at('50').assessment.findings).toEqual([{ code: 'below-fitted', fittedAt: 100, by: 50 }]);
    expect(at('100')).toMatchObject({ trueHours: 400, assessment: { findings: [], hoursRun: 60 } });
  });

  test('whatever happened to the meter, a reading without an impossible finding never lowers true hours (property)', () => {
    const tenths = (max: number) => fc.integer({ min: 0, max: max * 10 }).map((n) => n / 10);
    fc.assert(
      fc.property(
        tenths(2000),
        tenths(2000),
        tenths(300),
        tenths(300),
        fc.constantFrom(100, 1000, 10_000),
        fc.constantFrom('replaced', 'rolled-over', null),
        (lastReading, typed, more, shows, rollsAt, kind) => {
          const event =
            kind === null ? null : { kind, oldReading: roundTenth(lastReading + more), newMeterShows: shows, rollsAt };
          const read = readMeter(String(typed), { lastReading, offsetHours: 30 }, event, {
            ...around,
            clockHours: 1e6,
          });
          if (read.assessment.findings.some(isImpossible)) return;
          const before = kind === 'replaced' ? lastReading + more : lastReading;
          expect(read.trueHours).toBeGreaterThanOrEqual(roundTenth(before + 30));
        },
      ),
    );
  });
});
