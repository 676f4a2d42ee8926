import type { CheckIn } from '@hudrik/core/contracts';
import type { Context } from '../context';
import { isUuid } from '../isUuid';
import { refuse } from '../refusal';

/** One check-in as it was judged then. */
export async function readCheckIn({ db }: Pick<Context, 'db'>, id: string): Promise<CheckIn> {
  if (!isUuid(id)) return refuse('not-found', { id });
  const row = await db
    .selectFrom('check_in as c')
    .innerJoin('unit as u', 'u.id', 'c.unit_id')
    .innerJoin('person as p', 'p.id', 'c.person_id')
    .innerJoin('meter_reading as r', 'r.id', 'c.reading_id')
    .select([
      'c.id',
      'u.tag',
      'u.class_id',
      'c.at',
      'p.name as by',
      'r.reading',
      'r.true_hours',
      'c.verdict',
      'u.readiness_verdict',
      'c.second_look_of',
    ])
    .where('c.id', '=', id)
    .executeTakeFirst();
  if (row === undefined) return refuse('not-found', { id });
  const answers = await db.selectFrom('check_result').selectAll().where('check_in_id', '=', id).execute();
  const stations = await db
    .selectFrom('station_pass')
    .select(['station_id as id', 'seconds', 'hurried'])
    .where('check_in_id', '=', id)
    .execute();
  return {
    id: row.id,
    tag: row.tag,
    classId: row.class_id as CheckIn['classId'],
    at: row.at.toISOString(),
    by: row.by,
    reading: row.reading,
    trueHours: row.true_hours,
    verdict: row.verdict as unknown as CheckIn['verdict'],
    readiness: { ...row.readiness_verdict, because: [...row.readiness_verdict.because] },
    answers: answers.map((answer) => ({
      check: answer.check_id,
      result: answer.result,
      exception: answer.exception_id ?? undefined,
      reading: answer.value === null || answer.unit === null ? undefined : { value: answer.value, unit: answer.unit },
      cause: answer.cause ?? undefined,
      note: answer.note ?? undefined,
      photos: answer.photos,
    })),
    stations,
    secondLookOf: row.second_look_of,
  };
}
