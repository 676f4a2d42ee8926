import type { ClassId, ServiceItem, ServicePlan } from '../shapes';
import { ENGINE_ITEMS } from './engine';
import {
  BATTERY,
  BELTS,
  BRUSHES,
  FRICTION_DISC,
  GEARBOX,
  HOSES,
  HYDRAULIC_FILTER,
  HYDRAULIC_FLUID,
  INLET_SCREEN,
  LOAD_TRANSFER,
  PUMP_OIL,
  SHEAR_BOLTS,
  SOCKETS,
  WELDING_LEADS,
} from './works';

const plan = (...own: readonly ServiceItem[]): ServicePlan => ({ version: 1, items: [...ENGINE_ITEMS, ...own] });

/** By class: what it is serviced by where the model's manual says nothing else. */
export const SERVICE_PLANS: Readonly<Record<ClassId, ServicePlan>> = {
  'pressure-washer': plan(PUMP_OIL, INLET_SCREEN, HOSES),
  generator: plan(BATTERY, LOAD_TRANSFER, BRUSHES, SOCKETS),
  tiller: plan(BELTS, GEARBOX, SHEAR_BOLTS),
  snowblower: plan(BELTS, GEARBOX, SHEAR_BOLTS, FRICTION_DISC),
  'log-splitter': plan(HYDRAULIC_FILTER, HYDRAULIC_FLUID, HOSES),
  welder: plan(BATTERY, LOAD_TRANSFER, BRUSHES, SOCKETS, WELDING_LEADS),
};

/** Every item that is in a plan, once. */
export const SERVICE_ITEMS: readonly ServiceItem[] = [
  ...new Map(Object.values(SERVICE_PLANS).flatMap(({ items }) => items.map((item) => [item.id, item]))).values(),
];

export const workOfItem = ({ id, work }: ServiceItem): string => work ?? `service-${id}`;

/** The item that a job is there for, by its work. */
export const ITEM_OF_WORK: Readonly<Record<string, ServiceItem>> = Object.fromEntries(
  SERVICE_ITEMS.map((item) => [workOfItem(item), item]),
);

/** The id of the item that a unit's tag and its check-out speak of. */
export const ENGINE_OIL = 'engine-oil';

/** That item, in the plan of a class. */
export function engineOilOf(classId: ClassId): ServiceItem {
  const item = SERVICE_PLANS[classId].items.find(({ id }) => id === ENGINE_OIL);
  if (item === undefined) throw new Error(`No engine oil in the plan: ${classId}`);
  return item;
}
