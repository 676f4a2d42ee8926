import { expect, test } from './test';
import { signIn } from './yard';

test('a lead lets a phone in by a code, once; put out, it is signed out and asks for a code again @phone', async ({
  page,
  browser,
  baseURL,
}) => {
  await signIn(page, 'Runa Veldt', '/access');
  await page.getByRole('button', { name: 'Let a device in' }).click();
  const code = ((await page.getByLabel(/^Code /).getAttribute('aria-label')) ?? '')
    .replace('Code ', '')
    .replaceAll(' ', '');
  expect(code).toMatch(/^[2-9A-Z]{8}$/);

  const phone = await browser.newContext({ baseURL, viewport: { width: 390, height: 844 } });
  const there = await phone.newPage();
  await there.goto(`/let-in?code=${code}`);
  await there.getByLabel('What this device is called').fill('Lost phone');
  await there.getByRole('button', { name: 'Let it in' }).click();
  await there.getByRole('button', { name: /^Ivo Tarnwell/ }).click();
  await expect(there.getByRole('navigation')).toBeVisible();

  // The code is used.
  const again = await page.request.post('/api/devices', { data: { code, name: 'Another' } });
  expect(again.status()).toBe(404);

  await page.reload();
  await page.getByRole('button', { name: 'Put out Lost phone' }).first().click();
  await page.getByRole('button', { name: 'Put Lost phone out' }).click();
  await expect(page.getByRole('button', { name: 'Put out Lost phone' })).toHaveCount(0);
  await expect.poll(async () => (await there.request.get('/api/session')).status()).toBe(401);
  await there.reload();
  await expect(there.getByText('Who is on shift?', { exact: false })).toBeVisible();
  await phone.close();
});
