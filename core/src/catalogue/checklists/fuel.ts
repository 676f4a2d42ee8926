import { WORK } from './works';
import { JUDGEMENT, type Check } from '../shapes';

const FUEL_LOOK: Check = {
  id: 'fuel-look',
  alwaysThere: true,
  words: 'Fuel clear and sharp',
  kind: 'ordinary',
  leastSeconds: 3,
  secondsSource: JUDGEMENT,
  caution: 'fuel-vapour',
  showsWhenOk: { observation: 'fuel-look', outcome: 'fresh' },
  exceptions: [
    {
      id: 'stale',
      words: 'Dark or sour',
      consequence: 'fix-before-hire',
      sentence: 'Fuel is stale.',
      shows: { observation: 'fuel-look', outcome: 'stale' },
      raises: WORK['fresh-fuel'],
    },
    {
      id: 'water',
      words: 'Water',
      consequence: 'hold',
      sentence: 'Water in the fuel.',
      shows: { observation: 'fuel-look', outcome: 'water' },
      raises: WORK['drain-fuel'],
    },
    {
      id: 'dirt-or-rust',
      words: 'Dirt or rust',
      consequence: 'hold',
      sentence: 'Dirt or rust in the tank.',
      shows: { observation: 'fuel-look', outcome: 'dirt-or-rust' },
      raises: WORK['clean-tank'],
    },
  ],
};

const FUEL_LEAK: Check = {
  id: 'fuel-leak',
  when: 'out',
  alwaysThere: true,
  system: 'fuel',
  words: 'No fuel leak: hose, tap, bowl, cap',
  kind: 'safety',
  leastSeconds: 4,
  secondsSource: JUDGEMENT,
  caution: 'fuel-vapour',
  photo: 'wanted',
  showsWhenOk: { observation: 'fuel-leak', outcome: 'none' },
  exceptions: [
    {
      id: 'carburettor',
      words: 'At the carburettor',
      consequence: 'hold',
      sentence: 'Fuel leaks at the carburettor.',
      shows: { observation: 'fuel-leak', outcome: 'carburettor' },
      raises: WORK['fuel-leak'],
    },
    {
      id: 'hose-or-tank',
      words: 'At hose or tank',
      consequence: 'hold',
      sentence: 'Fuel leaks at the hose or tank.',
      shows: { observation: 'fuel-leak', outcome: 'hose-or-tank' },
      raises: WORK['fuel-leak'],
    },
  ],
};

const EXHAUST: Check = {
  id: 'exhaust',
  alwaysThere: true,
  system: 'guard',
  words: 'Exhaust and its guard tight, clear of the fuel hose',
  kind: 'safety',
  leastSeconds: 3,
  secondsSource: JUDGEMENT,
  caution: 'hot-parts',
  exceptions: [
    {
      id: 'loose',
      words: 'Loose or near fuel',
      consequence: 'hold',
      sentence: 'Exhaust is loose near the fuel hose.',
      raises: WORK['exhaust'],
    },
    {
      id: 'guard-missing',
      words: 'Guard missing',
      consequence: 'hold',
      sentence: 'The exhaust guard is missing.',
      raises: WORK['exhaust'],
    },
  ],
};

/** What is burnt, and where it goes. */
export const FUEL_CHECKS: readonly Check[] = [FUEL_LOOK, FUEL_LEAK, EXHAUST];
