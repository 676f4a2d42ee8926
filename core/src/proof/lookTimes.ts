import { COMMON_PRACTICE, type LookTime, type Threshold } from '../catalogue/shapes';
import { entriesOfProof, proofOfEntries, runIsAsked } from './proofOfEntries';
import type { ProofSetting } from './proofSetting';
import type { ProofEntry } from './runOf';

export const MINUTES_TO_SETTLE: Threshold = {
  name: 'So long after it was stopped the oil has run back and the level is looked at again',
  value: 5,
  unit: 'min',
  source: COMMON_PRACTICE,
};

/** Why a look cannot be said yet. */
export type TooSoon =
  | { readonly code: 'run-first' }
  | { readonly code: 'run-it-out' }
  | { readonly code: 'not-before'; readonly at: string };

/**
 * Whether a look of a proof can be said at a time: what is about a run is said once there was one. Where no run is asked, none is.
 * In: from when on the look is said, the card's entries, what the proof asks, when it is said. Out: why it is too soon, or null.
 * Source: common practice. Example: stopped at ten, the level again at four past: not before five past.
 */
export function tooSoon(
  from: LookTime,
  entries: readonly ProofEntry[],
  setting: ProofSetting,
  at: string,
): TooSoon | null {
  if (from === 'at-any-time' || !runIsAsked(setting)) return null;
  if (!entriesOfProof(entries).some((entry) => entry.kind === 'run-started')) return { code: 'run-first' };
  if (from === 'running') return null;
  const { stoppedAt, minutesRun, minutesWanted } = proofOfEntries(entries, setting, at);
  if (stoppedAt === null || minutesRun < minutesWanted) return { code: 'run-it-out' };
  const settled = new Date(Date.parse(stoppedAt) + MINUTES_TO_SETTLE.value * 60_000).toISOString();
  return from === 'five-after' && at < settled ? { code: 'not-before', at: settled } : null;
}
