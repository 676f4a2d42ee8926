import { spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import seedrandom from 'seedrandom';
import sharp from 'sharp';
import { wellCheckIn } from '../../server/src/testing/samples';
import { loadDemo, startServer } from '../demoServer.mjs';
import { ROOT } from '../places.mjs';
import { freePort, startPostgres } from '../postgres.mjs';
import { browserWriter } from './browserWriter.mjs';
import { deviceAt, pause, until } from './device.mjs';

const WRITERS = 4;
const DATABASE = 'hudrik_kills';

/**
 * The server, its database and a browser are killed again and again in the middle of writing; whatever was not answered is sent again, as a
 * device does. Out: what is missing in the end, what is there twice, and what is there in part.
 */
async function killCampaign(times, seed) {
  const { data, postgres, env, port, random, place, first } = await setUp(seed);
  let server = first;
  const { writers, browser } = await whoWrites(place, data, random);
  await browser.prepare();
  const working = [...writers.map(({ work }) => work()), browser.work()];
  const victims = {
    server: async () => {
      await server.kill();
      server = await startServer(env, port);
    },
    database: async () => {
      postgres.pause();
      postgres.resume();
    },
    browser: browser.kill,
  };
  const killed = { server: 0, database: 0, browser: 0 };
  try {
    for (let n = 0; n < times; n++) {
      await pause(200 + 1300 * random());
      const dice = random();
      // A browser is killed in the middle of writing, not of starting.
      const isBrowsers = dice < 0.34 && (await until(browser.isWriting, 10_000)) !== null;
      const victim = isBrowsers ? 'browser' : dice < 0.68 ? 'server' : 'database';
      await pause(500 * random());
      killed[victim]++;
      await victims[victim]();
    }
    place.isOver = true;
    await Promise.all(working);
    const unsent = await browser.sendAll();
    return { killed, unsent, ...count(postgres, writers, browser), broken: brokenRules(postgres) };
  } finally {
    place.isOver = true;
    await browser.kill();
    await server.kill();
    postgres.stop();
    rmSync(data, { recursive: true, force: true });
  }
}

async function setUp(seed) {
  const data = mkdtempSync(path.join(tmpdir(), 'hudrik-kills-'));
  chmodSync(data, 0o711);
  const postgres = await startPostgres(data);
  const env = { ...loadDemo(postgres, DATABASE), HUDRIK_LOG: 'silent' };
  const port = await freePort();
  const first = await startServer(env, port);
  return {
    data,
    postgres,
    env,
    port,
    random: seedrandom(String(seed)),
    place: { url: first.url, isOver: false },
    first,
  };
}

/** Some who write each on a unit of their own, and one more at a browser. */
async function whoWrites(place, data, random) {
  const photo = await photoBytes();
  const lead = deviceAt(() => place.url);
  await lead.signIn('lead');
  const { units } = await lead.read('/api/units?readiness=fit&limit=100');
  const writers = await Promise.all(units.slice(0, WRITERS).map((unit) => writerOn(place, unit, photo, random)));
  return { writers, browser: await browserWriter(place, units[WRITERS].tag, data, random) };
}

const photoBytes = () =>
  sharp({
    create: {
      width: 640,
      height: 480,
      channels: 3,
      background: '#664',
      noise: { type: 'gaussian', mean: 90, sigma: 30 },
    },
  })
    .jpeg()
    .toBuffer();

/** Somebody who writes on one unit, each thing until it is answered. */
async function writerOn(place, { tag, classId }, photo, random) {
  const device = deviceAt(() => place.url);
  const personId = await device.signIn('lead');
  const opening = await device.read(`/api/units/${tag}/opening`);
  const sent = { notes: [], checkIns: [], photos: [], hires: [], absences: [] };
  const refused = [];
  let hours = opening.lastReading;
  let last = opening.basedOn;

  /** Out: whether it was taken; it is sent until it is answered. */
  const untilAnswered = async (send, what) => {
    for (;;) {
      const answer = await send().catch(() => null);
      const status = answer?.status ?? 0;
      if (status >= 200 && status < 300) return true;
      // Whoever is away will be back; anything else is an answer.
      if (status >= 400 && status < 500) {
        refused.push(`${what}: ${status} ${(await answer.text()).slice(0, 200)}`);
        return false;
      }
      await pause(50 + 200 * random());
    }
  };
  const post = (body) => device.ask('POST', '/api/log', { body, timeoutMs: 8000 });
  const note = async () => {
    const id = crypto.randomUUID();
    if (await untilAnswered(() => device.note(tag, `Note ${id}`, id), 'note')) sent.notes.push(id);
  };
  const checkIn = async () => {
    hours += 0.1;
    const { id, facts } = wellCheckIn(tag, classId, hours.toFixed(1), {
      basedOn: last,
      startedAt: new Date().toISOString(),
    });
    if (!(await untilAnswered(() => post({ id, kind: 'check-in', tag, facts }), 'check-in'))) return;
    sent.checkIns.push(id);
    last = id;
  };
  const takePhoto = async () => {
    const id = crypto.randomUUID();
    const put = () =>
      fetch(`${place.url}/api/photos/${id}`, {
        method: 'PUT',
        headers: { cookie: device.cookies(), 'content-type': 'image/jpeg' },
        body: photo,
        signal: AbortSignal.timeout(8000),
      });
    if (await untilAnswered(put, 'photo')) sent.photos.push(id);
  };
  const hire = async () => {
    const name = `Hirer ${crypto.randomUUID()}`;
    const fromAt = new Date(Date.now() + 86_400_000 * (400 + 20 * sent.hires.length));
    const reference = `K-${crypto.randomUUID().slice(0, 18)}`;
    const body = { reference, classId, fromAt, toAt: new Date(fromAt.getTime() + 3_600_000), hirer: name };
    const headers = { 'Idempotency-Key': `hire-${crypto.randomUUID()}` };
    if (await untilAnswered(() => device.ask('POST', '/api/hires', { body, headers, timeoutMs: 8000 }), 'hire'))
      sent.hires.push(name);
  };
  /** Of this nothing but its key tells a first request from a second. */
  const absence = async () => {
    const why = `Away ${crypto.randomUUID()}`;
    const body = { personId, fromOn: '2099-01-01', toOn: '2099-01-02', why };
    const headers = { 'Idempotency-Key': `away-${crypto.randomUUID()}` };
    if (await untilAnswered(() => device.ask('POST', '/api/absences', { body, headers, timeoutMs: 8000 }), 'absence'))
      sent.absences.push(why);
  };
  const doings = [note, checkIn, takePhoto, hire, absence];
  return {
    ...{ tag, sent, refused, personId },
    work: async () => {
      for (let n = 0; !place.isOver; n++) await doings[n % doings.length]();
    },
  };
}

const rows = (postgres, text) => {
  const { stdout, stderr, status } = spawnSync(
    'psql',
    [postgres.urlOf(DATABASE), '-v', 'ON_ERROR_STOP=1', '-tAc', text],
    {
      encoding: 'utf8',
      maxBuffer: 100_000_000,
    },
  );
  if (status !== 0) throw new Error(stderr);
  return stdout.trim().split('\n').filter(Boolean);
};

/** What was acknowledged and is not there; what is there more often than once; what is there in part. */
function count(postgres, writers, browser) {
  const all = (kind) => writers.flatMap(({ sent }) => sent[kind]);
  const tally = (list) => list.reduce((times, one) => times.set(one, (times.get(one) ?? 0) + 1), new Map());
  const against = (wanted, there) => {
    const times = tally(there);
    return {
      sent: wanted.length,
      lost: wanted.filter((one) => !times.has(one)).length,
      doubled: [...times.values()].filter((often) => often > 1).length,
    };
  };
  const checkIns = all('checkIns');
  const halves = rows(
    postgres,
    `select l.id from log_entry l left join check_in c on c.id = l.id where l.kind = 'check-in' and c.id is null
     union all select c.id from check_in c left join log_entry l on l.id = c.id where l.id is null`,
  );
  const texts = rows(postgres, `select facts->>'text' from log_entry where kind = 'note'`);
  return {
    kinds: {
      notes: against(
        all('notes').map((id) => `Note ${id}`),
        texts.filter((text) => text.startsWith('Note ')),
      ),
      'check-ins': against(checkIns, rows(postgres, `select id from check_in`)),
      photos: against(all('photos'), rows(postgres, 'select id from photo')),
      hires: against(all('hires'), rows(postgres, `select hirer from hire where hirer like 'Hirer %'`)),
      absences: against(all('absences'), rows(postgres, `select why from absence where why like 'Away %'`)),
      'notes in the browser': against(
        browser.kept,
        texts.filter((text) => text.startsWith('Browser ')),
      ),
    },
    torn: halves.length,
    refused: writers.flatMap(({ refused }) => refused),
  };
}

/** What the yard's own check finds wrong. */
function brokenRules(postgres) {
  const done = spawnSync(process.execPath, ['--import', 'tsx', 'src/administration/main.ts', 'check'], {
    cwd: path.join(ROOT, 'server'),
    env: { ...process.env, DATABASE_URL: postgres.urlOf(DATABASE) },
    encoding: 'utf8',
  });
  return done.status === 0 ? 0 : done.stdout;
}

export async function sayKills() {
  const times = Number(process.env.HUDRIK_KILLS ?? 200);
  const seed = process.env.HUDRIK_SEED ?? Date.now() % 100_000;
  const began = Date.now();
  const { killed, unsent, kinds, torn, refused, broken } = await killCampaign(times, seed);
  console.log(
    `\n${times} kills in ${Math.round((Date.now() - began) / 1000)} s (seed ${seed}): server ${killed.server}, database ${killed.database}, browser ${killed.browser}`,
  );
  for (const [kind, { sent, lost, doubled }] of Object.entries(kinds))
    console.log(`  ${kind}: ${sent} acknowledged, lost ${lost}, doubled ${doubled}`);
  console.log(
    `  torn ${torn}; left unsent in the browser: ${unsent}; rules broken: ${broken}; refused: ${refused.length}`,
  );
  for (const one of refused.slice(0, 5)) console.log(`    ${one}`);
}
