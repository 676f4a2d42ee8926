import type { InferType } from 'yup';
import type { Frozen } from '../fields/frozen';
import {
  array,
  boolean,
  classId,
  hireLine,
  jobKind,
  mixed,
  number,
  object,
  origin,
  readinessVerdict,
  reason,
  string,
} from '../fields';
import { fuelLevel } from './fuel';
import { DEFECT_ENDS } from '../defects';
import { atGate } from '../log/atGate';
import { answer, kitCount } from '../log/schemas';
import { fromAfar } from './equipment';
import { rated } from './sheet';
import { defect, unproved } from './fleet';
import { logRecord } from './log';

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
export type CheckIn = Frozen<InferType<typeof checkIn>>;

const useBelief = object({
  shape: number().required(),
  rate: number().required(),
  hireSpread: number().optional(),
});

/** What is known of a unit when somebody starts to check it in or out: enough to finish without a connection. */
export const opening = object({
  tag: string().required(),
  classId: classId.required(),
  model: object({ make: string().required(), name: string().required() }).required(),
  verdict: readinessVerdict.required(),
  basedOn: string().nullable().defined(),
  lastReading: number().required(),
  lastReadAt: string().required(),
  /** What its machine tells of itself. */
  fromAfar: fromAfar.nullable().defined(),
  meterOffset: number().required(),
  hire: hireLine.nullable().defined(),
  nextHire: hireLine.nullable().defined(),
  /** What three taps said of it when it came back in a pile. */
  atGate: atGate.nullable().optional(),
  /** Complaints that the hirer told on the telephone. */
  told: array(string().required()).optional(),
  wentOut: object({
    fuelEighths: number().required(),
    kit: array(kitCount.required()).required(),
    at: string().required(),
  })
    .nullable()
    .defined(),
  /** What is in its tank by all that was written down; null: nothing was ever written down. */
  fuel: fuelLevel.nullable().defined(),
  use: useBelief.required(),
  trueHours: number().required(),
  hoursToOilService: number().required(),
  nextHireHours: number().required(),
  /** Hands-on minutes of the open work that holds it or keeps it in prep, and of waking it where it stands. */
  workMinutes: number().required(),
  ratings: object({ model: rated.required(), unit: rated.required() }).required(),
  /** How often the same trouble came back soon within a year. */
  comebacks: number().optional(),
  /** The yard's own prices of its kit, cents by its id. */
  kitPrices: mixed<Readonly<Record<string, number>>>().optional(),
  /** Checks for what this unit has not got. */
  notFitted: array(string().required()).required(),
  /** What its last proof did not show, for want of a load. */
  unproved: unproved.nullable().optional(),
  /** What is wrong with it and open: a check that finds one of these in order is asked how that came. */
  defects: array(defect.required()).required(),
  /** What was not found, or is lived with: did it show again? */
  asksAgain: array(
    object({
      id: string().required(),
      sentence: string().required(),
      how: string().oneOf(DEFECT_ENDS).required(),
    }).required(),
  ).required(),
});
export type Opening = Frozen<InferType<typeof opening>>;

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
  /** Jobs of a service that are raised at one tap. */
  raises: array(
    object({ work: string().required(), title: string().required(), minutes: number().required() }).required(),
  ).optional(),
});
export type ShiftLine = Frozen<InferType<typeof shiftLine>>;
const lines = array(shiftLine.required()).required();
export const shift = object({
  at: string().required(),
  goingOut: number().required(),
  goingOutNotFit: number().required(),
  minutesBetween: number().required(),
  back: lines,
  soon: lines,
  held: lines,
  inWork: lines,
  /** Cards for which a signature is asked. */
  toSign: lines,
  due: lines,
  /** Out, and told or found to be dangerous; or gone without being handed out. */
  warned: lines,
  /** What somebody did alone where two were wanted: the next one countersigns. */
  alone: array(
    object({ tag: string().required(), classId: classId.required(), entry: logRecord.required() }).required(),
  ).required(),
  hires: array(hireLine.required()).required(),
});
export type Shift = Frozen<InferType<typeof shift>>;
