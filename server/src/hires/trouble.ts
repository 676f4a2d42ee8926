import { BEFORE_HELP, FIRST_HELP } from '@hudrik/core/catalogue';
import { sql } from 'kysely';
import type { TroubleReply } from '@hudrik/core/contracts';
import type { Context } from '../context';
import type { Db } from '../database/tables';
import { unitByTag } from '../fleet/units';
import type { Taker } from '../log/taking';
import { readFree } from './free';
import { complaintsIn, openTold } from './toldDefects';

/**
 * Somebody tells what is wrong with a unit: it is so from now on, wherever the unit is, and its work is there. Of one that is out, with the hire that
 * it is on; a hire that is over meanwhile keeps nobody from telling it.
 */
export const takeTrouble: Taker<'trouble-told'> = async ({ change, id, at, facts, record }) => {
  const { trx, unit } = change;
  const told = complaintsIn(unit, facts.complaintIds);
  await record({});
  await openTold(trx, unit, told, { entryId: id, at });
};

const outWith = (db: Db, unitId: number) =>
  db
    .selectFrom('hire')
    .select(['reference', 'to_at'])
    .where('unit_id', '=', unitId)
    .where('state', '=', 'out')
    .executeTakeFirst();

/** So little a try is worth when it meets less of what may be wrong. */
const WORTH_TRYING = 0.02;

/** What to say on the telephone: what may safely be tried, the likeliest first, and who could go in its place. */
export async function readTrouble(
  { db, now, sums }: Pick<Context, 'db' | 'now' | 'sums'>,
  tag: string,
  complaints: string,
): Promise<TroubleReply> {
  const unit = await unitByTag(db, tag);
  const told = complaintsIn(unit, complaints.split(',').filter(Boolean));
  const hire = await outWith(db, unit.id);
  const seen: Record<string, string[]> = {};
  for (const { shows } of told)
    if (shows) seen[shows.observation] = [...(seen[shows.observation] ?? []), shows.outcome];
  const odds = await sums.suspects({ machine: { classId: unit.class_id, engine: {}, past: {} }, seen });
  const mustStop = told.some(({ safety }) => safety === true);
  const tries = FIRST_HELP.filter(({ classes }) => classes === undefined || classes.includes(unit.class_id))
    .map((help) => ({ help, odds: help.faults.reduce((sum, fault) => sum + (odds[fault] ?? 0), 0) }))
    .filter((one) => one.odds >= WORTH_TRYING)
    .sort((a, b) => b.odds - a.odds);
  const until = hire?.to_at ?? now();
  const free = await readFree(db, {
    class: unit.class_id,
    from: now().toISOString(),
    to: new Date(Math.max(until.getTime(), now().getTime() + 3_600_000)).toISOString(),
  });
  return {
    before: mustStop
      ? 'Stop it now, and do not start it again. Keep away from it, and leave it as it is.'
      : BEFORE_HELP,
    tries: mustStop ? [] : tries.map(({ help }) => help.words),
    swap: free.units.find(({ verdict }) => verdict.readiness === 'fit')?.tag ?? null,
    reference: hire?.reference ?? null,
  };
}

/** What was told of a unit since it went out: its check-in begins with it. */
export async function toldSince(db: Db, unitId: number, since: Date | null): Promise<string[]> {
  if (since === null) return [];
  const rows = await db
    .selectFrom('log_entry')
    .select('facts')
    .where('unit_id', '=', unitId)
    .where('kind', '=', 'trouble-told')
    .where('at', '>=', since)
    // What was told of the wrong unit is told of another one.
    .where(
      sql<boolean>`not exists (select from log_entry m where m.unit_id = log_entry.unit_id and m.kind = 'told-moved'
        and m.facts ->> 'entryId' = log_entry.id::text)`,
    )
    .execute();
  const ids = rows.flatMap(({ facts }) =>
    Array.isArray(facts['complaintIds']) ? facts['complaintIds'].map(String) : [],
  );
  return [...new Set(ids)];
}
