import { expect, type Locator, type Page } from '@playwright/test';
import { mkdir, mkdtemp, open, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApp, test } from './app';

/* From the checklist to the runs, by keys alone on a phone, the server killed and the page reloaded in the middle of each part. */
const JOB = '/jobs/demo-acoustics-archive';
const press = async (one: Locator, key = 'Enter') => {
  await one.focus();
  await one.page().keyboard.press(key);
};
const narrow = async (page: Page) =>
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);

test('checklist, full format, protocol, watched copy, runs: nothing is lost by a reload or a server that is killed', async () => {
  const root = await mkdtemp(join(tmpdir(), 'kymar-fitted-'));
  await mkdir(join(root, 'block/sdq/device'), { recursive: true });
  await writeFile(join(root, 'block/sdq/size'), '3907029168\n');
  await writeFile(join(root, 'block/sdq/device/model'), 'Drift 2T\n');
  const stat = await open(join(root, 'block/sdq/stat'), 'w+');
  const count = (written: number) =>
    stat.write(`0 0 0 0 ${written / 8192} 0 ${written / 512} 0 0 0 0`.padEnd(200), 0);
  await count(0);
  let written = 0;
  /** Any program's copy: it goes on until it is stopped, however long a page takes meanwhile. */
  const writes = () => {
    const timer = setInterval(() => void count((written += 2 ** 25)), 100);
    return () => clearInterval(timer);
  };
  const app = await startApp({ KYMAR_SYSFS: root, KYMAR_PROC: root });
  const { page, faults } = await app.open(`${JOB}/setup`, { viewport: { width: 390, height: 844 } });
  const again = async () => {
    await page.getByText('Saved', { exact: true }).waitFor();
    await app.restart();
    await page.reload();
    await page.getByRole('main').waitFor();
    await page.locator('[data-opening]').waitFor({ state: 'detached' });
    await narrow(page);
  };
  const button = (name: string | RegExp) => page.getByRole('button', { name });

  // The checklist.
  await press(page.getByRole('checkbox', { name: /^Write down the serial number/ }), 'Space');
  await page.getByText(/^1 of \d+ done/).waitFor();
  await again();
  await page.getByText(/^1 of \d+ done/).waitFor();

  // A full format that goes on.
  await press(button('It starts now'));
  await page.getByLabel('It shows now').focus();
  await page.keyboard.type('12 %');
  await press(button('Add checkpoint'));
  await page.getByLabel('Checkpoint 1 at').waitFor();
  await again();
  await page.getByLabel('Checkpoint 1 at').waitFor();

  // The protocol comes from a frozen forecast.
  await page.goto(`${app.address}${JOB}/forecast`);
  await press(button('Freeze this forecast'));
  await page
    .getByText(/Frozen/)
    .first()
    .waitFor();
  await page.goto(`${app.address}${JOB}/bench`);
  const tests = page.getByRole('table', { name: 'Tests of the protocol' });
  await tests.waitFor();
  const before = await tests.innerText();
  await again();
  await tests.waitFor();
  expect(await tests.innerText()).toBe(before);

  // Any program's copy, watched.
  await press(page.getByRole('tab', { name: 'Watch a device' }));
  await press(button('Watch Drift 2T (sdq)'));
  await page.getByText(/^Waiting for the first bytes/).waitFor();
  const first = writes();
  await page.getByText(/^Under way/).waitFor();
  await again();
  first();
  // Who was killed counted nothing: that is said, and no figure is kept.
  await page.getByText(/The server was stopped while this run was going on/).waitFor();
  await press(page.getByRole('tab', { name: 'Watch a device' }));
  await press(button('Watch Drift 2T (sdq)'));
  await page.getByText(/^Waiting for the first bytes/).waitFor();
  const second = writes();
  await page.getByText(/^Under way/).waitFor();
  await page.reload();
  await page.getByRole('main').waitFor();
  second();
  const row = page.getByRole('row', { name: /watched on this machine/ });
  await expect(row).toHaveCount(1, { timeout: 60_000 });

  // The run is there for good.
  await again();
  await expect(row).toHaveCount(1);
  expect(faults).toEqual([]);
  await app.stop();
  await stat.close();
  await rm(root, { recursive: true, force: true });
});
