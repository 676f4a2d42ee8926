import { entryOf, FAULTS, folderOf, type Rated } from '@hudrik/core/catalogue';
import { ratedOf } from '@hudrik/core/ratings';
import { cardOf } from '@hudrik/core/log';
import type { Context } from '../context';
import { ratingsOfUnit } from '../fleet/models';
import { refuse } from '../refusal';
import { entriesOfVisit, visitOfJob } from '../visits/visits';
import { jobBackground } from './jobBackground';
import { jobIdOf } from './readCard';

/** What the unit on the bench is like: what it is rated for, and the faults that were confirmed and whose repair is not ticked on the card. */
export async function unitOnBench(
  { db }: Pick<Context, 'db'>,
  jobId: string,
): Promise<{ classId: string; families: string[]; rated: Rated }> {
  const row = await db
    .selectFrom('job as j')
    .innerJoin('unit as u', 'u.id', 'j.unit_id')
    .select(['j.id', 'j.check_in_id', 'u.class_id', 'u.model_id', 'u.data_sheet'])
    .where('j.id', '=', jobIdOf(jobId))
    .executeTakeFirst();
  if (row === undefined) return refuse('not-found', { job: jobId });
  const { causes } = await jobBackground(db, row);
  const { steps } = cardOf(await entriesOfVisit(db, (await visitOfJob(db, row.id)).id));
  const isMended = (id: string): boolean => steps.some((step) => step.key === `repair-${id}` && step.state === 'done');
  const { model, unit } = await ratingsOfUnit(db, row);
  return {
    classId: row.class_id,
    rated: ratedOf(folderOf(row.class_id).rated, model, unit),
    families: causes.filter((id) => !isMended(id)).flatMap((id) => entryOf(FAULTS, id)?.family ?? []),
  };
}
