import { COMMON_PRACTICE, JUDGEMENT, published, type ProofLook, type ProofPlan, type ProofReading } from '../shapes';

const EXHAUST = ['carbon-monoxide', 'hot-parts'] as const;

/** What every engine shows at its proof, whatever it drives. */
export const EVERY_PROOF: readonly ProofLook[] = [
  { id: 'steady', says: 'Steady off the choke, takes throttle', fails: { observation: 'idle', outcome: 'rough' } },
  { id: 'restart-hot', says: 'Restarts hot', fails: { observation: 'starting', outcome: 'hard' } },
];

const ISO_8528 = published('ISO 8528-5:2018, performance class G1; limits from memory');
const hertz = (id: string, says: string, atLoad: number, least: number, most: number): ProofReading => ({
  id,
  says,
  unit: 'Hz',
  least,
  most,
  scale: [52, 66],
  source: COMMON_PRACTICE,
  live: 'hertz',
  atLoad,
});
const volts = (id: string, says: string, atLoad: number): ProofReading => ({
  id,
  says,
  unit: 'V',
  least: 114,
  most: 126,
  scale: [90, 140],
  source: ISO_8528,
  live: 'volts',
  atLoad,
  low: { observation: 'output', outcome: atLoad === 0 ? 'low' : 'drops-on-load' },
  high: { observation: 'output', outcome: 'high' },
});

export const PROOFS: readonly ProofPlan[] = [
  {
    classId: 'generator',
    minutes: 20,
    cautions: [...EXHAUST, 'electric-shock'],
    loads: [
      { id: 'load-bank', says: 'Load bank, in steps to rated' },
      { id: 'heaters', says: 'Heaters, in steps to rated' },
    ],
    readings: [
      hertz('hertz-0', 'Hertz, no load', 0, 61, 63),
      volts('volts-0', 'Volts, no load', 0),
      hertz('hertz-50', 'Hertz, half load', 0.5, 58.5, 62.5),
      volts('volts-50', 'Volts, half load', 0.5),
      hertz('hertz-100', 'Hertz, full load', 1, 57, 62),
      volts('volts-100', 'Volts, full load', 1),
    ],
    looks: [{ id: 'sockets', says: 'Sockets: polarity and earth right, breaker trips', caution: 'electric-shock' }],
  },
  {
    classId: 'pressure-washer',
    minutes: 15,
    cautions: [...EXHAUST, 'high-pressure-water'],
    loads: [{ id: 'spraying', says: 'Spraying, water on and air purged' }],
    readings: [
      {
        id: 'flow',
        says: 'Flow by bucket',
        unit: 'L/min',
        least: 9,
        most: 14,
        scale: [4, 18],
        source: JUDGEMENT,
        live: 'flow',
        atLoad: 1,
        low: { observation: 'pressure', outcome: 'low' },
      },
      {
        id: 'pressure',
        says: 'Pressure at the gun',
        unit: 'bar',
        least: 130,
        most: 210,
        scale: [60, 260],
        source: JUDGEMENT,
        live: 'pressure',
        atLoad: 1,
        low: { observation: 'pressure', outcome: 'low' },
      },
    ],
    looks: [
      {
        id: 'trigger',
        says: 'Trigger lets go: unloads at once, no leak at hose, gun or lance',
        caution: 'high-pressure-water',
      },
    ],
  },
  {
    classId: 'log-splitter',
    minutes: 15,
    cautions: [...EXHAUST, 'hydraulic-injection'],
    loads: [{ id: 'log', says: 'A log in the ram, split through' }],
    readings: [
      {
        id: 'cycle',
        says: 'Cycle, out and back',
        unit: 's',
        most: 16,
        scale: [6, 30],
        source: JUDGEMENT,
        live: 'cycle',
        atLoad: 0,
        high: { observation: 'ram', outcome: 'slow' },
      },
      {
        id: 'pressure',
        says: 'Pressure in the log',
        unit: 'bar',
        least: 150,
        most: 240,
        scale: [60, 280],
        source: JUDGEMENT,
        live: 'pressure',
        atLoad: 1,
        low: { observation: 'ram', outcome: 'no-force' },
      },
      {
        id: 'creep',
        says: 'Creep in a minute, valve at rest',
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
        says: 'Valve springs back to rest; hoses dry by card, never by hand',
        caution: 'hydraulic-injection',
      },
    ],
  },
  {
    classId: 'welder',
    minutes: 15,
    cautions: [...EXHAUST, 'electric-shock'],
    loads: [{ id: 'arc', says: 'An arc at two settings, ten minutes by its duty' }],
    readings: [
      {
        id: 'open-circuit',
        says: 'Open-circuit volts',
        unit: 'V',
        least: 60,
        most: 90,
        scale: [30, 113],
        source: published('IEC 60974-1: at most 113 V d.c. open circuit; the band from 60 to 90 is judgement'),
        live: 'volts',
        atLoad: 0,
        low: { observation: 'arc', outcome: 'weak' },
      },
      {
        id: 'low-setting',
        says: 'Arc at the low setting, amperes',
        unit: 'A',
        least: 60,
        most: 110,
        scale: [30, 220],
        source: JUDGEMENT,
        live: 'amperes',
        atLoad: 0.5,
        low: { observation: 'arc', outcome: 'weak' },
      },
      {
        id: 'high-setting',
        says: 'Arc at the high setting, amperes',
        unit: 'A',
        least: 130,
        most: 200,
        scale: [30, 220],
        source: JUDGEMENT,
        live: 'amperes',
        atLoad: 1,
        low: { observation: 'arc', outcome: 'weak' },
      },
      { id: 'leads-drop', says: 'Drop along the leads', unit: 'V', most: 3, scale: [0, 10], source: JUDGEMENT },
    ],
    looks: [{ id: 'clamp', says: 'Clamp bites, leads cool, shade and screen up', caution: 'electric-shock' }],
  },
  {
    classId: 'tiller',
    minutes: 15,
    cautions: [...EXHAUST, 'moving-parts'],
    loads: [{ id: 'soil', says: 'Tines in soil' }],
    readings: [
      {
        id: 'speed',
        says: 'Engine speed, no load',
        unit: 'rpm',
        least: 3000,
        most: 3700,
        scale: [1200, 4400],
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
        says: 'Tines stand still in neutral, at idle and at full',
        caution: 'moving-parts',
        fails: { observation: 'tines', outcome: 'turn-in-neutral' },
      },
      { id: 'reverse', says: 'Reverse drives, and lets go', caution: 'moving-parts' },
    ],
  },
  {
    classId: 'snowblower',
    minutes: 15,
    cautions: [...EXHAUST, 'moving-parts'],
    loads: [
      { id: 'snow', says: 'Throwing snow' },
      { id: 'auger', says: 'Auger and impeller turning, no snow to be had' },
    ],
    readings: [
      {
        id: 'dead-man',
        says: 'Auger stands after the lever is let go',
        unit: 's',
        most: 5,
        scale: [0, 10],
        source: COMMON_PRACTICE,
      },
      {
        id: 'speed',
        says: 'Engine speed, auger in',
        unit: 'rpm',
        least: 3200,
        most: 3700,
        scale: [1200, 4400],
        source: COMMON_PRACTICE,
        live: 'rpm',
        atLoad: 1,
        low: { observation: 'speed', outcome: 'low' },
      },
    ],
    looks: [
      {
        id: 'auger',
        says: 'Auger and impeller both turn; shear bolts of the right grade',
        caution: 'moving-parts',
        fails: { observation: 'auger', outcome: 'does-not-turn' },
      },
      { id: 'throw', says: 'Throws, and the chute turns and tips', caution: 'moving-parts' },
    ],
  },
];

export const proofOf = (classId: string): ProofPlan => {
  const found = PROOFS.find((entry) => entry.classId === classId);
  if (found === undefined) throw new Error(`No proof for the class ${classId}`);
  return found;
};

/** How long a trouble took to come, by what was told of it (the end of each band, minutes). */
export const CAME_AFTER = {
  observation: 'runs-for',
  minutes: { 'under-2-min': 2, '2-to-10-min': 10, '10-to-30-min': 30 },
} as const;
/** It comes and goes. */
export const CAME_AND_WENT = { observation: 'intermittent', outcome: 'comes-and-goes' } as const;
