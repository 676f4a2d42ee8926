import { randomUUID } from 'node:crypto';
import { stepsFor, type LaidStep } from '@hudrik/core/card';
import {
  EDITIONS,
  CLOCK_OF_FAMILY,
  FAULTS,
  READING_OF_FAMILY,
  SET_UPS,
  STEPS_OF_KIND,
  STEPS_OF_WORK,
  TEARDOWN_OF_SET_UP,
  type FaultId,
} from '@hudrik/core/catalogue';
import type { JobRow, Trx } from '../database/tables';
import { cardEntries } from './cardEntries';
import { jobBackground } from './jobBackground';

/** Lays the steps that the template wants and the card has not: at its start, and when causes are confirmed. */
export async function layCard(
  trx: Trx,
  job: Pick<JobRow, 'id' | 'kind' | 'work' | 'check_in_id'>,
  at: Date,
  from: string,
  { onlyOnce = false } = {},
): Promise<void> {
  if (
    onlyOnce &&
    (await trx
      .selectFrom('job_entry')
      .select('id')
      .where('job_id', '=', job.id)
      .where('kind', '=', 'steps-laid')
      .limit(1)
      .executeTakeFirst())
  )
    return;
  const { causes } = await jobBackground(trx, job);
  const wanted = stepsFor({
    kind: STEPS_OF_KIND[job.kind],
    work: STEPS_OF_WORK[job.work] ?? null,
    causes: causes.map((id) => causeSource(id as FaultId)),
  });
  const there = new Set(
    (await cardEntries(trx, job.id)).flatMap((entry) =>
      entry.kind === 'steps-laid' ? entry.facts.steps.map((step) => step.key) : [],
    ),
  );
  const steps = wanted
    .filter((step) => !there.has(step.key))
    .map((step): LaidStep => ({ ...step, stepId: randomUUID() }));
  if (there.size > 0 && steps.length === 0) return;
  await trx
    .insertInto('job_entry')
    .values({
      id: randomUUID(),
      job_id: job.id,
      at,
      person_id: null,
      kind: 'steps-laid',
      facts: JSON.stringify({ edition: EDITIONS.card, from, steps }),
    })
    .execute();
}

function causeSource(id: FaultId) {
  const { repair, family, caution } = FAULTS[id];
  const setUps = (repair.setUps ?? []).map((setUp) => ({
    id: setUp,
    words: SET_UPS[setUp].words,
    teardown: TEARDOWN_OF_SET_UP[setUp],
  }));
  return {
    id,
    repairTitle: repair.title,
    caution,
    setUps,
    reading: READING_OF_FAMILY[family],
    clock: CLOCK_OF_FAMILY[family],
  };
}
