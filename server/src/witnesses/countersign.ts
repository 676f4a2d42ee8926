import { tellEntry } from '@hudrik/core/log';
import type { Trx } from '../database/tables';
import { openDefects } from '../defects/openDefects';
import { openAgain } from '../defects/takeDefect';
import type { Taker } from '../log/taking';
import { entryById } from '../log/readLog';
import { refuse } from '../refusal';

/** No yard's words: only its title is kept, and that has none of them. */
const PLAIN = { time: String, hours: String, fuel: String, readiness: String };

/**
 * Somebody says whether they agree with what another did alone. Who does not says why: what was closed by it is open again, what was said not to be
 * on the unit is asked again, and the unit is held until somebody has looked.
 */
export const takeCountersign: Taker<'countersigned'> = async ({ change, actor, id, facts, record, at }) => {
  const { trx, unit } = change;
  const done = await entryById(trx, facts.entryId);
  const isAlone = done?.unitId === unit.id && done.record.outcome['alone'] === true;
  if (done === undefined || !isAlone || (await isCountersigned(trx, unit.id, facts.entryId)))
    return refuse('not-alone');
  if (done.personId === actor.id) return refuse('own-word', { by: actor.name });
  if (!facts.agrees && facts.why === undefined) return refuse('not-valid', { field: 'why' });
  const { title } = tellEntry(done.record, PLAIN);
  await record({ outcome: { title, by: done.record.by ?? '' } });
  if (facts.agrees) return;
  await trx
    .updateTable('not_fitted')
    .set({ ended_by: id })
    .where('entry_id', '=', facts.entryId)
    .where('ended_by', 'is', null)
    .execute();
  await openAgain(trx, unit.id, facts.entryId, { entryId: id, at });
  const disagreed = {
    origin: { kind: 'by-hand', id },
    sentence: `${actor.name} does not agree: ${title}. ${facts.why ?? ''}`.slice(0, 400),
    ...({ weight: 'hold', safety: true, caution: null, work: null } as const),
  } as const;
  await openDefects(trx, { unitId: unit.id, entryId: id, at }, [disagreed]);
};

const isCountersigned = async (trx: Trx, unitId: number, entryId: string): Promise<boolean> =>
  (await trx
    .selectFrom('log_entry')
    .select('id')
    .where('unit_id', '=', unitId)
    .where('kind', '=', 'countersigned')
    .where((eb) => eb(eb.ref('facts', '->>').key('entryId'), '=', entryId))
    .executeTakeFirst()) !== undefined;
