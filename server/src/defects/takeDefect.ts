import { checksOf, classOf, type Check } from '@hudrik/core/catalogue';
import { WORKS_ON_UNITS } from '@hudrik/core/contracts';
import type { DefectOrigin } from '@hudrik/core/defects';
import type { Witnessed } from '@hudrik/core/log';
import type { DefectRow, Trx } from '../database/tables';
import type { Taker, Taking } from '../log/taking';
import { refuse } from '../refusal';
import { findOpenVisit } from '../visits/visits';
import { mustBeFresh } from '../witnesses/freshPhoto';
import { saysSecond, secondPerson } from '../witnesses/witness';
import { closeDefects } from './closeDefects';
import { mustClose } from './lookedAt';
import { openDefects } from './openDefects';

/** A defect written down by hand: it hangs on no check, and closes with a technician's look. */
export const takeDefect: Taker<'defect-found'> = async ({
  change,
  id,
  at,
  facts: { sentence, weight, safety },
  record,
}) => {
  await record({});
  const found = { origin: { kind: 'by-hand', id }, sentence, weight, safety, caution: null, work: null } as const;
  await openDefects(change.trx, { unitId: change.unit.id, entryId: id, at }, [found]);
};

/**
 * Somebody has looked: it was put right, or it was all right. A second who says so finds it closed, and is told by whom. Of a time that is not known
 * it is kept, and closes nothing.
 */
export const takeClosing: Taker<'defect-closed'> = async ({ change, actor, id, at, timing, facts, record }) => {
  const { trx, unit } = change;
  const defect = await openDefect(trx, unit.id, facts.defectId);
  const { sentence } = defect;
  if (timing !== 'known') return record({ outcome: { sentence, closesNothing: timing } });
  const who: Witnessed = saysSecond(facts)
    ? await secondPerson({ trx, actor, entryId: id, at: change.at }, facts, {
        why: defect.origin_kind === 'told' ? 'danger' : 'seen-twice',
        ...{ sentence, who: WORKS_ON_UNITS },
        // What was told cannot be photographed.
        photo: defect.origin_kind === 'check',
      })
    : {};
  const byLead = actor.role === 'lead';
  await mustClose(trx, defect, {
    ...{ unit, at, how: facts.how, measured: facts.measured, byLead, witnessed: saysSecond(facts) },
  });
  await record({ outcome: { sentence, ...who } });
  await closeDefects(trx, [defect.id], { entryId: id, how: facts.how, at: change.at });
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
export async function openDefect(trx: Trx, unitId: number, defectId: string): Promise<DefectRow> {
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
export const liveWith: Taker<'lived-with'> = async ({ change, id, at, facts, record }) => {
  const { trx, unit } = change;
  const defect = await openDefect(trx, unit.id, facts.defectId);
  const { sentence } = defect;
  if (at < defect.seen_at) return refuse('look-too-old', { sentence, seenAt: defect.seen_at.toISOString() });
  if (defect.safety) return refuse('not-lived-with', { sentence, why: 'safety' });
  if (!WEARS.includes(defect.origin_kind)) return refuse('not-lived-with', { sentence, why: 'kind' });
  const visit = await findOpenVisit(trx, unit.id);
  const proved = await trx
    .selectFrom('log_entry')
    .select('id')
    .where('unit_id', '=', unit.id)
    .where('kind', '=', 'proved')
    .where('at', '>=', defect.seen_at)
    .where((eb) => eb(eb.ref('facts', '->>').key('passed'), '=', 'true'))
    .executeTakeFirst();
  if (proved === undefined || visit?.unproved === true)
    return refuse('not-lived-with', { sentence, why: 'not-proved' });
  await record({ outcome: { sentence } });
  return closeDefects(trx, [defect.id], { entryId: id, how: 'lived-with', at: change.at });
};

/** The one way in which a check that not every unit has says that a thing is not there. */
const MISSING = 'missing';

/**
 * This unit has not got what a check looks at: the check is not asked any more. Never of what every unit of the class has; with a photo of this unit
 * taken for it, where the check is there for safety or has found something. Where the check has an open defect, only the one that it is missing, and
 * then a second person says so too. Or of a thing that stays off: then its defect is named.
 */
export const takeNotFitted: Taker<'not-fitted'> = async (taking) => {
  const { change, facts, record, id } = taking;
  const { trx, unit } = change;
  const stays = await staysOff(trx, unit.id, facts.check);
  const check = stays ? undefined : checksOf(classOf(unit.class_id)).find((one) => one.id === facts.check);
  if (!stays && check === undefined) return refuse('not-valid', { field: 'check', value: facts.check });
  if (check?.alwaysThere) return refuse('always-there', { check: check.words });
  const open = stays ? [stays] : await openOfCheck(trx, unit.id, facts.check);
  mustBeMissing(open, taking.at);
  if (open.length > 0 && facts.source === undefined) return refuse('not-valid', { field: 'source' });
  if (open.length > 0 || check?.kind === 'safety' || facts.photoId !== null)
    await mustBeFresh(trx, facts.photoId, change.at);
  const [first] = open;
  const who = first ? await secondFor(taking, first.sentence) : {};
  await record({ outcome: { words: check?.words ?? first?.sentence ?? facts.check, ...who } });
  if (check)
    await trx
      .insertInto('not_fitted')
      .values({ unit_id: unit.id, check_id: check.id, entry_id: id })
      .onConflict((conflict) => conflict.doNothing())
      .execute();
  await closeDefects(
    trx,
    open.map((defect) => defect.id),
    { entryId: id, how: 'not-fitted', at: change.at },
  );
};

const secondFor = ({ change, actor, id, facts }: Taking<'not-fitted'>, sentence: string): Promise<Witnessed> =>
  secondPerson({ trx: change.trx, actor, entryId: id, at: change.at }, facts, {
    // The lead's own photo shows it: alone, too.
    ...{ why: 'not-fitted', sentence, who: WORKS_ON_UNITS, photo: false },
  });

/** The open defect of a thing that stays off, where that is what is named. */
const staysOff = (trx: Trx, unitId: number, defectId: string): Promise<DefectRow | undefined> =>
  trx
    .selectFrom('defect')
    .selectAll()
    .where('unit_id', '=', unitId)
    .where('origin_kind', '=', 'stays-off')
    .where((eb) => eb(eb.cast<string>('id', 'text'), '=', defectId))
    .where('closed_at', 'is', null)
    .executeTakeFirst();

const openOfCheck = (trx: Trx, unitId: number, check: string): Promise<DefectRow[]> =>
  trx
    .selectFrom('defect')
    .selectAll()
    .where('unit_id', '=', unitId)
    .where('origin_kind', '=', 'check')
    .where('origin_id', '=', check)
    .where('closed_at', 'is', null)
    .execute();

function mustBeMissing(open: readonly DefectRow[], at: Date): void {
  for (const { id, sentence, exception, origin_kind: kind, seen_at: seenAt } of open) {
    if (at < seenAt) refuse('look-too-old', { sentence, seenAt: seenAt.toISOString() });
    if (kind === 'check' && exception !== MISSING) refuse('check-open', { id, sentence });
  }
}

/** It is on this unit after all: the check is asked again, and what it had found is open again. */
export const takeFittedAfterAll: Taker<'fitted-after-all'> = async ({ change, id, facts, record }) => {
  const { trx, unit } = change;
  const check: Check | undefined = checksOf(classOf(unit.class_id)).find((one) => one.id === facts.check);
  const ended = await endExemption(trx, { unitId: unit.id, check: facts.check, entryId: id });
  if (ended === null) return refuse('not-found', { check: facts.check });
  await record({ outcome: { words: check?.words ?? facts.check } });
  await openAgain(trx, unit.id, ended, { entryId: id, at: change.at });
};

/** Ends what was said of a check of this unit. Out: the entry that had said it, or null where nobody had. */
export async function endExemption(
  trx: Trx,
  { unitId, check, entryId }: { readonly unitId: number; readonly check: string; readonly entryId: string },
): Promise<string | null> {
  const row = await trx
    .updateTable('not_fitted')
    .set({ ended_by: entryId })
    .where('unit_id', '=', unitId)
    .where('check_id', '=', check)
    .where('ended_by', 'is', null)
    .returning('entry_id')
    .executeTakeFirst();
  return row?.entry_id ?? null;
}

/** What an entry had closed is open again. */
export async function openAgain(
  trx: Trx,
  unitId: number,
  closedBy: string,
  found: { readonly entryId: string; readonly at: Date },
): Promise<void> {
  const rows = await trx.selectFrom('defect').selectAll().where('closed_by', '=', closedBy).execute();
  const again = rows.map((row) => ({
    origin: { kind: row.origin_kind, id: row.origin_id, ...(row.exception === '' ? {} : { exception: row.exception }) },
    ...{ sentence: row.sentence, weight: row.weight, safety: row.safety, caution: row.caution, work: null },
    limits: row.limits,
  }));
  await openDefects(trx, { unitId, ...found }, again);
}
