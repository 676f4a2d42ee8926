import { entryOf, ITEM_OF_WORK } from '@hudrik/core/catalogue';
import { cardOf } from '@hudrik/core/log';
import { doneBySteps } from '@hudrik/core/service';
import type { JobRow, Trx } from '../database/tables';
import { lastReading } from '../fleet/meters';
import { entriesOfJob } from '../log/readLog';
import { planOfUnit } from './modelPlans';

/**
 * Writes down what a finished job did of its unit's service plan: the items whose steps were ticked, with all that they include. Out: why its
 * own item was not among them, in a sentence for the history; undefined where there is nothing to say.
 */
export async function recordService(trx: Trx, job: JobRow, at: Date): Promise<string | undefined> {
  const { steps } = cardOf(await entriesOfJob(trx, job.id));
  const ticked = steps.flatMap((step) => (step.state === 'done' && step.key !== null ? step.key : []));
  const { items, version } = await planOfUnit(trx, job.unit_id);
  const done = doneBySteps(ticked, items);
  if (done.length > 0) {
    const { trueHours } = await lastReading(trx, job.unit_id);
    await trx
      .insertInto('service_done')
      .values(
        done.map((item) => ({
          unit_id: job.unit_id,
          item,
          true_hours: trueHours,
          at,
          plan_version: version,
          job_id: job.id,
        })),
      )
      .execute();
  }
  const own = entryOf(ITEM_OF_WORK, job.work);
  if (own === undefined || done.includes(own.id)) return undefined;
  return `${own.name}: not ticked, its hours and days go on.`;
}
