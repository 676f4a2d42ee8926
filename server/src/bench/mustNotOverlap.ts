import type { WeekStretch } from '@hudrik/core/contracts';
import { refuse } from '../refusal';

/** Stretches of a week, each of which ends after it begins, none over another of its day. */
export function mustNotOverlap(hours: readonly WeekStretch[]): void {
  const sorted = [...hours].sort((a, b) => a.weekday - b.weekday || a.from.localeCompare(b.from));
  for (const [at, stretch] of sorted.entries()) {
    const { weekday, from, to } = stretch;
    if (to <= from) refuse('not-valid', { field: 'hours', why: 'ends-before', weekday, from, to });
    const before = sorted[at - 1];
    if (before?.weekday === weekday && before.to > from)
      refuse('not-valid', { field: 'hours', why: 'overlaps', weekday, from, to });
  }
}
