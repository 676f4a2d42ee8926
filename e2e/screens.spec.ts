import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, test, type Page } from './test';
import { signIn } from './yard';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
const SCREENS: readonly (readonly [string, string | RegExp])[] = [
  ['/', /go(es)? out in the next two days|Nothing goes out/],
  ['/yard', 'Pressure washers'],
  ['/check-in', 'Which unit is back?'],
  ['/bench', /of work\.|The bench is clear/],
  ['/more', 'The desk'],
  ['/settings', 'Units of measure'],
  ['/people', 'Add a person'],
  ['/hires', /out, \d+ booked/],
  ['/service', 'Hours of service work, week by week'],
  ['/fuel', 'Cans and drums'],
  ['/lay-up', 'Comes into lay-up'],
  ['/exchange', 'Import and export lists'],
  ['/add-unit', 'Its model'],
  ['/u/GE-03', 'Work on it'],
  ['/u/GE-02/check-in', 'Last reading'],
  ['/u/PW-04/check-out', 'No. Held:'],
  ['/u/GE-07/find', 'Seen so far'],
  ['/find', 'Nothing seen yet.'],
  ['/learned', /taught the odds/],
  ['/numbers', 'Open-air gap for a spark tester'],
  ['/torque', 'This one is done'],
  ['/numbers/duty-cycle', 'Worked:'],
  ['/models/1', 'Readings that are right'],
  ['/open-gap', /^0\.255$/],
  ['/u/GE-03/label', 'Print'],
  ['/parts', 'On the shelf'],
  ['/returns', 'Walk them in this order'],
  ['/waiting', 'Everything made on this device was sent.'],
  ['/access', 'Your PIN'],
  ['/status', 'Records and machine'],
  ['/set-up', 'Labels to stick on'],
];

/** What a machine can see of accessibility, by axe-core. */
async function faultsBy(page: Page): Promise<string[]> {
  await page.evaluate(AXE);
  return page.evaluate(async () => {
    const { violations }: { violations: { id: string; nodes: { html: string }[] }[] } = await Reflect.get(
      globalThis,
      'axe',
    ).run({ resultTypes: ['violations'] });
    return violations.map(
      (violation) =>
        `${violation.id}: ${violation.nodes
          .slice(0, 2)
          .map((node) => node.html.slice(0, 160))
          .join(' | ')}`,
    );
  });
}

/** Several screens on one page: opening each cold is what takes the time, not the page. */
const EACH = 6;
for (let at = 0; at < SCREENS.length; at += EACH) {
  const some = SCREENS.slice(at, at + EACH);
  test(`${some.map(([path]) => path).join(', ')} open cold, and axe finds nothing`, async ({ page }) => {
    const errors: string[] = [];
    page.on('pageerror', (error) => errors.push(error.message));
    await signIn(page, 'Runa Veldt', some[0]?.[0]);
    for (const [path, shows] of some) {
      if (path !== some[0]?.[0]) await page.goto(path);
      await expect(page.getByText(shows).first()).toBeVisible();
      expect([path, ...(await faultsBy(page))]).toEqual([path]);
      expect([path, ...errors]).toEqual([path]);
      const sideways = await page.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
      );
      expect([path, sideways]).toEqual([path, 0]);
    }
  });
}

test('the sign-in, and every screen in the dark', { tag: '@phone' }, async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.goto('/');
  await expect(page.getByText('Who is on shift?')).toBeVisible();
  expect(await faultsBy(page)).toEqual([]);
  // The demo's people sign in by one tap.
  await page.getByRole('button', { name: /Runa Veldt/ }).click();
  await expect(page.getByRole('navigation')).toBeVisible();
  for (const path of ['/', '/yard', '/u/GE-03', '/u/GE-02/check-in', '/u/GE-07/find']) {
    await page.goto(path);
    await expect(page.getByText(SCREENS.find(([screen]) => screen === path)?.[1] ?? '').first()).toBeVisible();
    expect([path, ...(await faultsBy(page))]).toEqual([path]);
  }
});

test('what can be tapped is at least 44 px high on the phone', { tag: '@phone' }, async ({ page }) => {
  await signIn(page, 'Runa Veldt');
  for (const path of ['/', '/yard', '/check-in', '/u/GE-03', '/u/GE-02/check-in', '/u/GE-07/find']) {
    await page.goto(path);
    await expect(page.getByText(SCREENS.find(([screen]) => screen === path)?.[1] ?? '').first()).toBeVisible();
    const small = await page.evaluate(() =>
      [...document.querySelectorAll('[role=button],button')]
        .filter((node) => node.getBoundingClientRect().height > 0 && node.getBoundingClientRect().height < 44)
        .map((node) => node.outerHTML.slice(0, 120)),
    );
    expect([path, ...small]).toEqual([path]);
  }
});
