import { ENGINE_TRAITS, FUEL_BLENDS, KEPT, STORED } from '../catalogue/shapes';
import { boolean, classId, mixed, number, object, string } from './fields';

const trait = <T extends string | number | boolean>(values: readonly T[]) =>
  mixed<T>()
    .oneOf([...values])
    .optional();

/** What is known of an engine. Everything may be left out. */
export const engine = object({
  ignition: trait(ENGINE_TRAITS.ignition),
  strokes: trait(ENGINE_TRAITS.strokes),
  release: trait(ENGINE_TRAITS.release),
  fuel: trait(ENGINE_TRAITS.fuel),
  throttle: trait(ENGINE_TRAITS.throttle),
  carburettor: trait(ENGINE_TRAITS.carburettor),
  tank: trait(ENGINE_TRAITS.tank),
  start: trait(ENGINE_TRAITS.start),
  cooling: trait(ENGINE_TRAITS.cooling),
}).noUnknown();

/** How it stood, and what is known of its past. Everything may be left out. */
const past = object({
  daysStood: number().min(0).max(20_000).optional(),
  hoursSinceService: number().min(0).max(99_999).optional(),
  ageYears: number().min(0).max(150).optional(),
  stored: string().oneOf(STORED).optional(),
  kept: string().oneOf(KEPT).optional(),
  fuelBlend: string().oneOf(FUEL_BLENDS).optional(),
  fogged: boolean().optional(),
  openedBefore: boolean().optional(),
  cylinderOiled: boolean().optional(),
  additiveInFuel: boolean().optional(),
  plugIsNew: boolean().optional(),
}).noUnknown();

/** What is looked at: class, engine and past. */
export const machine = object({
  classId: classId.optional(),
  engine: engine.default({}),
  past: past.default({}),
}).noUnknown();
