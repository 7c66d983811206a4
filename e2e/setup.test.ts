import { expect, test } from '@playwright/test';
import { startApp, type App } from './app';

let app: App;
test.beforeAll(async () => {
  app = await startApp();
});
test.afterAll(() => app?.stop());

const SETUP = '/jobs/demo-acoustics-archive/setup';

test('the checklist: steps done and left out with a reason, kept over a reload; a format tracked by its display', async () => {
  const { page, faults } = await app.open(SETUP);
  const status = page.getByText(/done or left out/);
  await status.getByText(/^0 of \d+ done/).waitFor();
  await page.getByRole('checkbox', { name: /^Write down the serial number/ }).check();
  await status.getByText(/^1 of/).waitFor();
  // A reason is asked for what is left out.
  await page.getByRole('button', { name: 'Leave out: Label it' }).click();
  await expect(page.getByRole('button', { name: 'Leave out', exact: true })).toBeDisabled();
  await page.getByLabel('Why is it left out?').fill('the customer labels');
  await page.keyboard.press('Enter');
  await page.getByText('Left out: the customer labels').waitFor();

  await page.getByLabel('Serial number', { exact: true }).fill('SN-0042');
  await page.getByLabel('Bought on').fill('2026-11-20');
  // What is not understood stays, also over another view.
  const days = page.getByLabel('Can go back within, days');
  await days.fill('two weeks');
  const stage = (name: RegExp) =>
    page.getByRole('navigation', { name: 'Stages of the job' }).getByRole('link', { name });
  await stage(/^Bench/).click();
  await page.getByRole('table', { name: 'Tests of the protocol' }).waitFor();
  await stage(/^Set-up/).click();
  await expect(days).toHaveValue('two weeks');
  await days.fill('14');
  await page.getByText(/go back until 4 Dec(ember)? 2026/).waitFor();

  // Pressed late: the start is put right, the end follows, and is no straight line.
  await page.getByRole('button', { name: 'It starts now' }).click();
  await page.getByLabel('It shows now').fill('40 %');
  await page.getByRole('button', { name: 'Add checkpoint' }).click();
  await page.getByText(/^That would be faster than the disk/).waitFor();
  await page.getByLabel('Started').fill('2026-11-26T06:00');
  await page.getByLabel('Checkpoint 1 at').fill('2026-11-26T08:05');
  await page.getByText(/A straight line would say/).waitFor();
  await page.getByText(/^That would be faster/).waitFor({ state: 'detached' });
  await page.getByRole('link', { name: /^Set-up.*A full format is under way/ }).waitFor();
  await page.getByText('Saved in this browser').waitFor();
  await page.reload();
  await status.getByText(/^2 of/).waitFor();
  await page.getByText('Left out: the customer labels').waitFor();
  await expect(page.getByLabel('Serial number', { exact: true })).toHaveValue('SN-0042');
  await page.getByText(/A straight line would say/).waitFor();
  await page.getByRole('button', { name: 'It is done' }).click();
  await page.getByRole('heading', { name: 'Full format, done' }).waitFor();
  // One step back at a time.
  await page.getByRole('checkbox', { name: /^Write down the serial number/ }).uncheck();
  await status.getByText(/^1 of/).waitFor();
  await page.keyboard.press('Control+z');
  await status.getByText(/^2 of/).waitFor();
  expect(faults).toEqual([]);
});

test('all through, by keyboard alone: the stage is done', async () => {
  const { page, faults } = await app.open(SETUP);
  const boxes = page.getByRole('checkbox');
  await boxes.first().waitFor();
  const count = await boxes.count();
  await boxes.first().focus();
  for (let i = 0; i < count; i++) {
    await page.keyboard.press('Space');
    await expect(boxes.nth(i)).toBeChecked();
    // From box to box: what leaves a step out stands between those still open.
    while (i + 1 < count && !(await boxes.nth(i + 1).evaluate((box) => box === document.activeElement)))
      await page.keyboard.press('Tab');
  }
  await page.getByText('All through: on to the bench.').waitFor();
  await page.getByRole('link', { name: /^Set-up ?, done/ }).waitFor();
  expect(faults).toEqual([]);
});

test('it does not appear: each answer narrows, and the last cause says what to do', async () => {
  const { page, faults } = await app.open('/jobs/demo-acoustics-offload/setup');
  await page.getByRole('button', { name: 'Find out why, cheapest look first' }).click();
  const answer = (ask: string, words: string) =>
    page.getByRole('group', { name: ask }).getByRole('button', { name: words, exact: true }).click();
  await answer('Does it light up, spin or get warm?', 'Yes');
  await answer('Does the system’s disk tool list it?', 'No');
  await answer('On another port, with another cable: is it there?', 'Yes');
  await answer('With the first cable on the other port: is it there?', 'No');
  await page.getByText('It is this.').waitFor();
  await page.getByText(/many only charge/).waitFor();
  await page.getByRole('button', { name: 'Start over' }).click();
  await page.getByRole('group', { name: 'Does it light up, spin or get warm?' }).waitFor();
  expect(faults).toEqual([]);
});
