import { EXHAUST } from '../../workshop/proofs';
import { COMMON_PRACTICE, published, type ProofPlan, type ProofReading } from '../../shapes';

const ISO_8528 = published(
  'ISO 8528-5:2018',
  'operating limit values, class G1, steady-state voltage within 5 %; the value from memory',
);
const hertz = (id: string, name: string, atLoad: number, least: number, most: number): ProofReading => ({
  id,
  name,
  dimension: 'frequency',
  unit: 'Hz',
  least,
  most,
  scale: [52, 66],
  rating: 'hertz',
  source: COMMON_PRACTICE,
  live: 'hertz',
  atLoad,
});
const volts = (id: string, name: string, atLoad: number): ProofReading => ({
  id,
  name,
  dimension: 'voltage',
  unit: 'V',
  least: 114,
  most: 126,
  scale: [90, 140],
  rating: 'volts',
  source: ISO_8528,
  live: 'volts',
  atLoad,
  low: { observation: 'output', outcome: atLoad === 0 ? 'low' : 'drops-on-load' },
  high: { observation: 'output', outcome: 'high' },
});

/** What the load takes at its last step. */
const DRAWN = { name: 'Last step', dimension: 'power', unit: 'W', least: 100, most: 200_000 } as const;

/** How a unit of this class is proven. */
export const PROOF: ProofPlan = {
  minutes: 20,
  minutesSource: COMMON_PRACTICE,
  cautions: [...EXHAUST, 'electric-shock'],
  loads: [
    { id: 'load-bank', name: 'Load bank, in steps to rated', figure: DRAWN },
    { id: 'heaters', name: 'Heaters, in steps to rated', figure: DRAWN },
  ],
  readings: [
    hertz('hertz-0', 'Hertz, no load', 0, 59.5, 63),
    volts('volts-0', 'Volts, no load', 0),
    hertz('hertz-50', 'Hertz, half load', 0.5, 58.5, 62.5),
    volts('volts-50', 'Volts, half load', 0.5),
    hertz('hertz-100', 'Hertz, full load', 1, 57, 62),
    volts('volts-100', 'Volts, full load', 1),
  ],
  looks: [{ id: 'sockets', name: 'Sockets: polarity and earth right, breaker trips', caution: 'electric-shock' }],
};
