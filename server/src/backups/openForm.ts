import { createInterface } from 'node:readline';
import { Readable, Transform } from 'node:stream';
import { sql } from 'kysely';
import type pg from 'pg';
import QueryStream from 'pg-query-stream';
import { databaseOn } from '../database/open';
import type { Db, Trx } from '../database/tables';
import { writingAny } from '../log/changeUnit';
import { refuse } from '../refusal';
import { contentsOf, differences, tablesOf, type Contents } from './contents';
import { asBackup } from './damaged';
import { openZip, writeZip, type OpenZip } from './zip';

/** See docs/open-form.md. A later version adds tables and columns. */
const FORMAT = 'hudrik-yard';
const FORMAT_VERSION = 1;
/** What lets devices and people in is for one installation alone; what the migrator knows stands in the manifest. */
const LEFT_OUT = [
  'device',
  'device_code',
  'session',
  'pin_try',
  'wrong_pin',
  'idempotency',
  'backup',
  'background_task',
  'clock_jump',
  'upgrade',
  'kysely_migration',
];
/** Without PINs nobody can sign in until a new one is set; whoever has the file can not try them out either. */
const NO_PINS = { person: { pin_hash: '!', calendar_secret: null } };
/** Pictures stand beside the lines. */
const IN_LINES = { photo: { bytes: null, thumb: null } };
const EXTENSIONS: Readonly<Record<string, string>> = { 'image/jpeg': 'jpg', 'image/png': 'png', 'image/webp': 'webp' };
const BATCH = 500;

interface Manifest {
  readonly format: string;
  readonly version: number;
  readonly at: string;
  /** The newest migration of the database that it came from. */
  readonly migration: string;
  readonly hasPins: boolean;
  /** Those that others hang on come first. */
  readonly tables: readonly string[];
  readonly contents: Contents;
}

/** Small pictures are made anew of the large ones. */
const insteadOf = (hasPins: boolean): Readonly<Record<string, object>> => ({
  photo: { thumb: null },
  ...(hasPins ? {} : NO_PINS),
});

async function tablesInOrder(db: Db): Promise<string[]> {
  const { rows } = await sql<{ child: string; parent: string }>`
    select distinct conrelid::regclass::text as child, confrelid::regclass::text as parent
    from pg_constraint where contype = 'f' and conrelid <> confrelid order by 1, 2`.execute(db);
  const names = (await tablesOf(db)).filter((name) => !LEFT_OUT.includes(name));
  const order: string[] = [];
  const visit = (name: string): void => {
    if (order.includes(name) || !names.includes(name)) return;
    for (const { child, parent } of rows) if (child === name) visit(parent);
    order.push(name);
  };
  names.forEach(visit);
  return order;
}

const newestMigration = async (db: Db): Promise<string> =>
  (await sql<{ name: string }>`select max(name) as name from kysely_migration`.execute(db)).rows[0]?.name ?? '';

/** Rows in the order in which they came, since a row may name one before it: by what the database itself counts, else by when. */
async function orderOf(db: Db, table: string): Promise<string> {
  const { rows } = await sql<{ name: string }>`
    select column_name as name from information_schema.columns
    where table_schema = 'public' and table_name = ${table} and (is_identity = 'YES' or column_name = 'at')
    order by is_identity desc limit 1`.execute(db);
  return rows[0] ? `order by t."${rows[0].name}"` : '';
}

/** The whole yard in the open form: a zip of JSON Lines, a file a table, and photos as pictures; all of one moment. In: a pool of the owner's. */
export async function exportYard(pool: pg.Pool, file: string, { withPins = false } = {}): Promise<Manifest> {
  const client = await pool.connect();
  try {
    return await databaseOn(pool)
      .transaction()
      .setIsolationLevel('repeatable read')
      .execute(async (trx) => {
        const { rows } = await sql<{ snapshot: string }>`select pg_export_snapshot() as snapshot`.execute(trx);
        await client.query('begin isolation level repeatable read read only');
        await client.query(`set transaction snapshot '${rows[0]?.snapshot ?? ''}'`);
        await client.query(`set local timezone to 'UTC'`);
        const tables = await tablesInOrder(trx);
        const manifest: Manifest = {
          ...{ format: FORMAT, version: FORMAT_VERSION, at: new Date().toISOString(), hasPins: withPins, tables },
          migration: await newestMigration(trx),
          contents: await contentsOf(trx, tables, insteadOf(withPins)),
        };
        await writeZip(file, async (zip) => {
          zip.addBuffer(Buffer.from(JSON.stringify(manifest, null, 2)), 'manifest.json');
          for (const table of tables) {
            const lines = linesOf(client, table, await orderOf(trx, table), withPins);
            await added(lines, (stream) => zip.addReadStream(stream, `tables/${table}.jsonl`));
          }
          const photos: Readable = client.query(new QueryStream('select id, media_type, bytes from photo order by id'));
          for await (const { id, media_type: type, bytes } of photos as AsyncIterable<PhotoRow>)
            zip.addBuffer(bytes, `photos/${id}.${EXTENSIONS[type] ?? 'bin'}`, { compress: false });
        });
        return manifest;
      });
  } finally {
    client.release(true);
  }
}

interface PhotoRow {
  readonly id: string;
  readonly media_type: string;
  readonly bytes: Buffer;
}

/** One connection reads one table after the other. */
const added = (stream: Readable, add: (stream: Readable) => void): Promise<void> =>
  new Promise((resolve, reject) => {
    stream.once('end', resolve);
    stream.once('error', reject);
    add(stream);
  });

function linesOf(client: pg.PoolClient, table: string, order: string, withPins: boolean): Readable {
  const instead = JSON.stringify({ ...insteadOf(withPins)[table], ...IN_LINES[table as keyof typeof IN_LINES] });
  const text = `select (to_jsonb(t) || $1::jsonb)::text as line from "${table}" t ${order}`;
  const rows: Readable = client.query(new QueryStream(text, [instead], { batchSize: BATCH }));
  const toLine = new Transform({
    writableObjectMode: true,
    transform: ({ line }: { readonly line: string }, _encoding, done) => done(null, `${line}\n`),
  });
  rows.once('error', (error) => toLine.destroy(error));
  return rows.pipe(toLine);
}

/** Takes a yard in the open form into a database that is migrated and empty. All of it, or nothing. */
export const importYard = (db: Db, file: string): Promise<Manifest> => asBackup(file, () => takeYard(db, file));

async function takeYard(db: Db, file: string): Promise<Manifest> {
  const zip = await openZip(file);
  try {
    const manifest = await manifestOf(zip);
    const here = await newestMigration(db);
    if (manifest.migration !== here) return refuse('backup-of-another', { migration: manifest.migration, here });
    await db.transaction().execute(async (trx) => {
      await mustBeEmpty(trx);
      await writingAny(trx, async () => {
        for (const table of manifest.tables) await takeTable(trx, zip, table);
      });
      const is = await contentsOf(trx, manifest.tables, insteadOf(manifest.hasPins));
      const wrong = differences(manifest.contents, is);
      if (wrong.length > 0) throw new Error(`What came in is not what was written: ${wrong.join('; ')}`);
    });
    return manifest;
  } finally {
    zip.close();
  }
}

async function manifestOf(zip: OpenZip): Promise<Manifest> {
  const manifest = JSON.parse((await zip.read('manifest.json')).toString('utf8')) as Manifest;
  if (manifest.format !== FORMAT || manifest.version !== FORMAT_VERSION)
    return refuse('backup-of-another', { format: manifest.format, version: manifest.version });
  return manifest;
}

async function mustBeEmpty(trx: Trx): Promise<void> {
  for (const table of ['person', 'unit', 'model', 'log_entry'] as const)
    if (
      await trx
        .selectFrom(table)
        .select(sql`1`.as('one'))
        .limit(1)
        .executeTakeFirst()
    )
      refuse('already-there', { table });
  // What every migrated yard begins with is said anew by what comes in.
  for (const table of ['yard_settings', 'desk_state', 'equipment_state', 'supplier_state'] as const)
    await trx.deleteFrom(table).execute();
}

async function takeTable(trx: Trx, zip: OpenZip, table: string): Promise<void> {
  let batch: object[] = [];
  const put = async (): Promise<void> => {
    if (batch.length > 0)
      await sql`insert into ${sql.table(table)} overriding system value
        select * from jsonb_populate_recordset(null::${sql.table(table)}, ${JSON.stringify(batch)}::jsonb)`.execute(
        trx,
      );
    batch = [];
  };
  const lines = createInterface({ input: await zip.open(`tables/${table}.jsonl`), crlfDelay: Infinity });
  for await (const line of lines) {
    const row = JSON.parse(line) as Record<string, unknown>;
    batch.push(table === 'photo' ? await withPicture(zip, row) : row);
    if (batch.length >= (table === 'photo' ? 1 : BATCH)) await put();
  }
  await put();
  await sql`select setval(pg_get_serial_sequence(${table}, a.attname), coalesce(max.value, 1), max.value is not null)
    from pg_attribute a, lateral (
      select (xpath('/row/m/text()', query_to_xml(format('select max(%I) as m from %I', a.attname, ${table}::text), false, true, '')))[1]::text::bigint as value
    ) max where a.attrelid = ${table}::regclass and a.attidentity <> ''`.execute(trx);
}

async function withPicture(zip: OpenZip, row: Record<string, unknown>): Promise<object> {
  const name = `photos/${String(row['id'])}.${EXTENSIONS[String(row['media_type'])] ?? 'bin'}`;
  return { ...row, bytes: `\\x${(await zip.read(name)).toString('hex')}` };
}
