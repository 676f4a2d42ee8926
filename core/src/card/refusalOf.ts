import { proofOfEntries, type ProofSetting } from '../proof';
import { cardOf } from './cardOf';
import type { CardEntry, NewCardEntry } from './entry';
import type { JobState } from './stateAfter';

export type CardRefusal =
  | { readonly code: 'things-off'; readonly things: readonly string[] }
  | { readonly code: 'on-trial'; readonly things: readonly string[] }
  | { readonly code: 'no-such-thing'; readonly id: string }
  | { readonly code: 'not-off'; readonly what: string; readonly state: string }
  | { readonly code: 'clock-ended'; readonly result: string }
  | { readonly code: 'not-in-proof' }
  | { readonly code: 'leak-look-first' }
  | { readonly code: 'smoke-first' }
  | { readonly code: 'not-passed'; readonly missing: readonly string[] };

const PROOF_KINDS: readonly string[] = [
  'leak-look',
  'proof-load',
  'smoke',
  'run-started',
  'run-stopped',
  'proof-reading',
  'proof-look',
  'proved',
];

/**
 * Why an entry can not be taken on a card as it stands; null when it can.
 * Two people's entries merge by themselves; what can not (the same thing put back twice, a clock's second result) is refused with what
 * stands. In: entries so far, the entry, the job's state, how its class is proven, the time.
 */
export function refusalOf(
  entries: readonly CardEntry[],
  entry: NewCardEntry,
  state: JobState,
  setting: ProofSetting,
  now: string,
): CardRefusal | null {
  if (PROOF_KINDS.includes(entry.kind) && state !== 'to-prove') return { code: 'not-in-proof' };
  const card = cardOf(entries);
  const facts = entry.facts as {
    readonly thingId?: string | null;
    readonly stepId?: string | null;
    readonly clockId?: string;
  };
  if (
    entry.kind === 'put-back' ||
    entry.kind === 'struck' ||
    entry.kind === 'replaced' ||
    entry.kind === 'off-again' ||
    entry.kind === 'thing-changed'
  ) {
    const thing = card.ledger.things.find((one) => one.thingId === facts.thingId);
    if (thing === undefined) return { code: 'no-such-thing', id: String(facts.thingId) };
    const isOff = thing.state === 'off' || thing.state === 'on-trial';
    if (entry.kind === 'off-again' ? thing.state === 'off' : entry.kind !== 'thing-changed' && !isOff)
      return { code: 'not-off', what: thing.what, state: thing.state };
  }
  if (
    entry.kind.startsWith('step-') &&
    entry.kind !== 'step-added' &&
    !card.steps.some((step) => step.stepId === facts.stepId)
  )
    return { code: 'no-such-thing', id: String(facts.stepId) };
  if (entry.kind === 'clock-ended') {
    const clock = card.clocks.find((one) => one.clockId === facts.clockId);
    if (clock === undefined) return { code: 'no-such-thing', id: String(facts.clockId) };
    if (clock.result !== null) return { code: 'clock-ended', result: clock.result };
  }
  // Something may come off again in the middle of a proof: it is neither run on nor signed like that.
  if (entry.kind === 'to-proof' || entry.kind === 'run-started' || isPass(entry)) {
    if (card.ledger.putBack.length > 0)
      return { code: 'things-off', things: card.ledger.putBack.map((thing) => thing.what) };
    if (card.ledger.onTrial.length > 0)
      return { code: 'on-trial', things: card.ledger.onTrial.map((thing) => thing.what) };
  }
  return proofRefusal(entries, entry, setting, now);
}

const isPass = (entry: NewCardEntry): boolean => entry.kind === 'proved' && (entry.facts as { passed: boolean }).passed;

function proofRefusal(
  entries: readonly CardEntry[],
  entry: NewCardEntry,
  setting: ProofSetting,
  now: string,
): CardRefusal | null {
  if (entry.kind !== 'run-started' && !isPass(entry)) return null;
  const proof = proofOfEntries(entries, setting, now);
  if (entry.kind === 'run-started')
    return proof.leakLook !== 'dry'
      ? { code: 'leak-look-first' }
      : proof.smoke === 'smoking'
        ? { code: 'smoke-first' }
        : null;
  return proof.missing.length > 0 ? { code: 'not-passed', missing: proof.missing } : null;
}
