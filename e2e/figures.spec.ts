import { expect, test, type Page } from './test';
import {
  enter,
  freshUnit,
  fuelAndNothingNoticed,
  hoursAfter,
  jsonOf,
  laterInProof,
  signIn,
  Thumb,
  unitWithJob,
  untilTaken,
  walkRound,
} from './yard';

const button = (page: Page, name: string | RegExp) =>
  page.getByRole('button', { name, ...(typeof name === 'string' ? { exact: true } : {}) });

test('a 230 V set of 50 Hz goes its whole round by its own figures', { tag: '@phone' }, async ({ page, server }) => {
  test.setTimeout(120_000);
  const { tag, jobId } = await unitWithJob(server, 'generator', { kind: 'repair', title: 'New socket' });
  await signIn(page, 'Runa Veldt', `/u/${tag}`);
  await button(page, 'Its rated figures').click();
  await page.getByLabel(/^Frequency, Hz/).fill('50');
  await page.getByLabel(/^Volts, V/).fill('230,0');
  await button(page, 'Save its figures').click();
  await expect(page.getByRole('dialog', { name: /its own plate$/ })).toBeHidden();

  // The return: what is right at 120 V is wrong here, and the other way round.
  await page.goto(`/u/${tag}/check-in`);
  await page.keyboard.type(await hoursAfter(page, 1.4));
  const thumb = new Thumb(page);
  await thumb.tap('Next');
  await fuelAndNothingNoticed(thumb);
  while ((await page.getByLabel(/^Volts right/).count()) === 0) {
    for (const check of await page.getByRole('button', { name: /^OK: / }).all()) await check.click();
    await thumb.tap(/^(All good here|The rest is good|Next)$/);
  }
  const volts = page.getByLabel('Volts right at a socket, V', { exact: true });
  await volts.fill('120');
  await expect(page.getByText('Volts are low.')).toBeVisible();
  await volts.fill('229,5');
  await expect(page.getByText('Right: 218.5 to 241.5 V')).toBeVisible();
  await button(page, 'Could not: Volts right at a socket').click();
  const sheet = page.getByRole('dialog', { name: 'Volts right at a socket' });
  await expect(sheet.getByLabel('229.5 V, right')).toBeVisible();
  await sheet.getByRole('button', { name: /^Where from: Limit: / }).click();
  await expect(sheet.getByText(/own plate or its model’s data sheet/)).toBeVisible();
  await sheet.getByRole('button', { name: 'Save', exact: true }).click();
  await walkRound(thumb);
  await thumb.tap('Confirm');
  await expect(button(page, `See ${tag}`)).toBeVisible();

  // The proof, on the simulated load bank: at its own volts and hertz.
  await enter(page.request, { jobId }, 'job-started', {});
  await enter(page.request, { jobId }, 'to-proof', {});
  await page.goto(`/j/${jobId}/proof`);
  await button(page, 'Fuel on: dry').click();
  await button(page, 'Load bank, in steps to rated').click();
  await page.getByRole('dialog').getByRole('textbox').fill('2500');
  await button(page, 'It is set').click();
  await button(page, 'It runs: start the time').click();
  await button(page, 'Exhaust clear').click();
  await untilTaken(page, jobId, 'smoke');
  await laterInProof(server, tag, 21);
  await page.reload();
  for (const load of ['0 %', '50 %', '100 %']) {
    await page.getByRole('group', { name: 'Load step' }).getByRole('button', { name: load, exact: true }).click();
    await expect(page.getByText(/r\/min$/).first()).toBeVisible();
    await button(page, 'Take these 2 readings').click();
  }
  await expect(page.getByText(/^218\.5 to 241\.5 V/).first()).toBeVisible();
  await expect(page.getByText(/^Droop [\d.]+ %, volts within [\d.]+ %: within G[123] of ISO 8528-5/)).toBeVisible();
  await expect(page.getByLabel(/^2[23]\d(\.\d)? V, Well$/).first()).toBeVisible();
  await button(page, 'Stop the run').click();
  await expect(page.getByText('When the whole time is run and it is stopped.')).toHaveCount(0);
  for (const right of await page.getByRole('button', { name: 'Right', exact: true }).all()) await right.click();
  await button(page, 'Passed').click();
  await button(page, 'It was done: tick it').click();
  for (const look of await page.getByRole('dialog').getByRole('checkbox').all()) await look.click();
  await button(page, /^Passed: sign/).click();
  await expect(page.getByText(`${tag}: proven.`)).toBeVisible();
  await page.goto(`/u/${tag}`);
  await expect(page.getByText('Fit for hire.').first()).toBeVisible();
});

test(
  'a comma is a decimal: at a sum, at the meter, on a data sheet and on the card',
  { tag: '@phone' },
  async ({ page, server }) => {
    const { tag, jobId } = await unitWithJob(server, 'tiller', { kind: 'repair', title: 'Set the points' });
    await signIn(page, 'Runa Veldt', '/numbers/torque-units');
    await page.getByLabel('Torque, lbf·in').fill('165,6');
    await expect(page.getByText('13.8', { exact: false }).first()).toBeVisible();

    await page.goto(`/u/${tag}/check-in`);
    const hours = await hoursAfter(page, 2.5);
    await page.keyboard.type(hours.replace('.', ','));
    await expect(page.getByText('+2.5 h since then')).toBeVisible();

    const { model } = await jsonOf<{ model: { id: number } }>(await page.request.get(`/api/units/${tag}/sheet`));
    await page.goto(`/models/${model.id}`);
    await page.getByLabel('Air gap of the coil from, in').fill('0,012');
    await page.getByLabel('Air gap of the coil to').fill('0,010');
    await button(page, 'Save the data sheet').click();
    await expect(page.getByText('This must be above “from”.')).toBeVisible();
    await page.getByLabel('Air gap of the coil to').fill('0,016');
    await button(page, 'Save the data sheet').click();
    await expect(page.getByText('This must be above “from”.')).toBeHidden();
    await expect
      .poll(async () => {
        const read = await page.request.get(`/api/units/${tag}/sheet`);
        return (await jsonOf<{ dataSheet: { limits: { airGapInch?: number[] } } }>(read)).dataSheet.limits.airGapInch;
      })
      .toEqual([0.012, 0.016]);

    // The card goes by the model's sheet from now on, and says so; its figure is the same in the other unit.
    await page.goto(`/j/${jobId}`);
    await button(page, 'Take a reading').click();
    await button(page, 'air gap').click();
    await page.getByRole('dialog').getByRole('button', { name: 'in', exact: true }).click();
    await page.getByLabel('Gap, in').fill('0,015');
    await expect(button(page, /^Take it: in spec/)).toBeVisible();
    await expect(button(page, 'Where from: Limits: the model’s own data sheet')).toBeVisible();
    await page.getByRole('dialog').getByRole('button', { name: 'mm', exact: true }).click();
    await expect(page.getByLabel('Gap, mm')).toHaveValue('0.381');
  },
);

test(
  'a reckoning flips where it said it would: by the state of the part, and by the price of an hour',
  { tag: '@wide' },
  async ({ page, server }) => {
    const tag = await freshUnit(server, 'generator');
    await signIn(page, 'Runa Veldt');
    const { id } = await enter(page.request, { tag }, 'finding-opened', { machine: { engine: {}, past: {} } });
    const causes = { causes: ['carb-varnished'], note: '' };
    const { jobId } = await enter(page.request, { findingId: id }, 'causes-confirmed', causes);
    await page.goto(`/j/${jobId}/ways`);
    const answer = page.getByRole('heading', { level: 1 });
    await button(page, 'Broken or worn through: 5 in 100 hold').click();
    await expect(answer).toHaveText(/^Replace the carburettor/);

    interface Ways {
      readonly ways: readonly { readonly title: string }[];
      readonly flips: readonly {
        readonly input: string;
        readonly at: number;
        readonly now: number;
        readonly title: string;
      }[];
    }
    const waysFor = async (query: string) => jsonOf<Ways>(await page.request.get(`/api/jobs/${jobId}/ways?${query}`));
    const { ways, flips } = await waysFor('state=good');
    const flip = flips.find(({ input }) => input === 'rate');
    expect(flip).toBeDefined();
    await button(page, 'Good, worn little: 95 in 100 hold').click();
    await expect(answer).toHaveText(new RegExp(`^${ways[0]?.title}`));
    await expect(page.getByText(/^If .+ were .+, not .+: /).first()).toBeVisible();

    // A lead sets the yard's own hour a little beyond that.
    const setHour = async (text: string) => {
      await page.goto('/settings');
      await page.getByLabel('An hour of the workshop').fill(text);
      const saved = page.waitForResponse((answer) => answer.request().method() === 'PUT');
      await button(page, 'Save the prices').click();
      expect((await saved).ok()).toBe(true);
    };
    const beyond = (flip?.at ?? 0) + ((flip?.at ?? 0) - (flip?.now ?? 0)) * 0.05;
    await setHour((beyond / 100).toFixed(2).replace('.', ','));
    await page.goto(`/j/${jobId}/ways`);
    await button(page, 'Good, worn little: 95 in 100 hold').click();
    await expect(answer).toHaveText(new RegExp(`^${flip?.title}`));
    await setHour('');
  },
);
