import { expect, test, type Page } from './test';
import { enter, freshUnit, hoursAfter, signIn, Thumb, walkRound } from './yard';

/** What a machine with a dead coil answers; to everything else the healthy answer, which stands first. */
const ANSWERS: Readonly<Record<string, string>> = {
  'Fuel put straight in': 'Nothing',
  'Lamp tester in the lead': 'None',
  'Plug laid on the block': 'None',
  'Spark over a set gap': 'None',
  'Coil’s secondary': 'Open',
  'Plug’s face': 'Wet with fuel',
};

const heading = (page: Page) => page.getByRole('heading', { level: 2 }).first();
const count = async (page: Page): Promise<number> =>
  Number(await page.getByText('Seen so far').locator('xpath=following-sibling::*[1]').innerText());

/** The step that is shown once the last entry was reckoned with. */
async function settled(page: Page): Promise<string> {
  let name = '';
  await expect
    .poll(
      async () => {
        const before = name;
        name = await heading(page).innerText();
        return name === before;
      },
      { intervals: [300] },
    )
    .toBe(true);
  return name;
}

/** Answers the check that is advised. Out: its name. */
async function answer(page: Page): Promise<string> {
  const name = await settled(page);
  const before = await count(page);
  const group = page.getByRole('group', { name: 'Answers' });
  const wanted = ANSWERS[name];
  const button = wanted ? group.getByRole('button', { name: wanted, exact: true }) : group.getByRole('button').first();
  const ticks = (await page.getByRole('button', { name: 'Save', exact: true }).count()) > 0;
  await button.click();
  if (ticks) await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect.poll(() => count(page)).toBe(before + 1);
  await expect(heading(page)).not.toHaveText(name);
  return name;
}

test(
  'from a held return by the advice to a confirmed cause; one reading taken back, a reload in the middle, nothing lost',
  { tag: '@phone' },
  async ({ page, server }) => {
    await signIn(page, 'Ivo Tarnwell');
    const tag = await freshUnit(server, 'welder');
    const thumb = new Thumb(page);
    await page.goto(`/u/${tag}/check-in`);
    await page.keyboard.type(await hoursAfter(page, 1.4));
    await thumb.tap('Next');
    for (const name of ['Fuel full', 'Was shut', 'Nobody said', 'All of it']) await thumb.tap(name);
    await thumb.tap('Would not fire');
    await thumb.tap(/^(Next|Nothing noticed)$/);
    await walkRound(thumb);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Held');
    await thumb.tap('Confirm');
    await thumb.tap(`See ${tag}`);
    await thumb.tap('Find the fault');
    await expect(page.getByText('Seen so far')).toBeVisible();
    await expect(page.getByText('How it starts: will not fire')).toBeVisible();
    await expect(page.getByRole('button', { name: /^Plug fouled, .*: why\?$/ })).toBeVisible();

    const told = await count(page);
    const made = [await answer(page), await answer(page)];
    await page.reload();
    await expect.poll(() => count(page)).toBe(told + 2);
    await page.getByRole('button', { name: `Take back: ${made[1]}` }).click();
    await expect.poll(() => count(page)).toBe(told + 1);
    await settled(page);
    for (let n = 0; n < 14 && (await page.getByRole('button', { name: 'Confirm: it is this' }).count()) === 0; n++)
      made.push(await answer(page));
    expect(new Set(made).size).toBeGreaterThanOrEqual(4);
    await expect(
      page.getByText(/(^Most likely: coil failed)|(^(That explains it|Seen).*coil failed)/).first(),
    ).toBeVisible();

    await page.getByRole('button', { name: /^Coil failed, .*: why\?$/ }).click();
    await expect(
      page
        .getByRole('dialog')
        .getByText(/^Coil’s secondary: open|^Kill wire taken off: no change/)
        .first(),
    ).toBeVisible();
    await page.getByRole('dialog').getByRole('button', { name: 'Close' }).last().click();
    await page.getByRole('button', { name: 'Confirm: it is this' }).click();
    await page.getByRole('button', { name: 'Confirm the cause' }).click();
    await expect(page.getByText(`${tag}: found`)).toBeVisible();
    await thumb.tap(`See ${tag}`);
    // The end of the story: on a busy machine it takes its time to be read.
    await expect(page.getByText('Found: coil failed')).toBeVisible({ timeout: 40_000 });
    await expect(page.getByText('Replace the coil, set its gap').first()).toBeVisible();
  },
);

test(
  'an engine alone: a reading on its gauge, worked without a connection, sent when it is back',
  { tag: '@phone' },
  async ({ page, context }) => {
    await signIn(page, 'Maren Askild', '/find');
    await expect(page.getByText('Nothing seen yet.')).toBeVisible();
    await context.setOffline(true);
    await page.getByRole('button', { name: 'Another check' }).click();
    await page.getByLabel('Find a check').fill('compression by gauge');
    await page.getByRole('dialog').getByRole('button', { name: 'Compression by gauge' }).click();
    await page.getByRole('button', { name: 'By drill' }).click();
    await page.getByLabel('Gauge, psi').fill('4x');
    await expect(page.getByText('Enter a figure, in psi, kPa or bar.')).toBeVisible();
    await page.getByLabel('Gauge, psi').fill('42');
    await page.getByRole('button', { name: 'Take it: failed' }).click();
    await expect(page.getByText('Compression by gauge: failed')).toBeVisible();
    await expect(page.getByText(/not sent yet/)).toBeVisible();
    await expect(page.getByLabel('Compression: suspect')).toBeVisible();
    await context.setOffline(false);
    await expect(page.getByText(/not sent yet/)).toHaveCount(0, { timeout: 30_000 });
  },
);

test('a case goes in and out; a wrong one is refused by name', { tag: '@wide' }, async ({ page }) => {
  await signIn(page, 'Maren Askild', '/find');
  const file = (text: string) =>
    page
      .getByLabel('Case file')
      .setInputFiles({ name: 'case.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await file('{"observations":{"choke":"need-choke"}}');
  await expect(
    page.getByText('“choke” has no outcome “need-choke”. The nearest known one is “needs-choke”.'),
  ).toBeVisible();
  await file(
    '{"class":"generator","engine":{"release":false},"observations":{"compression":{"value":62,"unit":"psi","method":"pull"},"leak-place":["breather","exhaust"]}}',
  );
  await expect(
    page.getByText('Where it hisses: muffler and breather').or(page.getByText('Where it hisses: breather and muffler')),
  ).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export case' }).click();
  const stream = await (await download).createReadStream();
  const chunks: Buffer[] = [];
  for await (const chunk of stream) chunks.push(chunk);
  expect(JSON.parse(Buffer.concat(chunks).toString())).toMatchObject({
    format: 'hudrik-case/1',
    class: 'generator',
    engine: { release: false },
    observations: { compression: { value: 62, unit: 'psi', method: 'pull' }, 'leak-place': ['breather', 'exhaust'] },
  });
});

test('the sum runs in a web worker', { tag: '@wide' }, async ({ page }) => {
  const worker = page.waitForEvent('worker');
  await signIn(page, 'Maren Askild', '/u/GE-07/find');
  expect((await worker).url()).toMatch(/diagnosis/);
  await expect(page.getByText(/^Easy things first: about/)).toBeVisible({ timeout: 20_000 });
});

test(
  'what was seen is put right first; when the trouble stays it goes on from there; what is known is said, and taken back',
  { tag: '@phone' },
  async ({ page, server }) => {
    await signIn(page, 'Ivo Tarnwell');
    const tag = await freshUnit(server, 'pressure-washer');
    const { id: findingId } = await enter(page.request, { tag }, 'finding-opened', {
      machine: { engine: {}, past: {} },
    });
    for (const [observation, outcome] of [
      ['runs-for', '10-to-30-min'],
      ['inlet-screen', 'dirty'],
    ])
      await enter(page.request, { findingId }, 'seen', { observation, outcomes: [outcome], reading: null });
    await page.goto(`/u/${tag}/find`);
    await expect(page.getByText(/^That explains it \(\d in 10\): inlet screen blocked\.$/)).toBeVisible();
    await page.getByRole('button', { name: 'Put right now: Inlet screen blocked' }).click();
    await page.getByRole('button', { name: 'Repaired, and the trouble is still there' }).click();
    await expect(page.getByText('Seen, to be put right')).toBeHidden();
    await expect(page.getByText('Repaired: inlet screen blocked')).toBeVisible();

    await page.getByRole('button', { name: /^Cap vent blocked, .*: why\?$/ }).click();
    const why = page.getByRole('dialog');
    await why.getByRole('button', { name: 'I know that it is so …' }).click();
    await expect(why.getByText('Say how you know.')).toBeVisible();
    await why.getByLabel('How you know').fill('Blew through it');
    await why.getByRole('button', { name: 'It is so', exact: true }).click();
    await expect(page.getByText('Known to be so: cap vent blocked')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Put right now: Cap vent blocked' })).toBeVisible();
    await page.reload();
    await page.getByRole('button', { name: 'Take back: Cap vent blocked' }).click();
    await expect(page.getByRole('button', { name: 'Put right now: Cap vent blocked' })).toBeHidden();
  },
);

test(
  'a washer that stood: a bundle while it is open, four causes seen, confirmed together, and all of it off on the card',
  { tag: '@phone' },
  async ({ page, server }) => {
    await signIn(page, 'Ivo Tarnwell');
    const tag = await freshUnit(server, 'pressure-washer');
    const { id: findingId } = await enter(page.request, { tag }, 'finding-opened', {
      machine: { engine: { carburettor: 'float', fuel: 'petrol' }, past: { daysStood: 730, stored: 'fuel-left' } },
    });
    for (const [observation, outcome] of [
      ['starting', 'will-not-fire'],
      ['fuel-look', 'stale'],
      ['tank-look', 'debris'],
      ['bowl-look', 'varnish'],
    ])
      await enter(page.request, { findingId }, 'seen', { observation, outcomes: [outcome], reading: null });
    await page.goto(`/u/${tag}/find`);
    await expect(page.getByText('Seen, to be put right')).toBeVisible();
    await expect(page.getByText(/^Into the tray: bowl\.$/)).toBeVisible();
    // The bowl is off with it: what lies behind it costs a minute a look.
    await expect(page.getByText('While it is open')).toBeVisible();
    await page.getByRole('button', { name: 'Main jet: blocked' }).click();
    await expect(page.getByText(/^That explains it \(.*\): .*main jet blocked/)).toBeVisible();
    const causes = ['Main jet blocked', 'Carburettor varnished throughout', 'Dirt in the tank', 'Stale fuel'];
    for (const cause of causes)
      await expect(page.getByRole('button', { name: `Put right now: ${cause}` })).toBeVisible();
    await page.getByRole('button', { name: 'It is these 4' }).click();
    await page.getByRole('button', { name: 'Confirm 4 causes' }).click();
    await expect(page.getByText(`${tag}: found`)).toBeVisible();
    for (const cause of causes) await expect(page.getByText(cause, { exact: true }).first()).toBeVisible();
    await page.getByRole('button', { name: 'To its card', exact: true }).click();
    await expect(page.getByText('Bowl', { exact: true }).first()).toBeVisible();
    await page.goto(`/u/${tag}/check-out`);
    await expect(page.getByText(/^No\. Held: /)).toBeVisible();
  },
);
