import { expect } from '@playwright/test';
import { readFile, writeFile, readdir } from 'node:fs/promises';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { startApp, takePart, test, type App } from './app';

let app: App;
test.beforeAll(async () => {
  app = await startApp();
});
test.afterAll(() => app.stop());

const stage = (page: Page, name: string) =>
  page
    .getByRole('navigation', { name: 'Stages of the job' })
    .getByRole('link', { name: new RegExp(`^${name}`) });
const choose = async (page: Page, label: string, option: string | RegExp) => {
  await page.getByRole('combobox', { name: label, exact: true }).click();
  await page.getByRole('option', { name: option }).click();
};
/** Swaps a segment of the strip by its menu: the part whose name holds the words. */
const swap = async (page: Page, segment: string, words: string) => {
  await page.getByRole('button', { name: new RegExp(`^Change ${segment}: `) }).click();
  await page.getByPlaceholder('Type to search').fill(words);
  await takePart(page, page.getByRole('option', { name: words }).first());
};
const saved = (page: Page) => page.getByText('Saved in this browser').waitFor();
/** The stored jobs as the browser holds them. */
const exported = async (page: Page, title: string) => {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: `Export ${title}` }).click(),
  ]);
  const path = join(app.folder, `${Date.now()}.json`);
  await download.saveAs(path);
  return path;
};

test('a first visit that is left at once loses nothing of the demo', async () => {
  // Left at several moments of its loading: some fall before, some into, some after the writing.
  for (const ms of [100, 200, 300, 500]) {
    const context = await app.browser.newContext();
    const page = await context.newPage();
    await page.goto(app.address);
    await page.evaluate((wait) => new Promise((resolve) => setTimeout(resolve, wait)), ms);
    await page.goto(`${app.address}/jobs/demo-acoustics-offload/brief`);
    await page.getByLabel('Title').waitFor();
    await context.close();
  }
});

test('a first visit opens on the finished demo job, and figures show their working', async () => {
  const { page, faults } = await app.open();
  await page.getByRole('heading', { name: 'It meets the targets' }).waitFor();
  expect(page.url()).toMatch(/demo-acoustics-offload\/verdict$/);
  await page.getByRole('img', { name: /^Writing over Reed 2\sTB.*measured 719\sMB\/s/ }).waitFor();
  await page.getByTitle('Show the working').nth(1).click();
  const sheet = page.getByLabel('The working', { exact: true });
  await sheet.getByText('= time until all is written − what is done after the bar is full').waitFor();
  await sheet.getByText('Time to write', { exact: true }).click();
  await sheet.getByText('= bytes of each phase ÷ its rate + files × per-file overhead').waitFor();
  await sheet
    .getByText(
      /^= [\d.]+\sGB ÷ [\d.,]+\sMB\/s \+ [\d.]+\sGB ÷ 900\sMB\/s \+ 38,400 × 1\.5\sms = 4\smin\s\d\d\ss$/,
    )
    .waitFor();
  await sheet.getByText('Reed 2 TB, writing', { exact: true }).first().click();
  await sheet.getByText('What drives reach of a stated figure').first().click();
  await sheet
    .getByText(/from memory, not looked up/)
    .filter({ visible: true })
    .first()
    .waitFor();
  await page.keyboard.press('Escape');
  await sheet.waitFor({ state: 'hidden' });
  await page.goto(app.address);
  await page.getByRole('heading', { name: 'Jobs', exact: true }).waitFor();
  expect(faults).toEqual([]);
});

test('a job by mouse, from brief to handover; a reload keeps it; export, erase, import bring it back', async () => {
  const { page, faults } = await app.open('/jobs');
  await page.getByRole('button', { name: 'New job', exact: true }).click();

  await page.getByLabel('Title').fill('Lichen survey, sheet scans');
  await page.getByLabel('Customer').fill('Upland herbarium');
  await page.getByRole('button', { name: 'Choose the machine' }).click();
  await page.getByRole('menuitem', { name: 'Field laptop' }).click();
  await page.getByRole('button', { name: 'Add an activity' }).click();
  await page.getByLabel('Activity').fill('Evening copy');
  await page.getByLabel('Size in one go').fill('58,7 GB');
  expect(await page.getByText('58.7 GB', { exact: true }).count()).toBe(1);
  await page.getByLabel('Files', { exact: true }).fill('2k');
  await page.getByLabel('How often').fill('1 a day');
  await page.getByLabel('Target time').fill('2m10s');
  await page.getByText('130 s').or(page.getByText('2 min 10 s')).first().waitFor();

  await stage(page, 'Path').click();
  await page.getByRole('button', { name: 'Put a first build together' }).click();
  await swap(page, 'drive', 'Reed 2 TB');
  await swap(page, 'bridge', 'Nook 10');
  await swap(page, 'cable', 'C to C, 10 Gb/s, 0.5');
  await swap(page, 'port', 'Left side, front');
  await page.getByText('The port holds the path down').waitFor();
  // The finding says what the search for fixes found.
  await page
    .getByText(/^Plug it into: Left side, by the hinge: [\d,]+\sMB\/s, .* more \(costs nothing\)/)
    .waitFor();
  // The strip itself swaps a segment.
  await page.getByRole('button', { name: /^Change port/ }).click();
  await page.getByRole('option', { name: /by the hinge.*\+/ }).click();
  await page.getByText('The port holds the path down').waitFor({ state: 'detached' });

  await stage(page, 'Forecast').click();
  await page.getByRole('img', { name: /Speed over the copy/ }).waitFor();
  await page.getByRole('button', { name: 'Show as a table' }).click();
  await page.getByRole('columnheader', { name: 'Moved, GB' }).waitFor();
  await page.getByRole('button', { name: 'Freeze this forecast' }).click();
  await page.getByText(/hash [0-9a-f]{10}/).waitFor();

  await stage(page, 'Bench').click();
  await page.getByRole('tab', { name: 'Simulated rig' }).click();
  await page.getByRole('button', { name: 'Run it on the rig' }).click();
  await page.getByRole('button', { name: 'Stop and discard' }).click();
  expect(await page.getByText('Nothing measured yet').count()).toBe(1);
  await page.getByRole('button', { name: 'Run it on the rig' }).click();
  await page.getByRole('heading', { name: 'Evening copy, simulated' }).waitFor();
  await page.getByRole('tab', { name: 'Enter a figure' }).click();
  await choose(page, 'What is known', 'How long the activity took');
  for (const time of ['63 s', '64 s', '65 s']) {
    await page.getByLabel('It took').fill(time);
    await page.getByRole('button', { name: 'Keep this figure' }).click();
  }
  await page.getByText(/mean of 3 runs, 95\s% t-interval/).waitFor();

  await stage(page, 'Verdict').click();
  await page.getByText('The target is met.').waitFor();
  await page.getByLabel('In words, for the customer').fill('Fast enough for every evening.');
  await page.getByRole('button', { name: 'Decide', exact: true }).click();
  await page.getByRole('link', { name: 'Hand it over' }).click();
  const article = page.getByRole('article');
  await article.getByText('Plug it in here: Left side, by the hinge of the field laptop').waitFor();
  await article.getByText(/Fast enough for every evening/).waitFor();
  await saved(page);

  await page.reload();
  await page
    .getByRole('article')
    .getByText(/Fast enough for every evening/)
    .waitFor();

  await page.getByRole('link', { name: 'All jobs' }).click();
  const before = await exported(page, 'Lichen survey, sheet scans');
  await page.getByRole('button', { name: 'Remove Lichen survey, sheet scans' }).click();
  await page.getByRole('link', { name: 'Lichen survey, sheet scans' }).waitFor({ state: 'detached' });
  await saved(page);
  await page.reload();
  await page.getByRole('heading', { name: 'Jobs', exact: true }).waitFor();
  expect(await page.getByText('Lichen survey').count()).toBe(0);
  await page.getByTestId('import-file').setInputFiles(before);
  await page.getByRole('heading', { name: 'Lichen survey, sheet scans' }).waitFor();
  await page.getByRole('link', { name: 'All jobs' }).click();
  const after = await exported(page, 'Lichen survey, sheet scans');
  const [was, is] = await Promise.all(
    [before, after].map(async (file) => JSON.parse(await readFile(file, 'utf8'))),
  );
  expect(is).toEqual(was);
  expect(faults).toEqual([]);
});

test('the timer by keyboard alone', { tag: '@quick' }, async () => {
  const { page, faults } = await app.open('/jobs/demo-acoustics-offload/bench');
  const clock = page.getByTestId('clock');
  await page.keyboard.press('Space');
  await page.getByText('Running').waitFor();
  await page.waitForFunction(() => document.querySelector('[data-testid="clock"]')!.textContent! >= '0:00.3');
  await page.keyboard.press('l');
  await page.getByText(/^Laps: 0:0\d/).waitFor();
  await page.keyboard.press('Space');
  await page.getByText(/^Stopped, known to/).waitFor();
  const stopped = await clock.textContent();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowDown');
  await page.getByText(/corrected by \+0\.1\ss/).waitFor();
  expect(await clock.textContent()).not.toBe(stopped);
  // A run of less than a second is far above what the path can pass: it is kept, named and not used.
  await page.keyboard.press('Enter');
  await page.getByText(/Not used\. At least/).waitFor();
  await page.getByText('Ready').waitFor();
  // Escape discards; a focused button does not swallow the space bar.
  await page.getByRole('button', { name: /^Start/ }).focus();
  await page.keyboard.press('Space');
  await page.getByText('Running').waitFor();
  await page.keyboard.press('Space');
  await page.getByText(/^Stopped, known to/).waitFor();
  const measured = await clock.textContent();
  await page.keyboard.press('Escape');
  await page.getByText('Ready').waitFor();
  await page.getByRole('button', { name: /bring it back/ }).click();
  expect(await clock.textContent()).toBe(measured);
  await page.keyboard.press('Escape');
  // A control elsewhere keeps its own space bar, and the timer goes on while another view is looked at.
  await page.getByRole('tab', { name: 'Simulated rig' }).focus();
  await page.keyboard.press('Space');
  await page.getByRole('button', { name: 'Run it on the rig' }).waitFor();
  await page.getByRole('tab', { name: 'Stopwatch' }).click();
  await page.getByRole('button', { name: /^Start/ }).click();
  await stage(page, 'Verdict').click();
  await page.getByRole('heading', { name: /It meets the targets|Not proven yet|It falls short/ }).waitFor();
  await stage(page, 'Bench').click();
  await page.getByText('Running').waitFor();
  await page.getByRole('button', { name: /^Stop/ }).click();
  await page.getByText(/^Stopped, known to/).waitFor();
  // What it was stopped at stands with the run: the bar unless said otherwise.
  expect(await page.getByText(/^stopwatch, to the full bar/).count()).toBe(8);
  await page.getByRole('combobox', { name: 'Stopped when' }).click();
  await page.getByRole('option', { name: 'safe to eject' }).click();
  await page.getByRole('button', { name: /^Keep this run/ }).click();
  await page.getByText(/^stopwatch(?!, to the full bar)/).waitFor();
  expect(await page.getByText(/^stopwatch, to the full bar/).count()).toBe(8);
  // In a field the keys are text.
  await page.getByLabel('Conditions').focus();
  await page.keyboard.type('lid closed');
  expect(await page.getByLabel('Conditions').inputValue()).toBe('lid closed');
  expect(faults).toEqual([]);
});

test(
  'a real run on a folder of this machine, and one that is stopped; nothing is left behind',
  { tag: '@quick' },
  async () => {
    const { page, faults } = await app.open('/jobs/demo-acoustics-offload/bench');
    await page.getByRole('tab', { name: 'Run on this machine' }).click();
    await page.getByLabel('Size', { exact: true }).fill('96 MB');
    await page.getByRole('button', { name: 'Start the run' }).click();
    await page.getByRole('heading', { name: 'Synthetic writing, path not described' }).waitFor();
    await page.getByRole('heading', { name: 'Synthetic reading, path not described' }).waitFor();
    await page.getByLabel('Size', { exact: true }).fill('40 GB');
    if (await page.getByRole('button', { name: 'Start the run' }).isEnabled()) {
      await page.getByRole('button', { name: 'Start the run' }).click();
      const stop = page.getByRole('button', { name: 'Stop and clean up' });
      await stop.click();
      await stop.waitFor({ state: 'detached' });
      await page.getByRole('button', { name: 'Start the run' }).waitFor();
    }
    expect((await readdir(app.folder)).filter((name) => name.startsWith('.kymar'))).toEqual([]);
    await page.getByLabel('Size', { exact: true }).fill('900 TB');
    await page.getByText(/room is for/).waitFor();
    expect(await page.getByRole('button', { name: 'Start the run' }).isDisabled()).toBe(true);
    expect(faults).toEqual([]);
  },
);

test('bad input is told beside its field and in its file; nothing is lost', { tag: '@quick' }, async () => {
  const { page, faults } = await app.open('/jobs/demo-acoustics-offload/brief');
  const size = page.getByLabel('Size in one go').first();
  for (const [typed, said] of [
    ['plenty', /not a number/],
    ['-3 GB', /negative/],
    ['3 parsecs', /not known here/],
  ] as const) {
    await size.fill(typed);
    await page.getByText(said).waitFor();
  }
  await page.getByLabel('Title').fill('');
  await page.getByText(/is kept/).waitFor();
  await page.reload();
  await page.getByLabel('Title').waitFor();
  expect([await size.inputValue(), await page.getByLabel('Title').inputValue()]).toEqual([
    '214 GB',
    'Nightly offload, bat and bird recorders',
  ]);

  await page.goto(`${app.address}/jobs`);
  for (const [name, text, said] of [
    ['cut.json', '{"kymarVersion": 1, "id"', /no JSON: line 1/],
    ['newer.json', '{"kymarVersion": 99}', /version 99.*Update Kymar/],
    ['other.json', '{"hello": 1}', /no Kymar job file/],
    ['hollow.json', '{"kymarVersion": 1, "id": "x"}', /title/],
  ] as const) {
    const path = join(app.folder, name);
    await writeFile(path, text);
    await page.getByTestId('import-file').setInputFiles(path);
    await page.getByText(said).first().waitFor();
    await page.getByRole('heading', { name: 'Nothing can be imported' }).waitFor();
    await page.getByRole('button', { name: 'Close' }).click();
    await page.getByRole('dialog').waitFor({ state: 'detached' });
  }
  expect(await page.getByRole('listitem').count()).toBe(5);
  expect(faults).toEqual([]);
});

test(
  'undo and redo by keys; the demo can be removed and brought back; an empty list says what to do',
  { tag: '@quick' },
  async () => {
    const { page, faults } = await app.open('/jobs');
    await page.getByRole('button', { name: 'Remove the demo' }).click();
    await page.getByRole('heading', { name: 'No jobs yet' }).waitFor();
    await page.keyboard.press('Control+z');
    await page
      .getByRole('link', { name: /Nightly offload/ })
      .first()
      .waitFor();
    await page.keyboard.press('Control+Shift+z');
    await page.getByRole('heading', { name: 'No jobs yet' }).waitFor();
    await page.getByRole('button', { name: 'Bring the demo back' }).click();
    await page
      .getByRole('link', { name: /Nightly offload/ })
      .first()
      .waitFor();
    expect(faults).toEqual([]);
  },
);

test('a change in one tab reaches the other', async () => {
  const { page, context, faults } = await app.open('/jobs/demo-acoustics-offload/brief');
  await saved(page);
  const other = await context.newPage();
  await other.goto(`${app.address}/jobs/demo-acoustics-offload/brief`);
  await other.getByLabel('Customer').fill('Acoustics survey, north');
  await page.waitForFunction(() =>
    [...document.querySelectorAll('input')].some((i) => i.value === 'Acoustics survey, north'),
  );
  expect(faults).toEqual([]);
});

test('the tools decode a name, convert a unit, tell when a format ends; the reference shows an interface’s working', async () => {
  const { page, faults } = await app.open('/tools');
  await page.getByLabel('Name, listing line or what was said').fill('SATA III M.2, 3,500 MB/s');
  await page.getByText(/3,500\sMB\/s do not pass SATA 6\sGb\/s/).waitFor();
  await page.getByLabel('Size or rate').fill('10 Gb/s');
  await page.getByText('1.25 GB/s').waitFor();
  await page.getByText(/^Done .* after the start \(90\s% range .* to /).waitFor();
  await page.getByText(/A straight line would say 18.h.0\d.min, [12]\d\s% short/).waitFor();
  await page.getByRole('button', { name: 'Another checkpoint' }).click();
  await page.getByLabel('Done at 2').fill('61 %');
  await page.getByLabel('After 2').fill('11 h');
  await page.getByText(/A straight line would say 18.h.02.min/).waitFor();
  const health = Buffer.alloc(512);
  health.writeUInt16LE(311, 1);
  health.writeUInt8(0b10, 0);
  health.writeUInt8(97, 3);
  health.writeBigUInt64LE(19_531_250n, 48);
  health.writeBigUInt64LE(6543n, 128);
  await page
    .getByLabel('Health log page')
    .setInputFiles({ name: 'page.bin', mimeType: 'application/octet-stream', buffer: health });
  await page.getByRole('row', { name: 'Written by the host 10 TB' }).waitFor();
  await page.getByText('It warns: temperature is outside its limits.').waitFor();
  await page.getByLabel('Or paste its counters').fill('Power On Hours: many');
  await page.getByText('Line 1: "many" is no number for Power On Hours.').waitFor();
  await page.goto(`${app.address}/reference`);
  await page.getByLabel('Find').fill('3.1 gen 2');
  await page.getByRole('button', { name: '1,212' }).click();
  await page.getByText('= 10 Gb/s × 1 × 128/132 ÷ 8').waitFor();
  expect(faults).toEqual([]);
});

test('thousands of jobs: the list stays quick to find in', async () => {
  const { page, faults } = await app.open('/jobs');
  await saved(page);
  await page.evaluate(async () => {
    const open = indexedDB.open('kymar');
    const database = await new Promise<IDBDatabase>(
      (resolve) => (open.onsuccess = () => resolve(open.result)),
    );
    const store = database.transaction('jobs', 'readwrite').objectStore('jobs');
    const demo = await new Promise<{ id: string; title: string }>((resolve) => {
      const get = store.get('demo-herbarium-scans');
      get.onsuccess = () => resolve(get.result);
    });
    for (let i = 0; i < 2000; i++)
      store.put({ ...demo, id: `many-${i}`, title: `Herbarium ${i}` }, `many-${i}`);
    await new Promise((resolve) => (store.transaction.oncomplete = resolve));
    database.close();
  });
  await page.reload();
  await page.getByRole('button', { name: /more of 2005/ }).waitFor();
  await page.getByRole('textbox', { name: 'Find' }).fill('1999');
  await page.getByRole('link', { name: 'Herbarium 1999', exact: true }).waitFor();
  expect(await page.getByRole('listitem').count()).toBe(1);
  expect(faults).toEqual([]);
});

test('both directions far too slow: the causes by how likely, the one look that tells most, and what it says decides', async () => {
  const { page, faults } = await app.open('/jobs/demo-acoustics-offload/bench');
  await page.getByRole('tab', { name: 'Enter a figure' }).click();
  await choose(page, 'What is known', 'How long the activity took');
  const take = async (times: readonly string[]) => {
    for (const time of times) {
      await page.getByLabel('It took').fill(time);
      await page.getByRole('button', { name: 'Keep this figure' }).click();
    }
  };
  await take(['8 min 20 s', '8 min 30 s', '8 min 25 s']);
  await choose(page, 'What is timed', /^Morning read-back/);
  await take(['1 min 24 s', '1 min 25 s', '1 min 26 s']);
  await stage(page, 'Verdict').click();
  const panel = page.getByRole('heading', { name: 'Likely causes' }).locator('xpath=ancestor::section');
  const next = panel.getByRole('region', { name: 'Next' });
  await next.getByRole('heading', { name: /^Next: Look which port it is in/ }).waitFor();
  await next.getByRole('row', { name: /^USB 5.Gb\/s The port is of a slower class/ }).waitFor();
  await next.getByRole('button', { name: /^USB 5.Gb\/s/ }).click();
  // What was seen rules out what would show something else.
  await panel
    .getByText(/^The port is of a slower class/)
    .first()
    .waitFor();
  await panel
    .getByText(
      /^The port is of a slower class\. Plug it into the port that the build says; read what was negotiated\.$/,
    )
    .waitFor();
  await panel.getByText(/^Port: USB 5/).waitFor();
  await page.getByText('Saved in this browser').waitFor();
  await page.reload();
  await panel.getByText(/^Port: USB 5/).waitFor();
  await panel.getByRole('button', { name: /^Take back/ }).click();
  await panel.getByText(/^Port: USB 5/).waitFor({ state: 'detached' });
  // A decision is no longer that of all that was measured once there is a newer run.
  await page.getByRole('button', { name: 'Decide', exact: true }).click();
  await stage(page, 'Bench').click();
  await page.getByRole('tab', { name: 'Enter a figure' }).click();
  await choose(page, 'What is known', 'How long the activity took');
  await take(['8 min 22 s']);
  await stage(page, 'Verdict').click();
  await page.getByText('1 run was taken since it was decided: look whether it still holds.').waitFor();
  expect(faults).toEqual([]);
});
