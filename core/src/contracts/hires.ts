import type { InferType } from 'yup';
import { array, boolean, classId, instant, number, object, readiness, string, tag, type Frozen } from '../fields';
import { HIRE_STATES } from '../states';

const help = object({
  /** The unit whose visit, if it came first, would cover it. */
  visit: string().nullable().defined(),
  /** A hire that is promised one unit and could go with another. */
  swap: object({ reference: string().required(), from: string().required(), to: string().required() })
    .nullable()
    .defined(),
});

const calendarHire = object({
  reference: string().required(),
  classId: classId.required(),
  state: string().oneOf(HIRE_STATES).required(),
  fromAt: instant.required(),
  toAt: instant.required(),
  hirer: string().defined(),
  /** The unit that it has or is given; null: none can be given. */
  tag: string().nullable().defined(),
  /** The unit itself is booked; else the sum gave it. */
  isOwn: boolean().required(),
  /** An item of its service runs out meanwhile. */
  overruns: boolean().required(),
  help: help.nullable().defined(),
});
export type CalendarHire = Frozen<InferType<typeof calendarHire>>;

const calendarUnit = object({
  tag: string().required(),
  classId: classId.required(),
  readiness: readiness.required(),
  /** Days until the first item of its service falls due. */
  dueInDays: number().nullable().defined(),
});
export type CalendarUnit = Frozen<InferType<typeof calendarUnit>>;

export const calendar = object({
  now: instant.required(),
  units: array(calendarUnit.required()).required(),
  hires: array(calendarHire.required()).required(),
});
export type HireCalendar = Frozen<InferType<typeof calendar>>;

/** What is not said stays as it is. Without a unit it is one of any of its class. */
export const hireChange = object({
  tag: tag.nullable().optional(),
  fromAt: instant.optional(),
  toAt: instant.optional(),
});

/** How it stands with the booking desk outside. */
export const desk = object({
  answeredAt: instant.nullable().defined(),
  /** Since then: what was wrong with its answer; what it said last stands. */
  problem: string().nullable().defined(),
  hires: number().required(),
  /** Of its list: what was not taken, on which line (null: it stands on none), which it is (null: that cannot be said), and why. */
  notTaken: array(
    object({
      line: number().nullable().defined(),
      uid: string().nullable().defined(),
      problem: string().required(),
      reference: string().nullable().defined(),
    }).required(),
  ).required(),
  /** All that was not taken; of these the first are named above. */
  refused: number().required(),
  /** Classes of which far more would be away at once than there are units: held back until a lead says that it is meant. */
  bursts: array(
    object({
      classId: classId.required(),
      units: number().required(),
      atOnce: number().required(),
      at: instant.required(),
      count: number().required(),
    }).required(),
  ).required(),
});
export type DeskReply = Frozen<InferType<typeof desk>>;

/** So many hires of a class at one moment are meant. */
export const burstMeant = object({ atOnce: number().integer().min(1).max(100_000).required() });

/** What to say to a hirer who rings. */
export const trouble = object({
  /** Comes first, whatever is tried. */
  before: string().required(),
  /** What may safely be tried, the likeliest to help first. */
  tries: array(string().required()).required(),
  /** A unit that is fit and free until the hire ends. */
  swap: string().nullable().defined(),
  reference: string().nullable().defined(),
});
export type TroubleReply = Frozen<InferType<typeof trouble>>;
export const troubleQuery = object({ complaints: string().max(400).required() });

export const calendarAddress = object({ path: string().required() });
