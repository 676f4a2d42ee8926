import type { Measured, StandingNote, UnitSheet } from '@hudrik/core/contracts';
import type { Facts } from '@hudrik/core/log';
import type { Db } from '../database/tables';
import { refuse } from '../refusal';
import { wholeSheet } from './models';
import { unitByTag } from './units';

/** Of measures the newest of each name and place are told, so many in all. */
const MEASURES = 200;

/** What is known of a unit beside its state. */
export async function readUnitSheet(db: Db, tag: string): Promise<UnitSheet> {
  const unit = await unitByTag(db, tag);
  const model = await db.selectFrom('model').selectAll().where('id', '=', unit.model_id).executeTakeFirst();
  if (model === undefined) return refuse('not-found', { model: unit.model_id });
  return {
    tag: unit.tag,
    classId: unit.class_id,
    model: { id: model.id, make: model.make, name: model.name },
    dataSheet: wholeSheet(model.data_sheet),
    rated: unit.data_sheet.rated ?? {},
    notes: await standingNotes(db, unit.id),
    measured: await measuresOf(db, unit.id),
  };
}

/** Notes that stand on a unit, oldest first. */
export async function standingNotes(db: Db, unitId: number): Promise<StandingNote[]> {
  const rows = await entriesOf(db, unitId, ['standing-note', 'standing-note-ended']);
  const ended = new Set(
    rows.filter((row) => row.kind === 'standing-note-ended').map((row) => (row.facts as { noteId: string }).noteId),
  );
  return rows
    .filter((row) => row.kind === 'standing-note' && !ended.has(row.id))
    .map((row) => {
      const { text, places } = row.facts as Facts<'standing-note'>;
      return { id: row.id, text, places: [...places], by: row.by, at: row.at.toISOString() };
    });
}

/** What was measured on a unit by names of its own, newest first. */
async function measuresOf(db: Db, unitId: number): Promise<Measured[]> {
  const rows = await entriesOf(db, unitId, ['measured']);
  return rows
    .map((row) => {
      const { name, place, value, unit } = row.facts as Facts<'measured'>;
      return {
        name,
        place,
        value,
        unit,
        at: row.at.toISOString(),
        jobId: row.jobId === null ? null : String(row.jobId),
      };
    })
    .reverse()
    .slice(0, MEASURES);
}

/** Entries of these kinds, oldest first, less those that were struck off. */
async function entriesOf(db: Db, unitId: number, kinds: readonly string[]) {
  return db
    .selectFrom('log_entry as e')
    .leftJoin('person as p', 'p.id', 'e.person_id')
    .select(['e.id', 'e.kind', 'e.facts', 'e.at', 'e.job_id as jobId', 'p.name as by'])
    .where('e.unit_id', '=', unitId)
    .where('e.kind', 'in', [...kinds])
    .where(({ not, exists, selectFrom }) =>
      not(exists(selectFrom('log_entry as c').select('c.id').whereRef('c.corrects_id', '=', 'e.id'))),
    )
    .orderBy('e.at')
    .orderBy('e.id')
    .execute();
}
