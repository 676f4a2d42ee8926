import type { HistoryRecord } from '@hudrik/core/contracts';
import { sql } from 'kysely';
import type { Context } from '../context';
import type { Db, Trx } from '../database/tables';
import { refuse } from '../refusal';
import { unitByTag } from './units';

interface Happening {
  readonly unitId: number;
  readonly at: Date;
  readonly kind: string;
  readonly personId: number | null;
  readonly facts: Readonly<Record<string, unknown>>;
  readonly correctsId?: number | null;
}

/** Writes what happened into the unit's history, in the transaction of the change itself. */
export async function record(trx: Trx, happening: Happening): Promise<number> {
  const { id } = await trx
    .insertInto('history_record')
    .values({
      unit_id: happening.unitId,
      at: happening.at,
      kind: happening.kind,
      person_id: happening.personId,
      facts: JSON.stringify(happening.facts),
      corrects_id: happening.correctsId ?? null,
    })
    .returning('id')
    .executeTakeFirstOrThrow();
  return id;
}

interface Cursor {
  readonly at: string;
  readonly id: number;
}

const encode = (cursor: Cursor): string => Buffer.from(`${cursor.id}|${cursor.at}`).toString('base64url');

function decode(text: string): Cursor {
  const [id, at] = Buffer.from(text, 'base64url').toString().split('|');
  if (!/^\d+$/.test(id ?? '') || Number.isNaN(Date.parse(at ?? ''))) return refuse('not-valid', { field: 'cursor' });
  return { id: Number(id), at: at as string };
}

/** A unit's history, newest first, a page at a time. */
export async function readHistory(
  context: Context,
  tag: string,
  query: { cursor?: string | undefined; limit: number },
): Promise<{ records: HistoryRecord[]; next: string | null }> {
  const unit = await unitByTag(context.db, tag);
  const rows = await historyRows(context.db, unit.id, query.limit + 1, query.cursor ? decode(query.cursor) : null);
  const page = rows.slice(0, query.limit);
  const last = page.at(-1);
  return {
    records: page.map((row) => ({
      id: String(row.id),
      at: row.at.toISOString(),
      kind: row.kind,
      by: row.by,
      facts: row.facts,
      corrects: row.corrects_id === null ? null : String(row.corrects_id),
    })),
    next: rows.length > query.limit && last ? encode({ id: last.id, at: last.cursor_at }) : null,
  };
}

function historyRows(db: Db, unitId: number, limit: number, after: Cursor | null) {
  return (
    db
      .selectFrom('history_record as h')
      .leftJoin('person as p', 'p.id', 'h.person_id')
      // Microseconds: a JavaScript date would cut them off, and the next page would skip or repeat.
      .select([
        'h.id',
        'h.at',
        'h.kind',
        'p.name as by',
        'h.facts',
        'h.corrects_id',
        sql<string>`to_char(h.at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"')`.as('cursor_at'),
      ])
      .where('h.unit_id', '=', unitId)
      .$if(after !== null, (query) =>
        query.where(sql<boolean>`(h.at, h.id) < (${after?.at}::timestamptz, ${after?.id}::bigint)`),
      )
      .orderBy('h.at', 'desc')
      .orderBy('h.id', 'desc')
      .limit(limit)
      .execute()
  );
}
