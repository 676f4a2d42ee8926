import { spawn, spawnSync } from 'node:child_process';
import path from 'node:path';
import { programOf } from './builtServer.mjs';
import { ROOT } from './places.mjs';
import { freePort } from './postgres.mjs';
import { ROLES } from './roles.mjs';

const SERVER = path.join(ROOT, 'server');
const USUAL = { HUDRIK_DEMO: '1', HUDRIK_SUPPLIER_FAILS: '0', HUDRIK_SUPPLIER_DAY_MS: '1500' };

/** A database with the demo's yard. Out: how a server is told of it. */
export function loadDemo(postgres, database) {
  postgres.ensureDatabase(database);
  const env = { DATABASE_URL: postgres.urlAs(ROLES.app, database), HUDRIK_OWNER_URL: postgres.urlOf(database) };
  const loaded = spawnSync(process.execPath, [...programOf('administration/main.ts'), 'demo-data'], {
    cwd: SERVER,
    env: { ...process.env, ...USUAL, DATABASE_URL: env.HUDRIK_OWNER_URL },
    encoding: 'utf8',
  });
  if (loaded.status !== 0) throw new Error(`the demo could not be loaded: ${loaded.stderr}`);
  return env;
}

/** A server process, once it is up. */
export async function startServer(env, port) {
  const child = spawn(process.execPath, programOf('main.ts'), {
    cwd: SERVER,
    env: { ...process.env, ...USUAL, ...env, PORT: String(port) },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const ended = new Promise((resolve) => child.once('exit', resolve));
  await new Promise((resolve, reject) => {
    child.stdout.on('data', (chunk) => String(chunk).includes('is up') && resolve());
    child.on('exit', () => reject(new Error('the server ended before it was up')));
  });
  const end = (signal) => {
    child.kill(signal);
    return ended;
  };
  return { url: `http://localhost:${port}`, pid: child.pid, stop: () => end('SIGTERM'), kill: () => end('SIGKILL') };
}

/** A server with the demo's yard on a database of its own: for browser tests, screenshots and the bench. */
export async function startDemoServer(postgres, database, port) {
  const env = loadDemo(postgres, database);
  return { ...(await startServer(env, port ?? (await freePort()))), databaseUrl: env.HUDRIK_OWNER_URL };
}
