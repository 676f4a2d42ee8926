import { randomUUID } from 'node:crypto';
import type { LayUpMethodId } from '@hudrik/core/catalogue';
import type { Actor, Context } from '../context';
import { addCan } from '../fuel/cans';
import { findStaleFuel } from '../fuel/staleFuel';
import { readFuel } from '../fuel/unitFuel';
import { stateOf } from '@hudrik/core/fuel';
import { enterAs } from '../log/enterAs';
import { setSeasons } from '../layUp/changeLayUp';

const HOUR_MS = 3_600_000;
const DAY_HOURS = 24;
const DAY_MS = DAY_HOURS * HOUR_MS;

/** A day so many days from now, as MM-DD. */
const dayFrom = (now: Date, days: number): string =>
  new Date(now.getTime() + days * DAY_MS).toISOString().slice(5, 10).replace('02-29', '02-28');

/** How units woke in the two years: method, days, whether it wanted a fuel repair. */
const WOKEN: readonly (readonly [LayUpMethodId, number, boolean])[] = [
  ...Array.from({ length: 6 }, () => ['run-dry', 150, false] as const),
  ...Array.from({ length: 3 }, () => ['run-dry', 150, true] as const),
  ...Array.from({ length: 7 }, () => ['full-stabilised', 140, false] as const),
  ...Array.from({ length: 3 }, () => ['as-it-is', 120, true] as const),
  ['as-it-is', 60, false],
  ...Array.from({ length: 2 }, () => ['alkylate', 240, false] as const),
];

/** What stands in the demo: a class that comes into lay-up, one that is laid up, cans in the store, a tank that has gone stale. */
export async function addStanding(at: (hoursAgo: number) => Context, lead: Actor): Promise<void> {
  const now = at(0).now();
  await setSeasons(at(0), 'pressure-washer', [{ from: dayFrom(now, 9), to: dayFrom(now, 118), callOdds: 0.05 }]);
  await setSeasons(at(0), 'tiller', [{ from: dayFrom(now, -40), to: dayFrom(now, 125), callOdds: 0.02 }]);
  await setSeasons(at(0), 'generator', [{ from: dayFrom(now, 30), to: dayFrom(now, 110), callOdds: 0.6 }]);
  const can = (name: string, fuel: 'e10' | 'e0' | 'alkylate', litres: number, daysAgo: number, isTreated = false) =>
    addCan(at(0), lead, {
      ...{ name, fuel, litres, litresMax: 20, place: 'Fuel shed', isTreated },
      boughtAt: new Date(now.getTime() - daysAgo * DAY_MS).toISOString(),
    });
  await can('Can 1', 'e10', 14, 9);
  await can('Can 2', 'e0', 18, 4, true);
  await can('Can 3', 'alkylate', 5, 40);
  await can('Can 4', 'e10', 6, 51);
  await woken(at(0), now);
  await freshFuel(at, lead, now);
  await findStaleFuel(at(0));
}

/** These have stood with what the last hirer left in them. */
const STALE = ['PW-11', 'SN-05'];
const FRESH_DAYS = 12;

/** Twelve days ago what had stood long was drained and filled with fresh fuel: all but two. */
async function freshFuel(at: (hoursAgo: number) => Context, lead: Actor, now: Date): Promise<void> {
  const then = at(FRESH_DAYS * DAY_HOURS);
  const here = await then.db
    .selectFrom('unit')
    .select('tag')
    .where('readiness', 'in', ['fit', 'prep', 'held'])
    .execute();
  const tags = new Set(here.map(({ tag }) => tag));
  for (const { tag, tank, passport } of await readFuel(then.db)) {
    const { spent = 0 } = stateOf(passport.blend, now.getTime()) ?? {};
    if (!tags.has(tag) || STALE.includes(tag) || spent < 1) continue;
    await enterAs(then, lead, { tag }, 'fuel-out', { litres: null, isTreated: false });
    const litres = Math.round(tank.litres * 8) / 10;
    const boughtAt = new Date(now.getTime() - (FRESH_DAYS + 2) * DAY_MS).toISOString();
    await enterAs(then, lead, { tag }, 'fuelled', { litres, canId: null, fuel: 'e0', boughtAt, isTreated: true });
  }
}

/** Nobody did anything to this one. */
const AS_IT_IS = 'TI-08';

/** Tillers stand full and treated; and how others woke before. */
async function woken({ db }: Context, now: Date): Promise<void> {
  const units = await db.selectFrom('unit').select(['id', 'tag', 'laid_up_at']).orderBy('id').execute();
  for (const { id, tag, laid_up_at: since } of units)
    if (since !== null)
      await db
        .insertInto('lay_up')
        .values({
          ...{ unit_id: id, method: tag === AS_IT_IS ? 'as-it-is' : 'full-stabilised', laid_up_at: since },
          had_ethanol: tag === AS_IT_IS,
          ...{ entry_id: randomUUID(), woken_at: null, pulls: null, failed: null },
        })
        .execute();
  const others = units.filter(({ laid_up_at: since }) => since === null);
  for (const [nth, [method, days, failed]] of WOKEN.entries()) {
    const wokenAt = new Date(now.getTime() - (60 + nth * 9) * DAY_MS);
    await db
      .insertInto('lay_up')
      .values({
        ...{ unit_id: others[nth % others.length]?.id ?? 1, method, had_ethanol: method === 'as-it-is' },
        ...{ laid_up_at: new Date(wokenAt.getTime() - days * DAY_MS), entry_id: randomUUID() },
        ...{ woken_at: wokenAt, pulls: failed ? null : 2, failed },
      })
      .execute();
  }
}
