import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { buildServer } from './builtServer.mjs';
import { startDemoServer } from './demoServer.mjs';
import { ensureChromium, ensureModules } from './install.mjs';
import { ROOT } from './places.mjs';
import { freePort, startThrowAwayPostgres } from './postgres.mjs';
import { ensureWeb } from './web.mjs';

/** Runs a program of the browser tests' folder on a demo's yard of its own. Out: its exit code. */
export async function onDemo(database, program, args) {
  ensureModules();
  ensureChromium();
  ensureWeb();
  await buildServer();
  const postgres = await startThrowAwayPostgres();
  const server = await startDemoServer(postgres, database, await freePort());
  const done = spawnSync(process.execPath, ['--import', 'tsx', program, ...args], {
    cwd: path.join(ROOT, 'e2e'),
    env: { ...process.env, BASE_URL: server.url },
    stdio: 'inherit',
  });
  server.stop();
  postgres.stop();
  return done.status ?? 1;
}
