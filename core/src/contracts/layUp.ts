import type { InferType } from 'yup';
import { FUEL_IDS, LAY_UP_METHOD_IDS, type FuelId, type LayUpMethodId } from '../catalogue';
import { array, boolean, classId, instant, number, object, readiness, string, text, type Frozen } from '../fields';

const methodId = string<LayUpMethodId>().oneOf(LAY_UP_METHOD_IDS);
const season = object({
  from: string().max(10).required(),
  to: string().max(10).required(),
  callOdds: number().min(0).max(1).required(),
});

const cost = object({
  method: methodId.required(),
  cents: number().required(),
  fluidsCents: number().required(),
  minutes: number().required(),
  risk: number().required(),
  litres: number().required(),
});

/** Which units stand or will, how long, and what each way of lay-up would cost, the cheapest first. */
export const layUp = object({
  now: instant.required(),
  prices: object({
    perMinute: number().required(),
    repair: number().required(),
    litre: object({ e0: number().required(), alkylate: number().required() }).required(),
    stabiliserPerLitre: number().required(),
    /** By its label, to a litre of fuel. */
    stabiliserMl: number().required(),
  }).required(),
  seasons: array(season.concat(object({ classId: classId.required() })).required()).required(),
  units: array(
    object({
      tag: string().required(),
      classId: classId.required(),
      readiness: readiness.required(),
      tank: object({
        litres: number().required(),
        isMetal: boolean().required(),
        hasTap: boolean().required(),
      }).required(),
      ethanol: number().required(),
      callOdds: number().required(),
      laidUp: object({
        since: instant.required(),
        /** Null: nobody wrote down how. */
        method: methodId.nullable().defined(),
        days: number().required(),
        /** Ids of service items that fall due by the calendar within a week, as it stands. */
        due: array(string().required()).required(),
        /** Minutes until it can be checked in: its method's, and what its service plan wants by the time it goes out. */
        wakeMinutes: number().required(),
      })
        .nullable()
        .defined(),
      /** How long it will stand, days, 8 in 10 between; null: no season is near. */
      forecast: object({
        beginsIn: number().required(),
        early: number().required(),
        expected: number().required(),
        late: number().required(),
        endsByHire: boolean().required(),
      })
        .nullable()
        .defined(),
      nextHireAt: instant.nullable().defined(),
      costs: array(cost.required()).required(),
      breakEvens: array(
        object({ days: number().required(), from: methodId.required(), to: methodId.required() }).required(),
      ).required(),
      choice: object({ method: methodId.required(), reason: string().defined() }).nullable().defined(),
      hasJob: boolean().required(),
    }).required(),
  ).required(),
  /** How units woke so far. */
  wakes: array(
    object({
      method: methodId.required(),
      hasEthanol: boolean().required(),
      band: number().required(),
      tries: number().required(),
      failed: number().required(),
    }).required(),
  ).required(),
});
export type LayUpReply = Frozen<InferType<typeof layUp>>;

export const seasons = object({ seasons: array(season.required()).max(6).required() });
export const layUpChoice = object({
  method: methodId.nullable().defined(),
  reason: text.default(''),
  forClass: boolean().default(false),
});

export const seasonSheet = object({
  now: instant.required(),
  lines: array(
    object({
      tag: string().required(),
      classId: classId.required(),
      method: methodId.required(),
      isMetal: boolean().required(),
      hasJob: boolean().required(),
      days: number().required(),
      beginsIn: number().required(),
      fuel: string<FuelId>().oneOf(FUEL_IDS).nullable().defined(),
      litres: number().required(),
      stabiliserMl: number().required(),
      fogMl: number().required(),
      minutes: number().required(),
      besides: array(string().required()).required(),
    }).required(),
  ).required(),
  wants: array(
    object({
      fuel: string<FuelId>().oneOf(FUEL_IDS).required(),
      litres: number().required(),
      inStore: number().required(),
    }).required(),
  ).required(),
  stabiliserMl: number().required(),
  fogMl: number().required(),
  minutes: number().required(),
});
export type SeasonSheet = Frozen<InferType<typeof seasonSheet>>;
