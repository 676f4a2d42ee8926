/** The facts of the kinds of entry that a run is made of. */
interface RunFacts {
  readonly smoke: { readonly clear: boolean };
  readonly 'proof-load': { readonly load: string | null };
}

export interface ProofEntry {
  readonly id?: string;
  readonly kind: string;
  readonly at: string;
  readonly by?: string | null;
  readonly facts: unknown;
}

const isOf =
  <K extends keyof RunFacts>(kind: K) =>
  (entry: ProofEntry): entry is ProofEntry & { readonly facts: RunFacts[K] } =>
    entry.kind === kind;

const MINUTE_MS = 60_000;

export interface Run {
  /** Whole minutes that count, of all stretches. */
  readonly minutes: number;
  /** Whole minutes of the longest stretch without a break. */
  readonly longest: number;
  /** Since when it runs now; null while it stands. */
  readonly runningSince: string | null;
  /** When it was stopped last; null: it never ran, or runs now. */
  readonly stoppedAt: string | null;
  /** Whether time counts at this moment. */
  readonly counts: boolean;
}

/**
 * Minutes that count: while it runs, is loaded (where load is asked) and does not smoke. A stop, the load taken off and smoke each break a
 * stretch; time that counted stays. That it is clear may be said while it runs or stands.
 * An entry that says an earlier time than the one before it counts from that one: no minute is counted that lay before what was already said.
 * In: the entries of the proof in order, whether load is asked, the time. Example: loaded after 3 of 10 minutes of running: 7.
 */
export function runOf(entries: readonly ProofEntry[], asksLoad: boolean, now: string): Run {
  let since: string | null = null;
  let stopped: string | null = null;
  let loaded = false;
  let smokes = false;
  let countsFrom: number | null = null;
  let [sum, longest] = [0, 0];
  const counted = (until: number): number => (countsFrom === null ? 0 : Math.max(until - countsFrom, 0));
  let at = -Infinity;
  for (const entry of entries) {
    at = Math.max(at, Date.parse(entry.at));
    if (entry.kind === 'run-started') [since, stopped] = [since ?? new Date(at).toISOString(), null];
    else if (entry.kind === 'run-stopped')
      [since, stopped] = [null, since === null ? stopped : new Date(at).toISOString()];
    else if (isOf('proof-load')(entry)) loaded = entry.facts.load !== null;
    else if (isOf('smoke')(entry)) smokes = !entry.facts.clear;
    else continue;
    const counts = since !== null && !smokes && (loaded || !asksLoad);
    if (counts && countsFrom === null) countsFrom = at;
    if (counts || countsFrom === null) continue;
    sum += counted(at);
    longest = Math.max(longest, counted(at));
    countsFrom = null;
  }
  const current = counted(Date.parse(now));
  return {
    minutes: Math.floor((sum + current) / MINUTE_MS),
    longest: Math.floor(Math.max(longest, current) / MINUTE_MS),
    runningSince: since,
    stoppedAt: stopped,
    counts: countsFrom !== null,
  };
}
