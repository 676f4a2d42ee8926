import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { startDemoServer } from './demoServer.mjs';
import { ensureChromium, ensureModules } from './install.mjs';
import { buildServer } from './builtServer.mjs';
import { ROOT } from './places.mjs';
import { freePort, startThrowAwayPostgres } from './postgres.mjs';
import { ensureWeb } from './web.mjs';

/** Takes the pictures in docs/screenshots anew, from the demo's yard. */
ensureModules();
ensureChromium();
ensureWeb();
await buildServer();
const postgres = await startThrowAwayPostgres();
const server = await startDemoServer(postgres, 'hudrik_pictures', await freePort());
const done = spawnSync(process.execPath, ['--import', 'tsx', 'screenshots.ts', path.join(ROOT, 'docs/screenshots')], {
  cwd: path.join(ROOT, 'e2e'),
  env: { ...process.env, BASE_URL: server.url },
  stdio: 'inherit',
});
server.stop();
postgres.stop();
process.exit(done.status ?? 1);
