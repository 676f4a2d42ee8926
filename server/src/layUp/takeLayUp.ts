import { NEVER_LOOKED_AT, type FoundDefect } from '@hudrik/core/defects';
import { HIRES_GOING_ON } from '@hudrik/core/states';
import type { Trx, UnitRow } from '../database/tables';
import { openDefects } from '../defects/openDefects';
import type { KindId } from '@hudrik/core/log';
import type { Taker, Taking } from '../log/taking';
import { refuse } from '../refusal';
import { mustBeAtRest } from '../visits/atRest';
import { fuelOfLayUp } from './fuelOfLayUp';
import { layUnitUp, setLaidUp } from './layUnitUp';
import { mustFit } from './mustFit';

const DAY_MS = 86_400_000;

/** A unit is laid up: by a method that fits, with nothing off and no hirer. */
export const takeLaidUp: Taker<'laid-up'> = async (taking) => {
  const { change, actor, id, facts, record } = taking;
  const { trx, unit } = change;
  const at = placedAt(taking);
  mustFit(unit.class_id, facts.method);
  if (unit.laid_up_at !== null) refuse('already-there', { tag: unit.tag });
  await mustBeHere(trx, unit, at);
  await mustBeAtRest(trx, unit.id);
  const fuel = await fuelOfLayUp({ trx, unit, at }, facts, id, actor.id);
  await layUnitUp({ trx, unit, at }, facts.method, async () => {
    await record({ outcome: fuel.outcome });
    await fuel.move();
    return id;
  });
};

/** A laid-up unit is woken. How it woke moves what is taken for its way of lay-up; nobody knows yet how the unit is. */
export const takeWoken: Taker<'woken'> = async (taking) => {
  const { change, id, facts, record } = taking;
  const { trx, unit } = change;
  const at = placedAt(taking);
  // Laid up after it was woken, it stands still.
  if (unit.laid_up_at === null || at < unit.laid_up_at) return refuse('not-laid-up', { tag: unit.tag });
  const lay = await openLayUp(trx, unit.id);
  await setLaidUp(trx, unit, null);
  const days = (at.getTime() - unit.laid_up_at.getTime()) / DAY_MS;
  await record({ outcome: { ...(lay ? { method: lay.method } : {}), days } });
  const failed = facts.pulls === null || facts.wantsFuelRepair;
  if (lay)
    await trx
      .updateTable('lay_up')
      .set({ woken_at: at, pulls: facts.pulls, failed: facts.wantsFuelRepair })
      .where('id', '=', lay.id)
      .execute();
  const found = [NEVER_LOOKED_AT, ...(failed ? [troubleOf(id, facts)] : [])];
  await openDefects(trx, { unitId: unit.id, entryId: id, at }, found);
  return undefined;
};

/** When it happened, where that is known; else when it arrived. */
const placedAt = ({ at, timing, change }: Pick<Taking<KindId>, 'at' | 'timing' | 'change'>): Date =>
  timing === 'known' ? at : change.at;

const openLayUp = (trx: Trx, unitId: number) =>
  trx
    .selectFrom('lay_up')
    .select(['id', 'method'])
    .where('unit_id', '=', unitId)
    .where('woken_at', 'is', null)
    .executeTakeFirst();

function troubleOf(
  id: string,
  { pulls, needed }: { readonly pulls: number | null; readonly needed: string },
): FoundDefect {
  const what = pulls === null ? 'Woken, it did not start' : 'Woken, it wants a fuel repair';
  return {
    origin: { kind: 'by-hand', id },
    sentence: needed === '' ? `${what}.` : `${what}: ${needed}.`,
    weight: 'hold',
    safety: false,
    caution: null,
    work: null,
  };
}

/** Neither out now, nor handed out since that was done. */
async function mustBeHere(trx: Trx, unit: UnitRow, at: Date): Promise<void> {
  const hire = await trx
    .selectFrom('hire')
    .select('id')
    .where('unit_id', '=', unit.id)
    .where((eb) => eb.or([eb('state', 'in', HIRES_GOING_ON), eb('out_at', '>', at)]))
    .executeTakeFirst();
  if (hire) refuse('already-out', { tag: unit.tag });
}
