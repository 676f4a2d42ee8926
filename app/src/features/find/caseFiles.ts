import { CLASS_IDS, FAULT_KNOWLEDGE, READING_LIMITS } from '@hudrik/core/catalogue';
import { asList, readCase, sayCaseProblem, writeCase } from '@hudrik/core/diagnosis';
import { observationsOf, isOf } from '@hudrik/core/log';
import { bandReading } from '@hudrik/core/readings';
import type { LocalFinding, MachineFacts } from './finding';
import { observationOf } from './say';
import type { Brought } from './useFinding';

/** The finding as a case file, with the readings as they were entered. */
export function toCase({ entries, machine }: Pick<LocalFinding, 'entries' | 'machine'>): string {
  const { chapters, counting } = observationsOf(entries);
  const readings = Object.fromEntries(
    counting.flatMap((entry) =>
      isOf(entry, 'seen') && entry.facts.reading ? [[entry.facts.observation, entry.facts.reading]] : [],
    ),
  );
  return JSON.stringify(writeCase(machine, chapters.at(-1)?.seen ?? {}, readings), null, 2);
}

type Read =
  | { readonly ok: true; readonly machine: MachineFacts; readonly brought: readonly Brought[] }
  | { readonly ok: false; readonly sentence: string };

/** A case file as what a finding begins with, or why it cannot be read. */
export function fromCase(text: string): Read {
  const result = readCase(text, CLASS_IDS, FAULT_KNOWLEDGE, (id, reading, engine) => {
    const kind = observationOf(id).reading;
    return kind
      ? bandReading(kind, reading, READING_LIMITS, { engine })
      : { ok: false, why: 'it is an outcome, not a reading' };
  });
  if (!result.ok) return { ok: false, sentence: sayCaseProblem(result.problem) };
  const { machine, seen, readings } = result.case;
  const brought = Object.entries(seen).map(([observation, outcome]): Brought => ({
    kind: 'seen',
    facts: { observation, outcomes: [...asList(outcome)], reading: readings[observation] ?? null },
  }));
  return { ok: true, machine: { ...machine, classId: CLASS_IDS.find((id) => id === machine.classId) }, brought };
}
