import { EventEmitter } from 'node:events';
import {
  Logger as WorkerLogger,
  parseCronItems,
  run,
  runMigrations,
  type Runner,
  type TaskList,
  type WorkerEvents,
} from 'graphile-worker';
import type pg from 'pg';
import type { Logger } from 'pino';
import { holdPlace, releaseDead } from './deadWorkers';
import { WORKER_SCHEMA } from './schema';
import type { Payloads, TaskName } from './payloads';

/** What does each task; told what it was left with. */
export type Tasks = { readonly [T in TaskName]: (payload: Payloads[T]) => Promise<void> };

const CONCURRENCY = 2;

/** The background engine's own tables, in the same database. */
export const prepareBackground = (pool: pg.Pool, log: Logger): Promise<void> =>
  runMigrations({ pgPool: pool, schema: WORKER_SCHEMA, logger: workerLogger(log) });

/**
 * Runs what was left for the background: each job once, shared between all server processes. Jobs survive a killed process: whoever is left
 * finds that it is dead and frees its jobs, which then run again.
 */
export async function startBackground(
  pool: pg.Pool,
  tasks: Tasks,
  log: Logger,
): Promise<{ readonly stop: () => Promise<void> }> {
  const events: WorkerEvents = new EventEmitter();
  const places: Promise<() => void>[] = [];
  events.on('pool:create', ({ workerPool }) => void places.push(holdPlace(pool, workerPool.id)));
  events.on('job:error', ({ job, error }) =>
    log.warn(
      { err: error, task: job.task_identifier, attempt: job.attempts },
      'a background task failed, and is tried again',
    ),
  );
  const runner = await run({
    pgPool: pool,
    schema: WORKER_SCHEMA,
    concurrency: CONCURRENCY,
    noHandleSignals: true,
    events,
    logger: workerLogger(log),
    taskList: taskListOf(pool, tasks),
    parsedCronItems: parseCronItems([
      { task: 'tick', match: '* * * * *', identifier: 'tick', options: { backfillPeriod: 120_000 } },
    ]),
  });
  await releaseDead(pool);
  return { stop: () => stopAll(runner, places) };
}

async function stopAll(runner: Runner, places: readonly Promise<() => void>[]): Promise<void> {
  await runner.stop().catch(() => undefined);
  for (const leave of await Promise.allSettled(places)) if (leave.status === 'fulfilled') leave.value();
}

export function taskListOf(pool: pg.Pool, tasks: Tasks): TaskList {
  return {
    'ask-order': (payload) => tasks['ask-order'](payload as Payloads['ask-order']),
    'ask-quote': (payload) => tasks['ask-quote'](payload as Payloads['ask-quote']),
    thumbnail: (payload) => tasks.thumbnail(payload as Payloads['thumbnail']),
    'clock-end': (payload) => tasks['clock-end'](payload as Payloads['clock-end']),
    tick: async () => {
      await releaseDead(pool);
      await tasks.tick({});
    },
  };
}

/** The engine's own words go to the server's log: what it says as it goes is for those who look for it. */
const workerLogger = (log: Logger): WorkerLogger =>
  new WorkerLogger(() => (level, message, meta) => {
    const write = level === 'error' ? 'error' : level === 'warning' ? 'warn' : 'debug';
    log[write]({ ...meta }, message);
  });
