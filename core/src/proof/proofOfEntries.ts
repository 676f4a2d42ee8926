import type { ProofLook, Shown } from '../catalogue/shapes';
import type { ProofSetting } from './proofSetting';
import { readingsOf, type ShownReading } from './readingsOf';
import { runOf, type ProofEntry } from './runOf';

export interface Proof {
  /** `not-asked`: nothing of fuel or oil was opened. */
  readonly leakLook: 'not-asked' | 'not-looked' | 'dry' | 'leaks';
  readonly load: string | null;
  readonly smoke: 'not-asked' | 'not-looked' | 'clear' | 'smoking';
  readonly asksRun: boolean;
  readonly asksLoad: boolean;
  readonly minutesWanted: number;
  /** Whole minutes that count: of the longest unbroken run where the trouble came after a time, else of all. */
  readonly minutesRun: number;
  readonly unbroken: boolean;
  /** Since when it runs now; null while it stands. */
  readonly runningSince: string | null;
  /** Whether time counts at this moment. */
  readonly counts: boolean;
  readonly readings: readonly ShownReading[];
  readonly looks: readonly { readonly look: ProofLook; readonly ok: boolean | null }[];
  /** `untested`: it never ran; `unloaded`: it ran without what counts as load. */
  readonly tested: 'untested' | 'unloaded' | 'loaded';
  /** What is missing before it passes, by code. */
  readonly missing: readonly string[];
  /** What it showed that is not well, in the fault-finding vocabulary. */
  readonly shows: readonly Shown[];
}

/** The facts of the looks that a proof is made of. */
interface LookFacts {
  readonly 'leak-look': { readonly dry: boolean };
  readonly smoke: { readonly clear: boolean };
  readonly 'proof-load': { readonly load: string | null };
  readonly 'proof-look': { readonly look: string; readonly ok: boolean };
}

const isOf =
  <K extends keyof LookFacts>(kind: K) =>
  (entry: ProofEntry): entry is ProofEntry & { readonly facts: LookFacts[K] } =>
    entry.kind === kind;

/** What was entered since the visit last went to proof. */
export const entriesOfProof = <E extends ProofEntry>(entries: readonly E[]): E[] =>
  entries.slice(entries.findLastIndex((entry) => entry.kind === 'to-proof') + 1);

/**
 * Where a proof stands. Only what was entered since the visit last went to proof counts.
 * In: the card's entries, what the proof asks, the time. Out: see Proof. Source: common practice.
 */
export function proofOfEntries(entries: readonly ProofEntry[], setting: ProofSetting, now: string): Proof {
  const own = entriesOfProof(entries);
  const asksLoad = setting.needs.includes('load');
  const asksRun = asksLoad || setting.needs.includes('short-run');
  const leak = own.findLast(isOf('leak-look'))?.facts;
  const smoke = own.findLast(isOf('smoke'))?.facts;
  const load = own.findLast(isOf('proof-load'))?.facts.load ?? null;
  const run = runOf(own, asksLoad, now);
  const ran = own.some((entry) => entry.kind === 'run-started');
  const proof = {
    leakLook: leak ? (leak.dry ? 'dry' : 'leaks') : setting.needs.includes('leak') ? 'not-looked' : 'not-asked',
    smoke: smoke ? (smoke.clear ? 'clear' : 'smoking') : asksRun ? 'not-looked' : 'not-asked',
    load,
    asksRun,
    asksLoad,
    minutesWanted: setting.minutes,
    minutesRun: setting.unbroken ? run.longest : run.minutes,
    unbroken: setting.unbroken,
    runningSince: run.runningSince,
    counts: run.counts,
    readings: readingsOf(setting.plan.readings, own),
    looks: setting.looks.map((look) => ({ look, ok: lookOf(look.id, own) })),
    tested: ran ? (load === null ? 'unloaded' : 'loaded') : 'untested',
  } as const;
  return { ...proof, missing: missingOf(proof), shows: showsOf(proof) };
}

type Measured = Omit<Proof, 'missing' | 'shows'>;

function missingOf(proof: Measured): string[] {
  const isRight = (state: Proof['leakLook'] | Proof['smoke']): boolean =>
    state === 'dry' || state === 'clear' || state === 'not-asked';
  return [
    ...(isRight(proof.leakLook) ? [] : ['leak-look']),
    ...(proof.asksLoad && proof.load === null ? ['load'] : []),
    ...(isRight(proof.smoke) ? [] : ['smoke']),
    ...(proof.minutesRun >= proof.minutesWanted ? [] : ['minutes']),
    ...proof.readings.filter((shown) => shown.verdict !== 'well').map((shown) => `reading-${shown.reading.id}`),
    ...proof.looks.filter((shown) => shown.ok !== true).map((shown) => `look-${shown.look.id}`),
  ];
}

function showsOf(proof: Measured): Shown[] {
  const byReading = proof.readings.flatMap(({ reading, verdict }) =>
    verdict === 'low' ? (reading.low ?? []) : verdict === 'high' ? (reading.high ?? []) : [],
  );
  const byLook = proof.looks.flatMap(({ look, ok }) => (ok === false ? (look.fails ?? []) : []));
  return [...new Map([...byReading, ...byLook].map((shown) => [shown.observation, shown])).values()];
}

const lookOf = (id: string, own: readonly ProofEntry[]): boolean | null =>
  own.filter(isOf('proof-look')).findLast(({ facts }) => facts.look === id)?.facts.ok ?? null;
