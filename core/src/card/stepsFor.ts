import type { StepTemplate } from '../catalogue/shapes';

export interface StepSources {
  readonly kind: readonly StepTemplate[];
  /** Steps of the job's own work, where there are any: in place of its kind's. */
  readonly work: readonly StepTemplate[] | null;
  readonly causes: readonly CauseSource[];
}

export interface CauseSource {
  readonly id: string;
  readonly repairSays: string;
  readonly caution?: string | undefined;
  readonly setUps: readonly { readonly id: string; readonly words: string; readonly teardown: string | undefined }[];
  readonly reading: StepTemplate['reading'];
  readonly clock: string | undefined;
}

/**
 * The steps of a job's card: those of its work or kind; then, per cause, what must come off, a reading before, the repair, its wait, and
 * the reading after. What several causes share comes once. Example: two causes behind the bowl take it off once.
 */
export function stepsFor({ kind, work, causes }: StepSources): StepTemplate[] {
  const steps = new Map<string, StepTemplate>();
  const add = (step: StepTemplate): void => void (steps.has(step.key) || steps.set(step.key, step));
  for (const step of work ?? kind) add(step);
  for (const cause of causes)
    for (const { id, words, teardown } of cause.setUps)
      add({ key: `off-${id}`, says: words, ...(teardown ? { teardown } : {}) });
  for (const { id, repairSays, caution, reading, clock } of causes) {
    if (reading) add({ key: `before-${reading}`, says: 'Reading before', reading });
    add({ key: `repair-${id}`, says: repairSays, ...(caution ? { caution } : {}) });
    if (clock) add({ key: `clock-${clock}`, says: 'Then wait, and look', clock });
  }
  for (const { reading } of causes) if (reading) add({ key: `after-${reading}`, says: 'Reading after', reading });
  return [...steps.values()];
}
