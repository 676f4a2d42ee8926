import type { RegularTask } from '@hudrik/core/contracts';
import { sql } from 'kysely';
import type { Db } from '../database/tables';
import { WORKER_SCHEMA } from './schema';
import type { Payloads, TaskName } from './payloads';

interface When {
  /** Of jobs with one key there is one: a later one takes its place. */
  readonly key?: string;
  readonly runAt?: Date;
}

/** Leaves work for the background, in the transaction of the change that wants it: it is done if, and only if, that is committed. */
export async function enqueue<T extends TaskName>(
  db: Db,
  task: T,
  payload: Payloads[T],
  { key, runAt }: When = {},
): Promise<void> {
  const addJob = sql.ref(`${WORKER_SCHEMA}.add_job`);
  await sql`select ${addJob}(
    ${task}, ${JSON.stringify(payload)}::json,
    run_at := ${runAt ?? null}::timestamptz, job_key := ${key ?? null}::text
  )`.execute(db);
}

/** A regular task, asked for now: after itself, if it is being done. */
export async function askNow(db: Db, task: RegularTask): Promise<void> {
  const addJob = sql.ref(`${WORKER_SCHEMA}.add_job`);
  await sql`select ${addJob}(${task}, '{}'::json, queue_name := ${task}, max_attempts := 1, job_key := ${task})`.execute(
    db,
  );
}
