import type { BenchAsked, BenchPlan, Minute, PlanVisit } from './shapes';

/** A plan that people saw, and when its first minute was. */
export interface Seen {
  readonly at: number;
  readonly asked: BenchAsked;
  readonly plan: BenchPlan;
}

/** Why a plan is another than the one that people saw. Times are milliseconds since 1970. */
export type PlanChange =
  | { readonly code: 'new' | 'done'; readonly id: string }
  | { readonly code: 'wanted'; readonly id: string; readonly from: number | null; readonly to: number | null }
  | { readonly code: 'later-there' | 'sooner-there'; readonly id: string; readonly to: number }
  | { readonly code: 'other-hands'; readonly id: string; readonly who: string | null }
  /** It was somebody's, or had its hour, and is free again: he or she left, or a hand took it back. */
  | { readonly code: 'given-back'; readonly id: string }
  /** Nothing of its own changed: it moves for others. */
  | { readonly code: 'moved'; readonly id: string; readonly from: number; readonly to: number };

const MINUTE_MS = 60_000;
/** Less is no news. */
const NEWS: Minute = 30;

/** What changed from one plan to the next: visits that came and went, what changed of their own, then what moves for them. */
export function changesOf(before: Seen, after: Seen): PlanChange[] {
  const was = new Map(before.asked.visits.map((visit) => [visit.id, visit]));
  const own = after.asked.visits.flatMap((visit) => {
    const old = was.get(visit.id);
    return old === undefined ? [{ code: 'new', id: visit.id } as const] : ownChanges(old, visit, before.at, after.at);
  });
  const there = new Set(after.asked.visits.map(({ id }) => id));
  const gone = [...was.keys()].filter((id) => !there.has(id)).map((id) => ({ code: 'done', id }) as const);
  const told = new Set(own.map(({ id }) => id));
  return [...gone, ...own, ...moves(before, after).filter(({ id }) => !told.has(id))];
}

function ownChanges(old: PlanVisit, visit: PlanVisit, oldAt: number, at: number): PlanChange[] {
  const { id } = visit;
  const instant = (minute: Minute | null, from: number): number | null =>
    minute === null ? null : from + minute * MINUTE_MS;
  const [wasDue, due] = [instant(old.dueAt, oldAt), instant(visit.dueAt, at)];
  const [wasThere, there] = [oldAt + old.releaseAt * MINUTE_MS, at + visit.releaseAt * MINUTE_MS];
  // What was released long ago was and is there at once.
  const moved = visit.releaseAt <= 0 && wasThere <= at ? 0 : there - wasThere;
  return [
    ...(isNews(wasDue, due) ? [{ code: 'wanted', id, from: wasDue, to: due } as const] : []),
    ...(Math.abs(moved) >= NEWS * MINUTE_MS
      ? [{ code: moved > 0 ? 'later-there' : 'sooner-there', id, to: there } as const]
      : []),
    ...(visit.who.length === 1 && old.who.join() !== visit.who.join()
      ? [{ code: 'other-hands', id, who: visit.who[0] ?? null } as const]
      : []),
    ...(isGivenBack(old, visit) ? [{ code: 'given-back', id } as const] : []),
  ];
}

const isGivenBack = (old: PlanVisit, visit: PlanVisit): boolean =>
  !old.inHand &&
  !visit.inHand &&
  ((old.pinnedAt !== null && visit.pinnedAt === null) || (old.who.length === 1 && visit.who.length > 1));

const isNews = (a: number | null, b: number | null): boolean =>
  a === null || b === null ? a !== b : Math.abs(a - b) >= NEWS * MINUTE_MS;

function moves(before: Seen, after: Seen): PlanChange[] {
  const was = new Map(before.plan.visits.map(({ id, from }) => [id, before.at + from * MINUTE_MS]));
  return after.plan.visits.flatMap((visit): PlanChange[] => {
    const from = was.get(visit.id);
    const to = after.at + visit.from * MINUTE_MS;
    // What was to begin by now and has not: time went by, nothing moved it.
    if (from === undefined || from <= after.at || Math.abs(to - from) < NEWS * MINUTE_MS) return [];
    return [{ code: 'moved', id: visit.id, from, to }];
  });
}
