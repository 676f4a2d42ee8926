import { createHash, randomUUID } from 'node:crypto';
import { expect, test, type Locator, type Page } from './test';
import type { WorkerServer } from './server';
import { asLead, enter, freshUnit, laterInProof, signIn, jsonOf, untilTaken } from './yard';
import { nth } from '@hudrik/core/typed';

interface HistoryPage {
  readonly records: readonly {
    readonly kind: string;
    readonly facts: { readonly what?: string; readonly action?: string };
    readonly outcome: { readonly what?: string };
  }[];
  readonly next: string | null;
}

/** A held generator with a confirmed cause. Out: its tag and its job. */
async function heldWithCause(page: Page, server: WorkerServer): Promise<{ tag: string; jobId: string }> {
  const tag = await freshUnit(server, 'generator');
  const machine = { engine: {}, past: {} };
  const { id } = await enter(page.request, { tag }, 'finding-opened', { machine });
  const causes = { causes: ['main-jet-blocked'], note: '' };
  const { jobId } = await enter(page.request, { findingId: id }, 'causes-confirmed', causes);
  return { tag, jobId };
}

/** A picture, as a phone's camera would hand it over. */
async function photo(page: Page) {
  const url = await page.evaluate(() => {
    const canvas = Object.assign(document.createElement('canvas'), { width: 800, height: 600 });
    const pen = canvas.getContext('2d');
    pen?.fillRect(200, 150, 400, 300);
    return canvas.toDataURL('image/png');
  });
  return {
    name: 'air-filter.png',
    mimeType: 'image/png',
    buffer: Buffer.from(url.slice(url.indexOf(',') + 1), 'base64'),
  };
}

async function drag(
  page: Page,
  on: Locator,
  from: readonly [number, number],
  to: readonly [number, number],
): Promise<void> {
  const box = await on.boundingBox();
  if (box === null) throw new Error('Nothing to draw on');
  await page.mouse.move(box.x + box.width * from[0], box.y + box.height * from[1]);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * to[0], box.y + box.height * to[1], { steps: 4 });
  await page.mouse.up();
}

/** An order's id with which the simulated supplier is late: which orders are goes by their key. */
function lateId(): string {
  for (;;) {
    const id = randomUUID();
    if (createHash('sha256').update(`late ${id}`).digest().readUInt32BE(0) % 3 === 0) return id;
  }
}

const THINGS = [
  'Air filter and its cover',
  'Air box',
  'Fuel hose',
  'Choke link',
  'Governor link and its spring',
  'Carburettor',
];
const button = (page: Page, name: string | RegExp) =>
  page.getByRole('button', { name, ...(typeof name === 'string' ? { exact: true } : {}) });

test(
  'from a cause to a unit that is fit again: taken apart, a part late, put back, proven on the load bank, all of it told',
  { tag: '@phone' },
  async ({ page, server }) => {
    test.setTimeout(300_000);
    await signIn(page, 'Ivo Tarnwell');
    const { tag, jobId } = await heldWithCause(page, server);
    await page.goto(`/u/${tag}`);
    await expect(page.getByText(/^Held: /).first()).toBeVisible();
    await button(page, /^Card: /)
      .first()
      .click();
    await button(page, /^Start work on it/).click();
    await expect(page.getByRole('checkbox', { name: 'Clear the main jet' })).toBeVisible();

    // Six things off, the first with a photo that is marked.
    await button(page, 'A known teardown').click();
    await page.getByRole('dialog').getByRole('button', { name: 'Carburettor off' }).click();
    await button(page, `Off: ${THINGS[0]}`).click();
    await page
      .getByLabel('Photo file')
      .first()
      .setInputFiles(await photo(page));
    const canvas = page.getByLabel('Draw here');
    await drag(page, canvas, [0.2, 0.2], [0.6, 0.6]);
    await page.getByRole('dialog').getByRole('button', { name: 'Number' }).click();
    await drag(page, canvas, [0.7, 0.3], [0.7, 0.3]);
    await page.getByRole('dialog').getByRole('button', { name: 'Circle' }).click();
    await drag(page, canvas, [0.5, 0.5], [0.6, 0.5]);
    await button(page, 'Undo the last mark').click();
    await button(page, 'Save the marks').click();
    for (const thing of THINGS.slice(1)) await button(page, `Off: ${thing}`).click();
    await button(page, 'How it sat').click();
    await button(page, 'A whole turn more').click();
    await button(page, 'A quarter turn more').click();
    await page.getByRole('dialog').getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByText('1¼ turns out from lightly seated')).toBeVisible();
    await page.reload();
    await expect(button(page, 'Put back: 6 to go')).toBeVisible();
    const kept = await jsonOf<{
      entries: { kind: string; facts: { marks?: unknown[] } }[];
    }>(await page.request.get(`/api/jobs/${jobId}/card`));
    expect(kept.entries.findLast((entry) => entry.kind === 'photo-marked')?.facts.marks).toHaveLength(2);

    // A part by an old number: today's is ordered, late, and arrives; the card sleeps meanwhile.
    await button(page, 'Ask for a part').click();
    await page.getByLabel('Part number, today’s or any earlier one').fill('TV-2040');
    await button(page, 'Ask the supplier').click();
    await expect(page.getByText(/Carburettor, complete: \$54\.00, delivered in 4 days/)).toBeVisible();
    await button(page, 'Ask for it').click();
    await page.route('**/api/orders', async (route) =>
      route.continue(
        route.request().method() === 'POST'
          ? { postData: JSON.stringify({ ...route.request().postDataJSON(), id: lateId() }) }
          : {},
      ),
    );
    await button(page, 'Order it').click();
    await expect(page.getByText(/^on order, expected/)).toBeVisible();
    await button(page, 'Wait for parts').click();
    await expect(page.getByRole('status').filter({ hasText: /^Waits for a part$/ })).toBeVisible();
    await page.unroute('**/api/orders');
    await page.goto('/parts');
    const order = page.getByText('1 × TV-2040', { exact: false }).locator('xpath=ancestor::*[.//*[@role="button"]][1]');
    await expect(async () => {
      await order.getByRole('button', { name: 'Ask the supplier now' }).click();
      await expect(order.getByText(/late, now expected/)).toBeVisible({ timeout: 1500 });
    }).toPass({ timeout: 90_000, intervals: [500] });
    await order.getByRole('button', { name: 'It has arrived' }).click();
    await page.goto(`/j/${jobId}`);
    await expect(page.getByRole('status').filter({ hasText: /^On the bench$/ })).toBeVisible();
    await button(page, 'Used: Carburettor, complete').click();
    await expect(page.getByText('used', { exact: true })).toBeVisible();

    // A reading; psi typed as kPa is noticed and offered.
    await button(page, 'Take a reading').click();
    await button(page, 'compression').click();
    await page.getByRole('dialog').getByRole('button', { name: 'kPa' }).click();
    await page.getByLabel('Gauge, kPa').fill('95');
    await button(page, 'It was psi').click();
    await button(page, /^Take it: /).click();
    await expect(page.getByText(/^Before: 95 psi/)).toBeVisible();

    // Put back, one left off on purpose: refused.
    await button(page, 'Put back: 6 to go').click();
    for (const thing of [...THINGS].reverse().slice(0, 5)) {
      await expect(page.getByRole('status').filter({ hasText: thing })).toBeVisible();
      await button(page, 'It is back on').click();
    }
    await expect(page.getByRole('status').filter({ hasText: nth(THINGS, 0) })).toBeVisible();
    await button(page, 'To the card').click();
    await expect(button(page, 'Prove it: parts are still off')).toBeDisabled();
    const tooSoon = { id: randomUUID(), jobId, kind: 'to-proof', facts: {} };
    expect((await page.request.post('/api/log', { data: tooSoon })).status()).toBe(409);
    await button(page, 'Put back: 1 to go').click();
    await button(page, 'It is back on').click();
    await expect(page.getByText('Nothing is left over.')).toBeVisible();
    await button(page, 'To the card').first().click();
    for (const step of await page.getByRole('checkbox').all())
      if ((await step.getAttribute('aria-checked')) === 'false') await step.click();

    // The proof, on the simulated load bank.
    // The last tick moves the button: on a busy machine a tap can fall beside it.
    await expect(async () => {
      await button(page, 'Prove it').click({ timeout: 3000 });
      await expect(page.getByRole('heading', { level: 1 })).toHaveText(/First look for leaks/, { timeout: 5000 });
    }).toPass({ timeout: 40_000 });
    await button(page, 'Fuel on: dry').click();
    await button(page, 'Load bank, in steps to rated').click();
    await page.getByRole('dialog').getByRole('textbox').fill('5000');
    await button(page, 'It is set').click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Not run yet: 20 minutes/);
    await button(page, 'It runs: start the time').click();
    await button(page, 'Exhaust clear').click();
    await untilTaken(page, jobId, 'smoke');
    await laterInProof(server, tag, 21);
    await page.reload();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(/The time is complete/);
    for (const load of ['0 %', '50 %', '100 %']) {
      await page.getByRole('group', { name: 'Load step' }).getByRole('button', { name: load, exact: true }).click();
      await expect(page.getByText(/r\/min$/).first()).toBeVisible();
      await button(page, 'Take these 2 readings').click();
    }
    await page.getByRole('group', { name: 'Load step' }).getByRole('button', { name: 'Off', exact: true }).click();
    await button(page, 'Stop the run').click();
    await expect(page.getByText('When the whole time is run and it is stopped.')).toHaveCount(0);
    for (const right of await page.getByRole('button', { name: 'Right', exact: true }).all()) await right.click();
    await expect(page.getByText(/within G[123] of ISO 8528-5/)).toBeVisible();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('It has passed. Sign it.');
    await button(page, 'Passed').click();
    const sheet = page.getByRole('dialog');
    await sheet.getByLabel(/^What was done/).fill('New carburettor');
    await expect(button(page, /^Passed: sign/)).toBeDisabled();
    for (const look of await sheet.getByRole('checkbox').all()) await look.click();
    await button(page, /^Passed: sign/).click();
    await expect(page.getByText(`${tag}: proven.`)).toBeVisible();
    await button(page, `See ${tag}`).click();
    await expect(page.getByText('Fit for hire.').first()).toBeVisible();
    await expect(page.getByText(/^Done: /).first()).toBeAttached();
    // The history tells the whole story, in its order.
    const told: string[] = [];
    for (let cursor: string | null = ''; cursor !== null;) {
      const { records, next }: HistoryPage = await jsonOf<HistoryPage>(
        await page.request.get(`/api/units/${tag}/history?limit=100${cursor ? `&cursor=${cursor}` : ''}`),
      );
      told.unshift(
        ...records
          .map((record) =>
            `${record.kind} ${record.facts.what ?? record.facts.action ?? record.outcome.what ?? ''}`.trim(),
          )
          .reverse(),
      );
      cursor = next;
    }
    const story = [
      'causes-confirmed',
      'hands-on',
      'taken-off Fuel hose',
      'part-ordered',
      'paused',
      'part-late',
      'part-arrived',
      'resumed',
      'part-line-changed use',
      'reading',
      'put-back Fuel hose',
      'to-proof',
      'proof-reading',
      'proved',
      'job-finished',
    ];
    expect(story.map((kind) => told.indexOf(kind))).toEqual(
      story.map((kind) => told.indexOf(kind)).sort((a, b) => a - b),
    );
    expect(story.filter((kind) => !told.includes(kind))).toEqual([]);
  },
);

test(
  'a clock stands on every screen, outlives a reload, and its result is asked for',
  { tag: '@phone' },
  async ({ page, server }) => {
    await signIn(page, 'Maren Askild');
    const { jobId } = await heldWithCause(page, server);
    await page.goto(`/j/${jobId}`);
    await button(page, 'Start a clock').click();
    await page.getByRole('dialog').getByRole('button', { name: 'Carburettor bath' }).click();
    await page.getByLabel('Minutes').fill('nine');
    await expect(page.getByText('Whole minutes, up to two weeks.')).toBeVisible();
    await page.getByLabel('Minutes').fill('9');
    await expect(page.getByText('Shorter than usual wants a reason.')).toBeVisible();
    await page.getByLabel('Why shorter than usual').fill('Only the jet');
    await button(page, 'Start: 9 min').click();
    await expect(
      page
        .getByRole('timer')
        .filter({ hasText: /^8:\d\d$/ })
        .first(),
    ).toBeVisible();
    await page.goto('/yard');
    await expect(page.getByRole('button', { name: /Carburettor bath: / }).first()).toBeVisible();
    await page.reload();
    await page
      .getByRole('button', { name: /Carburettor bath: / })
      .first()
      .click();
    await page
      .getByRole('group', { name: 'Result of carburettor bath' })
      .getByRole('button', { name: 'Still gummed' })
      .click();
    await expect(page.getByText('Carburettor bath: still gummed').first()).toBeVisible();
  },
);

test(
  'without a connection the card goes on; what waits is sent after, what somebody else did first is said',
  { tag: '@phone' },
  async ({ page, context, server }) => {
    await signIn(page, 'Ivo Tarnwell');
    const { jobId } = await heldWithCause(page, server);
    await page.goto(`/j/${jobId}`);
    await button(page, /^Start work on it/).click();
    // The steps are laid by the server and push what is below them down.
    await expect(page.getByRole('checkbox').first()).toBeVisible();
    await button(page, 'A known teardown').click();
    await page.getByRole('dialog').getByRole('button', { name: 'Carburettor off' }).click();
    await button(page, 'Off: Fuel hose').click();
    await expect(page.getByText(/not sent yet/)).toHaveCount(0);
    const { entries } = await jsonOf<{
      entries: { kind: string; facts: { thingId?: string } }[];
    }>(await page.request.get(`/api/jobs/${jobId}/card`));
    const thingId = entries.find((entry) => entry.kind === 'taken-off')?.facts.thingId ?? '';
    await button(page, 'Put back: 1 to go').click();
    await context.setOffline(true);
    await button(page, 'It is back on').click();
    await expect(page.getByText('Nothing is left over.')).toBeVisible();
    await expect(page.getByText('One entry is not sent yet.')).toBeVisible();
    const lead = await asLead(server.url);
    await enter(lead, { jobId }, 'replaced', { thingId, part: 'New hose', forTrial: false });
    await lead.dispose();
    await context.setOffline(false);
    await expect(page.getByText('Not taken: Back on: Fuel hose.')).toBeVisible({ timeout: 20_000 });
    await expect(page.getByText('Fuel hose: replaced already. Somebody changed it meanwhile.')).toBeVisible();
    await button(page, 'Dismiss').click();
    await expect(page.getByText('Not taken: Back on: Fuel hose.')).toHaveCount(0);
  },
);
