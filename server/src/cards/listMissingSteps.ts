import { randomUUID } from 'node:crypto';
import { stepsFor, type ListedStep } from '@hudrik/core/card';
import {
  CLOCK_OF_FAMILY,
  EDITIONS,
  entryOf,
  FAULTS,
  READING_OF_FAMILY,
  SET_UPS,
  STEPS_OF_KIND,
  STEPS_OF_WORK,
  TEARDOWN_OF_SET_UP,
} from '@hudrik/core/catalogue';
import { cardOf } from '@hudrik/core/log';
import type { JobRow } from '../database/tables';
import type { UnitChange } from '../log/changeUnit';
import { entriesOfVisit } from '../visits/visits';
import { jobBackground } from './jobBackground';

type Job = Pick<JobRow, 'id' | 'kind' | 'work' | 'check_in_id'>;

/** What is done once for all jobs of a visit: made safe once, and what must come off comes off once. */
const isShared = (key: string): boolean => key === 'make-safe' || key.startsWith('off-');

/** Puts the steps on a card that its templates and causes want and it has not: at a job's start, and when causes are confirmed. */
export async function listMissingSteps(
  { trx, append }: Pick<UnitChange, 'trx' | 'append'>,
  job: Job,
  visitId: number,
  from: string,
  { onlyOnce = false } = {},
): Promise<void> {
  const entries = await entriesOfVisit(trx, visitId);
  const isListed = entries.some((entry) => entry.kind === 'steps-listed' && entry.jobId === String(job.id));
  if (onlyOnce && isListed) return;
  const { causes } = await jobBackground(trx, job);
  const wanted = stepsFor({
    kind: STEPS_OF_KIND[job.kind],
    work: entryOf(STEPS_OF_WORK, job.work) ?? null,
    causes: causes.flatMap(causeSource),
  });
  const there = cardOf(entries).steps;
  const hasStep = (key: string): boolean =>
    there.some(
      (step) => step.key === key && (step.jobId === String(job.id) || (isShared(key) && step.state !== 'dropped')),
    );
  const steps = wanted
    .filter((step) => !hasStep(step.key))
    .map((step): ListedStep => ({ ...step, stepId: randomUUID() }));
  if (isListed && steps.length === 0) return;
  await append({ kind: 'steps-listed', by: null, facts: { edition: EDITIONS.card, from, steps }, jobId: job.id });
}

/** What of a cause bears on the steps; nothing of one that a later edition no longer has. */
function causeSource(id: string) {
  const fault = entryOf(FAULTS, id);
  if (fault === undefined) return [];
  const { repair, family, caution } = fault;
  const setUps = (repair.setUps ?? []).map((setUp) => ({
    id: setUp,
    words: SET_UPS[setUp].words,
    teardown: TEARDOWN_OF_SET_UP[setUp],
  }));
  const reading = entryOf(READING_OF_FAMILY, family);
  const clock = entryOf(CLOCK_OF_FAMILY, family);
  return [{ id, repairTitle: repair.title, caution, setUps, reading, clock }];
}
