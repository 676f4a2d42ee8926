import type { JobLine } from '@hudrik/core/contracts';
import { jsonArrayFrom } from 'kysely/helpers/postgres';
import type { Db, Trx } from '../database/tables';
import { needsOfJob } from '../visits/needsOfJob';

export function jobRows(db: Db | Trx) {
  return db
    .selectFrom('job as j')
    .innerJoin('unit as ju', 'ju.id', 'j.unit_id')
    .leftJoin('person as jp', 'jp.id', 'j.started_by')
    .innerJoin('visit as v', (join) =>
      join.on('v.id', '=', (eb) =>
        eb
          .selectFrom('visit_job as vj')
          .select((max) => max.fn.max('vj.visit_id').as('id'))
          .whereRef('vj.job_id', '=', 'j.id'),
      ),
    )
    .select([
      'j.id',
      'ju.tag',
      'ju.class_id',
      'j.kind',
      'j.work',
      'j.title',
      'j.minutes',
      'j.blocks',
      'j.state',
      'j.origins',
      'j.why',
      'j.caution',
      'j.raised_at',
      'jp.name as started_by',
      'j.closed_at',
      'j.version',
      'v.id as visit_id',
      'v.state as visit_state',
    ])
    .select((eb) =>
      eb
        .selectFrom('finding as f')
        .select('f.causes')
        .whereRef('f.job_id', '=', 'j.id')
        .where('f.causes', 'is not', null)
        .orderBy('f.opened_at', 'desc')
        .limit(1)
        .as('causes'),
    )
    .select((eb) =>
      jsonArrayFrom(
        eb
          .selectFrom('defect as d')
          .select(['d.id', 'd.sentence'])
          .whereRef('d.job_id', '=', 'j.id')
          .where('d.closed_at', 'is', null)
          // A job that has ended does nothing about what is open still.
          .where('j.closed_at', 'is', null)
          .orderBy('d.found_at')
          .orderBy('d.id'),
      ).as('defects'),
    )
    .orderBy('j.id');
}

type JobRowRead = Awaited<ReturnType<ReturnType<typeof jobRows>['execute']>>[number];

export const toJobLine = (row: JobRowRead): JobLine => ({
  id: String(row.id),
  tag: row.tag,
  classId: row.class_id,
  kind: row.kind,
  work: row.work,
  title: row.title,
  minutes: row.minutes,
  blocks: row.blocks,
  state: row.state,
  visit: { id: String(row.visit_id), state: row.visit_state },
  origins: [...row.origins].map((origin) => ({
    kind: origin.kind,
    id: origin.id,
    ...(origin.exception ? { exception: origin.exception } : {}),
  })),
  why: row.why,
  caution: row.caution,
  asksProof: needsOfJob(row, row.causes ?? []).length > 0,
  defects: row.defects,
  raisedAt: row.raised_at.toISOString(),
  startedBy: row.started_by,
  closedAt: row.closed_at?.toISOString() ?? null,
  version: row.version,
});
