import { spawn } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import path from 'node:path';

const BASE = '/usr/lib/postgresql';

/** One of PostgreSQL's own programs: of the newest version that is here. */
function programOf(name: string): string {
  const versions = existsSync(BASE) ? readdirSync(BASE).sort((a, b) => Number(b) - Number(a)) : [];
  const found = versions.map((version) => path.join(BASE, version, 'bin', name)).find((file) => existsSync(file));
  return found ?? name;
}

/** Runs one of PostgreSQL's programs on a database. Its password stands in no list of processes. */
export function runOn(url: string, name: string, args: readonly string[]): Promise<void> {
  const { hostname, port, username, password, pathname } = new URL(url);
  const env = {
    ...process.env,
    PGHOST: hostname,
    PGPORT: port || '5432',
    PGUSER: decodeURIComponent(username),
    PGDATABASE: pathname.slice(1),
    ...(password ? { PGPASSWORD: decodeURIComponent(password) } : {}),
  };
  const child = spawn(programOf(name), args, { env, stdio: ['ignore', 'ignore', 'pipe'] });
  let said = '';
  child.stderr.on('data', (chunk) => (said += String(chunk)));
  return new Promise((resolve, reject) => {
    child.once('error', reject);
    child.once('exit', (code) => (code === 0 ? resolve() : reject(new Error(`${name} failed: ${said.trim()}`))));
  });
}
