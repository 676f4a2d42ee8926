/** waiting → open ⇄ waiting for (a clock, a part, a decision); open → to be proven → done, or back to open; any of them → dropped. */
export const JOB_STATES = [
  'waiting',
  'open',
  'waits-clock',
  'waits-part',
  'waits-decision',
  'to-prove',
  'done',
  'dropped',
] as const;
export type JobState = (typeof JOB_STATES)[number];

/** The states of a job that is not ended. */
export const OPEN_JOB_STATES = JOB_STATES.filter((state) => state !== 'done' && state !== 'dropped');
