import type { RegularTask } from '@hudrik/core/contracts';
import { sql, type UpdateObject } from 'kysely';
import type { Logger } from 'pino';
import type { Db, Tables } from '../database/tables';
import { REGULAR } from './regular';

/** A failure that stays is said again after so many times. */
const SAID_EACH = 60;

/** A task that did not end in the time that it may take. */
class TookTooLong extends Error {}

/**
 * Does a regular task, and keeps how it went: what fails is kept and said, the first time and then how often, and the next time it is done again.
 * Nothing is thrown but that it cannot be kept.
 */
export async function watched(
  db: Db,
  task: RegularTask,
  run: () => Promise<unknown>,
  log: Logger,
  mostMs = REGULAR[task].mostSeconds * 1000,
): Promise<void> {
  const begun = { began_at: sql<Date>`now()` };
  await db
    .insertInto('background_task')
    .values({ name: task, ...begun })
    .onConflict((conflict) => conflict.column('name').doUpdateSet(begun))
    .execute();
  const before = await db
    .selectFrom('background_task')
    .select(['failures', 'why'])
    .where('name', '=', task)
    .executeTakeFirst();
  const failures = before?.failures ?? 0;
  try {
    await within(run(), mostMs);
  } catch (error) {
    const why = (error instanceof Error ? error.message : String(error)).replaceAll('\0', '').slice(0, 300);
    await note(db, task, {
      failures: failures + 1,
      failing_since: sql<Date>`coalesce(failing_since, now())`,
      why,
    });
    if (failures === 0 || before?.why !== why) log.warn({ err: error, task }, 'a background task failed');
    else if ((failures + 1) % SAID_EACH === 0)
      log.warn({ task, failures: failures + 1, why }, 'a background task fails again and again');
    return;
  }
  await note(db, task, { well_at: sql<Date>`now()`, failures: 0, failing_since: null, why: null });
  if (failures > 0) log.warn({ task, failures }, 'a background task goes well again');
}

const note = (db: Db, task: RegularTask, row: UpdateObject<Tables, 'background_task'>): Promise<unknown> =>
  db.updateTable('background_task').set(row).where('name', '=', task).execute();

async function within(running: Promise<unknown>, mostMs: number): Promise<void> {
  let timer: NodeJS.Timeout | undefined;
  const tooLong = new Promise<never>((_resolve, reject) => {
    timer = setTimeout(() => reject(new TookTooLong(`It took longer than ${Math.round(mostMs / 1000)} s.`)), mostMs);
  });
  try {
    await Promise.race([running, tooLong]);
  } finally {
    clearTimeout(timer);
  }
}
