import { DERIVED_FINDINGS, type FactName } from '@hudrik/core/catalogue';
import type { Facts } from '@hudrik/core/log';
import { sql } from 'kysely';
import type { Actor } from '../context';
import type { Db, DefectRow, Trx, UnitRow } from '../database/tables';
import { unitFacts } from '../fleet/unitFacts';
import { refuse } from '../refusal';
import { closeDefects } from './closeDefects';
import { mustClose, originOf } from './lookedAt';
import { openDefects } from './openDefects';

interface Settling {
  readonly unit: UnitRow;
  readonly actor: Actor;
  readonly entryId: string;
  readonly at: Date;
  readonly sent: Pick<Facts<'check-in'>, 'answers' | 'settled' | 'again'>;
}

/** What a check found before and is in order at this return: put right, or it was all right. A technician says so, and why. */
export async function settleByCheckIn(trx: Trx, { unit, actor, entryId, at, sent }: Settling): Promise<void> {
  for (const { defectId, how } of sent.settled ?? []) {
    if (actor.role === 'apprentice') refuse('not-your-role', { role: actor.role, wants: ['technician', 'lead'] });
    const defect = await trx
      .selectFrom('defect')
      .selectAll()
      .where('id', '=', defectId)
      .where('unit_id', '=', unit.id)
      .executeTakeFirst();
    if (defect === undefined) return refuse('not-found', { defect: defectId });
    // Somebody closed it meanwhile: it is settled.
    if (defect.closed_at !== null) continue;
    const answer = sent.answers.find((one) => one.check === defect.origin_id);
    if (defect.origin_kind !== 'check' || answer?.result !== 'ok') return refuse('not-valid', { field: 'settled' });
    await mustClose(trx, defect, { unit, at, how, measured: answer.reading });
    await closeDefects(trx, [defectId], { entryId, how, at });
  }
}

/** What was not found, or is lived with: where it showed again it is open again. */
export async function takeUpAgain(trx: Trx, { unit, entryId, at, sent }: Settling): Promise<void> {
  for (const { defectId, showed } of sent.again ?? []) {
    if (!showed) continue;
    const row = await trx
      .selectFrom('defect')
      .selectAll()
      .where('id', '=', defectId)
      .where('unit_id', '=', unit.id)
      .where('closed_at', 'is not', null)
      .executeTakeFirst();
    if (row === undefined) return refuse('not-valid', { field: 'again', value: defectId });
    const { sentence, weight, safety, caution } = row;
    const again = { origin: originOf(row), sentence, weight, safety, caution, work: null };
    await openDefects(trx, { unitId: unit.id, entryId, at }, [again]);
  }
}

/** What each check-in asks about: what was not found until it was asked once, what is lived with as long as it is. */
export const askedAgain = (db: Db, unitId: number): Promise<DefectRow[]> =>
  db
    .selectFrom('defect as d')
    .selectAll()
    .where('d.unit_id', '=', unitId)
    .where('d.closed_how', 'in', ['not-found', 'lived-with'])
    .where((eb) =>
      eb.not(
        eb.exists(
          eb
            .selectFrom('log_entry as l')
            .select('l.id')
            .whereRef('l.unit_id', '=', 'd.unit_id')
            .where('l.kind', '=', 'check-in')
            .whereRef('l.at', '>', 'd.closed_at')
            .where(
              sql<boolean>`l.facts -> 'again' @> jsonb_build_array(jsonb_build_object('defectId', d.id::text)
                || case when d.closed_how = 'lived-with' then '{"showed": true}'::jsonb else '{}'::jsonb end)`,
            ),
        ),
      ),
    )
    .orderBy('d.closed_at')
    .execute();

/** A corrected reading or a cancelled hire undoes what only its figures said: that is closed by it. */
export async function closeUndone(
  trx: Trx,
  { unitId, entryId, at }: { readonly unitId: number; readonly entryId: string; readonly at: Date },
): Promise<void> {
  const open = await trx
    .selectFrom('defect')
    .select(['id', 'origin_id'])
    .where('unit_id', '=', unitId)
    .where('origin_kind', '=', 'derived')
    .where('closed_at', 'is', null)
    .execute();
  if (open.length === 0) return;
  const facts = await unitFacts(trx, unitId);
  const undone = open.filter(({ origin_id: id }) => isUndone(id, facts)).map((row) => row.id);
  await closeDefects(trx, undone, { entryId, how: 'undone', at });
}

/** By its figures alone it would not be found now. What a look found stays. */
function isUndone(id: string, facts: Readonly<Partial<Record<FactName, number>>>): boolean {
  const rule = DERIVED_FINDINGS.find((one) => one.id === id);
  return (
    rule?.when.some((condition) => {
      if (!('fact' in condition)) return false;
      const value = facts[condition.fact];
      if (value === undefined) return condition.fact === 'hoursToOilServiceAfterNextHire';
      return 'below' in condition ? value >= condition.below : value < condition.atLeast;
    }) ?? false
  );
}
