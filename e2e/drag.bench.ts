import type { BenchReply } from '@hudrik/core/contracts';
import { planBench } from '@hudrik/core/planning';
import { chromium } from '@playwright/test';
import config from './playwright.config';
import { signIn } from './yard';

/**
 * How smoothly a visit is dragged over the wide bench: the demo's visits, again and again until there are 200, planned, and one of them held
 * and moved for some seconds. Said: frames a second, and the longest frame.
 */
const VISITS = 200;
const SECONDS = 5;

function many(bench: BenchReply): BenchReply {
  const of = Array.from({ length: VISITS }, (_, at) => bench.visits[at % bench.visits.length]).filter((one) => !!one);
  const idOf = (at: number): string => String(900_000 + at);
  const visits = of.map((one, at) => ({ ...one, id: idOf(at), inHandBy: null, pinnedAt: null }));
  const asked = {
    ...bench.asked,
    visits: of.flatMap(({ id }, at) => {
      const one = bench.asked.visits.find((visit) => visit.id === id);
      return one ? [{ ...one, id: idOf(at), inHand: false, pinnedAt: null, seen: null }] : [];
    }),
  };
  const begin = performance.now();
  const plan = planBench(asked, { random: Math.random, spent: () => (performance.now() - begin) / 1000 });
  return { ...bench, visits, asked, plan, promises: [], advice: [], changes: [] };
}

const browser = await chromium.launch(config.use?.launchOptions ?? {});
const context = await browser.newContext({
  viewport: { width: 1280, height: 800 },
  baseURL: process.env['BASE_URL'] ?? '',
  serviceWorkers: 'block',
});
const page = await context.newPage();
let bars = 0;
await page.route('**/api/bench', async (route) => {
  const reply = await route.fetch();
  const bench = many((await reply.json()) as BenchReply);
  bars = bench.plan.visits.length;
  await route.fulfill({ response: reply, json: bench });
});
await signIn(page, 'Runa Veldt', '/bench');
const bar = page.getByRole('button', { name: /^[A-Z]{2}-\d+, / }).first();
await bar.waitFor();
await bar.scrollIntoViewIfNeeded();
const box = await bar.boundingBox();
if (!box) throw new Error('no bar');
await page.mouse.move(box.x + 8, box.y + 20);
await page.mouse.down();
await page.mouse.move(box.x + 40, box.y + 24, { steps: 4 });
await page.getByText(/^[A-Z]{2}-\d+ to .*: (costs|saves)/).waitFor();
// As text: what it says runs in the page, and knows no helper of a compiler's.
await page.evaluate(
  `globalThis.frames = []; globalThis.said = new Set();
   requestAnimationFrame(function frame(at) {
     frames.push(at);
     said.add([...document.querySelectorAll('[role=status]')].map((one) => one.textContent).join());
     requestAnimationFrame(frame);
   })`,
);
const until = Date.now() + SECONDS * 1000;
for (let at = 0; Date.now() < until; at++) {
  const along = 300 + 280 * Math.sin(at / 40);
  await page.mouse.move(box.x + along, box.y + 24 + 60 * Math.sin(at / 25));
}
const frames = await page.evaluate<number[]>('frames');
const prices = await page.evaluate<number>('said.size');
await page.keyboard.press('Escape');
await page.mouse.up();
await browser.close();
const gaps = frames.slice(1).map((at, nth) => at - (frames[nth] ?? 0));
const over = (frames.at(-1) ?? 0) - (frames[0] ?? 0);
const worst = [...gaps].sort((a, b) => b - a);
console.log(
  `a visit dragged over ${bars} planned ones, ${prices} places said with their price: ${((gaps.length / over) * 1000).toFixed(0)} frames a second (wanted: 50), p95 ${(worst[Math.floor(gaps.length / 20)] ?? 0).toFixed(0)} ms, longest ${(worst[0] ?? 0).toFixed(0)} ms`,
);
