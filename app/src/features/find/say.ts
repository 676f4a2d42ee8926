import {
  CONSEQUENCES_OF_FAULTS,
  entryOf,
  FAULT_KNOWLEDGE,
  FAULTS,
  NOTHING_WRONG,
  OBSERVATIONS,
  SET_UPS,
  type AnyObservation,
} from '@hudrik/core/catalogue';
import { sayWarning, type Step, type Warning } from '@hudrik/core/diagnosis';
import type { Answer, OutcomeRow } from '@/workers/lookInto';

export const sayFault = (id: string): string =>
  id === NOTHING_WRONG ? 'Nothing wrong with it' : (entryOf(FAULTS, id)?.name ?? id);
/** The observation of an id; for one that a later edition no longer has, just its id. */
export const observationOf = (id: string): AnyObservation =>
  entryOf<AnyObservation>(OBSERVATIONS, id) ?? { words: id, kind: 'look', minutes: 0, how: '', outcomes: {} };
export const sayOutcome = (observation: string, outcome: string): string =>
  observationOf(observation).outcomes[outcome]?.[0] ?? outcome;
export const saySeen = (observation: string, outcomes: readonly string[]): string =>
  outcomes.map((outcome) => sayOutcome(observation, outcome).toLowerCase()).join(' and ');
export const sayPercent = (p: number): string =>
  p >= 0.995 ? '> 99 %' : p < 0.005 ? '< 1 %' : `${Math.round(p * 100)} %`;
/** Odds as they are said: "9 in 10". */
export const sayInTen = (p: number): string => (p >= 0.985 ? 'as good as sure' : `${Math.round(p * 10)} in 10`);
export const sayWarningHere = (warning: Warning): string =>
  sayWarning(warning, FAULT_KNOWLEDGE, CONSEQUENCES_OF_FAULTS);

/** What an answer would do: how likely it is, and whom it points to. */
export function sayRow({ probability, points }: OutcomeRow): string {
  const [first] = points;
  return `${sayPercent(probability)}${first ? ` · then ${sayFault(first.id).toLowerCase()} ${sayPercent(first.probability)}` : ''}`;
}

const lower = (id: string): string => sayFault(id).toLowerCase();

/** Why this step: what it saves, and what it tells apart. */
export function sayWhyStep(step: Step, shown: Answer['shown']): string {
  if (step.given) return 'It was seen to be so. Put it right, and try it.';
  const worth = step.expectedSaving + step.minutes;
  const saves =
    worth > 1
      ? `About ${Math.round(worth)} min less to the end, for ${step.minutes} min of work.`
      : `${step.minutes} min of work.`;
  if (step.kind === 'repair') return `${saves} Likely enough to do it and try.`;
  const pair = shown === null ? null : toldApart(shown.rows, shown.under);
  return pair ? `It tells ${lower(pair[0])} apart from ${lower(pair[1])}. ${saves}` : saves;
}

/** The two suspects whose answers would differ most. */
function toldApart(
  rows: readonly OutcomeRow[],
  under: Readonly<Record<string, readonly number[]>>,
): [string, string] | null {
  const ids = Object.keys(under).slice(0, 5);
  let best: { pair: [string, string]; apart: number } | null = null;
  for (const a of ids)
    for (const b of ids) {
      const apart = rows.reduce((sum, _, at) => sum + Math.abs((under[a]?.[at] ?? 0) - (under[b]?.[at] ?? 0)), 0) / 2;
      if (a < b && apart > (best?.apart ?? 0.3)) best = { pair: [a, b], apart };
    }
  return best?.pair ?? null;
}

function saySetUp(id: string): string {
  const setUp = entryOf(SET_UPS, id);
  return setUp ? `${setUp.words.toLowerCase()} (${setUp.minutes} min)` : id;
}

/** "3 min for the plug, then 1" */
export function sayOpening(observation: string, done: readonly string[]): string | null {
  const left = (observationOf(observation)?.setUps ?? []).filter((id) => !done.includes(id));
  return left.length === 0 ? null : `First: ${left.map(saySetUp).join(', ')}.`;
}

/** How much likelier, as a person says it. */
export function sayLogRatio(logRatio: number): string {
  const times = Math.exp(Math.abs(logRatio));
  const size = times >= 20 ? 'far' : times >= 3 ? 'much' : times >= 1.3 ? '' : 'a little';
  return (
    `${size} ${logRatio > 0 ? 'likelier' : 'less likely'}`.trim() +
    ` (× ${times >= 10 ? Math.round(times) : times.toFixed(1)})`
  );
}
