import {
  entryOf,
  FAULTS,
  OBSERVATIONS,
  presentFault,
  SET_UP_IDS,
  SET_UPS,
  type AnyObservation,
  type ComesOff,
  type SetUpId,
} from '../catalogue';
import { kindOf } from './entries';
import type { Entry } from './shape';

/** A stretch of looking, ended by a repair after which the trouble was still there. */
export interface Chapter {
  readonly seen: Readonly<Record<string, string | readonly string[]>>;
  readonly repaired?: string;
  /** Faults that somebody who signs says are there. */
  readonly said?: readonly string[];
}

/** What a finding's entries come to. */
export interface Observed {
  readonly chapters: readonly Chapter[];
  /** Checks that told nothing. */
  readonly passedOver: readonly string[];
  /** The entries that count, newest first. */
  readonly counting: readonly Entry[];
  /** Those of them that were made in the finding itself: what the check-in showed before it took nothing off. */
  readonly madeHere: readonly Entry[];
  /** Every outcome that counts, of all chapters. */
  readonly shown: readonly { readonly observation: string; readonly outcome: string }[];
  readonly repaired: readonly string[];
}

interface Telling {
  readonly entry: Entry;
  readonly outcomes: readonly string[];
}

/** What was told, and said to be so, since the last repair. */
class Stretch {
  readonly tellings = new Map<string, Telling>();
  readonly said = new Map<string, Entry>();

  say(entry: Entry, fault: string, so: boolean): void {
    if (so) this.said.set(fault, entry);
    else this.said.delete(fault);
  }

  counted(): Entry[] {
    return [...[...this.tellings.values()].map((telling) => telling.entry), ...this.said.values()];
  }

  chapter(): Chapter {
    const seen = Object.fromEntries(
      [...this.tellings].map(([id, { outcomes }]) => [id, outcomes.length === 1 ? (outcomes[0] ?? '') : outcomes]),
    );
    return { seen, ...(this.said.size > 0 ? { said: [...this.said.keys()] } : {}) };
  }
}

/**
 * What is seen of a machine now. The last telling of an observation counts; one that was taken back counts nowhere; a repair that did not
 * help ends a chapter, and what was seen before it is kept in it. The same on the device and on the server.
 * In: entries of one finding in order; other kinds are passed over.
 */
export function observationsOf(entries: readonly Entry[]): Observed {
  let stretch = new Stretch();
  const chapters: Chapter[] = [];
  const passedOver = new Set<string>();
  const before: Entry[] = [];
  for (const entry of entries) {
    const step = kindOf(entry.kind)?.finding?.(entry.facts);
    if (step === undefined || step.kind === 'nothing') continue;
    if (step.kind === 'repaired') {
      chapters.push({ ...stretch.chapter(), repaired: presentFault(step.fault) });
      before.push(...stretch.counted(), entry);
      stretch = new Stretch();
      continue;
    }
    if (step.kind === 'said') {
      stretch.say(entry, presentFault(step.fault), step.so);
      continue;
    }
    if (step.kind === 'seen') stretch.tellings.set(step.observation, { entry, outcomes: step.outcomes });
    else stretch.tellings.delete(step.observation);
    if (step.kind === 'could-not-tell') passedOver.add(step.observation);
    else passedOver.delete(step.observation);
  }
  chapters.push(stretch.chapter());
  const counting = [...before, ...stretch.counted()].reverse();
  return {
    chapters,
    passedOver: [...passedOver],
    counting,
    madeHere: counting.filter(isSince(entries.find(({ kind }) => kind === 'finding-opened'))),
    shown: chapters.flatMap((one) => outcomesIn(one.seen)),
    repaired: chapters.flatMap((one) => one.repaired ?? []),
  };
}

/** Not before the finding was opened; where that is not known, all of it. */
const isSince =
  (opened: Entry | undefined) =>
  (entry: Entry): boolean =>
    opened === undefined || Date.parse(entry.at) >= Date.parse(opened.at);

const outcomesIn = (seen: Chapter['seen']): { observation: string; outcome: string }[] =>
  Object.entries(seen).flatMap(([observation, outcomes]) =>
    (typeof outcomes === 'string' ? [outcomes] : outcomes).map((outcome) => ({ observation, outcome })),
  );

/** What one entry of a finding leaves off: what had to come off for the look or the repair, and what the look itself took off. */
export function comesOffBy({ kind, facts }: Pick<Entry, 'kind' | 'facts'>): ComesOff[] {
  const step = kindOf(kind)?.finding?.(facts);
  if (step?.kind === 'repaired') return offFor(entryOf(FAULTS, presentFault(step.fault))?.repair.setUps ?? []);
  if (step?.kind !== 'seen') return [];
  const look = entryOf<AnyObservation>(OBSERVATIONS, step.observation);
  return [...offFor(look?.setUps ?? []), ...(look?.takesOff ? [look.takesOff] : [])];
}

const offFor = (setUps: readonly string[]): ComesOff[] =>
  SET_UP_IDS.filter((id) => setUps.includes(id)).map((id) => SET_UPS[id].takesOff);

/** What had to come off for what was looked at or put right in a finding: it is off. */
export function setUpsOf({ madeHere }: Pick<Observed, 'madeHere'>): SetUpId[] {
  const setUps = madeHere.flatMap((entry): readonly string[] => {
    const step = kindOf(entry.kind)?.finding?.(entry.facts);
    if (step === undefined || step.kind === 'nothing' || step.kind === 'said') return [];
    if (step.kind === 'repaired') return entryOf(FAULTS, presentFault(step.fault))?.repair.setUps ?? [];
    return entryOf<AnyObservation>(OBSERVATIONS, step.observation)?.setUps ?? [];
  });
  return SET_UP_IDS.filter((id) => setUps.includes(id));
}
