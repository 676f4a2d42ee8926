import { entryOf, FAULTS, PROOF_NEEDS_OF, type ProofNeed } from '@hudrik/core/catalogue';
import { needsOf } from '@hudrik/core/proof';
import type { JobRow } from '../database/tables';

/** Families of confirmed causes. */
const familiesOf = (causes: readonly string[]): string[] => causes.flatMap((id) => entryOf(FAULTS, id)?.family ?? []);

/** What a job asks of its proof; nothing: it ends with a look. */
export const needsOfJob = (job: Pick<JobRow, 'kind' | 'work'>, causes: readonly string[]): ProofNeed[] =>
  needsOf({ kind: job.kind, work: job.work, families: familiesOf(causes) }, PROOF_NEEDS_OF);
