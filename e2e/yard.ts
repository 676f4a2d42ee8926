import { expect, request as requests, type APIRequestContext, type Page } from '@playwright/test';
import config from './playwright.config';

export interface UnitSeen {
  readonly tag: string;
  readonly classId: string;
  readonly hoursToOilService: number;
  readonly nextHire: object | null;
  readonly verdict: { readonly readiness: string };
}

export async function signIn(page: Page, name: string, path = '/'): Promise<void> {
  await page.goto(path);
  await page.getByRole('button', { name: new RegExp(name) }).click();
  await expect(page.getByRole('navigation').or(page.getByText('Back').first()).first()).toBeVisible();
}

/** Tags from here on come to the yard in a test: their meter was read just now. */
const NEW_IN_A_TEST = 90;

/** A unit of the class in this readiness, with hours to spare before its service. */
export async function unitLike(
  request: APIRequestContext,
  classId: string,
  readiness: string,
  at = 0,
): Promise<UnitSeen> {
  const answer = (await (await request.get(`/api/units?class=${classId}&readiness=${readiness}`)).json()) as {
    units: UnitSeen[];
  };
  const fitting = answer.units.filter(
    (unit) => unit.hoursToOilService > 4 && unit.nextHire === null && Number(unit.tag.slice(3)) < NEW_IN_A_TEST,
  );
  const unit = fitting.at(at);
  if (unit === undefined) throw new Error(`No ${readiness} ${classId} to spare`);
  return unit;
}

/** The lead's own line to the server, past whatever befalls the page's. */
export async function asLead(): Promise<APIRequestContext> {
  const lead = await requests.newContext({ baseURL: config.use?.baseURL ?? '' });
  await lead.post('/api/session', { data: { personId: 1, pin: '4711' } });
  return lead;
}

/** A unit that no other test wants, put on the yard by the lead. Out: its tag. */
export async function freshUnit(classId: string): Promise<string> {
  const lead = await asLead();
  const { models } = (await (await lead.get('/api/models')).json()) as { models: { id: number; classId: string }[] };
  const model = models.find((entry) => entry.classId === classId);
  const { units } = (await (await lead.get(`/api/units?class=${classId}&limit=200`)).json()) as { units: UnitSeen[] };
  const letters = units[0]?.tag.slice(0, 2) ?? 'GE';
  const tag = `${letters}-${Math.max(NEW_IN_A_TEST + 50, ...units.map((unit) => Number(unit.tag.slice(3)))) + 1}`;
  const answer = await lead.post('/api/units', {
    data: { tag, modelId: model?.id, serial: `T-${tag}`, homeBay: 'North 1', meterReading: 210, meterOffset: 0 },
  });
  expect(answer.status()).toBe(201);
  await lead.dispose();
  return tag;
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
    await thumb.tap(/^(All good here|The rest is good|Next)$/);
    stations++;
    await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(before);
  }
  return { stations, safety };
}

/** The leaves before the walk-round, all well. */
export async function fuelAndNothingNoticed(thumb: Thumb): Promise<void> {
  await thumb.tap('Fuel full');
  await thumb.tap('Was shut');
  await thumb.tap('Well');
  await thumb.tap('All of it');
  await thumb.tap('Nothing noticed');
}
