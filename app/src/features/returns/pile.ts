import type { HireLine, Shift } from '@hudrik/core/contracts';
import { isOf, sayAtGate, type AtGate, type Entry } from '@hudrik/core/log';
import { byNeed, neededAt } from '@hudrik/core/readiness';

/** One of the pile: back, and not walked round yet. */
export interface Returned {
  readonly tag: string;
  readonly classId: HireLine['classId'];
  readonly reference: string;
  /** What was amiss as far as three taps say; null: nobody said. */
  readonly amiss: readonly string[] | null;
  readonly needed: string | null;
}

/** What is out, by tag: what may come back. */
export const outNow = (hires: readonly HireLine[], pile: readonly Returned[]): readonly HireLine[] =>
  hires
    .filter((hire) => hire.state === 'out' && hire.tag !== null && !pile.some((one) => one.tag === hire.tag))
    .sort((a, b) => a.toAt.localeCompare(b.toAt));

/**
 * The pile in the order in which it is walked: what goes out first is first.
 * In: the hires, the shift's lines of what is back, and what was said here, whether the server has it yet or not.
 */
export function pileOf(
  hires: readonly HireLine[],
  back: Shift['back'],
  saidHere: readonly Entry[],
): readonly Returned[] {
  const here = saidByHire(saidHere);
  const booked = hires.filter((hire) => hire.state === 'booked');
  return hires
    .flatMap(({ tag, classId, reference, state }): Returned[] => {
      if (tag === null || !(state === 'back' || (state === 'out' && here.has(reference)))) return [];
      const known = back.find((line) => line.reference === reference);
      const said = here.get(reference);
      const amiss = said ? sayAtGate(said) : known && known.because.length > 0 ? known.because : null;
      return [{ tag, classId, reference, amiss, needed: neededAt({ tag, classId }, booked) }];
    })
    .sort((a, b) => byNeed(a.needed, b.needed) || a.tag.localeCompare(b.tag));
}

function saidByHire(entries: readonly Entry[]): ReadonlyMap<string, AtGate | null> {
  return new Map(
    entries.filter((entry) => isOf(entry, 'hire-back')).map(({ facts }) => [facts.reference, facts.atGate ?? null]),
  );
}
