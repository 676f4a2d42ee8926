import { sql } from 'kysely';
import type { Db, Tables } from '../database/tables';

export type Row = Record<string, unknown>;

const LOADED = [
  'model',
  'unit',
  'meter',
  'meter_reading',
  'hire',
  'check_in',
  'check_result',
  'station_pass',
  'check_out',
  'job',
  'history_record',
] as const satisfies readonly (keyof Tables)[];
export type LoadedTable = (typeof LOADED)[number];

/** Rows by table, with the ids that they will have. */
export class Rows {
  readonly byTable: Readonly<Record<LoadedTable, Row[]>> = Object.fromEntries(
    LOADED.map((table) => [table, []]),
  ) as never;
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
  for (const table of LOADED) {
    const all = rows.byTable[table];
    for (let at = 0; at < all.length; at += BATCH) await insertBatch(db, table, all.slice(at, at + BATCH));
    const counter = sql`select setval(pg_get_serial_sequence(${table}, 'id'), ${Math.max(all.length, 1)})`;
    if (IDENTITY.includes(table)) await counter.execute(db);
  }
  await sql`analyze`.execute(db);
}

const IDENTITY: readonly LoadedTable[] = ['model', 'unit', 'meter', 'meter_reading', 'hire', 'job', 'history_record'];

async function insertBatch(db: Db, table: LoadedTable, batch: readonly Row[]): Promise<void> {
  const columns = [...new Set(batch.flatMap((row) => Object.keys(row)))].filter(
    (column) => column !== 'id' || IDENTITY.includes(table) || table === 'check_in' || table === 'check_out',
  );
  const list = sql.join(columns.map((column) => sql.ref(column)));
  await sql`insert into ${sql.table(table)} (${list}) overriding system value select ${list} from json_populate_recordset(null::${sql.table(table)}, ${JSON.stringify(batch)})`.execute(
    db,
  );
}
