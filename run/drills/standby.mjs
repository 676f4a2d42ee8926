import { spawnSync } from 'node:child_process';
import { loadDemo, startServer } from '../demoServer.mjs';
import { freePort, startThrowAwayPostgres } from '../postgres.mjs';
import { ROLES } from '../roles.mjs';
import { startStandby } from '../standby.mjs';
import { deviceAt, pause, until } from './device.mjs';

const DATABASE = 'hudrik_standby';
const TIMES = 200;
/** PostgreSQL writes down what a connection did when it rested for ten seconds. */
const STATISTICS_MS = 11_000;

const ask = (url, text) => spawnSync('psql', [url, '-w', '-v', 'ON_ERROR_STOP=1', '-tAc', text], { encoding: 'utf8' });

/** Notes in a unit's history, as a device finds them. */
const textsAt = async (device) =>
  (await device.read('/api/units/GE-03/history?limit=100')).records.map(({ facts }) => facts.text);

/**
 * The primary is lost and its hot standby takes over, with two server processes at work: does anybody miss what was written, who answers meanwhile,
 * and is an old primary that comes back written to? Out: figures.
 */
async function standbyDrill(times = TIMES) {
  const postgres = await startThrowAwayPostgres({ keepsCommits: true });
  const env = loadDemo(postgres, DATABASE);
  const standby = await startStandby(postgres);
  const servers = [];
  try {
    const streaming = await until(() =>
      ask(postgres.urlOf('postgres'), 'select state from pg_stat_replication').stdout.includes('streaming'),
    );
    if (streaming === null) throw new Error('the standby does not stream');
    const both = { ...env, HUDRIK_READ_URL: standby.urlAs(ROLES.app, DATABASE), HUDRIK_LOG: 'error' };
    const start = async () => {
      const server = await startServer(both, await freePort());
      servers.push(server);
      return server;
    };
    const places = [await start(), await start()];
    const [own, other] = await devicesAt(places);
    const behind = await readBehind({ own, other, places }, times);
    const share = await shareOfCopy({ device: other, postgres, standby });
    const without = await withoutStandby(own, other, standby);
    const taken = await takeOver({ own, other, places, postgres, standby });
    const old = await oldComesBack({ own, postgres, standby, start, places });
    return { ...behind, share, without, ...taken, ...old };
  } finally {
    await Promise.all(servers.map((server) => server.kill()));
    standby.stop();
    postgres.stop();
  }
}

/** One person's device that is served by either process in turn, and another one. */
async function devicesAt(places) {
  let turn = 0;
  const own = deviceAt(() => places[turn++ % 2].url);
  const other = deviceAt(() => places[1].url);
  await own.signIn();
  await other.signIn('lead');
  return [own, other];
}

/** What was written a moment ago, by oneself through the other process, or by somebody else whose change was told. */
async function readBehind({ own, other, places }, times) {
  let missed = 0;
  let missedTold = 0;
  const told = await listen(places[1].url, other.cookies());
  for (let n = 0; n < times; n++) {
    const text = `Behind ${n}`;
    const heard = told.next();
    const answer = await own.note('GE-03', text);
    if (!answer.ok) throw new Error(`a note was refused: ${answer.status}`);
    if (!(await textsAt(own)).includes(text)) missed++;
    await heard;
    if (!(await textsAt(other)).includes(text)) missedTold++;
  }
  told.stop();
  return { times, missed, missedTold };
}

/** What a screen is told of changes. */
async function listen(url, cookie) {
  const gone = new AbortController();
  const answer = await fetch(`${url}/api/events`, { headers: { cookie }, signal: gone.signal });
  const reader = answer.body.getReader();
  let wake = () => undefined;
  const read = async () => {
    for (;;) {
      const { done, value } = await reader.read();
      if (done) return;
      if (new TextDecoder().decode(value).includes('data:')) wake();
    }
  };
  void read().catch(() => undefined);
  return {
    next: () => new Promise((resolve) => (wake = resolve)),
    stop: () => gone.abort(),
  };
}

/** Of the reads of a screen, how many of the database's own transactions went to the copy. */
async function shareOfCopy({ device, postgres, standby }) {
  const commits = (url) =>
    Number(ask(url, `select xact_commit from pg_stat_database where datname = '${DATABASE}'`).stdout);
  await pause(STATISTICS_MS);
  const before = commits(standby.urlOf('postgres'));
  const reads = 100;
  for (let n = 0; n < reads; n++) await device.read('/api/units?limit=20');
  await pause(STATISTICS_MS);
  return Math.min((commits(standby.urlOf('postgres')) - before) / (2 * reads), 1);
}

/** The standby goes away: nobody is to notice. */
async function withoutStandby(device, lead, standby) {
  const level = await stands(lead);
  standby.pause();
  const statuses = [];
  for (let n = 0; n < 20; n++) statuses.push((await device.ask('GET', '/api/units?limit=20')).status);
  const away = await stands(lead);
  standby.resume();
  return { refused: statuses.filter((status) => status !== 200).length, level, away };
}

/** What a lead reads of the copy, and how long that takes. */
async function stands(lead) {
  const began = Date.now();
  const { copy, troubles } = await lead.read('/api/status');
  const wrong = troubles.filter((trouble) => trouble.startsWith('copy')).join(', ') || 'nothing wrong';
  return `${copy.isThere ? `there, ${copy.behindBytes ?? '?'} bytes behind` : 'away'}, ${wrong}, in ${Date.now() - began} ms`;
}

async function takeOver({ own, other, places, postgres, standby }) {
  await until(() =>
    ask(postgres.urlOf('postgres'), 'select state from pg_stat_replication').stdout.includes('streaming'),
  );
  await pause(1500);
  const kept = new Set();
  let goOn = true;
  const writing = (async () => {
    for (let n = 0; goOn; n++) {
      const text = `Kept ${n}`;
      if (
        await own.note('GE-05', text).then(
          (answer) => answer.ok,
          () => false,
        )
      )
        kept.add(text);
    }
  })();
  await pause(1500);
  postgres.pause();
  await pause(500);
  const meanwhile = [];
  for (let n = 0; n < 20; n++) meanwhile.push((await other.ask('GET', '/api/units?limit=20')).status);
  const began = Date.now();
  standby.promote();
  const devices = places.map(({ url }) => deviceAt(() => url));
  const back = await Promise.all(
    devices.map(async (device) => {
      const up = await until(async () => (await device.signIn()) > 0 && (await device.note('GE-03', 'After')).ok);
      return up === null ? null : Date.now() - began;
    }),
  );
  goOn = false;
  await writing;
  const { stdout } = ask(
    standby.urlOf(DATABASE),
    `select facts->>'text' from log_entry where kind = 'note' and facts->>'text' like 'Kept %'`,
  );
  const there = stdout.trim().split('\n');
  return {
    readsWhileNone: meanwhile.filter((status) => status === 200).length / meanwhile.length,
    takenOverMs: back.includes(null) ? null : Math.max(...back),
    acknowledged: kept.size,
    lost: [...kept].filter((text) => !there.includes(text)).length,
    doubled: there.length - new Set(there).size,
  };
}

/** The old primary is started again by mistake: a process that runs, and one that is started anew, leave it alone. */
async function oldComesBack({ own, postgres, standby, start, places }) {
  postgres.resume();
  places[0] = await start();
  const texts = Array.from({ length: 10 }, (_, n) => `Since ${n}`);
  for (const text of texts) await own.note('GE-05', text);
  const counted = (url) =>
    Number(ask(url, `select count(*) from log_entry where facts->>'text' like 'Since %'`).stdout);
  return { onOld: counted(postgres.urlOf(DATABASE)), onNew: counted(standby.urlOf(DATABASE)) };
}

export async function sayStandby() {
  const found = await standbyDrill();
  const { times, missed, missedTold, share, without, readsWhileNone, takenOverMs, acknowledged, lost, doubled } = found;
  console.log(`\na hot standby under two server processes
  read back at once by who wrote it, through the other process: ${missed} of ${times} missed; by who was told: ${missedTold} missed
  share of the reads that the standby answered: ${(100 * share).toFixed(0)} in 100; refused while the standby was away: ${without.refused} of 20
  how Hudrik stands, while it was there: ${without.level}; while it was away: ${without.away}
  primary lost: ${(100 * readsWhileNone).toFixed(0)} in 100 reads answered before anybody took over; promoted: writes again after ${takenOverMs} ms
  of ${acknowledged} notes acknowledged until then: lost ${lost}, doubled ${doubled}
  the old primary came back: of 10 notes ${found.onOld} went to it, ${found.onNew} to the one that took over`);
}
