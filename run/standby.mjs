import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { freePort, ownFolder, run, startAt } from './postgres.mjs';
import { SUPERUSER } from './roles.mjs';

const SETTINGS = { fsync: 'off', listen_addresses: '127.0.0.1' };

/** A hot standby of a throw-away cluster, streaming from it: for the drill of a primary that is lost. */
export async function startStandby(postgres) {
  const home = mkdtempSync(path.join(tmpdir(), 'hudrik-standby-'));
  ownFolder(home);
  const cluster = path.join(home, 'data');
  const from = ['-h', '127.0.0.1', '-p', String(postgres.port), '-U', SUPERUSER];
  run(home, 'pg_basebackup', [...from, '-D', cluster, '-R', '-X', 'stream', '-C', '-S', 'standby', '-c', 'fast']);
  const port = await freePort();
  startAt(home, cluster, SETTINGS, port);
  const urlAs = (role, database) => `postgres://${role}@127.0.0.1:${port}/${database}`;
  return {
    urlAs,
    urlOf: (database) => urlAs(SUPERUSER, database),
    /** From now on it takes what is written. */
    promote: () => run(home, 'pg_ctl', ['-D', cluster, '-w', 'promote']),
    pause: () => run(home, 'pg_ctl', ['-D', cluster, '-m', 'immediate', '-w', 'stop']),
    resume: () => startAt(home, cluster, SETTINGS, port),
    stop: () => {
      try {
        run(home, 'pg_ctl', ['-D', cluster, '-m', 'immediate', '-w', 'stop']);
      } finally {
        rmSync(home, { recursive: true, force: true });
      }
    },
  };
}
