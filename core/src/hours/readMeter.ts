import { assessReading, type ReadingAssessment, type ReadingContext } from './assessReading';
import { replaceMeter, rollOver, roundTenth, trueHours, type Meter } from './trueHours';

/** A meter that was replaced or ran past its last figure since the last reading. */
export interface MeterEvent {
  readonly kind: 'replaced' | 'rolled-over';
  /** What the old meter showed last; null: nobody knows, its last reading stands. */
  readonly oldReading: number | null;
  /** Replaced: what the new one showed when it was fitted. */
  readonly newMeterShows: number;
  /** Rolled over: the hours at which it starts again. */
  readonly rollsAt?: number | undefined;
}

/** The last reading and the meter it was read on. */
export interface LastOnMeter {
  readonly lastReading: number;
  readonly offsetHours: number;
}

export interface MeterRead {
  readonly assessment: ReadingAssessment;
  /** The meter that the reading stands on: another than before after an event. */
  readonly meter: Meter;
  readonly trueHours: number;
}

/** Where a meter rolls over that last showed this, if it did. */
export const likelyRoll = (lastReading: number): 100 | 1000 | 10_000 =>
  lastReading < 100 ? 100 : lastReading < 1000 ? 1000 : 10_000;

/**
 * What a meter shows, on the meter that it is: true hours, findings, and what it may have been, in figures that this meter can show.
 * In: the figures as typed, the last reading with its meter, what happened to the meter, and the clock, hire and use. Out: findings (a
 * replaced meter below what it showed when fitted, one that rolled and shows its roll or more: nobody can stand by those), true hours.
 * True hours never fall: what the old meter had run to is kept. Source: common practice of meter offsets.
 * Example: last 995.0, rolled at 1000, typed "4.5": 9.5 h run, 1004.5 true hours.
 */
export function readMeter(
  typed: string,
  last: LastOnMeter,
  event: MeterEvent | null,
  around: Pick<ReadingContext, 'clockHours' | 'hireDays' | 'use'>,
): MeterRead {
  const meter = event === null ? last : meterAfter(last, event);
  const ownRoll = event?.kind === 'rolled-over' ? { rollsAt: event.rollsAt ?? likelyRoll(last.lastReading) } : {};
  const assessment = assessReading(typed, {
    ...around,
    lastReading: roundTenth(trueHours(last.lastReading, last) - meter.offsetHours),
    ...(event?.kind === 'replaced' ? { fittedAt: event.newMeterShows } : {}),
    ...ownRoll,
  });
  return { assessment, meter: { offsetHours: meter.offsetHours }, trueHours: trueHours(Number(typed), meter) };
}

function meterAfter(last: LastOnMeter, { kind, oldReading, newMeterShows, rollsAt }: MeterEvent): Meter {
  return kind === 'rolled-over'
    ? rollOver(last, rollsAt ?? likelyRoll(last.lastReading))
    : replaceMeter(trueHours(oldReading ?? last.lastReading, last), newMeterShows);
}
