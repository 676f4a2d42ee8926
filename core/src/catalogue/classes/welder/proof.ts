import { EXHAUST } from '../../workshop/proofs';
import { COMMON_PRACTICE, JUDGEMENT, published, type ProofPlan } from '../../shapes';

/** How a unit of this class is proven. */
export const PROOF: ProofPlan = {
  minutes: 15,
  minutesSource: COMMON_PRACTICE,
  cautions: [...EXHAUST, 'electric-shock'],
  loads: [
    {
      id: 'arc',
      name: 'An arc at two settings, ten minutes by its duty',
      figure: { name: 'Set to', dimension: 'current', unit: 'A', least: 10, most: 800 },
    },
  ],
  readings: [
    {
      id: 'open-circuit',
      name: 'Open-circuit volts',
      dimension: 'voltage',
      unit: 'V',
      least: 60,
      most: 90,
      scale: [30, 113],
      rating: 'open-circuit',
      source: published(
        'IEC 60974-1',
        'rated no-load voltage at most 113 V d.c. (from memory); the band from 60 to 90 V is judgement',
      ),
      live: 'volts',
      atLoad: 0,
      low: { observation: 'arc', outcome: 'weak' },
    },
    {
      id: 'low-setting',
      name: 'Arc at the low setting, amperes',
      dimension: 'current',
      unit: 'A',
      least: 60,
      most: 110,
      scale: [30, 220],
      rating: 'low-amperes',
      source: JUDGEMENT,
      live: 'amperes',
      atLoad: 0.5,
      low: { observation: 'arc', outcome: 'weak' },
    },
    {
      id: 'high-setting',
      name: 'Arc at the high setting, amperes',
      dimension: 'current',
      unit: 'A',
      least: 130,
      most: 200,
      scale: [30, 220],
      rating: 'high-amperes',
      source: JUDGEMENT,
      live: 'amperes',
      atLoad: 1,
      low: { observation: 'arc', outcome: 'weak' },
    },
    {
      id: 'leads-drop',
      name: 'Drop along the leads',
      dimension: 'voltage',
      unit: 'V',
      most: 3,
      scale: [0, 10],
      source: JUDGEMENT,
    },
  ],
  looks: [{ id: 'clamp', name: 'Clamp bites, leads cool, shade and screen up', caution: 'electric-shock' }],
};
