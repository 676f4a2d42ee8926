import { checksOf, folderOf, type Check } from '@hudrik/core/catalogue';
import type { FoundDefect, LimitsInForce } from '@hudrik/core/defects';
import { isOf } from '@hudrik/core/log';
import { entriesOfProof, verdictOf } from '@hudrik/core/proof';
import { classFor, planFor, ratedOf } from '@hudrik/core/ratings';
import { exceptionOf } from '@hudrik/core/verdict';
import { convertValue } from '@hudrik/core/units';
import type { Trx, UnitRow } from '../database/tables';
import { newestCheckInId } from '../checkins/opening';
import { limitsOfCheck } from '../defects/withinLimits';
import { ratingsOfUnit } from '../fleet/models';
import { entriesOfVisit, visitOfJob } from '../visits/visits';

/** What was measured of a unit at its newest return and in its last passed proof, held against its figures as they are now. Nothing is written. */
export async function judgeUnitAnew(trx: Trx, unit: UnitRow): Promise<FoundDefect[]> {
  const folder = folderOf(unit.class_id);
  const own = await ratingsOfUnit(trx, unit);
  const rated = ratedOf(folder.rated, own.model, own.unit);
  const checks = checksOf(classFor(folder.machineClass, folder.rated, rated));
  const plan = planFor(folder.proof, folder.rated, rated);
  return [...(await atReturn(trx, unit.id, checks)), ...(await inProof(trx, unit.id, plan.readings))];
}

async function atReturn(trx: Trx, unitId: number, checks: readonly Check[]): Promise<FoundDefect[]> {
  const id = await newestCheckInId(trx, unitId);
  const row =
    id &&
    (await trx.selectFrom('log_entry').select(['kind', 'facts', 'outcome']).where('id', '=', id).executeTakeFirst());
  if (!row || !isOf(row, 'check-in')) return [];
  return row.facts.answers.flatMap((answer): FoundDefect[] => {
    const check = checks.find((one) => one.id === answer.check);
    if (check?.measured === undefined || answer.reading === undefined) return [];
    const exception = exceptionOf(check, { check: check.id, result: 'ok', reading: answer.reading });
    if (exception === undefined || exception.consequence === 'note') return [];
    return [
      {
        origin: { kind: 'check', id: check.id, exception: exception.id },
        sentence: exception.sentence,
        weight: exception.consequence === 'hold' ? 'hold' : 'prep',
        ...{ safety: check.kind === 'safety', caution: exception.caution ?? null },
        ...{ work: exception.raises?.work ?? null, limits: limitsOfCheck(check) },
      },
    ];
  });
}

type Reading = Parameters<typeof verdictOf>[0];

async function inProof(trx: Trx, unitId: number, readings: readonly Reading[]): Promise<FoundDefect[]> {
  const proved = await trx
    .selectFrom('log_entry')
    .select(['id', 'job_id'])
    .where('unit_id', '=', unitId)
    .where('kind', '=', 'proved')
    .where((eb) => eb(eb.ref('facts', '->>').key('passed'), '=', 'true'))
    .orderBy('place', 'desc')
    .limit(1)
    .executeTakeFirst();
  if (proved?.job_id == null) return [];
  const entries = await entriesOfVisit(trx, (await visitOfJob(trx, proved.job_id)).id);
  const own = entriesOfProof(
    entries.slice(
      0,
      entries.findIndex((entry) => entry.id === proved.id),
    ),
  );
  return readings.flatMap((reading): FoundDefect[] => {
    const last = own.findLast((entry) => isOf(entry, 'proof-reading') && entry.facts.reading === reading.id);
    if (last === undefined || !isOf(last, 'proof-reading')) return [];
    const value = convertValue(last.facts.value, last.facts.unit ?? reading.unit, reading.unit);
    return verdictOf(reading, value) === 'well' ? [] : [outside(reading, value)];
  });
}

/** A reading of a proof that is outside its limits. */
export function outside(reading: Reading, value: number, work: string | null = null): FoundDefect {
  const { rating, least, most, unit } = reading;
  const limits: LimitsInForce = { rating: rating ?? null, least: least ?? null, most: most ?? null, unit };
  const is = verdictOf(reading, value) === 'low' ? 'too low' : 'too high';
  return {
    origin: { kind: 'reading', id: reading.id },
    sentence: `${reading.name} ${is} in the run: ${Math.round(value * 100) / 100} ${unit}.`,
    weight: 'hold',
    ...{ safety: false, caution: null, work, limits },
  };
}
