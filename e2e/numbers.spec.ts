import { expect, test } from './test';
import { signIn } from './yard';

test(
  'a head is tightened: drag is added, the next bolt is ringed, each is ticked, and one can be taken back',
  { tag: '@phone' },
  async ({ page }) => {
    await signIn(page, 'Maren Askild', '/numbers');
    await page.getByLabel('Find a calculation').fill('wrench');
    await page.getByRole('link', { name: 'Tightening, round by round' }).click();
    await page.getByLabel('Wanted, lbf·ft').fill('40');
    await page.getByLabel('Drag just to turn it, lbf·ft').fill('8');
    await expect(page.getByText('a third 21.3 · two thirds 34.7 · full 48.0 · once round 48.0')).toBeVisible();
    for (let n = 4; n < 6; n++) await page.getByRole('button', { name: 'One bolt more' }).click();
    await expect(page.getByLabel(/^Order of tightening: [34], /)).toBeVisible();
    for (let n = 0; n < 6; n++) await page.getByRole('button', { name: 'This one is done' }).click();
    await expect(page.getByText('lbf·ft, two thirds')).toBeVisible();
    await page.getByRole('button', { name: 'Undo the last one' }).click();
    await expect(page.getByText('lbf·ft, a third')).toBeVisible();
    for (let n = 0; n < 19; n++) await page.getByRole('button', { name: 'This one is done' }).click();
    await expect(page.getByText('All rounds done.')).toBeVisible();
    await page.getByLabel('Drag just to turn it, lbf·ft').fill('38');
    await expect(page.getByText('The drag is nearly as large as the wanted torque', { exact: false })).toBeVisible();
  },
);

test(
  'a sum takes any unit of its kind, says what the result means, and keeps the last values',
  { tag: '@phone' },
  async ({ page }) => {
    await signIn(page, 'Maren Askild', '/numbers/leak-down');
    await page.getByLabel('Supply, psi').fill('40');
    await page.getByLabel('Cylinder holds, psi').fill('19');
    await expect(page.getByText('Lost. Failed: listen where it goes.')).toBeVisible();
    await page.getByLabel('Cylinder holds, psi').fill('x');
    await expect(page.getByText('Enter a number on every line.')).toBeVisible();
    await page.getByLabel('Cylinder holds, psi').fill('50');
    await expect(page.getByText('These values make no sense together.')).toBeVisible();
    await page.getByRole('button', { name: 'Cylinder holds in kPa' }).click();
    // 50 psi, in its new unit.
    await expect(page.getByLabel('Cylinder holds, kPa')).toHaveValue('344.738');
    await page.getByLabel('Cylinder holds, kPa').fill('248,2');
    await expect(page.getByText('Lost. Good.')).toBeVisible();
    await page.reload();
    await expect(page.getByLabel('Cylinder holds, kPa')).toHaveValue('248,2');
    await page.goto('/numbers/nothing');
    await expect(page.getByText('There is no such calculation.')).toBeVisible();
  },
);
