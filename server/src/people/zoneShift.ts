import { tzOffset } from '@date-fns/tz';
import type { ZoneShift } from '@hudrik/core/contracts';
import { nightsAround } from '../backups/nightly';
import { shiftsOf, USUAL_HOURS } from '../bench/shifts';
import type { Context } from '../context';
import { mustBeKnownZone, readSettings } from './settings';

const MINUTE_MS = 60_000;

/** What another time zone of the yard would shift, to be read before it is chosen. */
export async function zoneShift({ db, now }: Pick<Context, 'db' | 'now'>, to: string): Promise<ZoneShift> {
  const at = now();
  const { timeZone: from, locale, openHours } = await readSettings(db);
  mustBeKnownZone(to, locale);
  const opensIn = (zone: string): string | null => {
    const next = shiftsOf(openHours ?? USUAL_HOURS, [], at, zone).find(([begins]) => begins > 0);
    return next === undefined
      ? null
      : new Date(Math.round(at.getTime() / MINUTE_MS + next[0]) * MINUTE_MS).toISOString();
  };
  const [before, after] = [opensIn(from), opensIn(to)];
  return {
    minutes: tzOffset(to, at) - tzOffset(from, at),
    opens: before === null || after === null ? null : { before, after },
    backup: { before: nightsAround(at, from).next.toISOString(), after: nightsAround(at, to).next.toISOString() },
    deskHires: await hiresWithoutZone(db),
  };
}

async function hiresWithoutZone(db: Context['db']): Promise<number> {
  const { count } = await db
    .selectFrom('desk_event as e')
    .innerJoin('hire as h', 'h.id', 'e.hire_id')
    .select((eb) => eb.fn.countAll<number>().as('count'))
    .where('e.is_yards_time', '=', true)
    .where('h.state', '=', 'booked')
    .executeTakeFirstOrThrow();
  return Number(count);
}
