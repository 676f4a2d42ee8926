import type { Applies, Truth } from './engine';
import type { System } from './system';
import type { CautionId, FaultId, ObservationId, OutcomeOf, SetUpId, ToolId } from './ids';

/** A reading is banded into an outcome by the rule of this name. */
export const READING_KINDS = [
  'compression',
  'leak-down',
  'valve-lash',
  'battery',
  'plug-gap',
  'air-gap',
  'points-gap',
  'points-resistance',
  'coil-resistance',
] as const;
export type ReadingKind = (typeof READING_KINDS)[number];

/** Words on the button, how often a machine without a fault that speaks to it shows this (judgement), and what it means. */
export type OutcomeEntry = readonly [words: string, healthy: number, means: string];

/** What the sums ask of an observation: they know no id. */
export interface AnyObservation {
  readonly words: string;
  /** Told or seen running, an easy look, with a tool, or opened up. */
  readonly kind: 'complaint' | 'look' | 'tool' | 'opened';
  /** Hands-on minutes, what must be taken off first not counted. */
  readonly minutes: number;
  /** What must be off first; shared with other checks and repairs. */
  readonly setUps?: readonly string[];
  /** What the check itself takes off. */
  readonly takesOff?: ComesOff;
  readonly tools?: readonly string[];
  readonly when?: Applies;
  /** The engine must run, or must turn, for this to be seen. */
  readonly wants?: 'running' | 'turning';
  readonly how: string;
  readonly caution?: string;
  readonly reading?: ReadingKind;
  /** The first outcome is the healthy one. */
  readonly outcomes: Readonly<Record<string, OutcomeEntry>>;
  /** Innocent reasons: while this is true of the past, a healthy machine shows the outcome this often. */
  readonly innocent?: readonly { readonly while: Truth; readonly outcome: string; readonly share: number }[];
  /** Several may show at once. */
  readonly several?: boolean;
  /** Made in one go with this other check, never before it. */
  readonly follows?: string;
  /** Outcomes besides the healthy one that are no trouble. */
  readonly harmless?: readonly string[];
  /** How often nothing is wrong where this is told (judgement); about one in ten where it is not said. */
  readonly nothingWrong?: number;
  /** Asked of an engine that will not run: where it plainly runs, it tells nothing. */
  readonly ofOneThatWillNotRun?: true;
}

/** An observation of the catalogue: what it names exists. */
export interface Observation<O extends ObservationId = ObservationId> extends AnyObservation {
  readonly setUps?: readonly SetUpId[];
  readonly tools?: readonly ToolId[];
  readonly caution?: CautionId;
  readonly outcomes: Readonly<Record<OutcomeOf<O>, OutcomeEntry>>;
  readonly innocent?: readonly { readonly while: Truth; readonly outcome: OutcomeOf<O>; readonly share: number }[];
}

/** An outcome that is the fault itself: what was seen is so. */
export interface SeenAs {
  readonly observation: ObservationId;
  readonly outcome: string;
  readonly fault: FaultId;
  /** How often it is called so where it is not: this share of the fault's own odds (judgement), and why. */
  readonly misread: number;
  readonly because: string;
  /** Only once these were seen too: else another state looks the same. */
  readonly after?: readonly { readonly observation: ObservationId; readonly outcome: string }[];
}

/** Something that has to be off or out before a hand gets there. */
export interface SetUp {
  readonly words: string;
  readonly minutes: number;
  readonly takesOff: ComesOff;
}

/** What a look leaves off, as the tray has it. */
export interface ComesOff {
  readonly what: string;
  readonly system: System;
  /** What teardowns call it, its own key first: what is off under one of them is not taken off twice. */
  readonly keys: readonly [string, ...string[]];
}

export interface Tool {
  readonly words: string;
}

/** Two tellings of one fact: while the first is given, these outcomes of the second say nothing new. */
export interface SameFact {
  readonly first: ObservationId;
  readonly second: ObservationId;
  readonly outcomes: readonly string[];
}

/** Observations by their ids; each with the outcomes that its id has. */
export type ObservationEntries = { readonly [O in ObservationId]?: Observation<O> };
