import { checksOf, classOf } from '@hudrik/core/catalogue';
import { NOT_LOOKED_AT, NOT_POSSIBLE, type DefectEnd, type DefectOrigin } from '@hudrik/core/defects';
import { asLooked, type Answer } from '@hudrik/core/verdict';
import type { Trx, UnitRow } from '../database/tables';
import { workedAt } from './workedAt';

interface Closing {
  readonly entryId: string;
  readonly how: DefectEnd;
  readonly at: Date;
}

/** Closes defects with the entry that says so. */
export async function closeDefects(trx: Trx, ids: readonly string[], { entryId, how, at }: Closing): Promise<void> {
  if (ids.length === 0) return;
  await trx
    .updateTable('defect')
    .set({ closed_at: at, closed_by: entryId, closed_how: how })
    .where('id', 'in', [...ids])
    .where('closed_at', 'is', null)
    .execute();
}

interface Of {
  readonly unitId: number;
  readonly kind: Exclude<DefectOrigin['kind'], 'told' | 'cause' | 'by-hand' | 'kit'>;
  readonly ids?: readonly string[];
  /** Only what this entry has found. */
  readonly foundBy?: string;
  /** Only what was seen by then: a look closes nothing that was seen after it. */
  readonly seenBy?: Date;
  /** Not what can hurt. */
  readonly harmless?: boolean;
}

/** Closes what is open of a unit from such an origin. Out: the sentences of what was closed. */
export async function closeOf(
  trx: Trx,
  { unitId, kind, ids, foundBy, seenBy, harmless }: Of,
  closing: Closing,
): Promise<string[]> {
  if (ids?.length === 0) return [];
  const rows = await trx
    .selectFrom('defect')
    .select(['id', 'sentence'])
    .where('unit_id', '=', unitId)
    .where('origin_kind', '=', kind)
    .$if(ids !== undefined, (query) => query.where('origin_id', 'in', [...(ids ?? [])]))
    .$if(foundBy !== undefined, (query) => query.where('found_by', '=', foundBy ?? null))
    .$if(seenBy !== undefined, (query) => query.where('seen_at', '<=', seenBy ?? null))
    .$if(harmless === true, (query) => query.where('safety', '=', false))
    .where('closed_at', 'is', null)
    .execute();
  await closeDefects(
    trx,
    rows.map((row) => row.id),
    closing,
  );
  return rows.map((row) => row.sentence);
}

interface Looked {
  readonly unit: Pick<UnitRow, 'id' | 'class_id'>;
  readonly entryId: string;
  readonly at: Date;
  /** When the look was begun. */
  readonly seenAt: Date;
}

/**
 * A check that nobody could look at, or make, is looked at now: that defect is closed, unless what it looks at was worked on since the look was
 * begun. What was found instead opens its own.
 */
export async function closeLookedAt(
  trx: Trx,
  { unit, entryId, at, seenAt }: Looked,
  answers: readonly Pick<Answer, 'check' | 'result' | 'reading'>[],
): Promise<void> {
  const asked = answers.map(asLooked).filter((answer) => answer.result === 'ok' || answer.result === 'not-ok');
  const checks = checksOf(classOf(unit.class_id));
  const waiting = await trx
    .selectFrom('defect')
    .select(['id', 'origin_id'])
    .where('unit_id', '=', unit.id)
    .where('origin_kind', '=', 'check')
    .where('origin_id', 'in', ['', ...asked.map((answer) => answer.check)])
    .where('exception', 'in', [NOT_LOOKED_AT, NOT_POSSIBLE])
    .where('seen_at', '<=', seenAt)
    .where('closed_at', 'is', null)
    .execute();
  for (const { id, origin_id: checkId } of waiting) {
    const system = checks.find((check) => check.id === checkId)?.system;
    if ((await workedAt(trx, unit.id, seenAt, system)) === null)
      await closeDefects(trx, [id], { entryId, how: 'looked-at', at });
  }
}
