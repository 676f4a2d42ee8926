import { EventEmitter } from 'node:events';
import {
  Logger as WorkerLogger,
  parseCronItems,
  run,
  runMigrations,
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
const AGAIN_MS = 2000;

/** The background engine's own tables, in the same database. */
export const prepareBackground = (pool: pg.Pool, log: Logger): Promise<void> =>
  runMigrations({ pgPool: pool, schema: WORKER_SCHEMA, logger: workerLogger(log) });

/**
 * Runs what was left for the background: each job once, shared between all server processes. Jobs survive a killed process: whoever is left
 * finds that it is dead and frees its jobs, which then run again. The engine gives up when the database goes away in the middle of a job:
 * it is then started again.
 */
export async function startBackground(pool: pg.Pool, tasks: Tasks, log: Logger): Promise<Background> {
  let current = await startEngine(pool, tasks, log);
  let isStopping = false;
  let timer: NodeJS.Timeout | undefined;
  const startAgain = async (): Promise<void> => {
    try {
      current = await startEngine(pool, tasks, log);
      if (isStopping) await current.stop();
      else keep();
    } catch (error) {
      log.warn({ err: error }, 'the background cannot be started just now');
      later();
    }
  };
  const later = (): void => {
    if (!isStopping) timer = setTimeout(() => void startAgain(), AGAIN_MS);
  };
  const keep = (): void =>
    void current.ended.then(async (error) => {
      if (isStopping) return;
      log.warn({ err: error }, 'the background gave up, and is started again');
      await current.stop();
      later();
    });
  keep();
  return {
    stop: async () => {
      isStopping = true;
      clearTimeout(timer);
      await current.stop();
    },
  };
}

interface Background {
  readonly stop: () => Promise<void>;
}

interface Engine extends Background {
  /** Comes when it ended, by itself or because it was stopped, with what made it end. */
  readonly ended: Promise<unknown>;
}

async function startEngine(pool: pg.Pool, tasks: Tasks, log: Logger): Promise<Engine> {
  const events: WorkerEvents = new EventEmitter();
  const places: (() => void)[] = [];
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
    // Told one by one, a job whose end cannot be written down would end the process; told in a batch, it ends the engine, which is started again.
    preset: { worker: { completeJobBatchDelay: 0, failJobBatchDelay: 0 } },
    events,
    logger: workerLogger(log),
    taskList: taskListOf(pool, tasks),
    parsedCronItems: parseCronItems([
      { task: 'tick', match: '* * * * *', identifier: 'tick', options: { backfillPeriod: 120_000 } },
    ]),
  });
  const ended = runner.promise.then(
    () => null,
    (error: unknown) => error,
  );
  const stop = async (): Promise<void> => {
    await runner.stop().catch(() => undefined);
    for (const leave of places) leave();
  };
  await releaseDead(pool).catch((error: unknown) => log.warn({ err: error }, 'dead processes cannot be looked for'));
  return { ended, stop };
}

export function taskListOf(pool: pg.Pool, tasks: Tasks): TaskList {
  return {
    'ask-order': (payload) => tasks['ask-order'](payload),
    'ask-quote': (payload) => tasks['ask-quote'](payload),
    thumbnail: (payload) => tasks.thumbnail(payload),
    'clock-end': (payload) => tasks['clock-end'](payload),
    'back-up': async () => tasks['back-up']({}),
    'read-desk': async () => tasks['read-desk']({}),
    'read-equipment': async () => tasks['read-equipment']({}),
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
