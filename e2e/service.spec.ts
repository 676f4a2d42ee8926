import { expect, test } from './test';
import { signIn } from './yard';

test('what is best done together is raised at one tap and stands on the unit', async ({ page }) => {
  await signIn(page, 'Runa Veldt', '/u/GE-01');
  const heading = page.getByRole('heading', { name: 'Service' });
  await heading.scrollIntoViewIfNeeded();
  await expect(page.getByRole('progressbar', { name: 'Engine oil: what is left' })).toBeVisible();
  const raise = page.getByRole('button', { name: /^Raise these \d+ jobs$/ });
  const jobs = Number(/\d+/.exec((await raise.textContent()) ?? '')?.[0]);
  await raise.click();
  await expect(page.getByText(/^Job raised: /)).toHaveCount(jobs);
  for (const name of ['Engine oil', 'Pre-filter', 'Plug'])
    await expect(page.getByRole('button', { name: `${name}: on the card` })).toBeVisible();
});
