import { FAILURES, type ImportReport } from '@hudrik/core/contracts';
import { CsvError, parse } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';
import { sql } from 'kysely';
import { ValidationError, type AnyObjectSchema, type InferType } from 'yup';
import type { Context } from '../context';
import { inTransaction } from '../database/inTransaction';
import type { Trx } from '../database/tables';
import { Refusal, refuse } from '../refusal';

type Row = Readonly<Record<string, string>>;

/** Reads RFC 4180 CSV with a heading line. All columns named must be there, and no others. */
function readCsv(text: string, columns: readonly string[]): Row[] {
  const rows = parseRows(text);
  const heading = rows[0] ?? [];
  const missing = columns.filter((column) => !heading.includes(column));
  const unknown = heading.filter((column) => !columns.includes(column));
  if (missing.length > 0 || unknown.length > 0) refuse('wrong-columns', { missing, unknown, wants: columns });
  return rows.slice(1).map((cells) => Object.fromEntries(heading.map((column, at) => [column, cells[at] ?? ''])));
}

function parseRows(text: string): string[][] {
  try {
    return parse(text, { bom: true, skip_empty_lines: true, trim: true });
  } catch (error) {
    if (error instanceof CsvError) return refuse('wrong-columns', { line: error['lines'] ?? null, why: error.message });
    throw error;
  }
}

// A spreadsheet runs a cell that begins with one of these as a formula, in full width too; a leading quote keeps it text.
const asText = (cell: unknown): string =>
  /^[=+\-@\t\r\n\uff1d\uff0b\uff0d\uff20]/.test(String(cell ?? '')) && Number.isNaN(Number(cell))
    ? `'${String(cell)}`
    : String(cell ?? '');

/** Writes RFC 4180 CSV: CRLF line ends, quotes where needed. */
export const writeCsv = (columns: readonly string[], rows: readonly Readonly<Record<string, unknown>>[]): string =>
  stringify(
    rows.map((row) => columns.map((column) => asText(row[column]))),
    { header: true, columns: [...columns], record_delimiter: 'windows' },
  );

export interface Importing<S extends AnyObjectSchema> {
  readonly columns: readonly string[];
  readonly schema: S;
  /** The row as the schema wants it. */
  readonly shape: (row: Row) => Record<string, unknown>;
  readonly what: (row: Row) => string;
  readonly take: (context: ImportContext, entry: InferType<S>) => Promise<unknown>;
}

export type ImportContext = Pick<Context, 'now'> & { readonly db: Trx };

/** Takes each line by itself or not at all, and says of each what became of it. */
export async function importCsv<S extends AnyObjectSchema>(
  context: Pick<Context, 'db' | 'now'>,
  text: string,
  importing: Importing<S>,
): Promise<ImportReport> {
  const rows = readCsv(text, importing.columns);
  const lines = await inTransaction(context.db, async (trx) => {
    const report: ImportReport['lines'][number][] = [];
    for (const [at, row] of rows.entries())
      report.push(await importLine({ now: context.now, db: trx }, importing, row, at + 2));
    return report;
  });
  return {
    taken: lines.filter((line) => line.taken).length,
    refused: lines.filter((line) => !line.taken).length,
    lines,
  };
}

async function importLine<S extends AnyObjectSchema>(
  context: ImportContext,
  importing: Importing<S>,
  row: Row,
  line: number,
): Promise<ImportReport['lines'][number]> {
  const what = importing.what(row);
  await sql`savepoint import_line`.execute(context.db);
  try {
    const entry = await importing.schema.validate(importing.shape(row), { abortEarly: false });
    await importing.take(context, entry);
    await sql`release savepoint import_line`.execute(context.db);
    return { line, taken: true, what };
  } catch (error) {
    const why = whyRefused(error);
    if (why === null) throw error;
    await sql`rollback to savepoint import_line`.execute(context.db);
    return { line, taken: false, what, why };
  }
}

function whyRefused(error: unknown): string | null {
  if (error instanceof ValidationError) return error.errors.join(' ');
  if (!(error instanceof Refusal)) return null;
  const field = error.facts['field'];
  return `${FAILURES[error.code].title}${field ? ` (${String(field)})` : ''}`;
}
