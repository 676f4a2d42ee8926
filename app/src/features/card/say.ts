import type { Card, JobState, Standing, VisitState } from '@hudrik/core/card';
import { entryOf } from '@hudrik/core/catalogue';
import type { Problem } from '@hudrik/core/contracts';
import { namesOf, tellEntry, type CardRefusal, type Entry } from '@hudrik/core/log';
import type { Proof, TooSoon } from '@hudrik/core/proof';
import { factsIn, Refused, sentenceOf } from '@/api';
import { WORDING } from '@/features/fleet';
import { sayMissing } from '@/features/fleet/sayMissing';
import { sayMinutes, sayTime, sayValue } from '@/writing';

export const VISIT_WORD: Readonly<Record<VisitState, string>> = {
  waiting: 'Waiting',
  open: 'On the bench',
  'waits-clock': 'Waits for a clock',
  'waits-part': 'Waits for a part',
  'waits-decision': 'Waits for a decision',
  parked: 'Parked',
  'to-prove': 'To be proven',
  ended: 'Ended',
};
export const JOB_WORD: Readonly<Record<JobState, string>> = {
  waiting: 'Waiting',
  open: 'On the bench',
  'put-off': 'Put off',
  done: 'Done',
  dropped: 'Dropped',
};
/** Where a job stands, as a list says it. */
export const STANDING_WORD: Readonly<Record<Standing, string>> = { ...VISIT_WORD, ...JOB_WORD };

export const THING_WORD = {
  off: 'off',
  back: 'back',
  replaced: 'replaced',
  'on-trial': 'for the trial only',
  'struck-off': 'stays as it is',
} as const;

const list = (names: readonly string[]): string =>
  names.length <= 4 ? names.join(', ') : `${names.slice(0, 4).join(', ')} and ${names.length - 4} more`;

const refusalIn = (problem: Problem): CardRefusal | undefined => factsIn(problem, 'card-refused')?.why;

/** Why a look of a proof cannot be said yet. */
export function sayTooSoon(soon: TooSoon): string {
  if (soon.code === 'run-first') return 'Run it first: that is seen on a run only.';
  if (soon.code === 'run-it-out') return 'When the whole time is run and it is stopped.';
  return `From ${sayTime(soon.at)} on: the oil has to run back.`;
}

const FOR_SIGNERS = {
  system: 'It is said already what that belongs to. A technician can say otherwise.',
  'stays-off': 'Only a technician leaves that off: it may hurt somebody.',
  'short-clock': 'Only a technician sets a clock shorter.',
  'early-end': 'Only a technician ends a clock before its time.',
} as const;

type SayOf = { readonly [C in CardRefusal['code']]: (why: Extract<CardRefusal, { code: C }>) => string };

const SAY: SayOf = {
  'things-off': (why) => `Still off: ${list(why.things)}. Put each back, replace it, or mark it as staying off.`,
  'on-trial': (why) => `Fitted for the trial only: ${list(why.things)}. Replace before the proof.`,
  'not-off': (why) =>
    `${why.what}: ${entryOf(THING_WORD, why.state) ?? why.state} already. Somebody changed it meanwhile.`,
  'clock-ended': () => 'That clock has its result already.',
  'no-such-thing': () => 'That is not on the card any more.',
  'not-in-proof': () => 'This card is no longer being proven.',
  'leak-look-first': () => 'Look for leaks first, with the fuel on, before you start it.',
  'clock-not-over': (why) => `That clock runs until ${sayTime(why.endsAt)}. A good result counts when it is over.`,
  'clock-runs': () => 'A clock still runs. Wait for it, or say how it ended.',
  'steps-left': (why) => `Not ticked yet: ${list(why.steps)}. Tick each, or drop it with a reason.`,
  'run-too-early': (why) =>
    `That time lies before ${sayTime(why.since)}, when this was begun. The yard’s clock decides.`,
  'run-overlaps': (why) => `You had ${why.tag} running at that time.`,
  'seen-before': (why) => `Seen before ${sayTime(why.since)}, when ${why.what} was done. Look again: that counts.`,
  'clock-too-short': (why) => `It runs ${sayMinutes(why.minutes)}. A technician may set it shorter, with a reason.`,
  'early-not-good': () => 'Ended before its time, it shows nothing good. Stop it, or let it run.',
  'run-first': (why) => sayTooSoon(why),
  'run-it-out': (why) => sayTooSoon(why),
  'not-before': (why) => sayTooSoon(why),
  'no-such-load': () => 'That load is none of this class. Choose one that is offered.',
  'no-such-unit': (why) => `It cannot be told in that unit. Say it in ${why.wants}.`,
  'load-figure-wanted': (why) =>
    `Say what it is set to: ${sayValue(why.least)} to ${sayValue(why.most)} ${why.unit} loads it.`,
  'done-what': () => 'It was not right before. Say what was done since.',
  'system-wanted': (why) => `Say what each belongs to: ${list(why.things)}. By that it is known what to look at.`,
  'signers-only': (why) => FOR_SIGNERS[why.what],
  'lead-only': () => 'The instruments read that by themselves. Only a lead strikes it out, with a reason.',
  'not-to-take-back': () =>
    'Taken back is what one said oneself, within a minute. A technician can say that it was all right.',
  'not-passed': (why) => `Not passed yet: ${why.missing.map(sayMissing).join('; ')}.`,
};

/** Why the server would not take an entry, in words. */
export function sayRefusal(problem: Problem): string {
  const why = refusalIn(problem);
  if (why === undefined) return sentenceOf(new Refused(problem));
  const say: (of: never) => string = SAY[why.code];
  return say(why as never);
}

/** Where a proof stands, as a person would say it. */
export function sayProof(proof: Proof): string {
  if (proof.missing.length === 0) return 'It has passed. Sign it.';
  if (proof.leakLook === 'leaks') return 'It leaks. Do not start it.';
  if (proof.leakLook === 'not-looked') return 'First look for leaks, with the fuel on, before you start it.';
  if (proof.smoke === 'smoking') return 'It smokes: let it clear. The time does not count meanwhile.';
  if (proof.asksRun && proof.tested === 'untested')
    return `Not run yet: ${proof.minutesWanted} minutes ${proof.asksLoad ? 'under load ' : ''}are needed.`;
  if (proof.asksLoad && proof.tested === 'unloaded') return 'It runs without load. That does not count.';
  const left = proof.minutesWanted - proof.minutesRun;
  return left > 0
    ? `${left} of ${proof.minutesWanted} minutes still to run${proof.unbroken ? ', without a break' : ''}.`
    : `${proof.asksRun ? 'The time is complete. ' : ''}Still needed: ${proof.missing.map(sayMissing).join('; ')}.`;
}

/** What an entry says, in one line. */
export const sayEntry = (entry: Entry, card: Card | null): string =>
  tellEntry({ ...entry, outcome: card ? namesOf(card, entry.facts) : {} }, WORDING).title;

export const sayTurns = (quarters: number): string => {
  const [whole, rest] = [Math.floor(quarters / 4), quarters % 4];
  return `${whole > 0 || rest === 0 ? whole : ''}${['', '¼', '½', '¾'][rest] ?? ''} turn${quarters > 4 ? 's' : ''}`;
};
