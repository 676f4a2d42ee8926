import { CLASS_IDS, FAULT_KNOWLEDGE, READING_LIMITS } from '@hudrik/core/catalogue';
import { asList, readCase, sayCaseProblem, writeCase } from '@hudrik/core/diagnosis';
import { bandReading } from '@hudrik/core/readings';
import { newId } from '@/api';
import { standingOf, type Entry, type LocalFinding } from './entries';
import { observationOf } from './say';

/** The finding as a case file, with the readings as they were entered. */
export function toCase(held: LocalFinding): string {
  const { chapters, counting } = standingOf(held.entries);
  const readings = Object.fromEntries(
    counting.flatMap((entry) => (entry.observation && entry.reading ? [[entry.observation, entry.reading]] : [])),
  );
  return JSON.stringify(writeCase(held.machine as never, chapters.at(-1)?.seen ?? {}, readings), null, 2);
}

/** A case file as a finding to go on with, or why it can not be read. */
export function fromCase(
  text: string,
  by: string,
):
  | { readonly ok: true; readonly machine: LocalFinding['machine']; readonly entries: Entry[] }
  | { readonly ok: false; readonly sentence: string } {
  const result = readCase(text, CLASS_IDS, FAULT_KNOWLEDGE, (id, reading, engine) => {
    const kind = observationOf(id).reading;
    return kind
      ? bandReading(kind, reading, READING_LIMITS, { engine })
      : { ok: false, why: 'it is an outcome, not a reading' };
  });
  if (!result.ok) return { ok: false, sentence: sayCaseProblem(result.problem) };
  const { machine, seen, readings } = result.case;
  const at = new Date().toISOString();
  const entries = Object.entries(seen).map(([observation, outcome]): Entry => ({
    id: newId(),
    kind: 'seen',
    observation: observation as never,
    outcomes: [...asList(outcome)],
    reading: (readings[observation] as Record<string, unknown>) ?? null,
    fault: null,
    at,
    by,
    sent: false,
  }));
  return { ok: true, machine: machine as LocalFinding['machine'], entries };
}
