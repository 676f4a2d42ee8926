import { LAY_UP_METHODS, methodOfWork, type LayUpMethodId } from '@hudrik/core/catalogue';
import { ethanolIn, litresOf } from '@hudrik/core/fuel';
import type { JobRow, Trx, UnitRow } from '../database/tables';
import { closeStale } from '../fuel/takeFuel';
import { readFuel } from '../fuel/unitFuel';
import type { UnitChange } from '../log/changeUnit';

const HAS_ETHANOL = 0.01;

/** From now on the unit stands. `record` writes the entry, before which its fuel is looked at. */
export async function layUnitUp(
  { trx, unit, at }: Pick<UnitChange, 'trx' | 'unit' | 'at'>,
  method: LayUpMethodId,
  record: () => Promise<string>,
): Promise<void> {
  const [fuel] = await readFuel(trx, unit.id);
  const blend = fuel?.passport.blend ?? [];
  const hadEthanol =
    LAY_UP_METHODS[method].steps.length === 0 && ethanolIn(blend) > HAS_ETHANOL * Math.max(litresOf(blend), 1e-9);
  await setLaidUp(trx, unit, at);
  const entryId = await record();
  await trx
    .insertInto('lay_up')
    .values({
      ...{ unit_id: unit.id, method, had_ethanol: hadEthanol, laid_up_at: at, entry_id: entryId },
      ...{ woken_at: null, pulls: null, failed: null },
    })
    .execute();
  await closeStale(trx, unit.id, entryId, at);
}

/** A visit whose lay-up was done ends with the unit laid up: nobody has to say so again. */
export async function layUpByJobs(change: Omit<UnitChange, 'actor'>, jobs: readonly JobRow[]): Promise<void> {
  const done = jobs.find((job) => job.kind === 'lay-up' && job.state === 'done');
  const method = done && methodOfWork(done.work);
  if (done === undefined || method === undefined || change.unit.laid_up_at !== null) return;
  await layUnitUp(change, method, async () => {
    const { id } = await change.append({ kind: 'laid-up', facts: { method, note: '' }, jobId: done.id });
    return id;
  });
}

export const setLaidUp = (trx: Trx, unit: UnitRow, at: Date | null) =>
  trx
    .updateTable('unit')
    .set((eb) => ({ laid_up_at: at, version: eb('version', '+', 1) }))
    .where('id', '=', unit.id)
    .execute();
