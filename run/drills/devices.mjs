import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { startDemoServer } from '../demoServer.mjs';
import { ROOT } from '../places.mjs';
import { freePort, startThrowAwayPostgres } from '../postgres.mjs';
import { ensureWeb } from '../web.mjs';

/** Devices without a connection at one thing, in real browsers. */
export async function sayDevices() {
  ensureWeb();
  const postgres = await startThrowAwayPostgres();
  const server = await startDemoServer(postgres, 'hudrik_devices', await freePort());
  try {
    const done = spawnSync(process.execPath, ['--import', 'tsx', 'devices.bench.ts'], {
      cwd: path.join(ROOT, 'e2e'),
      env: { ...process.env, BASE_URL: server.url, DATABASE_URL: server.databaseUrl },
      stdio: 'inherit',
    });
    if (done.status !== 0) throw new Error('the devices’ drill broke off');
  } finally {
    await server.stop();
    postgres.stop();
  }
}
