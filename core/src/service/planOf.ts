import type { Every, ServiceItem, ServicePlan } from '../catalogue/shapes';
import { loopIn } from './withIncluded';

/** What a model's own plan says of an item; what it does not say is as its class has it. */
export interface OwnItem {
  readonly id: string;
  readonly hours?: number | null | undefined;
  readonly months?: number | null | undefined;
  readonly firstHours?: number | null | undefined;
  readonly minutes?: number | null | undefined;
  readonly includes?: readonly string[] | null | undefined;
  /** The number of the kit that it takes. */
  readonly kit?: string | null | undefined;
  /** This model has no such thing. */
  readonly isOff?: boolean | undefined;
}

/** A model's own plan. */
export interface OwnPlan {
  /** Hours shrink by it where work is hard: 1 as usual, 0.5 in dust and heat. */
  readonly severity: number;
  /** In which month what is done once a year falls due, 1 to 12; null: a year after it was done. */
  readonly anchorMonth: number | null;
  readonly items: readonly OwnItem[];
}

/** A model of which nothing else is said than of its class. */
export const USUAL_PLAN: OwnPlan = { severity: 1, anchorMonth: null, items: [] };

/** Why a plan cannot be: an item that the class has not, or twice; one without an interval or with one that is no interval; includes in a circle. */
export interface PlanWrong {
  readonly code: 'unknown-item' | 'twice' | 'no-interval' | 'not-positive' | 'loop' | 'severity' | 'month';
  readonly item: string | null;
}

/** Of the hours between services at least so much stays, however hard the work is. */
export const LEAST_SEVERITY = 0.2;
const MONTHS = 12;

/** What is wrong with a model's own plan against its class's. Out: the first of it; null where nothing is. */
export function wrongOfPlan(ofClass: ServicePlan, own: OwnPlan): PlanWrong | null {
  if (!(own.severity >= LEAST_SEVERITY && own.severity <= 1)) return { code: 'severity', item: null };
  const { anchorMonth } = own;
  if (anchorMonth !== null && !(Number.isInteger(anchorMonth) && anchorMonth >= 1 && anchorMonth <= MONTHS))
    return { code: 'month', item: null };
  const wrong = own.items
    .map((item, at) => wrongOfItem(ofClass, item, own.items.slice(0, at)))
    .find((one) => one !== null);
  if (wrong) return wrong;
  const loop = loopIn(planOf(ofClass, own, 1).items);
  return loop === null ? null : { code: 'loop', item: loop };
}

function wrongOfItem(ofClass: ServicePlan, own: OwnItem, before: readonly OwnItem[]): PlanWrong | null {
  const { id } = own;
  const usual = ofClass.items.find((item) => item.id === id);
  if (usual === undefined) return { code: 'unknown-item', item: id };
  if (before.some((other) => other.id === id)) return { code: 'twice', item: id };
  const figures = [own.hours, own.months, own.firstHours, own.minutes];
  if (figures.some((figure) => figure != null && !(figure > 0 && Number.isFinite(figure))))
    return { code: 'not-positive', item: id };
  const { hours, months } = everyOf(usual, own, 1);
  return hours === undefined && months === undefined && own.isOff !== true ? { code: 'no-interval', item: id } : null;
}

/** Null takes an interval away; what is not said stays. */
function everyOf(usual: ServiceItem, own: OwnItem | undefined, severity: number): Every {
  const hours = own?.hours === undefined ? usual.every.hours : (own.hours ?? undefined);
  const months = own?.months === undefined ? usual.every.months : (own.months ?? undefined);
  return {
    ...(hours === undefined ? {} : { hours: Math.round(hours * severity * 10) / 10 }),
    ...(months === undefined ? {} : { months }),
  };
}

export interface UnitPlan extends ServicePlan {
  /** Numbers of kits, by item. */
  readonly kits: Readonly<Record<string, string>>;
}

/**
 * The plan of a model: its class's, with what its own says instead. In: the class's plan, the model's own (null: none), its version. Out: the
 * plan; an item that includes one which the model has not no longer includes it. Example: oil every 50 h, own 100 h, severity 0.5: 50 h.
 * A unit that works harder than its model has its own severity on top of it.
 */
export function planOf(ofClass: ServicePlan, ofModel: OwnPlan | null, version: number, ofUnit = 1): UnitPlan {
  if (ofModel === null && ofUnit === 1) return { ...ofClass, kits: {} };
  const { severity, anchorMonth, items: ownItems } = ofModel ?? USUAL_PLAN;
  const own = { anchorMonth, items: ownItems, severity: Math.max(severity * ofUnit, LEAST_SEVERITY) };
  const off = new Set(own.items.filter(({ isOff }) => isOff).map(({ id }) => id));
  const items = ofClass.items
    .filter(({ id }) => !off.has(id))
    .map((usual): ServiceItem => {
      const { firstHours: usualFirst, ...rest } = usual;
      const mine = own.items.find(({ id }) => id === usual.id);
      const every = everyOf(usual, mine, own.severity);
      const firstHours = mine?.firstHours === undefined ? usualFirst : (mine.firstHours ?? undefined);
      return {
        ...rest,
        every,
        ...(firstHours === undefined ? {} : { firstHours }),
        minutes: mine?.minutes ?? usual.minutes,
        includes: (mine?.includes ?? usual.includes).filter((id) => !off.has(id)),
        ...(own.anchorMonth !== null && (every.months ?? 0) >= MONTHS ? { anchorMonth: own.anchorMonth } : {}),
      };
    });
  const kits = Object.fromEntries(
    own.items.flatMap(({ id, kit }) => (kit && !off.has(id) ? [[id, kit] as const] : [])),
  );
  return { version, items, kits };
}
