import { JUDGEMENT, type Threshold } from '../catalogue/shapes';

/**
 * What is known of when an entry happened. known: the device had measured its clock against the server's, and it lies not too far back. too-old,
 * unknown: it is kept with the time it names, and closes nothing.
 */
export const TIMINGS = ['known', 'too-old', 'unknown'] as const;
export type Timing = (typeof TIMINGS)[number];

export const BELIEVED_DAYS: Threshold = {
  name: 'What a device says of the past closes something for so many days',
  value: 3,
  unit: 'days',
  source: JUDGEMENT,
};

const DAY_MS = 86_400_000;

interface Said {
  /** When it happened by the device, its offset added (ISO 8601); left out: on arrival. */
  readonly at?: string | undefined;
  /** Milliseconds that the server's clock was ahead of the device's, as it was measured last; null: it never was. */
  readonly offsetMs?: number | null | undefined;
}

/**
 * When an entry happened, and how far that is known. Never later than it arrived: a device's clock may be ahead. Of one whose clock nobody
 * measured, or that names a time too far back, the time stands as it was said, but nothing is closed by it.
 * In: what the device says, when it arrived. Example: said to be a minute ahead: on arrival.
 */
export function momentOf({ at, offsetMs }: Said, arrived: Date): { readonly at: Date; readonly timing: Timing } {
  if (at === undefined) return { at: arrived, timing: 'known' };
  const said = Math.min(Date.parse(at), arrived.getTime());
  const timing =
    offsetMs == null ? 'unknown' : said < arrived.getTime() - BELIEVED_DAYS.value * DAY_MS ? 'too-old' : 'known';
  return { at: new Date(said), timing };
}

/** Something that makes a look that began before it a look at how the unit was then: it went out, was laid up, woken, sold or moved. */
export interface Turn {
  readonly kind: 'handed-out' | 'left-anyway' | 'laid-up' | 'woken' | 'gone' | 'came-back' | 'moved';
  readonly at: string;
}

/** Why a check-in does not stand as the return of its unit, and is kept as a look of its own time. */
export type LateBecause =
  | { readonly code: 'too-old' }
  | { readonly code: 'unknown' }
  | { readonly code: 'turned'; readonly by: Turn['kind']; readonly at: string };

/**
 * Whether a check-in stands: it ends a hire and clears "not looked at" only if nothing lies between it and now. In: when it began, what is known of
 * its time, what turned the unit since (in any order). Out: why it does not stand, or null. Source: common practice.
 * Example: begun at nine, handed out at half past: it is a look of nine o'clock.
 */
export function lateBecause(began: string, timing: Timing, turns: readonly Turn[]): LateBecause | null {
  if (timing !== 'known') return { code: timing };
  const since = turns.filter((turn) => turn.at > began).sort((a, b) => b.at.localeCompare(a.at))[0];
  return since === undefined ? null : { code: 'turned', by: since.kind, at: since.at };
}
