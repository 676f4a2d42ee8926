import { besidesOf, LAY_UP_METHODS, LAY_UP_BESIDES } from '@hudrik/core/catalogue';
import type { LayUpReply, SeasonSheet } from '@hudrik/core/contracts';
import type { Context } from '../context';
import { writeCsv } from '../exchange/csv';
import { readFuelStore } from '../fuel/cans';
import { head, section, ticks } from '../printing/sheet';
import { readSettings } from '../people/settings';
import { writingOf } from '../printing/writing';
import { nameOf, readLayUp } from './readLayUp';

const round = (litres: number): number => Math.round(litres * 10) / 10;
const FOG_ML = 10;
/** What stands for less is not laid up. */
const LEAST_DAYS = 7;

/**
 * What is laid up now, in the order to do it: metal tanks and those that stand longest first; each with its doses, all with what there must be of
 * each fluid, and what the store has.
 */
export const readSeasonSheet = async (context: Pick<Context, 'db' | 'now'>): Promise<SeasonSheet> =>
  sheetOf(context, await readLayUp(context));

/** The sheet of a fleet that was read. */
export async function sheetOf(
  context: Pick<Context, 'db' | 'now'>,
  { units, now }: Pick<LayUpReply, 'units' | 'now'>,
): Promise<SeasonSheet> {
  const { stabiliserMl: mlPerLitre } = await readSettings(context.db);
  const lines = units
    .flatMap(({ tag, classId, laidUp, forecast, costs, choice, tank, hasJob }) => {
      const cost = costs.find(({ method }) => method === choice?.method) ?? costs[0];
      if (laidUp !== null || forecast === null || cost === undefined || forecast.expected < LEAST_DAYS) return [];
      const { leaves, takesStabiliser, staysReady, minutes, steps } = LAY_UP_METHODS[cost.method];
      if (steps.length === 0) return [];
      return [
        {
          ...{ tag, classId, method: cost.method, isMetal: tank.isMetal, hasJob },
          ...{ days: Math.round(forecast.expected), beginsIn: Math.round(forecast.beginsIn) },
          fuel: leaves?.fuel ?? null,
          litres: round(cost.litres),
          stabiliserMl: takesStabiliser ? Math.round(cost.litres * mlPerLitre) : 0,
          fogMl: staysReady ? 0 : FOG_ML,
          minutes: minutes + (tank.hasTap ? 0 : LAY_UP_METHODS[cost.method].withoutTapMinutes),
          besides: besidesOf(classId, LAY_UP_METHODS[cost.method]).map((id) => LAY_UP_BESIDES[id]),
        },
      ];
    })
    .sort((a, b) => Number(b.isMetal) - Number(a.isMetal) || b.days - a.days || a.tag.localeCompare(b.tag));
  const store = await readFuelStore(context);
  const total = (of: (line: (typeof lines)[number]) => number): number =>
    lines.reduce((sum, line) => sum + of(line), 0);
  const wants = (['e0', 'alkylate'] as const).map((fuel) => ({
    fuel,
    litres: round(total((line) => (line.fuel === fuel ? line.litres : 0))),
    inStore: round(
      store.cans
        .filter((can) => can.fuel === fuel && !can.isStale)
        .reduce((sum, can) => sum + Math.max(can.litres, 0), 0),
    ),
  }));
  return {
    ...{ now, lines, wants: wants.filter(({ litres }) => litres > 0) },
    stabiliserMl: total(({ stabiliserMl }) => stabiliserMl),
    fogMl: total(({ fogMl }) => fogMl),
    minutes: total(({ minutes }) => minutes),
  };
}

export async function exportSeasonSheet(context: Pick<Context, 'db' | 'now'>): Promise<string> {
  const { lines } = await readSeasonSheet(context);
  return writeCsv(
    ['tag', 'class', 'method', 'days', 'fuel', 'litres', 'stabiliser-ml', 'fogging-ml', 'minutes'],
    lines.map(({ tag, classId, method, days, fuel, litres, stabiliserMl, fogMl, minutes }) => ({
      ...{ tag, class: classId, method, days, fuel: fuel ?? '', litres, minutes },
      'stabiliser-ml': stabiliserMl,
      'fogging-ml': fogMl,
    })),
  );
}

/** The sheet on paper, with what to hang on each. */
export async function seasonPdf(context: Context, origin: string): Promise<Buffer> {
  const sheet = await readSeasonSheet(context);
  const { day } = writingOf(await readSettings(context.db));
  return context.paper.make({
    title: `Lay-up ${day(sheet.now)}`,
    content: [
      ...head({
        tag: 'Lay-up',
        title: `${sheet.lines.length} units, ${Math.floor(sheet.minutes / 60)} h ${sheet.minutes % 60} min`,
        under: [
          ...sheet.wants.map(({ fuel, litres, inStore }) => `${litres} l of ${fuel}, ${inStore} l in the store`),
          `${sheet.stabiliserMl} ml of stabiliser, ${sheet.fogMl} ml of fogging oil`,
          'Fuel vapour sinks and catches fire: no flame, earth the can, local fire and waste rules come first.',
        ],
        link: `${origin}/lay-up`,
      }),
      ...sheet.lines.flatMap(({ tag, method, days, litres, stabiliserMl, besides }) =>
        section(
          `${tag}: ${nameOf(method)}, ${days} days${litres > 0 ? `, ${litres} l` : ''}${stabiliserMl > 0 ? ` with ${stabiliserMl} ml of stabiliser` : ''}`,
          ticks([...LAY_UP_METHODS[method].steps, ...besides].map((text) => ({ text, done: false }))),
        ),
      ),
    ],
  });
}
