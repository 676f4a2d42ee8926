import { checksOf, classOf } from '@hudrik/core/catalogue';
import type { DefectOrigin } from '@hudrik/core/defects';
import type { DefectRow, Trx } from '../database/tables';
import type { Taker } from '../log/taking';
import { refuse } from '../refusal';
import { findOpenVisit } from '../visits/visits';
import { closeDefects, closeOf } from './closeDefects';
import { mustClose } from './lookedAt';
import { openDefects } from './openDefects';

/** A defect written down by hand: it hangs on no check, and closes with a technician's look. */
export const takeDefect: Taker<'defect-found'> = async ({
  change,
  id,
  facts: { sentence, weight, safety },
  record,
}) => {
  await record({});
  const found = { origin: { kind: 'by-hand', id }, sentence, weight, safety, caution: null, work: null } as const;
  await openDefects(change.trx, { unitId: change.unit.id, entryId: id, at: change.at }, [found]);
};

/** Somebody has looked: it was put right, or it was all right. A second who says so finds it closed, and is told by whom. */
export const takeClosing: Taker<'defect-closed'> = async ({ change, id, at: looked, facts, record }) => {
  const { trx, unit, at } = change;
  const defect = await openDefect(trx, unit.id, facts.defectId);
  await mustClose(trx, defect, { unit, at: looked, how: facts.how, measured: facts.measured });
  await record({ outcome: { sentence: defect.sentence } });
  await closeDefects(trx, [defect.id], { entryId: id, how: facts.how, at });
  if (defect.origin_kind === 'cause') await explainsNoMore(trx, unit.id, defect.origin_id);
};

/** A cause that was not it explains nothing any more: what was told is open without it. */
async function explainsNoMore(trx: Trx, unitId: number, cause: string): Promise<void> {
  const told = await trx
    .selectFrom('defect')
    .select(['id', 'causes'])
    .where('unit_id', '=', unitId)
    .where('origin_kind', '=', 'told')
    .where('closed_at', 'is', null)
    .execute();
  for (const { id, causes } of told)
    if (causes.includes(cause))
      await trx
        .updateTable('defect')
        .set({ causes: causes.filter((one) => one !== cause) })
        .where('id', '=', id)
        .execute();
}

/** An open defect of the unit. Of one that is closed it is said by whom. */
async function openDefect(trx: Trx, unitId: number, defectId: string): Promise<DefectRow> {
  const defect = await trx
    .selectFrom('defect')
    .selectAll()
    .where('id', '=', defectId)
    .where('unit_id', '=', unitId)
    .executeTakeFirst();
  if (defect === undefined) return refuse('not-found', { defect: defectId });
  if (defect.closed_at === null) return defect;
  const closer = await trx
    .selectFrom('log_entry as l')
    .leftJoin('person as p', 'p.id', 'l.person_id')
    .select('p.name')
    .where('l.id', '=', defect.closed_by)
    .executeTakeFirst();
  return refuse('defect-closed', { sentence: defect.sentence, by: closer?.name ?? null });
}

/** What may be worn and still usable. */
const WEARS: readonly DefectOrigin['kind'][] = ['cause', 'reading', 'check', 'by-hand'];

/** A lead lives with what is worn but usable: no safety matter, and only when a proof has passed since. */
export const liveWith: Taker<'lived-with'> = async ({ change, id, facts, record }) => {
  const { trx, unit, at } = change;
  const defect = await openDefect(trx, unit.id, facts.defectId);
  if (defect.safety) return refuse('not-lived-with', { sentence: defect.sentence, why: 'safety' });
  if (!WEARS.includes(defect.origin_kind)) return refuse('not-lived-with', { sentence: defect.sentence, why: 'kind' });
  const visit = await findOpenVisit(trx, unit.id);
  const proved = await trx
    .selectFrom('log_entry')
    .select('id')
    .where('unit_id', '=', unit.id)
    .where('kind', '=', 'proved')
    .where('at', '>=', defect.found_at)
    .where((eb) => eb(eb.ref('facts', '->>').key('passed'), '=', 'true'))
    .executeTakeFirst();
  if (proved === undefined || visit?.unproved === true)
    return refuse('not-lived-with', { sentence: defect.sentence, why: 'not-proved' });
  await record({ outcome: { sentence: defect.sentence } });
  return closeDefects(trx, [defect.id], { entryId: id, how: 'lived-with', at });
};

const isPhoto = async (trx: Trx, id: string): Promise<boolean> =>
  (await trx.selectFrom('photo').select('id').where('id', '=', id).executeTakeFirst()) !== undefined;

/** This unit has not got what a check looks at: the check is not asked any more. */
export const takeNotFitted: Taker<'not-fitted'> = async ({ change, id, facts, record }) => {
  const { trx, unit, at } = change;
  const check = checksOf(classOf(unit.class_id)).find((one) => one.id === facts.check);
  if (check === undefined) return refuse('not-valid', { field: 'check', value: facts.check });
  const { photoId } = facts;
  const isKept = photoId !== null && (await isPhoto(trx, photoId));
  if (!isKept && (check.kind === 'safety' || photoId !== null))
    return refuse('not-valid', { field: 'photoId', value: photoId });
  await record({ outcome: { words: check.words } });
  await trx
    .insertInto('not_fitted')
    .values({ unit_id: unit.id, check_id: check.id, entry_id: id })
    .onConflict((conflict) => conflict.doNothing())
    .execute();
  await closeOf(trx, { unitId: unit.id, kind: 'check', ids: [check.id] }, { entryId: id, how: 'not-fitted', at });
};
