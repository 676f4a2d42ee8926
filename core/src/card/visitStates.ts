import type { JobState } from './jobStates';

/**
 * A unit's time on the bench. waiting: nothing is begun → open ⇄ waiting for (a clock, a part, a decision), or parked; open → to be proven →
 * ended, or back to open.
 */
export const VISIT_STATES = [
  'waiting',
  'open',
  'waits-clock',
  'waits-part',
  'waits-decision',
  'parked',
  'to-prove',
  'ended',
] as const;
export type VisitState = (typeof VISIT_STATES)[number];

/** Where a job stands as a list says it: one that is begun stands where its visit does. */
export type Standing = VisitState | JobState;

/** In: the job's own state, its visit's (null: it is in none). Example: an open job of a visit that waits for a part waits for a part. */
export const standingOf = (job: JobState, visit: VisitState | null): Standing =>
  job === 'open' && visit !== null && visit !== 'waiting' && visit !== 'ended' ? visit : job;
