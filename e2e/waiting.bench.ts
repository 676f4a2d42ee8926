import { randomUUID } from 'node:crypto';
import { chromium } from '@playwright/test';
import config from './playwright.config';
import { jsonOf, signIn } from './yard';

/**
 * How long a device takes to send what waits on it, on the page of the unit that all of it is about: a hundred notes, and four times as many. Said:
 * milliseconds for each. It must not grow with how many wait.
 */
const browser = await chromium.launch(config.use?.launchOptions ?? {});
const baseURL = process.env['BASE_URL'] ?? '';

async function sending(count: number): Promise<number> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, baseURL, serviceWorkers: 'block' });
  const page = await context.newPage();
  await signIn(page, 'Ivo Tarnwell', '/');
  const { units } = await jsonOf<{ units: { tag: string }[] }>(await page.request.get('/api/units?limit=1'));
  const rows = Array.from({ length: count }, () => ({
    ...{ id: randomUUID(), maker: { id: 2, name: 'Ivo Tarnwell' }, madeAt: new Date().toISOString() },
    ...{ on: { tag: units[0]?.tag ?? '' }, what: 'entry', kind: 'standing-note' },
    facts: { text: 'The left bolt of the shroud: leave it', places: ['check-in'] },
    ...{ state: 'waiting', sender: null, problem: null, settledAt: null, answer: null, isKept: true },
  }));
  const read = `new Promise((resolve) => {
    const open = indexedDB.open('hudrik-outbox');
    open.onsuccess = () => {
      const all = open.result.transaction('items').objectStore('items').getAll();
      all.onsuccess = () => (open.result.close(), resolve(all.result.filter((row) => row.state === 'waiting').length));
    };
  })`;
  await page.evaluate(
    `new Promise((resolve) => {
      const open = indexedDB.open('hudrik-outbox');
      open.onsuccess = () => {
        const write = open.result.transaction('items', 'readwrite');
        for (const row of ${JSON.stringify(rows)}) write.objectStore('items').add(row);
        write.oncomplete = () => (open.result.close(), resolve());
      };
    })`,
  );
  const began = performance.now();
  await page.goto(`/u/${units[0]?.tag}`);
  while (((await page.evaluate(read)) as number) > 0) await page.waitForTimeout(250);
  const took = performance.now() - began;
  await context.close();
  return took / count;
}

const few = await sending(100);
const many = await sending(400);
await browser.close();
console.log(
  `what waits, sent one after the other on its unit’s page: ${few.toFixed(0)} ms each of 100, ${many.toFixed(0)} ms each of 400 (${(many / few).toFixed(2)}; wanted 1.5 at most)`,
);
