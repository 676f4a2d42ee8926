import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { asOwner, DATA, isRoot, mustWrite, ROOT } from './places.mjs';
import { giveUp, say } from './say.mjs';

const [major, minor] = process.versions.node.split('.').map(Number);

/** Node modules as the lock file has them; nothing is done when they are there already. */
export function ensureModules() {
  if (major < 20 || (major === 20 && minor < 19))
    giveUp(`Node 20.19 or newer is needed; this is ${process.versions.node}.`);
  const stamp = path.join(ROOT, 'node_modules', '.hudrik-stamp');
  const wanted = createHash('sha256')
    .update(readFileSync(path.join(ROOT, 'package-lock.json')))
    .digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  mustWrite(ROOT);
  say('installing node modules (a minute or two the first time)');
  const done = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: ROOT,
    stdio: ['ignore', 2, 2],
  });
  if (done.status !== 0) giveUp('node modules could not be installed: is the npm registry reachable?');
  writeFileSync(stamp, wanted);
  asOwner(path.join(ROOT, 'node_modules'));
}

const POSTGRES = process.env.HUDRIK_POSTGRES ?? '/usr/lib/postgresql';

/** The major versions of PostgreSQL whose server programs are here, newest first. */
export const postgresMajors = () =>
  (existsSync(POSTGRES) ? readdirSync(POSTGRES) : [])
    .filter((major) => existsSync(path.join(POSTGRES, major, 'bin/initdb')))
    .sort((a, b) => Number(b) - Number(a));

/** Where PostgreSQL's server programs are, of a major version or of the newest; null when there are none. */
export function postgresBin(major = postgresMajors()[0]) {
  return major !== undefined && postgresMajors().includes(major) ? path.join(POSTGRES, major, 'bin') : null;
}

export function ensurePostgres() {
  if (postgresBin() === null) aptInstall('PostgreSQL', ['postgresql']);
  if (postgresBin() === null)
    giveUp('PostgreSQL is not there. Install it (apt-get install postgresql), or set DATABASE_URL to one that runs.');
}

export const chromiumPath = () =>
  ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'].find((file) => existsSync(file)) ?? null;

export function ensureChromium() {
  if (chromiumPath() === null) aptInstall('Chromium', ['chromium-headless-shell']);
  if (chromiumPath() === null)
    giveUp('Chromium is not there; the browser tests need it: apt-get install chromium-headless-shell');
}

export function aptInstall(name, packages) {
  if (!existsSync('/usr/bin/apt-get'))
    giveUp(`${name} is missing and this is not a Debian machine: install ${packages.join(' ')} by hand.`);
  const prefix = isRoot ? [] : ['sudo'];
  if (!isRoot && spawnSync('sudo', ['-V'], { stdio: 'ignore' }).error)
    giveUp(
      `${name} is missing, and neither root nor sudo is at hand: ask somebody to run apt-get install ${packages.join(' ')}`,
    );
  say(`installing ${name} from Debian's packages`);
  const apt = (...args) => {
    const [program, ...rest] = [...prefix, 'env', 'DEBIAN_FRONTEND=noninteractive', 'apt-get', '-qq', '-y', ...args];
    return spawnSync(program, rest, { stdio: ['inherit', 'ignore', 'inherit'] }).status === 0;
  };
  if (!apt('update') || !apt('install', '--no-install-recommends', ...packages))
    giveUp(`${name} could not be installed: apt-get install ${packages.join(' ')} failed.`);
}

/** The project's own folder for what it makes while running. Git ignores it. */
export function ensureDataFolder() {
  mkdirSync(DATA, { recursive: true });
  return DATA;
}
