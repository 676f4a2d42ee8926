import { randomUUID } from 'node:crypto';
import { classOf, looksOnHandOut, type ClassId } from '@hudrik/core/catalogue';
import {
  expect,
  request as requests,
  type APIRequestContext,
  type APIResponse,
  type BrowserContext,
  type Cookie,
  type Locator,
  type Page,
} from '@playwright/test';
import pg from 'pg';

/** The demo's people. */
const PEOPLE = {
  'Runa Veldt': { personId: 1, pin: '4711' },
  'Ivo Tarnwell': { personId: 2, pin: '1207' },
  'Maren Askild': { personId: 3, pin: '3390' },
  'Pell Quist': { personId: 4, pin: '2580' },
  'Lise Borrowby': { personId: 5, pin: '9034' },
} as const;
export type PersonName = keyof typeof PEOPLE;

/** Sessions of this worker: a person signs in once. */
const sessions = new Map<string, readonly Cookie[]>();

async function sessionOf(page: Page, name: PersonName): Promise<readonly Cookie[]> {
  const base = new URL((await page.request.get('/api/health')).url()).origin;
  const key = `${base} ${name}`;
  const known = sessions.get(key);
  if (known) return known;
  const line = await requests.newContext({ baseURL: base });
  // The demo lets in whoever looks at it.
  await line.get('/api/sign-in-options');
  expect((await line.post('/api/session', { data: PEOPLE[name] })).ok()).toBe(true);
  const { cookies } = await line.storageState();
  await line.dispose();
  sessions.set(key, cookies);
  return cookies;
}

/** Another takes the device, by their PIN; where it is no longer theirs, it stays with whom it was. */
export async function signInAgain(context: BrowserContext, base: string, name: PersonName): Promise<void> {
  await context.request.get(`${base}/api/sign-in-options`);
  await context.request.post(`${base}/api/session`, { data: PEOPLE[name] });
}

/** Signs somebody in, and opens a path when one is said: each page that is opened costs a second. */
export async function signIn(page: Page, name: PersonName, path?: string): Promise<void> {
  await page.context().addCookies([...(await sessionOf(page, name))]);
  if (path === undefined) return;
  await page.goto(path);
  await expect(page.getByRole('navigation').or(page.getByText('Back').first()).first()).toBeVisible();
}

/** A lead's own line to the server, past whatever befalls the page's. */
export async function asLead(baseURL: string): Promise<APIRequestContext> {
  const lead = await requests.newContext({ baseURL });
  await lead.get('/api/sign-in-options');
  await lead.post('/api/session', { data: PEOPLE['Runa Veldt'] });
  return lead;
}

interface On {
  readonly id?: string;
  readonly at?: string;
  readonly tag?: string;
  readonly jobId?: string;
  readonly findingId?: string;
}

/** Something that happened, sent as a device sends it. Out: the entry as it was taken. */
export async function enter(
  line: APIRequestContext,
  on: On,
  kind: string,
  facts: object,
): Promise<{ readonly id: string; readonly jobId: string; readonly outcome: Readonly<Record<string, unknown>> }> {
  const answer = await line.post('/api/log', { data: { id: randomUUID(), kind, facts, ...on } });
  expect([kind, answer.status(), answer.ok() ? '' : await answer.text()]).toEqual([kind, 201, '']);
  return (await jsonOf<{ entry: { id: string; jobId: string; outcome: Record<string, unknown> } }>(answer)).entry;
}

/** What an answer says, taken at its word. */
export const jsonOf = <T>(answer: APIResponse): Promise<T> => answer.json();

let count = 0;

interface Where {
  readonly url: string;
  readonly databaseUrl: string;
}

/** A fit unit that no other test wants, on the yard for five days. Out: its tag. */
export async function freshUnit({ url, databaseUrl }: Where, classId: string): Promise<string> {
  const lead = await asLead(url);
  const { models } = await jsonOf<{ models: { id: number; classId: string }[] }>(await lead.get('/api/models'));
  const { units } = await jsonOf<{
    units: { tag: string }[];
  }>(await lead.get(`/api/units?class=${classId}&limit=1`));
  const tag = `${units[0]?.tag.slice(0, 2)}-${200 + count++}`;
  const modelId = models.find((entry) => entry.classId === classId)?.id;
  const unit = { tag, modelId, serial: `T-${tag}`, homeBay: 'North 1', meterReading: 210, meterOffset: 0 };
  expect((await lead.post('/api/units', { data: unit })).status()).toBe(201);
  await lead.dispose();
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  // What happened cannot be made older by any rule of the yard: past the rules, then.
  await client.query('set session_replication_role = replica');
  await client.query(
    `update meter_reading set read_at = read_at - interval '5 days' where unit_id = (select id from unit where tag = $1)`,
    [tag],
  );
  // Somebody has looked at it: it is fit.
  await client.query(
    `update defect set closed_at = now(), closed_by = found_by, closed_how = 'looked-at'
      where unit_id = (select id from unit where tag = $1)`,
    [tag],
  );
  await client.query(
    `update unit set readiness = 'fit', readiness_verdict = '{"readiness": "fit", "because": []}' where tag = $1`,
    [tag],
  );
  await client.end();
  return tag;
}

/** Lets all that happened to a unit be so many minutes older: no rule of the yard lets anybody wait that long in a test. */
export async function laterInProof({ databaseUrl }: Where, tag: string, minutes: number): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  await client.query('set session_replication_role = replica');
  await client.query(
    `update log_entry set at = at - make_interval(mins => $2) where unit_id = (select id from unit where tag = $1)`,
    [tag, minutes],
  );
  await client.end();
}

/** Until the server has taken something of this kind on a job's card. */
export async function untilTaken(page: Page, jobId: string, kind: string): Promise<void> {
  const kinds = async () =>
    (await jsonOf<{ entries: { kind: string }[] }>(await page.request.get(`/api/jobs/${jobId}/card`))).entries.map(
      (entry) => entry.kind,
    );
  await expect.poll(kinds).toContain(kind);
}

/** Counts what goes along, and looks at all that is looked at as it goes out. */
export async function countAndLook(page: Page, classId: ClassId): Promise<void> {
  await page.getByRole('button', { name: 'Counted: all of it goes along' }).click();
  await page.getByRole('button', { name: 'Fuel full' }).click();
  for (const { words } of looksOnHandOut(classOf(classId)))
    await page.getByRole('button', { name: words, exact: true }).click();
}

/** A unit with one open job, which holds it or keeps it in prep. Out: its tag and the job. */
export async function unitWithJob(
  where: Where,
  classId: string,
  job: { readonly kind: 'prep' | 'repair'; readonly title: string },
): Promise<{ readonly tag: string; readonly jobId: string }> {
  const tag = await freshUnit(where, classId);
  const lead = await asLead(where.url);
  const blocks = job.kind === 'prep' ? 'prep' : 'hold';
  const { jobId } = await enter(lead, { tag }, 'job-raised', { ...job, minutes: 20, blocks });
  await lead.dispose();
  return { tag, jobId };
}

/** Counts every tap that is made through it. */
export class Thumb {
  taps = 0;
  constructor(readonly page: Page) {}

  async tap(name: string | RegExp, role: 'button' | 'link' = 'button'): Promise<void> {
    this.taps++;
    await this.page
      .getByRole(role, { name, ...(typeof name === 'string' ? { exact: true } : {}) })
      .first()
      .click();
  }

  /** Figures on the keypad: not counted, as they are what is to be said. */
  async figures(text: string): Promise<void> {
    for (const figure of text)
      await this.page.getByRole('group', { name: 'Keypad' }).getByRole('button', { name: figure, exact: true }).click();
  }
}

/** What the meter showed last, plus so many hours, as figures. */
export async function hoursAfter(page: Page, more: number): Promise<string> {
  await expect(page.getByText('Last reading')).toBeVisible();
  const text = await page.getByText('Last reading').locator('xpath=following-sibling::*[1]').innerText();
  return (Number(text) + more).toFixed(1);
}

/** Passes the walk-round with everything good. Out: how many stations and safety checks there were. */
export async function walkRound(thumb: Thumb): Promise<{ stations: number; safety: number }> {
  const { page } = thumb;
  let [stations, safety] = [0, 0];
  while ((await page.getByRole('button', { name: 'Confirm', exact: true }).count()) === 0) {
    const before = await page.getByRole('heading', { level: 1 }).innerText();
    for (const check of await page.getByRole('button', { name: /^OK: / }).all()) {
      thumb.taps++;
      safety++;
      await check.click();
    }
    for (const [n, field] of (await page.getByRole('textbox').all()).entries()) {
      // The first one has the cursor already.
      if (n > 0) thumb.taps++;
      await field.fill(await rightFigure(field));
    }
    await thumb.tap(/^(All good here|The rest is good|Next)$/);
    stations++;
    await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(before);
  }
  return { stations, safety };
}

/** The middle of what stands under a field as right. */
async function rightFigure(field: Locator): Promise<string> {
  const text = await field
    .locator('xpath=../..')
    .getByText(/^Right: /)
    .innerText();
  const [from = 0, to = from] = (text.match(/[\d.]+/g) ?? []).map(Number);
  return String((from + to) / 2);
}

/** The leaves before the walk-round, all well. */
export async function fuelAndNothingNoticed(thumb: Thumb): Promise<void> {
  await thumb.tap('Fuel full');
  await thumb.tap('Was shut');
  await thumb.tap('Well');
  await thumb.tap('All of it');
  await thumb.tap('Nothing noticed');
}
