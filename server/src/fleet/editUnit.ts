import type { UnitPage } from '@hudrik/core/contracts';
import type { Facts } from '@hudrik/core/log';
import { HIRES_GOING_ON } from '@hudrik/core/states';
import type { Actor, Context } from '../context';
import type { Trx } from '../database/tables';
import { mustBeAtRest } from '../jobs/thingsOff';
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
    if (edit.laidUp || edit.gone) await mustBeAtRest(trx, unit.id);
    await trx
      .updateTable('unit')
      .set((eb) => ({ ...columnsOf(edit, at), version: eb('version', '+', 1) }))
      .where('id', '=', unit.id)
      .execute();
    await append({ kind: 'unit-changed', facts: edit });
  });
  return readUnitPage(context, tag);
}

const columnsOf = ({ serial, homeBay, laidUp, gone }: Edit, at: Date) => ({
  ...(serial === undefined ? {} : { serial }),
  ...(homeBay === undefined ? {} : { home_bay: homeBay }),
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
