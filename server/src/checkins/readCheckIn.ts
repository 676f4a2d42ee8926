import type { CheckIn } from '@hudrik/core/contracts';
import type { CheckedIn, Facts } from '@hudrik/core/log';
import type { Verdict } from '@hudrik/core/verdict';
import type { Context } from '../context';
import type { Db } from '../database/tables';
import { isUuid } from '../isUuid';
import { refuse } from '../refusal';
import { isOf, isCheckedIn } from '@hudrik/core/log';

/** What a check-in came to, as its entry in the log keeps it: facts and outcome were checked when it was taken. */
async function checkInEntry(db: Db, id: string): Promise<{ facts: Facts<'check-in'>; outcome: CheckedIn } | undefined> {
  const row = await db
    .selectFrom('log_entry')
    .select(['kind', 'facts', 'outcome'])
    .where('id', '=', id)
    .executeTakeFirst();
  return row && isOf(row, 'check-in') && isCheckedIn(row.outcome)
    ? { facts: row.facts, outcome: row.outcome }
    : undefined;
}

/** The verdict of a check-in, by the edition of its day. */
export const verdictOf = async (db: Db, id: string): Promise<Verdict | undefined> =>
  (await checkInEntry(db, id))?.outcome.verdict;

/** One check-in as it was judged then. */
export async function readCheckIn({ db }: Pick<Context, 'db'>, id: string): Promise<CheckIn> {
  const entry = isUuid(id) ? await checkInEntry(db, id) : undefined;
  if (entry === undefined) return refuse('not-found', { id });
  const row = await db
    .selectFrom('log_entry as l')
    .innerJoin('unit as u', 'u.id', 'l.unit_id')
    .leftJoin('person as p', 'p.id', 'l.person_id')
    .select(['l.at', 'u.tag', 'u.class_id', 'p.name as by', 'u.readiness_verdict'])
    .where('l.id', '=', id)
    .executeTakeFirstOrThrow();
  const { facts, outcome } = entry;
  return {
    id,
    tag: row.tag,
    classId: row.class_id,
    at: row.at.toISOString(),
    by: row.by ?? '',
    reading: outcome.reading,
    trueHours: outcome.trueHours,
    verdict: outcome.verdict,
    readiness: row.readiness_verdict,
    answers: facts.answers,
    stations: facts.stations.map((station) => ({
      ...station,
      hurried: (outcome.hurriedStations ?? []).includes(station.id),
    })),
    secondLookOf: facts.secondLookOf,
  };
}
