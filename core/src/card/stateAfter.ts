import type { NewCardEntry } from './entry';

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

/**
 * A job's state after an entry on its card. Work on a waiting card opens it; a card in proof stays there until it is proved or taken back.
 * Example: `waits` for a part turns open into waits-part.
 */
export function stateAfter(state: JobState, entry: Pick<NewCardEntry, 'kind' | 'facts'>): JobState {
  switch (entry.kind) {
    case 'waits':
      return `waits-${(entry.facts as { for: 'clock' | 'part' | 'decision' }).for}`;
    case 'goes-on':
    case 'back-to-bench':
      return 'open';
    case 'to-proof':
      return 'to-prove';
    case 'proved':
      return (entry.facts as { passed: boolean }).passed ? 'done' : 'open';
    case 'decided':
      return state === 'waits-decision' ? 'open' : state;
    default:
      return state === 'waiting' ? 'open' : state;
  }
}
