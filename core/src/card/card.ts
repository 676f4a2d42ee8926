import type { ReadingKind, StepTemplate } from '../catalogue/shapes';
import { EMPTY_LEDGER, type Ledger, type Mark } from '../teardown';

/** One step as it was put on the card: by a template, or by a person. */
export interface ListedStep {
  readonly stepId: string;
  readonly title: string;
  readonly caution?: string | undefined;
  readonly clock?: string | undefined;
  readonly reading?: string | undefined;
  readonly teardown?: string | undefined;
  /** Of its template; the same in every edition. A person's own step has none. */
  readonly key: StepTemplate['key'] | null;
}

export interface CardStep extends ListedStep {
  /** The job under whose heading it stands. */
  readonly jobId: string | null;
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
  /** When its start arrived at the server: a wait begun without a connection counts from then, unless the device counted on. */
  readonly arrivedAt: string;
  readonly minutes: number;
  readonly endsAt: string;
  /** Why it is shorter than its kind; null: it is not. */
  readonly shortWhy: string | null;
  readonly by: string | null;
  /** How it ended; null while it runs or waits for its result. */
  readonly result: string | null;
}

/** A reading as it was entered on the card: which kind, the numbers with their unit, and what they mean. */
export interface CardReading {
  readonly reading: ReadingKind;
  readonly given: Readonly<Record<string, unknown>>;
  readonly outcome: string;
  readonly when: 'before' | 'after';
  readonly stepId: string | null;
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

/** Any measure, with the limits it was held against. */
export interface Measure {
  readonly name: string;
  readonly place: string;
  readonly value: number;
  readonly unit: string;
  readonly from: number | null;
  readonly to: number | null;
}

/** Something said on the card, by whom and when. */
interface Remark<F> {
  readonly id: string;
  readonly at: string;
  readonly by: string | null;
  readonly facts: F;
}

interface Said {
  readonly at: string;
  readonly by: string | null;
}

/** All that a card's entries come to. */
export interface Card {
  /** The edition of the templates that its steps were listed by last. */
  readonly edition: string | null;
  readonly steps: readonly CardStep[];
  readonly ledger: Ledger;
  readonly clocks: readonly CardClock[];
  readonly readings: readonly CardReading[];
  readonly notes: readonly Remark<{ readonly text: string; readonly stepId: string | null }>[];
  readonly photos: readonly CardPhoto[];
  /** What was measured by a name of its own. */
  readonly measures: readonly Remark<Measure>[];
  readonly teardowns: readonly string[];
  /** Milliseconds of hands-on work in finished stretches, by person. */
  readonly workedMs: Readonly<Record<string, number>>;
  /** Who has hands on it now, since when. */
  readonly working: readonly { readonly by: string; readonly since: string }[];
  readonly trials: readonly Remark<{ readonly how: string; readonly note: string }>[];
  readonly decision: Remark<{ readonly way: string; readonly why: string }> | null;
  /** To whom the card was given last, and what was said with it. */
  readonly handedOn: (Said & { readonly to: number; readonly name: string | null; readonly note: string }) | null;
  /** Who asks for a signature; nobody once it is signed or the work goes on. */
  readonly signatureAsked: (Said & { readonly note: string }) | null;
}

export const EMPTY_CARD: Card = {
  edition: null,
  steps: [],
  ledger: EMPTY_LEDGER,
  clocks: [],
  readings: [],
  notes: [],
  photos: [],
  measures: [],
  teardowns: [],
  workedMs: {},
  working: [],
  trials: [],
  decision: null,
  handedOn: null,
  signatureAsked: null,
};

const MINUTE_MS = 60_000;

/** Steps are put behind those that are there; one whose id is there already is left as it is. */
export function listSteps(card: Card, steps: readonly ListedStep[], jobId: string | null): Card {
  const there = new Set(card.steps.map((step) => step.stepId));
  const fresh = steps.filter((step) => !there.has(step.stepId));
  const open = { jobId, state: 'to-do', by: null, at: null, why: null, otherWords: [] } as const;
  return { ...card, steps: [...card.steps, ...fresh.map((step): CardStep => ({ ...step, ...open }))] };
}

/** One step is not as it was; an id that is not there is passed over. */
export const changeStep = (card: Card, stepId: string, change: (step: CardStep) => CardStep): Card => ({
  ...card,
  steps: card.steps.map((step) => (step.stepId === stepId ? change(step) : step)),
});

const SOMEBODY = '–';

/** A person begins to work on it; who works already goes on. */
export function startWork(card: Card, by: string | null, at: string): Card {
  const who = by ?? SOMEBODY;
  return card.working.some((entry) => entry.by === who)
    ? card
    : { ...card, working: [...card.working, { by: who, since: at }] };
}

/** A person stops working on it: the stretch counts. */
export function stopWork(card: Card, by: string | null, at: string): Card {
  const who = by ?? SOMEBODY;
  const running = card.working.find((entry) => entry.by === who);
  if (running === undefined) return card;
  const stretch = Math.max(Date.parse(at) - Date.parse(running.since), 0);
  return {
    ...card,
    working: card.working.filter((entry) => entry.by !== who),
    workedMs: { ...card.workedMs, [who]: (card.workedMs[who] ?? 0) + stretch },
  };
}

/** Whole minutes of hands-on work by person, rounded down per person's sum. Example: 20 s twice is no minute. */
export const workedMinutes = (card: Card): Readonly<Record<string, number>> =>
  Object.fromEntries(Object.entries(card.workedMs).map(([by, span]) => [by, Math.floor(span / MINUTE_MS)]));

/** When a clock of so many minutes ends. */
export const clockEnd = (startedAt: string, minutes: number): string =>
  new Date(Date.parse(startedAt) + minutes * MINUTE_MS).toISOString();
