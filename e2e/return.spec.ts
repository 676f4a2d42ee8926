import { CLASS_IDS } from '@hudrik/core/catalogue';
import { expect, test } from './test';
import { freshUnit, fuelAndNothingNoticed, hoursAfter, signIn, Thumb, walkRound } from './yard';

/** Three whose walk-rounds differ most; the bench walks round all. */
const CLASSES = process.env['HUDRIK_EVERY_CLASS']
  ? CLASS_IDS
  : (['pressure-washer', 'generator', 'log-splitter'] as const);

for (const classId of CLASSES) {
  test(
    `a fit ${classId} comes back in at most ten taps, one a station and one a safety check`,
    { tag: '@phone' },
    async ({ page, server }) => {
      const tag = await freshUnit(server, classId);
      await signIn(page, 'Ivo Tarnwell', '/');
      const thumb = new Thumb(page);
      await thumb.tap('Check in', 'link').catch(async () => page.getByRole('navigation').getByText('Check in').click());
      await thumb.figures(String(Number(tag.slice(3))));
      await thumb.tap(`Check in ${tag}`, 'link');
      await thumb.figures(await hoursAfter(page, 0.8));
      await thumb.tap('Next');
      await fuelAndNothingNoticed(thumb);
      const { stations, safety } = await walkRound(thumb);
      await expect(page.getByRole('heading', { level: 1 })).toHaveText('Fit');
      await thumb.tap('Confirm');
      await expect(page.getByText(`Checked in. ${tag} hangs on the wall again.`)).toBeVisible();
      expect(thumb.taps).toBeLessThanOrEqual(10 + stations + safety);
    },
  );
}

test(
  'a held return: over-full oil that smells of fuel, with a photo; the yard and the history say so',
  { tag: '@phone' },
  async ({ page, server }) => {
    await signIn(page, 'Maren Askild');
    const tag = await freshUnit(server, 'snowblower');
    const thumb = new Thumb(page);
    await page.goto(`/u/${tag}/check-in`);
    await page.keyboard.type(await hoursAfter(page, 1.2));
    await thumb.tap('Next');
    await fuelAndNothingNoticed(thumb);
    await thumb.tap(/^Oil at the mark/);
    await thumb.tap('Over-full');
    await page
      .getByLabel('Photo file')
      .setInputFiles({ name: 'words.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('only words') });
    await expect(page.getByText('“words.jpg” is not a photo that can be shown.')).toBeVisible();
    await page
      .getByLabel('Photo file')
      .setInputFiles({ name: 'oil.png', mimeType: 'image/png', buffer: await page.screenshot() });
    await expect(page.getByLabel('Photo of the finding')).toBeVisible();
    await thumb.tap('Save');
    await thumb.tap(/^Oil clean/);
    await thumb.tap('Smells of fuel');
    await thumb.tap('Save');
    await walkRound(thumb);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Held');
    await expect(page.getByText('Fuel in the oil. Do not start it: the float needle lets by.')).toBeVisible();
    await expect(page.getByText(/Do not start or crank it/)).toBeVisible();
    await thumb.tap('Confirm');
    await thumb.tap(`See ${tag}`);
    await expect(page.getByText('Held: Fuel in the oil. Do not start it: the float needle lets by.')).toBeVisible();
    await expect(page.getByText('Drain the oil, float needle and seat, new oil').first()).toBeVisible();
    const photo = page.getByLabel('Photo taken at the check-in').first();
    await expect(photo).toBeVisible();
    await page.goto('/yard?readiness=held');
    await page.getByLabel('Find a tag, serial or model').fill(tag);
    await expect(page.getByRole('link', { name: new RegExp(`^${tag}, Held`) })).toBeVisible();
  },
);

test(
  'wrong hours are said in words, and what was likely meant is one tap away',
  { tag: '@phone' },
  async ({ page, server }) => {
    await signIn(page, 'Ivo Tarnwell');
    const tag = await freshUnit(server, 'pressure-washer');
    const thumb = new Thumb(page);
    await page.goto(`/u/${tag}/check-in`);
    const right = await hoursAfter(page, 3);
    await thumb.figures(right.replace('.', ''));
    await expect(page.getByRole('alert')).toContainText('running hours, and only');
    await expect(page.getByRole('button', { name: 'Next' })).toBeDisabled();
    await thumb.tap(new RegExp(`^${right.replace('.', '\\.').replace(/\\.0$/, '')}.*The point left out`));
    await expect(page.getByText('+3.0 h since then')).toBeVisible();
    for (let n = 0; n < 7; n++) await page.keyboard.press('Backspace');
    await page.keyboard.type('1.0');
    await expect(page.getByRole('alert')).toContainText('A meter does not run backwards');
    await expect(page.getByRole('button', { name: 'Next' })).toBeDisabled();
    await thumb.tap('Meter was replaced');
    await expect(page.getByRole('button', { name: 'Next' })).toBeEnabled();
    await thumb.tap('Meter was replaced');
    await page.keyboard.press('Backspace');
    await page.keyboard.type('abc');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('1.');
  },
);

test('an unknown tag says so', { tag: '@phone' }, async ({ page }) => {
  await signIn(page, 'Ivo Tarnwell');
  await page.goto('/u/ZZ-99/check-in');
  await expect(page.getByText('No unit on this yard has that tag.')).toBeVisible();
  await page.goto('/u/ZZ-99');
  await expect(page.getByText('No unit on this yard has that tag.')).toBeVisible();
});

test(
  'two of a pile: a tag and three taps each; the one that does not run is checked in knowing it',
  { tag: '@phone' },
  async ({ page }) => {
    await signIn(page, 'Ivo Tarnwell', '/returns');
    const out = page.getByRole('group', { name: 'Out now' }).getByRole('button');
    const say = async (...answers: string[]) => {
      const tag = (await out.first().textContent()) ?? '';
      for (const answer of [tag, ...answers]) await page.getByRole('button', { name: answer, exact: true }).click();
      await expect(page.getByText(`${tag} is noted. The next one?`)).toBeVisible();
      return tag;
    };
    const dead = await say('No', 'It leaks', 'All there');
    const well = await say('Runs', 'Dry', 'All there');
    await expect(page.getByRole('group', { name: well }).getByText('Nothing amiss at the gate')).toBeVisible();
    await page.getByRole('button', { name: `Check in ${dead}` }).click();
    await expect(page.getByText('Said at the gate: does not run, leaks.')).toBeVisible();
  },
);
