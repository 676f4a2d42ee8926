import { EXHAUST } from '../../workshop/proofs';
import { COMMON_PRACTICE, JUDGEMENT, type ProofPlan } from '../../shapes';

/** How a unit of this class is proven. */
export const PROOF: ProofPlan = {
  minutes: 15,
  minutesSource: COMMON_PRACTICE,
  cautions: [...EXHAUST, 'hydraulic-injection'],
  loads: [
    {
      id: 'log',
      name: 'A log in the ram, split through',
      figure: { name: 'How thick', dimension: 'length', unit: 'cm', least: 5, most: 120 },
    },
  ],
  readings: [
    {
      id: 'cycle',
      name: 'Cycle, out and back',
      dimension: 'time',
      unit: 's',
      most: 16,
      scale: [6, 30],
      rating: 'cycle',
      source: JUDGEMENT,
      live: 'cycle',
      atLoad: 0,
      high: { observation: 'ram', outcome: 'slow' },
    },
    {
      id: 'pressure',
      name: 'Pressure in the log',
      dimension: 'pressure',
      unit: 'bar',
      least: 150,
      most: 240,
      scale: [60, 280],
      rating: 'pressure',
      source: JUDGEMENT,
      live: 'pressure',
      atLoad: 1,
      low: { observation: 'ram', outcome: 'no-force' },
    },
    {
      id: 'creep',
      name: 'Creep in a minute, valve at rest',
      dimension: 'length',
      unit: 'mm',
      most: 5,
      scale: [0, 40],
      source: JUDGEMENT,
      high: { observation: 'ram', outcome: 'creeps' },
    },
  ],
  looks: [
    {
      id: 'valve',
      name: 'Valve springs back to rest; hoses dry by card, never by hand',
      caution: 'hydraulic-injection',
    },
  ],
};
