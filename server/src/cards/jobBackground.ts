import { CAME_AFTER, CAME_AND_WENT, entryOf, EVERY_PROOF, folderOf } from '@hudrik/core/catalogue';
import { observationsOf } from '@hudrik/core/log';
import type { Complaint, ProofSetting } from '@hudrik/core/proof';
import { verdictOf } from '../checkins/readCheckIn';
import type { Db, JobRow, MachineFacts } from '../database/tables';
import { endsWithALook } from '../jobs/endsWithALook';
import { entriesOfFinding } from '../log/readLog';

export interface JobBackground {
  readonly causes: readonly string[];
  readonly complaint: Complaint;
  /** Observations that were made, at the check-in and in findings. One that was taken back counts nowhere. */
  readonly seen: readonly string[];
  readonly machine: MachineFacts;
}

interface Shown {
  readonly observation: string;
  readonly outcome: string;
}

/** What was told and found before the work: causes, how the trouble came, what was looked at. */
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
    complaint: complaintOf(shown),
    seen: [...new Set(shown.map((one) => one.observation))],
    machine: findings.at(-1)?.machine ?? { engine: {}, past: {} },
  };
}

function complaintOf(shown: readonly Shown[]): Complaint {
  const after = shown
    .filter((one) => one.observation === CAME_AFTER.observation)
    .map((one) => entryOf<number>(CAME_AFTER.minutes, one.outcome) ?? 0);
  return {
    afterMinutes: after.length === 0 ? null : Math.max(...after),
    comesAndGoes: shown.some(
      (one) => one.observation === CAME_AND_WENT.observation && one.outcome === CAME_AND_WENT.outcome,
    ),
  };
}

export const settingOf = (job: Pick<JobRow, 'kind'>, classId: string, complaint: Complaint): ProofSetting => ({
  plan: folderOf(classId).proof,
  everyLooks: EVERY_PROOF,
  complaint,
  byLook: endsWithALook(job.kind),
});
