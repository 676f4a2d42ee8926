import { expect, test } from '@playwright/test';
import { startWorkerServer } from './server';
import { fuelAndNothingNoticed, Thumb, walkRound } from './yard';

const LINES = Array.from({ length: 20 }, (_, at) => {
  const tag = `GE-${String(at + 1).padStart(2, '0')}`;
  return `${tag};Tuvellan;Lantern 5;S-${tag};${100 + at}`;
});

test('from an empty database to the first check-in, with twenty units of a list of one’s own @phone', async ({
  page,
}) => {
  const [postgresUrl = ''] = [process.env['POSTGRES_URL']];
  const server = await startWorkerServer(postgresUrl, 'template1', `hudrik_first_${process.pid}`, { HUDRIK_DEMO: '' });
  try {
    const link = /https?:\/\/\S+first-lead\?code=\S+/.exec(server.said())?.[0] ?? '';
    await page.goto(server.url + new URL(link).pathname + new URL(link).search);
    await page.getByLabel('Name').fill('Runa Veldt');
    await page.getByLabel(/^PIN of six figures/).fill('123456');
    await expect(page.getByText('No run of figures, as 123456.')).toBeVisible();
    await page.getByLabel(/^PIN of six figures/).fill('471183');
    await page.getByRole('button', { name: 'Create the lead' }).click();

    await page.getByRole('link', { name: 'Set the yard up' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('steps are left');
    const file = (lines: readonly string[]) => ({
      name: 'units.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(['Fleet no;Brand;Model;Serial;Hrs', ...lines].join('\n')),
    });
    const list = page.getByLabel('The list of units');
    await list.setInputFiles(file([...LINES, 'XX-01;Tuvellan;Lantern 5;S;1']));
    await page.getByRole('button', { name: 'Show what would happen' }).click();
    await expect(page.getByText('1 of 21 lines can not be taken as they are. Nothing was taken.')).toBeVisible();
    await list.setInputFiles(file(LINES));
    await page.getByRole('button', { name: 'Show what would happen' }).click();
    await expect(page.getByText('20 units would be taken. Nothing is taken yet.')).toBeVisible();
    await page.getByRole('button', { name: 'Take all 20' }).click();
    await expect(page.getByText('20 units', { exact: true })).toBeVisible();

    const thumb = new Thumb(page);
    await page.goto(`${server.url}/u/GE-07/check-in`);
    await thumb.figures('106.0');
    await thumb.tap('Next');
    await fuelAndNothingNoticed(thumb);
    await walkRound(thumb);
    await thumb.tap('Confirm');
    await expect(page.getByText('Checked in. GE-07 hangs on the wall again.')).toBeVisible();
  } finally {
    await server.stop();
  }
});
