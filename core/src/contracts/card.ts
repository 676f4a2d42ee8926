import type { InferType } from 'yup';
import type { Frozen } from '../fields/frozen';
import { VISIT_STATES } from '../card';
import { STATE_FOUND_IDS } from '../catalogue/ids';
import { PROOF_NEEDS } from '../catalogue/shapes';
import { WAY_IDS } from '../catalogue/workshop';
import { array, boolean, classId, machine, mixed, number, object, readinessVerdict, string } from '../fields';
import { PART_LINE_STATES } from '../states';
import { ownLimits, rated } from './sheet';
import { defect, jobLine } from './fleet';
import { records } from './log';

export const partLine = object({
  id: string().required(),
  jobId: string().required(),
  tag: string().required(),
  asked: string().required(),
  number: string().required(),
  name: string().required(),
  count: number().required(),
  cents: number().required(),
  state: string().oneOf(PART_LINE_STATES).required(),
  place: string().defined(),
  orderId: string().nullable().defined(),
  expectedAt: string().nullable().defined(),
  late: boolean().required(),
  inStock: number().required(),
});
export type PartLine = Frozen<InferType<typeof partLine>>;

const comeback = object({
  jobId: string().required(),
  title: string().required(),
  closedAt: string().required(),
  days: number().required(),
  hours: number().nullable().defined(),
  did: string().defined(),
  causes: array(string().required()).required(),
});
export type Comeback = Frozen<InferType<typeof comeback>>;

/** A visit's card, whole. */
export const card = object({
  visit: object({
    id: string().required(),
    state: string().oneOf(VISIT_STATES).required(),
    /** Something was worked on that no proof has shown yet. */
    unproved: boolean().required(),
    givenTo: object({ id: number().required(), name: string().required() }).nullable().defined(),
  }).required(),
  /** Its jobs, in the order in which they were raised. */
  jobs: array(jobLine.required()).required(),
  /** The job by which the card was opened. */
  job: jobLine.required(),
  verdict: readinessVerdict.required(),
  /** All that is wrong with the unit, worst first. */
  defects: array(defect.required()).required(),
  /** The finding of this visit; none where nobody looked for a fault. */
  findingId: string().nullable().defined(),
  /** What its work asks of the proof together. */
  needs: array(string().oneOf(PROOF_NEEDS).required()).required(),
  ratings: object({ model: rated.required(), unit: rated.required() }).required(),
  unit: object({
    tag: string().required(),
    classId: classId.required(),
    modelId: number().required(),
    model: string().required(),
    serial: string().required(),
    trueHours: number().required(),
  }).required(),
  entries: records,
  causes: array(string().required()).required(),
  /** What often brings a cause about, and was neither confirmed nor found well: it comes back by it. */
  behind: array(object({ cause: string().required(), parent: string().required() }).required()).optional(),
  complaint: object({
    afterMinutes: number().nullable().defined(),
    comesAndGoes: boolean().required(),
    atStart: boolean().optional(),
  }).required(),
  seen: array(string().required()).required(),
  machine: machine.required(),
  limits: ownLimits.nullable().defined(),
  /** Orders of taking apart that finished cards of this model taught. */
  learnt: mixed<
    Record<
      string,
      readonly {
        readonly key: string;
        readonly what: string;
        readonly fasteners?: readonly { readonly count: number; readonly size: string; readonly place: string }[];
      }[]
    >
  >().required(),
  parts: array(partLine.required()).required(),
  comeback: comeback.nullable().defined(),
  /** The edition of the templates now: the card's steps may be of an earlier one. */
  edition: string().required(),
  /** The server's time. */
  now: string().required(),
});
export type CardReply = Frozen<InferType<typeof card>>;

const clock = object({
  id: string().required(),
  jobId: string().required(),
  tag: string().required(),
  clock: string().required(),
  name: string().required(),
  startedAt: string().required(),
  endsAt: string().required(),
  by: string().nullable().defined(),
  mine: boolean().required(),
});
export const clocks = object({ now: string().required(), clocks: array(clock.required()).required() });
export type ClockLine = Frozen<InferType<typeof clock>>;

export const waysQuery = object({
  state: string().oneOf(STATE_FOUND_IDS).default('dirty'),
  risks: string().max(200).default(''),
  access: number().min(0).max(2000).default(0),
});
const way = object({
  way: string().oneOf(WAY_IDS).required(),
  title: string().required(),
  /** One time in ten it costs less, one in ten more. */
  lowCents: number().required(),
  highCents: number().required(),
  handsCents: number().required(),
  partsCents: number().required(),
  daysCents: number().required(),
  riskCents: number().required(),
  comebackCents: number().required(),
  failCents: number().required(),
  wrongCents: number().required(),
  openCents: number().required(),
  valueCents: number().required(),
  costCents: number().required(),
});
export const ways = object({
  ways: array(way.required()).required(),
  /** What would change the answer: from which value on another way is best, the nearest first. */
  flips: array(
    object({
      input: string().required(),
      now: number().required(),
      at: number().required(),
      way: string().oneOf(WAY_IDS).required(),
      title: string().required(),
    }).required(),
  ).required(),
  /** What the figures rest on: each with where it comes from. */
  basis: array(
    object({
      name: string().required(),
      value: number().required(),
      unit: string().required(),
      whence: string().required(),
    }).required(),
  ).required(),
  causes: array(string().required()).required(),
  notLookedAt: array(string().required()).required(),
  given: mixed<Record<string, unknown>>().required(),
  notToBeHad: array(string().required()).required(),
});
export type WaysReply = Frozen<InferType<typeof ways>>;
