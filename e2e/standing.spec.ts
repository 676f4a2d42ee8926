import { expect, test } from './test';
import { jsonOf, signIn } from './yard';

test('a class comes into lay-up: its job from the forecast, its steps done, laid up, then badly woken, which moves what is taken for its way @phone', async ({
  page,
}) => {
  await signIn(page, 'Runa Veldt', '/lay-up');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('into lay-up');
  const raise = page.getByRole('button', { name: /^Raise the lay-up of PW-/ }).first();
  const tag = ((await raise.getAttribute('aria-label')) ?? '').replace('Raise the lay-up of ', '');
  await raise.click();
  await expect(page.getByRole('button', { name: `Raise the lay-up of ${tag}` })).toHaveCount(0);
  await page.goto(`/u/${tag}`);
  await page.getByRole('button', { name: /^Start: Lay up/ }).click();
  await page.getByRole('button', { name: /^Card/ }).first().click();
  await expect(page.getByRole('checkbox').first()).toBeVisible();
  for (const step of await page.getByRole('checkbox').all()) await step.click();
  await expect(page.getByRole('checkbox', { checked: false })).toHaveCount(0);
  await page.goto(`/u/${tag}`);
  await page.getByRole('button', { name: /^Sign off/ }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Sign off', exact: true }).click();
  await expect(page.getByText('Laid up', { exact: true }).first()).toBeVisible();
  await page.goto('/lay-up');
  const wake = page.getByRole('button', { name: `Wake ${tag}` });
  await expect(wake).toBeVisible();
  const woke = page.getByText(/^\d+ of \d+ wanted a repair$/);
  const told = async (): Promise<number> =>
    (await woke.allTextContents()).reduce((sum, text) => sum + Number(/^(\d+)/.exec(text)?.[1] ?? 0), 0);
  const before = await told();
  await wake.click();
  await page.getByRole('button', { name: 'It did not', exact: true }).click();
  await page.getByRole('button', { name: 'It wants a fuel repair' }).click();
  await page.getByLabel('What it needed').fill('Needle stuck');
  await page.getByRole('button', { name: 'It is awake' }).click();
  await expect(wake).toHaveCount(0);
  await expect.poll(told).toBe(before + 1);
  await page.goto(`/u/${tag}`);
  await expect(page.getByText('Woken, it did not start: Needle stuck.').first()).toBeVisible();
});

test('on the wide screen: the fleet by ways and costs, the chosen unit’s curves, the lead says otherwise @wide', async ({
  page,
}) => {
  await signIn(page, 'Runa Veldt', '/lay-up');
  const label = await page
    .getByRole('row', { name: /^PW-\d\d: show it$/ })
    .last()
    .getAttribute('aria-label');
  const tag = (label ?? '').slice(0, 5);
  const row = page.getByRole('row', { name: `${tag}: show it` });
  await row.click();
  await expect(row).toHaveAttribute('aria-selected', 'true');
  await expect(page.getByRole('img', { name: new RegExp(`^${tag}: cost of lay-up by idle days`) })).toBeVisible();
  await page.getByRole('button', { name: 'Another way' }).click();
  await page.getByRole('button', { name: /^Drained, bowl off and sprayed/ }).click();
  await page.getByLabel('Why', { exact: true }).fill('Its needle was new in May');
  await page.getByRole('button', { name: 'Do it so' }).click();
  await expect(page.getByText(/The lead says so: Its needle was new in May/)).toBeVisible();
  await expect(row.getByLabel(/, done so$/)).toHaveCount(1);
});

test('fuel poured from a can changes the can, the tank and its dates', { tag: '@phone' }, async ({ page }) => {
  await signIn(page, 'Ivo Tarnwell', '/fuel');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('cans');
  const inCan = async (): Promise<number> => {
    const { cans } = (await (await page.request.get('/api/fuel')).json()) as {
      cans: { name: string; litres: number }[];
    };
    return cans.find(({ name }) => name === 'Can 2')?.litres ?? 0;
  };
  const before = await inCan();
  await page.goto('/u/PW-11');
  await expect(page.getByText(/^Stale: /).first()).toBeVisible();
  await page.getByRole('button', { name: 'Drain, run dry, treat' }).click();
  await page.getByRole('button', { name: /^Tank drained/ }).click();
  await page.getByRole('button', { name: 'Bowl drained' }).click();
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText('Empty, bowl drained.')).toBeVisible();
  await page.getByRole('button', { name: 'Pour fuel in' }).click();
  await page.getByRole('button', { name: /^Can 2, / }).click();
  await page.getByRole('button', { name: 'Pour it in' }).click();
  await expect(page.getByText(/days? old, 0 % ethanol, bowl wet\.$/)).toBeVisible();
  expect(before - (await inCan())).toBeCloseTo(3, 6);
  // What was stale is none of its defects any more.
  await expect(page.getByText(/^The fuel is stale/)).toHaveCount(0);
});

test(
  'a call at short notice: what waking it takes is said at the counter; woken, it goes nowhere unseen',
  { tag: '@phone' },
  async ({ page }) => {
    await signIn(page, 'Lise Borrowby');
    const { units } = await jsonOf<{ units: { tag: string; laidUp: { wakeMinutes: number } | null }[] }>(
      await page.request.get('/api/lay-up'),
    );
    const stands = units.find(({ laidUp }) => laidUp !== null);
    if (!stands?.laidUp) throw new Error('nothing stands in the demo');
    const { tag } = stands;
    await page.goto(`/u/${tag}/check-out`);
    await expect(page.getByText(/^Called for now: about .* of work to wake it/)).toBeVisible();
    await page.getByRole('button', { name: 'See how to wake it' }).click();
    await expect(page.getByText('Laid up: wake in this order')).toBeVisible();
    await expect(page.getByRole('button', { name: `Wake ${tag}` })).toHaveCount(0);
    await page.context().clearCookies();
    await signIn(page, 'Ivo Tarnwell', '/lay-up');
    await page.getByRole('button', { name: `Wake ${tag}` }).click();
    await page.getByRole('button', { name: '2', exact: true }).click();
    await page.getByRole('button', { name: 'It is awake' }).click();
    await expect(page.getByRole('button', { name: `Wake ${tag}` })).toHaveCount(0);
    await page.goto(`/u/${tag}/check-out`);
    await expect(page.getByText('Not before it is checked in.')).toBeVisible();
  },
);
