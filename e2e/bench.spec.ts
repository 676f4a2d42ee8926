import { expect, test, type Page } from './test';
import type { BenchReply } from '@hudrik/core/contracts';
import { jsonOf, signIn } from './yard';

const dragged = (page: Page) => page.getByRole('button', { name: /^LS-05,/ }).first();

/** A lane that something at this height does not lie in. */
async function otherLane(page: Page, y: number) {
  for (const name of ['Runa Veldt', 'Maren Askild']) {
    const lane = await page.getByText(name, { exact: true }).last().boundingBox();
    if (lane && Math.abs(lane.y - y) > 60) return lane;
  }
  return null;
}

/** A busy machine hears the arrows a moment after it was taken up. */
const pushUntilHeard = (page: Page): Promise<void> =>
  expect(async () => {
    await page.keyboard.press('ArrowRight');
    await expect(page.getByText(/^LS-05 to .*: (costs|saves)/)).toBeVisible({ timeout: 700 });
  }).toPass();

async function open(page: Page): Promise<void> {
  await signIn(page, 'Runa Veldt', '/bench');
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/\d+ units, .* of work\./);
}

test('a visit is dragged to other hands, its price said before it is put down, and put back @wide', async ({
  page,
}) => {
  await open(page);
  const bar = dragged(page);
  await bar.scrollIntoViewIfNeeded();
  const box = await bar.boundingBox();
  const lane = box && (await otherLane(page, box.y));
  if (!box || !lane) throw new Error('no bar');
  await page.mouse.move(box.x + 8, box.y + 20);
  await page.mouse.down();
  await page.mouse.move(box.x + 40, box.y + 22, { steps: 4 });
  await page.mouse.move(box.x + 180, lane.y + 14, { steps: 8 });
  await expect(page.getByText(/^LS-05 to .* at .*: (costs|saves)/)).toBeVisible();
  await page.mouse.up();
  await expect(page.getByText('LS-05 was put by hand.')).toBeVisible();
  await dragged(page).click();
  await expect(page.getByText(/^Put there by hand/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('LS-05 was put by hand.')).toBeHidden();
  await expect(page.getByText(/^Put there by hand/)).toBeHidden();
});

test('the same by the keyboard alone; Escape leaves it where it was @wide', async ({ page }) => {
  await open(page);
  await dragged(page).focus();
  await page.keyboard.press('Space');
  await pushUntilHeard(page);
  await page.keyboard.press('Escape');
  await expect(page.getByText(/^Drag a visit to move it/)).toBeVisible();
  await dragged(page).focus();
  await page.keyboard.press('Space');
  await pushUntilHeard(page);
  for (let push = 0; push < 8; push++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Space');
  await expect(page.getByText('LS-05 was put by hand.')).toBeVisible();
});

test('my next with why; a lead puts one to a person; who is away is planned without @phone', async ({ page }) => {
  await open(page);
  const row = page.getByRole('button', { name: /^PW-04[:,]/ }).first();
  await row.scrollIntoViewIfNeeded();
  await row.click();
  await page.getByRole('button', { name: 'Who does PW-04, and when' }).click();
  await page.getByRole('group', { name: 'Who does it' }).getByText('Maren Askild').click();
  await page.getByRole('button', { name: 'Put it there' }).click();
  await expect(page.getByText('PW-04 was put by hand.')).toBeAttached();
  await page.goto('/hours');
  await page.getByRole('button', { name: 'Maren Askild will be away' }).click();
  await page.getByRole('button', { name: 'Plan without' }).click();
  await expect(page.getByText(/^Away /)).toBeVisible();
  await page.getByRole('button', { name: /^Maren Askild is not away/ }).click();
  await expect(page.getByText(/^Away /)).toBeHidden();
});

test('a hire that comes in changes the plan, and the bench says why @wide', async ({ page }) => {
  await open(page);
  const bench = await jsonOf<BenchReply>(await page.request.get('/api/bench'));
  // One that nobody waits for yet, whatever day it is.
  const line = bench.visits.find(({ hire, state }) => hire === null && state !== 'proof');
  expect(line).toBeDefined();
  const { tag, classId } = line ?? { tag: '', classId: '' };
  const hour = 3_600_000;
  const day = Math.ceil(Date.now() / (24 * hour)) * 24 * hour;
  // What changed is told against the plan before: another change at that moment takes its place. Then a hire that comes in still sooner.
  let sooner = 0;
  await expect(async () => {
    const from = day + (200 - 30 * sooner++) * hour;
    const booked = await page.request.post('/api/hires', {
      data: {
        ...{ reference: `N-${Date.now()}`, classId, tag, sure: true },
        fromAt: new Date(from).toISOString(),
        toAt: new Date(from + 10 * hour).toISOString(),
      },
      headers: { 'idempotency-key': crypto.randomUUID() },
    });
    expect(booked.status()).toBe(201);
    await page.reload();
    await expect(page.getByText(/^The plan changed: /)).toBeVisible({ timeout: 8000 });
  }).toPass({ timeout: 60_000 });
  const row = page.getByRole('button', { name: new RegExp(`^${tag}[:,]`) }).first();
  // A plan that arrives meanwhile draws the lanes anew: the row is then another one.
  await expect(async () => {
    await row.click({ timeout: 3000 });
    await expect(page.getByText(/Goes out /).first()).toBeAttached({ timeout: 3000 });
  }).toPass({ timeout: 30_000 });
});
