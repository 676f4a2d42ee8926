export const READINESS = ['fit', 'prep', 'held', 'out', 'laid-up', 'gone'] as const;
export type Readiness = (typeof READINESS)[number];

export interface OpenJob {
  readonly sentence: string;
  readonly blocks: 'hold' | 'prep' | 'none';
}

export interface ReadinessFacts {
  readonly gone: boolean;
  readonly laidUp: boolean;
  /** The hire the unit is on. Back on the yard, it still counts until it is checked in. */
  readonly hire: { readonly backAt: string | null; readonly dueAt: string } | null;
  /** Jobs not yet done or dropped. */
  readonly jobs: readonly OpenJob[];
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
 * is back but not looked at must not go out; then the worst open job decides.
 * Source: common practice. Example: one job that holds and one prep gives held, with the holding job's line as the reason.
 */
export function readinessOf(facts: ReadinessFacts): ReadinessVerdict {
  if (facts.gone) return { readiness: 'gone', because: [] };
  if (facts.hire?.backAt) return { readiness: 'held', because: [], notLookedAtSince: facts.hire.backAt };
  if (facts.hire) return { readiness: 'out', because: [], dueAt: facts.hire.dueAt };
  if (facts.laidUp) return { readiness: 'laid-up', because: [] };
  const sentencesOf = (blocks: OpenJob['blocks']) =>
    facts.jobs.filter((job) => job.blocks === blocks).map((job) => job.sentence);
  const [holding, prep] = [sentencesOf('hold'), sentencesOf('prep')];
  if (holding.length > 0) return { readiness: 'held', because: holding };
  return prep.length > 0 ? { readiness: 'prep', because: prep } : { readiness: 'fit', because: [] };
}
