import { parseArgs } from 'node:util';
import { chromium } from '@playwright/test';
import config from '../playwright.config';
import { sayWalk } from './say';
import { SIZES, type Size } from './sizes';
import { Wanderer } from './wanderer';

/** A walk of so many minutes, by chance, at a size. */
const { values } = parseArgs({
  options: { seed: { type: 'string' }, minutes: { type: 'string' }, size: { type: 'string' } },
});
const seed = values.seed ?? '1';
const minutes = Number(values.minutes ?? '5');
const sizes: readonly Size[] = values.size === 'phone' || values.size === 'wide' ? [values.size] : ['phone', 'wide'];
const base = process.env['BASE_URL'] ?? '';
const browser = await chromium.launch(config.use?.launchOptions ?? {});
let failed = false;
for (const size of sizes) {
  const context = await browser.newContext({ viewport: SIZES[size], hasTouch: size === 'phone', baseURL: base });
  const wanderer = new Wanderer(await context.newPage(), context, base, seed, SIZES[size]);
  const walked = await wanderer.walk(Date.now() + (minutes * 60_000) / sizes.length);
  console.log(sayWalk(walked, seed, size));
  failed ||= walked.found.length > 0;
  await context.close();
}
await browser.close();
process.exit(failed ? 1 : 0);
