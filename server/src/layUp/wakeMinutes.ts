import { LAY_UP_METHODS, type LayUpMethodId } from '@hudrik/core/catalogue';
import type { Db } from '../database/tables';
import { readServiceFacts } from '../service/serviceFacts';
import { itemsOf } from '../service/unitService';

const DAY_MS = 86_400_000;
/** A season, for what comes oftener. */
const KEPT_MONTHS = 3;

export interface WantedStanding {
  readonly id: string;
  /** Days until the calendar wants it; below 0: overdue. */
  readonly in: number;
  readonly months: number;
  readonly minutes: number;
}

/** What comes oftener than a season is done while it stands; the rest when it is woken. */
export const isKept = ({ months }: WantedStanding): boolean => months <= KEPT_MONTHS;

/** Of units that are laid up: what their service plan wants by the calendar. Hours stand still. */
export async function standingService(db: Db, at: Date, unitId?: number): Promise<Map<number, WantedStanding[]>> {
  const standing = (await readServiceFacts(db, at, unitId)).filter(({ readiness }) => readiness === 'laid-up');
  return new Map(
    standing.map((facts) => {
      const minutes = new Map(facts.plan.items.map((item) => [item.id, item.minutes]));
      const wanted = itemsOf(facts, at).flatMap(({ id, every, daysLeft }): WantedStanding[] =>
        daysLeft === null ? [] : [{ id, in: daysLeft, months: every.months ?? 0, minutes: minutes.get(id) ?? 0 }],
      );
      return [facts.unitId, wanted];
    }),
  );
}

/** The work of waking one: as it was laid up, and what is due by the time it goes out. */
export function wakeMinutes(
  method: LayUpMethodId | null,
  wanted: readonly WantedStanding[],
  nextHire: Date | null,
  at: Date,
): number {
  const until = nextHire === null ? 0 : (nextHire.getTime() - at.getTime()) / DAY_MS;
  const due = wanted.filter((item) => !isKept(item) && item.in <= until);
  return LAY_UP_METHODS[method ?? 'as-it-is'].wakeMinutes + due.reduce((sum, { minutes }) => sum + minutes, 0);
}

/** The same of one unit that is called for now. */
export async function wakeMinutesNow(db: Db, unitId: number, at: Date): Promise<number> {
  const stands = await db
    .selectFrom('lay_up')
    .select('method')
    .where('unit_id', '=', unitId)
    .where('woken_at', 'is', null)
    .executeTakeFirst();
  return wakeMinutes(stands?.method ?? null, (await standingService(db, at, unitId)).get(unitId) ?? [], at, at);
}
