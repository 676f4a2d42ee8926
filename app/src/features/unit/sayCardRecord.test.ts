import { SAY_CARD } from './sayCardRecord';
import { sayRecord } from './sayRecord';

const say = (kind: string, facts: Record<string, unknown> = {}) => sayRecord({ kind, facts });

describe('what happened on a card, in words', () => {
  test.each([
    ['card-taken-off', { what: 'Air box', tray: 'A', place: 2 }, 'Off: Air box', ['Tray A, 2']],
    ['card-put-back', { what: 'Air box' }, 'Back on: Air box', []],
    ['card-struck', { what: 'Head bolt', why: 'Would snap' }, 'Stays as it is: Head bolt', ['Would snap']],
    [
      'card-replaced',
      { what: 'Gasket', part: 'TV-1182', forTrial: true },
      'For the trial only: Gasket',
      ['By TV-1182'],
    ],
    ['card-replaced', { what: 'Gasket', part: 'TV-1182', forTrial: false }, 'Replaced: Gasket', ['By TV-1182']],
    [
      'card-reading',
      {
        reading: 'leak-down',
        when: 'before',
        given: { supply: 80, cylinder: 60, unit: 'psi', method: 'x' },
        outcome: 'worn',
      },
      'leak down before: 80 60 psi',
      ['worn'],
    ],
    ['card-clock-started', { clock: 'Drip test', minutes: 120 }, 'Drip test: 120 min begun', []],
    ['card-clock-ended', { clock: 'Drip test', result: 'drips' }, 'Drip test: drips', []],
    ['card-clock-ended', { clock: 'Drip test', result: 'stopped' }, 'Drip test: stopped', []],
    ['card-smoke', { clear: false }, 'It smokes', []],
    ['card-proof-load', { load: null }, 'Unloaded', []],
    ['card-proved', { passed: false, note: 'Hunts still' }, 'The proof failed', ['Hunts still']],
    ['part-late', { count: 1, number: 'TV-1182', part: 'Gasket set' }, 'Part late: 1 × TV-1182 Gasket set', []],
    ['card-woken', {}, 'The last part is there: gone on with', []],
  ] as const)('%s', (kind, facts, title, lines) => {
    expect(say(kind, facts)).toEqual({ title, lines });
  });

  test('each kind says something of its own, without a word that is missing', () => {
    for (const kind of Object.keys(SAY_CARD)) {
      const { title } = say(kind);
      expect([kind, title.length > 2 && title !== kind && !title.includes('undefined')]).toEqual([kind, true]);
    }
  });
});

test('a proof by the card: minutes and readings', () => {
  const { lines } = say('job-done', {
    title: 'New jet',
    note: 'Runs',
    proof: {
      minutesRun: 21,
      load: 'load-bank',
      tested: 'loaded',
      readings: [{ title: 'Hertz, no load', value: 62.1, unit: 'Hz' }],
    },
  });
  expect(lines).toEqual(['Proved: 21 min under load.', 'Hertz, no load: 62.1 Hz', 'Runs']);
});
