import { RATINGS, type RatingId } from '@hudrik/core/catalogue';
import { LEAD_ONLY } from '@hudrik/core/contracts';
import type { FoundDefect } from '@hudrik/core/defects';
import type { Witnessed } from '@hudrik/core/log';
import type { Trx, UnitRow } from '../database/tables';
import { openDefects } from '../defects/openDefects';
import { changeUnit } from '../log/changeUnit';
import type { Taker } from '../log/taking';
import { refuse } from '../refusal';
import { mustBeFresh } from '../witnesses/freshPhoto';
import { secondPerson } from '../witnesses/witness';
import { judgeUnitAnew } from './judgeUnitAnew';

/**
 * A rated figure that was changed stands so on the plate, or in the maker's sheet where the plate cannot be read: another lead than who changed it says
 * so, with a photo taken for it. From then on it judges: whatever was measured last of each unit that goes by it is held against it, fit ones too.
 */
export const takeFigureConfirmed: Taker<'figure-confirmed'> = async ({ context, change, actor, id, facts, record }) => {
  const { trx, unit, at } = change;
  const figure = await newestOf(trx, unit, facts.rating, facts.of);
  if (figure === undefined || figure.confirmed_at !== null || figure.value !== facts.value)
    return refuse('no-figure-changed');
  await mustBeFresh(trx, facts.photoId, at);
  const name = RATINGS[facts.rating].name;
  const who: Witnessed =
    figure.set_by === actor.id
      ? await secondPerson({ trx, actor, entryId: id, at }, facts, {
          ...{ why: 'figure', sentence: `${name}: ${facts.value}`, who: LEAD_ONLY, photo: false },
        })
      : {};
  await trx.updateTable('figure_set').set({ confirmed_at: at, confirmed_by: id }).where('id', '=', figure.id).execute();
  const judged = await judgeAll(trx, facts.of === 'unit' ? [unit] : await unitsOfModel(trx, unit.model_id));
  const judgedAnew = judged.flatMap(({ tag, found }) => found.map(({ sentence }) => ({ tag, sentence })));
  await record({ outcome: { name, ...who, ...(judgedAnew.length === 0 ? {} : { judgedAnew }) } });
  for (const { unitId, found } of judged)
    await changeUnit({ ...context, db: trx }, actor, { id: unitId }, async (own) => {
      const named = { rating: facts.rating, entryId: id };
      const outcome = { found: found.map(({ sentence }) => sentence) };
      const entry = await own.append({ kind: 'judged-anew', facts: named, outcome });
      await openDefects(trx, { unitId, entryId: entry.id, at }, found);
    });
};

interface Judged {
  readonly unitId: number;
  readonly tag: string;
  readonly found: readonly FoundDefect[];
}

/** Units of which something that was measured is outside now. */
async function judgeAll(trx: Trx, units: readonly UnitRow[]): Promise<Judged[]> {
  const judged: Judged[] = [];
  for (const unit of units) judged.push({ unitId: unit.id, tag: unit.tag, found: await judgeUnitAnew(trx, unit) });
  return judged.filter(({ found }) => found.length > 0);
}

const newestOf = (trx: Trx, unit: Pick<UnitRow, 'id' | 'model_id'>, rating: RatingId, of: 'unit' | 'model') =>
  trx
    .selectFrom('figure_set')
    .selectAll()
    .where('rating', '=', rating)
    .where(of === 'unit' ? 'unit_id' : 'model_id', '=', of === 'unit' ? unit.id : unit.model_id)
    .orderBy('id', 'desc')
    .limit(1)
    .executeTakeFirst();

const unitsOfModel = (trx: Trx, modelId: number): Promise<UnitRow[]> =>
  trx
    .selectFrom('unit')
    .selectAll()
    .where('model_id', '=', modelId)
    .where('gone_at', 'is', null)
    .orderBy('id')
    .execute();
