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
  'service_done',
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
    service_done: [],
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
      await makeVisits(trx);
    }),
  );
  await sql`analyze`.execute(db);
}

/** What is open of a unit is one visit; what is ended had a visit of its own. */
async function makeVisits(trx: Trx): Promise<void> {
  await sql`insert into visit (unit_id, opened_at)
    select unit_id, min(raised_at) from job where closed_at is null group by unit_id`.execute(trx);
  await sql`insert into visit_job (visit_id, job_id)
    select v.id, j.id from job j join visit v on v.unit_id = j.unit_id where j.closed_at is null`.execute(trx);
  await sql`with ended as (
      insert into visit (unit_id, state, opened_at, begun_at, ended_at)
      select unit_id, 'ended', raised_at, started_at, closed_at from job where closed_at is not null order by id
      returning id, unit_id, opened_at, ended_at)
    insert into visit_job (visit_id, job_id)
    select distinct on (j.id) e.id, j.id from job j
      join ended e on e.unit_id = j.unit_id and e.opened_at = j.raised_at and e.ended_at = j.closed_at
    order by j.id, e.id`.execute(trx);
}

async function loadTable(trx: Trx, table: LoadedTable, rows: readonly Row[]): Promise<void> {
  for (let at = 0; at < rows.length; at += BATCH) await insertBatch(trx, table, rows.slice(at, at + BATCH));
  if (!IDENTITY.includes(table)) return;
  await sql`select setval(pg_get_serial_sequence(${table}, 'id'), ${Math.max(rows.length, 1)})`.execute(trx);
}

const IDENTITY: readonly LoadedTable[] = ['model', 'unit', 'meter', 'meter_reading', 'hire', 'job', 'service_done'];

async function insertBatch(db: Db, table: LoadedTable, batch: readonly Row[]): Promise<void> {
  const columns = [...new Set(batch.flatMap((row) => Object.keys(row)))];
  const list = sql.join(columns.map((column) => sql.ref(column)));
  await sql`insert into ${sql.table(table)} (${list}) overriding system value select ${list} from json_populate_recordset(null::${sql.table(table)}, ${JSON.stringify(batch)})`.execute(
    db,
  );
}
