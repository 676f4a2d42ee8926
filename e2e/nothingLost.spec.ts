import { expect, test, type Page } from './test';
import { freshUnit, fuelAndNothingNoticed, hoursAfter, signIn, Thumb, walkRound, jsonOf } from './yard';

async function toVerdict(page: Page, tag: string): Promise<Thumb> {
  const thumb = new Thumb(page);
  await page.goto(`/u/${tag}/check-in`);
  await thumb.figures(await hoursAfter(page, 0.6));
  await thumb.tap('Next');
  await fuelAndNothingNoticed(thumb);
  await walkRound(thumb);
  return thumb;
}

/** The app itself is on the device. */
async function isKeptOn(page: Page): Promise<void> {
  await page.evaluate(() => navigator.serviceWorker.ready);
  const isKept = () =>
    page.evaluate(async () => (await caches.match('/index.html', { ignoreSearch: true })) !== undefined);
  await expect.poll(isKept).toBe(true);
}

test.use({ serviceWorkers: 'allow' });

test.describe('nothing is lost', { tag: '@phone' }, () => {
  test('a reload in the middle goes on where it was', async ({ page, server }) => {
    await signIn(page, 'Ivo Tarnwell');
    const tag = await freshUnit(server, 'generator');
    const thumb = new Thumb(page);
    await page.goto(`/u/${tag}/check-in`);
    const typed = await hoursAfter(page, 0.6);
    await thumb.figures(typed);
    await thumb.tap('Next');
    await thumb.tap('Fuel 5/8');
    await thumb.tap('Was open, I shut it');
    await page.reload();
    await expect(page.getByRole('button', { name: 'Fuel 5/8' })).toHaveAttribute('aria-pressed', 'true');
    await thumb.tap('‹ Back');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(typed.replace(/\.0$/, '.0'));
  });

  test('without a connection it is kept, and sent when the connection is back', async ({ page, context, server }) => {
    await signIn(page, 'Ivo Tarnwell');
    const tag = await freshUnit(server, 'log-splitter');
    const thumb = await toVerdict(page, tag);
    await context.setOffline(true);
    await thumb.tap('Confirm');
    await expect(page.getByText(`${tag} is checked in and saved on this device.`)).toBeVisible();
    await expect(page.getByText('One entry saved on this device, not sent yet.')).toBeVisible();
    await context.setOffline(false);
    await expect(page.getByText('not sent yet')).toHaveCount(0, { timeout: 30_000 });
    const history = await jsonOf<{
      records: { kind: string }[];
    }>(await page.request.get(`/api/units/${tag}/history`));
    expect(history.records[0]?.kind).toBe('check-in');
  });

  test('a page that was never opened opens without a connection, and reads what was read before', async ({
    page,
    context,
  }) => {
    await signIn(page, 'Ivo Tarnwell', '/');
    await isKeptOn(page);
    await context.setOffline(true);
    await page.getByRole('link', { name: 'More', exact: true }).click();
    await expect(page.getByText('The desk')).toBeVisible();
    await page.goto('/numbers/leak-down');
    await expect(page.getByLabel('Supply, psi')).toBeVisible();
    // Who is signed in is asked for in vain each time, and that takes nothing away.
    for (let again = 0; again < 2; again++) {
      await page.reload();
      await expect(page.getByLabel('Supply, psi')).toBeVisible();
    }
    await context.setOffline(false);
  });

  test('a device that is full says so, keeps what is written in the page until it is sent, and keeps again when there is room', async ({
    page,
    context,
    server,
  }) => {
    const browser = await context.newCDPSession(page);
    const allow = (quotaSize?: number) =>
      browser.send('Storage.overrideQuotaForOrigin', { origin: server.url, ...(quotaSize && { quotaSize }) });
    await allow(1);
    await signIn(page, 'Ivo Tarnwell');
    const tag = await freshUnit(server, 'tiller');
    const write = async (text: string) => {
      await page.getByRole('button', { name: 'Write a note' }).click();
      await page.getByRole('dialog').getByRole('textbox').fill(text);
      await page.getByRole('dialog').getByRole('button', { name: 'Save the note' }).click();
    };
    const written = async () =>
      (
        await jsonOf<{ records: { kind: string; facts: { text?: string } }[] }>(
          await page.request.get(`/api/units/${tag}/history`),
        )
      ).records.flatMap(({ kind, facts }) => (kind === 'note' ? [facts.text] : []));
    await page.goto(`/u/${tag}`);
    await expect(page.getByRole('button', { name: 'Write a note' })).toBeVisible();
    await context.setOffline(true);
    await write('Written on a full device');
    await expect(page.getByText('The storage of this device is full.')).toBeVisible();
    await context.setOffline(false);
    await expect.poll(written, { timeout: 30_000 }).toEqual(['Written on a full device']);
    await expect(page.getByText('not sent yet')).toHaveCount(0);

    await allow();
    await page.reload();
    await isKeptOn(page);
    await context.setOffline(true);
    await write('Written when there was room');
    await expect(page.getByText('One entry saved on this device, not sent yet.')).toBeVisible();
    await expect(page.getByText('The storage of this device is full.')).toHaveCount(0);
    await page.reload();
    await expect(page.getByText('One entry saved on this device, not sent yet.')).toBeVisible();
    await context.setOffline(false);
    await expect
      .poll(written, { timeout: 30_000 })
      .toEqual(['Written when there was room', 'Written on a full device']);
  });

  test('a session that ended in the middle: sign in, and go on', async ({ page, context, server }) => {
    await signIn(page, 'Ivo Tarnwell');
    const tag = await freshUnit(server, 'generator');
    const thumb = await toVerdict(page, tag);
    await context.clearCookies();
    await thumb.tap('Confirm');
    await page.getByRole('button', { name: /Ivo Tarnwell/ }).click();
    await expect
      .poll(
        async () =>
          (await jsonOf<{ records?: { kind: string }[] }>(await page.request.get(`/api/units/${tag}/history`)))
            .records?.[0]?.kind,
        { timeout: 30_000 },
      )
      .toBe('check-in');
  });

  test('two people check one unit in: the second’s is kept beside the first’s, and says so', async ({
    page,
    browser,
    server,
  }) => {
    await signIn(page, 'Ivo Tarnwell');
    const tag = await freshUnit(server, 'pressure-washer');
    const other = await (
      await browser.newContext({ viewport: { width: 390, height: 844 }, baseURL: server.url })
    ).newPage();
    await signIn(other, 'Maren Askild');
    const mine = await toVerdict(page, tag);
    const theirs = await toVerdict(other, tag);
    await theirs.tap('Confirm');
    await expect(other.getByText(`Checked in. ${tag}`)).toBeVisible();
    await mine.tap('Confirm');
    await expect(page.getByText(`Somebody checked ${tag} in before you: yours is kept beside it`)).toBeVisible();
    await other.context().close();
  });
});
