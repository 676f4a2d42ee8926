import { spawn } from 'node:child_process';
import { chmodSync, mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ROOT } from '../places.mjs';
import { freePort } from '../postgres.mjs';
import { pause } from './device.mjs';

const UP_WITHIN_MS = 180_000;

/** A data folder that PostgreSQL's user may pass through. */
export function folder(name) {
  const made = mkdtempSync(path.join(tmpdir(), `hudrik-${name}-`));
  chmodSync(made, 0o755);
  return made;
}

/** What an installation on a data folder is started with, and its commands. */
export const envOf = (data, port) => ({
  ...process.env,
  HUDRIK_DATA: data,
  PORT: String(port),
  HUDRIK_BACKUPS: path.join(data, 'backups'),
});

/** Starts Hudrik in a data folder, as its command does. Out: whether and when it is up, and what it said. */
export async function start(data, { port, env = {} } = {}) {
  const from = Date.now();
  const at = port ?? (await freePort());
  const child = spawn(process.execPath, ['run/start.mjs'], {
    cwd: ROOT,
    env: { ...envOf(data, at), ...env },
    detached: true,
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  const ended = new Promise((resolve) => child.once('exit', resolve));
  const up = new Promise((resolve) => {
    const hear = (chunk) => {
      said += chunk;
      if (said.includes('is up at')) resolve(Date.now() - from);
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    void ended.then(() => resolve(null));
    setTimeout(() => resolve(null), UP_WITHIN_MS).unref();
  });
  return {
    ...{ up, ended, pid: child.pid, url: `http://127.0.0.1:${at}` },
    said: () => said,
    kill: () => child.kill('SIGKILL'),
    stop: async () => {
      child.kill('SIGTERM');
      await ended;
    },
  };
}

/** What runs for a data folder just now. */
export const pidsOf = (data) => readdirSync('/proc').filter((pid) => /^\d+$/.test(pid) && isOf(pid, data));

/** Everything that runs for a data folder, killed at once: nobody gets to say goodbye. */
export async function killAllOf(data) {
  for (;;) {
    const found = pidsOf(data);
    if (found.length === 0) return;
    for (const pid of found) {
      try {
        process.kill(Number(pid), 'SIGKILL');
      } catch {
        // It is gone already.
      }
    }
    await pause(100);
  }
}

function isOf(pid, data) {
  const read = (name) => {
    try {
      return readFileSync(`/proc/${pid}/${name}`, 'utf8');
    } catch {
      return '';
    }
  };
  return read('environ').includes(`HUDRIK_DATA=${data}`) || read('cmdline').includes(data);
}
