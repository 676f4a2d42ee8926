import { EXHAUST } from '../../workshop/proofs';
import { COMMON_PRACTICE, published, type ProofPlan } from '../../shapes';

/** The auger has to stand within five seconds of the control being let go. */
const AUGER_STOPS = published(
  'ANSI/OPEI B71.3 (snow throwers)',
  'stopping time of auger and impeller; number of the clause from memory',
);

export const PROOF: ProofPlan = {
  minutes: 15,
  minutesSource: COMMON_PRACTICE,
  cautions: [...EXHAUST, 'moving-parts'],
  loads: [
    {
      id: 'snow',
      name: 'Throwing snow',
      figure: { name: 'How deep', dimension: 'length', unit: 'cm', least: 2, most: 200 },
    },
  ],
  readings: [
    {
      id: 'dead-man',
      name: 'Auger stands after the lever is let go',
      dimension: 'time',
      unit: 's',
      most: 5,
      scale: [0, 10],
      source: AUGER_STOPS,
    },
    {
      id: 'speed',
      name: 'Engine speed, auger in',
      dimension: 'speed',
      unit: 'r/min',
      least: 3200,
      most: 3700,
      scale: [1200, 4400],
      rating: 'top-speed',
      source: COMMON_PRACTICE,
      live: 'rpm',
      atLoad: 1,
      low: { observation: 'speed', outcome: 'low' },
    },
  ],
  looks: [
    {
      id: 'auger',
      name: 'Auger and impeller both turn; shear bolts of the right grade',
      caution: 'moving-parts',
      fails: { observation: 'auger', outcome: 'does-not-turn' },
    },
    { id: 'throw', name: 'Throws, and the chute turns and tips', caution: 'moving-parts' },
  ],
};
