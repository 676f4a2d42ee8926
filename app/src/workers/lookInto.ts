import { entryOf, FAULT_KNOWLEDGE, OBSERVATIONS, SCHOOLS, type AnyObservation } from '@hudrik/core/catalogue';
import {
  diagnose,
  Finding,
  minutesBySchool,
  timeLeft,
  outcomesOf,
  seeded,
  warningsOf,
  type Chapter,
  type Diagnosis,
  type Learned,
  type Machine,
  type Step,
  type TimeLeft,
  type Warning,
} from '@hudrik/core/diagnosis';

/** A question to the worker: where a finding stands, and what the bench has. */
export interface Question {
  readonly machine: Machine;
  readonly chapters: readonly Chapter[];
  readonly passedOver: readonly string[];
  readonly setUpsDone: readonly string[];
  /** Null: all of them. */
  readonly toolsAtHand: readonly string[] | null;
  readonly learned: Learned | null;
  /** The step that the person picked; null: what is advised. */
  readonly pick: Pick<Step, 'kind' | 'id'> | null;
  /** The fixed order of a school that is followed; null: best value first. */
  readonly order: readonly string[] | null;
}

export interface OutcomeRow {
  readonly outcome: string;
  readonly probability: number;
  /** Who it would point to, and how surely. */
  readonly points: readonly { readonly id: string; readonly probability: number }[];
}

export interface Answer {
  readonly diagnosis: Diagnosis;
  readonly warnings: readonly Warning[];
  /** What to do next. */
  readonly step: Step | null;
  readonly shown: {
    readonly check: string;
    readonly rows: readonly OutcomeRow[];
    readonly under: Readonly<Record<string, readonly number[]>>;
  } | null;
  readonly milliseconds: number;
}

const POINTED = 8;

/** All that the screen shows of where a finding stands: a thin shell round the core, run in a web worker. */
export function lookInto(question: Question): Answer {
  const began = performance.now();
  const finding = findingOf(question);
  const bench = workplaceOf(question);
  const full = diagnose(finding, bench);
  const diagnosis = { ...full, next: full.next.filter((step) => !question.passedOver.includes(step.id)) };
  const step = stepOf(question, diagnosis.next);
  return {
    diagnosis,
    warnings: warningsOf(finding, full),
    step,
    shown: step?.kind === 'check' ? { check: step.id, ...tableOf(finding, diagnosis, step.id) } : null,
    milliseconds: performance.now() - began,
  };
}

/** The picked step, the next of the school's order, or the best. */
function stepOf({ pick, order }: Question, next: readonly Step[]): Step | null {
  if (pick !== null)
    return (
      next.find((step) => step.kind === pick.kind && step.id === pick.id) ?? {
        ...pick,
        minutes: entryOf<AnyObservation>(OBSERVATIONS, pick.id)?.minutes ?? 0,
        expectedSaving: 0,
        toolsMissing: [],
      }
    );
  const checks = new Map(next.flatMap((step) => (step.kind === 'check' ? [[step.id, step] as const] : [])));
  const bySchool = order?.find((id) => checks.has(id));
  return (bySchool === undefined ? next[0] : checks.get(bySchool)) ?? null;
}

const findingOf = ({ machine, chapters, learned }: Question): Finding =>
  new Finding(FAULT_KNOWLEDGE, machine, chapters, learned ?? undefined);
const workplaceOf = ({ setUpsDone, toolsAtHand }: Question) => ({
  setUpsDone: new Set(setUpsDone),
  toolsAtHand: toolsAtHand === null ? null : new Set(toolsAtHand),
});

function tableOf(finding: Finding, diagnosis: Diagnosis, check: string) {
  // A check tells the unseen apart: what is given stands whatever it shows.
  const suspects = diagnosis.suspects.filter(({ id }) => !diagnosis.established.some((one) => one.id === id));
  const ids = suspects.slice(0, POINTED).map((suspect) => suspect.id);
  const { outcomes, now, under } = outcomesOf(finding, check, ids);
  const rows = outcomes.map((outcome, at): OutcomeRow => {
    const probability = now[at] ?? 0;
    const points = suspects.slice(0, POINTED).map((suspect) => ({
      id: suspect.id,
      probability: ((under[suspect.id]?.[at] ?? 0) * suspect.probability) / Math.max(probability, 1e-9),
    }));
    return { outcome, probability, points: points.sort((x, y) => y.probability - x.probability).slice(0, 2) };
  });
  return { rows, under };
}

const DRAWS = 80;
const OUR_DRAWS = 32;

/** How long it may take from here, ours and by each school: slower, so asked by itself. The same question gives the same answer. */
export function askSchools(question: Question): Ahead {
  const finding = findingOf(question);
  const bench = workplaceOf(question);
  return {
    ours: timeLeft(finding, bench, OUR_DRAWS, seeded(1)),
    schools: minutesBySchool(finding, bench, SCHOOLS, DRAWS, seeded(1)),
  };
}

/** Minutes to the end from here. */
export interface Ahead {
  readonly ours: TimeLeft;
  readonly schools: Readonly<Record<string, number>>;
}
