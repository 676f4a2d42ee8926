/** An old number and the one that took its place. */
export interface Supersession {
  readonly old: string;
  readonly by: string;
}

export type SupersessionProblem =
  | { readonly code: 'loop'; readonly numbers: readonly string[] }
  | { readonly code: 'fork'; readonly number: string; readonly by: readonly string[] };

export type Today =
  | { readonly ok: true; readonly number: string; readonly through: readonly string[] }
  | { readonly ok: false; readonly problem: SupersessionProblem };

const plain = (number: string): string => number.trim().toUpperCase();

function successors(edges: readonly Supersession[]): Map<string, Set<string>> {
  const map = new Map<string, Set<string>>();
  for (const { old, by } of edges) map.set(plain(old), (map.get(plain(old)) ?? new Set()).add(plain(by)));
  return map;
}

/**
 * Today's number of a part, by any number that it ever had.
 * In: a number (case and outer blanks do not matter) and the supersessions. Out: the last of the row and what lay between; a loop or a
 * fork on the way is said. A number that nothing took the place of is its own. Source: common practice. Example: A→B, B→C: A gives C.
 */
export function todaysNumber(number: string, edges: readonly Supersession[]): Today {
  const next = successors(edges);
  const through: string[] = [];
  let at = plain(number);
  for (;;) {
    const by = [...(next.get(at) ?? [])];
    const [first, second] = by;
    if (first === undefined) return { ok: true, number: at, through };
    if (second !== undefined) return { ok: false, problem: { code: 'fork', number: at, by: by.sort() } };
    through.push(at);
    at = first;
    if (through.includes(at))
      return { ok: false, problem: { code: 'loop', numbers: through.slice(through.indexOf(at)) } };
  }
}

/** All loops and forks of a list, each once. Example: A→B, B→A gives one loop. */
export function checkSupersessions(edges: readonly Supersession[]): SupersessionProblem[] {
  const problems = new Map<string, SupersessionProblem>();
  for (const { old } of edges) {
    const today = todaysNumber(old, edges);
    if (!today.ok)
      problems.set(
        today.problem.code === 'loop'
          ? `loop ${[...today.problem.numbers].sort().join()}`
          : `fork ${today.problem.number}`,
        today.problem,
      );
  }
  return [...problems.values()];
}
