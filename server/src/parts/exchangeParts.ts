import type { ExchangePart } from '@hudrik/core/contracts';
import type { Actor, Context } from '../context';
import { record } from '../fleet/history';
import { isUuid } from '../isUuid';
import { refuse } from '../refusal';

/** Parts that were taken off, cleaned and proven: stock with an origin. */
export async function readExchangeParts({ db }: Pick<Context, 'db'>): Promise<{ parts: ExchangePart[] }> {
  const rows = await db
    .selectFrom('exchange_part as e')
    .innerJoin('job as j', 'j.id', 'e.origin_job_id')
    .innerJoin('unit as u', 'u.id', 'j.unit_id')
    .select(['e.id', 'e.name', 'e.number', 'e.state', 'e.place', 'e.at', 'u.tag'])
    .where('e.state', 'not in', ['fitted', 'scrapped'])
    .orderBy('e.at', 'desc')
    .limit(200)
    .execute();
  return {
    parts: rows.map((row) => ({
      id: row.id,
      name: row.name,
      number: row.number,
      state: row.state,
      origin: row.tag,
      place: row.place,
      at: row.at.toISOString(),
    })),
  };
}

export async function addExchangePart(
  context: Context,
  actor: Actor,
  fresh: { id: string; name: string; number: string | null; jobId: string; place: string },
): Promise<{ parts: ExchangePart[] }> {
  await context.db.transaction().execute(async (trx) => {
    if (await trx.selectFrom('exchange_part').select('id').where('id', '=', fresh.id).executeTakeFirst()) return;
    const job = /^\d{1,15}$/.test(fresh.jobId)
      ? await trx.selectFrom('job').select(['id', 'unit_id']).where('id', '=', Number(fresh.jobId)).executeTakeFirst()
      : undefined;
    if (job === undefined) return refuse('not-found', { job: fresh.jobId });
    const at = context.now();
    await trx
      .insertInto('exchange_part')
      .values({ id: fresh.id, name: fresh.name, number: fresh.number, origin_job_id: job.id, place: fresh.place, at })
      .execute();
    await record(trx, {
      unitId: job.unit_id,
      at,
      kind: 'part-kept',
      personId: actor.id,
      facts: { jobId: fresh.jobId, part: fresh.name },
    });
  });
  return readExchangeParts(context);
}

/** As taken, cleaned, proven, fitted, scrapped: never back from an end. */
export async function changeExchangePart(
  context: Context,
  id: string,
  state: ExchangePart['state'],
): Promise<{ parts: ExchangePart[] }> {
  const row = isUuid(id)
    ? await context.db
        .updateTable('exchange_part')
        .set({ state })
        .where('id', '=', id)
        .where('state', 'not in', ['fitted', 'scrapped'])
        .returning('id')
        .executeTakeFirst()
    : undefined;
  if (row === undefined) return refuse('not-found', { part: id });
  return readExchangeParts(context);
}
