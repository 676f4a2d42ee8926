import { stepsOfService } from '@hudrik/core/catalogue';
import type { ServiceItemState, UnitService } from '@hudrik/core/contracts';
import { meanHoursPerDay } from '@hudrik/core/hours';
import {
  doneBySteps,
  fallsDueIn,
  groupVisits,
  intervalDays,
  itemState,
  runsOutDuring,
  type Moment,
} from '@hudrik/core/service';
import type { Context } from '../context';
import { readFromAfarOf } from '../equipment/readEquipment';
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
  return { ...serviceOf(facts, at), fromAfar: await readFromAfarOf({ db, now }, unit.id) };
}

/** The service of a unit as it stands. */
export function serviceOf(facts: ServiceFacts, at: Date): Omit<UnitService, 'fromAfar'> {
  const { tag, classId, came, use, share } = facts;
  const { plan } = facts;
  const items = itemsOf(facts, at);
  const hoursPerDay = meanHoursPerDay(use) * share;
  const { visits, saved } = groupVisits(
    plan.items.flatMap(({ id, every, minutes }) => {
      const state = items.find((item) => item.id === id);
      const dueIn = state?.fallsDueIn.expected ?? Infinity;
      if (state?.jobId !== null || dueIn > HORIZON_DAYS) return [];
      return [{ id, dueIn, interval: intervalDays(every, hoursPerDay), minutes }];
    }),
    facts.hasVisit,
  );
  return {
    tag,
    classId,
    planVersion: plan.version,
    came: told(came),
    hoursPerDay,
    hoursPerHireDay: meanHoursPerDay(use),
    items: items.sort((a, b) => a.fallsDueIn.expected - b.fallsDueIn.expected || a.share - b.share),
    visits: visits.map(({ inDays, ids }) => ({ inDays, ids: [...ids] })),
    savedMinutes: Math.round(saved),
  };
}

/** Each item of its plan as it stands. */
export function itemsOf(facts: ServiceFacts, at: Date): ServiceItemState[] {
  const { came, trueHours, done, use, share, hires, jobs } = facts;
  const { items } = facts.plan;
  const does = jobs.map(({ id, work }) => ({ id, does: doneBySteps(stepsOfService(work), items) }));
  return items.map((item): ServiceItemState => {
    const state = itemState({ item, done: done.get(item.id) ?? null, came }, { trueHours, at });
    const job = does.find((one) => one.does.includes(item.id));
    return {
      ...state,
      done: state.done && told(state.done),
      dueAt: state.dueAt?.toISOString() ?? null,
      fallsDueIn: fallsDueIn(state, use, share),
      runsOutDuring: runsOutDuring(state, hires, meanHoursPerDay(use)),
      jobId: job === undefined ? null : String(job.id),
    };
  });
}

const told = ({ trueHours, at }: Moment) => ({ trueHours, at: at.toISOString() });
