import type { FleetService } from '@hudrik/core/contracts';
import type { Context } from '../context';
import { readServiceFacts } from './serviceFacts';
import { serviceOf } from './unitService';

const DAY_MS = 86_400_000;
const WEEKS = 8;
const WEEK_DAYS = 7;

type FleetUnit = FleetService['units'][number];

/** What falls due in the weeks ahead, unit by unit, the soonest first. What is laid up is served when it wakes. */
export async function readFleetService({ db, now }: Pick<Context, 'db' | 'now'>): Promise<FleetService> {
  const at = now();
  const facts = (await readServiceFacts(db, at)).filter(({ readiness }) => readiness !== 'laid-up');
  const units = facts
    .map((one): FleetUnit => {
      const { tag, items, visits, savedMinutes } = serviceOf(one, at);
      const { classId } = one;
      const minutesOf = (id: string): number => one.plan.items.find((item) => item.id === id)?.minutes ?? 0;
      const due = items
        // What is on the card stands there whenever it falls due: it was raised with what does.
        .filter(({ fallsDueIn, jobId }) => fallsDueIn.expected < WEEKS * WEEK_DAYS || jobId !== null)
        .map(({ id, share, fallsDueIn, hoursLeft, daysLeft, runsOutDuring, jobId }) => ({
          ...{ id, share, fallsDueIn, hoursLeft, daysLeft, runsOutDuring, jobId },
          minutes: minutesOf(id),
        }));
      return { tag, classId, readiness: one.readiness, items: due, visits, savedMinutes };
    })
    .filter(({ items }) => items.length > 0)
    .sort((a, b) => soonest(a) - soonest(b) || a.tag.localeCompare(b.tag));
  return { at: at.toISOString(), weeks: weeksOf(units, at), units };
}

const soonest = ({ items }: FleetUnit): number =>
  Math.min(...items.map(({ share, fallsDueIn }) => (share <= 0 ? share : fallsDueIn.expected)));

/** The work of each week: what is expected to fall due in it, and, in the first, what is overdue. */
function weeksOf(units: readonly FleetUnit[], at: Date): FleetService['weeks'] {
  const all = units.flatMap(({ items }) => items);
  return Array.from({ length: WEEKS }, (_, week) => {
    const within = all.filter(
      ({ share, fallsDueIn }) => share > 0 && Math.floor(fallsDueIn.expected / WEEK_DAYS) === week,
    );
    const overdue = week === 0 ? all.filter(({ share }) => share <= 0) : [];
    const sum = (items: FleetUnit['items']): number => items.reduce((minutes, item) => minutes + item.minutes, 0);
    return {
      fromAt: new Date(at.getTime() + week * WEEK_DAYS * DAY_MS).toISOString(),
      minutes: sum(within),
      overdueMinutes: sum(overdue),
    };
  });
}
