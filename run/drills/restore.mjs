import { spawnSync } from 'node:child_process';
import { chmodSync, chownSync, mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { loadDemo } from '../demoServer.mjs';
import { aptInstall } from '../install.mjs';
import { isRoot, ROOT } from '../places.mjs';
import { ownFolder, startPostgres } from '../postgres.mjs';
import { SUPERUSER } from '../roles.mjs';
import { pause } from './device.mjs';

const DATABASE = 'hudrik_restore';

/** All written away, put back into an empty database, and then back to a moment, by what the documents say. Out: figures. */
async function restoreDrill() {
  const data = mkdtempSync(path.join(tmpdir(), 'hudrik-restore-'));
  chmodSync(data, 0o711);
  const postgres = await startPostgres(data);
  try {
    loadDemo(postgres, DATABASE);
    return { whole: wholeYard(postgres, data), moment: await toAMoment(postgres, data) };
  } finally {
    postgres.stop();
    rmSync(data, { recursive: true, force: true });
  }
}

function timed(work) {
  const began = Date.now();
  const done = work();
  return { ms: Date.now() - began, done };
}

function mustDo(done, what) {
  if (done.status !== 0) throw new Error(`${what}: ${done.stdout}${done.stderr}`);
  return done.stdout;
}

const ask = (postgres, database, text) =>
  mustDo(
    spawnSync('psql', [postgres.urlOf(database), '-v', 'ON_ERROR_STOP=1', '-tAc', text], { encoding: 'utf8' }),
    text,
  ).trim();

/** Of every table how many rows it has. */
const countsOf = (postgres, database) =>
  ask(
    postgres,
    database,
    `select string_agg(relname || ' ' || (xpath('/row/n/text()', query_to_xml(format('select count(*) as n from public.%I', relname), false, true, '')))[1], ', ' order by relname)
     from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r'`,
  );

function wholeYard(postgres, data) {
  const file = path.join(data, 'yard.hudrik');
  const run = (database, ...args) =>
    timed(() =>
      mustDo(
        spawnSync(process.execPath, ['--import', 'tsx', 'src/administration/main.ts', ...args], {
          cwd: path.join(ROOT, 'server'),
          env: { ...process.env, DATABASE_URL: postgres.urlOf(database), HUDRIK_SPARE_URL: postgres.urlOf('postgres') },
          encoding: 'utf8',
        }),
        args.join(' '),
      ),
    ).ms;
  const backUp = run(DATABASE, 'backup', file);
  const verify = run(DATABASE, 'verify', file);
  postgres.ensureDatabase('hudrik_back');
  const restore = run('hudrik_back', 'restore', file);
  const check = run('hudrik_back', 'check');
  const isSame = countsOf(postgres, DATABASE) === countsOf(postgres, 'hudrik_back');
  return { bytes: statSync(file).size, backUp, verify, restore, check, isSame };
}

/** pgBackRest on this cluster, by the file that the documents show. Out: what runs it. */
function pgBackRest(postgres, data) {
  if (spawnSync('pgbackrest', ['version']).error) aptInstall('pgBackRest', ['pgbackrest']);
  const folder = path.join(data, 'archive');
  ownFolder(folder);
  const owned = (name, text) => {
    const file = path.join(folder, name);
    writeFileSync(file, text, { mode: 0o600 });
    const { uid, gid } = statSync(folder);
    if (isRoot) chownSync(file, uid, gid);
    return file;
  };
  const places = ['repo1', 'log', 'lock', 'spool'].map((name) => `${name}-path=${path.join(folder, name)}`);
  const cluster = path.join(postgres.home, 'data');
  const own = [
    `pg1-path=${cluster}`,
    `pg1-port=${postgres.port}`,
    `pg1-socket-path=${postgres.home}`,
    `pg1-user=${SUPERUSER}`,
  ];
  const config = owned('pgbackrest.conf', ['[global]', ...places, 'start-fast=y', '[hudrik]', ...own, ''].join('\n'));
  const { password } = new URL(postgres.urlOf('postgres'));
  const env = { ...process.env, PGPASSFILE: owned('pgpass', `*:*:*:*:${decodeURIComponent(password)}\n`) };
  const run = (...args) => {
    const command = ['pgbackrest', `--config=${config}`, '--stanza=hudrik', '--log-level-console=error', ...args];
    const [program, ...rest] = isRoot ? ['runuser', '-u', 'postgres', '--', ...command] : command;
    mustDo(spawnSync(program, rest, { encoding: 'utf8', cwd: '/', env }), args.join(' '));
  };
  return { run, archive: `pgbackrest --config=${config} --stanza=hudrik archive-push %p` };
}

/** By pgBackRest: what was written until the moment is there, what came after is not. */
async function toAMoment(postgres, data) {
  const { run, archive } = pgBackRest(postgres, data);
  ask(postgres, 'postgres', 'alter system set archive_mode = on');
  ask(postgres, 'postgres', `alter system set archive_command = '${archive}'`);
  postgres.pause();
  postgres.resume();
  run('stanza-create');
  run('check');
  const full = timed(() => run('backup', '--type=full')).ms;
  const call = (yard) => ask(postgres, DATABASE, `update yard_settings set yard = '${yard}'`);
  call('Before the mistake');
  await pause(1500);
  const moment = ask(postgres, 'postgres', 'select now()');
  await pause(1500);
  call('The mistake');
  ask(postgres, 'postgres', 'select pg_switch_wal()');
  await pause(1000);
  postgres.pause();
  const back = timed(() => {
    run('restore', '--delta', '--type=time', `--target=${moment}`, '--target-action=promote');
    postgres.resume();
  }).ms;
  for (let n = 0; n < 100 && ask(postgres, 'postgres', 'select pg_is_in_recovery()') === 't'; n++) await pause(100);
  return { full, back, yard: ask(postgres, DATABASE, 'select yard from yard_settings') };
}

export async function sayRestore() {
  const { whole, moment } = await restoreDrill();
  console.log(`\nthe demo’s yard written away: ${whole.backUp} ms, ${(whole.bytes / 1e6).toFixed(1)} MB; verified ${whole.verify} ms; put back into an empty database ${whole.restore} ms, every rule ${whole.check} ms; rows of all tables ${whole.isSame ? 'the same' : 'NOT the same'}
to a moment by pgBackRest: full backup ${moment.full} ms, back ${moment.back} ms; the yard is called “${moment.yard}” (wanted “Before the mistake”)`);
}
