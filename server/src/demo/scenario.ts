import type { ClassId } from '@hudrik/core/catalogue';
import type { DataSheet, Role } from '@hudrik/core/contracts';
import { LANTERN_SHEET, SPATE_SHEET, FURROW_SHEET } from './sheets';

/** The yard of the demo: a hire yard in a ferry town on a mountain lake. Every name here is invented. */
export const YARD_NAME = 'Ferry Landing Hire Yard';

export const PEOPLE: readonly { name: string; role: Role; pin: string }[] = [
  { name: 'Runa Veldt', role: 'lead', pin: '4711' },
  { name: 'Ivo Tarnwell', role: 'technician', pin: '1207' },
  { name: 'Maren Askild', role: 'technician', pin: '3390' },
  { name: 'Pell Quist', role: 'apprentice', pin: '2580' },
  { name: 'Lise Borrowby', role: 'counter', pin: '9034' },
];

/** Who works at the bench when: somebody is there from Monday to Saturday. Weekdays from 1, Monday. */
export const WORKING_HOURS: readonly {
  readonly name: string;
  readonly weekdays: readonly number[];
  readonly stretches: readonly (readonly [from: string, to: string])[];
}[] = [
  {
    name: 'Ivo Tarnwell',
    weekdays: [1, 2, 3, 4, 5],
    stretches: [
      ['07:30', '12:00'],
      ['12:30', '16:30'],
    ],
  },
  {
    name: 'Maren Askild',
    weekdays: [2, 3, 4, 5, 6],
    stretches: [
      ['08:00', '12:00'],
      ['12:45', '17:00'],
    ],
  },
  { name: 'Runa Veldt', weekdays: [1, 2, 3, 4, 5, 6], stretches: [['13:00', '15:00']] },
];

export interface DemoModel {
  readonly classId: ClassId;
  readonly make: string;
  readonly name: string;
  /** What its data sheet says of the engine. */
  readonly engine: Readonly<Record<string, string | number | boolean>>;
  readonly limits?: Readonly<Record<string, readonly [number, number | null]>>;
  /** What else its sheet says. */
  readonly sheet?: Partial<Omit<DataSheet, 'engine' | 'limits'>>;
}

const ROPE = {
  ignition: 'coil',
  strokes: 4,
  release: true,
  fuel: 'petrol',
  throttle: 'mechanical',
  carburettor: 'float',
  tank: 'plastic',
  start: 'recoil',
  cooling: 'air',
} as const;
const KEY = { ...ROPE, tank: 'metal', start: 'both' } as const;

export const MODELS: readonly DemoModel[] = [
  { classId: 'pressure-washer', make: 'Fellbrook', name: 'Spate 210', engine: ROPE, sheet: SPATE_SHEET },
  { classId: 'pressure-washer', make: 'Quarrowe', name: 'Rill 160', engine: ROPE },
  { classId: 'generator', make: 'Tuvellan', name: 'Lantern 5', engine: KEY, sheet: LANTERN_SHEET },
  { classId: 'generator', make: 'Oskarn', name: 'Beacon 8E', engine: { ...KEY, throttle: 'electronic' } },
  {
    classId: 'tiller',
    make: 'Fellbrook',
    name: 'Furrow 60',
    engine: { ...ROPE, ignition: 'points', release: false, tank: 'metal' },
    limits: { pointsGapInch: [0.018, 0.022], compressionFree: [110, null] },
    sheet: FURROW_SHEET,
  },
  { classId: 'snowblower', make: 'Oskarn', name: 'Drift 28', engine: KEY },
  { classId: 'snowblower', make: 'Marlune', name: 'Flurry 24', engine: ROPE },
  { classId: 'log-splitter', make: 'Quarrowe', name: 'Cleave 22', engine: ROPE },
  { classId: 'welder', make: 'Tuvellan', name: 'Seam 180', engine: KEY },
];

/** How a unit stands today. */
export type Fate =
  | { readonly stands: 'fit' | 'laid-up' | 'gone' }
  | { readonly stands: 'out'; readonly dueInDays: number }
  | { readonly stands: 'back'; readonly hoursAgo: number }
  | {
      readonly stands: 'found';
      readonly answers: Readonly<Record<string, string>>;
      readonly complaintIds: readonly string[];
      readonly daysAgo: number;
      readonly started?: boolean;
      readonly before?: readonly Trouble[];
      readonly hoursAtStart?: number;
    };

/** An earlier return with the same story: it was repaired, and came back. */
interface Trouble {
  readonly daysAgo: number;
  readonly complaintIds: readonly string[];
}

export interface Berth {
  readonly classId: ClassId;
  readonly fates: readonly Fate[];
}

const fit: Fate = { stands: 'fit' };
const laidUp: Fate = { stands: 'laid-up' };
const out = (dueInDays: number): Fate => ({ stands: 'out', dueInDays });
const back = (hoursAgo: number): Fate => ({ stands: 'back', hoursAgo });
const found = (
  daysAgo: number,
  answers: Readonly<Record<string, string>>,
  complaintIds: readonly string[] = [],
  started = false,
): Extract<Fate, { stands: 'found' }> => ({ stands: 'found', daysAgo, answers, complaintIds, started });

/** The fleet as it stands on the day of the demo, tag by tag. */
export const YARD: readonly Berth[] = [
  {
    classId: 'pressure-washer',
    fates: [
      fit,
      out(2),
      fit,
      found(1, { gun: 'does-not-shut' }),
      back(3),
      fit,
      out(1),
      found(0.2, { nozzles: 'worn', clean: 'dirty' }),
      fit,
      out(-0.2),
      fit,
      { ...found(3, { 'pump-oil': 'milky' }, ['low-pressure'], true), hoursAtStart: 1860 },
    ],
  },
  {
    classId: 'generator',
    fates: [
      fit,
      out(1),
      found(0.3, { 'oil-level': 'over-full', 'oil-look': 'smells-of-fuel' }, ['black-smoke']),
      fit,
      fit,
      out(4),
      {
        ...found(2, {}, ['drops-on-load', 'rough'], true),
        before: [
          { daysAgo: 24, complaintIds: ['drops-on-load'] },
          { daysAgo: 13, complaintIds: ['rough'] },
        ],
      },
      fit,
      back(1),
      found(0.5, { 'air-filter': 'blocked' }),
      fit,
      out(-1),
      fit,
      { stands: 'gone' },
    ],
  },
  { classId: 'tiller', fates: [laidUp, laidUp, fit, laidUp, found(6, { neutral: 'creeps' }), laidUp, laidUp, laidUp] },
  {
    classId: 'snowblower',
    fates: [
      fit,
      out(2),
      fit,
      found(0.4, { 'shear-bolts': 'broken', 'scraper-skids': 'worn' }),
      fit,
      found(1, {}, ['only-on-choke', 'hunts']),
      fit,
      fit,
      out(3),
      back(5),
      fit,
      found(4, { 'dead-man': 'does-not-stop' }, [], true),
    ],
  },
  {
    classId: 'log-splitter',
    fates: [
      fit,
      out(1),
      found(1, { 'hydraulic-hoses': 'weeps' }),
      fit,
      found(0.6, { tyres: 'soft' }),
      out(2),
      fit,
      fit,
    ],
  },
  { classId: 'welder', fates: [fit, found(2, { 'weld-leads': 'damaged' }), fit, out(2), fit, fit, fit, fit] },
];

/** Hires booked ahead: days from now or the next Friday, when the whole town wants something, class, the tag promised (by its place in the class) or any unit of the class. */
export const BOOKED: readonly {
  readonly on: number | 'friday';
  readonly hour: number;
  readonly days: number;
  readonly classId: ClassId;
  readonly place: number | null;
}[] = [
  { on: 1, hour: 8, days: 2, classId: 'generator', place: 1 },
  { on: 1, hour: 8, days: 1, classId: 'pressure-washer', place: 8 },
  { on: 1, hour: 9, days: 3, classId: 'snowblower', place: 4 },
  { on: 1, hour: 10, days: 1, classId: 'log-splitter', place: 3 },
  { on: 2, hour: 8, days: 2, classId: 'generator', place: 3 },
  { on: 2, hour: 8, days: 3, classId: 'snowblower', place: null },
  { on: 2, hour: 9, days: 1, classId: 'welder', place: 1 },
  { on: 'friday', hour: 7, days: 2, classId: 'snowblower', place: 1 },
  { on: 'friday', hour: 8, days: 3, classId: 'snowblower', place: 3 },
  { on: 'friday', hour: 8, days: 2, classId: 'generator', place: 4 },
  { on: 'friday', hour: 8, days: 2, classId: 'generator', place: null },
  { on: 'friday', hour: 9, days: 2, classId: 'log-splitter', place: 1 },
  { on: 'friday', hour: 9, days: 1, classId: 'pressure-washer', place: 1 },
  { on: 4, hour: 8, days: 4, classId: 'welder', place: 3 },
  { on: 5, hour: 8, days: 2, classId: 'log-splitter', place: 4 },
];
