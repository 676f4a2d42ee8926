import { CLOCKS, entryOf } from '@hudrik/core/catalogue';
import type { ClockLine } from '@hudrik/core/contracts';
import type { Actor, Context } from '../context';

/** Waits that run, or whose time is over and that want their result; the soonest first. */
export async function readClocks(
  { db, now }: Pick<Context, 'db' | 'now'>,
  actor: Actor,
): Promise<{ now: string; clocks: ClockLine[] }> {
  const rows = await db
    .selectFrom('clock as c')
    .innerJoin('unit as u', 'u.id', 'c.unit_id')
    .innerJoin('person as p', 'p.id', 'c.started_by')
    .select(['c.id', 'c.job_id', 'u.tag', 'c.kind', 'c.started_at', 'c.ends_at', 'p.name', 'c.started_by'])
    .where('c.state', '=', 'running')
    .orderBy('c.ends_at')
    .limit(100)
    .execute();
  return {
    now: now().toISOString(),
    clocks: rows.map((row) => ({
      id: row.id,
      jobId: String(row.job_id),
      tag: row.tag,
      clock: row.kind,
      name: entryOf(CLOCKS, row.kind)?.name ?? row.kind,
      startedAt: row.started_at.toISOString(),
      endsAt: row.ends_at.toISOString(),
      by: row.name,
      mine: row.started_by === actor.id,
    })),
  };
}
