import {
  CAME_AFTER,
  CAME_AND_WENT,
  entryOf,
  FAULT_KNOWLEDGE,
  FIND_FAULT,
  folderOf,
  PROOF_LOOKS,
  type ProofNeed,
} from '@hudrik/core/catalogue';
import { behindOf, type Behind } from '@hudrik/core/diagnosis';
import { cardOf, type Entry } from '@hudrik/core/log';
import { proofSettingOf, systemsOf, unionOf, type Complaint, type ProofSetting } from '@hudrik/core/proof';
import type { Ratings } from '../fleet/models';
import { jobBackground, type JobBackground, type Shown } from '../cards/jobBackground';
import type { Db, JobRow } from '../database/tables';
import { needsOfJob } from './needsOfJob';

export interface VisitBackground {
  readonly causes: readonly string[];
  readonly complaint: Complaint;
  readonly seen: readonly string[];
  /** What often brings the causes about, and was not looked at. */
  readonly behind: readonly Behind[];
  readonly machine: JobBackground['machine'];
  /** What the work of the visit asks of its proof together. */
  readonly needs: readonly ProofNeed[];
}

/** Entries that say that something was done to the machine. */
const WORK: ReadonlySet<string> = new Set(['step-done', 'taken-off', 'taken-off-again', 'replaced', 'struck-off']);
export const isWork = (entry: Pick<Entry, 'kind'>): boolean => WORK.has(entry.kind);

/**
 * What was told and found before the work of a visit, and what its work asks of the proof. A job counts when it is begun, and one that was
 * dropped or put off when something had been done for it.
 */
export async function visitBackground(
  db: Db,
  jobs: readonly JobRow[],
  entries: readonly Entry[],
): Promise<VisitBackground> {
  const backgrounds = await Promise.all(jobs.map(async (job) => ({ job, ...(await jobBackground(db, job)) })));
  const sinceProved = entries.slice(entries.findLastIndex(isPassedProof) + 1);
  const counts = ({ id, state }: JobRow): boolean =>
    state === 'open' || sinceProved.some((entry) => isWork(entry) && entry.jobId === String(id));
  const begun = backgrounds.filter(({ job }) => counts(job));
  // Of a visit that nobody began, all that waits.
  const counting = begun.length > 0 ? begun : backgrounds.filter(({ job }) => job.closed_at === null);
  const causes = [...new Set(backgrounds.flatMap((one) => one.causes))];
  return {
    causes,
    complaint: complaintOf(
      // What was told bears on the finding of the fault, not on what else is done meanwhile.
      counting.filter(({ job, hasFinding }) => hasFinding || job.work === FIND_FAULT.work).flatMap((one) => one.shown),
      counting.every((one) => one.causes.length === 0),
    ),
    behind: behindOf(
      FAULT_KNOWLEDGE,
      causes,
      backgrounds.flatMap((one) => one.shown),
    ),
    seen: [...new Set(backgrounds.flatMap((one) => one.shown.map(({ observation }) => observation)))],
    machine: backgrounds.findLast((one) => one.hasFinding)?.machine ?? { engine: {}, past: {} },
    needs: unionOf(counting.map((one) => needsOfJob(one.job, one.causes))),
  };
}

const isPassedProof = ({ kind, facts }: Entry): boolean =>
  kind === 'proved' && typeof facts === 'object' && facts !== null && Reflect.get(facts, 'passed') === true;

function complaintOf(shown: readonly Shown[], withoutCause: boolean): Complaint {
  const after = shown
    .filter((one) => one.observation === CAME_AFTER.observation)
    .map((one) => entryOf<number>(CAME_AFTER.minutes, one.outcome) ?? 0);
  return {
    afterMinutes: after.length === 0 ? null : Math.max(...after),
    comesAndGoes: shown.some(
      (one) => one.observation === CAME_AND_WENT.observation && one.outcome === CAME_AND_WENT.outcome,
    ),
    atStart: withoutCause && shown.some((one) => one.observation === 'starting' && one.outcome === 'hard'),
  };
}

interface Asking {
  readonly classId: string;
  readonly entries: readonly Entry[];
  readonly background: Pick<VisitBackground, 'needs' | 'complaint'>;
  readonly ratings: Ratings;
}

/** What the proof of a visit asks as it stands. */
export const settingOf = ({ classId, entries, background, ratings }: Asking): ProofSetting =>
  proofSettingOf({
    folder: folderOf(classId),
    known: PROOF_LOOKS,
    needs: background.needs,
    complaint: background.complaint,
    systems: systemsOf(cardOf(entries).ledger),
    ...ratings,
  });
