import { EventEmitter } from 'node:events';
import { setTimeout as pause } from 'node:timers/promises';
import { Logger as WorkerLogger, run, runMigrations, type TaskList, type WorkerEvents } from 'graphile-worker';
import type { RegularTask } from '@hudrik/core/contracts';
import type pg from 'pg';
import type { Logger } from 'pino';
import { holdPlace, releaseDead } from './deadWorkers';
import { startHeart } from './heart';
import { WORKER_SCHEMA } from './schema';
import type { Payloads, TaskName } from './payloads';

/** What does each task; told what it was left with. */
export type Tasks = { readonly [T in TaskName]: (payload: Payloads[T]) => Promise<void> } & {
  readonly regular: Readonly<Record<RegularTask, () => Promise<void>>>;
};

/** So many at once: one that hangs until its time is over is in nobody's way. */
const CONCURRENCY = 4;
const AGAIN_MS = 2000;
const ENDS_IN_MS = 3000;

/** The background engine's own tables, in the same database. */
export async function prepareBackground(pool: pg.Pool, log: Logger): Promise<void> {
  await runMigrations({ pgPool: pool, schema: WORKER_SCHEMA, logger: workerLogger(log) });
  // What older versions did each minute in one go is left in nobody's queue.
  await pool.query(
    `delete from ${WORKER_SCHEMA}._private_jobs j using ${WORKER_SCHEMA}._private_tasks t
      where t.id = j.task_id and t.identifier = 'tick'`,
  );
}

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
  const heart = startHeart(pool, log);
  return {
    stop: async () => {
      isStopping = true;
      await heart.stop();
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
  // What became of a job could not be written down: the engine then shuts down, and may wait for ever for what it can no longer do.
  let lose: (error: unknown) => void = () => undefined;
  const lost = new Promise<unknown>((resolve) => {
    lose = resolve;
  });
  events.on('pool:gracefulShutdown', () => lose(new Error('it shuts down by itself')));
  const runner = await run({
    pgPool: pool,
    schema: WORKER_SCHEMA,
    concurrency: CONCURRENCY,
    noHandleSignals: true,
    // Told one by one, a job whose end cannot be written down would end the process; told in a batch, it ends the engine, which is started again.
    preset: { worker: { completeJobBatchDelay: 0, failJobBatchDelay: 0 } },
    events,
    logger: workerLogger(log),
    taskList: taskListOf(tasks),
  });
  const ended = Promise.race([
    lost,
    runner.promise.then(
      () => null,
      (error: unknown) => error,
    ),
  ]);
  const stop = async (): Promise<void> => {
    // What it cannot end in a moment is ended for it: whoever is left frees its jobs.
    await Promise.race([runner.stop().catch(() => undefined), pause(ENDS_IN_MS, undefined, { ref: false })]);
    for (const leave of places) leave();
  };
  await releaseDead(pool).catch((error: unknown) => log.warn({ err: error }, 'dead processes cannot be looked for'));
  return { ended, stop };
}

export const taskListOf = (tasks: Tasks): TaskList => ({
  ...tasks.regular,
  'ask-order': (payload) => tasks['ask-order'](payload),
  'ask-quote': (payload) => tasks['ask-quote'](payload),
  thumbnail: (payload) => tasks.thumbnail(payload),
  'clock-end': (payload) => tasks['clock-end'](payload),
  'back-up': async () => tasks['back-up']({}),
});

/** The engine's own words go to the server's log: what it says as it goes is for those who look for it. */
const workerLogger = (log: Logger): WorkerLogger =>
  new WorkerLogger(() => (level, message, meta) => {
    const write = level === 'error' ? 'error' : level === 'warning' ? 'warn' : 'debug';
    log[write]({ ...meta }, message);
  });
