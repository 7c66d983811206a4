import { expect, type Page } from '@playwright/test';
import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { CASES, caseJob } from '../core/fixtures/cases';
import { writeJob } from '@kymar/core/job';
import { startApp, test, type App } from './app';

/*
 * Jobs of docs/cases on the page, from a brief without a build to the handover, in both themes.
 */
let app: App;
test.beforeAll(async () => {
  app = await startApp();
});
test.afterAll(() => app.stop());

/** Each with what its activity took, as somebody types it; null where nothing is timed. */
const DONE = [
  { id: 'archive-that-survives', took: null },
  { id: 'windows-7-bios', took: '38 s' },
  { id: 'backup-in-turns', took: '24m' },
  { id: 'camera-cards', took: '11m30' },
  { id: 'program-start-x1', took: '23s' },
  { id: 'mixed-small-files', took: '9 min' },
] as const;

const stage = (page: Page, name: string) =>
  page
    .getByRole('navigation', { name: 'Stages of the job' })
    .getByRole('link', { name: new RegExp(`^${name}`) })
    .click();

for (const [i, { id, took }] of DONE.entries()) {
  const theme = i % 2 === 0 ? 'light' : 'dark';
  test(`${id}, ${theme}`, async () => {
    const one = CASES.find((each) => each.id === id)!;
    const made = caseJob(one);
    const [device] = made.devices;
    const job = {
      ...made,
      id: `case-${id}`,
      title: id,
      devices: [{ ...device!, parts: null }],
      connections: [],
    };
    const file = join(app.folder, `${id}.json`);
    await writeFile(file, writeJob(job));
    const { page, faults } = await app.open('/jobs', { colorScheme: theme });
    await page.getByTestId('import-file').setInputFiles(file);
    await page.getByRole('heading', { name: id }).waitFor();

    await stage(page, 'Choice');
    await page.getByText(/builds that plug together were looked at/).waitFor();
    await page.getByRole('button', { name: 'Take this build' }).click();
    await page.getByRole('button', { name: 'In the job' }).waitFor();

    // What was advised is not blocked by Path, and its forecast can be frozen.
    await stage(page, 'Path');
    await page.getByText(/^Flow: /).waitFor();
    await expect(page.getByText(/^Blocks$/)).toHaveCount(0);
    await stage(page, 'Forecast');
    await page.getByRole('button', { name: 'Freeze this forecast' }).click();
    await page.getByText(/hash [0-9a-f]{10}/).waitFor();

    await stage(page, 'Set-up');
    await page.getByText(/of hands-on work/).waitFor();
    for (const step of one.must.steps ?? [])
      await expect(page.locator(`[data-said*=" step ${step} "]`).first()).toBeVisible();
    for (const step of one.never.steps ?? [])
      await expect(page.locator(`[data-said*=" step ${step} "]`)).toHaveCount(0);

    if (took !== null) {
      await stage(page, 'Bench');
      await page.getByRole('tab', { name: 'Enter a figure' }).click();
      await page.getByRole('combobox', { name: 'What is known' }).click();
      await page.getByRole('option', { name: 'How long the activity took' }).click();
      for (let run = 0; run < 3; run++) {
        await page.getByLabel('It took').fill(took);
        await page.getByRole('button', { name: 'Keep this figure' }).click();
      }
      await stage(page, 'Verdict');
      await page.getByText('The target is met.').first().waitFor();
      await page.getByLabel('In words, for the customer').fill('As agreed.');
      await page.getByRole('button', { name: 'Decide', exact: true }).click();
    }
    await stage(page, 'Handover');
    const article = page.getByRole('article');
    await article
      .getByText(/^Chosen on/)
      .first()
      .waitFor();
    if (took !== null) await article.getByText('As agreed.').first().waitFor();
    expect(await article.textContent()).not.toMatch(/undefined|NaN|\[object/);
    if (process.env.KYMAR_LOOK) await page.screenshot({ path: `/tmp/look/${id}.png`, fullPage: true });
    expect(faults).toEqual([]);
  });
}
