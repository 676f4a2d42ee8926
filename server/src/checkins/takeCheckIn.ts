import { checksOf, classOf } from '@hudrik/core/catalogue';
import { defectsOf, HOURS_NOT_READ, type FoundDefect } from '@hudrik/core/defects';
import type { Opening } from '@hudrik/core/contracts';
import { lateBecause, type Aside, type CheckedIn, type Facts, type LateBecause } from '@hudrik/core/log';
import { HIRE } from '@hudrik/core/states';
import { asLooked, wasHurried, type Verdict } from '@hudrik/core/verdict';
import type { Trx } from '../database/tables';
import { limitsOfCheck } from '../defects/withinLimits';
import { closeLookedAt, closeOf } from '../defects/closeDefects';
import { openDefects } from '../defects/openDefects';
import { answerDangers, settleByCheckIn, takeUpAgain, type Settling } from '../defects/settle';
import { endExemption, openAgain } from '../defects/takeDefect';
import { computeReadiness } from '../fleet/computeReadiness';
import { takeReading, type TakenReading } from '../fleet/meters';
import { raiseJobs } from '../jobs/raiseJobs';
import type { Taker, Taking } from '../log/taking';
import { Refusal } from '../refusal';
import { classOfUnit } from './classOfUnit';
import { judgeCheckIn, secondsAt } from './judgeCheckIn';
import { newestCheckInId, readOpening } from './opening';
import { turnsOf } from './turnsOf';

type Sent = Facts<'check-in'>;

const DAY_MS = 86_400_000;

/**
 * A return inspection: reading, verdict, jobs and readiness at once. It ends a hire that was handed out before it was begun, and clears "not looked
 * at", only if nothing lies between: else it is kept as a look of its own time, whose defects count and which closes nothing. What of it does not fit
 * is set aside and told; it is never refused for its reading, its base or one settlement.
 */
export const takeCheckIn: Taker<'check-in'> = async (taking) => {
  const { change, actor, id, at, facts: sent, record } = taking;
  const { trx, unit } = change;
  const began = new Date(Math.min(Date.parse(sent.startedAt), at.getTime()));
  const late = lateBecause(began.toISOString(), taking.timing, await turnsOf(trx, unit.id));
  const stands = late === null;
  await foundAfterAll(trx, taking);
  const aside: Aside[] = await missingPhotos(trx, sent);
  const opening = openingFor(await readOpening({ db: trx, now: () => change.at }, unit.tag), stands);
  const first = await firstOf(trx, unit.id, sent, began);
  const taken = await readingOf(taking, opening, stands, aside);
  const verdict = judgeCheckIn({ sent, opening, taken: taken ?? asLast(opening), role: actor.role });
  const look: Look = { began, stands, first, opening, taken, verdict };
  await keepLook(taking, look);
  const jobIds = await raiseJobs(trx, { unitId: unit.id, checkInId: id, verdict, at });
  aside.push(...(await whatItChanges(taking, look)));
  const { readiness } = await computeReadiness(trx, unit.id);
  const second = first === null ? {} : { secondLookOf: first };
  const came = outcomeOf(sent, opening, taken, verdict);
  await record({ outcome: { ...came, ...second, ...lateness(late), ...asideOf(aside), jobIds, readiness } });
};

interface Look {
  readonly began: Date;
  /** As the return of its unit; else it is a look of its own time. */
  readonly stands: boolean;
  /** The check-in of the same return that was first. */
  readonly first: string | null;
  readonly opening: Opening;
  readonly taken: TakenReading | null;
  readonly verdict: Verdict;
}

async function keepLook({ change: { trx, unit }, id, at, facts }: Taking<'check-in'>, look: Look): Promise<void> {
  const { began, stands, first, taken } = look;
  // One that is not of this unit, or not here, it is not based on.
  const base =
    facts.basedOn === null
      ? undefined
      : await trx
          .selectFrom('check_in')
          .select('id')
          .where('id', '=', facts.basedOn)
          .where('unit_id', '=', unit.id)
          .executeTakeFirst();
  await trx
    .insertInto('check_in')
    .values({
      ...{ id, unit_id: unit.id, at, began_at: began, stands, based_on: base?.id ?? null, second_look_of: first },
      hire_id: stands ? await endHire(trx, unit.id, began, at) : null,
      reading_id: taken?.readingId ?? null,
    })
    .execute();
}

/** What it closes, where it stands, and what it opens. Out: what of it does not fit. */
async function whatItChanges(taking: Taking<'check-in'>, look: Look): Promise<Aside[]> {
  const { change, actor, id, at, facts: sent } = taking;
  const { trx, unit } = change;
  const { stands, taken, opening, verdict } = look;
  const settling = { unit, actor, entryId: id, at: look.began, closedAt: change.at, sent };
  const aside = stands ? await closeByLook(taking, look, settling) : [];
  await openDefects(trx, { unitId: unit.id, entryId: id, at }, [
    ...withLimits(defectsOf(verdict), opening),
    ...(taken === null && stands ? [HOURS_NOT_READ] : []),
  ]);
  const again = await takeUpAgain(trx, settling);
  return [...aside, ...again, ...(stands ? await answerDangers(trx, settling) : [])];
}

async function closeByLook(
  { change: { trx, unit, at }, id, facts: sent }: Taking<'check-in'>,
  { began, taken }: Look,
  settling: Settling,
): Promise<Aside[]> {
  const aside = await settleByCheckIn(trx, settling);
  const seen = { entryId: id, how: 'looked-at', at } as const;
  if (taken !== null) await closeOf(trx, { unitId: unit.id, kind: 'hours' }, seen);
  await closeLookedAt(trx, { unit, entryId: id, at, seenAt: began }, sent.answers);
  await closeOf(trx, { unitId: unit.id, kind: 'unit', seenBy: began }, seen);
  return aside;
}

const lateness = (late: LateBecause | null) => (late === null ? {} : { late });
const asideOf = (aside: readonly Aside[]) => (aside.length === 0 ? {} : { aside });

/** Of a look of its own time nothing is compared with how it went out, or goes out next. */
const openingFor = (opening: Opening, stands: boolean): Opening =>
  stands ? opening : { ...opening, hire: null, nextHire: null, wentOut: null };

/** Days that the reading may have run over: those of the hire that ends. */
const hireDaysOf = ({ hire }: Opening, at: Date): number =>
  hire ? Math.max((at.getTime() - Date.parse(hire.outAt ?? hire.fromAt)) / DAY_MS, 0.25) : 0;

/** The check-in of the same return that was first, where its maker did not know of it; null: this is the first. */
async function firstOf(trx: Trx, unitId: number, sent: Sent, began: Date): Promise<string | null> {
  const newest = await newestCheckInId(trx, unitId);
  if (newest === null || newest === sent.basedOn) return null;
  if (sent.secondLookOf === newest) return newest;
  const { at } = await trx.selectFrom('check_in').select('at').where('id', '=', newest).executeTakeFirstOrThrow();
  const turned = (await turnsOf(trx, unitId)).some(
    (turn) => turn.at > at.toISOString() && turn.at <= began.toISOString(),
  );
  return turned ? null : newest;
}

/** Photos come before the check-in that names them; one that is not there any more is told. */
async function missingPhotos(trx: Trx, sent: Sent): Promise<Aside[]> {
  const photos = [...new Set(sent.answers.flatMap((answer) => answer.photos))];
  if (photos.length === 0) return [];
  const kept = await trx.selectFrom('photo').select('id').where('id', 'in', photos).execute();
  return photos
    .filter((photoId) => !kept.some((row) => row.id === photoId))
    .map((photoId) => ({ part: 'photo', photoId }));
}

/** The reading as it was taken; null where it does not fit, which is set aside. That of a look of its own time is kept with it, and not taken. */
async function readingOf(
  { change: { trx, unit }, at, facts: sent }: Taking<'check-in'>,
  opening: Opening,
  stands: boolean,
  aside: Aside[],
): Promise<TakenReading | null> {
  if (!stands) return null;
  try {
    return await takeReading(trx, { unit, entry: sent.hours, at, hireDays: hireDaysOf(opening, at) });
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    aside.push({ part: 'hours', code: error.code });
    return null;
  }
}

const asLast = ({ trueHours }: Opening) => ({ trueHours, unusualOneIn: 0 });

/** Ends the hire that was handed out before this was begun. */
async function endHire(trx: Trx, unitId: number, began: Date, at: Date): Promise<number | null> {
  const row = await trx
    .updateTable('hire')
    .set((eb) => ({ state: 'ended', ended_at: at, back_at: eb.fn.coalesce('back_at', eb.val(at)) }))
    .where('unit_id', '=', unitId)
    .where('state', 'in', HIRE.from('check-in'))
    .where('out_at', '<=', began)
    .returning('id')
    .executeTakeFirst();
  return row?.id ?? null;
}

/** What was found by a figure keeps the limits of the day. */
function withLimits(found: readonly FoundDefect[], opening: Opening): FoundDefect[] {
  const checks = checksOf(classOfUnit(opening));
  return found.map((defect) => {
    const check = defect.origin.kind === 'check' ? checks.find((one) => one.id === defect.origin.id) : undefined;
    return check ? { ...defect, limits: limitsOfCheck(check) } : defect;
  });
}

/** What was said not to be on this unit, and was looked at all the same, is on it: it is asked again, and what it had found is open. */
async function foundAfterAll(trx: Trx, { change, id, at, facts }: Taking<'check-in'>): Promise<void> {
  const looked = facts.answers.map(asLooked).filter(({ result }) => result === 'ok' || result === 'not-ok');
  for (const { check } of looked) {
    const ended = await endExemption(trx, { unitId: change.unit.id, check, entryId: id });
    if (ended !== null) await openAgain(trx, change.unit.id, ended, { entryId: id, at });
  }
}

function outcomeOf(
  sent: Sent,
  opening: Opening,
  taken: TakenReading | null,
  verdict: Verdict,
): Omit<CheckedIn, 'jobIds' | 'readiness'> {
  const machineClass = classOf(opening.classId);
  const checks = checksOf(machineClass);
  const hurried = machineClass.stations.filter((station) => wasHurried(station, secondsAt(sent, station.id)));
  const nameOf = (check: string): string => checks.find((entry) => entry.id === check)?.words ?? check;
  return {
    readingId: taken === null ? null : String(taken.readingId),
    reading: taken?.reading ?? opening.lastReading,
    trueHours: taken?.trueHours ?? opening.trueHours,
    hoursRun: taken?.hoursRun ?? 0,
    reference: opening.hire?.reference ?? null,
    verdict,
    hurried: hurried.map((station) => station.name),
    hurriedStations: hurried.map((station) => station.id),
    readings: sent.answers.flatMap(({ check, reading }) => (reading ? [{ name: nameOf(check), ...reading }] : [])),
  };
}
