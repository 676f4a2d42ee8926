import { expect, test } from '@playwright/test';
import { startWorkerServer } from './server';
import { CEILINGS } from './wander/ceilings';
import { sayWalk } from './wander/say';
import { SIZES } from './wander/sizes';
import { wrongWith } from './wander/looks';
import { Wanderer } from './wander/wanderer';

const SEED = '11';
const WALK_MS = 45_000;

test('nobody steers: 45 seconds of tapping anything, as anybody, break nothing @phone', async ({ page, context }) => {
  // A yard of its own: whatever is tapped is done.
  const [postgresUrl = '', template = ''] = [process.env['POSTGRES_URL'], process.env['YARD_TEMPLATE']];
  const server = await startWorkerServer(postgresUrl, template, `hudrik_wander_${process.pid}`);
  try {
    const wanderer = new Wanderer(page, context, server.url, SEED, SIZES.phone);
    const walked = await wanderer.walk(Date.now() + WALK_MS);
    expect(walked.found.length === 0 ? '' : sayWalk(walked, SEED, 'phone')).toBe('');
    expect(walked.steps).toBeGreaterThan(20);
    expect([...walked.small].length, [...walked.small].join('\n')).toBeLessThanOrEqual(CEILINGS.small);
    expect([...walked.rules].length, [...walked.rules].join('\n')).toBeLessThanOrEqual(CEILINGS.rules);
  } finally {
    await server.stop();
  }
});

test('what is wrong with a page is seen: each of these, and nothing on one that is well @phone', async ({ page }) => {
  const main = '<div role="button" data-testid="main-action" style="height:48px">Go on</div>';
  const seen = async (body: string): Promise<string> => {
    await page.setContent(`<body style="margin:0">${body}</body>`);
    return (await wrongWith(page)).join('; ');
  };
  expect(await seen(`<h1>Shift</h1>${main}`)).toBe('');
  expect(await seen(main)).toBe('no heading');
  expect(await seen('<h1>Shift</h1>')).toBe('no way on');
  expect(await seen(`<h1>Shift</h1>${main}${main}`)).toBe('2 main actions: Go on | Go on');
  expect(await seen(`<h1>This screen cannot be shown.</h1>${main}`)).toBe('an error screen');
  expect(await seen(`<h1>NaN hours</h1>${main}`)).toMatch(/^a value that is none/);
  expect(await seen(`<h1 style="width:600px">Shift</h1>${main}`)).toMatch(
    /^wider than the window by 210; beyond the edge/,
  );
  expect(
    await seen(
      `<h1>Shift</h1>${main}<span style="display:block;width:20px;overflow:hidden;white-space:nowrap">Long words</span>`,
    ),
  ).toBe('cut: Long words');
  // Under a sheet the page may have its own main action.
  expect(await seen(`<h1>Shift</h1>${main}<div role="dialog" aria-modal="true">${main}</div>`)).toBe('');
});
