import { randomUUID } from 'node:crypto';
import { entryOf, ITEM_OF_WORK } from '@hudrik/core/catalogue';
import type { UnitPlan } from '@hudrik/core/service';
import type { Actor } from '../context';
import type { JobRow } from '../database/tables';
import type { UnitChange } from '../log/changeUnit';
import { freeOf, partOfNumber } from '../parts/shelf';

interface Asking {
  readonly actor: Actor;
  readonly job: Pick<JobRow, 'id' | 'work'>;
  readonly plan: UnitPlan;
}

/** The kit that a service takes by its model's plan is put aside with its job, or wanted where the shelf has none. Out: what became of it. */
export async function reserveKit(
  { trx, at }: Pick<UnitChange, 'trx' | 'at'>,
  { actor, job, plan }: Asking,
): Promise<{ readonly number: string; readonly state: 'reserved' | 'wanted' } | null> {
  const item = entryOf(ITEM_OF_WORK, job.work);
  const number = item === undefined ? undefined : plan.kits[item.id];
  if (number === undefined) return null;
  const part = await partOfNumber(trx, number);
  const state = (await freeOf(trx, part.id)) >= 1 ? 'reserved' : 'wanted';
  await trx
    .insertInto('part_line')
    .values({
      id: randomUUID(),
      job_id: job.id,
      asked: number,
      part_id: part.id,
      count: 1,
      state,
      order_id: null,
      asked_by: actor.id,
      asked_at: at,
    })
    .execute();
  return { number: part.number, state };
}
