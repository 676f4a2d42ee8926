import { isUnknownNumber, todaysNumber } from '@hudrik/core/parts';
import type { Trx } from '../database/tables';
import { wholeSheet } from '../fleet/models';
import type { Taker } from '../log/taking';
import { refuse } from '../refusal';
import { insertPart } from './parts';
import { askQuoteUnlessFresh } from './quotes';
import { readSupersessions } from './shelf';

/**
 * The number of a part that was needed without one: the line is of that part from now on, the catalogue has it (with what was paid), the
 * number of our own leads to it, and the model's list knows it where it has such a part without a number.
 */
export const numberPart: Taker<'part-numbered'> = async ({ context, change, actor, place, facts, record }) => {
  const { trx, unit, at } = change;
  const line = await trx
    .selectFrom('part_line as l')
    .innerJoin('part as p', 'p.id', 'l.part_id')
    .select(['l.id', 'l.job_id', 'l.count', 'p.number', 'p.name'])
    .where('l.id', '=', place.lineId ?? '')
    .forUpdate()
    .executeTakeFirst();
  if (line === undefined) return refuse('not-found', { line: place.lineId });
  if (!isUnknownNumber(line.number)) return refuse('already-there', { number: line.number });
  if (isUnknownNumber(facts.number)) return refuse('not-valid', { field: 'number', value: facts.number });
  const today = todaysNumber(facts.number, await readSupersessions(trx));
  if (!today.ok) return refuse('parts-tangled', { problem: today.problem });
  const partId = await knownOrNew(trx, { ...facts, number: today.number, name: line.name, at, personId: actor.id });
  await trx.updateTable('part_line').set({ part_id: partId, asked: facts.number }).where('id', '=', line.id).execute();
  await trx.deleteFrom('part').where('number', '=', line.number).execute();
  await trx.insertInto('supersession').values({ old_number: line.number, by_number: today.number }).execute();
  await onTheModelsList(trx, unit.model_id, line.name, facts.number);
  await askQuoteUnlessFresh(context, today.number);
  await record({ jobId: line.job_id, outcome: { number: today.number, part: line.name, count: line.count } });
};

interface Numbered {
  readonly number: string;
  readonly name: string;
  readonly paidCents: number | null;
  readonly at: Date;
  readonly personId: number;
}

async function knownOrNew(trx: Trx, { number, name, paidCents, at, personId }: Numbered): Promise<number> {
  const known = await trx.selectFrom('part').select('id').where('number', '=', number).executeTakeFirst();
  const id =
    known?.id ?? (await insertPart(trx, { number, name, cents: paidCents ?? 0, place: '', count: 0 }, at, personId));
  if (paidCents !== null)
    await trx.updateTable('part').set({ paid_cents: paidCents, paid_at: at }).where('id', '=', id).execute();
  return id;
}

async function onTheModelsList(trx: Trx, modelId: number, name: string, number: string): Promise<void> {
  const model = await trx
    .selectFrom('model')
    .select('data_sheet')
    .where('id', '=', modelId)
    .forUpdate()
    .executeTakeFirstOrThrow();
  const sheet = wholeSheet(model.data_sheet);
  const isIt = (part: { readonly name: string; readonly number: string | null }): boolean =>
    part.number === null && part.name.toLowerCase() === name.toLowerCase();
  if (!sheet.parts.some(isIt)) return;
  const parts = sheet.parts.map((part) => (isIt(part) ? { ...part, number } : part));
  await trx
    .updateTable('model')
    .set({ data_sheet: JSON.stringify({ ...sheet, parts }) })
    .where('id', '=', modelId)
    .execute();
}
