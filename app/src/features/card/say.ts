import type { CardEntry, CardKind, JobState, CardRefusal } from '@hudrik/core/card';
import { EVERY_PROOF, PROOFS } from '@hudrik/core/catalogue';
import type { Proof } from '@hudrik/core/proof';
import { sentenceOf, type Refused } from '@/api';

export const STATE_WORD: Readonly<Record<JobState, string>> = {
  waiting: 'Waiting',
  open: 'On the bench',
  'waits-clock': 'Waits for a clock',
  'waits-part': 'Waits for a part',
  'waits-decision': 'Waits for a decision',
  'to-prove': 'To be proven',
  done: 'Done',
  dropped: 'Dropped',
};

export const WAY_WORD = {
  mend: 'Clean or mend it',
  replace: 'Replace the part',
  'swap-engine': 'Swap the engine',
  retire: 'Let the unit go',
} as const;

export const THING_WORD = {
  off: 'off',
  back: 'back',
  replaced: 'replaced',
  'on-trial': 'for the trial only',
  struck: 'stays as it is',
} as const;

const list = (names: readonly string[]): string =>
  names.length <= 4 ? names.join(', ') : `${names.slice(0, 4).join(', ')} and ${names.length - 4} more`;

/** Why the server would not take an entry, in words. */
export function sayRefusal(refused: Refused): string {
  const why = refused.problem.facts?.['why'] as CardRefusal | undefined;
  if (refused.code !== 'card-refused' || why === undefined) return sentenceOf(refused);
  switch (why.code) {
    case 'things-off':
      return `Still off: ${list(why.things)}. Put back, replace or strike each.`;
    case 'on-trial':
      return `Fitted for the trial only: ${list(why.things)}. Replace before the proof.`;
    case 'not-off':
      return `${why.what}: ${THING_WORD[why.state as keyof typeof THING_WORD] ?? why.state} already. Somebody was here meanwhile.`;
    case 'clock-ended':
      return 'That clock has its result already.';
    case 'no-such-thing':
      return 'What it was about is not on the card.';
    case 'not-in-proof':
      return 'The card is not in its proof any more.';
    case 'leak-look-first':
      return 'Look for leaks first, fuel on, before the first pull.';
    case 'smoke-first':
      return 'The smoke must clear before the time counts.';
    case 'not-passed':
      return `Not passed yet: ${why.missing.map(sayMissing).join('; ')}.`;
  }
}

/** Asked again, it would be refused again. */
export const isFinal = ({ problem: { status } }: Refused): boolean =>
  status >= 400 && status < 500 && status !== 401 && status !== 429;

const READINGS = new Map(PROOFS.flatMap((plan) => plan.readings.map((reading) => [reading.id, reading.name] as const)));
const LOOKS = new Map(
  [...EVERY_PROOF, ...PROOFS.flatMap((plan) => plan.looks)].map((look) => [look.id, look.name] as const),
);

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
  if (proof.leakLook !== 'dry') return 'First look for leaks, fuel on, before the first pull.';
  if (proof.smoke === 'smoking') return 'It smokes: let it clear. The time does not count yet.';
  if (proof.tested === 'untested') return `Not run yet: ${proof.minutesWanted} minutes under load are wanted.`;
  if (proof.tested === 'unloaded') return 'It runs unloaded. That is no proof.';
  const left = proof.minutesWanted - proof.minutesRun;
  return left > 0
    ? `${left} of ${proof.minutesWanted} minutes still to run.`
    : `The time is run. Still wanted: ${proof.missing.map(sayMissing).join('; ')}.`;
}

const KIND_WORD: Readonly<Partial<Record<CardKind, string>>> = {
  'step-added': 'a step added',
  'step-changed': 'a step changed',
  'step-done': 'a step ticked',
  'step-undone': 'a step opened again',
  'step-dropped': 'a step dropped',
  'hands-on': 'hands on',
  'hands-off': 'hands off',
  note: 'a note',
  photo: 'a photo',
  marked: 'marks on a photo',
  'taken-off': 'a thing taken off',
  'thing-changed': 'a thing described anew',
  'put-back': 'a thing put back',
  'off-again': 'a thing off again',
  replaced: 'a thing replaced',
  struck: 'a thing struck',
  reading: 'a reading',
  'trial-start': 'a trial start',
  waits: 'a wait',
  'goes-on': 'going on',
  'clock-started': 'a clock started',
  'clock-ended': 'a clock’s result',
  decided: 'a decision',
  'to-proof': 'going to the proof',
  proved: 'the proof',
};
export const sayEntry = (entry: CardEntry): string => {
  const facts = entry.facts as { what?: string; text?: string };
  return `${KIND_WORD[entry.kind] ?? entry.kind.replaceAll('-', ' ')}${facts.what ? `: ${facts.what}` : ''}${facts.text ? `: ${facts.text}` : ''}`;
};

export const sayTurns = (quarters: number): string => {
  const [whole, rest] = [Math.floor(quarters / 4), quarters % 4];
  return `${whole > 0 || rest === 0 ? whole : ''}${['', '¼', '½', '¾'][rest] ?? ''} turn${quarters > 4 ? 's' : ''}`;
};
