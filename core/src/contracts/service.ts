import type { InferType } from 'yup';
import { array, number, object, string, type Frozen } from '../fields';

const days = number().required();

const moment = object({ trueHours: number().required(), at: string().required() });

const serviceItemState = object({
  id: string().required(),
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
  /** Expected of a calendar day. */
  hoursPerDay: number().required(),
  items: array(serviceItemState.required()).required(),
  visits: array(object({ inDays: days, ids: array(string().required()).required() }).required()).required(),
  /** Minutes that each by itself on its day would cost more. */
  savedMinutes: number().required(),
});
export type UnitService = Frozen<InferType<typeof unitService>>;
