import type { JobKind } from './check';
import type { ReadingKind } from './observation';
import type { Dimension, UnitOf } from '../../units';
import type { CautionId, ClockId, Shown, TeardownId } from './ids';
import type { RatingId } from './ratings';
import type { Source } from './source';
import type { System } from './system';

/** One thing to do, as a template of a job's card has it. The key stays the same when the words change. */
export interface StepTemplate {
  readonly key: string;
  readonly title: string;
  readonly caution?: CautionId;
  /** The wait that it starts. */
  readonly clock?: ClockId;
  /** What is measured at it. */
  readonly reading?: ReadingKind;
  /** The teardown that it begins. */
  readonly teardown?: TeardownId;
}

/** A wait with an end: what it is for, how long as a rule, and what one finds at its end. */
export interface ClockKind {
  readonly name: string;
  readonly minutes: number;
  readonly note: string;
  /** By id: the words, and whether the work may go on by it. */
  readonly results: Readonly<Record<string, readonly [words: string, goesOn: boolean]>>;
  /** A bad result can hurt somebody. */
  readonly safety?: true;
  readonly source: Source;
}

/** A thing that comes off in a common job, in the usual order. */
export interface UsualThing {
  readonly key: string;
  readonly what: string;
  /** What it belongs to; what a finished card taught may not say. */
  readonly system?: System;
  readonly fasteners?: readonly { readonly count: number; readonly size: string; readonly place: string }[];
  /** What is worth writing down of it. */
  readonly asks?: readonly ('orientation' | 'link-hole' | 'stack' | 'turns')[];
  readonly caution?: CautionId;
}

export interface Teardown {
  readonly name: string;
  readonly things: readonly UsualThing[];
  readonly note: string;
}

type DimensionUnit = { [D in Dimension]: { readonly dimension: D; readonly unit: UnitOf<D> } }[Dimension];

/** What a run under load is judged by. Limits and scale are in its unit. */
export type ProofReading = DimensionUnit & {
  readonly id: string;
  readonly name: string;
  /** For the class's rated figure; another rating moves them with it. */
  readonly least?: number;
  readonly most?: number;
  readonly scale: readonly [number, number];
  /** What it is held against; without one, its limits are the same for every model. */
  readonly rating?: RatingId;
  readonly source: Source;
  /** The channel of a live reading. */
  readonly live?: string;
  /** The load step that it belongs to: 0 none, 1 full. */
  readonly atLoad?: number;
  /** In the fault-finding vocabulary, what a reading outside shows. */
  readonly low?: Shown;
  readonly high?: Shown;
};

/**
 * From when on a look can be said. at-any-time: as it stands. running: once it has run in this proof. run: after the run that was asked, stopped.
 * five-after: five minutes after that stop.
 */
export const LOOK_TIMES = ['at-any-time', 'running', 'run', 'five-after'] as const;
export type LookTime = (typeof LOOK_TIMES)[number];

export interface ProofLook {
  readonly id: string;
  readonly name: string;
  /** Without one: once it has run, where a run is asked. */
  readonly from?: LookTime;
  readonly caution?: CautionId;
  readonly fails?: Shown;
}

/** What loads it, and the figure that it was set to. */
export interface Load {
  readonly id: string;
  readonly name: string;
  readonly figure: DimensionUnit & {
    readonly name: string;
    /** What can be set at all. */
    readonly least: number;
    readonly most: number;
  };
}

/**
 * What work asks its proof to show. leak: a look for leaks with the fuel on. load: the class's minutes under load with its readings and looks.
 * short-run: five minutes. level: the oil looked at again after it ran.
 */
export const PROOF_NEEDS = ['leak', 'load', 'short-run', 'level'] as const;
export type ProofNeed = (typeof PROOF_NEEDS)[number];

/** What work asks of its proof: by a confirmed cause's family, by the work itself, by its kind. */
export interface NeedTables {
  readonly ofKind: Readonly<Record<JobKind, readonly ProofNeed[]>>;
  readonly ofWork: Readonly<Record<string, readonly ProofNeed[]>>;
  readonly ofFamily: Readonly<Record<string, readonly ProofNeed[]>>;
  /** Of a cause whose family has no line. */
  readonly ofAnyCause: readonly ProofNeed[];
}

/** Looks that hang on no class. */
export interface ProofLooks {
  /** Of whatever runs. */
  readonly everyRun: readonly ProofLook[];
  readonly level: ProofLook;
  readonly tries: ProofLook;
  readonly shortRunMinutes: number;
  readonly shortRunSource: Source;
}

/** How a class is proven. */
export interface ProofPlan {
  /** Minutes under load as a rule. */
  readonly minutes: number;
  readonly minutesSource: Source;
  /** What counts as load. */
  readonly loads: readonly [Load, ...Load[]];
  readonly readings: readonly ProofReading[];
  readonly looks: readonly ProofLook[];
  readonly cautions: readonly CautionId[];
}
