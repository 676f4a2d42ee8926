import type { InferType } from 'yup';
import type { Frozen } from '../fields/frozen';
import { array, machine, mixed, number, object, string, version } from '../fields';
import { records } from './log';
import { ownLimits } from './sheet';

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
