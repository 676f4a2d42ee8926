import type { LogRecord } from '@hudrik/core/contracts';
import { kindOf, LOG_KIND_IDS, type Timing } from '@hudrik/core/log';
import { sql } from 'kysely';
import type { Context } from '../context';
import type { Db } from '../database/tables';
import { unitByTag } from '../fleet/units';
import { refuse } from '../refusal';

interface Row {
  readonly id: string;
  readonly at: Date;
  readonly taken_at: Date;
  readonly timing: Timing;
  readonly by: string | null;
  readonly sender: string | null;
  readonly kind: string;
  readonly facts: Readonly<Record<string, unknown>>;
  readonly outcome: Readonly<Record<string, unknown>>;
  readonly job_id: number | null;
  readonly corrects_id: string | null;
}

export const recordOf = (row: Row): LogRecord => ({
  id: row.id,
  at: row.at.toISOString(),
  takenAt: row.taken_at.toISOString(),
  ...(row.timing === 'known' ? {} : { timing: row.timing }),
  by: row.by,
  sentBy: row.sender,
  kind: row.kind,
  facts: row.facts,
  outcome: row.outcome,
  jobId: row.job_id === null ? null : String(row.job_id),
  corrects: row.corrects_id,
});

/** Entries with the names of who made them and who sent them on. */
const logRows = (db: Db) =>
  db
    .selectFrom('log_entry as l')
    .leftJoin('person as p', 'p.id', 'l.person_id')
    .leftJoin('person as s', 's.id', 'l.sent_by')
    .select([
      'l.id',
      'l.at',
      'l.taken_at',
      'l.timing',
      'p.name as by',
      's.name as sender',
      'l.kind',
      'l.facts',
      'l.outcome',
      'l.job_id',
      'l.corrects_id',
    ]);

/** Entries that a query picks, in the order in which they were taken. */
export const readEntries = async (
  db: Db,
  pick: (rows: ReturnType<typeof logRows>) => ReturnType<typeof logRows>,
): Promise<LogRecord[]> => (await pick(logRows(db)).orderBy('l.place').execute()).map(recordOf);

/** All entries of a job, in the order in which they were taken. */
export const entriesOfJob = (db: Db, jobId: number): Promise<LogRecord[]> =>
  readEntries(db, (rows) => rows.where('l.job_id', '=', jobId));

/** All entries of a finding, in the order in which they were taken. */
export const entriesOfFinding = (db: Db, findingId: string): Promise<LogRecord[]> =>
  readEntries(db, (rows) => rows.where('l.finding_id', '=', findingId));

/** The entry of this id, or undefined. */
export async function entryById(
  db: Db,
  id: string,
): Promise<
  { readonly record: LogRecord; readonly unitId: number | null; readonly personId: number | null } | undefined
> {
  const row = await logRows(db).select(['l.unit_id', 'l.person_id']).where('l.id', '=', id).executeTakeFirst();
  return row && { record: recordOf(row), unitId: row.unit_id, personId: row.person_id };
}

interface Cursor {
  readonly at: string;
  readonly place: number;
}

const encode = (cursor: Cursor): string => Buffer.from(`${cursor.place}|${cursor.at}`).toString('base64url');

const INSTANT = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{6}Z$/;

function decode(text: string): Cursor {
  const [place = '', at = ''] = Buffer.from(text, 'base64url').toString().split('|');
  if (!/^\d{1,15}$/.test(place) || !INSTANT.test(at) || Number.isNaN(Date.parse(at)))
    return refuse('not-valid', { field: 'cursor' });
  return { place: Number(place), at };
}

/** Kinds that only say what a card begins with: they stand in no history. */
const SILENT = LOG_KIND_IDS.filter((kind) => kindOf(kind)?.isSilent);
/** What a history does not show of an entry, and would be long: each answer of a check-in. Its photos stay. */
const WITHOUT_ANSWERS = sql<Row['facts']>`case when l.facts ? 'answers'
  then (l.facts - '{answers,stations}'::text[]) || jsonb_build_object('photos', jsonb_path_query_array(l.facts, '$.answers[*].photos[*]'))
  else l.facts end`;

/** A unit's history, newest first, a page at a time: the log, as far as it is told. */
export async function readHistory(
  { db }: Pick<Context, 'db'>,
  tag: string,
  query: { cursor?: string | undefined; limit: number },
): Promise<{ records: LogRecord[]; next: string | null }> {
  const unit = await unitByTag(db, tag);
  const after = query.cursor ? decode(query.cursor) : null;
  const rows = await logRows(db)
    .clearSelect()
    .select([
      'l.id',
      'l.at',
      'l.taken_at',
      'l.timing',
      'p.name as by',
      's.name as sender',
      'l.kind',
      'l.outcome',
      'l.job_id',
      'l.corrects_id',
      'l.place',
    ])
    .select(WITHOUT_ANSWERS.as('facts'))
    // Microseconds: a JavaScript date would cut them off, and the next page would skip or repeat.
    .select(sql<string>`to_char(l.at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"')`.as('cursor_at'))
    .where('l.unit_id', '=', unit.id)
    .where('l.kind', 'not in', SILENT)
    .$if(after !== null, (page) =>
      page.where(sql<boolean>`(l.at, l.place) < (${after?.at}::timestamptz, ${after?.place}::bigint)`),
    )
    .orderBy('l.at', 'desc')
    .orderBy('l.place', 'desc')
    .limit(query.limit + 1)
    .execute();
  const page = rows.slice(0, query.limit);
  const last = page.at(-1);
  return {
    records: page.map(recordOf),
    next: rows.length > query.limit && last ? encode({ place: last.place, at: last.cursor_at }) : null,
  };
}
