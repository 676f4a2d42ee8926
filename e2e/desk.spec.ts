import { expect, test } from './test';
import { countAndLook, freshUnit, signIn, unitWithJob } from './yard';

test(
  'the counter sees no and why for a held unit, and yes for a fit one',
  { tag: '@phone' },
  async ({ page, server }) => {
    await signIn(page, 'Lise Borrowby');
    const held = await unitWithJob(server, 'welder', { kind: 'repair', title: 'New brushes' });
    await page.goto(`/u/${held.tag}/check-out`);
    await expect(page.getByText('No. Held: New brushes')).toBeVisible();
    const tag = await freshUnit(server, 'welder');
    await page.goto(`/u/${tag}/check-out`);
    await countAndLook(page, 'welder');
    await page.getByRole('button', { name: 'Hand it out', exact: true }).click();
    await expect(page.getByText(/^Out on W-/)).toBeVisible();
  },
);

test('a lead waives prep with a reason; a technician cannot', { tag: '@phone' }, async ({ page, server }) => {
  await signIn(page, 'Ivo Tarnwell');
  const { tag } = await unitWithJob(server, 'tiller', { kind: 'prep', title: 'Wash it' });
  await page.goto(`/u/${tag}/check-out`);
  await expect(page.getByText('Do the prep first, or ask a lead to waive it.')).toBeVisible();
  await page.context().clearCookies();
  await signIn(page, 'Runa Veldt', `/u/${tag}/check-out`);
  await page.getByLabel('You may waive it: why?').fill('Goes to our own site');
  await countAndLook(page, 'tiller');
  await page.getByRole('button', { name: 'Waive the prep and hand it out' }).click();
  await expect(page.getByText(/^Out on /)).toBeVisible();
});

test('a prep job is signed off and the unit is fit', { tag: '@phone' }, async ({ page, server }) => {
  const { tag } = await unitWithJob(server, 'tiller', { kind: 'prep', title: 'Wash it' });
  await signIn(page, 'Ivo Tarnwell', `/u/${tag}`);
  await page.getByRole('button', { name: 'Sign off: Wash it' }).click();
  await page.getByRole('checkbox', { name: 'Wash it.' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Sign off', exact: true }).click();
  await expect(page.getByText('Fit for hire.')).toBeVisible();
});

test(
  'a dropped job frees no unit; what is wrong is closed by somebody who has looked',
  { tag: '@wide' },
  async ({ page, server }) => {
    const { tag } = await unitWithJob(server, 'tiller', { kind: 'repair', title: 'Tine guard' });
    await signIn(page, 'Ivo Tarnwell', `/u/${tag}`);
    await page.getByRole('button', { name: 'Drop: Tine guard' }).click();
    await page.getByLabel('Why').fill('Not needed');
    await page.getByRole('button', { name: 'Drop the job' }).click();
    await expect(page.getByText(/^Nothing is being done about it\./)).toBeVisible();
    await expect(page.getByText('Held: Tine guard.')).toBeVisible();
    await page.goto(`/u/${tag}/check-out`);
    await expect(page.getByText('No. Held: Tine guard.')).toBeVisible();
    await page.goto(`/u/${tag}`);
    await page.getByRole('button', { name: 'Close: Tine guard.' }).click();
    // A look is no repair: that is done on a job, which is proved and signed.
    await expect(page.getByText(/^A look is no repair/)).toBeVisible();
    await expect(page.getByRole('button', { name: 'Raise the job that puts it right' })).toBeVisible();
    await page.getByLabel('What you looked at, and saw').fill('The guard is whole, both bolts tight');
    await page.getByRole('button', { name: 'It was all right: close it' }).click();
    await expect(page.getByText('Fit for hire.').first()).toBeVisible();
    await expect(page.getByText('Was all right: Tine guard.').first()).toBeAttached();
  },
);

test(
  'a new model and a unit of it come to the yard; a wrong reading is set right',
  { tag: '@phone' },
  async ({ page }) => {
    await signIn(page, 'Runa Veldt', '/add-unit');
    await page.getByRole('button', { name: 'Welder', exact: true }).click();
    await page.getByRole('button', { name: 'Another model' }).click();
    await page.getByLabel('Make').fill('Oskarn');
    await page.getByLabel('Model', { exact: true }).fill('Bead 200');
    await page.getByRole('button', { name: 'Add the model' }).click();
    await page.getByLabel('Figures of its tag: WE-').fill('95');
    await page.getByLabel('Serial number').fill('B-1');
    await page.getByLabel('Where it stands').fill('South 2');
    await page.getByLabel('Hours on the meter').fill('21x');
    await page.getByRole('button', { name: 'Put it on the yard' }).click();
    await expect(page.getByText('Enter figures, with at most one after the point.')).toBeVisible();
    await page.getByLabel('Hours on the meter').fill('21.5');
    await page.getByRole('button', { name: 'Put it on the yard' }).click();
    await expect(page).toHaveURL(/\/u\/WE-95/);
    await page.getByRole('button', { name: 'Correct the reading of 21.5' }).click();
    await page.getByLabel('What the meter showed').fill('12.5');
    await page.getByLabel('Why').fill('Figures swapped');
    await page.getByRole('button', { name: 'Correct it' }).click();
    await expect(page.getByText('Reading corrected: 21.5 to 12.5')).toBeVisible();
  },
);

test('keys go everywhere', { tag: '@wide' }, async ({ page }) => {
  await signIn(page, 'Runa Veldt', '/');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page
    .getByRole('button', { name: 'Close', exact: true })
    .first()
    .click({ timeout: 1000 })
    .catch(() => undefined);
  await page.keyboard.press('g');
  await page.keyboard.press('y');
  await expect(page).toHaveURL(/\/yard/);
  await expect(page.getByRole('link', { name: /^PW-01, / })).toBeVisible();
  // The list is drawn a moment before it hears keys.
  await expect(async () => {
    await page.keyboard.press('j');
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/\/u\/[A-Z]{2}-\d\d/, { timeout: 1000 });
  }).toPass();
  await page.keyboard.press('c');
  await expect(page).toHaveURL(/\/check-in/);
});

test('lists go in with a report per line', { tag: '@wide' }, async ({ page }) => {
  await signIn(page, 'Runa Veldt', '/exchange');
  const csv =
    'tag,make,model,serial,home_bay,hours\r\nGE-90,Tuvellan,Lantern 5,S90,North 1,10\r\nGE-01,Tuvellan,Lantern 5,S1,North 1,10\r\n';
  await page
    .getByLabel('Import units: CSV file')
    .setInputFiles({ name: 'units.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await expect(page.getByText('1 imported, 1 refused.')).toBeVisible();
  await page
    .getByLabel('Import units: CSV file')
    .setInputFiles({ name: 'units.csv', mimeType: 'text/csv', buffer: Buffer.from('a,b\r\n1,2\r\n') });
  await expect(page.getByText('This file does not have the columns that are needed.')).toBeVisible();
});
