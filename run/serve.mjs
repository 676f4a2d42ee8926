import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { ensureDataFolder, ensureModules } from './install.mjs';
import { ROOT } from './places.mjs';
import { keepRunning } from './keepRunning.mjs';
import { startPostgres } from './postgres.mjs';
import { giveUp } from './say.mjs';
import { ensureWeb } from './web.mjs';

const TSX = ['--import', 'tsx'];
const SERVER = path.join(ROOT, 'server');

/** A program of the server's, run to its end. Out: its exit code. */
export const runServerProgram = (file, args, env) =>
  spawnSync(process.execPath, [...TSX, path.join(SERVER, 'src', file), ...args], {
    cwd: SERVER,
    env: { ...process.env, ...env },
    stdio: 'inherit',
  }).status ?? 1;

/** The database to use: the one given, or the project's own cluster. */
export async function ensureDatabase(name) {
  ensureDataFolder();
  if (process.env.DATABASE_URL) return { url: process.env.DATABASE_URL, stop: () => undefined };
  const postgres = await startPostgres();
  postgres.ensureDatabase(name);
  return { url: postgres.urlOf(name), stop: postgres.stop };
}

/** Installs, builds, starts everything, starts the server again when it dies, and stops everything on Ctrl-C. */
export async function serve({ database, demo }) {
  ensureModules();
  const { url, stop } = await ensureDatabase(database);
  ensureWeb();
  const env = { DATABASE_URL: url, ...(demo ? { HUDRIK_DEMO: '1' } : {}) };
  if (demo && runServerProgram('administration/main.ts', ['demo-data'], env) !== 0) {
    stop();
    giveUp('the demo could not be loaded.');
  }
  const server = keepRunning(process.execPath, [...TSX, 'src/main.ts'], {
    cwd: SERVER,
    env: { ...process.env, ...env },
    stdio: 'inherit',
    detached: true,
  });
  process.on('SIGINT', server.stop);
  process.on('SIGTERM', server.stop);
  const code = await server.ended;
  stop();
  process.exit(code);
}
