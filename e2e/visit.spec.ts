import { expect, test, type Page } from './test';
import { enter, freshUnit, jsonOf, laterInProof, signIn, Thumb, untilTaken } from './yard';

const button = (page: Page, name: string | RegExp) =>
  page.getByRole('button', { name, ...(typeof name === 'string' ? { exact: true } : {}) });
const readiness = async (page: Page, tag: string) =>
  (await jsonOf<{ unit: { verdict: { readiness: string } } }>(await page.request.get(`/api/units/${tag}`))).unit.verdict
    .readiness;

/** A log splitter with a cause found, a damage written down and an oil service due: three jobs. Out: its tag and one of the jobs. */
async function threeJobs(page: Page, server: Parameters<typeof freshUnit>[0]) {
  const tag = await freshUnit(server, 'log-splitter');
  const { id } = await enter(page.request, { tag }, 'finding-opened', { machine: { engine: {}, past: {} } });
  const { jobId } = await enter(page.request, { findingId: id }, 'causes-confirmed', {
    causes: ['main-jet-blocked'],
    note: '',
  });
  const raise = (job: object) => enter(page.request, { tag }, 'job-raised', { minutes: 20, ...job });
  await raise({ kind: 'prep', title: 'Straighten the guard', blocks: 'prep' });
  await raise({ kind: 'service', title: 'Oil service', work: 'oil-service', blocks: 'none' });
  return { tag, jobId };
}

test(
  'three jobs on one visit: one teardown, one proof, a look at each, and it is fit',
  { tag: '@wide' },
  async ({ page, server }) => {
    test.setTimeout(180_000);
    await signIn(page, 'Ivo Tarnwell');
    const { tag, jobId } = await threeJobs(page, server);
    await page.goto(`/j/${jobId}`);
    for (const title of ['Clear the main jet', 'Straighten the guard', 'Oil service'])
      await expect(page.getByRole('heading', { name: title, level: 2 })).toBeVisible();
    await button(page, /^Start work on it/).click();
    for (const title of ['Straighten the guard', 'Oil service']) await button(page, `Start: ${title}`).click();
    await expect(page.getByRole('checkbox', { name: 'New oil of the model’s grade to the mark' })).toBeVisible();
    // What must be made safe is made safe once.
    await expect(page.getByRole('checkbox', { name: /^Engine cool, plug lead off/ })).toHaveCount(1);
    await button(page, 'Something else came off').click();
    const sheet = page.getByRole('dialog');
    await sheet.getByLabel('What it is').fill('Bowl');
    await expect(sheet.getByText('Say what it belongs to: the proof asks after that.')).toBeVisible();
    await sheet.getByRole('button', { name: 'Fuel', exact: true }).click();
    await sheet.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(button(page, 'Prove it: parts are still off')).toBeDisabled();
    await button(page, 'Put back: 1 to go').click();
    await button(page, 'It is back on').click();
    await button(page, 'To the card').first().click();
    // The damage is signed under its own heading, the rest by one proof.
    await button(page, 'Sign off: Straighten the guard').click();
    for (const look of await page.getByRole('dialog').getByRole('checkbox').all()) await look.click();
    await page.getByRole('dialog').getByRole('button', { name: 'Sign off', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Straighten the guard', level: 2, exact: true })).toBeHidden();
    expect(await readiness(page, tag)).toBe('held');
    await button(page, 'Prove it').click();

    // One proof for what is left: leaks, the class's minutes under load, the level again.
    const thumb = new Thumb(page);
    await thumb.tap('Fuel on: dry');
    await thumb.tap('It runs: start the time');
    await page.getByRole('dialog').getByRole('textbox').fill('20');
    await button(page, 'It is set').click();
    await thumb.tap('Exhaust clear');
    await untilTaken(page, jobId, 'smoke');
    await laterInProof(server, tag, 16);
    await page.reload();
    for (const [reading, figure] of [
      ['Cycle, out and back', '13'],
      ['Pressure in the log', '190'],
      ['Creep in a minute, valve at rest', '2'],
    ] as const) {
      await button(page, `${reading}: type it`).click();
      await page.getByLabel(/^Reading, /).fill(figure);
      await button(page, 'Save the reading').click();
    }
    await expect(page.getByText('When the whole time is run and it is stopped.').first()).toBeVisible();
    await thumb.tap('Stop the run');
    await untilTaken(page, jobId, 'run-stopped');
    await expect(page.getByText(/^From .* on: the oil has to run back/)).toBeVisible();
    await laterInProof(server, tag, 6);
    await page.reload();
    await expect(page.getByRole('group', { name: 'Stopped, five minutes: oil at the mark again' })).toBeVisible();
    for (const right of await page.getByRole('button', { name: 'Right', exact: true }).all()) {
      thumb.taps++;
      await right.click();
    }
    await thumb.tap('Passed');
    await thumb.tap(/were done: tick them$/);
    for (const look of await page.getByRole('dialog').getByRole('checkbox').all()) {
      thumb.taps++;
      await look.click();
    }
    await thumb.tap(/^Passed: sign/);
    await expect(page.getByText(`${tag}: proven.`)).toBeVisible();
    expect(await readiness(page, tag)).toBe('fit');
    expect(thumb.taps).toBeLessThanOrEqual(12);
  },
);

test('a failed proof goes back into the finding with everything there', { tag: '@phone' }, async ({ page, server }) => {
  await signIn(page, 'Ivo Tarnwell');
  const { tag, jobId } = await threeJobs(page, server);
  await enter(page.request, { jobId }, 'job-started', {});
  await enter(page.request, { jobId }, 'to-proof', {});
  await page.goto(`/j/${jobId}/proof`);
  await button(page, 'Failed: find the fault again').click();
  await expect(page.getByText('Seen so far')).toBeVisible();
  const kinds = async () =>
    (
      await jsonOf<{ finding: { entries: { kind: string }[] } | null }>(
        await page.request.get(`/api/units/${tag}/finding`),
      )
    ).finding?.entries.map((entry) => entry.kind);
  await expect.poll(kinds).toEqual(expect.arrayContaining(['finding-opened', 'repaired']));
  await page.goto(`/j/${jobId}`);
  await expect(button(page, 'The finding')).toBeVisible();
});

test('the desk finds what is free and fit, and books it', { tag: '@wide' }, async ({ page, server }) => {
  const tag = await freshUnit(server, 'welder');
  await signIn(page, 'Lise Borrowby', '/');
  await page.getByRole('group', { name: 'Class' }).getByRole('button', { name: 'Welder' }).click();
  await button(page, `Book ${tag}`).click();
  await page.getByLabel('Reference').fill(`F-${tag}`);
  await page.getByLabel('Hirer (optional)').fill('Boat slip');
  await button(page, 'Book it').click();
  await expect(page.getByLabel('Reference')).toBeHidden();
  await page.goto(`/u/${tag}`);
  await expect(page.getByText(new RegExp(`^F-${tag}, `)).first()).toBeVisible();
  const { hires } = await jsonOf<{ hires: { hirer: string }[] }>(await page.request.get(`/api/hires?tag=${tag}`));
  expect(hires.map((hire) => hire.hirer)).toEqual(['Boat slip']);
});
