import { performance } from 'node:perf_hooks';
import bayes from 'bayesjs';
import {
  CLASS_IDS,
  FAULT_KNOWLEDGE,
  FAULTS,
  OBSERVATIONS,
  SCHOOLS,
  type FaultId,
  type ObservationId,
} from '@hudrik/core/catalogue';
import {
  byAdvice,
  bySchool,
  diagnose,
  drawTrouble,
  Finding,
  follow,
  seeded,
  SimulatedRun,
  timeLeft,
  type Drawn,
  type Followed,
  type Knowledge,
  type Machine,
  type Random,
  type Way,
} from '@hudrik/core/diagnosis';
import { nth } from '@hudrik/core/typed';

/** Finding a fault: speed in Node, against a general library in the same run, and how well the advice does on machines drawn from the model. */
const DRAWS = Number(process.env['HUDRIK_BENCH_DRAWS'] ?? 500);
const workplace = { setUpsDone: new Set<string>(), toolsAtHand: null };

const quantile = (values: readonly number[], q: number): number =>
  [...values].sort((a, b) => a - b)[Math.floor(q * (values.length - 1))] ?? 0;
const machines: readonly Machine[] = [undefined, ...CLASS_IDS].flatMap(
  (classId) =>
    [
      { classId, engine: {}, past: {} },
      { classId, engine: {}, past: { daysStood: 240, stored: 'fuel-left', fuelBlend: 'E10', kept: 'shed' } },
    ] as Machine[],
);

/** One new reading to posterior, next steps and reasons, over the whole knowledge base, from two readings to fifteen. */
function speed(): void {
  const random = seeded(3);
  const times: number[] = [];
  for (const machine of machines.slice(0, 8)) {
    const { finding } = drawTrouble(FAULT_KNOWLEDGE, machine, random);
    const run = new SimulatedRun(finding, finding.sets(1500), []);
    const seen: Record<string, string | readonly string[]> = { ...finding.seen };
    for (let n = 0; n < 12; n++) {
      const [next] = run.open();
      if (next === undefined) break;
      const outcome = nth(next.outcomes, random() < 0.8 ? 0 : next.outcomes.length - 1);
      seen[next.id] = outcome;
      run.look(next, outcome);
      const began = performance.now();
      diagnose(new Finding(FAULT_KNOWLEDGE, machine, [{ seen: { ...seen } }]), workplace);
      times.push(performance.now() - began);
    }
  }
  const steady = times.slice(12);
  const { model } = new Finding(FAULT_KNOWLEDGE, nth(machines, 4), []);
  console.log(
    `new reading to suspects, next steps and reasons, ${Object.keys(FAULTS).length} faults and ${Object.keys(OBSERVATIONS).length} observations known, ${model.faultIds.length} faults of this class, sets of up to three: median ${quantile(steady, 0.5).toFixed(0)} ms, p95 ${quantile(steady, 0.95).toFixed(0)} ms (${steady.length} readings, Node)`,
  );
}

/** The largest two-outcome network that the library still does in reasonable time: the same faults and observations on both sides. */
function againstLibrary(): void {
  const faults: readonly FaultId[] = [
    'stale-fuel',
    'main-jet-blocked',
    'pilot-jet-blocked',
    'plug-fouled',
    'rings-worn',
    'air-filter-blocked',
  ];
  const looks: readonly ObservationId[] = ['starting', 'choke', 'idle', 'under-load', 'plug-look'];
  const speaks = (fault: FaultId, look: ObservationId): number =>
    Math.min(
      Object.values(FAULTS[fault].shows[look] ?? {}).reduce((sum, part) => sum + part, 0),
      0.98,
    );
  const healthy = (look: ObservationId): number => {
    const shares = Object.values(OBSERVATIONS[look].outcomes).map((entry) => entry[1]);
    return nth(shares, 0) / shares.reduce((sum, share) => sum + share, 0);
  };
  const oddsOf = (fault: FaultId): number => FAULTS[fault].perThousand / (1000 - FAULTS[fault].perThousand);
  const two: Knowledge = {
    ...FAULT_KNOWLEDGE,
    faults: Object.fromEntries(
      faults.map((id) => [
        id,
        {
          ...FAULTS[id],
          when: {},
          strains: {},
          shows: Object.fromEntries(looks.map((look) => [look, { bad: speaks(id, look) }])),
        },
      ]),
    ),
    observations: Object.fromEntries(
      looks.map((id) => [
        id,
        {
          ...OBSERVATIONS[id],
          innocent: [],
          outcomes: { good: ['', healthy(id), ''], bad: ['', 1 - healthy(id), ''] },
        },
      ]),
    ) as never,
  };
  const names = faults.map(String);
  const nodes = Object.fromEntries([
    ...faults.map((id) => [
      id,
      { id, states: ['T', 'F'], parents: [], cpt: { T: oddsOf(id) / (1 + oddsOf(id)), F: 1 / (1 + oddsOf(id)) } },
    ]),
    ...looks.map((look) => [
      look,
      {
        id: look,
        states: ['T', 'F'],
        parents: names,
        cpt: Array.from({ length: 2 ** faults.length }, (_, mask) => {
          const good = faults.reduce((p, id, f) => ((mask >> f) & 1 ? p * (1 - speaks(id, look)) : p), healthy(look));
          return {
            when: Object.fromEntries(names.map((id, f) => [id, (mask >> f) & 1 ? 'T' : 'F'])),
            then: { T: 1 - good, F: good },
          };
        }),
      },
    ]),
  ]) as never;
  const given = Object.fromEntries(looks.map((look, at) => [look, at % 3 === 2 ? 'F' : 'T']));
  const seen = Object.fromEntries(looks.map((look, at) => [look, at % 3 === 2 ? 'good' : 'bad']));
  const ours: number[] = [];
  for (let n = 0; n < 60; n++) {
    const began = performance.now();
    new Finding(two, { engine: {}, past: {} }, [{ seen }]).belief.marginals();
    ours.push(performance.now() - began);
  }
  const began = performance.now();
  for (const id of names) bayes.infer(nodes, { [id]: 'T' }, given);
  const theirs = performance.now() - began;
  console.log(
    `the same two-outcome network (${faults.length} faults, ${looks.length} observations, all suspects): ${quantile(ours.slice(10), 0.5).toFixed(2)} ms here, ${theirs.toFixed(0)} ms in bayesjs: ${Math.round(theirs / quantile(ours.slice(10), 0.5))} times`,
  );
}

interface Tally {
  readonly minutes: number;
  readonly cured: number;
  readonly confirmed: number;
}
const WAYS: Readonly<Record<string, Way>> = {
  advice: byAdvice(),
  ...Object.fromEntries(SCHOOLS.map((school) => [school.id, bySchool(school)])),
};

/** A machine with a finding as the advice sees it, and what is truly wrong with it. */
type Draw = (n: number) => Drawn;

/** Follows the advice, and each school, to the end on the same machines. */
function followed(words: string, draws: number, draw: Draw, random: Random): void {
  const began = performance.now();
  const tallies = new Map<string, Tally>();
  const calibration = { given: 0, true: 0, sum: 0 };
  let losing = 0;
  for (let n = 0; n < draws; n++) {
    const { finding, trouble } = draw(n);
    losing += Number((diagnose(finding, workplace).next[0]?.expectedSaving ?? 0) < 0);
    const sets = finding.sets(1500);
    for (const [name, way] of Object.entries(WAYS)) {
      const run = new SimulatedRun(finding, sets, []);
      const watched: Way =
        name === 'advice'
          ? (state) => {
              calibrate(state, trouble.faults, calibration);
              return way(state);
            }
          : way;
      const ended = follow(run, trouble, watched, random);
      const before = tallies.get(name) ?? { minutes: 0, cured: 0, confirmed: 0 };
      tallies.set(name, {
        minutes: before.minutes + ended.minutes / draws,
        cured: before.cured + Number(ended.cured) / draws,
        confirmed: before.confirmed + Number(areConfirmed(run, ended, trouble.complaints.flat())) / draws,
      });
    }
  }
  const mean = (name: string): number => tallies.get(name)?.minutes ?? 0;
  const best = Math.min(...SCHOOLS.map((school) => mean(school.id)));
  console.log(
    `${words}: ${draws} machines, followed to the end in ${Math.round((performance.now() - began) / 1000)} s`,
  );
  for (const [name, tally] of tallies)
    console.log(
      `  ${name.padEnd(20)} ${tally.minutes.toFixed(1).padStart(7)} min  cured ${(tally.cured * 100).toFixed(1)} %  all causes among the confirmed ${(tally.confirmed * 100).toFixed(1)} %`,
    );
  console.log(`  the advice takes ${((1 - mean('advice') / best) * 100).toFixed(0)} % less than the best fixed school`);
  console.log(`  first steps that cost more than they save: ${losing}`);
  console.log(
    `  calibration: of ${calibration.given} suspects given 0.7 to 0.9 (mean ${(calibration.sum / calibration.given).toFixed(2)}), ${((calibration.true / calibration.given) * 100).toFixed(0)} % were true`,
  );
}

const machineOf = (n: number): Machine => nth(machines, n % machines.length);

/** On machines drawn from the model itself. */
function advice(): void {
  const random = seeded(20);
  followed('in the model’s own world', DRAWS, (n) => drawTrouble(FAULT_KNOWLEDGE, machineOf(n), random), random);
}

/** In worlds that are not the model: every share is moved by noise on the log-odds scale, anew for each machine. The advice knows nothing of it. */
function inOtherWorlds(): void {
  const random = seeded(21);
  const draw: Draw = (n) => {
    const machine = machineOf(n);
    const { finding: truth, trouble } = drawTrouble(shaken(random), machine, random);
    const finding = new Finding(FAULT_KNOWLEDGE, machine, [{ seen: truth.seen }]);
    return { finding, trouble: { ...trouble, shows: truth.model.observations } };
  };
  followed(`in worlds whose shares are moved by σ ${SIGMA} log odds`, DRAWS, draw, random);
}

const SIGMA = 0.5;
/** Normally distributed with mean 0 and deviation 1 (Box and Muller, Annals of Mathematical Statistics 29, 1958). */
const normal = (random: Random): number =>
  Math.sqrt(-2 * Math.log(Math.max(random(), 1e-12))) * Math.cos(2 * Math.PI * random());

function moved(share: number, random: Random): number {
  const odds = (share / (1 - share)) * Math.exp(SIGMA * normal(random));
  return odds / (1 + odds);
}

/** The catalogue with each share of each fault moved; what a fault shows of one look still adds up to less than one. */
function shaken(random: Random): Knowledge {
  const movedShows = (parts: Readonly<Record<string, number | undefined>>): Record<string, number> => {
    const each = Object.entries(parts).map(([outcome, part]) => [outcome, moved(part ?? 0, random)] as const);
    const sum = each.reduce((total, [, part]) => total + part, 0);
    return Object.fromEntries(
      each.map(([outcome, part]) => [outcome, sum > MOST_SPOKEN ? (part * MOST_SPOKEN) / sum : part]),
    );
  };
  return {
    ...FAULT_KNOWLEDGE,
    faults: Object.fromEntries(
      Object.entries(FAULT_KNOWLEDGE.faults).map(([id, fault]) => [
        id,
        {
          ...fault,
          perThousand: 1000 * moved(fault.perThousand / 1000, random),
          shows: Object.fromEntries(
            Object.entries(fault.shows).map(([look, parts]) => [look, movedShows(parts ?? {})]),
          ),
        },
      ]),
    ),
  };
}
const MOST_SPOKEN = 0.98;

/** How often a machine ends within the span that is said to hold for eight in ten. */
function span(): void {
  const random = seeded(22);
  let within = 0;
  let milliseconds = 0;
  for (let n = 0; n < SPANS; n++) {
    const { finding, trouble } = drawTrouble(FAULT_KNOWLEDGE, machineOf(n), random);
    const began = performance.now();
    const { low, high } = timeLeft(finding, workplace, 32, seeded(n + 1));
    milliseconds = Math.max(milliseconds, performance.now() - began);
    const { minutes } = follow(new SimulatedRun(finding, finding.sets(1500), []), trouble, byAdvice(), random);
    within += Number(minutes >= low && minutes <= high);
  }
  console.log(
    `the span of eight in ten held on ${((100 * within) / SPANS).toFixed(0)} % of ${SPANS} machines (the slowest took ${Math.round(milliseconds)} ms to reckon)`,
  );
}
const SPANS = 150;

/** Every fault that spoke to a complaint is confirmed, or one that the same repair puts right. */
function areConfirmed(run: SimulatedRun, ended: Followed, causes: readonly number[]): boolean {
  const repairOf = (id: string): string => Object.entries(FAULTS).find(([name]) => name === id)?.[1].repair.title ?? id;
  const done = new Set(ended.confirmed.map(repairOf));
  return ended.cured && causes.every((fault) => done.has(repairOf(nth(run.model.faultIds, fault))));
}

function calibrate(
  run: SimulatedRun,
  truth: readonly number[],
  into: { given: number; true: number; sum: number },
): void {
  if (run.repaired.length > 0) return;
  run
    .marginals()
    .subarray(0, run.model.faultIds.length)
    .forEach((p, fault) => {
      if (p < 0.7 || p > 0.9) return;
      into.given++;
      into.sum += p;
      into.true += Number(truth.includes(fault));
    });
}

speed();
againstLibrary();
span();
advice();
inOtherWorlds();
