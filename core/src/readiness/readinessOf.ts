export const READINESS = ['fit', 'prep', 'held', 'out', 'laid-up', 'gone'] as const;
export type Readiness = (typeof READINESS)[number];

export interface OpenDefect {
  readonly sentence: string;
  readonly weight: 'hold' | 'prep';
}

export interface ReadinessFacts {
  readonly gone: boolean;
  readonly laidUp: boolean;
  /** The hire the unit is on. Back on the yard, it still counts until it is checked in. */
  readonly hire: { readonly backAt: string | null; readonly dueAt: string } | null;
  /** What is wrong with it, in order of weight. */
  readonly defects: readonly OpenDefect[];
  /** What it is on the bench for: from the first job begun until the work is signed. */
  readonly onBench: readonly string[];
}

/** The answer first, then why, as facts: the sentence is made where it is shown. */
export type ReadinessVerdict =
  | { readonly readiness: 'gone' | 'laid-up' | 'fit'; readonly because: readonly [] }
  | { readonly readiness: 'out'; readonly because: readonly []; readonly dueAt: string }
  | { readonly readiness: 'held'; readonly because: readonly string[]; readonly notLookedAtSince?: string }
  | { readonly readiness: 'prep'; readonly because: readonly string[] };

/**
 * The one place that says what state a unit is in.
 * In: facts only, no clock. Out: readiness with its reasons. What is gone stays gone; a laid-up unit is not offered; a unit that
 * is back but not looked at must not go out; what is on the bench is held until its work is signed; then the worst open defect decides. It
 * hangs on what is wrong, not on whether somebody has a job for it. Every open defect is a reason.
 * Source: common practice. Example: one defect that holds and one prep gives held, with both as reasons, the one that holds first.
 */
export function readinessOf(facts: ReadinessFacts): ReadinessVerdict {
  if (facts.gone) return { readiness: 'gone', because: [] };
  if (facts.hire?.backAt) return { readiness: 'held', because: [], notLookedAtSince: facts.hire.backAt };
  if (facts.hire) return { readiness: 'out', because: [], dueAt: facts.hire.dueAt };
  if (facts.laidUp) return { readiness: 'laid-up', because: [] };
  const sentencesOf = (weight: OpenDefect['weight']) =>
    facts.defects.filter((defect) => defect.weight === weight).map((defect) => defect.sentence);
  const [holding, prep] = [sentencesOf('hold'), sentencesOf('prep')];
  const onBench = facts.onBench.map((title) => `On the bench: ${title}.`);
  if (holding.length + onBench.length > 0) return { readiness: 'held', because: [...holding, ...onBench, ...prep] };
  return prep.length > 0 ? { readiness: 'prep', because: prep } : { readiness: 'fit', because: [] };
}
