import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { ensureDataFolder, ensureModules } from './install.mjs';
import { DATA, ROOT } from './places.mjs';
import { buildServer, programOf } from './builtServer.mjs';
import { keepRunning, TOLD_TO_END, WITH_RUNNER } from './keepRunning.mjs';
import { startPostgres } from './postgres.mjs';
import { otherUrl } from './reach.mjs';
import { ROLES } from './roles.mjs';
import { giveUp } from './say.mjs';
import { mustBeRight } from './settings.mjs';
import { startSeveral } from './several.mjs';
import { backUpBeforeUpgrade } from './upgrade.mjs';
import { ensureWeb } from './web.mjs';

const SERVER = path.join(ROOT, 'server');

/** A program of the server's, run to its end. Out: its exit code. */
export const runServerProgram = (file, args, env) =>
  spawnSync(process.execPath, [...programOf(file), ...args], {
    cwd: SERVER,
    env: { ...process.env, HUDRIK_DATA_FOLDER: DATA, ...env },
    stdio: 'inherit',
  }).status ?? 1;

/**
 * The database to use, as the server and as its owner: the one given, or the project's own cluster. Where another machine has the records too,
 * whoever is started from here asks both which one is written to; a copy is asked second.
 */
export async function ensureDatabase(name) {
  ensureDataFolder();
  const given = process.env.DATABASE_URL;
  if (given) return { url: given, ownerUrl: process.env.HUDRIK_OWNER_URL ?? given, stop: () => undefined };
  const postgres = await startPostgres();
  if (!postgres.isCopy) postgres.ensureDatabase(name);
  const { home, reach, passwords } = postgres;
  const here = (role) => postgres.urlAs(role, name);
  const there = (role) => otherUrl(home, reach, role, passwords[role], name);
  if (postgres.isCopy && reach.other === null) {
    postgres.stop();
    giveUp(
      'the records of this machine are a copy, and whose is not said: set HUDRIK_OTHER, or: npm run hudrik -- take-over',
    );
  }
  const [first, second] = postgres.isCopy ? [there, here] : [here, there];
  if (reach.other !== null) process.env.HUDRIK_READ_URL = second(ROLES.app);
  const [url, ownerUrl] = [ROLES.app, ROLES.owner].map((role) => first(role));
  return { url, ownerUrl, postgres, stop: postgres.stop };
}

const startOne = (env) =>
  keepRunning(process.execPath, programOf('main.ts'), {
    cwd: SERVER,
    env: { ...process.env, ...env, ...TOLD_TO_END },
    stdio: WITH_RUNNER,
    detached: true,
  });

/** Installs, builds, starts everything, starts the server again when it dies, and stops everything on Ctrl-C. */
export async function serve({ database, demo }) {
  ensureModules();
  await mustBeRight(process.env);
  const { url, ownerUrl, stop } = await ensureDatabase(database);
  ensureWeb();
  await buildServer();
  // The demo’s yard is made anew; a yard of one’s own is written away each night.
  const backups = process.env.HUDRIK_BACKUPS ?? (demo ? '' : path.join(DATA, 'backups'));
  const places = { HUDRIK_DATA_FOLDER: DATA, HUDRIK_BACKUPS: backups };
  const before = demo
    ? null
    : await backUpBeforeUpgrade({
        ownerUrl,
        folder: backups,
        without: process.argv.includes('--without-backup'),
        stop,
      });
  const env = {
    ...(before === null ? {} : { HUDRIK_BACKUP_BEFORE: before }),
    DATABASE_URL: url,
    HUDRIK_OWNER_URL: ownerUrl,
    ...places,
    ...(demo ? { HUDRIK_DEMO: '1' } : {}),
  };
  if (demo && runServerProgram('administration/main.ts', ['demo-data'], { ...env, DATABASE_URL: ownerUrl }) !== 0) {
    stop();
    giveUp('the demo could not be loaded.');
  }
  const processes = Number(process.env.HUDRIK_PROCESSES ?? 1);
  const server = processes > 1 ? await startSeveral(processes, { ...process.env, ...env }) : startOne(env);
  process.on('SIGINT', server.stop);
  process.on('SIGTERM', server.stop);
  const code = await server.ended;
  stop();
  process.exit(code);
}
