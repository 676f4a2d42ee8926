import { WORK } from './works';
import { JUDGEMENT, type Check } from '../shapes';
import { FIND_FAULT } from './findFault';

/** Looks that every engine gets, whatever it drives. */
const OIL_LEVEL: Check = {
  id: 'oil-level',
  when: 'out',
  alwaysThere: true,
  words: 'Oil at the mark',
  kind: 'ordinary',
  leastSeconds: 4,
  secondsSource: JUDGEMENT,
  showsWhenOk: { observation: 'oil-level', outcome: 'right' },
  exceptions: [
    {
      id: 'low',
      words: 'Low',
      consequence: 'fix-before-hire',
      sentence: 'Oil is low.',
      shows: { observation: 'oil-level', outcome: 'low' },
      raises: WORK['top-up-oil'],
    },
    {
      id: 'over-full',
      words: 'Over-full',
      consequence: 'hold',
      sentence: 'Oil is over-full: smell it before anyone pulls the rope.',
      caution: 'do-not-start',
      shows: { observation: 'oil-level', outcome: 'over-full' },
      raises: WORK['fuel-in-oil'],
    },
  ],
};

const OIL_LOOK: Check = {
  id: 'oil-look',
  alwaysThere: true,
  words: 'Oil clean, smells of oil',
  kind: 'ordinary',
  leastSeconds: 2,
  secondsSource: JUDGEMENT,
  showsWhenOk: { observation: 'oil-look', outcome: 'clean' },
  exceptions: [
    {
      id: 'dirty',
      words: 'Black and dirty',
      consequence: 'fix-before-hire',
      sentence: 'Oil is black and dirty.',
      shows: { observation: 'oil-look', outcome: 'dirty' },
      raises: WORK['oil-service'],
    },
    {
      id: 'smells-of-fuel',
      words: 'Smells of fuel',
      consequence: 'hold',
      sentence: 'Oil smells of fuel.',
      caution: 'do-not-start',
      shows: { observation: 'oil-look', outcome: 'smells-of-fuel' },
      raises: WORK['fuel-in-oil'],
    },
    {
      id: 'milky',
      words: 'Milky',
      consequence: 'hold',
      sentence: 'Oil is milky: water in it.',
      caution: 'do-not-start',
      shows: { observation: 'oil-look', outcome: 'milky' },
      raises: WORK['water-in-oil'],
    },
  ],
};

const AIR_FILTER_CHECK: Check = {
  id: 'air-filter',
  alwaysThere: true,
  words: 'Air filter clean, seated, cover whole',
  kind: 'ordinary',
  leastSeconds: 4,
  secondsSource: JUDGEMENT,
  showsWhenOk: { observation: 'air-filter', outcome: 'clean' },
  exceptions: [
    {
      id: 'blocked',
      words: 'Blocked',
      consequence: 'fix-before-hire',
      sentence: 'Air filter is blocked.',
      shows: { observation: 'air-filter', outcome: 'blocked' },
      raises: WORK['air-filter'],
    },
    {
      id: 'oil-soaked',
      words: 'Oil-soaked',
      consequence: 'fix-before-hire',
      sentence: 'Air filter is soaked with oil.',
      shows: { observation: 'air-filter', outcome: 'oil-soaked' },
      raises: WORK['air-filter'],
    },
    {
      id: 'by-passed',
      words: 'Air gets past it',
      consequence: 'fix-before-hire',
      sentence: 'Air gets past the filter.',
      shows: { observation: 'air-filter', outcome: 'by-passed' },
      raises: WORK['air-filter'],
    },
  ],
};

const FASTENERS: Check = {
  id: 'fasteners',
  alwaysThere: true,
  words: 'Fasteners there and tight, no stranger’s hand',
  kind: 'ordinary',
  leastSeconds: 5,
  secondsSource: JUDGEMENT,
  showsWhenOk: { observation: 'last-repair', outcome: 'none-known' },
  exceptions: [
    {
      id: 'loose',
      words: 'Loose or missing',
      consequence: 'fix-before-hire',
      sentence: 'A fastener is loose or missing.',
      raises: WORK['fasteners'],
    },
    {
      id: 'strangers-hand',
      words: 'A stranger’s hand',
      consequence: 'fix-before-hire',
      sentence: 'Somebody else was in it: tool marks or missing screws.',
      shows: { observation: 'last-repair', outcome: 'unknown-hand' },
      raises: WORK['strangers-hand'],
    },
  ],
};

const RECOIL: Check = {
  id: 'recoil-feel',
  words: 'Rope pulls firm and even, goes home',
  kind: 'ordinary',
  leastSeconds: 3,
  secondsSource: JUDGEMENT,
  showsWhenOk: { observation: 'recoil-feel', outcome: 'firm-and-even' },
  exceptions: [
    {
      id: 'no-resistance',
      words: 'No resistance',
      consequence: 'hold',
      sentence: 'The rope pulls with no resistance.',
      shows: { observation: 'recoil-feel', outcome: 'no-resistance' },
      raises: FIND_FAULT,
    },
    {
      id: 'locked',
      words: 'Locked',
      consequence: 'hold',
      sentence: 'The engine is locked.',
      caution: 'do-not-start',
      shows: { observation: 'recoil-feel', outcome: 'locked' },
      raises: FIND_FAULT,
    },
    {
      id: 'springy-stop',
      words: 'Springy stop',
      consequence: 'hold',
      sentence: 'The rope comes to a springy stop: liquid in the cylinder.',
      caution: 'do-not-start',
      shows: { observation: 'recoil-feel', outcome: 'springy-stop' },
      raises: FIND_FAULT,
    },
    {
      id: 'slow-home',
      words: 'Slow home',
      consequence: 'fix-before-hire',
      sentence: 'The starter rope does not go home.',
      raises: WORK['recoil-rope'],
    },
  ],
};

/** Of an engine that is started by hand. */
const STARTER_CORD: Check = {
  id: 'starter-cord',
  words: 'Starter cord whole, its handle firm',
  kind: 'safety',
  leastSeconds: 2,
  secondsSource: JUDGEMENT,
  exceptions: [
    {
      id: 'frayed',
      words: 'Frayed or handle loose',
      consequence: 'fix-before-hire',
      sentence: 'The starter cord is frayed or its handle loose.',
      raises: WORK['starter-cord'],
    },
  ],
};

/** Where a belt or a coupling drives the machine. */
export const DRIVE_GUARD: Check = {
  id: 'drive-guard',
  when: 'out',
  words: 'Belt and coupling guards in place',
  kind: 'safety',
  system: 'guard',
  leastSeconds: 2,
  secondsSource: JUDGEMENT,
  caution: 'moving-parts',
  photo: 'wanted',
  exceptions: [
    {
      id: 'missing',
      words: 'Missing or loose',
      consequence: 'hold',
      sentence: 'A belt or coupling guard is missing or loose.',
      raises: WORK['drive-guard'],
    },
  ],
};

/** Leads that go out with it. */
export const CORDS: Check = {
  id: 'cords',
  words: 'Supply cords and plugs: no cut, no bare wire',
  kind: 'safety',
  system: 'electric',
  leastSeconds: 3,
  secondsSource: JUDGEMENT,
  caution: 'electric-shock',
  photo: 'wanted',
  exceptions: [
    {
      id: 'damaged',
      words: 'Cut, bare or burnt',
      consequence: 'hold',
      sentence: 'A supply cord or its plug is damaged.',
      raises: WORK['new-cord'],
    },
  ],
};

export const KILL_SWITCH: Check = {
  id: 'kill-switch',
  when: 'out',
  alwaysThere: true,
  system: 'electric',
  words: 'Stop switch stops it',
  running: true,
  kind: 'safety',
  leastSeconds: 3,
  secondsSource: JUDGEMENT,
  exceptions: [
    {
      id: 'does-not-stop',
      words: 'Does not stop it',
      consequence: 'hold',
      sentence: 'The stop switch does not stop the engine.',
      raises: WORK['kill-switch'],
    },
  ],
};

export const CLEAN: Check = {
  id: 'clean',
  alwaysThere: true,
  words: 'Clean enough to hire',
  kind: 'ordinary',
  leastSeconds: 2,
  secondsSource: JUDGEMENT,
  exceptions: [
    {
      id: 'dirty',
      words: 'Dirty',
      consequence: 'fix-before-hire',
      sentence: 'It is dirty.',
      raises: WORK['wash'],
    },
    {
      id: 'caked',
      words: 'Caked, hides faults',
      consequence: 'bill',
      sentence: 'It came back caked with dirt.',
      raises: { ...WORK['wash'], minutes: 30 },
    },
  ],
};

export const TAG_AND_LABELS: Check = {
  id: 'labels',
  alwaysThere: true,
  words: 'Tag and warning labels readable',
  kind: 'safety',
  leastSeconds: 2,
  secondsSource: JUDGEMENT,
  exceptions: [
    {
      id: 'unreadable',
      words: 'Not readable',
      consequence: 'fix-before-hire',
      sentence: 'Tag or a warning label cannot be read.',
      raises: WORK['new-labels'],
    },
  ],
};

export const ENGINE_CHECKS: readonly Check[] = [OIL_LEVEL, OIL_LOOK, AIR_FILTER_CHECK, FASTENERS, RECOIL, STARTER_CORD];
