import { TANKS } from '../fuel';
import { COMMON_PRACTICE, JUDGEMENT, type ClassId, type Source } from '../shapes';

/** A way to let a unit stand, with its price and its risk. */
export interface LayUpMethod {
  readonly id: string;
  readonly name: string;
  readonly why: string;
  /** Hands-on, to lay it up and to wake it again. */
  readonly minutes: number;
  readonly wakeMinutes: number;
  /** Where it is run while it stands: minutes a month. */
  readonly minutesAMonth: number;
  /** What is left in: nothing, the whole tank, or so many litres run through. */
  readonly leaves: { readonly fuel: 'e0' | 'alkylate'; readonly litres: 'full' | number } | null;
  readonly takesStabiliser: boolean;
  /** The chance that it wants a fuel repair when it is woken: 1 − exp(−(days ÷ scale) ^ shape). */
  readonly risk: { readonly scaleDays: number; readonly shape: number };
  /** With ethanol in what stands in it the scale shrinks to this share. */
  readonly ethanolShare: number;
  /** In a metal tank, bare of fuel. */
  readonly metalShare: number;
  /** Without a fuel tap it takes so much longer. */
  readonly withoutTapMinutes: number;
  /** Keeps the engine ready: nothing is opened, nothing is stored. */
  readonly staysReady: boolean;
  readonly steps: readonly string[];
  readonly wakes: readonly string[];
  readonly source: Source;
}

const FUEL_IN = 'Fresh fuel in; choke off; run until it is steady';
const RUN_UP = 'Oil looked at, air way free of nests, tap open, cap vent free';

/** The schools, each with what it costs and what it risks. Minutes and curves: judgement, to be moved by the yard's own wake-ups. */
export const LAY_UP_METHODS = {
  'as-it-is': {
    id: 'as-it-is',
    name: 'Left as it is',
    why: 'Nothing is done. Most engines that stood fail by this.',
    minutes: 0,
    wakeMinutes: 5,
    minutesAMonth: 0,
    leaves: null,
    takesStabiliser: false,
    risk: { scaleDays: 300, shape: 1.5 },
    ethanolShare: 0.75,
    metalShare: 0.9,
    withoutTapMinutes: 0,
    staysReady: true,
    steps: [],
    wakes: [RUN_UP, 'Start it; run it warm'],
    source: JUDGEMENT,
  },
  'run-dry': {
    id: 'run-dry',
    name: 'Drained, run dry, bowl drained',
    why: 'Cheap. Needle tips dry out, and a drop on the float can glue it.',
    minutes: 18,
    wakeMinutes: 12,
    minutesAMonth: 0,
    leaves: null,
    takesStabiliser: false,
    risk: { scaleDays: 900, shape: 1.3 },
    ethanolShare: 1,
    metalShare: 0.6,
    withoutTapMinutes: 8,
    staysReady: false,
    steps: [
      'Tank drained into a can',
      'Tap shut, run dry, choke on at the end',
      'Bowl drained at its screw: running dry leaves a quarter to three eighths of an inch',
      'Metal tank: oil film all round',
    ],
    wakes: [FUEL_IN, RUN_UP],
    source: COMMON_PRACTICE,
  },
  'bowl-off': {
    id: 'bowl-off',
    name: 'Drained, bowl off and sprayed',
    why: 'The most work, and the cleanest of those that stand empty.',
    minutes: 35,
    wakeMinutes: 14,
    minutesAMonth: 0,
    leaves: null,
    takesStabiliser: false,
    risk: { scaleDays: 1700, shape: 1.3 },
    ethanolShare: 1,
    metalShare: 0.6,
    withoutTapMinutes: 8,
    staysReady: false,
    steps: [
      'Tank drained into a can',
      'Tap shut, run dry',
      'Bowl off, jets and bowl sprayed, float dried, bowl on with a good seal',
      'Metal tank: oil film all round',
    ],
    wakes: [FUEL_IN, RUN_UP],
    source: COMMON_PRACTICE,
  },
  'full-stabilised': {
    id: 'full-stabilised',
    name: 'Full, ethanol-free with stabiliser',
    why: 'No air in the tank; ready at short notice. Well for months, drained after a year.',
    minutes: 14,
    wakeMinutes: 4,
    minutesAMonth: 0,
    leaves: { fuel: 'e0', litres: 'full' },
    takesStabiliser: true,
    risk: { scaleDays: 1000, shape: 2 },
    ethanolShare: 0.5,
    metalShare: 1,
    withoutTapMinutes: 0,
    staysReady: false,
    steps: [
      'Old fuel drained into a can',
      'Fresh ethanol-free fuel mixed with its dose of stabiliser, tank filled to the neck',
      'Run ten minutes, so that it is in the bowl too',
      'Tap shut',
    ],
    wakes: [RUN_UP, 'Start it; run it warm'],
    source: COMMON_PRACTICE,
  },
  alkylate: {
    id: 'alkylate',
    name: 'Drained, alkylate run through and left in',
    why: 'Rubber and needle stay wet. Dear by the litre, cheap against a carburettor.',
    minutes: 16,
    wakeMinutes: 5,
    minutesAMonth: 0,
    leaves: { fuel: 'alkylate', litres: 1 },
    takesStabiliser: false,
    risk: { scaleDays: 2600, shape: 1.5 },
    ethanolShare: 1,
    metalShare: 0.6,
    withoutTapMinutes: 0,
    staysReady: false,
    steps: [
      'Tank drained into a can',
      'Alkylate in, run ten minutes: it is in the bowl, and the needle stays wet',
      'Tap shut; the rest stays in',
    ],
    wakes: [RUN_UP, 'Top it up, start it; run it warm'],
    source: COMMON_PRACTICE,
  },
  exercised: {
    id: 'exercised',
    name: 'Kept ready: run under load each month',
    why: 'For what may be called any night. The battery is kept and the windings are dried.',
    minutes: 6,
    wakeMinutes: 0,
    minutesAMonth: 20,
    leaves: { fuel: 'e0', litres: 'full' },
    takesStabiliser: true,
    risk: { scaleDays: 3200, shape: 1.3 },
    ethanolShare: 0.5,
    metalShare: 1,
    withoutTapMinutes: 0,
    staysReady: true,
    steps: [
      'Fresh ethanol-free fuel with stabiliser, tank filled',
      'Each month: under half its load for twenty minutes',
    ],
    wakes: [RUN_UP],
    source: COMMON_PRACTICE,
  },
} as const satisfies Readonly<Record<string, LayUpMethod>>;
export type LayUpMethodId = keyof typeof LAY_UP_METHODS;
export const LAY_UP_METHOD_IDS = Object.keys(LAY_UP_METHODS) as LayUpMethodId[];

/** Ways of lay-up that fit a class: what is run each month has a battery to keep. */
export const methodsFor = (classId: ClassId): LayUpMethodId[] =>
  LAY_UP_METHOD_IDS.filter((id) => id !== 'exercised' || TANKS[classId].hasBattery);

/** What is done besides, by what the unit has; after the fuel. */
export const LAY_UP_BESIDES = {
  fog: 'Fogging oil into the cylinder, one slow turn, piston left at compression: both valves shut',
  battery: 'Battery full, off or on its keeper; a date to look at it again',
  pump: 'Pump antifreeze drawn through pump and hose, or both blown empty: water left in it splits the pump',
  ram: 'Ram in, beam oiled, hydraulic tank full',
  metal: 'Bare metal wiped with oil; tines, augers and blades too',
  belts: 'Belts slack, tyres at their pressure',
  airways: 'Air way and exhaust closed against mice and wasps, with a tag that says so',
} as const;
export type LayUpBesides = keyof typeof LAY_UP_BESIDES;

export const LAY_UP_BESIDES_OF: Readonly<Record<ClassId, readonly LayUpBesides[]>> = {
  'pressure-washer': ['fog', 'pump', 'airways'],
  generator: ['fog', 'battery', 'airways'],
  tiller: ['fog', 'metal', 'belts', 'airways'],
  snowblower: ['fog', 'metal', 'belts', 'airways'],
  'log-splitter': ['fog', 'ram', 'airways'],
  welder: ['fog', 'battery', 'airways'],
};

/** What is done besides the fuel: where a unit stays ready nothing is opened or closed, only its battery is kept. */
export const besidesOf = (classId: ClassId, { staysReady }: Pick<LayUpMethod, 'staysReady'>): readonly LayUpBesides[] =>
  LAY_UP_BESIDES_OF[classId].filter((id) => !staysReady || id === 'battery');

/** The work of a lay-up's job, and of a wake-up's. */
export const workOfLayUp = (method: LayUpMethodId, classId: ClassId): string => `lay-up-${method}-${classId}`;
export const workOfWaking = (method: LayUpMethodId): string => `wake-up-${method}`;

/** The method of a lay-up's work. */
export const methodOfWork = (work: string): LayUpMethodId | undefined =>
  LAY_UP_METHOD_IDS.find((id) => work.startsWith(`lay-up-${id}-`));

export const STANDING_WORKS: readonly string[] = LAY_UP_METHOD_IDS.flatMap((id) => [
  workOfWaking(id),
  ...(Object.keys(LAY_UP_BESIDES_OF) as ClassId[]).map((classId) => workOfLayUp(id, classId)),
]);
