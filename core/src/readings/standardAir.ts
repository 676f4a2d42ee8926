import { toSeaLevel } from './bandReading';

/** 15 °C at sea level (ISO 2533:1975). */
const STANDARD_K = 288.15;

export interface InStandardAir {
  /** By the pressure of the air alone: a gauge shows a ratio of it. */
  readonly byPressure: number;
  /** By its density: hot air is thin, too, and less of it is there to press. */
  readonly byDensity: number;
}

/**
 * What a cranking pressure would be at sea level and 15 °C.
 * In: gauge (any unit), height in metres, air in °C, above absolute nought. Out: two figures in the same unit; the truth lies between: the
 * ratio of compression does not know the temperature, but walls do. Source: ISO 2533:1975 for the air; how much temperature counts is
 * judgement, so both ends are given. Example: 90 at 1000 m and 15 °C: 101.5 by pressure, 101.5 by density.
 */
export function toStandardAir(gauge: number, altitudeM: number, airC: number): InStandardAir {
  const byPressure = toSeaLevel(gauge, altitudeM);
  return { byPressure, byDensity: byPressure * ((airC + 273.15) / STANDARD_K) };
}
