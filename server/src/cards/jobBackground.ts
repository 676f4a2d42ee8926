import { observationsOf } from '@hudrik/core/log';
import { verdictOf } from '../checkins/readCheckIn';
import type { Db, JobRow, MachineFacts } from '../database/tables';
import { entriesOfFinding } from '../log/readLog';

export interface JobBackground {
  readonly causes: readonly string[];
  /** What was seen, at the check-in and in findings. One that was taken back counts nowhere. */
  readonly shown: readonly Shown[];
  readonly machine: MachineFacts;
  readonly hasFinding: boolean;
}

export interface Shown {
  readonly observation: string;
  readonly outcome: string;
}

/** What was told and found before the work of a job: causes, what was seen. */
export async function jobBackground(db: Db, job: Pick<JobRow, 'id' | 'check_in_id'>): Promise<JobBackground> {
  const findings = await db
    .selectFrom('finding')
    .select(['id', 'causes', 'machine'])
    .where('job_id', '=', job.id)
    .orderBy('opened_at')
    .execute();
  const atCheckIn = job.check_in_id === null ? [] : ((await verdictOf(db, job.check_in_id))?.shows ?? []);
  const entries = await Promise.all(findings.map((finding) => entriesOfFinding(db, finding.id)));
  const shown: Shown[] = [...atCheckIn, ...entries.flatMap((list) => observationsOf(list).shown)];
  return {
    causes: findings.findLast((finding) => finding.causes !== null)?.causes ?? [],
    shown,
    machine: findings.at(-1)?.machine ?? { engine: {}, past: {} },
    hasFinding: findings.length > 0,
  };
}
