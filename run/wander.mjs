import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { buildServer } from './builtServer.mjs';
import { startDemoServer } from './demoServer.mjs';
import { ensureChromium, ensureModules } from './install.mjs';
import { ROOT } from './places.mjs';
import { freePort, startThrowAwayPostgres } from './postgres.mjs';
import { ensureWeb } from './web.mjs';

/** Goes through the whole app by chance: `npm run wander -- --seed 7 --minutes 5 --size phone`; without a size, half of the time at each. */
ensureModules();
ensureChromium();
ensureWeb();
await buildServer();
const postgres = await startThrowAwayPostgres();
const server = await startDemoServer(postgres, 'hudrik_wander', await freePort());
const done = spawnSync(process.execPath, ['--import', 'tsx', 'wander/main.ts', ...process.argv.slice(2)], {
  cwd: path.join(ROOT, 'e2e'),
  env: { ...process.env, BASE_URL: server.url },
  stdio: 'inherit',
});
server.stop();
postgres.stop();
process.exit(done.status ?? 1);
