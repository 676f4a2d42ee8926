import type { Opening, UnitLine } from '@hudrik/core/contracts';
import { sayAgo, sayMinutes, sayTime } from '@/writing';

type Verdict = UnitLine['verdict'];

/** The sentence a person would say of a unit, the answer first. */
export function sayReadiness(verdict: Verdict): string {
  const [first] = verdict.because;
  switch (verdict.readiness) {
    case 'fit':
      return 'Fit for hire.';
    case 'held':
      return verdict.notLookedAtSince
        ? `Held: back ${sayAgo(verdict.notLookedAtSince)}, not looked at.`
        : `Held: ${first ?? ''}`;
    case 'prep':
      return `Prep: ${first ?? ''}`;
    case 'out':
      return isPast(verdict.dueAt)
        ? `Out, was due back ${sayTime(verdict.dueAt ?? '')}.`
        : `Out until ${sayTime(verdict.dueAt ?? '')}.`;
    case 'laid-up':
      return 'Laid up for the season.';
    default:
      return 'Gone from the yard.';
  }
}

const isPast = (instant: string | undefined): boolean => instant !== undefined && Date.parse(instant) < Date.now();

/** One short line of reason, for the small tag. */
export function sayReason(unit: Pick<UnitLine, 'verdict' | 'nextHire'>): string {
  const { verdict, nextHire } = unit;
  if (verdict.readiness === 'held' || verdict.readiness === 'prep')
    return sayReadiness(verdict).replace(/^(Held|Prep): /, '');
  if (verdict.readiness === 'out') return sayReadiness(verdict).replace(/^Out,? ?/, '');
  if (verdict.readiness === 'fit') return nextHire ? `Goes out ${sayTime(nextHire.fromAt)}` : 'No hire booked';
  return sayReadiness(verdict);
}

/** Wall-clock hours since an instant. */
export const hoursSince = (instant: string): number => (Date.now() - Date.parse(instant)) / 3_600_000;

/** The instant so many days from now. */
export const daysFromNow = (days: number): string => new Date(Date.now() + days * 86_400_000).toISOString();

/** Of a unit that may not go: when it can be had at the earliest. */
export function sayNotBefore(unit: Pick<Opening, 'verdict' | 'workMinutes' | 'defects'>, now: Date): string {
  const { readiness, dueAt, notLookedAtSince } = unit.verdict;
  if (notLookedAtSince || unit.defects.some(({ origin }) => origin.kind === 'unit'))
    return 'Not before it is checked in.';
  if (readiness === 'out')
    return isPast(dueAt)
      ? 'Overdue: ask the hirer.'
      : `Not before ${sayTime(dueAt ?? '')}, and then it must be checked in.`;
  if (readiness === 'held' || readiness === 'prep') {
    if (unit.workMinutes === 0) return 'Nobody has said yet what work it needs.';
    return `Not before ${sayTime(new Date(now.getTime() + unit.workMinutes * 60_000).toISOString())}: ${sayMinutes(unit.workMinutes)} of work on it, if it is begun now.`;
  }
  return readiness === 'laid-up'
    ? `Called for now: about ${sayMinutes(unit.workMinutes)} of work to wake it, and then it must be checked in.`
    : '';
}
