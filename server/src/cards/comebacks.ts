import { entryOf, FAULTS } from '@hudrik/core/catalogue';
import type { Comeback } from '@hudrik/core/contracts';
import { isComeback } from '@hudrik/core/proof';
import type { Db, JobRow } from '../database/tables';
import { trueHoursAt } from '../fleet/meters';

const DAY_MS = 86_400_000;
/** The families of these causes: comebacks are counted by them. */
export const familiesOf = (causes: readonly string[]): Set<string> =>
  new Set(causes.flatMap((id) => entryOf(FAULTS, id)?.family ?? []));

/** The last proven job of the same trouble on this unit, when it is near enough for this one to be a comeback; or null. */
export async function comebackOf(
  db: Db,
  job: Pick<JobRow, 'id' | 'unit_id' | 'work' | 'raised_at'>,
  causes: readonly string[],
): Promise<Comeback | null> {
  const families = familiesOf(causes);
  const earlier = await db
    .selectFrom('job')
    .select(['id', 'title', 'work', 'closed_at', 'closed_with'])
    .where('unit_id', '=', job.unit_id)
    .where('id', '<>', job.id)
    .where('state', '=', 'done')
    .where('kind', '=', 'repair')
    .where('closed_at', '<', job.raised_at)
    .orderBy('closed_at', 'desc')
    .limit(12)
    .execute();
  const hoursNow = await trueHoursAt(db, job.unit_id, job.raised_at);
  for (const before of earlier) {
    const closedAt = before.closed_at;
    if (closedAt === null) continue;
    const theirs = await db
      .selectFrom('finding')
      .select('causes')
      .where('job_id', '=', before.id)
      .where('causes', 'is not', null)
      .executeTakeFirst();
    const own = theirs?.causes ?? [];
    const sameTrouble =
      own.length > 0 && families.size > 0
        ? [...familiesOf(own)].some((family) => families.has(family))
        : before.work === job.work;
    const days = (job.raised_at.getTime() - closedAt.getTime()) / DAY_MS;
    const hoursThen = await trueHoursAt(db, job.unit_id, closedAt);
    const hours = hoursNow === null || hoursThen === null ? null : Math.max(hoursNow - hoursThen, 0);
    if (sameTrouble && isComeback(days, hours))
      return {
        jobId: String(before.id),
        title: before.title,
        closedAt: closedAt.toISOString(),
        days: Math.floor(days),
        hours: hours === null ? null : Math.round(hours * 10) / 10,
        did: String(before.closed_with?.['note'] ?? ''),
        causes: own.map((id) => entryOf(FAULTS, id)?.name ?? id),
      };
  }
  return null;
}
