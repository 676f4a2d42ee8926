import type { InferType } from 'yup';
import { GOVERNORS, type RatingId } from '../catalogue/shapes';
import type { Frozen } from '../fields/frozen';
import { tuple } from 'yup';
import { array, engine, machine, mixed, number, object, string, version } from '../fields';
import { records } from './log';

/** From where to where a reading is well. No upper end: null. */
const band = tuple([number().min(0).required(), number().min(0).nullable().defined()]).optional();
/** Limits of readings of a model's own. */
export const ownLimits = object({
  compressionFree: band,
  compressionByRelease: band,
  leakDownPercent: band,
  batteryVolts: band,
  plugGapInch: band,
  airGapInch: band,
  pointsGapInch: band,
  pointsOhm: band,
  coilOhm: band,
  lashIntakeInch: band,
  lashExhaustInch: band,
}).noUnknown();

const figure = number().positive().max(100_000).optional();
/** What a machine is rated for; see RATING_IDS for the units. */
export const rated = object({
  hertz: figure,
  volts: figure,
  flow: figure,
  pressure: figure,
  cycle: figure,
  force: figure,
  bore: figure,
  'open-circuit': figure,
  'low-amperes': figure,
  'high-amperes': figure,
  duty: figure,
  'idle-speed': figure,
  'top-speed': figure,
  governor: string().oneOf(GOVERNORS).optional(),
} satisfies Record<RatingId | 'governor', unknown>).noUnknown();

/** A model's data sheet: what is known of its engine, what it is rated for, and from where to where a reading is well. */
export const dataSheet = object({
  engine: engine.default({}),
  limits: ownLimits.default({}),
  rated: rated.default({}),
});

export const finding = object({
  id: string().required(),
  tag: string().nullable().defined(),
  machine: machine.required(),
  /** Limits of the unit's model, where its data sheet has them. */
  limits: ownLimits.nullable().defined(),
  openedAt: string().required(),
  openedBy: string().required(),
  closedAt: string().nullable().defined(),
  causes: array(string().required()).nullable().defined(),
  jobId: string().nullable().defined(),
  entries: records,
  /** The edition of what was known when it was begun. */
  edition: string().nullable().defined(),
  version: version.required(),
});
export type FindingRecord = Frozen<InferType<typeof finding>>;
export const maybeFinding = object({ finding: finding.nullable().defined() });

export type DataSheet = Frozen<InferType<typeof dataSheet>>;

const lesson = object({
  classId: string().nullable().defined(),
  family: string().required(),
  cases: number().required(),
  counts: mixed<Record<string, number>>().required(),
  apart: mixed<Record<string, number>>().required(),
  brought: mixed<Record<string, Record<string, { looked: number; found: number }>>>().required(),
  cameBack: mixed<Record<string, number>>().required(),
});
export const learned = object({
  version: number().required(),
  since: string().nullable().defined(),
  lessons: array(lesson.required()).required(),
});
export type LearnedReply = Frozen<InferType<typeof learned>>;
