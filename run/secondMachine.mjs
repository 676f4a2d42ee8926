import { chmodSync, existsSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { ensureDataFolder, ensurePostgres } from './install.mjs';
import { DATA } from './places.mjs';
import { isCopy, isRunning, ownFolder, placesOf, run, startPostgres, writeAs, rejoiningIn } from './postgres.mjs';
import { CERTIFICATE, reachIn } from './reach.mjs';
import { keepPasswords, passwordsOf, ROLES } from './roles.mjs';
import { giveUp, say } from './say.mjs';

/** The place in the log of changes up to which a copy has it is kept by this name, on whichever machine is written to. */
const SLOT = 'hudrik_copy';

/** What a second machine must know to copy the records of this one, as a file that only its reader may see. */
export async function share(file) {
  if (file === undefined) giveUp('say into which file: npm run hudrik -- share second.json');
  if (reachIn(process.env).host === null)
    giveUp(
      'these records are reached from this machine alone: set HUDRIK_POSTGRES_HOST, HUDRIK_POSTGRES_PORT and HUDRIK_POSTGRES_PEERS, and start Hudrik with them.',
    );
  const postgres = await startPostgres();
  const { home, reach, passwords, port } = postgres;
  try {
    const [cert, key] = [CERTIFICATE.cert, CERTIFICATE.key].map((name) => readFileSync(path.join(home, name), 'utf8'));
    const known = { host: reach.host, port, passwords, cert, key };
    const to = path.resolve(process.env.INIT_CWD ?? '.', file);
    writeFileSync(to, `${JSON.stringify(known, null, 2)}\n`, { mode: 0o600 });
    chmodSync(to, 0o600);
    say(
      `${to} holds all passwords of the records: carry it to the second machine yourself, and take it away afterwards.`,
    );
  } finally {
    postgres.stop();
  }
}

/** Makes the records of this machine a copy of another's, which follows it from now on. In: the file that the other one shared. */
export function copyFrom(file) {
  if (file === undefined)
    giveUp('name the file that the first machine shared: npm run hudrik -- copy-from second.json');
  ensureDataFolder();
  ensurePostgres();
  const { home, cluster } = placesOf(DATA);
  if (existsSync(cluster)) giveUp(`there are records in ${cluster} already. Nothing was changed.`);
  const known = readShared(path.resolve(process.env.INIT_CWD ?? '.', file));
  ownFolder(home);
  keepPasswords(home, known.passwords);
  for (const [name, text] of [
    [CERTIFICATE.key, known.key],
    [CERTIFICATE.cert, known.cert],
  ])
    writeAs(path.join(home, name), text);
  baseBackup(home, cluster, known);
  // These are the ones that count, whatever was written to from here before.
  rmSync(path.join(DATA, 'written-to.json'), { force: true });
  say(`the records are copied. Started with HUDRIK_OTHER=${known.host}:${known.port} they follow the first machine’s.`);
}

function readShared(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch (error) {
    return giveUp(`${file} is not what the first machine shared: ${error.message}`);
  }
}

/** Makes the copy on this machine the one that is written to. In: what keeps that it is. */
export async function takeOver(accept) {
  const { cluster } = placesOf(DATA);
  if (!isCopy(cluster)) giveUp('the records of this machine are no copy: they take what is written already.');
  const postgres = await startPostgres();
  try {
    run(postgres.home, 'pg_ctl', ['-D', cluster, '-w', 'promote']);
    say(
      accept(postgres.urlAs(ROLES.owner, 'hudrik')) === 0
        ? 'the records of this machine take what is written from now on. Keep the other one off, or bring it in step: npm run hudrik -- rejoin, there.'
        : 'it takes what is written, but that could not be kept: npm run hudrik -- accept-primary',
    );
  } finally {
    postgres.stop();
  }
}

/** Makes what was written to before the other machine took over a copy of that one. What only this one has is lost, and said. */
export async function rejoin() {
  const { home, cluster } = placesOf(DATA);
  const reach = reachIn(process.env);
  if (reach.other === null) giveUp('with which machine is not said: set HUDRIK_OTHER.');
  if (!existsSync(cluster) && !existsSync(rejoiningIn(home)))
    giveUp('there are no records here: npm run hudrik -- copy-from makes them.');
  if (isCopy(cluster) && !existsSync(rejoiningIn(home))) giveUp('the records of this machine are a copy already.');
  if (isRunning({ home, cluster }))
    giveUp('the records’ server of this machine runs: stop Hudrik first. Nothing was changed.');
  const [host, port] = endsOf(reach.other);
  const source = { host, port, passwords: passwordsOf(home) };
  const asked = askCopy(home, source, 'select pg_is_in_recovery()');
  if (asked !== 'f')
    giveUp(
      `the records at ${reach.other} do not take what is written: there is nothing to follow. Nothing was changed.`,
    );
  ensureSlot(home, source);
  // A server that took over a moment ago says that it did once it has written it down.
  askCopy(home, source, 'checkpoint');
  // Stopped on its way, it may have left neither the old records nor the new ones.
  const wasStopped = existsSync(rejoiningIn(home));
  writeFileSync(rejoiningIn(home), '');
  const isInStep = !wasStopped && rewound(home, cluster, source);
  if (isInStep) rmSync(rejoiningIn(home));
  if (!isInStep || !(await follows())) {
    const aside = `${cluster}.before-rejoin`;
    // Without it a start that comes between would find no records, and begin empty ones.
    writeFileSync(rejoiningIn(home), '');
    // Of one that was stopped here the old ones are aside already.
    if (existsSync(cluster)) {
      rmSync(aside, { recursive: true, force: true });
      renameSync(cluster, aside);
    }
    say(
      `what was written on the two cannot be brought in step; it is copied anew. The old records are kept in ${aside}.`,
    );
    baseBackup(home, cluster, source);
    rmSync(rejoiningIn(home), { force: true });
  }
  say('the records of this machine follow the other one’s now: npm start.');
}

/** Whether it fetches what changes, once it is started. */
async function follows() {
  const postgres = await startPostgres();
  try {
    for (let nth = 0; nth < 60; nth++) {
      const asked = postgres.ask('postgres', 'select status from pg_stat_wal_receiver').stdout.trim();
      const place = postgres
        .ask('postgres', 'select pg_last_wal_receive_lsn() <= pg_last_wal_replay_lsn()')
        .stdout.trim();
      if (asked === 'streaming' && place === 't') return true;
      await new Promise((resolve) => setTimeout(resolve, 500));
    }
    return false;
  } finally {
    postgres.stop();
  }
}

/** In step by what differs alone, where the pages have checksums; else, or where the log does not reach back, not. */
function rewound(home, cluster, source) {
  try {
    const said = run(
      ...[home, 'pg_rewind', ['-D', cluster, `--source-server=${conninfo(home, source)} dbname=postgres`, '-R']],
      passwordIn(source),
    );
    for (const line of said.split('\n').filter(Boolean)) say(line);
    followBySlot(cluster);
    return true;
  } catch (error) {
    say(error.message.trim());
    return false;
  }
}

function baseBackup(home, cluster, source) {
  ensureSlot(home, source);
  const making = `${cluster}.making`;
  rmSync(making, { recursive: true, force: true });
  const how = ['-R', '-X', 'stream', '-S', SLOT, '-c', 'fast'];
  run(home, 'pg_basebackup', ['-d', conninfo(home, source), '-D', making, ...how], passwordIn(source));
  renameSync(making, cluster);
}

/** What it follows by is a line of its own; pg_basebackup writes it, pg_rewind does not. */
function followBySlot(cluster) {
  const file = path.join(cluster, 'postgresql.auto.conf');
  const settings = readFileSync(file, 'utf8');
  const line = `primary_slot_name = '${SLOT}'\n`;
  if (!settings.includes(line)) writeAs(file, `${settings.trimEnd()}\n${line}`);
}

function ensureSlot(home, source) {
  const make = `select pg_create_physical_replication_slot('${SLOT}')
    where not exists (select 1 from pg_replication_slots where slot_name = '${SLOT}')`;
  askCopy(home, source, make);
}

/** Asks the other machine's server, as who copies. */
function askCopy(home, source, text) {
  const args = ['-d', `${conninfo(home, source)} dbname=postgres`, '-v', 'ON_ERROR_STOP=1', '-w', '-tAc', text];
  try {
    return run(home, 'psql', args, passwordIn(source)).trim();
  } catch (error) {
    return giveUp(`the records at ${source.host}:${source.port} cannot be asked: ${error.message}`);
  }
}

const passwordIn = ({ passwords }) => ({ PGPASSWORD: passwords[ROLES.copy] });
const conninfo = (home, { host, port }) =>
  `host=${host} port=${port} user=${ROLES.copy} sslmode=verify-ca sslrootcert=${path.join(home, CERTIFICATE.cert)}`;

/** Of an address with a port. */
function endsOf(other) {
  const { hostname, port } = new URL(`postgres://${other}`);
  return [hostname.replaceAll(/[[\]]/g, ''), Number(port)];
}
