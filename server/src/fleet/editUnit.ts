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

/** What stands and what wakes are entries of their own: how it was done counts. */
type Edit = Omit<Facts<'unit-changed'>, 'laidUp'>;

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
    if (edit.gone && (await isOnHire(trx, unit.id))) refuse('already-out', { tag: unit.tag });
    if (edit.gone?.scrapped === true) await layDownWork(trx, unit.id, at);
    else if (edit.gone) await mustBeAtRest(trx, unit.id);
    await trx
      .updateTable('unit')
      .set((eb) => ({ ...columnsOf(edit, at), version: eb('version', '+', 1) }))
      .where('id', '=', unit.id)
      .execute();
    if (edit.rated)
      await setFigures(trx, { unitId: unit.id }, [unit.data_sheet.rated ?? {}, edit.rated], { by: actor.id, at });
    const { id } = await append({ kind: 'unit-changed', facts: edit });
    if (comesBack(unit, edit)) await openDefects(trx, { unitId: unit.id, entryId: id, at }, [NEVER_LOOKED_AT]);
  });
  return readUnitPage(context, tag);
}

/** It was gone, and is not any more: nobody knows how it is. */
const comesBack = (unit: UnitRow, { gone }: Edit): boolean => gone === null && unit.gone_at !== null;

const columnsOf = ({ rated, serial, homeBay, severity, gone }: Edit, at: Date) => ({
  ...(rated === undefined ? {} : { data_sheet: JSON.stringify({ rated }) }),
  ...(serial === undefined ? {} : { serial }),
  ...(homeBay === undefined ? {} : { home_bay: homeBay }),
  ...(severity === undefined ? {} : { severity }),
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
