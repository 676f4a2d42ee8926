import type { UnitPage } from '@hudrik/core/contracts';
import { NEVER_LOOKED_AT } from '@hudrik/core/defects';
import type { Facts } from '@hudrik/core/log';
import { HIRES_GOING_ON } from '@hudrik/core/states';
import type { Actor, Context } from '../context';
import type { Trx, UnitRow } from '../database/tables';
import { openDefects } from '../defects/openDefects';
import { setFigures } from '../figures/setFigures';
import { layDownWork, mustBeAtRest } from '../visits/atRest';
import { changeUnit } from '../log/changeUnit';
import { refuse } from '../refusal';
import { readUnitPage } from './unitPage';

type Edit = Facts<'unit-changed'>;

/** Changes what a lead may change by hand. Refused when the unit is not as the person saw it. */
export async function editUnit(
  context: Context,
  actor: Actor,
  tag: string,
  edit: Edit,
  seenVersion: number | null,
): Promise<UnitPage> {
  await changeUnit(context, actor, { tag }, async ({ trx, unit, at, append }) => {
    if (seenVersion !== null && seenVersion !== unit.version) refuse('changed-meanwhile', { version: unit.version });
    if ((edit.laidUp || edit.gone) && (await isOnHire(trx, unit.id))) refuse('already-out', { tag: unit.tag });
    if (edit.gone?.scrapped === true) await layDownWork(trx, unit.id, at);
    else if (edit.laidUp || edit.gone) await mustBeAtRest(trx, unit.id);
    await trx
      .updateTable('unit')
      .set((eb) => ({ ...columnsOf(edit, at), version: eb('version', '+', 1) }))
      .where('id', '=', unit.id)
      .execute();
    if (edit.laidUp === false) await endLayUp(trx, unit.id, at);
    if (edit.rated)
      await setFigures(trx, { unitId: unit.id }, [unit.data_sheet.rated ?? {}, edit.rated], { by: actor.id, at });
    const { id } = await append({ kind: 'unit-changed', facts: edit });
    if (comesBack(unit, edit)) await openDefects(trx, { unitId: unit.id, entryId: id, at }, [NEVER_LOOKED_AT]);
  });
  return readUnitPage(context, tag);
}

/** Woken by a lead's word: how it started is not known, and teaches nothing. */
const endLayUp = (trx: Trx, unitId: number, at: Date) =>
  trx.updateTable('lay_up').set({ woken_at: at }).where('unit_id', '=', unitId).where('woken_at', 'is', null).execute();

/** It was laid up, or gone, and is not any more: nobody knows how it is. */
const comesBack = (unit: UnitRow, { laidUp, gone }: Edit): boolean =>
  (laidUp === false && unit.laid_up_at !== null) || (gone === null && unit.gone_at !== null);

const columnsOf = ({ rated, serial, homeBay, severity, laidUp, gone }: Edit, at: Date) => ({
  ...(rated === undefined ? {} : { data_sheet: JSON.stringify({ rated }) }),
  ...(serial === undefined ? {} : { serial }),
  ...(homeBay === undefined ? {} : { home_bay: homeBay }),
  ...(severity === undefined ? {} : { severity }),
  ...(laidUp === undefined ? {} : { laid_up_at: laidUp ? at : null }),
  ...(gone === undefined ? {} : { gone_at: gone ? at : null, gone_why: gone?.why ?? null }),
});

async function isOnHire(trx: Trx, unitId: number): Promise<boolean> {
  const hire = await trx
    .selectFrom('hire')
    .select('id')
    .where('unit_id', '=', unitId)
    .where('state', 'in', HIRES_GOING_ON)
    .executeTakeFirst();
  return hire !== undefined;
}
