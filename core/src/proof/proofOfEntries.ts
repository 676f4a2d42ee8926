import type { ProofLook, Shown } from '../catalogue/shapes';
import type { ProofSetting } from './proofSetting';
import { readingsOf, type ShownReading } from './readingsOf';
import { runOf, type ProofEntry } from './runOf';

export interface Proof {
  /** `not-asked`: nothing of fuel or oil was opened. */
  readonly leakLook: 'not-asked' | 'not-looked' | 'dry' | 'leaks';
  readonly load: string | null;
  /** Why no load was to be had, by a lead: what is loaded stays unproved. Null: load is asked, or was put on. */
  readonly unloaded: string | null;
  readonly smoke: 'not-asked' | 'not-looked' | 'clear' | 'smoking';
  readonly asksRun: boolean;
  readonly asksLoad: boolean;
  readonly minutesWanted: number;
  /** Whole minutes that count: of the longest unbroken run where the trouble came after a time, else of all. */
  readonly minutesRun: number;
  readonly unbroken: boolean;
  /** Since when it runs now; null while it stands. */
  readonly runningSince: string | null;
  /** When it was stopped last; null: it never ran, or runs now. */
  readonly stoppedAt: string | null;
  /** Whether time counts at this moment. */
  readonly counts: boolean;
  readonly readings: readonly ShownReading[];
  readonly looks: readonly { readonly look: ProofLook; readonly ok: boolean | null }[];
  /** `untested`: it never ran; `unloaded`: it ran without what counts as load. */
  readonly tested: 'untested' | 'unloaded' | 'loaded';
  /** What is missing before it passes, by code. */
  readonly missing: readonly string[];
  /** What no load could show, by the same codes: it passes without, and that is shown. */
  readonly unproved: readonly string[];
  /** What it showed that is not well, in the fault-finding vocabulary. */
  readonly shows: readonly Shown[];
}

/** The facts of the looks that a proof is made of. */
interface LookFacts {
  readonly 'leak-look': { readonly dry: boolean };
  readonly smoke: { readonly clear: boolean };
  readonly 'proof-load': { readonly load: string | null };
  readonly 'load-not-had': { readonly why: string };
  readonly 'proof-look': { readonly look: string; readonly ok: boolean };
}

const isOf =
  <K extends keyof LookFacts>(kind: K) =>
  (entry: ProofEntry): entry is ProofEntry & { readonly facts: LookFacts[K] } =>
    entry.kind === kind;

const takenBackIn = (entries: readonly ProofEntry[]): ReadonlySet<unknown> =>
  new Set(
    entries.flatMap(({ kind, facts }) =>
      kind === 'answer-taken-back' && typeof facts === 'object' && facts !== null
        ? [Reflect.get(facts, 'entryId')]
        : [],
    ),
  );

/** What was entered since the visit last went to proof, without answers that were taken back at once. */
export function entriesOfProof<E extends ProofEntry>(entries: readonly E[]): E[] {
  const own = entries.slice(entries.findLastIndex((entry) => entry.kind === 'to-proof') + 1);
  const takenBack = takenBackIn(own);
  return own.filter((entry) => !takenBack.has(entry.id));
}

/** The load, as it was said last; or why none was to be had. */
function loadOf(own: readonly ProofEntry[]): Pick<Proof, 'load' | 'unloaded'> {
  const said = own.findLast((entry) => isOf('proof-load')(entry) || isOf('load-not-had')(entry));
  if (said && isOf('load-not-had')(said)) return { load: null, unloaded: said.facts.why };
  return { load: said && isOf('proof-load')(said) ? said.facts.load : null, unloaded: null };
}

/**
 * Where a proof stands. Only what was entered since the visit last went to proof counts.
 * In: the card's entries, what the proof asks, the time. Out: see Proof. Source: common practice.
 */
export function proofOfEntries(entries: readonly ProofEntry[], setting: ProofSetting, now: string): Proof {
  const own = entriesOfProof(entries);
  const { load, unloaded } = loadOf(own);
  const asksLoad = setting.needs.includes('load') && unloaded === null;
  const asksRun = runIsAsked(setting);
  const leak = own.findLast(isOf('leak-look'))?.facts;
  const smoke = own.findLast(isOf('smoke'))?.facts;
  const run = runOf(own, asksLoad, now);
  const ran = own.some((entry) => entry.kind === 'run-started');
  const proof = {
    leakLook: leak ? (leak.dry ? 'dry' : 'leaks') : setting.needs.includes('leak') ? 'not-looked' : 'not-asked',
    smoke: smoke ? (smoke.clear ? 'clear' : 'smoking') : asksRun ? 'not-looked' : 'not-asked',
    load,
    unloaded: setting.needs.includes('load') ? unloaded : null,
    asksRun,
    asksLoad,
    minutesWanted: setting.minutes,
    minutesRun: setting.unbroken ? run.longest : run.minutes,
    unbroken: setting.unbroken,
    runningSince: run.runningSince,
    stoppedAt: run.stoppedAt,
    counts: run.counts,
    readings: readingsOf(setting.plan.readings, own),
    looks: setting.looks.map((look) => ({ look, ok: lookOf(look, own) })),
    tested: ran ? (load === null ? 'unloaded' : 'loaded') : 'untested',
  } as const;
  return { ...proof, missing: missingOf(proof), unproved: unprovedOf(proof), shows: showsOf(proof) };
}

/** Whether the proof asks for a run at all. */
export const runIsAsked = ({ needs }: Pick<ProofSetting, 'needs'>): boolean =>
  needs.includes('load') || needs.includes('short-run');

type Measured = Omit<Proof, 'missing' | 'unproved' | 'shows'>;

/** A reading under load, where none was to be had and nobody took it. */
const isBeyond = ({ unloaded }: Measured, { reading, verdict }: ShownReading): boolean =>
  unloaded !== null && (reading.atLoad ?? 1) > 0 && verdict === 'not-taken';

const unprovedOf = (proof: Measured): string[] =>
  proof.unloaded === null
    ? []
    : [
        'load',
        ...proof.readings.filter((shown) => isBeyond(proof, shown)).map(({ reading }) => `reading-${reading.id}`),
      ];

function missingOf(proof: Measured): string[] {
  const isRight = (state: Proof['leakLook'] | Proof['smoke']): boolean =>
    state === 'dry' || state === 'clear' || state === 'not-asked';
  return [
    ...(isRight(proof.leakLook) ? [] : ['leak-look']),
    ...(proof.asksLoad && proof.load === null ? ['load'] : []),
    ...(isRight(proof.smoke) ? [] : ['smoke']),
    ...(proof.minutesRun >= proof.minutesWanted ? [] : ['minutes']),
    ...proof.readings
      .filter((shown) => shown.verdict !== 'well' && !isBeyond(proof, shown))
      .map((shown) => `reading-${shown.reading.id}`),
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

/** What was said of a look last. What is about a run that has ended is said anew when it has run again. */
function lookOf({ id, from }: ProofLook, own: readonly ProofEntry[]): boolean | null {
  const isOfRun = from === 'run' || from === 'five-after';
  const since = isOfRun ? own.slice(own.findLastIndex((entry) => entry.kind === 'run-started') + 1) : own;
  return since.filter(isOf('proof-look')).findLast(({ facts }) => facts.look === id)?.facts.ok ?? null;
}
