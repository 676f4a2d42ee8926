import type { ProofReading } from '../catalogue/shapes';
import { convertValue } from '../units';
import type { ProofEntry } from './runOf';

export interface ShownReading {
  readonly reading: ProofReading;
  readonly value: number | null;
  readonly verdict: 'not-taken' | 'well' | 'low' | 'high';
}

interface Taken {
  readonly id: string;
  readonly run: number;
  readonly reading: string;
  readonly value: number;
  readonly unit: string | undefined;
}

interface ReadingFacts {
  readonly reading: string;
  readonly value: number;
  readonly unit?: string;
  /** The entry that was mistyped, which this one stands for. */
  readonly insteadOf?: string;
}

const isReading = (entry: ProofEntry): entry is ProofEntry & { readonly facts: ReadingFacts } =>
  entry.kind === 'proof-reading';

/** Readings that were taken while it ran, with the run each belongs to. One for which another of that run stands is gone: it was mistyped. */
function takenIn(entries: readonly ProofEntry[]): Taken[] {
  const taken: Taken[] = [];
  let [run, runs] = [0, false];
  for (const entry of entries) {
    if (entry.kind === 'run-started' && !runs) [run, runs] = [run + 1, true];
    if (entry.kind === 'run-stopped') runs = false;
    if (!isReading(entry) || !runs) continue;
    const { reading, value, unit, insteadOf } = entry.facts;
    const wrong = taken.findIndex((one) => one.id === insteadOf && one.reading === reading && one.run === run);
    if (wrong >= 0) taken.splice(wrong, 1);
    taken.push({ id: entry.id ?? '', run, reading, value, unit });
  }
  return taken;
}

/** What conversion may add to or take from a figure: at its limit a reading is in. */
const HAIR = 1e-9;

/** Below, in or above its limits. At the limit itself it is in. */
export function verdictOf(reading: ProofReading, value: number): 'well' | 'low' | 'high' {
  const { least, most } = reading;
  if (least !== undefined && value < least - Math.abs(least) * HAIR) return 'low';
  return most !== undefined && value > most + Math.abs(most) * HAIR ? 'high' : 'well';
}

/**
 * What each reading came to. It counts only if it was taken while it ran; of the last run in which it was taken, each one must be within: the
 * worst is shown, else the last.
 */
export function readingsOf(readings: readonly ProofReading[], entries: readonly ProofEntry[]): ShownReading[] {
  const taken = takenIn(entries);
  return readings.map((reading) => {
    const own = taken.filter((one) => one.reading === reading.id);
    const lastRun = own.at(-1)?.run;
    const inRun = own
      .filter((one) => one.run === lastRun)
      .map((one) => convertValue(one.value, one.unit ?? reading.unit, reading.unit));
    const value = inRun.findLast((one) => verdictOf(reading, one) !== 'well') ?? inRun.at(-1);
    return value === undefined
      ? { reading, value: null, verdict: 'not-taken' }
      : { reading, value, verdict: verdictOf(reading, value) };
  });
}
