import type { InferType } from 'yup';
import {
  array,
  boolean,
  classId,
  hireLine,
  hours,
  id,
  instant,
  jobKind,
  mixed,
  number,
  object,
  origin,
  readinessVerdict,
  reason,
  string,
  tag,
  words,
} from './fields';

const kitCount = object({ id: string().required(), count: number().integer().min(0).max(50).required() });

const answer = object({
  check: string().required(),
  result: string().oneOf(['ok', 'not-ok', 'could-not-look']).required(),
  exception: string().optional(),
  reading: object({ value: number().required(), unit: string().required() }).optional().default(undefined),
  cause: string().oneOf(['wear', 'damage']).optional(),
  note: words.optional(),
  photos: array(id.required()).max(6).default([]),
});

const meterEvent = object({
  kind: string().oneOf(['replaced', 'rolled-over']).required(),
  /** What the old meter showed last, if anybody knows; else the last reading stands. */
  oldReading: hours.nullable().default(null),
  /** Replaced: what the new meter showed when it was fitted. */
  newMeterShows: hours.default(0),
  /** Rolled over: the hours at which it starts again. */
  rollsAt: number().oneOf([100, 1000, 10_000]).optional(),
});

const hoursEntry = object({
  typed: string()
    .matches(/^\d{1,5}(\.\d)?$/, 'Figures, with at most one after the point.')
    .required(),
  /** The person saw what is odd about it and keeps it. */
  confirmed: boolean().default(false),
  meterEvent: meterEvent.nullable().default(null),
});

export const newCheckIn = object({
  id: id.required(),
  tag: tag.required(),
  startedAt: instant.required(),
  /** The newest check-in of this unit that the person knew of, or null. */
  basedOn: id.nullable().defined(),
  /** Set when somebody else checked it in meanwhile and this is kept beside it. */
  secondLookOf: id.nullable().default(null),
  hours: hoursEntry.required(),
  fuelEighths: number().integer().min(0).max(8).required(),
  fuelTap: string().oneOf(['was-shut', 'shut-now', 'none']).required(),
  ended: string().oneOf(['well', 'ended-badly', 'ended-dead', 'not-told']).required(),
  missing: array(kitCount.required()).default([]),
  complaintIds: array(string().required()).default([]),
  remarks: words.default(''),
  answers: array(answer.required()).required(),
  stations: array(
    object({ id: string().required(), seconds: number().min(0).max(86_400).required() }).required(),
  ).required(),
});
export type NewCheckIn = InferType<typeof newCheckIn>;

const missingKit = object({
  id: string().required(),
  name: string().required(),
  count: number().required(),
  priceCents: number().required(),
});
const raisedJob = object({
  kind: jobKind.required(),
  work: string().required(),
  title: string().required(),
  minutes: number().required(),
  blocks: string().oneOf(['hold', 'prep', 'none']).required(),
  origins: array(origin.required()).required(),
});

const verdict = object({
  result: string().oneOf(['fit', 'prep', 'held']).required(),
  edition: string().required(),
  reasons: array(reason.required()).required(),
  jobs: array(raisedJob.required()).required(),
  bill: array(missingKit.required()).required(),
  shows: array(object({ observation: string().required(), outcome: string().required() }).required()).required(),
});

export const checkIn = object({
  id: string().required(),
  tag: string().required(),
  classId: classId.required(),
  at: string().required(),
  by: string().required(),
  reading: number().required(),
  trueHours: number().required(),
  verdict: verdict.required(),
  readiness: readinessVerdict.required(),
  answers: array(answer.required()).required(),
  stations: array(
    object({ id: string().required(), seconds: number().required(), hurried: boolean().required() }).required(),
  ).required(),
  secondLookOf: string().nullable().defined(),
});
export type CheckIn = InferType<typeof checkIn>;

const useBelief = object({ shape: number().required(), rate: number().required() });

/** What is known of a unit when somebody starts to check it in or out: enough to finish without a connection. */
export const opening = object({
  tag: string().required(),
  classId: classId.required(),
  model: object({ make: string().required(), name: string().required() }).required(),
  verdict: readinessVerdict.required(),
  basedOn: string().nullable().defined(),
  lastReading: number().required(),
  lastReadAt: string().required(),
  meterOffset: number().required(),
  hire: hireLine.nullable().defined(),
  nextHire: hireLine.nullable().defined(),
  wentOut: object({
    fuelEighths: number().required(),
    kit: array(kitCount.required()).required(),
    at: string().required(),
  })
    .nullable()
    .defined(),
  lastFuelEighths: number().nullable().defined(),
  use: useBelief.required(),
  trueHours: number().required(),
  hoursToOilService: number().required(),
  nextHireHours: number().required(),
  /** Hands-on minutes of the open work that holds it or keeps it in prep. */
  workMinutes: number().required(),
});
export type Opening = InferType<typeof opening>;

export const newCheckOut = object({
  id: id.required(),
  tag: tag.required(),
  hire: string().nullable().default(null),
  /** For a hire that nobody booked: when it is due back. */
  dueAt: instant.nullable().default(null),
  hours: hoursEntry.required(),
  fuelEighths: number().integer().min(0).max(8).required(),
  kit: array(kitCount.required()).required(),
  looks: array(string().required()).default([]),
  waiverReason: words.default(''),
});
export type NewCheckOut = InferType<typeof newCheckOut>;
export const checkOut = object({
  id: string().required(),
  tag: string().required(),
  at: string().required(),
  by: string().required(),
  hire: hireLine.required(),
  waived: boolean().required(),
});
export type CheckOut = InferType<typeof checkOut>;

export const photo = object({
  id: string().required(),
  width: number().required(),
  height: number().required(),
  bytes: number().required(),
});

const shiftLine = object({
  tag: string().nullable().defined(),
  classId: classId.required(),
  code: string().required(),
  facts: mixed<Record<string, string | number | null>>().required(),
  because: array(string().required()).required(),
  minutes: number().required(),
  jobId: string().nullable().defined(),
  reference: string().nullable().defined(),
});
export type ShiftLine = InferType<typeof shiftLine>;
const lines = array(shiftLine.required()).required();
export const shift = object({
  at: string().required(),
  goingOut: number().required(),
  goingOutNotFit: number().required(),
  minutesBetween: number().required(),
  back: lines,
  soon: lines,
  held: lines,
  bench: lines,
  due: lines,
  hires: array(hireLine.required()).required(),
});
export type Shift = InferType<typeof shift>;
