import { checksOf, classOf } from '@hudrik/core/catalogue';
import { defectsOf } from '@hudrik/core/defects';
import type { Opening } from '@hudrik/core/contracts';
import type { CheckedIn, Facts } from '@hudrik/core/log';
import { HIRE } from '@hudrik/core/states';
import { wasHurried, type Verdict } from '@hudrik/core/verdict';
import type { Trx, UnitRow } from '../database/tables';
import { takeReading, type TakenReading } from '../fleet/meters';
import { raiseJobs } from '../jobs/raiseJobs';
import { closeLookedAt, closeOf } from '../defects/closeDefects';
import { openDefects } from '../defects/openDefects';
import { settleByCheckIn, takeUpAgain } from '../defects/settle';
import { computeReadiness } from '../fleet/computeReadiness';
import type { Taker } from '../log/taking';
import { refuse } from '../refusal';
import { judgeCheckIn, secondsAt } from './judgeCheckIn';
import { newestCheckInId, readOpening } from './opening';
import { verdictOf } from './readCheckIn';

type Sent = Facts<'check-in'>;

const DAY_MS = 86_400_000;
const AHEAD_MS = 5 * 60_000;

/**
 * A return inspection: reading, verdict, jobs and readiness at once. When somebody else was first, it is refused with what they found, and may
 * come again as a second look.
 */
export const takeCheckIn: Taker<'check-in'> = async ({ change, actor, id, facts: sent, record }) => {
  const { trx, unit, at } = change;
  // What a device's clock may be ahead of this one's.
  if (Date.parse(sent.startedAt) > at.getTime() + AHEAD_MS) refuse('not-valid', { field: 'startedAt' });
  await mustFollowNewest(trx, unit, sent);
  await mustHavePhotos(trx, sent);
  const opening = await readOpening({ db: trx, now: () => at }, unit.tag);
  const taken = await takeReading(trx, { unit, entry: sent.hours, at, hireDays: hireDaysOf(opening, at) });
  const verdict = judgeCheckIn({ sent, opening, taken, role: actor.role });
  // A second look is kept beside the first: the hire that the first ended is over, and a later one is not its to end.
  const hireId = sent.secondLookOf === null ? await endHire(trx, unit.id, at) : null;
  await trx
    .insertInto('check_in')
    .values({
      id,
      unit_id: unit.id,
      hire_id: hireId,
      at,
      based_on: sent.basedOn,
      second_look_of: sent.secondLookOf,
      reading_id: taken.readingId,
    })
    .execute();
  await trx.updateTable('unit').set({ fuel_eighths: sent.fuelEighths }).where('id', '=', unit.id).execute();
  const jobIds = await raiseJobs(trx, { unitId: unit.id, checkInId: id, verdict, at });
  const settling = { unit, actor, entryId: id, at, sent };
  await settleByCheckIn(trx, settling);
  await closeLookedAt(trx, { unitId: unit.id, entryId: id, at }, sent.answers);
  await closeOf(trx, { unitId: unit.id, kind: 'unit' }, { entryId: id, how: 'looked-at', at });
  await openDefects(trx, { unitId: unit.id, entryId: id, at }, defectsOf(verdict));
  await takeUpAgain(trx, settling);
  const { readiness } = await computeReadiness(trx, unit.id);
  await record({ outcome: { ...outcomeOf(sent, opening, taken, verdict), jobIds, readiness } });
};

/** Days that the reading may have run over: those of the hire that ends. */
const hireDaysOf = ({ hire }: Opening, at: Date): number =>
  hire ? Math.max((at.getTime() - Date.parse(hire.outAt ?? hire.fromAt)) / DAY_MS, 0.25) : 0;

async function mustFollowNewest(trx: Trx, unit: UnitRow, sent: Sent): Promise<void> {
  const newest = await newestCheckInId(trx, unit.id);
  const known = sent.secondLookOf ?? sent.basedOn;
  if (newest === known || newest === null) return;
  const first = await trx
    .selectFrom('log_entry as l')
    .leftJoin('person as p', 'p.id', 'l.person_id')
    .select(['l.id', 'l.at', 'p.name'])
    .where('l.id', '=', newest)
    .executeTakeFirstOrThrow();
  const verdict = await verdictOf(trx, newest);
  refuse('already-checked-in', {
    id: first.id,
    at: first.at.toISOString(),
    by: first.name,
    result: verdict?.result,
    reasons: verdict?.reasons.map((reason) => reason.sentence) ?? [],
  });
}

/** Photos come before the check-in that names them. */
async function mustHavePhotos(trx: Trx, sent: Sent): Promise<void> {
  const photos = [...new Set(sent.answers.flatMap((answer) => answer.photos))];
  if (photos.length === 0) return;
  const kept = await trx.selectFrom('photo').select('id').where('id', 'in', photos).execute();
  const missing = photos.find((id) => !kept.some((row) => row.id === id));
  if (missing !== undefined) refuse('not-valid', { field: 'answers.photos', value: missing });
}

async function endHire(trx: Trx, unitId: number, at: Date): Promise<number | null> {
  const row = await trx
    .updateTable('hire')
    .set((eb) => ({ state: 'ended', ended_at: at, back_at: eb.fn.coalesce('back_at', eb.val(at)) }))
    .where('unit_id', '=', unitId)
    .where('state', 'in', HIRE.from('check-in'))
    .returning('id')
    .executeTakeFirst();
  return row?.id ?? null;
}

function outcomeOf(
  sent: Sent,
  opening: Opening,
  taken: TakenReading,
  verdict: Verdict,
): Omit<CheckedIn, 'jobIds' | 'readiness'> {
  const machineClass = classOf(opening.classId);
  const checks = checksOf(machineClass);
  const hurried = machineClass.stations.filter((station) => wasHurried(station, secondsAt(sent, station.id)));
  const nameOf = (check: string): string => checks.find((entry) => entry.id === check)?.words ?? check;
  return {
    readingId: String(taken.readingId),
    reading: taken.reading,
    trueHours: taken.trueHours,
    hoursRun: taken.hoursRun,
    reference: opening.hire?.reference ?? null,
    verdict,
    hurried: hurried.map((station) => station.name),
    hurriedStations: hurried.map((station) => station.id),
    readings: sent.answers.flatMap(({ check, reading }) => (reading ? [{ name: nameOf(check), ...reading }] : [])),
  };
}
