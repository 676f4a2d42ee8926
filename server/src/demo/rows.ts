import { sql } from 'kysely';
import { inTransaction } from '../database/inTransaction';
import type { Db, Tables, Trx } from '../database/tables';
import { writingAny } from '../log/changeUnit';

export type Row = Record<string, unknown>;

const LOADED = [
  'model',
  'unit',
  'meter',
  'meter_reading',
  'hire',
  'check_in',
  'check_out',
  'job',
  'log_entry',
  'defect',
] as const satisfies readonly (keyof Tables)[];
export type LoadedTable = (typeof LOADED)[number];

/** Rows by table, with the ids that they will have. */
export class Rows {
  readonly byTable: Readonly<Record<LoadedTable, Row[]>> = {
    model: [],
    unit: [],
    meter: [],
    meter_reading: [],
    hire: [],
    check_in: [],
    check_out: [],
    job: [],
    log_entry: [],
    defect: [],
  };
  readonly #next = new Map<LoadedTable, number>();

  /** Keeps a row under the next id of its table, and gives that id. */
  add(table: LoadedTable, row: Row): number {
    const id = (this.#next.get(table) ?? 0) + 1;
    this.#next.set(table, id);
    this.byTable[table].push({ id, ...row });
    return id;
  }

  get size(): number {
    return LOADED.reduce((sum, table) => sum + this.byTable[table].length, 0);
  }
}

const BATCH = 3000;

/** Writes the rows in bulk into an empty database, and sets the id counters after them. */
export async function loadRows(db: Db, rows: Rows): Promise<void> {
  await inTransaction(db, (trx) =>
    writingAny(trx, async () => {
      for (const table of LOADED) await loadTable(trx, table, rows.byTable[table]);
    }),
  );
  await sql`analyze`.execute(db);
}

async function loadTable(trx: Trx, table: LoadedTable, rows: readonly Row[]): Promise<void> {
  for (let at = 0; at < rows.length; at += BATCH) await insertBatch(trx, table, rows.slice(at, at + BATCH));
  if (!IDENTITY.includes(table)) return;
  await sql`select setval(pg_get_serial_sequence(${table}, 'id'), ${Math.max(rows.length, 1)})`.execute(trx);
}

const IDENTITY: readonly LoadedTable[] = ['model', 'unit', 'meter', 'meter_reading', 'hire', 'job'];

async function insertBatch(db: Db, table: LoadedTable, batch: readonly Row[]): Promise<void> {
  const columns = [...new Set(batch.flatMap((row) => Object.keys(row)))];
  const list = sql.join(columns.map((column) => sql.ref(column)));
  await sql`insert into ${sql.table(table)} (${list}) overriding system value select ${list} from json_populate_recordset(null::${sql.table(table)}, ${JSON.stringify(batch)})`.execute(
    db,
  );
}
