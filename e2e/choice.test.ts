import { expect, type Page } from '@playwright/test';
import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { startApp, test, type App } from './app';

/* What to buy: from a brief to the build in the job, as a person asks. */
let app: App;
test.beforeAll(async () => {
  app = await startApp();
});
test.afterAll(() => app.stop());

const answer = (page: Page, kind: string | RegExp) => page.getByRole('button', { name: kind });
const found = (page: Page) => page.getByText(/builds that plug together were looked at/);
const heading = (page: Page, name: string | RegExp) => page.getByRole('heading', { name });

test(
  'an answer in one sentence, the build taken, kept on record, taken back by undo',
  { tag: '@quick' },
  async () => {
    const { page, faults } = await app.open('/jobs/demo-acoustics-offload/choice');
    await found(page).waitFor();
    const first = answer(page, /^Meets every target/).first();
    await expect(first).toContainText(/EUR/);
    await expect(answer(page, /Meets every target at least cost/)).toContainText(/at least 90.% probability/);
    // What is built now fell out, and the page says why, as the forecast does.
    await page.getByText(/^Your current build is not among them: .* The work fills it before/).waitFor();
    // What to ask first, as it may make another build the one to buy.
    await page
      .getByRole('region', { name: 'Worth finding out before buying' })
      .getByText(/^Ask how full .* cases another build is the one to buy.*EUR\.$/)
      .waitFor();
    const words = (await first.locator('.MuiTypography-h2').first().textContent())!;
    await heading(page, words).waitFor();
    await page.getByRole('button', { name: 'Take this build' }).click();
    await page.getByRole('button', { name: 'In the job' }).waitFor();
    await heading(page, 'Chosen so far').waitFor();
    const strip = page.getByText(/^Flow .* with a fresh cache/);
    await strip.waitFor();
    // The forecast of the build says what the answer said.
    const said = /in ((?:\d+\smin\s)?[\d.]+\ss), target/.exec(
      (await first.textContent())!.replace(/\u00a0/g, ' '),
    )![1]!;
    await page
      .getByRole('button', { name: 'See its forecast' })
      .or(page.getByRole('link', { name: 'See its forecast' }))
      .click();
    const row = page.getByRole('row', { name: /^Nightly offload/ });
    await row.waitFor();
    await expect.poll(async () => (await row.innerText()).replace(/\u00a0/g, ' ')).toContain(said);
    await page.keyboard.press('Control+z');
    await page.goBack();
    await page.getByRole('button', { name: 'Take this build' }).waitFor();
    expect(faults).toEqual([]);
  },
);

test('the probability, the plot and the table choose; two stand side by side; why not another; all saved as CSV', async () => {
  const { page, faults } = await app.open('/jobs/demo-herbarium-scans/choice');
  await found(page).waitFor();
  const first = answer(page, /^Meets every target at least cost/);
  const before = await first.textContent();
  await page.getByLabel('Probability of each target').fill('99.9');
  // Searched anew, beside whatever else the machine does.
  await expect.poll(async () => first.textContent(), { timeout: 60_000 }).not.toBe(before);
  await page.getByLabel('Probability of each target').fill('90 %');
  await expect.poll(async () => first.textContent(), { timeout: 60_000 }).toBe(before);

  const plot = page.getByRole('slider', { name: /^Builds that nothing beats/ });
  await plot.focus();
  const close = page.getByRole('heading', { level: 2 }).nth(1);
  const shown = await close.textContent();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect.poll(async () => close.textContent()).not.toBe(shown);

  await page.getByRole('button', { name: 'Meet every target' }).click();
  await page.getByLabel('Find a build').fill('gannet 4 tb');
  const rows = page.getByRole('row').filter({ hasText: 'Gannet 4 TB' });
  await rows.nth(1).waitFor();
  await expect(page.getByRole('row').filter({ hasText: 'Merlin' })).toHaveCount(0);
  await rows.nth(0).getByRole('checkbox').click();
  await page.getByLabel('Find a build').fill('merlin 4 tb');
  await page.getByRole('row').filter({ hasText: 'Merlin 4 TB' }).first().getByRole('checkbox').click();
  await heading(page, 'Side by side').waitFor();
  await page.getByRole('row', { name: /^To be paid/ }).waitFor();
  await page
    .getByLabel(/^An hour is worth/)
    .last()
    .fill('35');
  await page.getByRole('row', { name: /^Pays back against the first/ }).waitFor();
  await page
    .getByRole('row', { name: /^A day’s scans/ })
    .getByRole('button')
    .first()
    .click();
  await page.getByLabel('The working', { exact: true }).waitFor();
  await page.keyboard.press('Escape');

  await page.getByLabel('Why not …').fill('sedge qlc');
  const fell = page.getByRole('list', { name: 'What fell out' });
  await expect(fell.getByRole('listitem').first()).toContainText('Sedge');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as CSV' }).click(),
  ]);
  const csv = (await readFile(await download.path(), 'utf8')).trim().split(/\r?\n/);
  expect(csv[0]).toMatch(/^Build,Port,Cost \(EUR\),/);
  expect(csv.length).toBeGreaterThan(1);
  expect(csv.slice(1).every((line) => line.includes('Merlin 4 TB'))).toBe(true);
  for (const [button, holds] of [
    ['Save as an offer', /<title>Offer: .*Date and signature/s],
    ['Save the order list', /<title>Order list: .*Can go back within.*To be paid/s],
  ] as const) {
    const [page_] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: button }).click(),
    ]);
    expect(await readFile(await page_.path(), 'utf8')).toMatch(holds);
  }
  expect(faults).toEqual([]);
});

test('a little more money for much less waiting stands first, the cheapest beside it', async () => {
  const { page, faults } = await app.open('/jobs/demo-herbarium-scans/choice');
  const first = answer(page, /^Meets every target, much better for a little more/);
  await expect(first).toContainText(/EUR more than the cheapest .* and \d+.% less waiting/);
  await expect(first).toHaveAttribute('aria-pressed', 'true');
  await expect(answer(page, /^Meets every target at least cost/)).toContainText(/at least 90.% probability/);
  expect(faults).toEqual([]);
});

test('an expansion bay: only what goes inside, with what it needs; a drive already there costs nothing', async () => {
  const { page, faults } = await app.open('/jobs/demo-simulator-bay/choice');
  await found(page).waitFor();
  const first = answer(page, /^Meets every target at least cost/);
  await expect(first).toContainText('Kestrel 1 TB');
  await expect(first).toContainText('is processing, which no drive shortens');
  await page.getByText('Hollin Standoff and screw set, Oystral Fin Low').waitFor();
  await page.getByText('Reads less than the host’s maker asks for').waitFor();
  await page.getByRole('button', { name: /^Not inside the machine/ }).waitFor();
  // Weights that somebody set stay, for this role, over a reload.
  await page.getByLabel('Weight of Cost').focus();
  await page.keyboard.press('ArrowRight');
  const weights = page.getByRole('combobox', { name: 'Weights for' });
  await expect(weights).toHaveText('Own weights');
  await page.getByText('Saved in this browser').waitFor();
  await page.reload();
  await found(page).waitFor();
  await expect(weights).toHaveText('Own weights');
  await page.getByRole('button', { name: 'As the role has it' }).click();
  await expect(weights).toHaveText('Expansion bay');
  await page.getByLabel('Of the customer or on the shelf').fill('merlin 2');
  await page.getByRole('option', { name: 'Oystral Merlin 2 TB' }).click();
  await expect(first).toContainText('Merlin 2 TB');
  await page.getByText('already there, costs nothing').waitFor();
  expect(faults).toEqual([]);
});

test('two devices placed together on ports of their own, taken into the job; what they cost when it changes is told', async () => {
  const { page, faults } = await app.open('/jobs/demo-herbarium-scans/choice');
  await page.getByRole('button', { name: 'Place all devices together' }).click();
  // Two whole searches and all their pairs: on a machine that tests beside it half a minute.
  await page.getByText(/^In all .*\sEUR$/).waitFor({ timeout: 90_000 });
  await page.getByRole('button', { name: 'Take them all' }).click();
  const places = page.getByRole('navigation', { name: 'Device and machine' });
  await page.getByText(/^Flow .* with a fresh cache/).waitFor();
  await places.getByRole('link', { name: /^Four-bay archive/ }).click();
  await page.getByText(/^Flow .* with a fresh cache/).waitFor();

  // One build is taken alone; a price noted later is held against the one it was chosen at.
  await places.getByRole('link', { name: /^Working disk/ }).click();
  await found(page).waitFor();
  await answer(page, /Least money within 5\s%/).click();
  // What all were taken together from is on record already.
  await expect(page.locator('details', { hasText: 'Merlin 4 TB' })).toHaveCount(1);
  await page.getByRole('button', { name: 'Take this build' }).click();
  const records = page.locator('details', { hasText: 'Merlin 4 TB' });
  await expect(records).toHaveCount(2);
  const record = records.first();
  await record.locator('summary').click();
  await record.getByText(/^The same parts today: .*, as when chosen\.$/).waitFor();
  await record.getByLabel('Tell me below, EUR').fill('300');
  await page.goto(`${app.address}/parts/drives/oystral-merlin-4t`);
  await page.getByLabel('Today, EUR').fill('219');
  await page.getByRole('button', { name: 'Note this price' }).click();
  await page.getByRole('img', { name: 'Price of one over time, EUR' }).waitFor();
  await page.getByText('Saved in this browser').waitFor();
  await page.goBack();
  await found(page).waitFor();
  await records.first().locator('summary').click();
  await page.getByText(/^Below 300\sEUR: the same parts cost/).waitFor();
  expect(faults).toEqual([]);
});

test('a price in another currency counts once its rate is noted', async () => {
  const { page, faults } = await app.open('/jobs/demo-acoustics-offload/choice');
  await found(page).waitFor();
  await page.goto(`${app.address}/settings`);
  const panel = page.locator('section', { has: page.getByRole('heading', { name: 'Currencies' }) });
  await panel.getByLabel('One').fill('chf');
  await panel.getByLabel('is worth today').fill('1,07');
  await panel.getByLabel('in', { exact: true }).fill('euro');
  await panel.getByText('Three letters, as EUR').waitFor();
  await expect(panel.getByRole('button', { name: 'Add' })).toBeDisabled();
  await panel.getByLabel('in', { exact: true }).fill('eur');
  await panel.getByRole('button', { name: 'Add' }).click();
  await panel.getByText(/^1\sCHF = 1\.07\sEUR, on/).waitFor();
  await page.reload();
  await panel.getByText(/^1\sCHF = 1\.07\sEUR, on/).waitFor();
  await panel.getByRole('button', { name: /^Remove the rate of CHF/ }).click();
  await panel.getByText(/^1\sCHF/).waitFor({ state: 'detached' });
  expect(faults).toEqual([]);
});

test('from empty: an external for a laptop that later moves into a desktop; the answer, its reason, its figures there', async () => {
  const { page, faults } = await app.open('/jobs');
  const field = (name: string) => page.getByLabel(name, { exact: true }).last();
  await page.getByRole('button', { name: 'New job', exact: true }).click();
  await page.getByRole('button', { name: 'Choose the machine' }).last().click();
  await page.getByRole('menuitem', { name: 'Thin laptop', exact: true }).click();
  await page.getByRole('button', { name: 'Add an activity' }).click();
  await field('Activity').fill('Interviews off the recorder');
  await field('Size in one go').fill('96 GB');
  await field('Files').fill('2100');
  await field('Target time').fill('9 min');
  await page.getByRole('combobox', { name: 'Moves to a faster machine later' }).click();
  await page.getByRole('option', { name: 'yes', exact: true }).click();
  await page
    .getByRole('navigation', { name: 'Stages of the job' })
    .getByRole('link', { name: /^Choice/ })
    .click();
  const first = answer(page, /^Meets every target at least cost/);
  await expect(first).toContainText(/Interviews off the recorder in .*, target 9.min/);
  await page.getByRole('combobox', { name: 'Next machine' }).click();
  await page.getByRole('option', { name: 'Office desktop' }).click();
  await page.getByRole('region', { name: 'Later' }).getByText(/here /).waitFor();
  await page.getByRole('button', { name: 'Take this build' }).click();
  await page.getByRole('button', { name: 'In the job' }).waitFor();
  await page.getByText(/^Flow .* with a fresh cache/).waitFor();
  expect(faults).toEqual([]);
});

test('a budget nothing meets, a currency without prices, and a machine nothing goes with: each says what to do', async () => {
  const { page, faults } = await app.open('/jobs/demo-acoustics-offload/brief');
  const stage = (name: RegExp) =>
    page.getByRole('navigation', { name: 'Stages of the job' }).getByRole('link', { name });
  await page.getByLabel('Budget', { exact: true }).fill('60');
  await stage(/^Choice/).click();
  await page
    .getByText(/^Nothing that works costs at most 60\sEUR: the cheapest that works costs .*\sEUR/)
    .waitFor();
  await stage(/^Brief/).click();
  await page.getByRole('combobox', { name: 'Currency' }).click();
  await page.getByRole('option', { name: 'CHF' }).click();
  await stage(/^Choice/).click();
  await page.getByText(/^No price is known in CHF, so nothing can be called cheapest/).waitFor();
  await expect(answer(page, /^Meets every target/)).toContainText('price not known');
  await page.getByText('Drawn once prices are known.').waitFor();
  // The targets are raised beyond anything: what comes nearest is told, and the target that is in the way.
  await stage(/^Brief/).click();
  await page.getByLabel('Target time').first().fill('9 s');
  await stage(/^Choice/).click();
  await answer(page, /^Comes nearest/).waitFor();
  expect(faults).toEqual([]);
});

test('a library of 20,000 drives: searched beside the page, what is found first told meanwhile, cancelled at once', async () => {
  const { page, faults } = await app.open('/parts');
  const lines = Array.from(
    { length: 20_000 },
    (_, i) =>
      `q-${i},Quillfen,Brook ${i},flash,M.2 2280,M.2,pcie4x4,${1 + (i % 4)} TB,${5000 + (i % 1900)} MB/s,${3900 + (i % 1400)} MB/s`,
  );
  const path = join(app.folder, 'very-many.csv');
  const head = 'Id,Maker,Model,Medium,Form factor,Plug,Modes,Capacity,Reads,Writes';
  await writeFile(path, [head, ...lines].join('\n'));
  await page.getByLabel('File with parts').setInputFiles(path);
  await page.getByRole('button', { name: 'Take over 20,000' }).click({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Drives (20041)' }).waitFor({ timeout: 60_000 });
  // They are still being stored while somebody goes on.
  await page.getByRole('link', { name: 'All jobs' }).click();
  await page
    .getByRole('link', { name: /Nightly offload/ })
    .first()
    .click();
  await page
    .getByRole('navigation', { name: 'Stages of the job' })
    .getByRole('link', { name: /^Choice/ })
    .click();
  await page.getByText(/builds looked at\. So far: /).waitFor({ timeout: 100_000 });
  // The page answers while the search goes on.
  await page.getByLabel('Probability of each target').click();
  await expect(page.getByLabel('Probability of each target')).toBeFocused();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await page.getByRole('button', { name: 'Search' }).waitFor();
  expect(faults).toEqual([]);
});
