import { WORKS_ON_UNITS } from '@hudrik/core/contracts';
import { takeCardEntry } from '../cards/takeCardEntry';
import { refuse } from '../refusal';
import type { Taking } from './taking';

/** A note on the unit; with a job, on its card, where only those write who work on it: a note there takes a waiting job to the bench. */
export const takeNote = (taking: Taking<'note'> | Taking<'standing-note'>): Promise<void> => {
  const { actor, place } = taking;
  if (place.jobId === null) return taking.record({});
  if (!WORKS_ON_UNITS.includes(actor.role)) refuse('not-your-role', { role: actor.role, wants: WORKS_ON_UNITS });
  return takeCardEntry(taking);
};
