import { copyFileSync, existsSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import path from 'node:path';
import { ensureDataFolder, postgresMajors } from './install.mjs';
import { DATA } from './places.mjs';
import { isRunning, majorOf, ownFolder, placesOf, startPostgres } from './postgres.mjs';
import { PASSWORDS, ROLES } from './roles.mjs';
import { giveUp, say } from './say.mjs';

/**
 * The records of a cluster of an older PostgreSQL, dumped, and restored into a new one of the newest that is here, which then takes its place. The
 * old one stays beside it, under its version. Stopped anywhere it is run again. In: how a program of the administration is run on a database.
 */
export async function movePostgres(runProgram) {
  ensureDataFolder();
  const moving = path.join(DATA, 'moving');
  const [now, next] = [placesOf(DATA), placesOf(moving)];
  const [to] = postgresMajors();
  // Stopped between the two: the old one is aside, the new one is whole.
  if (!existsSync(now.cluster) && existsSync(next.cluster)) return takePlace(now, next, moving, to);
  const from = majorOf(now.home);
  if (from === undefined) giveUp('there are no records here.');
  if (from === to) giveUp(`the records are of PostgreSQL ${to} already, the newest that is here.`);
  const aside = `${now.cluster}.postgresql-${from}`;
  if (existsSync(aside)) giveUp(`${aside} is there already, from an earlier time: set it elsewhere first.`);
  for (const place of [now, next])
    if (isRunning(place)) giveUp(`the records’ server in ${place.home} runs: stop Hudrik first. Nothing was changed.`);
  const file = path.join(process.env.HUDRIK_BACKUPS || path.join(DATA, 'backups'), `before-postgresql-${to}.hudrik`);
  mkdirSync(path.dirname(file), { recursive: true, mode: 0o700 });
  const old = await startPostgres();
  const written = runProgram(['backup', file], old.urlAs(ROLES.owner, 'hudrik'));
  old.stop();
  if (written !== 0) giveUp('the records could not be written away; nothing was changed.');
  rmSync(next.home, { recursive: true, force: true });
  ownFolder(next.home);
  copyFileSync(path.join(now.home, PASSWORDS), path.join(next.home, PASSWORDS));
  const fresh = await startPostgres(moving);
  fresh.ensureDatabase('hudrik');
  const restored = runProgram(['restore', file], fresh.urlAs(ROLES.owner, 'hudrik'));
  fresh.stop();
  if (restored !== 0) giveUp('they could not be restored; nothing was changed.');
  renameSync(now.cluster, aside);
  takePlace(now, next, moving, to);
}

function takePlace(now, next, moving, to) {
  renameSync(next.cluster, now.cluster);
  for (const folder of [next.home, moving]) rmSync(folder, { recursive: true, force: true });
  say(
    `the records are of PostgreSQL ${to} now. The old ones are kept in ${now.home}: take them away when all is well.`,
  );
}
