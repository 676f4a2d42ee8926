import { EDITIONS } from '@hudrik/core/catalogue';
import type { CardReply } from '@hudrik/core/contracts';
import type { Context } from '../context';
import { lastReading } from '../fleet/meters';
import { jobRows, toJobLine } from '../jobs/jobLines';
import { linesOfJob } from '../parts/partLines';
import { entriesOfJob } from '../log/readLog';
import { refuse } from '../refusal';
import { comebackOf } from './comebacks';
import { jobBackground } from './jobBackground';

export const jobIdOf = (id: string): number => (/^\d{1,15}$/.test(id) ? Number(id) : refuse('not-found', { job: id }));

/** A job's card, whole: what its screen shows. Photos come by themselves, small ones first. */
export async function readCard({ db, now }: Pick<Context, 'db' | 'now'>, id: string): Promise<CardReply> {
  const row = await jobRows(db).where('j.id', '=', jobIdOf(id)).executeTakeFirst();
  if (row === undefined) return refuse('not-found', { job: id });
  const job = await db.selectFrom('job').selectAll().where('id', '=', row.id).executeTakeFirstOrThrow();
  const unit = await db
    .selectFrom('unit as u')
    .innerJoin('model as m', 'm.id', 'u.model_id')
    .select(['u.tag', 'u.class_id', 'u.serial', 'm.id as modelId', 'm.make', 'm.name', 'm.data_sheet'])
    .where('u.id', '=', job.unit_id)
    .executeTakeFirstOrThrow();
  const background = await jobBackground(db, job);
  const [reading, entries, learnt, parts, comeback] = await Promise.all([
    lastReading(db, job.unit_id),
    entriesOfJob(db, job.id),
    db.selectFrom('learnt_teardown').select(['teardown', 'things']).where('model_id', '=', unit.modelId).execute(),
    linesOfJob(db, job.id),
    comebackOf(db, job, background.causes),
  ]);
  return {
    job: toJobLine(row),
    unit: {
      tag: unit.tag,
      classId: unit.class_id,
      modelId: unit.modelId,
      model: `${unit.make} ${unit.name}`,
      serial: unit.serial,
      trueHours: reading.trueHours,
    },
    entries,
    parts,
    comeback,
    causes: [...background.causes],
    complaint: background.complaint,
    seen: [...background.seen],
    machine: background.machine,
    limits: unit.data_sheet.limits ?? null,
    learnt: Object.fromEntries(learnt.map((entry) => [entry.teardown, entry.things])),
    edition: EDITIONS.card,
    now: now().toISOString(),
  };
}
