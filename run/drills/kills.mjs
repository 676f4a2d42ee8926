import { spawn, spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import seedrandom from 'seedrandom';
import sharp from 'sharp';
import { wellCheckIn } from '../../server/src/testing/samples';
import { loadDemo, startServer } from '../demoServer.mjs';
import { chromiumPath } from '../install.mjs';
import { ROOT } from '../places.mjs';
import { freePort, startPostgres } from '../postgres.mjs';
import { deviceAt, pause, until } from './device.mjs';

const WRITERS = 6;
const DATABASE = 'hudrik_kills';

/**
 * The server, its database and a browser are killed again and again in the middle of writing; whatever was not answered is sent again, as a
 * device does. Out: what is missing in the end, what is there twice, and what is there in part.
 */
export async function killCampaign(times, seed) {
  const random = seedrandom(String(seed));
  const data = mkdtempSync(path.join(tmpdir(), 'hudrik-kills-'));
  chmodSync(data, 0o711);
  const postgres = await startPostgres(data);
  const env = { ...loadDemo(postgres, DATABASE), HUDRIK_LOG: 'silent' };
  const port = await freePort();
  let server = await startServer(env, port);
  const place = { url: server.url, isOver: false };
  const { writers, browser } = await whoWrites(place, data, random);
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
      const victim = dice < 0.4 ? 'server' : dice < 0.7 ? 'database' : 'browser';
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

/** Somebody who writes notes in a real browser, which is killed under their hands and opened again. */
async function browserWriter(place, tag, data, random) {
  const profile = path.join(data, 'browser');
  const kept = [];
  let child = null;
  let n = 0;

  const open = async () => {
    const port = await freePort();
    const own = spawn(
      chromiumPath(),
      [
        ...['--headless=new', '--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking'],
        ...[`--user-data-dir=${profile}`, `--remote-debugging-port=${port}`, '--window-size=390,844', 'about:blank'],
      ],
      { stdio: 'ignore', detached: true },
    );
    child = own;
    const there = await until(async () => (await fetch(`http://127.0.0.1:${port}/json/version`)).ok, 15_000);
    if (there === null) throw new Error('the browser did not come up');
    const browser = await chromium.connectOverCDP(`http://127.0.0.1:${port}`);
    const page = browser.contexts()[0].pages()[0] ?? (await browser.contexts()[0].newPage());
    page.setDefaultTimeout(10_000);
    return page;
  };
  const kill = async () => {
    const own = child;
    child = null;
    if (own === null || own.exitCode !== null || own.signalCode !== null) return;
    const ended = new Promise((resolve) => own.once('exit', resolve));
    // All its processes at once, as when a battery comes loose.
    process.kill(-own.pid, 'SIGKILL');
    await ended;
  };
  const signIn = async (page) => {
    await page.goto(`${place.url}/u/${tag}`);
    const name = page.getByRole('button', { name: /Ivo Tarnwell/ });
    await name
      .or(page.getByRole('button', { name: 'Write a note' }))
      .first()
      .waitFor();
    if (await name.isVisible()) await name.click();
    await page.getByRole('button', { name: 'Write a note' }).waitFor();
  };
  const write = async (page) => {
    const text = `Browser ${n++}`;
    await page.getByRole('button', { name: 'Write a note' }).click();
    await page.getByRole('dialog').getByRole('textbox').first().fill(text);
    await page.getByRole('dialog').getByRole('button', { name: 'Save the note' }).click();
    await page.getByRole('dialog').waitFor({ state: 'detached' });
    kept.push(text);
    await pause(100 * random());
  };
  return {
    ...{ tag, kept, kill, written: () => n },
    work: async () => {
      while (!place.isOver) {
        try {
          const page = await open();
          await signIn(page);
          while (!place.isOver) await write(page);
        } catch {
          // It was killed, or the server was just not there: opened again.
          await kill().catch(() => undefined);
        }
      }
    },
    /** At last all is left to be sent. Out: how many entries were not. */
    sendAll: async () => {
      await kill();
      const page = await open();
      await signIn(page);
      const sent = await until(async () => (await page.getByText('not sent yet').count()) === 0, 60_000);
      await pause(1000);
      return sent === null || (await page.getByText('not sent yet').count()) > 0 ? 'some' : 'none';
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
