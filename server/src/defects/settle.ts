import { DERIVED_FINDINGS, type FactName } from '@hudrik/core/catalogue';
import { SIGNS_OFF } from '@hudrik/core/contracts';
import type { FoundDefect } from '@hudrik/core/defects';
import type { Aside, Facts } from '@hudrik/core/log';
import { sql } from 'kysely';
import type { Actor } from '../context';
import type { Db, DefectRow, Trx, UnitRow } from '../database/tables';
import { unitFacts } from '../fleet/unitFacts';
import { Refusal, refuse } from '../refusal';
import { closeDefects } from './closeDefects';
import { mustClose, originOf } from './lookedAt';
import { openDefects } from './openDefects';

export interface Settling {
  readonly unit: UnitRow;
  readonly actor: Actor;
  readonly entryId: string;
  /** When the look was begun: what was seen after that, it does not speak of. */
  readonly at: Date;
  readonly closedAt: Date;
  readonly sent: Pick<Facts<'check-in'>, 'answers' | 'settled' | 'again' | 'dangers'>;
}

/**
 * What a check found before and is in order at this return: put right, or it was all right. A technician says so, and why. What does not fit stays
 * open, and is told. Out: that.
 */
export async function settleByCheckIn(trx: Trx, settling: Settling): Promise<Aside[]> {
  const aside: Aside[] = [];
  for (const said of settling.sent.settled ?? []) {
    const defect = await defectOfUnit(trx, settling.unit.id, said.defectId);
    // Somebody closed it meanwhile: it is settled.
    if (defect === undefined || defect.closed_at !== null) continue;
    try {
      await settle(trx, settling, said.how, defect);
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      aside.push({ part: 'settlement', code: error.code, defectId: defect.id, sentence: defect.sentence });
    }
  }
  return aside;
}

async function settle(
  trx: Trx,
  { unit, actor, entryId, at, closedAt, sent }: Settling,
  how: 'put-right' | 'was-all-right',
  defect: DefectRow,
): Promise<void> {
  if (actor.role === 'apprentice') refuse('not-your-role', { role: actor.role, wants: SIGNS_OFF });
  const answer = sent.answers.find((one) => one.check === defect.origin_id);
  if (defect.origin_kind !== 'check' || answer?.result !== 'ok') return refuse('not-valid', { field: 'settled' });
  await mustClose(trx, defect, { unit, at, how, measured: answer.reading, byLead: actor.role === 'lead' });
  await closeDefects(trx, [defect.id], { entryId, how, at: closedAt });
}

const defectOfUnit = (trx: Trx, unitId: number, defectId: string): Promise<DefectRow | undefined> =>
  trx.selectFrom('defect').selectAll().where('id', '=', defectId).where('unit_id', '=', unitId).executeTakeFirst();

/** What was not found, or is lived with: where it showed again it is open again. Out: what is not there to be asked about. */
export async function takeUpAgain(trx: Trx, { unit, entryId, closedAt, at, sent }: Settling): Promise<Aside[]> {
  const aside: Aside[] = [];
  for (const { defectId, showed } of sent.again ?? []) {
    if (!showed) continue;
    const row = await defectOfUnit(trx, unit.id, defectId);
    if (row === undefined) aside.push({ part: 'again', defectId });
    // Open again already: it is seen once more.
    else await openDefects(trx, { unitId: unit.id, entryId, at: row.closed_at === null ? at : closedAt }, [again(row)]);
  }
  return aside;
}

const again = (row: DefectRow): FoundDefect => ({
  ...{ origin: originOf(row), sentence: row.sentence, weight: row.weight, safety: row.safety },
  ...{ caution: row.caution, work: null, limits: row.limits },
});

/** What was told and is dangerous is answered by the check-in that follows: shown again it is seen once more; unanswered it is told. */
export async function answerDangers(trx: Trx, { unit, entryId, at, sent }: Settling): Promise<Aside[]> {
  const told = await trx
    .selectFrom('defect')
    .selectAll()
    .where('unit_id', '=', unit.id)
    .where('origin_kind', '=', 'told')
    .where('safety', '=', true)
    .where('closed_at', 'is', null)
    .where('found_at', '<=', at)
    .execute();
  const answers = new Map((sent.dangers ?? []).map((one) => [one.defectId, one.showed]));
  const shown = told.filter(({ id }) => answers.get(id) === 'yes');
  await openDefects(trx, { unitId: unit.id, entryId, at }, shown.map(again));
  return told
    .filter(({ id }) => !answers.has(id))
    .map(({ id: defectId, sentence }) => ({ part: 'danger', defectId, sentence }));
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
