import { JUDGEMENT, type Threshold } from '../catalogue/shapes';
import type { Knowledge, Learned } from './compileModel';

/** A cause, or several, proven by a job that was done and proved. */
export interface ProvenCase {
  readonly classId: string | null;
  readonly family: string;
  /** Confirmed, with the share to which each was; one, but for what was one fault in a former edition. */
  readonly faults: readonly (readonly [id: string, share: number])[];
  /** What was looked at in its finding. */
  readonly looks: readonly string[];
  /** The same trouble was back soon after. */
  readonly cameBack: boolean;
}

export interface Lesson extends Required<Learned> {
  readonly classId: string | null;
  readonly family: string;
  /** By fault, how many of its repairs came back. */
  readonly cameBack: Readonly<Record<string, number>>;
}

export const TEACHES_WHEN_BACK: Threshold = {
  name: 'What came back soon was perhaps not it: it teaches this share of a case',
  value: 0.5,
  unit: 'share',
  source: JUDGEMENT,
};

type Counts = Record<string, number>;
const add = (counts: Counts, id: string, weight: number): void => void (counts[id] = (counts[id] ?? 0) + weight);

/**
 * What proven cases teach, by class and engine family. A case counts to a fault's own odds only where nothing that brings it about was confirmed; to
 * what brings it about where it was looked at.
 */
export function lessonsOf(knowledge: Pick<Knowledge, 'brings' | 'seenAs'>, cases: readonly ProvenCase[]): Lesson[] {
  const groups = new Map<string, ProvenCase[]>();
  for (const one of cases) {
    const key = `${one.classId} ${one.family}`;
    groups.set(key, [...(groups.get(key) ?? []), one]);
  }
  return [...groups.values()].flatMap((group) => {
    const [first] = group;
    return first === undefined ? [] : [lessonOf(knowledge, first, group)];
  });
}

function lessonOf(
  { brings, seenAs }: Pick<Knowledge, 'brings' | 'seenAs'>,
  { classId, family }: ProvenCase,
  group: readonly ProvenCase[],
): Lesson {
  const [counts, apart, cameBack]: [Counts, Counts, Counts] = [{}, {}, {}];
  const brought: Record<string, Record<string, { looked: number; found: number }>> = {};
  let all = 0;
  for (const { faults, looks, cameBack: isBack } of group) {
    const weight = isBack ? TEACHES_WHEN_BACK.value : 1;
    all += weight;
    const confirmed = new Map(faults);
    const children = new Set([...confirmed.keys()].flatMap((parent) => Object.keys(brings[parent] ?? {})));
    for (const child of children) add(apart, child, weight);
    for (const [fault, share] of confirmed) {
      if (!children.has(fault)) add(counts, fault, weight * share);
      if (isBack) add(cameBack, fault, share);
    }
    const wasLookedAt = (child: string): boolean =>
      confirmed.has(child) || seenAs.some((look) => look.fault === child && looks.includes(look.observation));
    const links = [...confirmed.keys()].flatMap((fault) =>
      Object.keys(brings[fault] ?? {})
        .filter(wasLookedAt)
        .map((child) => [fault, child] as const),
    );
    for (const [fault, child] of links) {
      const link = ((brought[fault] ??= {})[child] ??= { looked: 0, found: 0 });
      link.looked += weight;
      if (confirmed.has(child)) link.found += weight;
    }
  }
  return { classId, family, cases: all, counts, apart, brought, cameBack };
}
