import { createHash, X509Certificate } from 'node:crypto';
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { networkInterfaces, tmpdir } from 'node:os';
import path from 'node:path';
import { chromium, expect, test } from '@playwright/test';
import { CHROMIUM } from './chromium';
import { startWorkerServer } from './server';

const PEOPLE = { name: /^Runa Veldt/ };
/** Of this machine, but not of itself alone: what a phone on the yard's network would open. */
const ADDRESS =
  Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .find(({ family, internal }) => family === 'IPv4' && !internal)?.address ?? 'yard.test';

test('over the yard’s network, privately: the app is kept on the device, opens without the server, and sends what was written when it is back @phone', async () => {
  test.setTimeout(150_000);
  const [postgresUrl = '', template = ''] = [process.env['POSTGRES_URL'], process.env['YARD_TEMPLATE']];
  const folder = await mkdtemp(path.join(tmpdir(), 'hudrik-tls-'));
  const trustPort = String(20_000 + (process.pid % 20_000));
  const server = await startWorkerServer(postgresUrl, template, `hudrik_tls_${process.pid}`, {
    ...{ HUDRIK_HOST: '0.0.0.0', HUDRIK_DATA_FOLDER: folder, HUDRIK_NAMES: 'yard.test', HUDRIK_TRUST_PORT: trustPort },
  });
  const port = new URL(server.url).port;
  // The device trusts the authority: the browser is told so by the key of the server's certificate.
  const { publicKey } = new X509Certificate(await readFile(path.join(folder, 'tls', 'server.crt')));
  const key = createHash('sha256')
    .update(publicKey.export({ type: 'spki', format: 'der' }))
    .digest('base64');
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: [
      ...['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage'],
      ...['--host-resolver-rules=MAP yard.test 127.0.0.1', `--ignore-certificate-errors-spki-list=${key}`],
    ],
  });
  try {
    const at = `https://${ADDRESS}:${port}`;
    const context = await browser.newContext({
      baseURL: at,
      viewport: { width: 390, height: 844 },
      serviceWorkers: 'allow',
    });
    context.setDefaultTimeout(20_000);
    const page = await context.newPage();
    const answer = await page.goto('/');
    expect(answer?.headers()['strict-transport-security']).toMatch(/^max-age=\d{8}/);
    await page.getByRole('button', PEOPLE).click();
    await expect(page.getByRole('navigation')).toBeVisible();
    expect(await page.evaluate(() => isSecureContext)).toBe(true);
    const cookies = await context.cookies();
    expect(cookies.map(({ name, secure, httpOnly }) => [name, secure, httpOnly]).sort()).toEqual([
      ['hudrik_device', true, true],
      ['hudrik_session', true, true],
    ]);
    await page.evaluate(() => navigator.serviceWorker.ready);
    await expect
      .poll(() => page.evaluate(async () => (await caches.match('/index.html', { ignoreSearch: true })) !== undefined))
      .toBe(true);
    await page.goto('/u/GE-01');
    await expect(page.getByText('GE-01').first()).toBeVisible();

    await expect(page.getByRole('button', { name: 'Write a note' })).toBeVisible();
    await server.kill();
    await page.goto('/u/GE-01');
    await page.getByRole('button', { name: 'Write a note' }).click();
    await page.getByRole('dialog').getByRole('textbox').fill('Written while the server was away');
    await page.getByRole('dialog').getByRole('button', { name: 'Save the note' }).click();
    await expect(page.getByText(/not sent yet/)).toBeVisible();

    await server.start();
    await expect(page.getByText(/not sent yet/)).toHaveCount(0, { timeout: 60_000 });
    await page.goto('/u/GE-01');
    await expect(page.getByText('Written while the server was away').first()).toBeVisible();

    // In the clear nothing answers but the page that gives the certificate.
    await expect(fetch(`http://${ADDRESS}:${port}/api/health`)).rejects.toThrow();
    const trust = await page.request.get(`http://${ADDRESS}:${trustPort}/`);
    expect(await trust.text()).toContain('Trust this yard, once');
    expect((await page.request.get(`http://${ADDRESS}:${trustPort}/api/health`)).status()).toBe(404);
  } finally {
    await browser.close();
    await server.stop();
    await rm(folder, { recursive: true, force: true });
  }
});
