import { expect } from '@playwright/test';
import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApp, test, type App } from './app';

let app: App;
test.beforeAll(async () => {
  app = await startApp();
});
test.afterAll(() => app?.stop());

const SETUP = '/jobs/demo-acoustics-archive/setup';

test(
  'the checklist: steps done and left out with a reason, kept over a reload; a format tracked by its display',
  { tag: '@quick' },
  async () => {
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
  },
);

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

test('the unit read from a drive in this machine and from a raw page; the contents on their way over a reload and a server that comes back', async () => {
  const root = await mkdtemp(join(tmpdir(), 'kymar-unit-'));
  await mkdir(join(root, 'block/nvme9n1/device'), { recursive: true });
  for (const [name, text] of [
    ['size', '1953525168'],
    ['stat', '1 0 8 0 1 0 8 0 0 0 0'],
    ['device/model', 'Reed 1T'],
    ['device/serial', 'RD-55-0719'],
  ] as const)
    await writeFile(join(root, 'block/nvme9n1', name), `${text}\n`);
  const own = await startApp({ KYMAR_SYSFS: root });
  const { page, faults } = await own.open(SETUP);
  await page.getByRole('combobox', { name: 'Or read it from a drive in this machine' }).click();
  await page.getByRole('option', { name: /Reed 1T.*RD-55-0719/ }).click();
  await expect(page.getByLabel('Serial number', { exact: true })).toHaveValue('RD-55-0719');
  // A page cut short says so; a whole one is shown in the standards' words before it is kept.
  const raw = Buffer.alloc(512);
  raw.writeUInt16LE(273 + 31, 1);
  raw[3] = 100;
  raw.writeUInt32LE(4_100_000, 48);
  raw.writeUInt32LE(900, 128);
  const file = page.getByLabel('Health page as a file');
  await file.setInputFiles({
    name: 'short.bin',
    mimeType: 'application/octet-stream',
    buffer: raw.subarray(0, 300),
  });
  await page.getByText(/^short\.bin: A log page has 512 bytes/).waitFor();
  await file.setInputFiles({ name: 'page.bin', mimeType: 'application/octet-stream', buffer: raw });
  await expect(page.getByLabel(/^Health on day zero/)).toHaveValue(/Data Units Written: 4100000/);
  await page.getByRole('button', { name: 'Keep as the baseline' }).click();
  await page.getByText(/^Health on day zero, .*: 2\.099.TB written/).waitFor();

  await page.getByLabel('Contents', { exact: true }).fill('1,9 TB');
  await page.getByText(/^1\.9.TB, read back and compared, take .* Started now it is done/).waitFor();
  await page.getByRole('button', { name: 'The copy starts now' }).click();
  await page.getByRole('heading', { name: 'Contents on their way' }).waitFor();
  await page.getByText('Saved in this browser').waitFor();
  await own.restart();
  await page.reload();
  await page.getByText(/^1\.9.TB, read back and compared, take .* Done .*\(/).waitFor();
  await page.getByRole('button', { name: 'All is over' }).click();
  await page.getByText(/were to take .*; it took /).waitFor();
  expect(faults).toEqual([]);
  await own.stop();
  await rm(root, { recursive: true, force: true });
});
