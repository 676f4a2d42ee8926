import type { InferType } from 'yup';
import type { Frozen } from '../fields/frozen';
import { JOB_STATES, VISIT_STATES } from '../card';
import { DEFECT_ORIGINS, DEFECT_WEIGHTS, LOOK_ENDS, SECOND_FOR } from '../defects';
import { RATING_IDS } from '../catalogue/shapes';
import { LEAST_SEVERITY } from '../service';
import { dataSheet, rated } from './sheet';
import { records } from './log';
import {
  array,
  boolean,
  classId,
  cursor,
  hireLine,
  hours,
  instant,
  jobKind,
  mixed,
  name,
  number,
  object,
  origin,
  readiness,
  readinessVerdict,
  reason,
  string,
  tag,
  version,
  text,
  trimmed,
} from '../fields';
import { fuelLevel } from './fuel';

const unitLine = object({
  tag: string().required(),
  classId: classId.required(),
  model: object({ make: string().required(), name: string().required() }).required(),
  serial: string().required(),
  homeBay: string().required(),
  verdict: readinessVerdict.required(),
  readySince: string().required(),
  trueHours: number().required(),
  hoursToOilService: number().required(),
  oilServiceEvery: number().required(),
  nextHire: hireLine.nullable().defined(),
  version: version.required(),
});
export type UnitLine = Frozen<InferType<typeof unitLine>>;

export const jobLine = object({
  id: string().required(),
  tag: string().required(),
  classId: classId.required(),
  kind: jobKind.required(),
  work: string().required(),
  title: string().required(),
  minutes: number().required(),
  blocks: string().oneOf(['hold', 'prep', 'none']).required(),
  state: string().oneOf(JOB_STATES).required(),
  /** The visit that it is on, or was on last. */
  visit: object({ id: string().required(), state: string().oneOf(VISIT_STATES).required() }).required(),
  origins: array(origin.required()).required(),
  why: array(string().required()).required(),
  caution: string().nullable().defined(),
  /** It is done when its visit's proof has passed; else it ends with a look of its own. */
  asksProof: boolean().required(),
  /** What it is there for and is still open: its signature must have looked at each. */
  defects: array(object({ id: string().required(), sentence: string().required() }).required()).required(),
  raisedAt: string().required(),
  startedBy: string().nullable().defined(),
  closedAt: string().nullable().defined(),
  version: version.required(),
});
export type JobLine = Frozen<InferType<typeof jobLine>>;

/** One thing found wrong with a unit, open. */
export const defect = object({
  id: string().required(),
  origin: object({
    kind: string().oneOf(DEFECT_ORIGINS).required(),
    id: string().required(),
    exception: string().optional(),
  }).required(),
  sentence: string().required(),
  weight: string().oneOf(DEFECT_WEIGHTS).required(),
  safety: boolean().required(),
  caution: string().nullable().defined(),
  /** What closes it, in a sentence. */
  closer: string().required(),
  /** The job that does something about it; null: nothing is being done. */
  jobId: string().nullable().defined(),
  /** Of something told: the confirmed causes that explain it. */
  causes: array(string().required()).required(),
  foundAt: string().required(),
  by: string().nullable().defined(),
  seenAt: string().required(),
  /** What a look by itself may say of it. */
  looks: array(string().oneOf(LOOK_ENDS).required()).required(),
  /** Of something told: the entry by which it was told first. */
  toldBy: string().nullable().defined(),
  /** Why two say that it was all right; null: one is enough. */
  second: string().oneOf(SECOND_FOR).nullable().defined(),
});
export type Defect = Frozen<InferType<typeof defect>>;

/** What the last passed proof did not show, for want of a load: by its codes, and why there was none. */
export const unproved = object({
  why: string().required(),
  what: array(string().required()).required(),
  at: string().required(),
});
export type Unproved = Frozen<InferType<typeof unproved>>;

/** A rated figure that was changed since something was found by it, and that a lead confirms. */
const figureToConfirm = object({
  defectId: string().required(),
  rating: string().oneOf(RATING_IDS).required(),
  of: string().oneOf(['unit', 'model']).required(),
  value: number().nullable().defined(),
  by: string().nullable().defined(),
  at: string().required(),
});

export const unitPage = object({
  unit: unitLine.required(),
  /** What it is rated for: by its own plate, and by its model's sheet. */
  ratings: object({ model: rated.required(), unit: rated.required() }).required(),
  /** What is in its tank by all that was written down, of what it holds; null: nothing was ever written down. */
  fuel: fuelLevel.nullable().defined(),
  meter: object({
    reading: number().required(),
    offsetHours: number().required(),
    readAt: string().required(),
  }).required(),
  hire: hireLine.nullable().defined(),
  hires: array(hireLine.required()).required(),
  jobs: array(jobLine.required()).required(),
  defects: array(defect.required()).required(),
  reasons: array(reason.required()).required(),
  unproved: unproved.nullable().defined(),
  toConfirm: array(figureToConfirm.required()).required(),
  /** What a lead said that this unit has not got. */
  notFitted: array(
    object({
      check: string().required(),
      why: string().required(),
      by: string().nullable().defined(),
      at: string().required(),
    }).required(),
  ).required(),
  use: object({
    hoursPerDay: number().required(),
    in30Days: object({ low: number().required(), high: number().required(), expected: number().required() }).required(),
  }).required(),
  readings: array(object({ at: string().required(), trueHours: number().required() }).required()).required(),
});
export type UnitPage = Frozen<InferType<typeof unitPage>>;

export const model = object({
  id: number().required(),
  classId: classId.required(),
  make: string().required(),
  name: string().required(),
});
export const modelSheet = object({ model: model.required(), dataSheet: dataSheet.required() });
export const models = object({ models: array(model.required()).required() });
export const newModel = object({
  classId: classId.required(),
  make: name.required(),
  name: name.required(),
  /** Another of its class whose data sheet, tank and service plan it begins with. */
  copyOf: number().integer().optional(),
});

export const unitsQuery = object({
  class: classId.optional(),
  readiness: readiness.optional(),
  find: trimmed.max(120).optional(),
  cursor: cursor.optional(),
  limit: number().integer().min(1).max(200).default(100),
});

export const units = object({
  units: array(unitLine.required()).required(),
  next: string().nullable().defined(),
  counts: mixed<Record<string, number>>().required(),
});
export type UnitsReply = Frozen<InferType<typeof units>>;

export const newUnit = object({
  tag: tag.required(),
  modelId: number().integer().required(),
  serial: name.required(),
  homeBay: name.required(),
  meterReading: hours.default(0),
  meterOffset: number().min(-99_999).max(99_999).default(0),
});

export const unitChange = object({
  /** What this one is rated for, where its plate says otherwise than its model's sheet. */
  rated: rated.optional().default(undefined),
  serial: name.optional(),
  homeBay: name.optional(),
  /** Hours between its services shrink by it, 1 as its model has them. */
  severity: number().min(LEAST_SEVERITY).max(1).optional(),
  /** Sold, or scrapped: what is scrapped may be in parts. */
  gone: object({ why: text.min(1).required(), scrapped: boolean().optional() })
    .nullable()
    .optional()
    .default(undefined),
});

export const historyQuery = object({
  cursor: cursor.optional(),
  limit: number().integer().min(1).max(100).default(30),
});
export const history = object({ records, next: string().nullable().defined() });

export const newHire = object({
  reference: trimmed.min(1).max(40).required(),
  classId: classId.required(),
  tag: tag.nullable().default(null),
  fromAt: instant.required(),
  toAt: instant
    .required()
    .test(
      'after',
      'The hire must end after it begins.',
      (value, { parent }) => Date.parse(value) > Date.parse(parent.fromAt),
    ),
  hirer: trimmed.max(80).default(''),
  phone: trimmed.max(40).default(''),
  /** Who books has seen what speaks against it, and books it all the same. */
  sure: boolean().default(false),
});

export const freeQuery = object({ class: classId.optional(), from: instant.required(), to: instant.required() });
/** Units that nobody is promised in that time, what is fit first. */
export const free = object({ units: array(unitLine.required()).required() });
export const hiresQuery = object({ from: instant.optional(), to: instant.optional(), tag: tag.optional() });
export const hires = object({ hires: array(hireLine.required()).required() });
export type HireLine = Frozen<InferType<typeof hireLine>>;

export const jobsQuery = object({ state: string().oneOf(['open', 'all']).default('open'), tag: tag.optional() });
export const jobs = object({ jobs: array(jobLine.required()).required() });

const lineReport = object({
  line: number().required(),
  taken: boolean().required(),
  what: string().required(),
  why: string().optional(),
});
export const importReport = object({
  taken: number().required(),
  refused: number().required(),
  lines: array(lineReport.required()).required(),
});
export type ImportReport = Frozen<InferType<typeof importReport>>;

/** A unit in the yard's own list, with the model that it is. */
const day = string().test(
  'day',
  'A day is wanted, as 2030-05-01.',
  (value) => value == null || (/^\d{4}-\d\d-\d\d$/.test(value) && !Number.isNaN(Date.parse(value))),
);

export const newFleetUnit = object({
  tag: tag.required(),
  classId: classId.required(),
  make: name.required(),
  model: name.required(),
  serial: trimmed.max(80).default(''),
  homeBay: trimmed.max(40).default(''),
  meterReading: hours.required(),
  /** When that was read; null: today. */
  readOn: day.nullable().defined(),
  /** What the meter showed at the last oil service, and when that was; null: nobody knows. */
  oilReading: hours
    .nullable()
    .defined()
    .test(
      'before',
      'The last oil service cannot have been at more hours than the meter shows.',
      (value, { parent }) => value === null || value <= Number(parent.meterReading),
    ),
  oilOn: day.nullable().defined(),
});
export const fleetReport = importReport.concat(
  object({
    /** All of it was taken; else nothing of it. */
    isTaken: boolean().required(),
    newModels: array(string().required()).required(),
  }),
);
export type FleetReport = Frozen<InferType<typeof fleetReport>>;
export const trial = object({ trial: string().oneOf(['yes']).optional() });
