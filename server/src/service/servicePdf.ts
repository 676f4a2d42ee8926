import { SERVICE_ITEMS } from '@hudrik/core/catalogue';
import type { FleetService } from '@hudrik/core/contracts';
import type { Context } from '../context';
import { readSettings } from '../people/settings';
import { head, section, table, type Sheet } from '../printing/sheet';
import { writingOf } from '../printing/writing';
import { readFleetService } from './fleetService';

const DAY_MS = 86_400_000;
type Item = FleetService['units'][number]['items'][number];

/** What of the yard’s service falls due, on paper: unit by unit, the soonest first. */
export async function servicePdf(context: Context, origin: string): Promise<Buffer> {
  const [service, settings] = await Promise.all([readFleetService(context), readSettings(context.db)]);
  return context.paper.make(serviceSheet(service, writingOf(settings).day, origin));
}

function serviceSheet({ at, units, weeks }: FleetService, day: (instant: string) => string, origin: string): Sheet {
  // Of all that is listed, overdue too: the same as the screen’s.
  const minutes = units.flatMap(({ items }) => items).reduce((sum, item) => sum + item.minutes, 0);
  const when = ({ share, fallsDueIn, runsOutDuring }: Item): string => {
    if (share <= 0) return 'overdue';
    const due = day(new Date(Date.parse(at) + fallsDueIn.expected * DAY_MS).toISOString()).slice(0, 10);
    return runsOutDuring === null ? due : `${due}, runs out on ${runsOutDuring}`;
  };
  const nameOf = (id: string): string => SERVICE_ITEMS.find((item) => item.id === id)?.name ?? id;
  return {
    title: `Service ${day(at)}`,
    content: [
      ...head({
        tag: 'Service',
        title: `${units.length} units, ${Math.floor(minutes / 60)} h ${Math.round(minutes % 60)} min`,
        under: [`What falls due in the ${weeks.length} weeks from ${day(at).slice(0, 10)}`],
        link: `${origin}/service`,
      }),
      ...(units.length === 0 ? ['Nothing falls due.'] : []),
      ...units.flatMap(({ tag, items }) =>
        section(
          tag,
          table(
            [
              { title: 'What', share: 5 },
              { title: 'When', share: 4 },
              { title: 'Minutes', share: 1, right: true },
            ],
            items.map((item) => [nameOf(item.id), when(item), String(item.minutes)]),
          ),
        ),
      ),
    ],
  };
}
