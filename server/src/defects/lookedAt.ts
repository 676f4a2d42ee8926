import {
  checksOf,
  classOf,
  CLOCKS,
  DERIVED_FINDINGS,
  entryOf,
  FAULTS,
  folderOf,
  type Check,
} from '@hudrik/core/catalogue';
import { lookRefusal, type DefectEnd, type DefectOrigin } from '@hudrik/core/defects';
import { cardOf } from '@hudrik/core/log';
import type { Proof } from '@hudrik/core/proof';
import { measuredFor, ratedOf } from '@hudrik/core/ratings';
import { exceptionOf } from '@hudrik/core/verdict';
import type { DefectRow, Trx, UnitRow } from '../database/tables';
import { ratingsOfUnit } from '../fleet/models';
import { refuse } from '../refusal';
import { entriesOfVisit, findOpenVisit } from '../visits/visits';

interface Measured {
  readonly value: number;
  readonly unit: string;
}

interface Look {
  readonly unit: UnitRow;
  /** When it was made. */
  readonly at: Date;
  readonly how: DefectEnd;
  readonly measured?: Measured | undefined;
  /** All that is put right by one signature, where it is part of one. */
  readonly signed?: readonly DefectRow[];
  /** It is part of a proof that has passed. */
  readonly proof?: Proof | undefined;
}

export const originOf = (row: Pick<DefectRow, 'origin_kind' | 'origin_id' | 'exception'>): DefectOrigin => ({
  kind: row.origin_kind,
  id: row.origin_id,
  ...(row.exception === '' ? {} : { exception: row.exception }),
});

/** Refused where a look, or a signature under a proof, may not close this defect as it stands. */
export async function mustClose(trx: Trx, defect: DefectRow, look: Look): Promise<void> {
  const check = await checkOf(trx, defect, look.unit);
  const refused = look.proof
    ? null
    : lookRefusal(
        { origin: originOf(defect), sentence: defect.sentence, seenAt: defect.seen_at.toISOString() },
        {
          at: look.at.toISOString(),
          how: look.how,
          off: await offOf(trx, look.unit.id),
          system: check?.system,
          signsWork: look.signed !== undefined,
        },
      );
  if (refused) refuse(refused.code, { ...refused, sentence: defect.sentence });
  if (look.how !== 'put-right') return;
  if (check) mustBeWithin(defect, check, look);
  await mustBeShown(trx, defect, look.signed ?? []);
}

/** The check that found it, with this unit's limits; nothing for what no check of today finds. */
async function checkOf(trx: Trx, defect: DefectRow, unit: UnitRow): Promise<Check | undefined> {
  if (defect.origin_kind !== 'check') return undefined;
  const check = checksOf(classOf(unit.class_id)).find((one) => one.id === defect.origin_id);
  if (check?.measured === undefined) return check;
  const { rated } = folderOf(unit.class_id);
  const own = await ratingsOfUnit(trx, unit);
  return measuredFor(check, rated, ratedOf(rated, own.model, own.unit));
}

async function offOf(trx: Trx, unitId: number): Promise<{ what: string; system?: string | undefined }[]> {
  const visit = await findOpenVisit(trx, unitId);
  if (visit === undefined) return [];
  const { ledger } = cardOf(await entriesOfVisit(trx, visit.id));
  return [...ledger.putBack, ...ledger.onTrial];
}

/** What was found by a number is closed by a number inside the limit: typed at the look, or taken in the run. */
function mustBeWithin(defect: DefectRow, check: Check, { measured, proof }: Look): void {
  const limits = check.measured;
  if (limits === undefined) return;
  const inRun = proof?.readings.some(
    ({ reading, verdict }) => reading.rating !== undefined && reading.rating === limits.rating && verdict === 'well',
  );
  if (inRun === true) return;
  if (measured === undefined)
    return refuse('needs-number', { id: defect.id, sentence: defect.sentence, check: check.words, unit: limits.unit });
  const found = exceptionOf(check, { check: check.id, result: 'ok', reading: measured });
  if (found) refuse('not-in-limit', { id: defect.id, sentence: found.sentence });
}

/** Some findings want more than a look: a wait that ended well, or the cause put right. */
async function mustBeShown(trx: Trx, defect: DefectRow, signed: readonly DefectRow[]): Promise<void> {
  if (defect.origin_kind !== 'derived') return;
  const wants = DERIVED_FINDINGS.find((rule) => rule.id === defect.origin_id)?.closesBy;
  if (wants === undefined) return;
  const { results, name } = CLOCKS[wants.clock];
  const good = Object.keys(results).filter((id) => results[id]?.[1] === true);
  const waited = await trx
    .selectFrom('clock')
    .select('id')
    .where('unit_id', '=', defect.unit_id)
    .where('kind', '=', wants.clock)
    .where('result', 'in', good)
    .where('ended_at', '>=', defect.found_at)
    .executeTakeFirst();
  if (waited) return;
  const causes = await trx
    .selectFrom('defect')
    .select(['id', 'origin_id', 'closed_how'])
    .where('unit_id', '=', defect.unit_id)
    .where('origin_kind', '=', 'cause')
    .where('seen_at', '>=', defect.found_at)
    .execute();
  const isRight = ({ id, closed_how: how }: (typeof causes)[number]): boolean =>
    how === 'put-right' || signed.some((one) => one.id === id);
  if (causes.some((cause) => entryOf(FAULTS, cause.origin_id)?.family === wants.orFamily && isRight(cause))) return;
  refuse('not-shown-yet', { id: defect.id, sentence: defect.sentence, wants: name });
}
