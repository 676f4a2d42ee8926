import { expect, test, type Page } from './test';
import { asLead, freshUnit, jsonOf, signIn, unitWithJob } from './yard';

/** The page is gone in the same breath as the tap. */
async function tapAndLeave(page: Page, name: string | RegExp): Promise<void> {
  const button = page.getByRole('button', { name, disabled: false }).last();
  await expect(button).toBeVisible();
  await button.evaluate((node) => {
    (node as HTMLElement).click();
    location.href = 'about:blank';
  });
  await page.waitForURL('about:blank');
}

test('a tap that is followed by leaving the page is not lost: an entry @phone', async ({ page, server }) => {
  const tag = await freshUnit(server, 'generator');
  await signIn(page, 'Runa Veldt', `/u/${tag}`);
  await page.getByRole('button', { name: 'Write a note' }).click();
  await page.locator('[aria-modal=true]').getByRole('textbox').first().fill('Left at once');
  await tapAndLeave(page, 'Save the note');
  await page.goto('/');
  const lead = await asLead(server.url);
  const history = async () => JSON.stringify(await jsonOf(await lead.get(`/api/units/${tag}/history?limit=20`)));
  await expect.poll(history).toContain('Left at once');
  await lead.dispose();
});

test('a tap that is followed by leaving the page is not lost: a change that is no entry @phone', async ({
  page,
  server,
}) => {
  await signIn(page, 'Runa Veldt', '/fuel');
  const lead = await asLead(server.url);
  const litres = async () =>
    (await jsonOf<{ cans: { name: string; litres: number }[] }>(await lead.get('/api/fuel'))).cans.find(
      (can) => can.name === 'Can 1',
    )?.litres ?? 0;
  const before = await litres();
  await page.getByRole('button', { name: 'Open Can 1' }).click();
  await page.getByRole('textbox', { name: 'Litres' }).fill('1,5');
  await tapAndLeave(page, 'So many were bought into it');
  await page.goto('/');
  await expect.poll(litres).toBeCloseTo(before + 1.5, 5);
  // Once, however often the page that comes after sends it.
  await page.reload();
  await page.waitForTimeout(1500);
  expect(await litres()).toBeCloseTo(before + 1.5, 5);
  await lead.dispose();
});

test('a tap that is followed by leaving the page is not lost: work is begun on a card @phone', async ({
  page,
  server,
}) => {
  const { jobId } = await unitWithJob(server, 'generator', { kind: 'repair', title: 'Mend the hose' });
  await signIn(page, 'Runa Veldt', `/j/${jobId}`);
  await tapAndLeave(page, /^Start work on it/);
  await page.goto('/');
  const lead = await asLead(server.url);
  const begun = async () =>
    (await jsonOf<{ job: { state: string } }>(await lead.get(`/api/jobs/${jobId}/card`))).job.state;
  await expect.poll(begun).toBe('open');
  await lead.dispose();
});

test('what needs a connection holds the page until it is taken: a hire is booked @phone', async ({ page, server }) => {
  await signIn(page, 'Lise Borrowby', '/hires');
  await page.getByRole('button', { name: 'Book a hire' }).first().click();
  await page.getByRole('textbox', { name: 'Reference' }).fill('LEFT-1');
  const inDays = (days: number): string => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 16);
  await page.getByLabel('From').fill(inDays(9));
  await page.getByLabel('To', { exact: true }).fill(inDays(10));
  await page.route('**/api/hires', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await route.continue();
  });
  await page.getByRole('button', { name: 'Book it' }).click();
  await expect(page.getByRole('button', { name: 'Booking…' })).toBeVisible();
  const asked = page.waitForEvent('dialog');
  await page.close({ runBeforeUnload: true });
  const dialog = await asked;
  expect(dialog.type()).toBe('beforeunload');
  await dialog.dismiss();
  const lead = await asLead(server.url);
  const isBooked = async () => (await (await lead.get('/api/hires')).text()).includes('LEFT-1');
  await expect.poll(isBooked).toBe(true);
  await lead.dispose();
});
