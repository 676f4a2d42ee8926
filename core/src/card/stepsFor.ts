import type { StepTemplate } from '../catalogue/shapes';

export interface StepSources {
  readonly kind: readonly StepTemplate[];
  /** Steps of the job's own work, where there are any: in place of its kind's. */
  readonly work: readonly StepTemplate[] | null;
  readonly causes: readonly CauseSource[];
}

interface CauseSource {
  readonly id: string;
  readonly repairTitle: string;
  readonly caution?: StepTemplate['caution'];
  readonly setUps: readonly {
    readonly id: string;
    readonly words: string;
    readonly teardown: StepTemplate['teardown'];
  }[];
  readonly reading: StepTemplate['reading'];
  readonly clock: StepTemplate['clock'];
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
      add({ key: `off-${id}`, title: words, ...(teardown ? { teardown } : {}) });
  for (const { id, repairTitle, caution, reading, clock } of causes) {
    if (reading) add({ key: `before-${reading}`, title: 'Reading before', reading });
    add({ key: `repair-${id}`, title: repairTitle, ...(caution ? { caution } : {}) });
    if (clock) add({ key: `clock-${clock}`, title: 'Then wait, and look', clock });
  }
  for (const { reading } of causes) if (reading) add({ key: `after-${reading}`, title: 'Reading after', reading });
  return [...steps.values()];
}
