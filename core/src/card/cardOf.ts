import { ledgerOf, type Ledger, type Mark } from '../teardown';
import type { CardEntry, CardEntryOf, LaidStep } from './entry';

export interface CardStep extends Omit<LaidStep, 'key'> {
  readonly key: string | null;
  readonly state: 'to-do' | 'done' | 'dropped';
  readonly by: string | null;
  readonly at: string | null;
  /** Why it was dropped. */
  readonly why: string | null;
  /** Where two people wrote at once: what the other wrote, which does not stand. */
  readonly otherWords: readonly { readonly title: string; readonly by: string | null }[];
}

export interface CardClock {
  readonly clockId: string;
  readonly clock: string;
  readonly stepId: string | null;
  readonly startedAt: string;
  readonly endsAt: string;
  readonly by: string | null;
  readonly result: string | null;
}

export interface TakenReading extends Omit<CardEntryOf<'reading'>['facts'], never> {
  readonly at: string;
  readonly by: string | null;
}

export interface CardPhoto {
  readonly photoId: string;
  readonly marks: readonly Mark[];
  readonly stepId: string | null;
  readonly thingId: string | null;
  readonly at: string;
  readonly by: string | null;
}

export type Changed = CardEntryOf<'note'>;

/** All that a card's entries come to. */
export interface Card {
  readonly edition: string | null;
  readonly steps: readonly CardStep[];
  readonly ledger: Ledger;
  readonly clocks: readonly CardClock[];
  readonly readings: readonly TakenReading[];
  readonly notes: readonly Changed[];
  readonly photos: readonly CardPhoto[];
  readonly teardowns: readonly string[];
  /** Whole minutes with hands on, by person; and who has them on now, since when. */
  readonly handsOn: {
    readonly minutes: Readonly<Record<string, number>>;
    readonly running: readonly { readonly by: string; readonly since: string }[];
  };
  readonly trials: readonly CardEntryOf<'trial-start'>[];
  readonly decision: CardEntryOf<'decided'> | null;
}

const MINUTE_MS = 60_000;
const NOBODY = '–';
const of = <K extends CardEntry['kind']>(entries: readonly CardEntry[], kind: K): CardEntryOf<K>[] =>
  entries.filter((entry): entry is CardEntryOf<K> & CardEntry => entry.kind === kind);

/**
 * A job's card from its entries, in the order in which they were taken. The same on the device and on the server.
 * In: entries. Out: see Card. Minutes of hands-on count finished stretches only, rounded down to whole minutes per stretch's sum.
 */
export function cardOf(entries: readonly CardEntry[]): Card {
  return {
    edition: of(entries, 'steps-laid').at(-1)?.facts.edition ?? null,
    steps: stepsOf(entries),
    ledger: ledgerOf(entries),
    clocks: clocksOf(entries),
    readings: of(entries, 'reading').map(({ facts, at, by }) => ({ ...facts, at, by })),
    notes: of(entries, 'note'),
    photos: photosOf(entries),
    teardowns: [...new Set(of(entries, 'teardown-begun').map((entry) => entry.facts.teardown))],
    handsOn: handsOnOf(entries),
    trials: of(entries, 'trial-start'),
    decision: of(entries, 'decided').at(-1) ?? null,
  };
}

function stepsOf(entries: readonly CardEntry[]): CardStep[] {
  const steps = new Map<string, CardStep>();
  const fresh = (laid: Omit<LaidStep, 'key'> & { readonly key: string | null }): CardStep => ({
    ...laid,
    state: 'to-do',
    by: null,
    at: null,
    why: null,
    otherWords: [],
  });
  for (const entry of entries) {
    if (entry.kind === 'steps-laid')
      for (const laid of entry.facts.steps) if (!steps.has(laid.stepId)) steps.set(laid.stepId, fresh(laid));
    if (entry.kind === 'step-added' && !steps.has(entry.facts.stepId))
      steps.set(entry.facts.stepId, fresh({ ...entry.facts, key: null }));
    const id = 'stepId' in entry.facts ? (entry.facts.stepId ?? '') : '';
    const step = steps.get(id);
    if (step) steps.set(id, stepAfter(step, entry));
  }
  return [...steps.values()];
}

function stepAfter(step: CardStep, entry: CardEntry): CardStep {
  switch (entry.kind) {
    case 'step-done':
      return { ...step, state: 'done', by: entry.by, at: entry.at };
    case 'step-undone':
      return { ...step, state: 'to-do', by: null, at: null, why: null };
    case 'step-dropped':
      return { ...step, state: 'dropped', by: entry.by, at: entry.at, why: entry.facts.why };
    case 'step-changed':
      return {
        ...step,
        title: entry.facts.title,
        otherWords:
          entry.facts.was === step.title || entry.facts.title === step.title
            ? []
            : [...step.otherWords, { title: step.title, by: step.by }],
      };
    default:
      return step;
  }
}

function clocksOf(entries: readonly CardEntry[]): CardClock[] {
  const results = new Map(of(entries, 'clock-ended').map((entry) => [entry.facts.clockId, entry.facts.result]));
  return of(entries, 'clock-started').map(({ facts, at, by }) => ({
    clockId: facts.clockId,
    clock: facts.clock,
    stepId: facts.stepId,
    startedAt: at,
    endsAt: new Date(Date.parse(at) + facts.minutes * MINUTE_MS).toISOString(),
    by,
    result: results.get(facts.clockId) ?? null,
  }));
}

function photosOf(entries: readonly CardEntry[]): CardPhoto[] {
  const marks = new Map(of(entries, 'marked').map((entry) => [entry.facts.photoId, entry.facts.marks]));
  return of(entries, 'photo').map(({ facts, at, by }) => ({
    ...facts,
    marks: marks.get(facts.photoId) ?? facts.marks,
    at,
    by,
  }));
}

function handsOnOf(entries: readonly CardEntry[]): Card['handsOn'] {
  const since = new Map<string, string>();
  const spent = new Map<string, number>();
  for (const entry of entries) {
    const who = entry.by ?? NOBODY;
    if (entry.kind === 'hands-on' && !since.has(who)) since.set(who, entry.at);
    if (entry.kind === 'hands-off' && since.has(who)) {
      spent.set(who, (spent.get(who) ?? 0) + Math.max(Date.parse(entry.at) - Date.parse(since.get(who) as string), 0));
      since.delete(who);
    }
  }
  return {
    minutes: Object.fromEntries([...spent].map(([who, span]) => [who, Math.floor(span / MINUTE_MS)])),
    running: [...since].map(([by, at]) => ({ by, since: at })),
  };
}
