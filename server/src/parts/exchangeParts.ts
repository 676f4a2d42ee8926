import { SIGNS_OFF, type ExchangePart } from '@hudrik/core/contracts';
import { EXCHANGE_PART, type ExchangeState } from '@hudrik/core/states';
import type { Actor, Context } from '../context';
import { inTransaction } from '../database/inTransaction';
import { isUuid } from '../isUuid';
import { refuse } from '../refusal';

/** The states in which such a part is still to be had. */
const TO_BE_HAD = EXCHANGE_PART.from('scrapped');

/** Parts that were taken off, cleaned and proved: stock with an origin. */
export async function readExchangeParts({ db }: Pick<Context, 'db'>): Promise<{ parts: ExchangePart[] }> {
  const rows = await db
    .selectFrom('exchange_part as e')
    .innerJoin('job as j', 'j.id', 'e.origin_job_id')
    .innerJoin('unit as u', 'u.id', 'j.unit_id')
    .select(['e.id', 'e.name', 'e.number', 'e.state', 'e.place', 'e.at', 'u.tag'])
    .where('e.state', 'in', TO_BE_HAD)
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

/** As taken, cleaned, proved, fitted, scrapped: never back from an end. */
export async function changeExchangePart(
  context: Context,
  actor: Actor,
  id: string,
  state: ExchangeState,
): Promise<{ parts: ExchangePart[] }> {
  // To call it proven is to sign it off.
  if (state === 'proven' && !SIGNS_OFF.includes(actor.role))
    refuse('not-your-role', { role: actor.role, wants: SIGNS_OFF });
  await inTransaction(context.db, async (trx) => {
    const part = isUuid(id)
      ? await trx.selectFrom('exchange_part').select('state').where('id', '=', id).forUpdate().executeTakeFirst()
      : undefined;
    const next = part && EXCHANGE_PART.after(part.state, state);
    if (!next?.ok) return refuse('not-found', { part: id });
    await trx.updateTable('exchange_part').set({ state: next.state }).where('id', '=', id).execute();
    return undefined;
  });
  return readExchangeParts(context);
}
