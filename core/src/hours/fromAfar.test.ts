import { isSilent, readFromAfar, SILENT_HOURS } from './index';

const context = { lastReading: 100, offsetHours: 50, clockHours: 24, hireDays: 1, use: { shape: 40, rate: 10 } };

describe('hours told from afar', () => {
  test('are true hours on the meter that the unit has', () => {
    expect(readFromAfar(104, context)).toEqual({ trueHours: 154, finding: null, counts: true });
  });

  test.each([
    [99.9, 'below-last', false],
    [125, 'faster-than-clock', false],
    [123, 'unusually-high', true],
    [100, undefined, true],
  ] as const)('%d after 100.0 a day ago: %s', (reading, code, counts) => {
    const read = readFromAfar(reading, context);
    expect([read.finding?.code, read.counts]).toEqual([code, counts]);
  });

  test('silent after three days', () => {
    const told = new Date('2030-05-06T06:00:00Z');
    const after = (hours: number) => isSilent(told, new Date(told.getTime() + hours * 3_600_000));
    expect([after(SILENT_HOURS.value), after(72.1)]).toEqual([false, true]);
  });
});
