import { randomUUID } from 'node:crypto';
import type { LogRecord } from '@hudrik/core/contracts';
import { dangersAtGate, isOf } from '@hudrik/core/log';
import { closeDefects } from '../defects/closeDefects';
import type { Trx } from '../database/tables';
import { changeUnit } from '../log/changeUnit';
import { entryById } from '../log/readLog';
import type { Taker } from '../log/taking';
import { refuse } from '../refusal';
import { complaintsIn, openTold } from './toldDefects';

/**
 * What was told was told of the wrong tag. Whoever told it says which unit it is, or a lead: it is open there from the moment it was told, and
 * closed here. Both units show it.
 */
export const moveTold: Taker<'told-moved'> = async ({ context, change, actor, id, at, facts, record }) => {
  const { trx, unit } = change;
  const told = await entryById(trx, facts.entryId);
  const complaintIds = told?.unitId === unit.id ? toldIn(told.record) : [];
  if (told === undefined || complaintIds.length === 0) return refuse('not-found', { entry: facts.entryId });
  if (told.personId !== actor.id && actor.role !== 'lead')
    return refuse('not-your-role', { role: actor.role, wants: ['lead'] });
  if (facts.toTag === unit.tag) return refuse('not-valid', { field: 'toTag', value: facts.toTag });
  await record({ outcome: { complaintIds } });
  await closeDefects(trx, await openOf(trx, unit.id, facts.entryId, complaintIds), {
    ...{ entryId: id, how: 'moved', at: change.at },
  });
  await changeUnit({ ...context, db: trx }, actor, { tag: facts.toTag }, async (other) => {
    const toldAt = new Date(told.record.at);
    const entryId = randomUUID();
    const complaints = complaintsIn(other.unit, complaintIds);
    await other.append({
      ...{ id: entryId, kind: 'trouble-told', at, outcome: { movedFrom: unit.tag } },
      facts: { reference: null, complaintIds, note: '' },
    });
    await openTold(trx, other.unit, complaints, { entryId, at: toldAt });
  });
};

/** What an entry told of its unit: on the telephone, in passing, at the gate. */
function toldIn(record: LogRecord): string[] {
  if (isOf(record, 'trouble-told')) return [...record.facts.complaintIds];
  return isOf(record, 'hire-back') && record.facts.atGate ? dangersAtGate(record.facts.atGate) : [];
}

/** What it opened and nobody else has told since. */
async function openOf(trx: Trx, unitId: number, entryId: string, complaintIds: readonly string[]): Promise<string[]> {
  const rows = await trx
    .selectFrom('defect')
    .select('id')
    .where('unit_id', '=', unitId)
    .where('origin_kind', '=', 'told')
    .where('origin_id', 'in', [...complaintIds])
    .where('found_by', '=', entryId)
    .where('sightings', '=', 1)
    .where('closed_at', 'is', null)
    .execute();
  return rows.map((row) => row.id);
}
