import {
  COMMON_PRACTICE,
  GOVERNOR_CLASSES,
  GOVERNOR_CLASSES_SOURCE,
  judgement,
  published,
  type Threshold,
} from '../catalogue';
import { exact } from '../figures';
import { bandOfHertz, classReached, droopOf, voltageDeviation } from '../proof';
import type { Calculator } from './shape';
import { BY_DEFINITION, NIST } from './sources';

export const SPEED_AND_HERTZ: Calculator = {
  id: 'speed-and-hertz',
  name: 'Speed and hertz',
  does: 'How fast a set must turn',
  asks: [
    { id: 'hertz', label: 'Frequency', unit: 'Hz', usual: 60, rating: 'hertz' },
    { id: 'poles', label: 'Poles', unit: 'poles', usual: 2 },
  ],
  gives: ({ hertz = 0, poles = 0 }) =>
    poles < 2 || poles % 2 !== 0 ? null : [{ id: 'rpm', label: 'Speed', value: (120 * hertz) / poles, unit: 'r/min' }],
  formula: '120 × hertz ÷ poles',
  sources: [BY_DEFINITION],
  worked: { given: { hertz: 60, poles: 2 }, gives: { rpm: 3600 } },
};

const CLASS_WORDS = { droop: 'droop', band: 'band', voltage: 'volts' } as const;

export const SET_CLASS: Calculator = {
  id: 'set-class',
  name: 'Class of a generating set',
  does: 'Droop, frequency band and volts against the performance classes',
  asks: [
    { id: 'noLoad', label: 'No load', unit: 'Hz', usual: 62 },
    { id: 'fullLoad', label: 'Full load', unit: 'Hz', usual: 60 },
    { id: 'rated', label: 'Rated', unit: 'Hz', usual: 60, rating: 'hertz' },
    { id: 'highest', label: 'At a held load, highest', unit: 'Hz', usual: 60.2 },
    { id: 'lowest', label: 'and lowest', unit: 'Hz', usual: 59.9 },
    { id: 'mostVolts', label: 'Volts over all loads, highest', unit: 'V', usual: 122 },
    { id: 'leastVolts', label: 'and lowest', unit: 'V', usual: 118 },
    { id: 'ratedVolts', label: 'Rated', unit: 'V', usual: 120, rating: 'volts' },
  ],
  gives: (given) => {
    const { noLoad = 0, fullLoad = 0, rated = 0, highest = 0, lowest = 0 } = given;
    const { mostVolts = 0, leastVolts = 0, ratedVolts = 0 } = given;
    if (rated <= 0 || ratedVolts <= 0 || lowest > highest || leastVolts > mostVolts) return null;
    const departures = {
      droop: droopOf(noLoad, fullLoad, rated),
      band: bandOfHertz(highest, lowest, rated),
      voltage: voltageDeviation([mostVolts, leastVolts], ratedVolts),
    };
    const { reached, by } = classReached(departures, GOVERNOR_CLASSES);
    const rises = departures.droop < 0 ? ' It rises with load: look at the governor.' : '';
    const each = (key: keyof typeof by): string => by[key] ?? 'outside all classes';
    return [
      {
        id: 'droop',
        label: 'Droop',
        value: departures.droop,
        unit: '%',
        sentence: `${reached === null ? 'Outside all classes.' : `Within ${reached} by all three.`}${rises}`,
      },
      ...(['droop', 'band', 'voltage'] as const).map((key) => ({
        id: `${key}Class`,
        label: `By ${CLASS_WORDS[key]}, ${each(key)}:`,
        value: departures[key],
        unit: '%',
      })),
    ];
  },
  formula:
    'droop = (no load − full load) ÷ rated; band = (highest − lowest) ÷ rated; volts = farthest from rated ÷ rated',
  sources: [GOVERNOR_CLASSES_SOURCE],
  worked: {
    given: {
      noLoad: 62.4,
      fullLoad: 60,
      rated: 60,
      highest: 60.5,
      lowest: 59.9,
      mostVolts: 123,
      leastVolts: 118,
      ratedVolts: 120,
    },
    gives: { droop: 4, bandClass: 1, voltageClass: 2.5 },
  },
};

export const NOZZLE_OFF: Threshold = {
  name: 'A nozzle that lets through so much more is worn; so much less: blocked, or the pump gives less',
  value: 10,
  unit: '%',
  source: COMMON_PRACTICE,
};

export const PUMP_PASSES_ON: Threshold = {
  name: 'Share of the engine’s power that a pump passes on',
  value: 0.85,
  unit: 'of the shaft’s power',
  source: judgement('a gear or piston pump in fair state'),
};

export const NOZZLE_WEAR: Calculator = {
  id: 'nozzle-wear',
  name: 'Nozzle wear',
  does: 'Flow by bucket against what the nozzle should let through',
  asks: [
    { id: 'flow', label: 'Flow by bucket', unit: 'L/min', usual: 11 },
    { id: 'ratedFlow', label: 'Rated flow', unit: 'L/min', usual: 10, rating: 'flow' },
    { id: 'ratedPressure', label: 'at', unit: 'bar', usual: 100, rating: 'pressure' },
    { id: 'pressure', label: 'Pressure now', unit: 'bar', usual: 100 },
  ],
  gives: ({ flow = 0, ratedFlow = 0, ratedPressure = 0, pressure = 0 }) => {
    if (ratedFlow <= 0 || ratedPressure <= 0 || pressure <= 0) return null;
    const expected = ratedFlow * Math.sqrt(pressure / ratedPressure);
    const wear = exact((flow / expected - 1) * 100);
    return [
      {
        id: 'wear',
        label: 'More than it should',
        value: wear,
        unit: '%',
        sentence:
          wear > NOZZLE_OFF.value
            ? 'Worn: a new nozzle.'
            : wear < -NOZZLE_OFF.value
              ? 'Blocked, or the pump gives less.'
              : 'Right.',
      },
      { id: 'expected', label: 'It should let through', value: expected, unit: 'L/min' },
    ];
  },
  formula: 'rated flow × √(pressure ÷ rated pressure)',
  sources: [
    published('Torricelli, Opera geometrica (1644)', 'flow through an orifice goes as the root of pressure'),
    COMMON_PRACTICE,
  ],
  worked: {
    given: { flow: 12, ratedFlow: 10, ratedPressure: 100, pressure: 121 },
    gives: { expected: 11, wear: 9.0909 },
  },
};

export const HYDRAULIC_POWER: Calculator = {
  id: 'hydraulic-power',
  name: 'Hydraulic power',
  does: 'What a pump gives, and about what its engine must',
  asks: [
    { id: 'pressure', label: 'Pressure', unit: 'bar', usual: 200 },
    { id: 'flow', label: 'Flow', unit: 'L/min', usual: 15 },
  ],
  gives: ({ pressure = 0, flow = 0 }) => [
    { id: 'power', label: 'In the fluid', value: (pressure * flow) / 600, unit: 'kW' },
    { id: 'engine', label: 'Engine, at 85 %', value: (pressure * flow) / 600 / PUMP_PASSES_ON.value, unit: 'kW' },
  ],
  formula: 'bar × L/min ÷ 600',
  sources: [BY_DEFINITION, judgement('a pump passes on 85 %')],
  worked: { given: { pressure: 200, flow: 15 }, gives: { power: 5, engine: 5.8824 } },
};

export const RAM_FORCE: Calculator = {
  id: 'ram-force',
  name: 'Ram force',
  does: 'What a splitter pushes with',
  asks: [
    { id: 'bore', label: 'Bore', unit: 'in', usual: 4, rating: 'bore' },
    { id: 'pressure', label: 'Pressure', unit: 'psi', usual: 3000, rating: 'pressure' },
  ],
  gives: ({ bore = 0, pressure = 0 }) => {
    const pounds = (Math.PI / 4) * bore ** 2 * pressure;
    return [
      { id: 'usTons', label: 'Force', value: pounds / 2000, unit: 'US tons' },
      { id: 'metricTons', label: 'that is', value: (pounds * 0.45359237) / 1000, unit: 'metric tons' },
      { id: 'kilonewtons', label: 'or', value: (pounds * 4.4482216152605) / 1000, unit: 'kN' },
    ];
  },
  formula: 'π ÷ 4 × bore² × pressure',
  sources: [BY_DEFINITION, NIST],
  worked: { given: { bore: 4, pressure: 3000 }, gives: { usTons: 18.85, metricTons: 17.1, kilonewtons: 167.7 } },
};

export const DUTY_CYCLE: Calculator = {
  id: 'duty-cycle',
  name: 'Welder’s duty cycle',
  does: 'Minutes on and off in ten at a setting',
  asks: [
    { id: 'ratedCurrent', label: 'Rated current', unit: 'A', usual: 180 },
    { id: 'ratedDuty', label: 'Rated duty', unit: '%', usual: 60, rating: 'duty' },
    { id: 'current', label: 'Setting', unit: 'A', usual: 140 },
  ],
  gives: ({ ratedCurrent = 0, ratedDuty = 0, current = 0 }) => {
    if (current <= 0) return null;
    const duty = Math.min(ratedDuty * (ratedCurrent / current) ** 2, 100);
    return [
      { id: 'duty', label: 'Duty', value: duty, unit: '%' },
      { id: 'on', label: 'Weld', value: duty / 10, unit: 'min' },
      { id: 'off', label: 'Rest', value: 10 - duty / 10, unit: 'min' },
    ];
  },
  formula: 'rated duty × (rated current ÷ setting)², at most 100 %, in ten minutes',
  sources: [published('IEC 60974-1', 'duty cycle, ten-minute period')],
  worked: { given: { ratedCurrent: 200, ratedDuty: 60, current: 250 }, gives: { duty: 38.4, on: 3.84, off: 6.16 } },
};

export const SPLITTER_CYCLE: Calculator = {
  id: 'splitter-cycle',
  name: 'Splitter’s cycle',
  does: 'Out and back with a two-stage pump',
  asks: [
    { id: 'bore', label: 'Bore', unit: 'in', usual: 4, rating: 'bore' },
    { id: 'rod', label: 'Rod', unit: 'in', usual: 2 },
    { id: 'stroke', label: 'Stroke', unit: 'in', usual: 24 },
    { id: 'fast', label: 'First stage', unit: 'L/min', usual: 50 },
    { id: 'slow', label: 'Second stage', unit: 'L/min', usual: 13 },
    { id: 'loaded', label: 'of the way in the log', unit: '%', usual: 0 },
  ],
  gives: ({ bore = 0, rod = 0, stroke = 0, fast = 0, slow = 0, loaded = 0 }) => {
    if (fast <= 0 || slow <= 0 || rod >= bore || loaded > 100) return null;
    const litres = (area: number): number => (area * stroke * 16.387064) / 1000;
    const out = litres((Math.PI / 4) * bore ** 2);
    const back = litres((Math.PI / 4) * (bore ** 2 - rod ** 2));
    const share = loaded / 100;
    const forth = (out * (1 - share) * 60) / fast + (out * share * 60) / slow;
    return [
      { id: 'forth', label: 'Out', value: forth, unit: 's' },
      { id: 'back', label: 'Back', value: (back * 60) / fast, unit: 's' },
      { id: 'cycle', label: 'In all', value: forth + (back * 60) / fast, unit: 's' },
    ];
  },
  formula: 'swept volume ÷ flow of the stage that works',
  sources: [BY_DEFINITION, NIST],
  worked: {
    given: { bore: 4, rod: 2, stroke: 24, fast: 50, slow: 13, loaded: 0 },
    gives: { forth: 5.931, back: 4.448, cycle: 10.379 },
  },
};

export const BUCKET_FLOW: Calculator = {
  id: 'bucket-flow',
  name: 'Flow by bucket',
  does: 'Litres a minute, and the size of nozzle that it goes with',
  asks: [
    { id: 'bucket', label: 'Bucket', unit: 'L', usual: 10 },
    { id: 'seconds', label: 'Time to fill it', unit: 's', usual: 52 },
    { id: 'pressure', label: 'Pressure', unit: 'psi', usual: 2500 },
  ],
  gives: ({ bucket = 0, seconds = 0, pressure = 0 }) => {
    if (seconds <= 0 || pressure <= 0) return null;
    const flow = (bucket * 60) / seconds;
    return [
      { id: 'flow', label: 'Flow', value: flow, unit: 'L/min' },
      { id: 'gallons', label: 'that is', value: flow / 3.785411784, unit: 'US gal/min' },
      { id: 'size', label: 'Nozzle size number', value: (flow / 3.785411784) * Math.sqrt(4000 / pressure), unit: '' },
    ];
  },
  formula: 'bucket ÷ time; size = US gal/min × √(4000 ÷ psi)',
  sources: [COMMON_PRACTICE],
  worked: { given: { bucket: 3.785411784, seconds: 15, pressure: 4000 }, gives: { gallons: 4, size: 4 } },
};

export const LOAD_STEPS: Calculator = {
  id: 'load-steps',
  name: 'Load steps',
  does: 'Kilowatts and amperes of each step to rated',
  asks: [
    { id: 'rated', label: 'Rated', unit: 'W', usual: 5000 },
    { id: 'volts', label: 'Volts', unit: 'V', usual: 240, rating: 'volts' },
  ],
  gives: ({ rated = 0, volts = 0 }) =>
    volts <= 0
      ? null
      : [0.25, 0.5, 0.75, 1].map((share) => ({
          id: `at${share * 100}`,
          label: `${share * 100} %`,
          value: (rated * share) / volts,
          unit: 'A',
          sentence: `${((rated * share) / 1000).toFixed(2)} kW`,
        })),
  formula: 'watts × share ÷ volts',
  sources: [BY_DEFINITION],
  worked: { given: { rated: 4800, volts: 240 }, gives: { at25: 5, at50: 10, at75: 15, at100: 20 } },
};
