import type { InferType } from 'yup';
import { ENGINE_TRAITS, FAULT_IDS, FUEL_BLENDS, KEPT, OBSERVATION_IDS, OBSERVATIONS, STORED } from '../catalogue';
import { array, boolean, classId, id, mixed, number, object, string, version } from './fields';

const trait = (name: keyof typeof ENGINE_TRAITS) =>
  mixed<never>()
    .oneOf([...ENGINE_TRAITS[name]] as never[])
    .optional();

/** What is looked at: class, engine and past. Everything may be left out. */
export const machine = object({
  classId: classId.optional(),
  engine: object({
    ignition: trait('ignition'),
    strokes: trait('strokes'),
    release: trait('release'),
    fuel: trait('fuel'),
    throttle: trait('throttle'),
    carburettor: trait('carburettor'),
    tank: trait('tank'),
    start: trait('start'),
    cooling: trait('cooling'),
  })
    .noUnknown()
    .default({}),
  past: object({
    daysStood: number().min(0).max(20_000).optional(),
    hoursSinceService: number().min(0).max(99_999).optional(),
    ageYears: number().min(0).max(150).optional(),
    stored: string().oneOf(STORED).optional(),
    kept: string().oneOf(KEPT).optional(),
    fuelBlend: string().oneOf(FUEL_BLENDS).optional(),
    fogged: boolean().optional(),
    openedBefore: boolean().optional(),
    cylinderOiled: boolean().optional(),
    additiveInFuel: boolean().optional(),
    plugIsNew: boolean().optional(),
  })
    .noUnknown()
    .default({}),
});

const observation = string().oneOf(OBSERVATION_IDS);
const fault = string().oneOf(FAULT_IDS);
export const ENTRY_KINDS = ['seen', 'could-not-tell', 'taken-back', 'repaired'] as const;

/** One thing that happened in a finding. Its id is made where it is entered: sent twice it is one. */
export const newEntry = object({
  id: id.required(),
  kind: string().oneOf(ENTRY_KINDS).required(),
  observation: observation.nullable().default(null),
  outcomes: array(string().required()).max(6).default([]),
  /** The reading as it was entered, when the outcome was banded from one. */
  reading: mixed<Record<string, unknown>>().nullable().default(null),
  fault: fault.nullable().default(null),
}).test('fits', 'An entry names an observation with its outcomes, or a fault that was put right.', (entry) => {
  if (entry.kind === 'repaired') return entry.fault !== null && entry.observation === null;
  const known = Object.keys((entry.observation && OBSERVATIONS[entry.observation]?.outcomes) || {});
  return (
    entry.observation !== null &&
    (entry.kind === 'seen') === entry.outcomes.length > 0 &&
    entry.outcomes.every((outcome) => known.includes(outcome))
  );
});
export type NewEntry = InferType<typeof newEntry>;

const entry = object({
  id: string().required(),
  at: string().required(),
  by: string().nullable().defined(),
  kind: string().oneOf(ENTRY_KINDS).required(),
  observation: string().nullable().defined(),
  outcomes: array(string().required()).required(),
  reading: mixed<Record<string, unknown>>().nullable().defined(),
  fault: string().nullable().defined(),
});
export type FindingEntry = InferType<typeof entry>;

const band = array(number().min(0).nullable().defined()).length(2);
/** A model's data sheet: what is known of its engine, and from where to where a reading is well. */
export const dataSheet = object({
  engine: machine.fields.engine,
  limits: object({
    compressionFree: band.optional(),
    compressionByRelease: band.optional(),
    leakDownPercent: band.optional(),
    batteryVolts: band.optional(),
    plugGapInch: band.optional(),
    airGapInch: band.optional(),
    pointsGapInch: band.optional(),
    pointsOhm: band.optional(),
    coilOhm: band.optional(),
    lashIntakeInch: band.optional(),
    lashExhaustInch: band.optional(),
  })
    .noUnknown()
    .default({}),
});

export const newFinding = object({
  id: id.required(),
  tag: string().nullable().default(null),
  machine: machine.required(),
});
export const finding = object({
  id: string().required(),
  tag: string().nullable().defined(),
  machine: machine.required(),
  /** Limits of the unit's model, where its data sheet has them. */
  limits: mixed<Record<string, readonly [number, number | null] | undefined>>().nullable().defined(),
  openedAt: string().required(),
  openedBy: string().required(),
  closedAt: string().nullable().defined(),
  causes: array(string().required()).nullable().defined(),
  jobId: string().nullable().defined(),
  entries: array(entry.required()).required(),
  version: version.required(),
});
export type FindingRecord = InferType<typeof finding>;
export const maybeFinding = object({ finding: finding.nullable().defined() });
export const machineChange = object({ machine: machine.required() });
export const confirmation = object({
  causes: array(fault.required()).min(1).max(3).required(),
  note: string().trim().max(2000).default(''),
});

const lesson = object({
  classId: string().nullable().defined(),
  family: string().required(),
  cases: number().required(),
  counts: mixed<Record<string, number>>().required(),
});
export const learned = object({
  version: number().required(),
  since: string().nullable().defined(),
  lessons: array(lesson.required()).required(),
});
export type LearnedReply = InferType<typeof learned>;
