import { spawn, spawnSync } from 'node:child_process';
import path from 'node:path';
import { ROOT } from './places.mjs';
import { ROLES } from './roles.mjs';

const SERVER = path.join(ROOT, 'server');

/** A server with the demo's yard on a database of its own: for browser tests, screenshots and the bench. */
export async function startDemoServer(postgres, database, port) {
  postgres.ensureDatabase(database);
  const databaseUrl = postgres.urlOf(database);
  const env = {
    ...process.env,
    DATABASE_URL: postgres.urlAs(ROLES.app, database),
    HUDRIK_OWNER_URL: databaseUrl,
    HUDRIK_DEMO: '1',
    PORT: String(port),
    HUDRIK_SUPPLIER_FAILS: '0',
    HUDRIK_SUPPLIER_DAY_MS: '1500',
  };
  const loaded = spawnSync(process.execPath, ['--import', 'tsx', 'src/administration/main.ts', 'demo-data'], {
    cwd: SERVER,
    env: { ...env, DATABASE_URL: databaseUrl },
    encoding: 'utf8',
  });
  if (loaded.status !== 0) throw new Error(`the demo could not be loaded: ${loaded.stderr}`);
  const child = spawn(process.execPath, ['--import', 'tsx', 'src/main.ts'], {
    cwd: SERVER,
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise((resolve, reject) => {
    child.stdout.on('data', (chunk) => String(chunk).includes('is up') && resolve());
    child.on('exit', () => reject(new Error('the server ended before it was up')));
  });
  return { url: `http://localhost:${port}`, pid: child.pid, databaseUrl, stop: () => child.kill('SIGTERM') };
}
