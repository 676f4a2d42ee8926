import {
  array,
  boolean,
  classId,
  instant,
  mixed,
  number,
  object,
  patterned,
  readiness,
  role,
  string,
  type Frozen,
} from '../fields';
import type { InferType } from 'yup';
import type { Advice, BenchAsked, BenchPlan, PlanChange } from '../planning';

const minute = number().required();
const planned = object({
  id: string().required(),
  who: string().nullable().defined(),
  from: minute,
  to: minute,
  lateMinutes: minute,
  cents: number().required(),
});
const plannedPhase = object({
  visitId: string().required(),
  phaseId: string().required(),
  who: string().nullable().defined(),
  from: minute,
  to: minute,
});

const benchVisit = object({
  id: string().required(),
  /** Of its first job: its card. */
  jobId: string().required(),
  tag: string().required(),
  classId: classId.required(),
  readiness: readiness.required(),
  because: array(string().required()).required(),
  titles: array(string().required()).required(),
  state: string().required(),
  /** The hire that waits for it. */
  hire: object({ reference: string().required(), fromAt: instant.required(), isOwn: boolean().required() })
    .nullable()
    .defined(),
  /** The part that all of it waits for; without a day nobody has ordered it. */
  part: object({ name: string().required(), at: instant.nullable().defined() }).nullable().defined(),
  /** A unit that is fit and free for that hire, where it will be missed. */
  instead: string().nullable().defined(),
  /** What each phase is, by its id. */
  what: mixed<Readonly<Record<string, string>>>().required(),
  givenTo: string().nullable().defined(),
  pinnedAt: instant.nullable().defined(),
  inHandBy: string().nullable().defined(),
});

/** The plan of the bench. Minutes count from `at`. */
export const bench = object({
  now: instant.required(),
  at: instant.required(),
  minutesSince: minute,
  people: array(
    object({ id: string().required(), name: string().required(), role: role.required() }).required(),
  ).required(),
  visits: array(benchVisit.required()).required(),
  asked: mixed<BenchAsked>().required(),
  plan: object({
    phases: array(plannedPhase.required()).required(),
    visits: array(planned.required()).required(),
    beyond: array(object({ id: string().required(), minutes: minute }).required()).required(),
    nobody: array(string().required()).required(),
    cents: number().required(),
    order: mixed<BenchPlan['order']>().required(),
  }).required(),
  promises: array(
    object({ id: string().required(), inTime: number().nullable().defined(), eightInTen: minute }).required(),
  ).required(),
  advice: array(mixed<Advice>().required()).required(),
  /** Why it is another plan than the one before. */
  changes: array(mixed<PlanChange & { readonly tag: string }>().required()).required(),
});
export type BenchReply = Frozen<InferType<typeof bench>>;

/** A search for a better plan that goes on; null: none does. */
export const search = object({
  search: object({
    /** Of its time. */
    share: number().required(),
    savedCents: number().required(),
  })
    .nullable()
    .defined(),
});
export type SearchReply = Frozen<InferType<typeof search>>;

export const planAnew = object({ seconds: number().min(1).max(10).required() });

const time = patterned(string(), /^([01]\d|2[0-3]):[0-5]\d$/, 5, 'A time of day is wanted, as 07:30.').required();
/** A stretch of a weekday, 1 is Monday, without a break. */
export const weekStretch = object({ weekday: number().integer().min(1).max(7).required(), from: time, to: time });
export type WeekStretch = Frozen<InferType<typeof weekStretch>>;
const day = patterned(string(), /^\d{4}-\d\d-\d\d$/, 10, 'A day is wanted, as 2030-05-01.');

export const newHours = object({ hours: array(weekStretch.required()).max(21).required() });
export const newAbsence = object({
  personId: number().integer().required(),
  fromOn: day.required(),
  toOn: day.required(),
  why: string().max(200).defined(),
});
export const workingHours = object({
  people: array(
    object({
      id: number().required(),
      name: string().required(),
      role: role.required(),
      hours: array(weekStretch.required()).required(),
      /** Nobody said otherwise. */
      isUsual: boolean().required(),
      absences: array(
        object({
          id: number().required(),
          fromOn: day.required(),
          toOn: day.required(),
          why: string().defined(),
        }).required(),
      ).required(),
    }).required(),
  ).required(),
});
export type WorkingHours = Frozen<InferType<typeof workingHours>>;
