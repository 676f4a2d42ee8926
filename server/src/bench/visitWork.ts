import {
  CLOCKS,
  entryOf,
  FIND_FAULT,
  folderOf,
  MONEY,
  PROOF_LOOKS,
  STEPS_OF_KIND,
  STEPS_OF_WORK,
  type ClassId,
  type ProofNeed,
} from '@hudrik/core/catalogue';
import { cardOf, type Entry } from '@hudrik/core/log';
import { HANDS_SPREAD } from '@hudrik/core/money';
import { chainOf, durationOf, type NamedPhase, type Wait, type Work } from '@hudrik/core/planning';
import { MISSING_LINES, type PartLineState } from '@hudrik/core/states';
import type { JobRow } from '../database/tables';
import { ownKey, type OwnMinutes } from './ownMinutes';

const MINUTE_MS = 60_000;
const DAY_MINUTES = 1440;
/** Finding a fault may take much longer or shorter than expected: standard deviation of the logarithm (judgement). */
const FIND_SPREAD = 0.6;
/** Looking at what was done and signing it (common practice). */
const LOOK_MINUTES = 5;

/** What a job's part lines say. */
interface PartWanted {
  readonly jobId: number;
  readonly name: string;
  readonly state: PartLineState;
  readonly expectedAt: Date | null;
}

interface ClockRunning {
  readonly jobId: number;
  readonly kind: string;
  readonly endsAt: Date;
}

export interface VisitAsked {
  readonly classId: ClassId;
  readonly jobs: readonly JobRow[];
  readonly entries: readonly Entry[];
  readonly clocks: readonly ClockRunning[];
  readonly parts: readonly PartWanted[];
  readonly needs: readonly ProofNeed[];
  readonly isAtProof: boolean;
  /** By job: what finding its fault is expected to take. */
  readonly findMinutes: ReadonlyMap<number, number>;
  readonly own: OwnMinutes;
  readonly now: Date;
}

export interface VisitWork {
  readonly phases: readonly NamedPhase[];
  /** Before anything can be done: the part that comes last; nothing where some work can be done. */
  readonly part: { readonly name: string; readonly at: Date | null; readonly minutes: number } | null;
}

/** The work of a visit as it stands: what is left of each job, the waits that run, the parts that are on their way, and its proof. */
export function workOfVisit(asked: VisitAsked): VisitWork {
  const card = cardOf(asked.entries);
  const works = asked.isAtProof ? [] : asked.jobs.map((job) => workOfJob(asked, card, job));
  const parts = asked.jobs.flatMap((job) => partOf(asked, job.id) ?? []);
  const hasBegun = asked.jobs.some((job) => job.state === 'open');
  const latest = parts.reduce<VisitWork['part']>(
    (last, part) => (last === null || part.minutes > last.minutes ? part : last),
    null,
  );
  // Where every job waits for its part and nobody has begun, the unit stands where it stands until then.
  const part = !hasBegun && parts.length > 0 && parts.length === asked.jobs.length ? latest : null;
  const ready = part === null ? works : works.map((work) => ({ ...work, after: null }));
  return { phases: chainOf(ready, closingOf(asked)), part };
}

type CardNow = ReturnType<typeof cardOf>;

function workOfJob(asked: VisitAsked, card: CardNow, job: JobRow): Work {
  const listed = card.steps.filter((step) => step.jobId === String(job.id) && step.state !== 'dropped');
  const template = entryOf(STEPS_OF_WORK, job.work) ?? STEPS_OF_KIND[job.kind];
  const running = asked.clocks.filter((clock) => clock.jobId === job.id);
  const open = listed.length === 0 ? template : listed.filter(({ state }) => state === 'to-do');
  const steps = open.map(({ clock }) => ({
    wait: clock === undefined || running.some(({ kind }) => kind === clock) ? null : waitOf(clock),
  }));
  const { minutes, spread } = estimateOf(asked, job);
  const share = listed.length === 0 ? 1 : open.length / listed.length;
  return {
    id: String(job.id),
    title: job.title,
    minutes: Math.max(minutes * share, LOOK_MINUTES),
    spread,
    steps: steps.length === 0 ? [{ wait: null }] : steps,
    after: laterOf(clockOf(asked, running), partOf(asked, job.id)),
  };
}

function estimateOf({ own, classId, findMinutes }: VisitAsked, job: JobRow): { minutes: number; spread: number } {
  const find = job.work === FIND_FAULT.work ? findMinutes.get(job.id) : undefined;
  if (find !== undefined) return { minutes: Math.max(find, LOOK_MINUTES), spread: FIND_SPREAD };
  const times = own.get(ownKey(job.kind, classId)) ?? [];
  const { minutes, spread } = durationOf({ minutes: 1, spread: HANDS_SPREAD.value }, times);
  return { minutes: job.minutes * minutes, spread };
}

/** The wait that a clock is; one that is no more in the catalogue is none. */
function waitOf(clock: string): After | null {
  const kind = entryOf(CLOCKS, clock);
  return kind === undefined ? null : { name: kind.name, minutes: kind.minutes };
}

type After = Wait;

function clockOf({ now }: VisitAsked, running: readonly ClockRunning[]): After | null {
  return running.reduce<After | null>((last, { kind, endsAt }) => {
    const minutes = Math.max(Math.round((endsAt.getTime() - now.getTime()) / MINUTE_MS), 0);
    return laterOf(last, { name: entryOf(CLOCKS, kind)?.name ?? kind, minutes });
  }, null);
}

/** The part of a job that comes last: when the supplier said, else when parts come as a rule. */
function partOf({ parts, now }: VisitAsked, jobId: number): (After & { readonly at: Date | null }) | null {
  const missing = parts.filter((part) => part.jobId === jobId && MISSING_LINES.includes(part.state));
  return missing.reduce<(After & { readonly at: Date | null }) | null>((last, { name, expectedAt }) => {
    const minutes =
      expectedAt === null
        ? MONEY.partLeadDays.value * DAY_MINUTES
        : Math.max(Math.round((expectedAt.getTime() - now.getTime()) / MINUTE_MS), 0);
    return last === null || minutes > last.minutes ? { name, minutes, at: expectedAt, isFromOutside: true } : last;
  }, null);
}

const laterOf = (a: After | null, b: After | null): After | null =>
  a === null ? b : b === null || a.minutes >= b.minutes ? a : b;

/** What ends the visit: its run with what goes before and after it, or a look. */
function closingOf({ needs, classId }: VisitAsked) {
  const minutes = needs.includes('load')
    ? folderOf(classId).proof.minutes + LOOK_MINUTES
    : needs.includes('short-run')
      ? PROOF_LOOKS.shortRunMinutes + LOOK_MINUTES
      : LOOK_MINUTES;
  return { id: 'proof', title: needs.length > 0 ? 'Proof' : 'Look and sign', minutes, spread: HANDS_SPREAD.value / 2 };
}
