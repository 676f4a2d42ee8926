import type { FailureCode, ImportReport } from '@hudrik/core/contracts';
import { FAILURES } from '@hudrik/core/contracts';
import { CsvError, parse } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';
import { ValidationError, type AnyObjectSchema } from 'yup';
import type { Db, Trx } from '../database/tables';
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

// A spreadsheet runs a cell that begins with one of these as a formula; a leading quote keeps it text.
const asText = (cell: unknown): string =>
  /^[=+\-@\t\r]/.test(String(cell ?? '')) && Number.isNaN(Number(cell)) ? `'${String(cell)}` : String(cell ?? '');

/** Writes RFC 4180 CSV: CRLF line ends, quotes where needed. */
export const writeCsv = (columns: readonly string[], rows: readonly Readonly<Record<string, unknown>>[]): string =>
  stringify(
    rows.map((row) => columns.map((column) => asText(row[column]))),
    { header: true, columns: [...columns], record_delimiter: 'windows' },
  );

export interface Importing<T> {
  readonly columns: readonly string[];
  readonly schema: AnyObjectSchema;
  /** The row as the schema wants it. */
  readonly shape: (row: Row) => Record<string, unknown>;
  readonly what: (row: Row) => string;
  readonly take: (trx: Trx, entry: T) => Promise<void>;
}

/** Takes each line by itself or not at all, and says of each what became of it. */
export async function importCsv<T>(db: Db, text: string, importing: Importing<T>): Promise<ImportReport> {
  const lines: ImportReport['lines'] = [];
  for (const [at, row] of readCsv(text, importing.columns).entries())
    lines.push(await importLine(db, importing, row, at + 2));
  return {
    taken: lines.filter((line) => line.taken).length,
    refused: lines.filter((line) => !line.taken).length,
    lines,
  };
}

async function importLine<T>(
  db: Db,
  importing: Importing<T>,
  row: Row,
  line: number,
): Promise<ImportReport['lines'][number]> {
  const what = importing.what(row);
  try {
    const entry = (await importing.schema.validate(importing.shape(row), { abortEarly: false })) as T;
    await db.transaction().execute((trx) => importing.take(trx, entry));
    return { line, taken: true, what };
  } catch (error) {
    const why = whyRefused(error);
    if (why === null) throw error;
    return { line, taken: false, what, why };
  }
}

function whyRefused(error: unknown): string | null {
  if (error instanceof ValidationError) return error.errors.join(' ');
  if (error instanceof Refusal)
    return `${FAILURES[error.code as FailureCode].title}${error.facts['field'] ? ` (${String(error.facts['field'])})` : ''}`;
  return null;
}
