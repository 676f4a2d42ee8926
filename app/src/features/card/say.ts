import type { Card, JobState, Standing, VisitState } from '@hudrik/core/card';
import { checksOf, CLASSES, entryOf, PROOF_LOOKS, PROOFS } from '@hudrik/core/catalogue';
import type { Problem } from '@hudrik/core/contracts';
import { namesOf, tellEntry, type CardRefusal, type Entry } from '@hudrik/core/log';
import type { Proof } from '@hudrik/core/proof';
import { factsIn, Refused, sentenceOf } from '@/api';
import { WORDING } from '@/features/fleet';
import { sayTime } from '@/writing';

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

/** Why the server would not take an entry, in words. */
export function sayRefusal(problem: Problem): string {
  const why = refusalIn(problem);
  if (why === undefined) return sentenceOf(new Refused(problem));
  switch (why.code) {
    case 'things-off':
      return `Still off: ${list(why.things)}. Put each back, replace it, or mark it as staying off.`;
    case 'on-trial':
      return `Fitted for the trial only: ${list(why.things)}. Replace before the proof.`;
    case 'not-off':
      return `${why.what}: ${entryOf(THING_WORD, why.state) ?? why.state} already. Somebody changed it meanwhile.`;
    case 'clock-ended':
      return 'That clock has its result already.';
    case 'no-such-thing':
      return 'That is not on the card any more.';
    case 'not-in-proof':
      return 'This card is no longer being proven.';
    case 'leak-look-first':
      return 'Look for leaks first, with the fuel on, before you start it.';
    case 'clock-not-over':
      return `That clock runs until ${sayTime(why.endsAt)}. A good result counts when it is over; a technician may end it early with a reason.`;
    case 'clock-runs':
      return 'A clock still runs. Wait for it, or say how it ended.';
    case 'steps-left':
      return `Not ticked yet: ${list(why.steps)}. Tick each, or drop it with a reason.`;
    case 'run-too-early':
      return `That time lies before ${sayTime(why.since)}, when this was begun. The yard’s clock decides.`;
    case 'run-overlaps':
      return `You had ${why.tag} running at that time.`;
    case 'not-passed':
      return `Not passed yet: ${why.missing.map(sayMissing).join('; ')}.`;
  }
}

const READINGS = new Map(PROOFS.flatMap((plan) => plan.readings.map((reading) => [reading.id, reading.name] as const)));
const LOOKS = new Map<string, string>([
  ...[...PROOF_LOOKS.everyRun, PROOF_LOOKS.level, PROOF_LOOKS.tries, ...PROOFS.flatMap((plan) => plan.looks)].map(
    (look) => [look.id, look.name] as const,
  ),
  ...CLASSES.flatMap(checksOf).map((check) => [`safety-${check.id}`, check.words] as const),
]);

export function sayMissing(code: string): string {
  if (code === 'leak-look') return 'leak look';
  if (code === 'load') return 'a load that counts';
  if (code === 'smoke') return 'smoke clear';
  if (code === 'minutes') return 'minutes under load';
  if (code.startsWith('reading-')) return (READINGS.get(code.slice(8)) ?? code).toLowerCase();
  return (LOOKS.get(code.slice(5)) ?? code).toLowerCase();
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
