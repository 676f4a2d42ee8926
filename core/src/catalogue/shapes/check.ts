import { mapValues } from '../../typed';
import type { Dimension, UnitOf } from '../../units';
import type { CautionId, Shown } from './ids';
import type { RatingId } from './ratings';
import type { Source } from './source';
import type { System } from './system';

/** What a finding means for the next hire, worst first. */
export const CONSEQUENCES = ['hold', 'fix-before-hire', 'bill', 'note'] as const;
export type Consequence = (typeof CONSEQUENCES)[number];

export const JOB_KINDS = ['repair', 'service', 'prep', 'lay-up', 'wake-up'] as const;
export type JobKind = (typeof JOB_KINDS)[number];

/** Bench work that a finding calls for. Findings that raise the same `work` share one job: so one id is one wording and one remedy. */
export interface RaisedWork {
  readonly kind: JobKind;
  readonly work: string;
  /** What the job is for, as a line on the bench list. */
  readonly title: string;
  /** Hands-on minutes to expect. */
  readonly minutes: number;
  /** Where the minutes come from. */
  readonly source: Source;
}

/** Works by their ids: kind, what the job is called, hands-on minutes; and where the minutes come from. */
export const worksOf = <Id extends string>(
  source: Source,
  table: Readonly<Record<Id, readonly [kind: JobKind, title: string, minutes: number]>>,
): Readonly<Record<Id, RaisedWork>> =>
  mapValues(table, ([kind, title, minutes], work) => ({ kind, work, title, minutes, source }));

/** One way in which a check is not OK. */
export interface Exception {
  readonly id: string;
  /** On the button: a few words. */
  readonly words: string;
  readonly consequence: Consequence;
  /** The reason as a person would say it. */
  readonly sentence: string;
  readonly raises?: RaisedWork;
  readonly shows?: Shown;
  /** What can hurt now that this was found; without one, a finding that holds carries the check's own caution. */
  readonly caution?: CautionId;
}

/** A limit a reading is held against. */
export type Limit =
  | { readonly kind: 'at-least'; readonly min: number; readonly source: Source }
  | { readonly kind: 'at-most'; readonly max: number; readonly source: Source }
  | { readonly kind: 'within'; readonly min: number; readonly max: number; readonly source: Source };

type DimensionUnit = { [D in Dimension]: { readonly dimension: D; readonly unit: UnitOf<D> } }[Dimension];

/** A check that takes a number. `low` and `high` name the exceptions that a reading outside the limit is. */
export type Measured = DimensionUnit & {
  readonly limit: Limit;
  /** What it is held against; without one, its limit is the same for every model. */
  readonly rating?: RatingId;
  readonly low?: string;
  readonly high?: string;
  /** What the needle's scale runs over. */
  readonly scale: readonly [number, number];
};

export interface Check {
  readonly id: string;
  /** What is right, as a person ticks it off: "Oil at the mark". */
  readonly words: string;
  readonly kind: 'ordinary' | 'safety';
  readonly exceptions: readonly [Exception, ...Exception[]];
  readonly measured?: Measured;
  /** It needs the engine running. */
  readonly running?: true;
  /** Every unit of the class has it: nobody can say that one has not. */
  readonly alwaysThere?: true;
  /** out: it is looked at once more when the unit is handed out. */
  readonly when?: 'out';
  /** What it looks at: asked again where something of that came off. */
  readonly system?: System;
  /** What a look that gives a plain OK shows in the fault-finding vocabulary. */
  readonly showsWhenOk?: Shown;
  readonly caution?: CautionId;
  readonly photo?: 'wanted';
  /** Fewer seconds than this and nobody looked. */
  readonly leastSeconds: number;
  readonly secondsSource: Source;
}

export interface Station {
  readonly id: string;
  readonly name: string;
  /** Where to stand and what is in view. */
  readonly where: string;
  readonly checks: readonly Check[];
}
