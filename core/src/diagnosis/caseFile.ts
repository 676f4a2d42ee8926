import { distance } from 'fastest-levenshtein';
import { ENGINE_TRAITS, FUEL_BLENDS, KEPT, STORED, TRUTHS } from '../catalogue/shapes';
import type { Knowledge } from './compileModel';
import type { Seen } from './Finding';
import type { Machine } from './machine';

export const CASE_FORMAT = 'hudrik-case/1';

/** What a case file was refused for, by name, with the nearest that is known. */
export type CaseProblem =
  | { readonly code: 'not-json'; readonly why: string }
  | { readonly code: 'wrong-format'; readonly got: string }
  | {
      readonly code: 'unknown-id';
      readonly what: 'field' | 'class' | 'engine' | 'context' | 'observation';
      readonly id: string;
      readonly nearest: string;
    }
  | { readonly code: 'unknown-outcome'; readonly of: string; readonly outcome: string; readonly nearest: string }
  | { readonly code: 'not-a-reading'; readonly of: string; readonly why: string };

export interface Case {
  readonly machine: Machine;
  readonly seen: Seen;
  /** Readings as they were given, beside the outcome that they were banded into. */
  readonly readings: Readonly<Record<string, unknown>>;
}

/** Bands a raw reading into an outcome, or says why it cannot. */
export type Band = (
  observation: string,
  reading: unknown,
  engine: Machine['engine'],
) => { readonly ok: true; readonly outcome: string } | { readonly ok: false; readonly why: string };

const FIELDS = ['format', 'class', 'engine', 'context', 'observations'];
const NUMBERS = ['daysStood', 'hoursSinceService', 'ageYears'];
const CHOICES: Readonly<Record<string, readonly string[]>> = { stored: STORED, kept: KEPT, fuelBlend: FUEL_BLENDS };

class Refused extends Error {
  constructor(readonly problem: CaseProblem) {
    super(problem.code);
  }
}
const refuse = (problem: CaseProblem): never => {
  throw new Refused(problem);
};

export const nearest = (text: string, known: readonly string[]): string =>
  known.reduce((best, entry) => (distance(text, entry) < distance(text, best) ? entry : best), known[0] ?? '');

/**
 * Reads a case file.
 * In: its text or parsed JSON, the class ids and the knowledge, the banding of readings. Out: the case, or the first problem with the
 * nearest known name. Every field may be left out. Format hudrik-case/1.
 */
export function readCase(
  input: unknown,
  classIds: readonly string[],
  knowledge: Knowledge,
  band: Band,
): { readonly ok: true; readonly case: Case } | { readonly ok: false; readonly problem: CaseProblem } {
  try {
    return { ok: true, case: parse(typeof input === 'string' ? fromJson(input) : input, classIds, knowledge, band) };
  } catch (error) {
    if (error instanceof Refused) return { ok: false, problem: error.problem };
    throw error;
  }
}

function fromJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch (error) {
    return refuse({ code: 'not-json', why: error instanceof Error ? error.message : String(error) });
  }
}

function asRecord(value: unknown, name: string): Record<string, unknown> {
  if (value === undefined || value === null) return {};
  return isRecord(value) ? value : refuse({ code: 'not-a-reading', of: name, why: 'an object is wanted' });
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

function parse(input: unknown, classIds: readonly string[], knowledge: Knowledge, band: Band): Case {
  const file = asRecord(input, 'case');
  for (const field of Object.keys(file))
    if (!FIELDS.includes(field))
      refuse({ code: 'unknown-id', what: 'field', id: field, nearest: nearest(field, FIELDS) });
  if (file['format'] !== undefined && file['format'] !== CASE_FORMAT)
    refuse({ code: 'wrong-format', got: String(file['format']) });
  const classId = file['class'] === undefined || file['class'] === 'engine' ? undefined : String(file['class']);
  if (classId !== undefined && !classIds.includes(classId))
    refuse({ code: 'unknown-id', what: 'class', id: classId, nearest: nearest(classId, [...classIds, 'engine']) });
  const engine = readEngine(asRecord(file['engine'], 'engine'));
  const machine: Machine = { classId, engine, past: readPast(asRecord(file['context'], 'context')) };
  return { machine, ...readObservations(asRecord(file['observations'], 'observations'), knowledge, band, engine) };
}

function readEngine(given: Record<string, unknown>): Machine['engine'] {
  const traits: Readonly<Record<string, readonly unknown[]>> = ENGINE_TRAITS;
  for (const [trait, value] of Object.entries(given)) {
    const known =
      traits[trait] ??
      refuse({ code: 'unknown-id', what: 'engine', id: trait, nearest: nearest(trait, Object.keys(traits)) });
    if (!known.includes(value))
      refuse({
        code: 'unknown-outcome',
        of: `engine.${trait}`,
        outcome: String(value),
        nearest: nearest(String(value), known.map(String)),
      });
  }
  // Each was looked up above.
  return given as Machine['engine'];
}

function readPast(given: Record<string, unknown>): Machine['past'] {
  const known = [...NUMBERS, ...Object.keys(CHOICES), ...TRUTHS];
  for (const [field, value] of Object.entries(given)) {
    if (!known.includes(field))
      refuse({ code: 'unknown-id', what: 'context', id: field, nearest: nearest(field, known) });
    const choices = CHOICES[field];
    if (choices && !choices.includes(String(value)))
      refuse({
        code: 'unknown-outcome',
        of: `context.${field}`,
        outcome: String(value),
        nearest: nearest(String(value), choices),
      });
    if (NUMBERS.includes(field) && !(typeof value === 'number' && Number.isFinite(value) && value >= 0))
      refuse({ code: 'not-a-reading', of: `context.${field}`, why: 'a number from 0 is wanted' });
    if (TRUTHS.some((truth) => truth === field) && typeof value !== 'boolean')
      refuse({ code: 'not-a-reading', of: `context.${field}`, why: 'true or false is wanted' });
  }
  return given as Machine['past'];
}

function readObservations(
  given: Record<string, unknown>,
  knowledge: Knowledge,
  band: Band,
  engine: Machine['engine'],
): Pick<Case, 'seen' | 'readings'> {
  const seen: Record<string, string | readonly string[]> = {};
  const readings: Record<string, unknown> = {};
  for (const [id, value] of Object.entries(given)) {
    const observation =
      knowledge.observations[id] ??
      refuse({
        code: 'unknown-id',
        what: 'observation',
        id,
        nearest: nearest(id, Object.keys(knowledge.observations)),
      });
    const known = Object.keys(observation.outcomes);
    if (isRecord(value)) {
      const banded = band(id, value, engine);
      if (!banded.ok) refuse({ code: 'not-a-reading', of: id, why: banded.why });
      else seen[id] = banded.outcome;
      readings[id] = value;
      continue;
    }
    const outcomes = (Array.isArray(value) ? value : [value]).map(String);
    for (const outcome of outcomes)
      if (!known.includes(outcome))
        refuse({ code: 'unknown-outcome', of: id, outcome, nearest: nearest(outcome, known) });
    if (outcomes.length !== 1 && (!observation.several || outcomes.length === 0))
      refuse({ code: 'not-a-reading', of: id, why: 'one outcome is wanted' });
    const [first, ...others] = [...new Set(outcomes)];
    seen[id] = first !== undefined && others.length === 0 ? first : [...new Set(outcomes)];
  }
  return { seen, readings };
}

/** A case as a file: what was read back gives the same case. */
export function writeCase(machine: Machine, seen: Seen, readings: Case['readings'] = {}): Record<string, unknown> {
  return {
    format: CASE_FORMAT,
    class: machine.classId ?? 'engine',
    engine: machine.engine,
    context: machine.past,
    observations: { ...seen, ...readings },
  };
}
