import { expect, test, type Page } from './test';
import { asLead, enter, signIn, unitWithJob } from './yard';

/** Sheets and forms to write in: where, what opens it, and its field. */
const WRITTEN: readonly (readonly [path: string, opens: readonly string[], field: string | RegExp])[] = [
  ['/u/GE-03', ['Write a note'], /./],
  ['/fuel', ['Open Can 1'], 'Litres'],
  ['/people', [], 'Name'],
  ['/hires', ['Book a hire'], 'Reference'],
  ['/parts', ['Add a part'], /./],
  ['/settings', [], /./],
  ['/models/1', [], /./],
];

/** Everything that is on the screen is asked for anew, three times, and each answer comes late. */
async function readAnew(page: Page, baseURL: string): Promise<void> {
  const lead = await asLead(baseURL);
  for (let n = 0; n < 3; n++) {
    const answered = page.waitForResponse((response) => response.url().includes('/api/') && response.ok());
    await enter(lead, { tag: 'GE-03' }, 'note', { text: `Looked at it, ${n}` });
    await page.evaluate(() => {
      window.dispatchEvent(new Event('focus'));
      document.dispatchEvent(new Event('visibilitychange'));
    });
    await answered;
    await page.waitForTimeout(400);
  }
  await lead.dispose();
}

/** Written down, and there still when everything was read anew. */
async function mustOutlive(page: Page, url: string, field: string | RegExp): Promise<void> {
  const box = page.getByRole('textbox', { name: field }).last();
  await expect(box).toBeVisible();
  await box.fill('7');
  await page.route('**/api/**', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 250));
    await route.continue().catch(() => undefined);
  });
  await readAnew(page, url);
  await expect(box).toHaveValue('7');
}

for (const [path, opens, field] of WRITTEN)
  test(`what is written in ${[path, ...opens].join(', ')} outlives every reading @phone`, async ({ page, server }) => {
    await signIn(page, 'Runa Veldt', path);
    for (const name of opens) await page.getByRole('button', { name }).first().click();
    await mustOutlive(page, server.url, field);
  });

/** On a card that is being worked on. */
const ON_CARD: readonly (readonly [opens: string, field: string | RegExp])[] = [
  ['Ask for a part', /^Part number/],
  ['Something else came off', /./],
  ['Hand it on', 'What is done, what is next'],
];
for (const [opens, field] of ON_CARD)
  test(`what is written on a card in ${opens} outlives every reading @phone`, async ({ page, server }) => {
    const { jobId } = await unitWithJob(server, 'generator', { kind: 'repair', title: 'Mend the hose' });
    const lead = await asLead(server.url);
    await enter(lead, { jobId }, 'job-started', {});
    await lead.dispose();
    await signIn(page, 'Runa Veldt', `/j/${jobId}`);
    await page.getByRole('button', { name: opens }).first().click();
    await mustOutlive(page, server.url, field);
  });
