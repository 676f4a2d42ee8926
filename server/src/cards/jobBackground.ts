import { CAME_AFTER, CAME_AND_WENT, EVERY_PROOF, folderOf } from '@hudrik/core/catalogue';
import type { Complaint, ProofSetting } from '@hudrik/core/proof';
import type { Db, JobRow, MachineFacts, Trx } from '../database/tables';
import { endsWithALook } from '../jobs/endsWithALook';

export interface JobBackground {
  readonly causes: readonly string[];
  readonly complaint: Complaint;
  /** Observations that were made, at the check-in and in findings. */
  readonly seen: readonly string[];
  readonly machine: MachineFacts;
}

/** What was told and found before the work: causes, how the trouble came, what was looked at. */
export async function jobBackground(db: Db | Trx, job: Pick<JobRow, 'id' | 'check_in_id'>): Promise<JobBackground> {
  const findings = await db
    .selectFrom('finding')
    .select(['id', 'causes', 'machine'])
    .where('job_id', '=', job.id)
    .orderBy('opened_at')
    .execute();
  const told =
    job.check_in_id === null
      ? []
      : (
          (await db.selectFrom('check_in').select('verdict').where('id', '=', job.check_in_id).executeTakeFirst())
            ?.verdict.shows ?? []
        ).map((shown) => ({ observation: shown.observation, outcome: shown.outcome }));
  const entries =
    findings.length === 0
      ? []
      : await db
          .selectFrom('finding_entry')
          .select(['observation', 'outcomes'])
          .where('kind', '=', 'seen')
          .where(
            'finding_id',
            'in',
            findings.map((finding) => finding.id),
          )
          .execute();
  const shown = [
    ...told,
    ...entries.flatMap((entry) => entry.outcomes.map((outcome) => ({ observation: entry.observation ?? '', outcome }))),
  ];
  const causes = findings.findLast((finding) => finding.causes !== null)?.causes ?? [];
  return {
    causes,
    complaint: complaintOf(shown),
    seen: [...new Set(shown.map((one) => one.observation))],
    machine: findings.at(-1)?.machine ?? { engine: {}, past: {} },
  };
}

function complaintOf(shown: readonly { readonly observation: string; readonly outcome: string }[]): Complaint {
  const after = shown
    .filter((one) => one.observation === CAME_AFTER.observation)
    .map((one) => (CAME_AFTER.minutes as Readonly<Record<string, number>>)[one.outcome] ?? 0);
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
