import { FUELS } from '@hudrik/core/catalogue';
import type { FoundDefect } from '@hudrik/core/defects';
import { stateOf } from '@hudrik/core/fuel';
import type { Context } from '../context';
import { openDefects } from '../defects/openDefects';
import { changeUnit } from '../log/changeUnit';
import { readFuel, type FuelOfUnit } from './unitFuel';

export const STALE_FUEL = 'fuel-past-its-date';

/** Units on the yard whose fuel has gone stale are in want of preparing from then on. Out: how many it was found of. */
export async function findStaleFuel(context: Pick<Context, 'db' | 'now'>): Promise<number> {
  const { db, now } = context;
  const here = await db
    .selectFrom('unit')
    .select('id')
    .where('readiness', 'in', ['fit', 'prep', 'held'])
    .where((eb) =>
      eb.not(
        eb.exists(
          eb
            .selectFrom('defect')
            .select('defect.id')
            .whereRef('defect.unit_id', '=', 'unit.id')
            .where('defect.origin_id', '=', STALE_FUEL)
            .where('defect.closed_at', 'is', null),
        ),
      ),
    )
    .execute();
  const ids = new Set(here.map(({ id }) => id));
  const stale = (await readFuel(db)).filter((fuel) => ids.has(fuel.unitId) && isStale(fuel, now()));
  for (const fuel of stale)
    await changeUnit({ db, now }, null, { id: fuel.unitId }, ({ trx, unit, at }) =>
      openDefects(trx, { unitId: unit.id, entryId: null, at }, [defectOf(fuel, at)]),
    );
  return stale.length;
}

const isStale = ({ passport }: FuelOfUnit, at: Date): boolean =>
  (stateOf(passport.blend, at.getTime())?.spent ?? 0) >= 1;

function defectOf({ passport }: FuelOfUnit, at: Date): FoundDefect {
  const state = stateOf(passport.blend, at.getTime());
  const ethanol = Math.round((state?.ethanol ?? FUELS.e10.ethanol) * 100);
  return {
    origin: { kind: 'derived', id: STALE_FUEL },
    sentence: `The fuel is stale: ${Math.round(state?.ageDays ?? 0)} days old, ${ethanol} % ethanol.`,
    weight: 'prep',
    safety: false,
    caution: 'fuel-vapour',
    work: 'drain-fuel',
  };
}
