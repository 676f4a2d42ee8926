import { compileModel, type Knowledge, type Model } from './compileModel';
import type { Lesson } from './lessons';
import { engineOfFamily } from './machine';

/** How a fault's odds were moved. */
export interface TaughtFault {
  readonly fault: string;
  /** Proven cases of it; what came back soon counts half. */
  readonly cases: number;
  readonly cameBack: number;
  /** Of a machine of which nothing is known yet, 0 to 1: as built in, and as taught. */
  readonly before: number;
  readonly after: number;
}

/** How the share in which one brings another about was moved. */
export interface TaughtLink {
  readonly fault: string;
  readonly child: string;
  readonly looked: number;
  readonly found: number;
  readonly before: number;
  readonly after: number;
}

/**
 * Old and new odds side by side.
 * In: a lesson of one class and engine family. Out: faults and links that it taught, what moved most first.
 */
export function taughtOdds(knowledge: Knowledge, lesson: Lesson): { faults: TaughtFault[]; links: TaughtLink[] } {
  const machine = {
    ...(lesson.classId === null ? {} : { classId: lesson.classId }),
    engine: engineOfFamily(lesson.family),
    past: {},
  };
  const [builtIn, taught] = [compileModel(knowledge, machine), compileModel(knowledge, machine, lesson)];
  const proven = new Map(Object.entries(lesson.counts));
  for (const [parent, children] of Object.entries(lesson.brought))
    for (const [child, { found }] of Object.entries(children))
      if (found > 0) proven.set(child, (proven.get(child) ?? 0) + found);
      else if (!proven.has(parent)) proven.set(parent, 0);
  const faults = [...proven].map(([fault, cases]) => ({
    fault,
    cases,
    cameBack: lesson.cameBack[fault] ?? 0,
    before: chanceIn(builtIn, fault),
    after: chanceIn(taught, fault),
  }));
  const links = Object.entries(lesson.brought).flatMap(([fault, children]) =>
    Object.entries(children).map(([child, { looked, found }]) => ({
      fault,
      child,
      looked,
      found,
      before: shareIn(builtIn, fault, child),
      after: shareIn(taught, fault, child),
    })),
  );
  return { faults: faults.sort(byMove), links: links.sort(byMove) };
}

const byMove = (a: Moved, b: Moved): number => Math.abs(b.after - b.before) - Math.abs(a.after - a.before);
type Moved = Pick<TaughtFault, 'before' | 'after'>;

function chanceIn({ faultIds, prior }: Model, fault: string): number {
  const at = faultIds.indexOf(fault);
  return at < 0 ? 0 : prior.unlimited(at);
}

function shareIn({ faultIds, prior }: Model, fault: string, child: string): number {
  const [parent, at] = [faultIds.indexOf(fault), faultIds.indexOf(child)];
  return prior.brings[parent]?.find((link) => link.fault === at)?.share ?? 0;
}
