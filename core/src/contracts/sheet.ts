import type { InferType } from 'yup';
import { tuple } from 'yup';
import { GOVERNORS, type RatingId } from '../catalogue/shapes';
import type { Frozen } from '../fields/frozen';
import { array, engine, number, object, string, trimmed } from '../fields';
import { NOTE_PLACES, partNumber } from '../log/schemas';
import { wrongOfOwn, type OwnLimitWrong, type ReadingLimits } from '../readings';
import { areOfOneDimension, isUnit } from '../units';

const WRONG: Readonly<Record<OwnLimitWrong, string>> = {
  inverted: 'The end must be above the start.',
  impossible: 'No engine shows that: is the unit right?',
  'end-wanted': 'This needs an end: a gap without one is never too large.',
  'no-end': 'This has no upper end.',
  'from-nought': 'This starts at 0: it is at most so much.',
};

const range = tuple([number().min(0).required(), number().min(0).nullable().defined()]).optional();
type Band = typeof range;
const limitsOf = (band: (name: keyof ReadingLimits) => Band) =>
  object({
    compressionFree: band('compressionFree'),
    compressionByRelease: band('compressionByRelease'),
    leakDownPercent: band('leakDownPercent'),
    batteryVolts: band('batteryVolts'),
    plugGapInch: band('plugGapInch'),
    airGapInch: band('airGapInch'),
    pointsGapInch: band('pointsGapInch'),
    pointsOhm: band('pointsOhm'),
    coilOhm: band('coilOhm'),
    lashIntakeInch: band('lashIntakeInch'),
    lashExhaustInch: band('lashExhaustInch'),
  }).noUnknown();

/** Limits of readings of a model's own, as they are kept: from where to where a reading is well. No upper end: null. */
export const ownLimits = limitsOf(() => range);
/** The same as they are entered: one that cannot be is refused. */
const enteredLimits = limitsOf((name) =>
  range.test('can-be', (entered, context) => {
    const wrong = entered === undefined ? null : wrongOfOwn(name, [entered[0], entered[1] ?? null]);
    return wrong === null || context.createError({ message: WRONG[wrong] });
  }),
);

const figure = number().positive().max(100_000).optional();
/** What a machine is rated for; see RATING_IDS for the units. */
export const rated = object({
  hertz: figure,
  volts: figure,
  flow: figure,
  pressure: figure,
  cycle: figure,
  force: figure,
  bore: figure,
  'open-circuit': figure,
  'low-amperes': figure,
  'high-amperes': figure,
  duty: figure,
  'idle-speed': figure,
  'top-speed': figure,
  governor: string().oneOf(GOVERNORS).optional(),
} satisfies Record<RatingId | 'governor', unknown>).noUnknown();

const words = trimmed.max(120);
const aUnit = (dimension: string) =>
  string()
    .max(12)
    .required()
    .test('unit', `Choose a unit of ${dimension}.`, (unit) => areOfOneDimension(unit, DIMENSION_UNIT[dimension] ?? ''));
const DIMENSION_UNIT: Readonly<Record<string, string>> = { torque: 'N·m', volume: 'L' };

const MOST_BOLTS = 40;
/** A torque of the sheet, with its pattern: the places in a plane of any scale, the order from 1, the holes that take long bolts. */
export const sheetTorque = object({
  what: words.min(1).required(),
  value: number().positive().max(2000).required(),
  unit: aUnit('torque'),
  threads: string().oneOf(['dry', 'oiled']).default('dry'),
  places: array(tuple([number().required(), number().required()]).required())
    .max(MOST_BOLTS)
    .default([]),
  order: array(number().integer().min(1).max(MOST_BOLTS).required())
    .max(MOST_BOLTS)
    .default([])
    .test('each-once', 'The order must name each bolt once, from 1.', (order) =>
      [...order].sort((a, b) => a - b).every((bolt, at) => bolt === at + 1),
    ),
  long: array(number().integer().min(1).max(MOST_BOLTS).required()).max(MOST_BOLTS).default([]),
}).test('as-many', 'Order, places and long bolts must be of the same bolts.', ({ places, order, long }) => {
  const count = Math.max(places.length, order.length);
  if (places.length > 0 && order.length > 0 && places.length !== order.length) return false;
  return count === 0 ? long.length === 0 : long.every((bolt) => bolt <= count);
});

/** Which oil goes where, by the coldest start expected. No end: null. */
export const sheetOil = object({
  where: words.min(1).required(),
  grade: words.min(1).required(),
  fromC: number().min(-60).max(60).nullable().default(null),
  toC: number().min(-60).max(60).nullable().default(null),
}).test(
  'ascends',
  'The warm end must be above the cold one.',
  ({ fromC, toC }) => fromC == null || toC == null || toC > fromC,
);

export const sheetCapacity = object({
  what: words.min(1).required(),
  value: number().positive().max(1000).required(),
  unit: aUnit('volume'),
});

/** A measure that has no name of its own in the program: valve stem, belt width, sheave, shim. Ends are well themselves; open: null. */
export const sheetMeasure = object({
  name: words.min(1).required(),
  place: words.default(''),
  unit: string()
    .max(12)
    .required()
    .test('unit', 'Choose a unit.', (unit) => isUnit(unit) || unit === 'drops/min' || unit === 'turns'),
  from: number().min(-1e6).max(1e6).nullable().default(null),
  to: number().min(-1e6).max(1e6).nullable().default(null),
})
  .test('ascends', 'The end must be above the start.', ({ from, to }) => from == null || to == null || to > from)
  .test('some', 'Give a start or an end.', ({ from, to }) => from != null || to != null);

const notePlaces = array(string().oneOf(NOTE_PLACES).required()).min(1).max(NOTE_PLACES.length);
export const sheetNote = object({ text: trimmed.min(2).max(400).required(), places: notePlaces.required() });

/** A part of this model: what it is called, where it sits, its number where anybody knows it, and the set that it is bought in. */
export const sheetPart = object({
  name: words.min(1).required(),
  place: words.default(''),
  number: partNumber.nullable().default(null),
  count: number().integer().min(1).max(99).default(1),
  kit: words.default(''),
});

const LONGEST = 60;
const MOST_PARTS = 400;
/** What a maker prints besides, in lists. */
const lists = {
  plug: words,
  torques: array(sheetTorque.required()).max(LONGEST),
  oils: array(sheetOil.required()).max(LONGEST),
  capacities: array(sheetCapacity.required()).max(LONGEST),
  measures: array(sheetMeasure.required()).max(LONGEST),
  notes: array(sheetNote.required()).max(LONGEST),
  parts: array(sheetPart.required()).max(MOST_PARTS),
};

/** A model's data sheet: its engine, what it is rated for, from where to where a reading is well, and what else its maker prints. */
export const dataSheet = object({
  engine: engine.default({}),
  limits: ownLimits.default({}),
  rated: rated.default({}),
  plug: lists.plug.default(''),
  torques: lists.torques.default([]),
  oils: lists.oils.default([]),
  capacities: lists.capacities.default([]),
  measures: lists.measures.default([]),
  notes: lists.notes.default([]),
  parts: lists.parts.default([]),
});
/** The same as it is entered. A list that is not said stays as it is: an older device knows nothing of it. */
export const enteredSheet = object({
  engine: engine.default({}),
  limits: enteredLimits.default({}),
  rated: rated.default({}),
  plug: lists.plug.optional(),
  torques: lists.torques.optional(),
  oils: lists.oils.optional(),
  capacities: lists.capacities.optional(),
  measures: lists.measures.optional(),
  notes: lists.notes.optional(),
  parts: lists.parts.optional(),
});
export type DataSheet = Frozen<InferType<typeof dataSheet>>;
export type SheetTorque = DataSheet['torques'][number];
export type SheetPart = DataSheet['parts'][number];
export type SheetMeasure = DataSheet['measures'][number];

/** An empty sheet, and what a kept one of an older edition lacks. */
export const EMPTY_SHEET: DataSheet = dataSheet.cast({});

const standingNote = object({
  id: string().required(),
  text: string().required(),
  places: notePlaces.required(),
  by: string().nullable().defined(),
  at: string().required(),
});
export type StandingNote = Frozen<InferType<typeof standingNote>>;

const measured = object({
  name: string().required(),
  place: string().defined(),
  value: number().required(),
  unit: string().required(),
  at: string().required(),
  jobId: string().nullable().defined(),
});
export type Measured = Frozen<InferType<typeof measured>>;

/** What is known of a unit beside its state: its model's sheet, its own plate, notes that stand, what was measured last, newest first. */
export const unitSheet = object({
  tag: string().required(),
  classId: string().required(),
  model: object({ id: number().required(), make: string().required(), name: string().required() }).required(),
  dataSheet: dataSheet.required(),
  rated: rated.required(),
  notes: array(standingNote.required()).required(),
  measured: array(measured.required()).required(),
});
export type UnitSheet = Frozen<InferType<typeof unitSheet>>;

/** A part of the unit's model, with what the shelf and the price list say of it. */
const unitPart = object({
  name: string().required(),
  place: string().defined(),
  count: number().required(),
  kit: string().defined(),
  /** As the sheet has it. */
  number: string().nullable().defined(),
  /** What that is today; null where nobody knows a number, or the list of numbers leads nowhere. */
  today: string().nullable().defined(),
  cents: number().nullable().defined(),
  paid: object({ cents: number().required(), at: string().required() }).nullable().defined(),
  free: number().required(),
});
export const unitParts = object({
  model: object({ id: number().required(), make: string().required(), name: string().required() }).required(),
  parts: array(unitPart.required()).required(),
});
export type UnitPart = Frozen<InferType<typeof unitPart>>;
