import path from 'node:path';
import { folderOf } from '@hudrik/core/catalogue';
import { chromium, type Browser, type Page } from '@playwright/test';
import config from './playwright.config';
import { enter, fuelAndNothingNoticed, hoursAfter, signIn, Thumb, walkRound, jsonOf } from './yard';

const folder = process.argv[2] ?? '.';
const SIZES = { phone: { width: 390, height: 844 }, wide: { width: 1280, height: 800 } } as const;

async function open(browser: Browser, size: keyof typeof SIZES): Promise<Page> {
  const context = await browser.newContext({
    viewport: SIZES[size],
    baseURL: process.env['BASE_URL'] ?? '',
    serviceWorkers: 'block',
  });
  const page = await context.newPage();
  await signIn(page, 'Runa Veldt');
  return page;
}

const keep = async (page: Page, name: string): Promise<void> => {
  await page.waitForLoadState('networkidle');
  await page.waitForTimeout(600);
  await page.screenshot({ path: path.join(folder, `${name}.png`) });
};

async function screens(page: Page, size: string, paths: Readonly<Record<string, string>>): Promise<void> {
  for (const [name, address] of Object.entries(paths)) {
    await page.goto(address);
    await keep(page, `${name}-${size}`);
  }
}

/** A return in which the oil is over-full and smells of fuel, up to its verdict. */
async function heldReturn(page: Page): Promise<void> {
  const thumb = new Thumb(page);
  await page.goto('/u/PW-05/check-in');
  await page.keyboard.type(await hoursAfter(page, 6.4));
  await thumb.tap('Next');
  await fuelAndNothingNoticed(thumb);
  for (const [check, found] of [
    [/^Oil at the mark/, 'Over-full'],
    [/^Oil clean/, 'Smells of fuel'],
  ] as const) {
    await thumb.tap(check);
    await thumb.tap(found);
    await thumb.tap('Save');
  }
  await walkRound(thumb);
  await keep(page, 'check-in-verdict-phone');
}

/** The job of a unit that is at the bench. */
async function cardOf(page: Page, tag: string): Promise<string> {
  const { jobs } = await jsonOf<{ jobs: { id: string }[] }>(await page.request.get(`/api/jobs?tag=${tag}`));
  return jobs[0]?.id ?? '';
}

/** A proof half run, the load bank at half load. */
async function proof(page: Page, name: string): Promise<void> {
  const job = { kind: 'repair', title: 'New brushes', minutes: 40, blocks: 'hold' };
  const { jobId } = await enter(page.request, { tag: 'GE-04' }, 'job-raised', job);
  const [{ figure }] = folderOf('generator').proof.loads;
  const loadFigure = { value: (figure.least + figure.most) / 2, unit: figure.unit };
  for (const [kind, facts] of [
    ['to-proof', {}],
    ['leak-look', { dry: true, note: '' }],
    ['proof-load', { load: 'load-bank', figure: loadFigure }],
    ['run-started', {}],
    ['smoke', { clear: true }],
    ['proof-reading', { reading: 'hertz-0', value: 62.1, live: true }],
    ['proof-reading', { reading: 'volts-0', value: 120.4, live: true }],
  ] as const) {
    await enter(page.request, { jobId }, kind, facts);
  }
  await page.goto(`/j/${jobId}/proof`);
  await page.getByRole('button', { name: '50 %' }).click();
  await page.waitForTimeout(6000);
  // The readings never stop coming: there is no idle network to wait for.
  await page.screenshot({ path: path.join(folder, `${name}.png`) });
}

/** A finding a few readings on, with one on its gauge. */
async function finding(page: Page, name: string): Promise<void> {
  await page.goto('/u/SN-06/find');
  await page.getByText('Seen so far').waitFor();
  await page.waitForTimeout(4000);
  await keep(page, name);
}

const browser = await chromium.launch(config.use?.launchOptions ?? {});
const phone = await open(browser, 'phone');
await screens(phone, 'phone', { shift: '/', bench: '/bench', unit: '/u/GE-03' });
const jobId = await cardOf(phone, 'GE-07');
await screens(phone, 'phone', { card: `/j/${jobId}`, 'put-back': `/j/${jobId}/back`, ways: `/j/${jobId}/ways` });
await heldReturn(phone);
await finding(phone, 'find-phone');
await screens(phone, 'phone', { fuel: '/fuel', service: '/service', 'set-up': '/set-up' });
const wide = await open(browser, 'wide');
await screens(wide, 'wide', {
  yard: '/yard',
  unit: '/u/SN-06',
  bench: '/bench',
  card: `/j/${jobId}`,
  hires: '/hires',
  'lay-up': '/lay-up',
});
await proof(wide, 'proof-wide');
await finding(wide, 'find-wide');
await browser.close();
