/** A job waits, is worked on, is put off to a later visit, and is done or dropped. */
export const JOB_STATES = ['waiting', 'open', 'put-off', 'done', 'dropped'] as const;
export type JobState = (typeof JOB_STATES)[number];

/** The states of a job that is not ended. */
export const OPEN_JOB_STATES = JOB_STATES.filter((state) => state !== 'done' && state !== 'dropped');
