import { EXHAUST } from '../../workshop/proofs';
import { COMMON_PRACTICE, type ProofPlan } from '../../shapes';

/** How a unit of this class is proven. */
export const PROOF: ProofPlan = {
  minutes: 15,
  minutesSource: COMMON_PRACTICE,
  cautions: [...EXHAUST, 'moving-parts'],
  loads: [
    {
      id: 'soil',
      name: 'Tines in soil',
      figure: { name: 'How deep', dimension: 'length', unit: 'cm', least: 2, most: 60 },
    },
  ],
  readings: [
    {
      id: 'speed',
      name: 'Engine speed, no load',
      dimension: 'speed',
      unit: 'r/min',
      least: 3000,
      most: 3700,
      scale: [1200, 4400],
      rating: 'top-speed',
      source: COMMON_PRACTICE,
      live: 'rpm',
      atLoad: 0,
      high: { observation: 'speed', outcome: 'high' },
      low: { observation: 'speed', outcome: 'low' },
    },
  ],
  looks: [
    {
      id: 'neutral',
      name: 'Tines stand still in neutral, at idle and at full',
      caution: 'moving-parts',
      fails: { observation: 'tines', outcome: 'turn-in-neutral' },
    },
    { id: 'reverse', name: 'Reverse drives, and lets go', caution: 'moving-parts' },
  ],
};
