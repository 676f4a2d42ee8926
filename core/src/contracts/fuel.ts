import type { InferType } from 'yup';
import { FUEL_IDS, type FuelId } from '../catalogue';
import { array, boolean, classId, instant, name, number, object, string, trimmed, type Frozen } from '../fields';

const fuelId = string<FuelId>().oneOf(FUEL_IDS);
const tank = object({
  litres: number().required(),
  isMetal: boolean().required(),
  hasTap: boolean().required(),
});

/** How much is in a tank, by all that was written down, and how sure that is. */
export const fuelLevel = object({
  litres: number().required(),
  /** What the tank holds, litres. */
  holds: number().required(),
  /** When it was last seen; null: never. From then on it is reckoned. */
  seenAt: instant.nullable().defined(),
  /** It ran since: what that burnt goes by its class's use. */
  ranSince: boolean().required(),
});
export type FuelLevel = Frozen<InferType<typeof fuelLevel>>;

/** What is in a unit's tank, and where. Null: nothing. */
export const unitFuel = object({
  tag: string().required(),
  classId: classId.required(),
  /** Whose tank it is: its model's. */
  modelId: number().required(),
  tank: tank.required(),
  state: object({
    litres: number().required(),
    /** Share of its volume. */
    ethanol: number().required(),
    ageDays: number().required(),
    /** Of its time that it keeps. */
    spent: number().required(),
    staleBy: instant.required(),
    isStale: boolean().required(),
    /** Share of its volume that nobody knows. */
    unknown: number().required(),
  })
    .nullable()
    .defined(),
  portions: array(
    object({
      litres: number().required(),
      ethanol: number().required(),
      boughtAt: instant.required(),
      isUnknown: boolean().required(),
      isTreated: boolean().required(),
    }).required(),
  ).required(),
  level: fuelLevel.required(),
  bowl: string<'wet' | 'run-dry' | 'drained'>().oneOf(['wet', 'run-dry', 'drained']).required(),
  isTapShut: boolean().nullable().defined(),
  /** More was said to be poured in than the tank holds, litres in all. */
  overflowed: number().required(),
});
export type UnitFuel = Frozen<InferType<typeof unitFuel>>;

const can = object({
  id: string().required(),
  name: string().required(),
  fuel: fuelId.required(),
  ethanol: number().required(),
  litres: number().required(),
  litresMax: number().required(),
  place: string().defined(),
  boughtAt: instant.required(),
  openedAt: instant.nullable().defined(),
  treatedAt: instant.nullable().defined(),
  staleBy: instant.required(),
  isStale: boolean().required(),
  /** More came out than was in it. */
  wantsCount: boolean().required(),
});

/** Cans and tanks, what goes stale first. */
export const fuelStore = object({
  cans: array(can.required()).required(),
  units: array(unitFuel.required()).required(),
  litres: number().required(),
});
export type FuelStore = Frozen<InferType<typeof fuelStore>>;

const litres = number().min(0).max(1000);
export const newCan = object({
  name: name.required(),
  fuel: fuelId.required(),
  litresMax: litres.positive().required(),
  litres: litres.required(),
  place: trimmed.max(60).default(''),
  boughtAt: instant.required(),
  isTreated: boolean().default(false),
});
export const canChange = object({
  what: string<'bought' | 'counted' | 'disposed' | 'treated'>()
    .oneOf(['bought', 'counted', 'disposed', 'treated'])
    .required(),
  litres: litres.optional(),
});
export const modelTank = object({
  litres: litres.positive().nullable().defined(),
  isMetal: boolean().nullable().defined(),
  hasTap: boolean().nullable().defined(),
});
