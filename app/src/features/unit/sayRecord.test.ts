import { sayRecord } from './sayRecord';

const say = (kind: string, facts: Record<string, unknown>) => sayRecord({ kind, facts });

describe('records of the history in words', () => {
  test('a check-in: result, hours, reasons, readings by their check’s words, stations that were hurried', () => {
    const { title, lines } = say('check-in', {
      result: 'held',
      trueHours: 104.5,
      hoursRun: 4.5,
      fuelEighths: 4,
      reasons: ['A socket is broken or burnt.'],
      readings: [{ check: 'battery', title: 'Battery at rest', value: 12.6, unit: 'V' }],
      hurried: ['Engine'],
      remarks: 'Loud',
    });
    expect(title).toBe('Checked in: Held');
    expect(lines).toEqual([
      '104.5 h, 4.5 h on this hire; fuel 4/8.',
      'A socket is broken or burnt.',
      'Battery at rest: 12.6 V',
      'Passed faster than it can be looked at: Engine.',
      '“Loud”',
    ]);
  });
  test('a second look says so', () =>
    expect(say('check-in', { result: 'fit', trueHours: 1, fuelEighths: 8, secondLookOf: 'x' }).title).toBe(
      'Checked in: Fit (second look)',
    ));
  test('a finding, from its first look to its cause', () => {
    expect(say('finding-opened', {}).title).toBe('Began to find the fault');
    expect(
      say('finding-seen', {
        title: 'Compression by gauge',
        outcomes: ['Strong'],
        reading: { value: 118, unit: 'psi', method: 'pull' },
      }),
    ).toEqual({ title: 'Compression by gauge: strong', lines: ['118 psi, by pull'] });
    expect(
      say('finding-seen', {
        title: 'Leak-down',
        outcomes: ['Failed'],
        reading: { supply: 80, cylinder: 30, unit: 'psi' },
      }).lines,
    ).toEqual(['80 / 30 psi']);
    expect(say('finding-taken-back', { title: 'Oil level' }).title).toBe('Taken back: oil level');
    expect(say('finding-could-not-tell', { title: 'Oil level' }).title).toBe('Oil level: could not tell');
    expect(say('finding-repaired', { fault: 'plug-fouled' }).title).toBe(
      'Put right, and the trouble was still there: plug fouled',
    );
    expect(say('finding-closed', { causes: ['Coil failed', 'Plug fouled'], note: 'Wet' })).toEqual({
      title: 'Found: coil failed; plug fouled',
      lines: ['Wet'],
    });
  });
  test('a corrected reading, a proof, a unit that went', () => {
    expect(say('reading-corrected', { from: 108, reading: 103, why: 'Misread' })).toEqual({
      title: 'Reading corrected: 108 to 103',
      lines: ['Misread'],
    });
    expect(
      say('job-done', { title: 'New plug', proof: { minutesUnderLoad: 20, load: 'Heater' }, note: '' }).lines,
    ).toEqual(['Proved: 20 min under load. Heater.']);
    expect(say('unit-changed', { gone: { why: 'Crankcase cracked' } }).title).toBe('Gone: Crankcase cracked');
    expect(say('unit-changed', { laidUp: true }).title).toBe('Laid up');
  });
  test('what is not known yet is named, not hidden', () =>
    expect(say('something-new', {})).toEqual({ title: 'something-new', lines: [] }));
});
