import { readFileSync } from 'node:fs';
import path from 'node:path';
import {
  CLASS_IDS,
  CONSEQUENCES_OF_FAULTS,
  entryOf,
  FAULT_KNOWLEDGE,
  formerlyOf,
  OBSERVATIONS,
  READING_LIMITS,
  type AnyObservation,
} from '@hudrik/core/catalogue';
import { diagnose, Finding, readCase, sayCaseProblem, sayWarning, warningsOf, type Band } from '@hudrik/core/diagnosis';
import { bandReading } from '@hudrik/core/readings';

/** One case file in, one JSON out, nothing else on standard output. Exit codes: 0 answered, 1 refused, 2 called wrongly. */
const band: Band = (observation, reading, engine) => {
  const kind = entryOf<AnyObservation>(OBSERVATIONS, observation)?.reading;
  return kind
    ? bandReading(kind, reading, READING_LIMITS, { engine })
    : { ok: false, why: 'it is an outcome, not a reading' };
};

const rounded = (value: number): number => Number(value.toPrecision(8));

function answer(text: string): number {
  const read = readCase(text, CLASS_IDS, FAULT_KNOWLEDGE, band);
  if (!read.ok) return fail(sayCaseProblem(read.problem), 1);
  const finding = new Finding(FAULT_KNOWLEDGE, read.case.machine, [{ seen: read.case.seen }]);
  const result = diagnose(finding, { setUpsDone: new Set(), toolsAtHand: null });
  const out = {
    suspects: result.suspects.map(({ id, probability }) => {
      const formerly = formerlyOf(id);
      return { id, probability: rounded(probability), ...(formerly === undefined ? {} : { formerly }) };
    }),
    sets: result.sets.map(({ faults, probability }) => ({ faults, probability: rounded(probability) })),
    next: result.next.map(({ kind, id, minutes, expectedSaving }) => ({
      kind,
      id,
      minutes,
      expectedSaving: rounded(expectedSaving),
      net: rounded(expectedSaving),
    })),
    established: result.established.map(({ id }) => id),
    enough: result.enough === null ? null : { probability: rounded(result.enough.probability) },
    warnings: warningsOf(finding, result).map((warning) =>
      sayWarning(warning, FAULT_KNOWLEDGE, CONSEQUENCES_OF_FAULTS),
    ),
  };
  process.stdout.write(`${JSON.stringify(out, null, 2)}\n`);
  return 0;
}

function fail(line: string, code: number): number {
  console.error(line);
  return code;
}

function main(): number {
  const file = process.argv.slice(2).find((word) => word !== 'diagnose');
  if (file === undefined) return fail('Name the case file: diagnose case.json', 2);
  let text: string;
  try {
    text = readFileSync(path.resolve(process.env['INIT_CWD'] ?? '.', file), 'utf8');
  } catch {
    return fail(`There is no file ${file}`, 2);
  }
  return answer(text);
}

process.exitCode = main();
