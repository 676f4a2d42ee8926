import type { Knowledge } from './compileModel';

/** Minutes to get there: what must be off first, and is not yet. */
export const minutesToOpen = (
  knowledge: Knowledge,
  setUps: readonly string[] | undefined,
  done: ReadonlySet<string>,
): number => (setUps ?? []).reduce((sum, id) => sum + (done.has(id) ? 0 : (knowledge.setUps[id]?.minutes ?? 0)), 0);

/** Hands-on minutes of a check, what must be off first counted. */
export function checkMinutes(knowledge: Knowledge, id: string, done: ReadonlySet<string>): number {
  const observation = knowledge.observations[id];
  return observation ? observation.minutes + minutesToOpen(knowledge, observation.setUps, done) : 0;
}

/** Hands-on minutes of a repair, what must be off first counted, the try after it not. */
export function repairMinutes(knowledge: Knowledge, id: string, done: ReadonlySet<string>): number {
  const repair = knowledge.faults[id]?.repair;
  return repair ? repair.minutes + minutesToOpen(knowledge, repair.setUps, done) : 0;
}
