/** One meter as fitted to a unit. Meters get replaced and roll over; the unit's true hours go on. */
export interface Meter {
  /** True hours = reading + this. */
  readonly offsetHours: number;
}

/** True running hours of the unit, from a reading on its present meter. Example: 12.5 on a meter with offset 340 is 352.5. */
export const trueHours = (reading: number, meter: Meter): number => roundTenth(reading + meter.offsetHours);

/**
 * The meter that takes over when one is replaced.
 * In: the unit's true hours at the change, what the new meter shows then. Out: the new meter's offset.
 * Example: changed at 340.0 true hours for a meter that shows 0.2: offset 339.8.
 */
export const replaceMeter = (trueHoursAtChange: number, newMeterShows: number): Meter => ({
  offsetHours: roundTenth(trueHoursAtChange - newMeterShows),
});

/**
 * The same meter after it ran past its last figure.
 * In: the meter before, the hours at which it starts again (1000 or 10000, say). Example: offset 0 rolling at 1000 gives 1000.
 */
export const rollOver = (meter: Meter, rollsAt: number): Meter => ({
  offsetHours: roundTenth(meter.offsetHours + rollsAt),
});

export const roundTenth = (hours: number): number => Math.round(hours * 10) / 10;
