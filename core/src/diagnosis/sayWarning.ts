import type { Knowledge } from './compileModel';
import type { CaseProblem } from './caseFile';
import type { Warning } from './warnings';

/** A warning as a sentence, with the catalogue's words. */
export function sayWarning(
  warning: Warning,
  knowledge: Knowledge,
  consequences: Readonly<Record<string, { readonly name: string }>>,
): string {
  const words = (id: string): string => (knowledge.observations[id]?.words ?? id).toLowerCase();
  switch (warning.code) {
    case 'misleading':
      return knowledge.misleading.find((rule) => rule.code === warning.rule)?.sentence ?? warning.rule;
    case 'counted-once':
      return `“${knowledge.observations[warning.observation]?.words ?? warning.observation}” tells what another reading told already: it counts once.`;
    case 'conflict':
      return `These two can hardly both be right: ${words(warning.observation)}, and ${words(warning.with)}. Look at the ${words(warning.observation)} again.`;
    case 'consequence':
      return `${consequences[warning.consequence]?.name ?? warning.consequence} is likely with it: ${warning.causes.map((id) => (knowledge.faults[id]?.name ?? id).toLowerCase()).join(', or ')}. Do not start it before you looked.`;
  }
}

/** Why a case file was refused, by name. */
export function sayCaseProblem(problem: CaseProblem): string {
  switch (problem.code) {
    case 'not-json':
      return `This is not JSON: ${problem.why}`;
    case 'wrong-format':
      return `The format is “${problem.got}”; hudrik-case/1 is wanted.`;
    case 'unknown-id':
      return `Unknown ${problem.what} “${problem.id}”. The nearest known one is “${problem.nearest}”.`;
    case 'unknown-outcome':
      return `“${problem.of}” has no outcome “${problem.outcome}”. The nearest known one is “${problem.nearest}”.`;
    case 'not-a-reading':
      return `“${problem.of}” cannot be read: ${problem.why}.`;
  }
}
