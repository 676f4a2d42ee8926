import type { FleetService } from '@hudrik/core/contracts';
import { sayAs, sayMinutes } from '@/writing';

const DAY_MS = 86_400_000;
type Due = FleetService['units'][number]['items'][number];

/** The service of the yard in one sentence. */
export function sayFleet({ units, weeks }: FleetService): string {
  const overdue = units.filter(({ items }) => items.some(({ share }) => share <= 0)).length;
  const now = weeks[0];
  const work = now === undefined ? 0 : now.minutes + now.overdueMinutes;
  if (units.length === 0) return 'Nothing falls due in the next eight weeks.';
  const most = `${sayMinutes(work)} of service this week.`;
  return overdue === 0
    ? `Nothing is overdue. ${most}`
    : `${overdue} ${overdue === 1 ? 'unit is' : 'units are'} overdue. ${most}`;
}

/** When an item falls due, or what it is. */
export function sayItemDue({ share, fallsDueIn, runsOutDuring, jobId }: Due): string {
  if (jobId !== null) return 'on the card';
  if (share <= 0) return 'overdue';
  if (runsOutDuring !== null) return `runs out on ${runsOutDuring}`;
  return `about ${sayAs(Date.now() + fallsDueIn.expected * DAY_MS, 'd MMM')}`;
}
