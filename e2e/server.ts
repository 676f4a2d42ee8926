import { spawn, type ChildProcess } from 'node:child_process';
import { createServer } from 'node:net';
import path from 'node:path';
import pg from 'pg';

const SERVER = path.resolve(import.meta.dirname, '../server');

/** A server with a yard of its own, for one worker of the browser tests. */
export interface WorkerServer {
  readonly url: string;
  readonly databaseUrl: string;
  /** What it said when it came up. */
  readonly said: () => string;
  /** Stops it at once, as a lost current would. */
  readonly kill: () => Promise<void>;
  readonly start: () => Promise<void>;
}

function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const server = createServer();
    server.listen(0, '127.0.0.1', () => {
      const address = server.address();
      server.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
    });
  });
}

async function onPostgres(work: (client: pg.Client) => Promise<unknown>, url: string): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await work(client);
  await client.end();
}

const SAYS_ALL_MS = 200;

interface Launched {
  readonly child: ChildProcess;
  readonly said: string;
}

/** The server works as its own role: what it may not, no test sees it do. */
function asApp(databaseUrl: string): string {
  const url = new URL(databaseUrl);
  url.username = 'hudrik_app';
  return url.href;
}

function launch(port: number, databaseUrl: string, more: Readonly<Record<string, string>>): Promise<Launched> {
  const env = {
    ...process.env,
    DATABASE_URL: asApp(databaseUrl),
    HUDRIK_OWNER_URL: databaseUrl,
    ...more,
    HUDRIK_DEMO: '1',
    PORT: String(port),
    HUDRIK_SUPPLIER_FAILS: '0',
    HUDRIK_SUPPLIER_DAY_MS: '2500',
  };
  const built = process.env['HUDRIK_BUILT'];
  const program = built ? [path.join(built, 'main.mjs')] : ['--import', 'tsx', 'src/main.ts'];
  const child = spawn(process.execPath, program, {
    cwd: SERVER,
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  return new Promise((resolve, reject) => {
    let said = '';
    child.stdout.on('data', (chunk: Buffer) => {
      said += String(chunk);
      // The first lead's link comes with the same breath.
      if (said.includes('is up')) setTimeout(() => resolve({ child, said }), SAYS_ALL_MS);
    });
    child.once('exit', () => reject(new Error('the server ended before it was up')));
  });
}

async function firstOn(databaseUrl: string, more: Readonly<Record<string, string>>) {
  const port = await freePort();
  return { port, launched: await launch(port, databaseUrl, more) };
}

/** The demo's yard is cloned, a server is started on it. In: where PostgreSQL is, and the database that holds the demo's yard. */
export async function startWorkerServer(
  postgresUrl: string,
  template: string,
  name: string,
  more: Readonly<Record<string, string>> = {},
): Promise<WorkerServer & { readonly stop: () => Promise<void> }> {
  const databaseUrl = postgresUrl.replace(/[^/]*$/, name);
  await onPostgres((client) => client.query(`create database ${name} template ${template}`), postgresUrl);
  // A port that was free a moment ago may be taken.
  const first = await firstOn(databaseUrl, more).catch(() => firstOn(databaseUrl, more));
  const { port } = first;
  let { child, said } = first.launched;
  const kill = async (): Promise<void> => {
    const ended = new Promise((resolve) => child.once('exit', resolve));
    if (child.exitCode === null && child.kill('SIGKILL')) await ended;
  };
  return {
    url: `http://localhost:${port}`,
    databaseUrl,
    said: () => said,
    kill,
    start: async () => {
      ({ child, said } = await launch(port, databaseUrl, more));
    },
    stop: async () => {
      await kill();
      await onPostgres((client) => client.query(`drop database ${name} with (force)`), postgresUrl);
    },
  };
}
