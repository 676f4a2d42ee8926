import { checksOf, classOf } from '@hudrik/core/catalogue';
import type { CheckIn, NewCheckIn, Opening } from '@hudrik/core/contracts';
import { wasHurried, type Verdict } from '@hudrik/core/verdict';
import type { Actor, Context } from '../context';
import type { Trx, UnitRow } from '../database/tables';
import { record } from '../fleet/history';
import { takeReading, type TakenReading } from '../fleet/meters';
import { refreshReadiness } from '../fleet/refreshReadiness';
import { lockUnit } from '../fleet/units';
import { refuse } from '../refusal';
import { raiseJobs } from '../jobs/raiseJobs';
import { judgeCheckIn, secondsAt } from './judgeCheckIn';
import { newestCheckInId, readOpening } from './opening';
import { readCheckIn } from './readCheckIn';

/**
 * Takes a finished check-in: reading, verdict, jobs, readiness and history in one transaction.
 * Sent twice it is taken once. When somebody else was first, it is refused with what they found, and may come again as a second look.
 */
export async function addCheckIn(context: Context, actor: Actor, sent: NewCheckIn): Promise<CheckIn> {
  await context.db.transaction().execute(async (trx) => {
    const unit = await lockUnit(trx, sent.tag);
    const twice = await trx.selectFrom('check_in').select('unit_id').where('id', '=', sent.id).executeTakeFirst();
    if (twice) return twice.unit_id === unit.id ? undefined : refuse('key-reused', { id: sent.id });
    await mustBeNewest(trx, unit, sent);
    await takeIt(trx, context, { actor, unit, sent });
  });
  return readCheckIn(context, sent.id);
}

async function mustBeNewest(trx: Trx, unit: UnitRow, sent: NewCheckIn): Promise<void> {
  const newest = await newestCheckInId(trx, unit.id);
  const known = sent.secondLookOf ?? sent.basedOn;
  if (newest === known || newest === null) return;
  const first = await trx
    .selectFrom('check_in as c')
    .innerJoin('person as p', 'p.id', 'c.person_id')
    .select(['c.id', 'c.at', 'p.name', 'c.verdict'])
    .where('c.id', '=', newest)
    .executeTakeFirstOrThrow();
  refuse('already-checked-in', {
    id: first.id,
    at: first.at.toISOString(),
    by: first.name,
    result: first.verdict.result,
    reasons: first.verdict.reasons.map((reason) => reason.sentence),
  });
}

interface Sent {
  readonly actor: Actor;
  readonly unit: UnitRow;
  readonly sent: NewCheckIn;
}

async function takeIt(trx: Trx, context: Context, { actor, unit, sent }: Sent): Promise<void> {
  const at = context.now();
  const opening = await readOpening({ db: trx }, unit.tag);
  const hireDays = opening.hire
    ? Math.max((at.getTime() - Date.parse(opening.hire.outAt ?? opening.hire.fromAt)) / 86_400_000, 0.25)
    : 0;
  const taken = await takeReading(trx, { unit, entry: sent.hours, at, hireDays });
  const verdict = judgeCheckIn({
    sent,
    opening,
    trueHours: taken.trueHours,
    unusualOneIn: taken.unusualOneIn,
    role: actor.role,
  });
  // A second look is kept beside the first: the hire that the first ended is over, and a later one is not its to end.
  const hireId = sent.secondLookOf === null ? await endHire(trx, unit.id, at) : null;
  await keep(trx, { actor, unit, sent, at, taken, verdict, hireId });
  await trx.updateTable('unit').set({ fuel_eighths: sent.fuelEighths }).where('id', '=', unit.id).execute();
  const jobIds = await raiseJobs(trx, { unitId: unit.id, checkInId: sent.id, verdict, at });
  const readiness = await refreshReadiness(trx, unit.id, at);
  await record(trx, {
    unitId: unit.id,
    at,
    kind: 'check-in',
    personId: actor.id,
    facts: { ...factsOf(sent, opening, taken, verdict), jobIds, readiness: readiness.readiness },
  });
}

function factsOf(sent: NewCheckIn, opening: Opening, taken: TakenReading, verdict: Verdict): Record<string, unknown> {
  const { stations } = classOf(opening.classId);
  const checks = checksOf(classOf(opening.classId));
  return {
    checkInId: sent.id,
    readingId: String(taken.readingId),
    reading: taken.reading,
    trueHours: taken.trueHours,
    hoursRun: taken.hoursRun,
    meterEvent: sent.hours.meterEvent,
    fuelEighths: sent.fuelEighths,
    reference: opening.hire?.reference ?? null,
    result: verdict.result,
    reasons: verdict.reasons.map((reason) => reason.sentence),
    bill: verdict.bill,
    remarks: sent.remarks,
    secondLookOf: sent.secondLookOf,
    readings: sent.answers.flatMap((answer) =>
      answer.reading
        ? [
            {
              check: answer.check,
              name: checks.find((check) => check.id === answer.check)?.words ?? answer.check,
              ...answer.reading,
            },
          ]
        : [],
    ),
    hurried: stations
      .filter((station) => wasHurried(station, secondsAt(sent, station.id)))
      .map((station) => station.name),
    photos: sent.answers.flatMap((answer) => answer.photos),
  };
}

async function endHire(trx: Trx, unitId: number, at: Date): Promise<number | null> {
  const row = await trx
    .updateTable('hire')
    .set((eb) => ({ state: 'ended', ended_at: at, back_at: eb.fn.coalesce('back_at', eb.val(at)) }))
    .where('unit_id', '=', unitId)
    .where('state', 'in', ['out', 'back'])
    .returning('id')
    .executeTakeFirst();
  return row?.id ?? null;
}

interface Keeping extends Sent {
  readonly at: Date;
  readonly taken: TakenReading;
  readonly verdict: Verdict;
  readonly hireId: number | null;
}

async function keep(trx: Trx, { actor, unit, sent, at, taken, verdict, hireId }: Keeping): Promise<void> {
  await trx
    .insertInto('check_in')
    .values({
      id: sent.id,
      unit_id: unit.id,
      hire_id: hireId,
      person_id: actor.id,
      started_at: sent.startedAt,
      at,
      based_on: sent.basedOn,
      second_look_of: sent.secondLookOf,
      reading_id: taken.readingId,
      fuel_eighths: sent.fuelEighths,
      fuel_tap: sent.fuelTap,
      ended: sent.ended,
      complaint_ids: JSON.stringify(sent.complaintIds),
      missing: JSON.stringify(sent.missing),
      remarks: sent.remarks,
      verdict_result: verdict.result,
      verdict: JSON.stringify(verdict),
      edition: verdict.edition,
    })
    .execute();
  await keepAnswers(trx, sent);
  await trx
    .insertInto('station_pass')
    .values(
      classOf(unit.class_id).stations.map((station) => ({
        check_in_id: sent.id,
        station_id: station.id,
        seconds: secondsAt(sent, station.id),
        hurried: wasHurried(station, secondsAt(sent, station.id)),
      })),
    )
    .execute();
}

async function keepAnswers(trx: Trx, sent: NewCheckIn): Promise<void> {
  if (sent.answers.length === 0) return;
  const photos = [...new Set(sent.answers.flatMap((answer) => answer.photos))];
  const kept =
    photos.length === 0 ? [] : await trx.selectFrom('photo').select('id').where('id', 'in', photos).execute();
  if (kept.length < photos.length)
    refuse('not-valid', { field: 'answers.photos', value: photos.find((id) => !kept.some((row) => row.id === id)) });
  await trx
    .insertInto('check_result')
    .values(
      sent.answers.map((answer) => ({
        check_in_id: sent.id,
        check_id: answer.check,
        result: answer.result,
        exception_id: answer.exception ?? null,
        value: answer.reading?.value ?? null,
        unit: answer.reading?.unit ?? null,
        cause: answer.cause ?? null,
        note: answer.note ?? null,
        photos: answer.photos,
      })),
    )
    .execute();
}
