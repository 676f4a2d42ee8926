import { SERVICE_PLANS, stepsOfService, type ServiceItem } from '@hudrik/core/catalogue';
import type { ServiceItemState, UnitService } from '@hudrik/core/contracts';
import { meanHoursPerDay } from '@hudrik/core/hours';
import {
  COLDEST_STARTS,
  doneBySteps,
  expectedIn,
  fallsDueIn,
  fluidFor,
  groupVisits,
  intervalDays,
  itemState,
  planOf,
  runsOutDuring,
  type FluidFor,
  type Moment,
} from '@hudrik/core/service';
import type { Context } from '../context';
import type { Db, UnitRow } from '../database/tables';
import { readFromAfarOf } from '../equipment/readEquipment';
import { readSettings } from '../people/settings';
import { unitByTag } from '../fleet/units';
import { readServiceFacts, type ServiceFacts } from './serviceFacts';

/** What is done together is laid out so far ahead. */
const HORIZON_DAYS = 120;

/** Each item of a unit's plan: done, due, when it will be; and what is best done together, and when. */
export async function readUnitService({ db, now }: Pick<Context, 'db' | 'now'>, tag: string): Promise<UnitService> {
  const unit = await unitByTag(db, tag);
  const at = now();
  const [facts] = await readServiceFacts(db, at, unit.id);
  if (facts === undefined) throw new Error(`Unit ${tag} has no reading`);
  const service = serviceOf(facts, at);
  const fluids = await fluidsOf(db, unit, facts, at);
  return {
    ...service,
    items: service.items.map((item) => ({ ...item, fluid: fluids.get(item.id) ?? null })),
    fromAfar: await readFromAfarOf({ db, now }, unit.id),
  };
}

/** What goes into a unit now, by item: as its model's sheet says, for the coldest start until it is changed again. */
async function fluidsOf(
  db: Db,
  unit: Pick<UnitRow, 'model_id'>,
  { plan, use, share, done }: ServiceFacts,
  at: Date,
): Promise<Map<string, FluidFor>> {
  const model = await db
    .selectFrom('model')
    .select('data_sheet')
    .where('id', '=', unit.model_id)
    .executeTakeFirstOrThrow();
  const { oils = [], capacities = [] } = model.data_sheet;
  const coldest = (await readSettings(db)).coldestStarts ?? COLDEST_STARTS.value;
  const hoursPerDay = meanHoursPerDay(use) * share;
  return new Map(
    plan.items.flatMap(({ id, fluid: place, every }) => {
      const days = intervalDays(every, hoursPerDay);
      const putInAt = done.get(id)?.at ?? null;
      const fluid = place && fluidFor(place, { oils, capacities }, coldest, { at, days, putInAt });
      return fluid ? [[id, fluid] as const] : [];
    }),
  );
}

type ItemAsItStands = Omit<ServiceItemState, 'fluid'>;
type ServiceAsItStands = Omit<UnitService, 'fromAfar' | 'items'> & { readonly items: readonly ItemAsItStands[] };

/** The service of a unit as it stands. */
export function serviceOf(facts: ServiceFacts, at: Date): ServiceAsItStands {
  const { tag, classId, came, use, share } = facts;
  const { plan } = facts;
  const items = itemsOf(facts, at);
  const hoursPerDay = meanHoursPerDay(use) * share;
  const { visits, saved } = groupVisits(
    plan.items.flatMap(({ id, every, minutes }) => {
      const state = items.find((item) => item.id === id);
      const dueIn = state?.fallsDueIn.expected ?? Infinity;
      if (state?.jobId !== null || dueIn > HORIZON_DAYS) return [];
      const partsMinutes = facts.kitMinutes.get(plan.kits[id] ?? '') ?? 0;
      return [{ id, dueIn, interval: intervalDays(every, hoursPerDay), minutes, partsMinutes }];
    }),
    facts.hasVisit,
  );
  return {
    tag,
    classId,
    planVersion: plan.version,
    severity: facts.severity,
    came: told(came),
    hoursPerDay,
    hoursPerHireDay: meanHoursPerDay(use),
    items: items.sort((a, b) => a.fallsDueIn.expected - b.fallsDueIn.expected || a.share - b.share),
    visits: visits.map(({ inDays, ids }) => ({ inDays, ids: [...ids] })),
    savedMinutes: Math.round(saved),
  };
}

/** Each item of its plan, its state, and the job that does it. */
function statesOf({ plan: { items }, came, trueHours, done, jobs }: ServiceFacts, at: Date) {
  const does = jobs.map(({ id, work }) => ({ id, does: doneBySteps(stepsOfService(work), items) }));
  return items.map((item) => ({
    item,
    state: itemState({ item, done: done.get(item.id) ?? null, came }, { trueHours, at }),
    job: does.find((one) => one.does.includes(item.id)),
  }));
}

/** Days until the first item that nobody is at is expected to fall due; null: none in sight. What a whole fleet is asked for. */
export function firstDueIn(facts: ServiceFacts, at: Date): number | null {
  const due = statesOf(facts, at).flatMap(({ state, job }) =>
    job === undefined ? [expectedIn(state, facts.use, facts.share)] : [],
  );
  const first = Math.min(Infinity, ...due);
  return Number.isFinite(first) ? first : null;
}

/** The hires of its own during which an item runs out that nobody is at. */
export function overrunBy(facts: ServiceFacts, at: Date): string[] {
  const { hires, use } = facts;
  if (hires.length === 0) return [];
  const hoursPerDay = meanHoursPerDay(use);
  return statesOf(facts, at).flatMap(({ state, job }) =>
    job === undefined ? (runsOutDuring(state, hires, hoursPerDay) ?? []) : [],
  );
}

/** Each item of its plan as it stands. */
export function itemsOf(facts: ServiceFacts, at: Date): ItemAsItStands[] {
  const { use, share, hires } = facts;
  const usual = planOf(SERVICE_PLANS[facts.classId], null, 1, facts.severity).items;
  return statesOf(facts, at).map(({ item, state, job }): ItemAsItStands => {
    return {
      ...state,
      every: item.every,
      firstHours: item.firstHours ?? null,
      isOwn: !usual.some((one) => one.id === item.id && isSameEvery(one, item)),
      done: state.done && told(state.done),
      dueAt: state.dueAt?.toISOString() ?? null,
      fallsDueIn: fallsDueIn(state, use, share),
      runsOutDuring: runsOutDuring(state, hires, meanHoursPerDay(use)),
      jobId: job === undefined ? null : String(job.id),
    };
  });
}

const isSameEvery = (a: ServiceItem, b: ServiceItem): boolean =>
  a.every.hours === b.every.hours && a.every.months === b.every.months && a.firstHours === b.firstHours;

const told = ({ trueHours, at }: Moment) => ({ trueHours, at: at.toISOString() });
