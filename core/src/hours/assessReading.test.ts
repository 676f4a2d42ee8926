import fc from 'fast-check';
import { assessReading, replaceMeter, rollOver, suggestReadings, trueHours, type ReadingContext } from './index';

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
