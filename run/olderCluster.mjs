import { spawnSync } from 'node:child_process';
import { chmodSync, mkdirSync } from 'node:fs';
import path from 'node:path';
import { postgresBin } from './install.mjs';
import { isRoot } from './places.mjs';
import { freePort } from './postgres.mjs';

/**
 * A cluster as the first versions made it, in a data folder: open to whoever is on the machine, without checksums, all of it the superuser's. For
 * tests and drills. In: what fills it, given its address without a database.
 */
export async function makeOlderCluster(folder, fill) {
  const home = path.join(folder, 'postgres');
  mkdirSync(home, { recursive: true });
  const as = (program, ...args) => {
    const file = path.join(postgresBin(), program);
    const done = isRoot
      ? spawnSync('runuser', ['-u', 'postgres', '--', file, ...args], { encoding: 'utf8', cwd: '/' })
      : spawnSync(file, args, { encoding: 'utf8' });
    if (done.status !== 0) throw new Error(`${program}: ${done.stderr}`);
  };
  for (const one of [folder, home]) chmodSync(one, 0o755);
  if (isRoot) spawnSync('chown', ['postgres', home]);
  const cluster = path.join(home, 'data');
  as('initdb', '-D', cluster, '-U', 'hudrik', '-A', 'trust', '--no-sync');
  const port = await freePort();
  as('pg_ctl', '-D', cluster, '-w', '-l', path.join(home, 'log'), '-o', `-h 127.0.0.1 -p ${port} -k ${home}`, 'start');
  try {
    fill(`postgres://hudrik@127.0.0.1:${port}`);
  } finally {
    as('pg_ctl', '-D', cluster, '-w', 'stop');
  }
}
