import { EXHAUST } from '../../workshop/proofs';
import { COMMON_PRACTICE, JUDGEMENT, type ProofPlan } from '../../shapes';

/** How a unit of this class is proven. */
export const PROOF: ProofPlan = {
  minutes: 15,
  minutesSource: COMMON_PRACTICE,
  cautions: [...EXHAUST, 'high-pressure-water'],
  loads: [
    {
      id: 'spraying',
      name: 'Spraying, water on and air purged',
      figure: { name: 'Pressure at the pump', dimension: 'pressure', unit: 'bar', least: 10, most: 600 },
    },
  ],
  readings: [
    {
      id: 'flow',
      name: 'Flow by bucket',
      dimension: 'flow',
      unit: 'L/min',
      least: 9,
      most: 14,
      scale: [4, 18],
      rating: 'flow',
      source: JUDGEMENT,
      live: 'flow',
      atLoad: 1,
      low: { observation: 'pressure', outcome: 'low' },
    },
    {
      id: 'pressure',
      name: 'Pressure at the gun',
      dimension: 'pressure',
      unit: 'bar',
      least: 130,
      most: 210,
      scale: [60, 260],
      rating: 'pressure',
      source: JUDGEMENT,
      live: 'pressure',
      atLoad: 1,
      low: { observation: 'pressure', outcome: 'low' },
    },
  ],
  looks: [
    {
      id: 'trigger',
      name: 'Trigger lets go: unloads at once, no leak at hose, gun or lance',
      caution: 'high-pressure-water',
    },
  ],
};
