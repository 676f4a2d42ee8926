import { JUDGEMENT, type Threshold } from '../catalogue/shapes';
import { isImpossible, type ReadingFinding } from './assessReading';
import { readMeter, type LastOnMeter } from './readMeter';
import type { UseRate } from './useRate';

export const SILENT_HOURS: Threshold = {
  name: 'A machine that told its hours from afar and told nothing for so long is called silent',
  value: 72,
  unit: 'h',
  source: JUDGEMENT,
};

export interface AfarContext extends LastOnMeter {
  /** Since the last reading that counts, 0 or more. */
  readonly clockHours: number;
  readonly hireDays: number;
  readonly use: UseRate;
}

export interface AfarRead {
  readonly trueHours: number;
  readonly finding: ReadingFinding | null;
  /** Nobody stands by a device: what no meter shows, or what outruns the clock, does not count; what is only unusual does. */
  readonly counts: boolean;
}

/**
 * What is made of the hours that a machine tells from afar: checked as if somebody had typed them.
 * In: hours on its meter, 0 or more, and the last reading that counts with its meter, clock, hire and use. Out: true hours, what is odd, and
 * whether it counts. Source: `readMeter`. Example: last 100.0 a day ago, told 131.0: outruns the clock, does not count.
 */
export function readFromAfar(reading: number, context: AfarContext): AfarRead {
  const { assessment, trueHours } = readMeter(String(reading), context, null, context);
  const finding = assessment.findings[0] ?? null;
  return {
    trueHours,
    finding,
    counts: finding === null || (!isImpossible(finding) && finding.code !== 'faster-than-clock'),
  };
}

/** Whether a machine that told its hours at one time is silent at another. */
export const isSilent = (toldAt: Date, now: Date): boolean =>
  now.getTime() - toldAt.getTime() > SILENT_HOURS.value * 3_600_000;
