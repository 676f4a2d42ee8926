import type { ServiceItemState } from '@hudrik/core/contracts';
import { sayAs, sayFull, sayHours } from '@/writing';

const DAY_MS = 86_400_000;
const days = (count: number): string => (Math.round(count) === 1 ? '1 day' : `${Math.round(count)} days`);

/** What is left of an item, or by how much it is over: by its hours and by its days. Example: 12.5 h or 40 days left. */
export function sayLeft({ hoursLeft, daysLeft }: Pick<ServiceItemState, 'hoursLeft' | 'daysLeft'>): string {
  const over = [
    hoursLeft !== null && hoursLeft < 0 && sayHours(-hoursLeft),
    daysLeft !== null && daysLeft <= -0.5 && days(-daysLeft),
  ].filter(Boolean);
  if (over.length > 0) return `${over.join(' and ')} overdue`;
  return `${[hoursLeft !== null && sayHours(hoursLeft), daysLeft !== null && days(Math.max(daysLeft, 0))].filter(Boolean).join(' or ')} left`;
}

/** Since when it counts, and when it will be due, with its band. */
export function sayDue({ done, fallsDueIn, share }: Pick<ServiceItemState, 'done' | 'fallsDueIn' | 'share'>): string {
  const since =
    done === null
      ? 'Not written down yet: counts from when it came'
      : `Done ${sayDate(done.at)} at ${sayHours(done.trueHours)}`;
  if (share <= 0) return `${since}.`;
  const { early, late } = fallsDueIn;
  const [from, to] = [dayIn(early), dayIn(late)];
  return `${since}. Falls due ${from === to ? from : `${from} to ${to} (8 in 10)`}.`;
}

/** A visit's day. Example: Today; About 3 Dec 2026. */
export const sayWhen = (inDays: number): string => (inDays < 1 ? 'Now' : `About ${dayIn(inDays)}`);

export const sayEvery = ({
  every: { hours, months },
  firstHours,
}: {
  readonly every: ServiceItemState['every'];
  readonly firstHours?: number | null;
}): string => {
  const month = months === 1 ? 'month' : months !== undefined && `${months} months`;
  const usual = `Every ${[hours !== undefined && `${hours} h`, month].filter(Boolean).join(' or ')}`;
  return firstHours == null ? usual : `${usual}, new first at ${firstHours} h`;
};

/** What goes in, and how much. Example: 1.1 L of 5W-30, for starts down to −20 °C. */
export function sayFluid({ grade, amount, coldestC }: NonNullable<ServiceItemState['fluid']>): string {
  const much = amount === null ? '' : `${sayFull(amount.value)} ${amount.unit}`;
  const cold = `${coldestC < 0 ? '−' : ''}${Math.abs(coldestC)} °C`;
  if (grade === null) return [much, `its sheet has no grade for starts at ${cold}`].filter(Boolean).join('; ');
  return `${[much, grade].filter(Boolean).join(' of ')}, for starts down to ${cold}.`;
}

const sayDate = (instant: string): string => sayAs(instant, 'd MMM yyyy');
const dayIn = (inDays: number): string => sayAs(Date.now() + inDays * DAY_MS, 'd MMM yyyy');
