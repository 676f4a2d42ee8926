import type { Shift, ShiftLine } from '@hudrik/core/contracts';
import { HIRES_GOING_ON } from '@hudrik/core/states';
import type { Db } from '../database/tables';
import { sql } from 'kysely';
import { readEntries } from '../log/readLog';

/**
 * Units at a hirer that somebody must be rung about: what is dangerous was told or found since they went, or they went without being handed out.
 * What has gone without is named first.
 */
export async function warnedLines(db: Db): Promise<ShiftLine[]> {
  const out = await db
    .selectFrom('hire as h')
    .innerJoin('unit as u', 'u.id', 'h.unit_id')
    .select([
      'u.id',
      'u.tag',
      'u.class_id',
      'h.reference',
      'h.left_anyway',
      'h.hirer',
      'h.phone',
      'h.to_at',
      'h.out_at',
    ])
    .where('h.state', 'in', HIRES_GOING_ON)
    .where('h.back_at', 'is', null)
    .orderBy('h.left_anyway', 'desc')
    .orderBy('u.tag')
    .execute();
  if (out.length === 0) return [];
  const dangers = await db
    .selectFrom('defect')
    .select(['unit_id', 'sentence'])
    .where(
      'unit_id',
      'in',
      out.map(({ id }) => id),
    )
    .where('closed_at', 'is', null)
    .where('safety', '=', true)
    .where('origin_kind', '<>', 'unit')
    .orderBy('found_at')
    .execute();
  return out.flatMap((row): ShiftLine[] => {
    const because = dangers.filter((defect) => defect.unit_id === row.id).map(({ sentence }) => sentence);
    if (because.length === 0 && !row.left_anyway) return [];
    return [
      {
        ...{ tag: row.tag, classId: row.class_id, reference: row.reference, because, minutes: 0, jobId: null },
        code: row.left_anyway ? 'left-anyway' : 'out-dangerous',
        facts: { hirer: row.hirer, phone: row.phone, dueAt: row.to_at.toISOString() },
      },
    ];
  });
}

/** What was done alone where two were wanted, and nobody has countersigned, the oldest first. */
export async function aloneLines(db: Db): Promise<Shift['alone'][number][]> {
  const rows = await db
    .selectFrom('log_entry as l')
    .innerJoin('unit as u', 'u.id', 'l.unit_id')
    .select(['l.id', 'u.tag', 'u.class_id'])
    .where(sql<boolean>`l.outcome ? 'alone'`)
    .where((eb) =>
      eb.not(
        eb.exists(
          eb
            .selectFrom('log_entry as c')
            .select('c.id')
            .whereRef('c.unit_id', '=', 'l.unit_id')
            .where('c.kind', '=', 'countersigned')
            .where((inner) =>
              inner(inner.ref('c.facts', '->>').key('entryId'), '=', inner.cast<string>('l.id', 'text')),
            ),
        ),
      ),
    )
    .orderBy('l.place')
    .limit(50)
    .execute();
  const ids = rows.map(({ id }) => id);
  const records = ids.length === 0 ? [] : await readEntries(db, (entries) => entries.where('l.id', 'in', ids));
  return rows.flatMap(({ id, tag, class_id: classId }) => {
    const entry = records.find((one) => one.id === id);
    return entry ? [{ tag, classId, entry }] : [];
  });
}
