import { createHash, randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import pg from 'pg';
import pino from 'pino';
import { prepareBackground } from '../background/runner';
import { databaseOn, openPool } from '../database/open';
import { grantRights, ROLES } from '../database/rights';
import { bringUpToDate } from '../fleet/bringUpToDate';

const server = (): string => process.env['TEST_DATABASE_URL'] ?? '';
const urlOf = (name: string): string => server().replace(/\/[^/]*$/, `/${name}`);

/** The same as the server's own role: the tests' cluster asks for no password. */
export function asApp(url: string): string {
  const own = new URL(url);
  own.username = ROLES.app;
  return own.href;
}

/** Statements on the server itself, one after the other. */
async function onServer<T>(work: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: server() });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

/** A database with all migrations, made once for all test files: each takes a copy, which is much faster than migrating. */
function templateName(): string {
  const folder = new URL('../database/migrations/', import.meta.url);
  const hash = createHash('sha256');
  for (const file of readdirSync(folder).sort()) hash.update(readFileSync(new URL(file, folder)));
  hash.update(readFileSync(new URL('../rights.ts', folder)));
  return `template_${hash.digest('hex').slice(0, 16)}`;
}

const ONE_AT_A_TIME = 4780;

async function ensureTemplate(name: string): Promise<void> {
  await onServer(async (client) => {
    await client.query('select pg_advisory_lock($1)', [ONE_AT_A_TIME]);
    const there = await client.query('select 1 from pg_database where datname = $1', [name]);
    if (there.rowCount === 1) return;
    await client.query(`create database making_${name}`);
    for (const role of Object.values(ROLES))
      await client.query(`do $$ begin create role ${role} login; exception when duplicate_object then null; end $$`);
    const pool = openPool(urlOf(`making_${name}`), 3);
    const db = databaseOn(pool);
    await bringUpToDate(db);
    await prepareBackground(pool, pino({ level: 'silent' }));
    await grantRights(db);
    await db.destroy();
    await client.query(`alter database making_${name} rename to ${name}`);
  });
}

export interface MadeDatabase {
  readonly url: string;
  readonly drop: () => Promise<void>;
}

/** A database of its own, migrated. */
export async function makeDatabase(): Promise<MadeDatabase> {
  const template = templateName();
  await ensureTemplate(template);
  return emptyDatabase(`template ${template}`);
}

/** A database of its own with nothing in it. */
export async function emptyDatabase(how = ''): Promise<MadeDatabase> {
  const name = `t_${randomUUID().replaceAll('-', '')}`;
  await onServer(async (client) => {
    // Of one template, one copy at a time.
    await client.query('select pg_advisory_lock($1)', [ONE_AT_A_TIME]);
    await client.query(`create database ${name} ${how}`);
  });
  return {
    url: urlOf(name),
    drop: async () => void (await onServer((client) => client.query(`drop database ${name} with (force)`))),
  };
}
