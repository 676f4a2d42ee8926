import type { JobKind } from '@hudrik/core/catalogue';
import { sql } from 'kysely';
import type { Db } from '../database/tables';

/** By kind of job and class: how many times its estimate each finished visit of one such job took. */
export type OwnMinutes = ReadonlyMap<string, readonly number[]>;

export const ownKey = (kind: JobKind, classId: string): string => `${kind} ${classId}`;

/** So many of the newest are asked. */
const NEWEST = 400;

/** What this yard's own finished work took against its estimates: hands-on stretches of visits with one job, by who stopped and when. */
export async function readOwnMinutes(db: Db): Promise<OwnMinutes> {
  const rows = await db
    .with('alone', (with_) =>
      with_
        .selectFrom('visit as v')
        .innerJoin('visit_job as vj', 'vj.visit_id', 'v.id')
        .where('v.ended_at', 'is not', null)
        .groupBy(['v.id', 'v.ended_at'])
        .having((eb) => eb.fn.countAll(), '=', 1)
        .select([sql<number>`min(vj.job_id)`.as('job_id')])
        .orderBy('v.ended_at', 'desc')
        .limit(NEWEST),
    )
    .selectFrom('alone as a')
    .innerJoin('job as j', 'j.id', 'a.job_id')
    .innerJoin('unit as u', 'u.id', 'j.unit_id')
    .innerJoin('log_entry as o', (join) => join.onRef('o.job_id', '=', 'j.id').on('o.kind', '=', 'hands-on'))
    .innerJoinLateral(
      (eb) =>
        eb
          .selectFrom('log_entry as f')
          .select('f.at')
          .whereRef('f.job_id', '=', 'o.job_id')
          .whereRef('f.person_id', '=', 'o.person_id')
          .whereRef('f.at', '>', 'o.at')
          .where('f.kind', '=', 'hands-off')
          .orderBy('f.at')
          .limit(1)
          .as('f'),
      (join) => join.onTrue(),
    )
    .where('j.state', '=', 'done')
    .where('j.minutes', '>', 0)
    .groupBy(['j.id', 'j.kind', 'j.minutes', 'u.class_id'])
    .select([
      'j.kind',
      'u.class_id',
      sql<number>`(sum(extract(epoch from f.at - o.at)) / 60 / j.minutes)::float8`.as('times'),
    ])
    .execute();
  const own = new Map<string, number[]>();
  for (const { kind, class_id: classId, times } of rows)
    if (times > 0) own.set(ownKey(kind, classId), [...(own.get(ownKey(kind, classId)) ?? []), times]);
  return own;
}
