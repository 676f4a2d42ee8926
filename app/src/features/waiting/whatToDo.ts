import type { FailureCode } from '@hudrik/core/contracts';
import type { Item } from '@/outbox';

const WHAT_TO_DO: Readonly<Partial<Record<FailureCode, string>>> = {
  'time-not-known': 'Say it again now, while this device is connected. Then discard this.',
  'second-present': 'Ask them to look too, and do it again with their word.',
  'finding-closed': 'Open “Find the fault” on this unit to use it in a new finding.',
  'job-closed': 'If it still matters, write it as a note on the unit. Then discard it.',
  'card-refused': 'Look at the card as it is now, do it again if it still applies, then discard this.',
  'hours-below-last': 'Open it again, read the meter once more and correct the hours.',
  'hours-not-plausible': 'Open it again, read the meter once more and correct or confirm the hours.',
  'not-your-role': 'Ask somebody whose role it is to do it, then discard this.',
  'no-such-tag': 'Check the tag. If the unit is new, a lead adds it first; then send this again.',
};

/** What a person can do about what was refused. */
export const whatToDo = ({ problem }: Pick<Item, 'problem'>): string =>
  (problem && WHAT_TO_DO[problem.code]) ?? 'Look at how it is now; then do it again or discard this.';
