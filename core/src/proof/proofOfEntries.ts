import { convertValue } from '../units';
import type { ProofLook, ProofPlan, ProofReading, Shown } from '../catalogue/shapes';
import { minutesWanted, type Complaint } from './minutesWanted';

export interface ProofSetting {
  readonly plan: ProofPlan;
  readonly everyLooks: readonly ProofLook[];
  readonly complaint: Complaint;
  /** A prep or a lay-up ends with a look; it is not run. */
  readonly byLook: boolean;
}

export interface ShownReading {
  readonly reading: ProofReading;
  readonly value: number | null;
  readonly verdict: 'not-taken' | 'well' | 'low' | 'high';
}

export interface Proof {
  readonly leakLook: 'not-looked' | 'dry' | 'leaks';
  readonly load: string | null;
  readonly smoke: 'not-looked' | 'clear' | 'smoking';
  readonly minutesWanted: number;
  readonly minutesRun: number;
  /** Since when it runs now; null while it stands. */
  readonly runningSince: string | null;
  readonly readings: readonly ShownReading[];
  readonly looks: readonly { readonly look: ProofLook; readonly ok: boolean | null }[];
  /** `untested`: it never ran; `unloaded`: it ran without what counts as load. */
  readonly tested: 'untested' | 'unloaded' | 'loaded';
  /** What is missing before it passes, by code. */
  readonly missing: readonly string[];
  /** What it showed that is not well, in the fault-finding vocabulary. */
  readonly shows: readonly Shown[];
}

interface Entry {
  readonly kind: string;
  readonly at: string;
  readonly facts: unknown;
}

/** The facts of the kinds of entry that a proof is made of. */
interface ProofFacts {
  readonly 'leak-look': { readonly dry: boolean };
  readonly smoke: { readonly clear: boolean };
  readonly 'proof-load': { readonly load: string | null };
  readonly 'proof-reading': { readonly reading: string; readonly value: number; readonly unit?: string };
  readonly 'proof-look': { readonly look: string; readonly ok: boolean };
}

const isOf =
  <K extends keyof ProofFacts>(kind: K) =>
  (entry: Entry): entry is Entry & { readonly facts: ProofFacts[K] } =>
    entry.kind === kind;

const MINUTE_MS = 60_000;

/**
 * Where a proof stands. Only what was entered since the card last went to proof counts.
 * In: the card's entries, how the class is proven, the time. Out: see Proof; whole minutes run, counted anew when it smokes, since smoke
 * must clear first. Source: common practice.
 */
export function proofOfEntries(entries: readonly Entry[], setting: ProofSetting, now: string): Proof {
  const own = entries.slice(entries.findLastIndex((entry) => entry.kind === 'to-proof') + 1);
  const leak = own.findLast(isOf('leak-look'))?.facts;
  const smoke = own.findLast(isOf('smoke'))?.facts;
  const load = own.findLast(isOf('proof-load'))?.facts.load ?? null;
  const run = runOf(own, now);
  const readings = setting.plan.readings.map((reading) => shownOf(reading, own));
  const looks = [...setting.plan.looks, ...setting.everyLooks].map((look) => ({ look, ok: lookOf(look.id, own) }));
  const wanted = minutesWanted(setting.plan.minutes, setting.complaint);
  const proof = {
    leakLook: leak === undefined ? 'not-looked' : leak.dry ? 'dry' : 'leaks',
    smoke: smoke === undefined ? 'not-looked' : smoke.clear ? 'clear' : 'smoking',
    load,
    minutesWanted: wanted,
    ...run,
    readings,
    looks,
    tested: run.minutesRun === 0 && run.runningSince === null ? 'untested' : load === null ? 'unloaded' : 'loaded',
  } as const;
  return { ...proof, missing: setting.byLook ? [] : missingOf(proof), shows: showsOf(proof) };
}

type Measured = Omit<Proof, 'missing' | 'shows'>;

function missingOf(proof: Measured): string[] {
  return [
    ...(proof.leakLook === 'dry' ? [] : ['leak-look']),
    ...(proof.load === null ? ['load'] : []),
    ...(proof.smoke === 'clear' ? [] : ['smoke']),
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

function shownOf(reading: ProofReading, own: readonly Entry[]): ShownReading {
  const sent = own.filter(isOf('proof-reading')).findLast(({ facts }) => facts.reading === reading.id)?.facts;
  if (sent === undefined) return { reading, value: null, verdict: 'not-taken' };
  const value = convertValue(sent.value, sent.unit ?? reading.unit, reading.unit);
  return {
    reading,
    value,
    verdict:
      value < (reading.least ?? Number.NEGATIVE_INFINITY)
        ? 'low'
        : value > (reading.most ?? Number.POSITIVE_INFINITY)
          ? 'high'
          : 'well',
  };
}

const lookOf = (id: string, own: readonly Entry[]): boolean | null =>
  own.filter(isOf('proof-look')).findLast(({ facts }) => facts.look === id)?.facts.ok ?? null;

/** Minutes of running since it last smoked. */
function runOf(own: readonly Entry[], now: string): { minutesRun: number; runningSince: string | null } {
  let since: string | null = null;
  let span = 0;
  for (const entry of own) {
    if (entry.kind === 'run-started') since ??= entry.at;
    if (entry.kind === 'run-stopped' && since !== null) {
      span += Math.max(Date.parse(entry.at) - Date.parse(since), 0);
      since = null;
    }
    if (isOf('smoke')(entry) && !entry.facts.clear) {
      span = 0;
      since = since === null ? null : entry.at;
    }
  }
  const running = since === null ? 0 : Math.max(Date.parse(now) - Date.parse(since), 0);
  return { minutesRun: Math.floor((span + running) / MINUTE_MS), runningSince: since };
}
