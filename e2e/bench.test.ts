import { expect, type Page } from '@playwright/test';
import { mkdir, mkdtemp, open, rm, writeFile, type FileHandle } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApp, test, type App } from './app';

let app: App;
let root: string;
let stat: FileHandle;
const BENCH = '/jobs/demo-acoustics-offload/bench';

/** What a made-up device has counted, in the layout of sysfs. */
const count = (read: number, written: number) =>
  stat.write(`${read / 8192} 0 ${read / 512} 0 ${written / 8192} 0 ${written / 512} 0 0 0 0`.padEnd(200), 0);

let written = 0;
/** Another program that writes to the device until it is stopped, however long a page takes meanwhile. */
function writes(): { stop(): void } {
  const timer = setInterval(() => void count(0, (written += 2 ** 25)), 100);
  return { stop: () => clearInterval(timer) };
}

test.beforeAll(async () => {
  root = await mkdtemp(join(tmpdir(), 'kymar-counters-'));
  await mkdir(join(root, 'block/sdq/device'), { recursive: true });
  await writeFile(join(root, 'block/sdq/size'), '1953525168\n');
  await writeFile(join(root, 'block/sdq/device/model'), 'Reed 1T\n');
  stat = await open(join(root, 'block/sdq/stat'), 'w+');
  await count(0, 0);
  // Nor is memory this machine's own: what other tests write is in it.
  app = await startApp({ KYMAR_SYSFS: root, KYMAR_PROC: root });
});
test.afterAll(async () => {
  await app?.stop();
  await stat?.close();
  await rm(root, { recursive: true, force: true });
});

test(
  'a copy by another program becomes a run without a thumb; a page that reloads finds the watch again',
  { tag: '@quick' },
  async () => {
    const { page, faults } = await app.open(BENCH);
    await page.getByRole('tab', { name: 'Watch a device' }).click();
    await page.getByText('Reed 1T (sdq), 1 TB').waitFor();
    await page.getByRole('button', { name: 'Watch Reed 1T (sdq)' }).click();
    await page.getByText('Waiting for the first bytes, Reed 1T (sdq)').waitFor();
    const program = writes();
    await page.getByText(/^Under way/).waitFor();
    await page.reload();
    await page.getByRole('tab', { name: 'Watch a device' }).click();
    await page.getByText(/^Under way/).waitFor();
    program.stop();
    const row = page.getByRole('row', { name: /watched on this machine/ });
    await expect(row).toHaveCount(1);
    await row.getByText(/counters of Reed 1T/).waitFor();
    await page.getByRole('button', { name: 'Watch Reed 1T (sdq)' }).waitFor();
    expect(faults).toEqual([]);
  },
);

test('what is watched may be said to be over, or given up; nothing is kept then', async () => {
  const { page, faults } = await app.open(BENCH);
  await page.getByRole('tab', { name: 'Watch a device' }).click();
  const begin = page.getByRole('button', { name: 'Watch Reed 1T (sdq)' });
  await begin.click();
  await expect(page.getByRole('button', { name: 'It is over now' })).toBeDisabled();
  const program = writes();
  await page.getByRole('button', { name: 'It is over now' }).click();
  program.stop();
  await expect(page.getByRole('row', { name: /watched on this machine/ })).toHaveCount(1);
  await begin.click();
  await page.getByRole('button', { name: 'Stop watching' }).click();
  await begin.waitFor();
  await expect(page.getByRole('row', { name: /watched on this machine/ })).toHaveCount(1);
  expect(faults).toEqual([]);
});

test('readings of another program: columns guessed, phases named, kept as a run that teaches', async () => {
  const { page, faults } = await app.open(BENCH);
  const rows = ['Elapsed (ms);Written, MiB'];
  for (let i = 0; i <= 900; i++)
    rows.push(`${i * 250};${(i < 400 ? i * 210 : 84_000 + (i - 400) * 60).toFixed(1)}`);
  await page.getByRole('tab', { name: 'Read a trace' }).click();
  await page
    .getByLabel('Table of readings')
    .setInputFiles({ name: 'offload.csv', mimeType: 'text/csv', buffer: Buffer.from(rows.join('\n')) });
  const phases = page.getByRole('table', { name: 'Phases' });
  await phases.getByText('sustained (post-cache)').waitFor();
  await page.getByText(/^901 rows: 120\sGB in 3\smin 45\ss/).waitFor();
  await page
    .getByText(/^The cache is used up after 88.\d\sGB: 881\sMB\/s until then, 252\sMB\/s sustained/)
    .waitFor();
  // Read as something else it is something else, at once.
  await page.getByRole('combobox', { name: 'It is' }).click();
  await page.getByRole('option', { name: 'how far it had come, MB', exact: true }).click();
  await page.getByText(/^901 rows: 114\sGB/).waitFor();
  await page.getByRole('combobox', { name: 'It is' }).click();
  await page.getByRole('option', { name: 'how far it had come, MiB' }).click();
  await page.getByText(/^901 rows: 120\sGB/).waitFor();
  await page.getByRole('button', { name: /^Keep as a run of/ }).click();
  await page.getByText(/readings in offload.csv/).waitFor();
  await page
    .getByText(/^The cache of/)
    .first()
    .waitFor();
  // What is no table of readings says so, and what to do.
  await page
    .getByLabel('Table of readings')
    .setInputFiles({ name: 'notes.csv', mimeType: 'text/csv', buffer: Buffer.from('name;note\nfoo;bar\n') });
  await page.getByText('No column could be told to be what was moved. Choose it.').waitFor();
  await page.getByRole('combobox', { name: 'What was moved' }).click();
  await page.getByRole('option', { name: 'note' }).click();
  await page.getByText(/^A trace needs a dozen readings/).waitFor();
  expect(faults).toEqual([]);
});

test('a probe spends no more than it may, says "at least" where its budget ends first, and leaves nothing behind', async () => {
  const { page, faults } = await app.open(BENCH);
  await page.getByRole('tab', { name: 'Run on this machine' }).click();
  await page.getByRole('combobox', { name: 'Do' }).click();
  await page.getByRole('option', { name: /^Probe/ }).click();
  await page.getByLabel('Writes at most').fill('0.5 GB');
  await expect(page.getByRole('button', { name: 'Probe it' })).toBeDisabled();
  await page.getByLabel('Writes at most').fill('1.1 GB');
  await page.getByLabel('Takes at most').fill('2 min');
  await page.getByRole('button', { name: 'Probe it' }).click();
  await page.getByRole('progressbar', { name: 'Progress of the run' }).waitFor();
  const row = page.getByRole('row', { name: /probe/ });
  await row.getByText(/cache (at least )?1(\.\d+)?\sGB|cache .*\sMB/).waitFor();
  await page.getByRole('button', { name: 'Probe it' }).waitFor();
  const { readdir } = await import('node:fs/promises');
  expect(await readdir(app.folder)).toEqual([]);
  expect(faults).toEqual([]);
});

test('small requests: how many a second and how long they took, kept as a run; nothing is left behind', async () => {
  const { page, faults } = await app.open(BENCH);
  await page.getByRole('tab', { name: 'Run on this machine' }).click();
  await page.getByRole('combobox', { name: 'Do' }).click();
  await page.getByRole('option', { name: 'Random reads and writes' }).click();
  await page.getByLabel('Size', { exact: true }).fill('100 MB');
  await page.getByRole('combobox', { name: 'Queue depth' }).click();
  await page.getByRole('option', { name: '4', exact: true }).click();
  await page.getByRole('combobox', { name: 'Mix' }).click();
  await page.getByRole('option', { name: '70 % reads, 30 % writes' }).click();
  await page.getByLabel('For', { exact: true }).fill('2');
  await page.getByRole('button', { name: 'Start the run' }).click();
  const row = page.getByRole('row', { name: /random, 70\s% reads/ });
  await row.getByText(/IOPS/).waitFor();
  await row.getByText(/at queue depth 4: half within .* 99\s% within/).waitFor();
  const { readdir } = await import('node:fs/promises');
  expect(await readdir(app.folder)).toEqual([]);
  expect(faults).toEqual([]);
});

test('a folder copied, read back and compared: a run of the activity, and a manifest to save', async () => {
  const source = await mkdtemp(join(tmpdir(), 'kymar-source-'));
  await mkdir(join(source, 'night'));
  for (let i = 0; i < 40; i++)
    await writeFile(join(source, 'night', `${i}.wav`), Buffer.alloc(20_000 + i, i));
  const own = await startApp({}, ['--source', source]);
  const { page, faults } = await own.open(BENCH);
  await page.getByRole('tab', { name: 'Run on this machine' }).click();
  await page.getByRole('combobox', { name: 'Do' }).click();
  await page.getByRole('option', { name: /^Copy a folder/ }).click();
  await page.getByText(source, { exact: true }).waitFor();
  await page.getByRole('button', { name: 'Start the run' }).click();
  await page.getByRole('row', { name: /all 40 files read back the same/ }).waitFor();
  await page.getByText('All 40 files came back as they were read.').waitFor();
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the manifest' }).click();
  const { readFile, readdir } = await import('node:fs/promises');
  const lines = (await readFile((await (await saved).path())!, 'utf8')).trim().split('\n');
  expect(lines).toHaveLength(40);
  for (const line of lines) expect(line).toMatch(/^[0-9a-f]{64} {2}night\/\d+\.wav$/);
  expect(await readdir(own.folder)).toEqual([]);
  expect(faults).toEqual([]);
  await own.stop();
  await rm(source, { recursive: true, force: true });
});

const choose = async (page: Page, name: string | RegExp) => {
  await page.getByRole('combobox', { name: 'Do' }).click();
  await page.getByRole('option', { name }).click();
};

test('many files, a folder read cold, rounds until they are steady: queued one behind the other, kept over a reload; nothing is left behind', async () => {
  const source = await mkdtemp(join(tmpdir(), 'kymar-project-'));
  for (let i = 0; i < 25; i++) await writeFile(join(source, `${i}.dat`), Buffer.alloc(30_000, i));
  const own = await startApp({}, ['--source', source]);
  const { page, faults } = await own.open(BENCH);
  await page.getByRole('tab', { name: 'Run on this machine' }).click();
  // Rounds first: they take a while, so that the others wait.
  await choose(page, /^Steady state/);
  await page.getByLabel('Size', { exact: true }).fill('70 MB');
  await page.getByLabel('Each round').fill('3');
  await page.getByLabel('Rounds at most').fill('4');
  await expect(page.getByRole('button', { name: 'Start the rounds' })).toBeDisabled();
  await page.getByLabel('Rounds at most').fill('6');
  await page.getByRole('button', { name: 'Start the rounds' }).click();
  await page.getByText(/^Reading in /).waitFor();
  await choose(page, /^Many small files/);
  await page.getByLabel('Files', { exact: true }).fill('60');
  await page.getByLabel('Each about').fill('40 kB');
  await page.getByText(/^Half of the files are smaller.* Writes 3\.9.MB\./).waitFor();
  await page.getByRole('button', { name: 'Put it into the queue' }).click();
  await choose(page, /^Write it$/);
  await page.getByRole('button', { name: 'Put it into the queue' }).click();
  const queue = page.getByRole('region', { name: 'In the queue' });
  await queue.getByText(/^Many small files.*after 1 run/).waitFor();
  await queue.getByText(/^Write it.*after 2 runs/).waitFor();
  await page.reload();
  await page.getByRole('tab', { name: 'Run on this machine' }).click();
  await queue.getByText(/^Write it/).waitFor();
  await queue.getByRole('button', { name: 'Take out' }).last().click();
  await expect(queue.getByText(/^Write it/)).toHaveCount(0);
  const rounds = page.getByRole('row', { name: /random reads, (steady from round|not steady in any five)/ });
  await rounds.getByText(/IOPS/).waitFor();
  const files = page.getByRole('row', { name: /files about 40.kB, spread 3/ });
  // Each file is forced to the medium: on a busy one that takes a while.
  await files.first().waitFor({ timeout: 60_000 });
  await expect(files).toHaveCount(2);
  await choose(page, /^Read a folder/);
  await page.getByText(source, { exact: true }).waitFor();
  await page.getByRole('button', { name: 'Start the run' }).click();
  await page.getByRole('row', { name: /all 25 files of .*, directory maybe in memory/ }).waitFor();
  const { readdir } = await import('node:fs/promises');
  expect(await readdir(own.folder)).toEqual([]);
  expect((await readdir(source)).length).toBe(25);
  expect(faults).toEqual([]);
  await own.stop();
  await rm(source, { recursive: true, force: true });
});

test('a run edited with a reason keeps what it said; the clock alone on the screen by one key', async () => {
  const { page, faults } = await app.open(BENCH);
  const before = page.getByRole('button', { name: /^Edit the run of/ });
  await before.first().click();
  const dialog = page.getByRole('dialog', { name: 'Edit this run' });
  const put = dialog.getByRole('button', { name: 'Save' });
  await expect(put).toBeDisabled();
  await dialog.getByLabel('Why').fill('the lid was closed after all');
  // A time that is none keeps the button shut.
  const time = dialog.getByLabel('Time', { exact: true });
  if ((await time.count()) > 0) {
    const had = await time.inputValue();
    await time.fill('1 h 27 x');
    await expect(put).toBeDisabled();
    await time.fill(had);
  }
  await dialog.getByLabel('Conditions').fill('lid closed');
  await put.click();
  await page.getByText(/^Edited .*: the lid was closed after all\. Before: /).waitFor();
  await page.keyboard.press('Control+z');
  await page.getByText(/^Edited .*: the lid was/).waitFor({ state: 'detached' });

  const clock = page.getByTestId('clock');
  const small = (await clock.boundingBox())!;
  await page.locator('body').click({ position: { x: 5, y: 5 } });
  await page.keyboard.press('f');
  await page.getByRole('button', { name: /^Leave full screen/ }).waitFor();
  expect((await clock.boundingBox())!.height).toBeGreaterThan(small.height * 1.8);
  await page.keyboard.press('Space');
  await page.getByText('Running').waitFor();
  // How far the bar was at a lap; what no bar shows keeps the time from being kept, and is said.
  await page.keyboard.press('l');
  const bar = page.getByLabel(/^The bar showed at 0:/);
  await bar.fill('140 %');
  await page.getByText('A bar rises, from above 0 % to below 100 %.').waitFor();
  await bar.fill('40');
  await page.getByText(/^Laps: 0:\d\d\.\d \(40.%\)\. At that rate 0:/).waitFor();
  await bar.blur();
  await page.keyboard.press('Space');
  await page.getByText(/^Stopped, known to/).waitFor();
  await page.keyboard.press('f');
  await page.getByRole('button', { name: /^Full screen/ }).waitFor();
  // The time is still there.
  await page.getByText(/^Stopped, known to/).waitFor();
  expect(faults).toEqual([]);
});

test('a played unit that may hide a fault: timed, its causes told in the verdict, then what it was', async () => {
  const { page, faults } = await app.open('/jobs/demo-acoustics-archive/bench');
  await page.getByRole('tab', { name: 'Simulated rig' }).click();
  await page.getByRole('combobox', { name: 'Fault' }).click();
  await page.getByRole('option', { name: 'maybe one, hidden' }).click();
  const reveal = page.getByRole('button', { name: 'see what it was' });
  await expect(reveal).toBeDisabled();
  await page.getByRole('combobox', { name: 'Shown within' }).click();
  await page.getByRole('option', { name: '5 seconds' }).click();
  for (let i = 1; i <= 2; i++) {
    await page.getByRole('button', { name: 'Run it on the rig' }).click();
    await page.getByRole('progressbar', { name: 'Progress of the simulated run' }).waitFor();
    await page.getByRole('button', { name: 'Run it on the rig' }).waitFor();
  }
  await page.getByRole('button', { name: 'Probe the rig' }).click();
  await page.getByRole('row', { name: /probe of the simulated rig, unit 1.*cache/ }).waitFor();
  await reveal.click();
  await page.getByText(/^It (was: |had no fault)/).waitFor();
  const stages = page.getByRole('navigation', { name: 'Stages of the job' });
  await stages.getByRole('link', { name: /^Verdict/ }).click();
  await page
    .getByText(/Simulated/)
    .first()
    .waitFor();
  // A rehearsal never reads as if it were proof.
  await expect(page.getByText('The target is met.')).toHaveCount(0);
  expect(faults).toEqual([]);
});
