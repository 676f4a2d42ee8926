import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { programOf } from './builtServer.mjs';
import { DATA, ROOT } from './places.mjs';
import { startThrowAwayPostgres } from './postgres.mjs';
import { giveUp, say } from './say.mjs';

const SERVER = path.join(ROOT, 'server');
const serverProgram = (args, env, stdout) =>
  spawnSync(process.execPath, [...programOf('administration/main.ts'), ...args], {
    cwd: SERVER,
    env: { ...process.env, HUDRIK_DATA_FOLDER: DATA, ...env },
    encoding: 'utf8',
    stdio: ['ignore', stdout, 'inherit'],
  });

/**
 * Before the records are brought to a newer shape: a backup, restored and upgraded on trial. In: the owner's address, and where backups are kept.
 * Out: the backup's file; null: nothing is to be upgraded, or nobody wants one. Ends everything where it cannot be written.
 */
export async function backUpBeforeUpgrade({ ownerUrl, folder, without, stop }) {
  const hopeless = (line) => {
    stop();
    giveUp(line);
  };
  const asked = serverProgram(['to-upgrade'], { DATABASE_URL: ownerUrl }, 'pipe');
  if (asked.status !== 0) hopeless('the records are left as they are.');
  const [first, ...more] = asked.stdout.split('\n').filter(Boolean);
  if (first === undefined) return null;
  say(`the records are of an older version: ${more.length + 1} migrations are to run`);
  if (without) {
    say('no backup is written before, as was asked for');
    return null;
  }
  const backups = folder || path.join(DATA, 'backups');
  const spare = await startThrowAwayPostgres();
  const env = { DATABASE_URL: ownerUrl, HUDRIK_SPARE_URL: spare.urlOf('postgres'), HUDRIK_BACKUPS: backups };
  const { status } = serverProgram(['back-up-before'], env, 'inherit');
  spare.stop();
  if (status !== 0) hopeless('without a backup the records are not upgraded.');
  return path.join(backups, `before-${first}.hudrik`);
}
