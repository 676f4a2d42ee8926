import type { InferType } from 'yup';
import { LEAST_SEVERITY } from '../service';
import { fromAfar } from './equipment';
import { array, boolean, classId, instant, number, object, readiness, string, type Frozen } from '../fields';

const days = number().required();
const visit = object({ inDays: days, ids: array(string().required()).required() });

const moment = object({ trueHours: number().required(), at: string().required() });

const fluid = object({
  grade: string().nullable().defined(),
  amount: object({ value: number().required(), unit: string().required() }).nullable().defined(),
  coldestC: number().required(),
  /** What was right when it was put in is so no more. */
  seasonChanged: boolean().required(),
});

const serviceItemState = object({
  id: string().required(),
  every: object({ hours: number().optional(), months: number().optional() }).required(),
  firstHours: number().nullable().defined(),
  /** Its model's own plan says so, not its class's. */
  isOwn: boolean().required(),
  /** What goes in, by the model's sheet. */
  fluid: fluid.nullable().defined(),
  /** When it was done last; null where nobody wrote it down: it counts from when the unit came. */
  done: moment.nullable().defined(),
  dueHours: number().nullable().defined(),
  dueAt: string().nullable().defined(),
  /** Overdue below 0. */
  hoursLeft: number().nullable().defined(),
  daysLeft: number().nullable().defined(),
  /** Of its interval: 1 just done, 0 due, below 0 overdue. */
  share: number().required(),
  /** Days from now on which it falls due, 8 in 10 between early and late. */
  fallsDueIn: object({ early: days, expected: days, late: days }).required(),
  /** The booked hire during which it would run out. */
  runsOutDuring: string().nullable().defined(),
  /** Of its open job. */
  jobId: string().nullable().defined(),
});
export type ServiceItemState = Frozen<InferType<typeof serviceItemState>>;

/** Each item of the unit's service plan, the soonest first; and what is best done together, and when. */
export const unitService = object({
  tag: string().required(),
  classId: string().required(),
  planVersion: number().required(),
  came: moment.required(),
  /** How hard this one works: its model's hours shrink by it. */
  severity: number().required(),
  /** Expected of a calendar day. */
  hoursPerDay: number().required(),
  /** Expected of a day on hire. */
  hoursPerHireDay: number().required(),
  items: array(serviceItemState.required()).required(),
  visits: array(visit.required()).required(),
  /** Minutes that each by itself on its day would cost more. */
  savedMinutes: number().required(),
  fromAfar: fromAfar.nullable().defined(),
});
export type UnitService = Frozen<InferType<typeof unitService>>;

const due = object({
  id: string().required(),
  /** Overdue below 0 or at it. */
  share: number().required(),
  fallsDueIn: object({ early: days, expected: days, late: days }).required(),
  hoursLeft: number().nullable().defined(),
  daysLeft: number().nullable().defined(),
  runsOutDuring: string().nullable().defined(),
  jobId: string().nullable().defined(),
  minutes: number().required(),
});

/** What falls due in the yard in the weeks ahead, unit by unit, the soonest first; and the work of each week. */
export const fleetService = object({
  at: instant.required(),
  weeks: array(
    object({
      fromAt: instant.required(),
      /** Of what falls due in it. What is overdue stands beside it, in the first. */
      minutes: number().required(),
      overdueMinutes: number().required(),
    }).required(),
  ).required(),
  units: array(
    object({
      tag: string().required(),
      classId: classId.required(),
      readiness: readiness.required(),
      items: array(due.required()).required(),
      visits: array(visit.required()).required(),
      savedMinutes: number().required(),
    }).required(),
  ).required(),
});
export type FleetService = Frozen<InferType<typeof fleetService>>;

const positive = number().positive();
const ownItem = object({
  id: string().max(80).required(),
  hours: positive.nullable().optional(),
  months: positive.integer().nullable().optional(),
  firstHours: positive.nullable().optional(),
  minutes: positive.integer().nullable().optional(),
  includes: array(string().max(80).required()).max(100).nullable().optional(),
  kit: string().trim().max(40).nullable().optional(),
  isOff: boolean().optional(),
});

/** What a model's own plan says instead of its class's. */
export const ownPlan = object({
  severity: number().min(LEAST_SEVERITY).max(1).required(),
  anchorMonth: number().integer().min(1).max(12).nullable().defined(),
  items: array(ownItem.required()).max(60).required(),
});
export const planChange = object({ seenVersion: number().integer().optional(), plan: ownPlan.required() });

export const modelPlan = object({
  model: object({
    id: number().required(),
    classId: classId.required(),
    make: string().required(),
    name: string().required(),
  }).required(),
  version: number().required(),
  own: ownPlan.required(),
  /** What it comes to. */
  items: array(
    object({
      id: string().required(),
      hours: number().nullable().defined(),
      months: number().nullable().defined(),
      firstHours: number().nullable().defined(),
      minutes: number().required(),
      includes: array(string().required()).required(),
      kit: string().nullable().defined(),
    }).required(),
  ).required(),
});
export type ModelPlan = Frozen<InferType<typeof modelPlan>>;
