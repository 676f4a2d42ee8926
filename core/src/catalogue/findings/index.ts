import { WORK } from '../checklists/works';
import { FIND_FAULT } from '../checklists/findFault';
import type { DerivedFinding } from '../shapes';

/** Findings that no single check shows: two looks put together, or a look and the unit's own figures. */
export const DERIVED_FINDINGS: readonly DerivedFinding[] = [
  {
    id: 'fuel-in-oil',
    safety: true,
    closesBy: { clock: 'drip-test', orFamily: 'float-needle' },
    when: [
      { shown: { observation: 'oil-level', outcome: 'over-full' } },
      { shown: { observation: 'oil-look', outcome: 'smells-of-fuel' } },
    ],
    consequence: 'hold',
    sentence: 'Fuel in the oil. Do not start it: the float needle lets by.',
    caution: 'do-not-start',
    raises: WORK['fuel-in-oil'],
    replaces: [
      { observation: 'oil-level', outcome: 'over-full' },
      { observation: 'oil-look', outcome: 'smells-of-fuel' },
    ],
  },
  {
    id: 'flooded-engine-stops-springy',
    safety: true,
    closesBy: { clock: 'drip-test', orFamily: 'float-needle' },
    when: [
      { shown: { observation: 'oil-level', outcome: 'over-full' } },
      { shown: { observation: 'recoil-feel', outcome: 'springy-stop' } },
    ],
    consequence: 'hold',
    sentence: 'Over-full oil and a springy stop: liquid in the cylinder. Do not pull it through.',
    caution: 'do-not-start',
    raises: WORK['hydraulic-lock'],
    replaces: [{ observation: 'recoil-feel', outcome: 'springy-stop' }],
  },
  {
    id: 'starved-by-old-fuel',
    when: [
      { shown: { observation: 'choke', outcome: 'needs-choke' } },
      { shown: { observation: 'fuel-look', outcome: 'stale' } },
    ],
    consequence: 'hold',
    sentence: 'Runs only on choke on stale fuel: fresh fuel and a clean bowl come first.',
    raises: FIND_FAULT,
    replaces: [{ observation: 'choke', outcome: 'needs-choke' }],
  },
  {
    id: 'water-through-fuel',
    when: [
      { shown: { observation: 'fuel-look', outcome: 'water' } },
      { shown: { observation: 'runs-for', outcome: 'under-2-min' } },
    ],
    consequence: 'hold',
    sentence: 'Water in the fuel and it dies within minutes: drain tank, hose and bowl.',
    raises: WORK['drain-fuel'],
    replaces: [
      { observation: 'fuel-look', outcome: 'water' },
      { observation: 'runs-for', outcome: 'under-2-min' },
    ],
  },
  {
    id: 'oil-service-overdue',
    when: [{ fact: 'hoursToOilService', below: 0 }],
    consequence: 'fix-before-hire',
    sentence: 'The oil service is {hoursToOilService} h overdue.',
    raises: WORK['oil-service'],
  },
  {
    id: 'oil-service-runs-out-on-hire',
    when: [
      { fact: 'hoursToOilService', atLeast: 0 },
      { fact: 'hoursToOilServiceAfterNextHire', below: 0 },
    ],
    consequence: 'fix-before-hire',
    sentence: 'The oil service would run out during the next booked hire.',
    raises: WORK['oil-service'],
  },
  {
    id: 'fuel-short',
    when: [{ fact: 'fuelEighthsShort', atLeast: 2 }],
    consequence: 'bill',
    sentence: 'Came back {fuelEighthsShort} eighths of a tank under what went out.',
  },
  {
    id: 'tap-found-open',
    when: [{ fact: 'tapFoundOpen', atLeast: 1 }],
    consequence: 'note',
    sentence: 'The fuel tap was open on the way back; it is shut now.',
  },
  {
    id: 'over-full-with-tap-open',
    safety: true,
    closesBy: { clock: 'drip-test', orFamily: 'float-needle' },
    when: [{ shown: { observation: 'oil-level', outcome: 'over-full' } }, { fact: 'tapFoundOpen', atLeast: 1 }],
    consequence: 'hold',
    sentence: 'Over-full oil, and the tap was left open: take it for fuel in the oil until proved otherwise.',
    caution: 'do-not-start',
    raises: WORK['fuel-in-oil'],
    replaces: [{ observation: 'oil-level', outcome: 'over-full' }],
  },
  {
    id: 'hours-unusual',
    when: [{ fact: 'hoursOverrideOneIn', atLeast: 1 }],
    consequence: 'note',
    sentence: 'The hours were kept as typed though they are unusual for this unit (1 in {hoursOverrideOneIn}).',
  },
  {
    id: 'apprentice-looked',
    when: [{ fact: 'byApprentice', atLeast: 1 }],
    consequence: 'fix-before-hire',
    sentence: 'An apprentice did this check-in: a technician signs it off.',
    raises: WORK['sign-off'],
  },
  {
    id: 'comes-back',
    when: [{ fact: 'comebacks', atLeast: 3 }],
    consequence: 'fix-before-hire',
    sentence: 'The same trouble came back {comebacks} times within a year: look into why before it goes out again.',
    raises: WORK['why-it-comes-back'],
  },
  {
    id: 'walk-round-hurried',
    when: [{ fact: 'stationsHurried', atLeast: 2 }],
    consequence: 'note',
    sentence: '{stationsHurried} stations were passed faster than they can be looked at.',
  },
];
