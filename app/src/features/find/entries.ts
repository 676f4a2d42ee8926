import { OBSERVATIONS, SET_UPS, FAULTS, type FaultId, type ObservationId } from '@hudrik/core/catalogue';
import type { FindingRecord, NewEntry } from '@hudrik/core/contracts';
import type { Chapter } from '@hudrik/core/diagnosis';

/** An entry as the device holds it: it may not have reached the server yet. */
export interface Entry extends NewEntry {
  readonly at: string;
  readonly by: string | null;
  readonly sent: boolean;
}

/** A finding as the device holds it. What is kept here is never less than what the server has. */
export interface LocalFinding {
  readonly id: string;
  readonly tag: string | null;
  readonly machine: FindingRecord['machine'];
  readonly limits: FindingRecord['limits'];
  readonly entries: readonly Entry[];
  readonly closedAt: string | null;
  readonly causes: readonly string[] | null;
  readonly jobId: string | null;
  /** The server knows of it. */
  readonly opened: boolean;
  readonly version: number;
  /** The machine was said anew here, and the server has not got it. */
  readonly machineUnsent?: boolean;
  /** The server refuses what is not sent yet, and why: asked again it would refuse it again. */
  readonly refused?: string | null;
}

export interface Standing {
  readonly chapters: readonly Chapter[];
  readonly passedOver: readonly string[];
  readonly setUpsDone: readonly string[];
  /** The entries that count now, newest first. */
  readonly counting: readonly Entry[];
  readonly repaired: readonly string[];
}

/** What the entries come to: what is seen now, in chapters that end with a repair; what is passed over; what is off already. */
export function standingOf(entries: readonly Entry[]): Standing {
  let seen = new Map<string, Entry>();
  const chapters: Chapter[] = [];
  const passedOver = new Set<string>();
  const before: Entry[] = [];
  for (const entry of entries) {
    if (entry.kind === 'repaired') {
      chapters.push({ seen: seenOf(seen), repaired: entry.fault as string });
      before.push(...seen.values(), entry);
      seen = new Map();
      continue;
    }
    const observation = entry.observation as string;
    if (entry.kind === 'seen') seen.set(observation, entry);
    else seen.delete(observation);
    if (entry.kind === 'could-not-tell') passedOver.add(observation);
    else passedOver.delete(observation);
  }
  chapters.push({ seen: seenOf(seen) });
  const counting = [...before, ...seen.values()].reverse();
  return {
    chapters,
    passedOver: [...passedOver],
    setUpsDone: setUpsDone(counting),
    counting,
    repaired: before.flatMap((entry) => entry.fault ?? []),
  };
}

const seenOf = (seen: ReadonlyMap<string, Entry>): Chapter['seen'] =>
  Object.fromEntries(
    [...seen].map(([id, entry]) => [id, entry.outcomes.length === 1 ? (entry.outcomes[0] as string) : entry.outcomes]),
  );

/** What had to come off for what was looked at or put right is off. */
function setUpsDone(counting: readonly Entry[]): string[] {
  const setUps = counting.flatMap(
    (entry) =>
      (entry.observation
        ? OBSERVATIONS[entry.observation as ObservationId].setUps
        : FAULTS[entry.fault as FaultId]?.repair.setUps) ?? [],
  );
  return [...new Set(setUps)].filter((id) => id in SET_UPS);
}

/** The server's record, with what this device has not sent yet behind it: entries, and the machine where it was said anew here. */
export function merge(
  record: FindingRecord,
  mine: readonly Entry[],
  saidAnew: LocalFinding['machine'] | null = null,
): LocalFinding {
  const theirs = new Set(record.entries.map((entry) => entry.id));
  return {
    id: record.id,
    tag: record.tag,
    machine: saidAnew ?? record.machine,
    machineUnsent: saidAnew !== null,
    limits: record.limits,
    closedAt: record.closedAt,
    causes: record.causes,
    jobId: record.jobId,
    opened: true,
    version: record.version,
    entries: [
      ...record.entries.map((entry) => ({ ...entry, sent: true }) as Entry),
      ...mine.filter((entry) => !theirs.has(entry.id)).map((entry) => ({ ...entry, sent: false })),
    ],
  };
}
