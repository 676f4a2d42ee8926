import type { Origin, Reason, Verdict } from '../verdict';

/** What a defect means for the next hire: it holds the unit, or it is to be put right before. */
export const DEFECT_WEIGHTS = ['hold', 'prep'] as const;
export type DefectWeight = (typeof DEFECT_WEIGHTS)[number];

/** Where a defect comes from. One open defect of a unit per origin: what is found again is a sighting of it. */
export const DEFECT_ORIGINS = [
  'check',
  'told',
  'derived',
  'kit',
  'hours',
  'cause',
  'clock',
  'reading',
  'look',
  'stays-off',
  'unit',
  'by-hand',
] as const;
export interface DefectOrigin {
  readonly kind: (typeof DEFECT_ORIGINS)[number];
  readonly id: string;
  readonly exception?: string;
}

/** One thing found wrong with one unit. */
export interface FoundDefect {
  readonly origin: DefectOrigin;
  readonly sentence: string;
  readonly weight: DefectWeight;
  readonly safety: boolean;
  readonly caution: string | null;
  /** What is to be done about it, where something is. */
  readonly work: string | null;
  /** By what limits a figure was outside: the ones in force then judge whether it is within. */
  readonly limits?: LimitsInForce | null;
}

/** Limits as they were when something was found, in their unit. */
export interface LimitsInForce {
  /** The rated figure that they go by; null: they are the same for every model. */
  readonly rating: string | null;
  readonly least: number | null;
  readonly most: number | null;
  readonly unit: string;
}

/** The exception that stands for a check that nobody could look at. */
export const NOT_LOOKED_AT = 'could-not-look';
/** The exception that stands for a check that could not be made: it will not start, it is in parts. */
export const NOT_POSSIBLE = 'not-possible';

/** A unit that nobody has looked at since it came, or since it was woken up. */
export const NEVER_LOOKED_AT: FoundDefect = {
  origin: { kind: 'unit', id: 'not-looked-at' },
  sentence: 'Not looked at since it came to the yard or was woken up.',
  weight: 'hold',
  safety: true,
  caution: null,
  work: null,
};

/** The hours as they were typed were set aside: nobody knows what the meter shows. */
export const HOURS_NOT_READ: FoundDefect = {
  origin: { kind: 'hours', id: 'not-read' },
  sentence: 'The hours as they were typed do not fit: read the meter again.',
  weight: 'prep',
  safety: false,
  caution: null,
  work: null,
};

/**
 * What a return inspection found wrong, from its verdict: what holds, what is to be put right before the next hire, and what is missing and to
 * be put back. A note and a bill with no work to it are none. In the verdict's order, worst first.
 */
export function defectsOf(verdict: Verdict): FoundDefect[] {
  return verdict.reasons.flatMap((reason) => {
    const work = verdict.jobs.find((job) => job.origins.some((origin) => isSame(origin, reason.origin)))?.work ?? null;
    const weight = weightOf(reason, work);
    if (weight === null) return [];
    const { origin, sentence, caution, safety } = reason;
    return [{ origin, sentence, weight, safety: safety === true, caution: caution ?? null, work }];
  });
}

function weightOf({ consequence }: Reason, work: string | null): DefectWeight | null {
  if (consequence === 'hold') return 'hold';
  if (consequence === 'fix-before-hire') return 'prep';
  return consequence === 'bill' && work !== null ? 'prep' : null;
}

const exceptionOf = (origin: DefectOrigin | Origin): string => ('exception' in origin ? (origin.exception ?? '') : '');

const isSame = (a: DefectOrigin | Origin, b: DefectOrigin | Origin): boolean =>
  a.kind === b.kind && a.id === b.id && exceptionOf(a) === exceptionOf(b);

/** The heavier of two: weight only rises. Example: prep and hold is hold. */
export const heavier = (a: DefectWeight, b: DefectWeight): DefectWeight =>
  a === 'hold' || b === 'hold' ? 'hold' : 'prep';

/** Worst first: what holds before prep, safety before the rest, older before newer. */
export function inOrderOfWeight<
  D extends { readonly weight: DefectWeight; readonly safety: boolean; readonly foundAt: string },
>(defects: readonly D[]): D[] {
  const rank = ({ weight, safety }: D): number => (weight === 'hold' ? 0 : 2) + (safety ? 0 : 1);
  return [...defects].sort((a, b) => rank(a) - rank(b) || a.foundAt.localeCompare(b.foundAt));
}
