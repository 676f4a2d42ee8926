import type { Repair } from '../catalogue/shapes';
import type { Knowledge } from './compileModel';
import { minutesToOpen } from './effort';
import { COSTS } from './Prices';
import type { Seen } from './Finding';
import { holdsOf } from './rivalRepairs';

/** One way to put all that was found right: a repair for each cause, less what another repair puts right besides. */
export interface PutRight {
  readonly way: 'mend' | 'replace';
  readonly title: string;
  /** Hands-on, with what has to come off counted once. */
  readonly minutes: number;
  readonly partsCents: number;
  readonly holds: number;
}

export interface PutRightAsked {
  readonly seen: Seen;
  readonly setUpsDone: ReadonlySet<string>;
  /** Odds that cleaning or mending holds in the state that the old part is in, as a share of those of a good one. */
  readonly stateShare: number;
}

/**
 * The ways to put causes right: every combination of their rival repairs, the cheapest of each kind in minutes and parts where there are
 * several causes.
 * In: the knowledge, the causes, what was seen, what is off, how the old part's state counts. Out: ways, each "replace" where a new part goes
 * on; none where there are no causes. Where nothing can be renewed there is no "replace"; where cleaning is no way there is no "mend". What
 * one repair cures of the other causes is not done again, and what has to come off comes off once.
 */
export function waysToPutRight(knowledge: Knowledge, causes: readonly string[], asked: PutRightAsked): PutRight[] {
  const rivals = causes.flatMap((id) => {
    const fault = knowledge.faults[id];
    return fault === undefined ? [] : [{ id, repairs: [fault.repair, ...(fault.rivals ?? [])] }];
  });
  if (rivals.length === 0) return [];
  const ways = combined(rivals).map((chosen) => wayOf(knowledge, chosen, asked));
  return rivals.length === 1 ? ways : cheapestOfEach(ways);
}

interface Chosen {
  readonly id: string;
  readonly repair: Repair;
  /** It stands against one that fits a new part: so the state of the old one counts. */
  readonly isRival: boolean;
}

function combined(rivals: readonly { readonly id: string; readonly repairs: readonly Repair[] }[]): Chosen[][] {
  return rivals.reduce<Chosen[][]>(
    (sets, { id, repairs }) =>
      sets.flatMap((set) =>
        repairs.map((repair) => [...set, { id, repair, isRival: repairs.some((other) => other.renews === true) }]),
      ),
    [[]],
  );
}

function wayOf(knowledge: Knowledge, chosen: readonly Chosen[], asked: PutRightAsked): PutRight {
  const done = withoutCured(chosen);
  const setUps = [...new Set(done.flatMap(({ repair }) => repair.setUps ?? []))];
  const minutes = done.reduce((sum, { repair }) => sum + repair.minutes, 0);
  return {
    way: done.some(({ repair }) => repair.renews === true) ? 'replace' : 'mend',
    title: done.map(({ repair }) => repair.title).join('; '),
    minutes: minutes + minutesToOpen(knowledge, setUps, asked.setUpsDone),
    partsCents: done.reduce((sum, { repair }) => sum + repair.partsCents, 0),
    holds: done.reduce((product, one) => product * holdsIn(one, asked), 1),
  };
}

/** What another of the repairs puts right besides, or the same repair again, is not done twice. */
function withoutCured(chosen: readonly Chosen[]): readonly Chosen[] {
  return chosen.filter(({ id, repair }, at) => {
    const isAgain = chosen.slice(0, at).some((other) => other.repair.title === repair.title);
    const isCured = chosen.some(
      (other, place) =>
        place !== at &&
        other.repair.cures?.includes(id) === true &&
        !(repair.cures?.includes(other.id) === true && place > at),
    );
    return !isAgain && !isCured;
  });
}

const holdsIn = ({ repair, isRival }: Chosen, { seen, stateShare }: PutRightAsked): number =>
  holdsOf(repair, seen) * (repair.renews !== true && isRival ? stateShare : 1);

/** Of several causes: of each kind the one that costs least in hands and parts, then the surest. */
function cheapestOfEach(ways: readonly PutRight[]): PutRight[] {
  return (['mend', 'replace'] as const).flatMap((kind) => {
    const these = ways.filter(({ way }) => way === kind);
    return [...these].sort((a, b) => loadOf(a) - loadOf(b)).slice(0, 1);
  });
}

/** A way's weight for choosing among its like: what it asks, by how often it has to be asked. */
const loadOf = ({ minutes, partsCents, holds }: PutRight): number =>
  (minutes * COSTS.centsPerMinute + partsCents) / Math.max(holds, 0.05);
