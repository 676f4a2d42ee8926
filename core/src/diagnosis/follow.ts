import { JUDGEMENT, type School, type Threshold } from '../catalogue/shapes';
import { explainingSetsOf } from './explainingSets';
import type { CompiledObservation } from './compiled';
import { checkMinutes, repairMinutes } from './effort';
import type { Sets } from './Belief';
import type { Finding } from './Finding';
import { Planner } from './Planner';
import type { Choice } from './steps';
import { COSTS, Prices, type Workplace, type Costs } from './Prices';
import { drawSet, drawShowing, drawSpeakers, SimulatedRun, type Random } from './SimulatedRun';

/** What to do next, by some way of going about it. Null: nothing is left to do. */
export type Way = (run: SimulatedRun) => Choice | null;

export interface Followed {
  /** Hands-on minutes, tries after repairs counted; parts are not. */
  readonly minutes: number;
  readonly cured: boolean;
  /** Repaired, and likely to have been at fault, by all that was seen and by the cure itself. */
  readonly confirmed: readonly string[];
  readonly steps: number;
}

const MOST_STEPS = 60;

/** The planner of a machine as far as somebody has come with it. */
function plannerOf(run: SimulatedRun, open: readonly CompiledObservation[], costs: Costs): Planner {
  const prices = new Prices(
    run.model,
    run.knowledge,
    { setUpsDone: run.setUpsDone, toolsAtHand: null },
    { open: new Set(open.map((entry) => entry.id)), seen: new Set(Object.keys(run.seen)) },
    costs,
  );
  return new Planner(
    run.model,
    prices,
    explainingSetsOf(run.sets, run.unwell, run.model.faultIds.length, [...run.given]),
    [...run.given].map((fault) => ({ id: run.model.faultIds[fault] as string, enough: 1 })),
  );
}

/** The advice: the first step of the ranked list. */
export const byAdvice =
  (costs: Costs = COSTS): Way =>
  (run) => {
    const open = run.open();
    return plannerOf(run, open, costs).steps(open)[0] ?? null;
  };

/** The plan alone, by p/c: quick enough to be followed on many machines. */
export const byPlan =
  (costs: Costs = COSTS): Way =>
  (run) =>
    plannerOf(run, run.open(), costs).planned();

export const SCHOOL_IS_SURE: Threshold = {
  name: 'From this probability on a school stops looking and repairs',
  value: 0.75,
  unit: 'probability',
  source: JUDGEMENT,
};

/** A fixed order of checks: on to the next until one fault is nearly sure, then that is repaired. */
export const bySchool =
  (school: School): Way =>
  (run) => {
    // What is known to be there is put right, by whatever order one looks.
    const [given] = run.given;
    if (given !== undefined) return { kind: 'repair', id: run.model.faultIds[given] as string };
    const by = run.marginals();
    const n = run.model.faultIds.length;
    const likeliest = by.subarray(0, n).reduce((best, p, f) => (p > (by[best] as number) ? f : best), 0);
    const repair: Choice = { kind: 'repair', id: run.model.faultIds[likeliest] as string };
    if ((by[likeliest] as number) >= SCHOOL_IS_SURE.value) return repair;
    const open = new Set(run.open().map((entry) => entry.id));
    const next = school.order.find((id) => open.has(id));
    return next === undefined ? ((by[likeliest] as number) > 0 ? repair : null) : { kind: 'check', id: next };
  };

export interface Trouble {
  /** What is truly wrong, as places in the model. */
  readonly faults: readonly number[];
  /** By complaint: the faults that speak to it. While one of them is left, it is still there. */
  readonly complaints: readonly (readonly number[])[];
  /** How this machine shows what it has, where that is not as the model has it. */
  readonly shows?: ReadonlyMap<string, CompiledObservation>;
}

/** Goes one way to the end on a machine of which we know what is wrong. */
export function follow(run: SimulatedRun, trouble: Trouble, way: Way, random: Random, costs: Costs = COSTS): Followed {
  let left = [...trouble.faults];
  let minutes = 0;
  for (let steps = 1; steps <= MOST_STEPS; steps++) {
    const choice = way(run);
    if (choice === null) break;
    if (choice.kind === 'check') {
      minutes += checkMinutes(run.knowledge, choice.id, run.setUpsDone);
      const observation = run.model.observations.get(choice.id) as CompiledObservation;
      const truth = trouble.shows?.get(choice.id) ?? observation;
      run.look(observation, drawShowing(truth, left, random).outcome);
      continue;
    }
    minutes += repairMinutes(run.knowledge, choice.id, run.setUpsDone) + costs.minutesToTry;
    const before = run.marginals();
    // What is known to be there is as good as seen.
    for (const fault of run.given) before[fault] = 1;
    const repaired = run.repair(choice.id).map((id) => run.model.faultIds.indexOf(id));
    likelyThen(run, before, repaired);
    left = left.filter((fault) => !repaired.includes(fault));
    if (!trouble.complaints.some((speakers) => speakers.some((fault) => left.includes(fault))))
      return { minutes, cured: true, confirmed: confirmedOf(run, repaired), steps };
  }
  return { minutes, cured: false, confirmed: confirmedOf(run, []), steps: MOST_STEPS };
}

/** How likely each repaired fault was there, when it was repaired. */
const likely = new WeakMap<SimulatedRun, Map<string, number>>();

function likelyThen(run: SimulatedRun, before: Float64Array, repaired: readonly number[]): void {
  const known = likely.get(run) ?? new Map<string, number>();
  for (const fault of repaired) known.set(run.model.faultIds[fault] as string, before[fault] as number);
  likely.set(run, known);
}

/** What is taken to have been wrong: what the last repair put right, and what was as good as seen before. */
function confirmedOf(run: SimulatedRun, last: readonly number[]): string[] {
  const curing = last.map((fault) => run.model.faultIds[fault] as string);
  return [...(likely.get(run) ?? [])].flatMap(([id, p]) => (p >= 0.5 || curing.includes(id) ? [id] : []));
}

/** Minutes that a way to the end takes: about, and between which eight in ten lie. */
export interface TimeLeft {
  readonly about: number;
  readonly low: number;
  readonly high: number;
}

/** Machines as they may be from where a finding stands, and what is truly wrong with each. */
function troublesOf(finding: Finding, sets: Sets, draws: number, random: Random): Trouble[] {
  const n = finding.model.faultIds.length;
  const unwell = finding.unwell();
  const given = finding.given().map((one) => one.fault);
  return Array.from({ length: draws }, () => {
    const faults = [...given, ...drawSet(sets, n, random)];
    return { faults, complaints: unwell.map((likelihood) => drawSpeakers(likelihood, faults, random)) };
  });
}

const TENTH = 0.1;

/**
 * How long it may take from here, by the plan, on machines drawn from what is believed now.
 * In: the finding, the workplace, how many to draw, a seeded source of numbers. Out: median and tenth and ninetieth percentile, minutes.
 */
export function timeLeft(finding: Finding, workplace: Workplace, draws: number, random: Random): TimeLeft {
  const sets = finding.sets(SETS_TO_DRAW);
  const minutes = troublesOf(finding, sets, draws, random)
    .map((trouble) => follow(new SimulatedRun(finding, sets, workplace.setUpsDone), trouble, byPlan(), random).minutes)
    .sort((x, y) => x - y);
  const at = (share: number): number => minutes[Math.min(Math.floor(share * draws), draws - 1)] ?? 0;
  return { about: at(0.5), low: at(TENTH), high: at(1 - TENTH) };
}

const SETS_TO_DRAW = 400;

/**
 * Expected minutes to the end by each school, from where a finding stands.
 * In: the finding, the workplace, how many machines to draw, a seeded source of numbers. Out: mean minutes by school, to about a tenth.
 */
export function minutesBySchool(
  finding: Finding,
  workplace: Workplace,
  schools: readonly School[],
  draws: number,
  random: Random,
): Record<string, number> {
  const sets = finding.sets(SETS_TO_DRAW);
  const troubles = troublesOf(finding, sets, draws, random);
  return Object.fromEntries(
    schools.map((school) => [
      school.id,
      troubles.reduce(
        (sum, trouble) =>
          sum +
          follow(new SimulatedRun(finding, sets, workplace.setUpsDone), trouble, bySchool(school), random).minutes,
        0,
      ) / draws,
    ]),
  );
}
