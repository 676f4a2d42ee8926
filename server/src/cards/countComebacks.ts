import { isComeback } from '@hudrik/core/proof';
import type { Db } from '../database/tables';
import { familiesOf } from './comebacks';

const DAY_MS = 86_400_000;
const YEAR_DAYS = 365;

/** What is done about a unit that came back again and again: after it, comebacks are counted anew. */
const LOOKED_INTO = 'why-it-comes-back';

/** How often the same trouble came back soon on a unit within a year, since somebody last looked into why. */
export async function countComebacks(db: Db, unitId: number, now: Date): Promise<number> {
  const jobs = await db
    .selectFrom('job as j')
    .leftJoin('finding as f', 'f.job_id', 'j.id')
    .select(['j.id', 'j.work', 'j.kind', 'j.state', 'j.raised_at', 'j.closed_at', 'f.causes'])
    .where('j.unit_id', '=', unitId)
    .where('j.raised_at', '>', new Date(now.getTime() - YEAR_DAYS * DAY_MS))
    .orderBy('j.raised_at')
    .execute();
  const since = jobs
    .filter((job) => job.work === LOOKED_INTO && job.state === 'done')
    .map((job) => job.closed_at?.getTime() ?? 0)
    .reduce((latest, at) => Math.max(latest, at), 0);
  const repairs = jobs.filter((job) => job.kind === 'repair');
  const cameBack = new Set(
    repairs
      .filter((job) => job.raised_at.getTime() > since && repairs.some((before) => isBack(before, job)))
      .map((job) => job.id),
  );
  return cameBack.size;
}

interface Repair {
  readonly id: number;
  readonly work: string;
  readonly state: string;
  readonly raised_at: Date;
  readonly closed_at: Date | null;
  readonly causes: string[] | null;
}

/** The same trouble, by its causes where both are known, else by its work. */
function isBack(before: Repair, job: Repair): boolean {
  if (before.id === job.id || before.state !== 'done' || before.closed_at === null) return false;
  const days = (job.raised_at.getTime() - before.closed_at.getTime()) / DAY_MS;
  if (days < 0 || !isComeback(days, null)) return false;
  const [first, second] = [familiesOf(before.causes ?? []), familiesOf(job.causes ?? [])];
  if (first.size === 0 || second.size === 0) return before.work === job.work;
  return [...first].some((family) => second.has(family));
}
