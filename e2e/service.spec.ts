import { expect, test } from './test';
import { signIn } from './yard';

test(
  'what falls due is raised at one tap, stands on the bench, and its unit says so',
  { tag: '@wide' },
  async ({ page }) => {
    await signIn(page, 'Runa Veldt', '/service');
    await expect(page.getByRole('heading', { level: 1 })).toContainText('of service this week.');
    const raise = { name: /^Raise (this job|these \d+ jobs)$/ };
    const first = page
      .getByRole('button', raise)
      .first()
      .locator('xpath=ancestor::div[.//a[starts-with(@href, "/u/")]][1]');
    const tag = await first.locator('a[href^="/u/"]').first().textContent();
    // The list is put in order anew when hours come from afar: from here on it is this unit's.
    const own = page.locator(`xpath=//a[@href="/u/${tag}"]/ancestor::div[2]`);
    const button = own.getByRole('button', raise);
    const jobs = Number(/\d+/.exec((await button.textContent()) ?? '')?.[0] ?? 1);
    await button.click();
    await expect(own.getByText('on the card').nth(jobs - 1)).toBeAttached();
    await page.goto(`/u/${tag}`);
    await expect(page.getByText(/^Job raised: /)).toHaveCount(jobs);
    await expect(page.getByRole('button', { name: /: on the card$/ }).first()).toBeVisible();
    await page.goto('/bench');
    await expect(page.getByRole('button', { name: new RegExp(`^${tag}[:,]`) }).first()).toBeAttached();
  },
);
