import { REGULAR_TASKS, type RegularTask } from '@hudrik/core/contracts';
import type pg from 'pg';
import { JUMP_SECONDS } from './clockJumps';
import { WORKER_SCHEMA } from './schema';

interface Rhythm {
  readonly everySeconds: number;
  /** Longer than this it has failed. */
  readonly mostSeconds: number;
}

/** How often each is done, and how long it may take. None waits for another. */
export const REGULAR: Readonly<Record<RegularTask, Rhythm>> = {
  'ask-orders': { everySeconds: 60, mostSeconds: 60 },
  'make-thumbnails': { everySeconds: 60, mostSeconds: 60 },
  'clean-up': { everySeconds: 60, mostSeconds: 60 },
  'drop-loose-photos': { everySeconds: 60, mostSeconds: 60 },
  'read-desk': { everySeconds: 60, mostSeconds: 120 },
  'read-equipment': { everySeconds: 60, mostSeconds: 120 },
  'find-stale-fuel': { everySeconds: 60, mostSeconds: 120 },
  'start-backup': { everySeconds: 60, mostSeconds: 60 },
};

/** Clocks of machines that work together differ by so much and no more: what lies further ahead was written by a clock that was wrong. */
export const AHEAD_SECONDS = 300;

/**
 * Leaves to the background what is due, once for all processes: each task in a queue of its own, so that it waits for itself alone. What was asked
 * for at a time that has not come yet counts as not asked for. Out: what was asked for.
 */
export async function askWhatIsDue(pool: pg.Pool): Promise<RegularTask[]> {
  const due = await pool.query<{ name: RegularTask }>(
    `with rhythm as (select * from unnest($1::text[], $2::int[]) as r(name, every)),
      due as (
        insert into background_task as t (name, asked_at) select name, now() from rhythm
        on conflict (name) do update set asked_at = now()
          where t.asked_at is null or t.asked_at > now() + make_interval(secs => $3)
            or t.asked_at <= now() - make_interval(secs => (select every from rhythm r where r.name = t.name))
        returning name)
    select name from due, lateral ${WORKER_SCHEMA}.add_job(
      name, '{}'::json, queue_name := name, max_attempts := 1, job_key := name) as job`,
    [REGULAR_TASKS, REGULAR_TASKS.map((name) => REGULAR[name].everySeconds), JUMP_SECONDS],
  );
  return due.rows.map(({ name }) => name);
}

/** What a clock that ran ahead put off to a time that has not come is due now, unless somebody works at it. */
export async function bringBackWhatWasPutOff(pool: pg.Pool): Promise<number> {
  const { rowCount } = await pool.query(
    `update ${WORKER_SCHEMA}._private_jobs set run_at = now(), created_at = now()
      where created_at > now() + make_interval(secs => $1) and locked_at is null`,
    [JUMP_SECONDS],
  );
  return rowCount ?? 0;
}
