import type { ReadingKind } from '../catalogue/shapes';
import { convertValue } from '../units';
import { READ_IN } from './bandReading';

/** What a person writes for a unit, by the unit. */
const WRITTEN: Readonly<Record<string, RegExp>> = {
  psi: /^(psi|lbs?|#)$/i,
  kPa: /^kpa$/i,
  bar: /^bar$/i,
  in: /^(in|inch|inches|"|″)$/i,
  thou: /^(thou|mil|thousandths?|th)$/i,
  mm: /^mm$/i,
  V: /^(v|volts?)$/i,
  ohm: /^(ohms?|Ω|Ω|r)$/i,
  kohm: /^(k|kohms?|kΩ|kΩ|k ohms?)$/i,
  Mohm: /^(m|mohms?|mΩ|mΩ|m ohms?|meg)$/i,
};

export interface Written {
  readonly value: number;
  /** The unit that stood behind it, where one did. */
  readonly unit: string | null;
}

/**
 * A figure as a person writes it: a comma or a point as decimal, no nought before it, the unit behind it.
 * In: the text and the kind of reading. Out: value and unit; null: there is no figure in it. Example: "12,4 kΩ" is 12.4 kohm.
 */
export function asWritten(text: string, kind: ReadingKind): Written | null {
  const [, figures, behind = ''] = /^\s*(\d+(?:[.,]\d*)?|[.,]\d+)\s*(\D*?)\s*$/.exec(text) ?? [];
  if (figures === undefined) return null;
  const value = Number(figures.replace(',', '.'));
  if (behind === '') return { value, unit: null };
  const unit = READ_IN[kind].find((one) => WRITTEN[one]?.test(behind));
  return unit === undefined ? null : { value, unit };
}

/** From where to where a gauge of this kind shows something, in the unit of its limits (common practice). */
const LIKELY: Readonly<Record<ReadingKind, readonly [number, number]>> = {
  compression: [25, 260],
  'leak-down': [5, 160],
  'valve-lash': [0.001, 0.04],
  battery: [1, 32],
  'plug-gap': [0.008, 0.1],
  'air-gap': [0.002, 0.08],
  'points-gap': [0.004, 0.06],
  'points-resistance': [0, 2000],
  'coil-resistance': [200, 60_000],
};

/** In the unit of its limits. */
const inBase = (kind: ReadingKind, value: number, unit: string): number =>
  unit === READ_IN[kind][0] ? value : convertValue(value, unit, READ_IN[kind][0]);
const isMuch = (kind: ReadingKind, value: number, unit: string): boolean => inBase(kind, value, unit) > LIKELY[kind][1];
const isLikely = (kind: ReadingKind, value: number, unit: string): boolean =>
  inBase(kind, value, unit) >= LIKELY[kind][0] && !isMuch(kind, value, unit);

export interface Doubt {
  /** The figure that no gauge shows so. */
  readonly value: number;
  readonly unit: string;
  /** In which unit it would be likely; null: in none, so it was misread or mistyped. */
  readonly meant: string | null;
}

/**
 * Whether a reading is one that no gauge shows, and what was likely meant.
 * In: the kind, its figures, their unit. Out: the first doubt; null: all are likely. Example: a plug gap of 28 in was 28 thou; a secondary of
 * 4.24 ohm was 4.24 kohm; 99999 psi was nothing.
 */
export function doubtOf(kind: ReadingKind, values: readonly number[], unit: string): Doubt | null {
  const value = values.find((one) => !isLikely(kind, one, unit));
  if (value === undefined) return null;
  const meant = READ_IN[kind].find((other) => other !== unit && values.every((one) => isLikely(kind, one, other)));
  // Little is little: an engine that is done shows that.
  return meant === undefined && !isMuch(kind, value, unit) ? null : { value, unit, meant: meant ?? null };
}
