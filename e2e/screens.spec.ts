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

/** Screens that are laid out otherwise on a wide window, not only wider. */
const WIDE = ['/', '/yard', '/bench', '/hires', '/service', '/lay-up', '/access', '/u/GE-03', '/u/GE-07/find'];

/** What can be tapped with a glove, and is too low for it. */
const tooLow = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll('[role=button],button')]
      .filter((node) => node.getBoundingClientRect().height > 0 && node.getBoundingClientRect().height < 44)
      .map((node) => node.outerHTML.slice(0, 120)),
  );

/** Several screens on one page: opening each cold is what takes the time, not the page. */
const EACH = 6;
const grouped = (screens: typeof SCREENS) =>
  Array.from({ length: Math.ceil(screens.length / EACH) }, (_, n) => screens.slice(n * EACH, (n + 1) * EACH));

const PLACES = [
  { tag: '@phone', isPhone: true, screens: SCREENS },
  { tag: '@wide', isPhone: false, screens: SCREENS.filter(([path]) => WIDE.includes(path)) },
];
for (const { tag, isPhone, screens } of PLACES)
  for (const some of grouped(screens))
    test(`${some.map(([path]) => path).join(', ')} open cold, and axe finds nothing`, { tag }, async ({ page }) => {
      const errors: string[] = [];
      page.on('pageerror', (error) => errors.push(error.message));
      await signIn(page, 'Runa Veldt');
      for (const [path, shows] of some) {
        await page.goto(path);
        await expect(page.getByText(shows).first()).toBeVisible();
        expect([path, ...(await faultsBy(page))]).toEqual([path]);
        expect([path, ...errors]).toEqual([path]);
        const sideways = await page.evaluate(
          () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
        );
        expect([path, sideways]).toEqual([path, 0]);
        if (isPhone) expect([path, ...(await tooLow(page))]).toEqual([path]);
      }
    });

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
