import { entryOf, FAULTS, OBSERVATIONS, SET_UP_IDS, type AnyObservation, type SetUpId } from '../catalogue';
import { kindOf } from './entries';
import type { Entry } from './shape';

/** A stretch of looking, ended by a repair after which the trouble was still there. */
export interface Chapter {
  readonly seen: Readonly<Record<string, string | readonly string[]>>;
  readonly repaired?: string;
}

/** What a finding's entries come to. */
export interface Observed {
  readonly chapters: readonly Chapter[];
  /** Checks that told nothing. */
  readonly passedOver: readonly string[];
  /** The entries that count, newest first. */
  readonly counting: readonly Entry[];
  /** Every outcome that counts, of all chapters. */
  readonly shown: readonly { readonly observation: string; readonly outcome: string }[];
  readonly repaired: readonly string[];
}

interface Telling {
  readonly entry: Entry;
  readonly outcomes: readonly string[];
}

const seenIn = (tellings: ReadonlyMap<string, Telling>): Chapter['seen'] =>
  Object.fromEntries(
    [...tellings].map(([id, { outcomes }]) => [id, outcomes.length === 1 ? (outcomes[0] ?? '') : outcomes]),
  );

/**
 * What is seen of a machine now. The last telling of an observation counts; one that was taken back counts nowhere; a repair that did not
 * help ends a chapter, and what was seen before it is kept in it. The same on the device and on the server.
 * In: entries of one finding in order; other kinds are passed over.
 */
export function observationsOf(entries: readonly Entry[]): Observed {
  let tellings = new Map<string, Telling>();
  const chapters: Chapter[] = [];
  const passedOver = new Set<string>();
  const before: Entry[] = [];
  for (const entry of entries) {
    const step = kindOf(entry.kind)?.finding?.(entry.facts);
    if (step === undefined || step.kind === 'nothing') continue;
    if (step.kind === 'repaired') {
      chapters.push({ seen: seenIn(tellings), repaired: step.fault });
      before.push(...[...tellings.values()].map((telling) => telling.entry), entry);
      tellings = new Map();
      continue;
    }
    if (step.kind === 'seen') tellings.set(step.observation, { entry, outcomes: step.outcomes });
    else tellings.delete(step.observation);
    if (step.kind === 'could-not-tell') passedOver.add(step.observation);
    else passedOver.delete(step.observation);
  }
  chapters.push({ seen: seenIn(tellings) });
  return {
    chapters,
    passedOver: [...passedOver],
    counting: [...before, ...[...tellings.values()].map((telling) => telling.entry)].reverse(),
    shown: chapters.flatMap((chapter) => outcomesIn(chapter.seen)),
    repaired: chapters.flatMap((chapter) => chapter.repaired ?? []),
  };
}

const outcomesIn = (seen: Chapter['seen']): { observation: string; outcome: string }[] =>
  Object.entries(seen).flatMap(([observation, outcomes]) =>
    (typeof outcomes === 'string' ? [outcomes] : outcomes).map((outcome) => ({ observation, outcome })),
  );

/** What had to come off for what was looked at or put right: it is off. In: the entries that count. */
export function setUpsOf(counting: readonly Entry[]): SetUpId[] {
  const setUps = counting.flatMap((entry): readonly string[] => {
    const step = kindOf(entry.kind)?.finding?.(entry.facts);
    if (step === undefined || step.kind === 'nothing') return [];
    if (step.kind === 'repaired') return entryOf(FAULTS, step.fault)?.repair.setUps ?? [];
    return entryOf<AnyObservation>(OBSERVATIONS, step.observation)?.setUps ?? [];
  });
  return SET_UP_IDS.filter((id) => setUps.includes(id));
}
