import { chromium, type Browser, type BrowserContext, type Page } from '@playwright/test';
import pg from 'pg';
import config from './playwright.config';
import {
  enter,
  freshUnit,
  fuelAndNothingNoticed,
  hoursAfter,
  asLead,
  signIn,
  Thumb,
  walkRound,
  type PersonName,
} from './yard';

/**
 * Two tabs of one device and two devices, without a connection, at one check-in, one finding and one card; and a device that makes many check-ins
 * before it is connected again. What was kept is then on the server, once, or still on the device with what stands in its way.
 */
const QUEUED = Number(process.env['HUDRIK_QUEUED'] ?? 50);
const where = { url: process.env['BASE_URL'] ?? '', databaseUrl: process.env['DATABASE_URL'] ?? '' };
const CLASSES = ['generator', 'pressure-washer', 'tiller', 'log-splitter', 'welder'];

interface Kept {
  readonly id: string;
  readonly state: string;
}

/** What a device keeps of what was made on it. */
const keptOn = (page: Page): Promise<Kept[]> =>
  page.evaluate(async () => {
    const rows: { id: string; state: string }[] = [];
    for (const { name, version } of await indexedDB.databases()) {
      const open = indexedDB.open(name ?? '', version);
      await new Promise((resolve) => (open.onsuccess = resolve));
      for (const store of open.result.objectStoreNames) {
        const all = open.result.transaction(store).objectStore(store).getAll();
        await new Promise((resolve) => (all.onsuccess = resolve));
        rows.push(...all.result.filter((row) => typeof row?.id === 'string' && typeof row?.state === 'string'));
      }
      open.result.close();
    }
    return rows.map(({ id, state }) => ({ id, state }));
  });

const waiting = async (page: Page): Promise<Kept[]> => (await keptOn(page)).filter(({ state }) => state === 'waiting');

async function device(browser: Browser, name: PersonName): Promise<BrowserContext> {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    baseURL: where.url,
    serviceWorkers: 'allow',
    hasTouch: true,
  });
  context.setDefaultTimeout(20_000);
  const page = await context.newPage();
  await signIn(page, name, '/');
  await page.evaluate(() => navigator.serviceWorker.ready);
  return context;
}

async function toVerdict(page: Page, tag: string): Promise<Thumb> {
  const thumb = new Thumb(page);
  await page.goto(`/u/${tag}/check-in`);
  const confirm = page.getByRole('button', { name: 'Confirm', exact: true });
  await confirm.or(page.getByText('Last reading')).first().waitFor();
  // Another tab of the same device goes on where the first one is.
  if ((await confirm.count()) > 0) return thumb;
  await thumb.figures(await hoursAfter(page, 0.6));
  await thumb.tap('Next');
  await fuelAndNothingNoticed(thumb);
  await walkRound(thumb);
  return thumb;
}

const rows = async <T extends pg.QueryResultRow>(text: string, values: unknown[] = []): Promise<T[]> => {
  const client = new pg.Client({ connectionString: where.databaseUrl });
  await client.connect();
  try {
    return (await client.query<T>(text, values)).rows;
  } finally {
    await client.end();
  }
};

interface Outcome {
  readonly made: number;
  readonly landed: number;
  readonly told: number;
  readonly lost: number;
}

/** Connects all again and waits until nothing waits. */
async function outcomeOf(contexts: readonly BrowserContext[], pages: readonly Page[]): Promise<Outcome> {
  const made = new Set((await Promise.all(pages.map(waiting))).flat().map(({ id }) => id));
  for (const context of contexts) await context.setOffline(false);
  const began = Date.now();
  while ((await Promise.all(pages.map(waiting))).some((list) => list.length > 0)) {
    if (Date.now() - began > 120_000) break;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  const landed = new Set(
    (await rows<{ id: string }>('select id from log_entry where id = any($1)', [[...made]])).map(({ id }) => id),
  );
  const told = new Set(
    (await Promise.all(pages.map(keptOn))).flat().flatMap(({ id, state }) => (state === 'refused' ? [id] : [])),
  );
  return {
    made: made.size,
    landed: landed.size,
    told: [...made].filter((id) => told.has(id) && !landed.has(id)).length,
    lost: [...made].filter((id) => !landed.has(id) && !told.has(id)).length,
  };
}

const say = (what: string, { made, landed, told, lost }: Outcome): void =>
  console.log(
    `  ${what}: ${made} kept, ${landed} on the server, ${told} left with what stands in the way, lost ${lost}`,
  );

async function manyCheckIns(browser: Browser): Promise<void> {
  const context = await device(browser, 'Ivo Tarnwell');
  const page = context.pages()[0] ?? (await context.newPage());
  const tags: string[] = [];
  for (let n = 0; n < QUEUED; n++) tags.push(await freshUnit(where, CLASSES[n % CLASSES.length] ?? 'generator'));
  for (const tag of tags) {
    await page.goto(`/u/${tag}/check-in`);
    await page.getByText('Last reading').waitFor();
  }
  await context.setOffline(true);
  for (const tag of tags) {
    const thumb = await toVerdict(page, tag);
    await thumb.tap('Confirm');
    await page.getByText(`${tag} is checked in and saved on this device.`).waitFor();
  }
  say(`${QUEUED} check-ins made without a connection`, await outcomeOf([context], [page]));
  const each = await rows<{ n: number }>(
    `select count(*)::int as n from check_in c join unit u on u.id = c.unit_id where u.tag = any($1) group by u.id`,
    [tags],
  );
  console.log(`    units with exactly one: ${each.filter(({ n }) => n === 1).length} of ${tags.length}`);
  await context.close();
}

type Doing = (page: Page) => Promise<void>;

/** The same done on several pages before any of them is connected again. */
async function together(
  browser: Browser,
  what: string,
  make: () => Promise<{ ready: Doing; act: Doing }>,
): Promise<void> {
  const { ready, act } = await make();
  const tabs = await device(browser, 'Ivo Tarnwell');
  const own = tabs.pages()[0] ?? (await tabs.newPage());
  const second = await tabs.newPage();
  const other = await device(browser, 'Maren Askild');
  const theirs = other.pages()[0] ?? (await other.newPage());
  const pages = [own, second, theirs];
  for (const page of pages) await ready(page);
  for (const context of [tabs, other]) await context.setOffline(true);
  for (const page of pages) await act(page);
  say(what, await outcomeOf([tabs, other], [own, theirs]));
  await tabs.close();
  await other.close();
}

const checkIn = async () => {
  const tag = await freshUnit(where, 'generator');
  return {
    ready: async (page: Page) => void (await toVerdict(page, tag)),
    act: async (page: Page) => {
      await page.getByRole('button', { name: 'Confirm', exact: true }).click();
      await page.getByText(`${tag} is checked in and saved on this device.`).waitFor();
    },
  };
};

const finding = async () => {
  const tag = await freshUnit(where, 'pressure-washer');
  const lead = await asLead(where.url);
  await enter(lead, { tag }, 'finding-opened', { machine: { engine: {}, past: {} } });
  await lead.dispose();
  return {
    ready: async (page: Page) => {
      await page.goto(`/u/${tag}/find`);
      await page.getByRole('group', { name: 'Answers' }).waitFor();
    },
    act: async (page: Page) => {
      const before = (await waiting(page)).length;
      await page.getByRole('group', { name: 'Answers' }).getByRole('button').first().click();
      const save = page.getByRole('button', { name: 'Save', exact: true, disabled: false });
      await page.waitForTimeout(300);
      if ((await save.count()) > 0) await save.first().click();
      while ((await waiting(page)).length === before) await page.waitForTimeout(50);
    },
  };
};

const card = async () => {
  const tag = await freshUnit(where, 'tiller');
  const lead = await asLead(where.url);
  const job = { kind: 'repair', title: 'New tines', minutes: 30, blocks: 'hold' };
  const { jobId } = await enter(lead, { tag }, 'job-raised', job);
  await lead.dispose();
  return {
    ready: async (page: Page) => {
      await page.goto(`/j/${jobId}`);
      await page.getByRole('button', { name: /^Start work on it/ }).waitFor();
    },
    act: async (page: Page) => {
      const before = (await waiting(page)).length;
      const start = page.getByRole('button', { name: /^Start work on it/ });
      // The other tab of the same device knows already what was kept in this one.
      if ((await start.count()) === 0) return;
      await start.click();
      while ((await waiting(page)).length === before) await page.waitForTimeout(50);
    },
  };
};

const browser = await chromium.launch(config.use?.launchOptions ?? {});
console.log('\ntwo tabs of one device and another device, all without a connection');
await together(browser, 'one check-in', checkIn);
await together(browser, 'one finding', finding);
await together(browser, 'one card', card);
await manyCheckIns(browser);
await browser.close();
