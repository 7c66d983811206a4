import { expect } from '@playwright/test';
import { demoBriefs, firstOf, forecastJob, onJob, rebuilt, repeatJob } from '../core/fixtures/forecast';
import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { demoJobs } from '@kymar/core/demo';
import { BRIDGES, DRIVES, SHOP } from '@kymar/core/catalog/stock';
import { pathOf } from '@kymar/core/forecast';
import { life } from '@kymar/core/models';
import { compareBuilds, withDrives } from '@kymar/core/choice';
import { writeJob, type Brief, type Job, type Move } from '@kymar/core/job';
import { nameOf } from '@kymar/core/catalog/parts';
import { format } from '@kymar/core/units';
import { startApp, test, type App } from './app';

let app: App;
test.beforeAll(async () => {
  app = await startApp();
});
test.afterAll(() => app.stop());

const [offload] = demoJobs() as [Job];
const [at, , bay] = demoBriefs() as [Brief, Brief, Brief];
const known = (value: number) => ({ value, source: { kind: 'entered' as const } });
const stage = (page: Page, name: string) =>
  page
    .getByRole('navigation', { name: 'Stages of the job' })
    .getByRole('link', { name: new RegExp(`^${name}`) });
const choose = async (page: Page, label: string, option: string) => {
  await page.getByRole('combobox', { name: label, exact: true }).click();
  await page.getByRole('option', { name: option, exact: true }).click();
};

test(
  'the course with its warmth, where the time goes, what decides it, and the years, as the core has them',
  { tag: '@quick' },
  async () => {
    const { page, faults } = await app.open('/jobs/demo-acoustics-offload/forecast');
    const core = forecastJob(at)!;
    const [first] = core.activities;
    await page
      .getByRole('img', {
        name: /^Speed over the copy: .*into the host’s memory.*past the cache.*the drive at up to/,
      })
      .waitFor();
    await page
      .getByText(
        `the files’ own cost, ${format(first!.course!.causes.find((c) => c.cause === 'files')!.share, '%', 2)}`,
      )
      .waitFor();
    const decides = page.getByRole('heading', { name: 'What drives this result' }).locator('xpath=../..');
    expect(await decides.locator('li').first().innerText()).toMatch(/^Per-file overhead/);
    const years = repeatJob(at, { years: 4 })!;
    await page.getByText(`Full after about ${format(years.ends.full.expected, 'years', 2)}`).waitFor();
    await page.getByText('The cache is back every time it is needed.').waitFor();
    await page.getByRole('button', { name: 'Show as a table' }).click();
    await page.getByRole('columnheader', { name: 'Drive, °C' }).waitFor();
    await page.getByRole('row', { name: /Morning read-back/ }).click();
    await page
      .getByRole('heading', { name: 'Speed over the copy: Morning read-back of one transect' })
      .waitFor();
    await page.getByRole('row', { name: /Nightly offload/ }).click();
    // A slider tries another size: worked out beside the page, as the core has it for that size.
    const slider = page.getByRole('slider', { name: 'Try another size' });
    await slider.focus();
    for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight');
    const twice = forecastJob({
      ...at,
      activities: [
        {
          ...(at.activities[0] as Move),
          bytes: { value: 428e9, source: { kind: 'entered' } },
          files: { value: 76_800, source: { kind: 'entered' } },
        },
      ],
    })!.activities[0]!.figure;
    await page
      .getByText(`${format(twice.expected, 's')} (${format(twice.low, 's')} to ${format(twice.high, 's')})`)
      .waitFor();
    await page.getByRole('button', { name: 'Back to the brief' }).click();
    expect(await slider.getAttribute('aria-valuenow')).toBe('0');
    expect(faults).toEqual([]);
  },
);

test('against another drive: the crossings in words as the core finds them', async () => {
  const { page } = await app.open('/jobs/demo-acoustics-offload/forecast');
  const other = DRIVES.find((d) => d.id === 'larkmoor-sedge-2t')!;
  await page.getByLabel(`${nameOf(at.build!.drive)} against`).click();
  await page.getByRole('option', { name: nameOf(other) }).click();
  const build = at.build!;
  const { pairs } = compareBuilds(onJob(at), 'offload', [
    { name: nameOf(build.drive), build },
    { name: nameOf(other), build: { ...build, drive: other } },
  ]);
  expect(pairs[0]!.leads.length).toBeGreaterThan(1);
  await page.getByText(pairs[0]!.words).waitFor();
  await page.getByRole('img', { name: /^Time over size: / }).waitFor();
});

test('a load, chosen by keyboard: a faster drive is not felt', async () => {
  const { page, faults } = await app.open('/jobs/demo-simulator-bay/forecast');
  const name = page.getByRole('button', { name: 'A harbour loads before class' });
  await name.focus();
  await page.keyboard.press('Enter');
  const parts = page
    .getByRole('heading', { name: 'A harbour loads before class', exact: true })
    .locator('xpath=../..');
  await parts.getByRole('row', { name: /^Share that is storage/ }).waitFor();
  const other = DRIVES.find((d) => d.id === 'oystral-kestrel-2t')!;
  await page.getByLabel(`${nameOf(bay.build!.drive)} against`).click();
  await page.getByRole('option', { name: nameOf(other), exact: true }).click();
  const plan = { ...bay, build: bay.build! };
  await page
    .getByText(
      compareBuilds(onJob(plan), 'load', withDrives(onJob(plan), SHOP, [other], 'load', [])).pairs[0]!.words,
    )
    .waitFor();
  await page.getByText(/: not felt \(above the greater of 0\.3\ss/).waitFor();
  expect(faults).toEqual([]);
});

test('a stream, scratch work and a folder’s own sizes from the brief to the forecast; undo takes a change of kind back', async () => {
  const { page, faults } = await app.open('/jobs/demo-acoustics-offload/brief');
  await page.getByRole('button', { name: 'Add an activity' }).click();
  const card = page.locator('[data-activity]').nth(offload.activities.length);
  await card.getByLabel('Activity').fill('Live recording');
  await card.getByRole('combobox', { name: 'Kind' }).click();
  await page.getByRole('option', { name: 'Stream: must not stall' }).click();
  await card.getByLabel('Rate of each').fill('40 MB/s');
  await card.getByLabel('Lasts without a break').fill('2 h');
  await card.getByLabel('Recorder’s buffer lasts').fill('3 s');
  await page.getByRole('button', { name: 'Add an activity' }).click();
  const copy = page.locator('[data-activity]').last();
  await copy.getByLabel('Activity').fill('Counted folder');
  const folder = join(app.folder, 'counted');
  await mkdir(folder, { recursive: true });
  for (let i = 0; i < 12; i++)
    await writeFile(join(folder, `${i}.wav`), Buffer.alloc(i < 8 ? 20_000 : 400_000));
  await copy.locator('input[type=file]').setInputFiles(folder);
  await copy.getByText(/a file on average/).waitFor();
  expect(await copy.getByLabel('Files', { exact: true }).inputValue()).toBe('12');
  expect(await copy.getByLabel('Size in one go').inputValue()).toBe('1.76 MB');
  await stage(page, 'Forecast').click();
  const row = page.getByRole('row', { name: /^Live recording/ });
  await row.getByText(/times$/).waitFor();
  expect(await row.innerText()).toMatch(/40\sMB\/s needed[\s\S]*no stall[\s\S]*over 99\s%/);
  await page.getByRole('row', { name: /^Counted folder/ }).waitFor();
  await page.goBack();
  await card.getByRole('combobox', { name: 'Kind' }).click();
  await page.getByRole('option', { name: 'Scratch: small and random' }).click();
  await card.getByLabel('Operations a day').waitFor();
  await page.getByRole('button', { name: /^Undo/ }).click();
  expect(await card.getByLabel('Rate of each').inputValue()).toMatch(/^40\sMB\/s/);
  expect(faults).toEqual([]);
});

test('a brief that cannot be worked out is told, and nothing hangs: mended, the forecast is back', async () => {
  const endless = {
    id: 'endless',
    kind: 'stream' as const,
    name: 'Endless',
    direction: 'write' as const,
    perDay: known(1),
    target: null,
    rate: known(1e12),
    streams: 3,
    lasts: known(1e9),
    buffer: known(1e6),
  };
  const job: Job = {
    ...offload,
    id: 'endless',
    title: 'An endless recording',
    forecasts: [],
    runs: [],
    decision: null,
    activities: [endless, ...offload.activities],
  };
  const { page, faults } = await open(job, 'forecast');
  await page.getByText(/^This brief cannot be worked out: .*no speed/).waitFor();
  await stage(page, 'Brief').click();
  await page.locator('[data-activity]').first().getByLabel('Lasts without a break').fill('2 h');
  await stage(page, 'Forecast').click();
  await page.getByRole('row', { name: /^Endless/ }).waitFor();
  expect(await page.getByText(/cannot be worked out/).count()).toBe(0);
  expect(faults).toEqual([]);
});

/** Takes a job in as its file would be, and opens one of its views. */
async function open(job: Job, view: string) {
  const { page, faults } = await app.open('/jobs');
  const file = join(app.folder, `${job.id}.json`);
  // Made of the demo’s parts: its chain tells of other runs.
  const { chain: _, ...fresh } = job;
  await writeFile(file, writeJob(fresh));
  await page.getByTestId('import-file').setInputFiles(file);
  await page.getByRole('heading', { name: job.title }).waitFor();
  await page.goto(`${app.address}/jobs/${job.id}/${view}`);
  return { page, faults };
}

test('a disk nobody knows the recording of: both ways stand among what decides', async () => {
  const { recording: _, ...drive } = DRIVES.find((d) => d.id === 'marrowick-drift-2t')!;
  const empty: Job = {
    ...offload,
    id: 'unknown-disk',
    title: 'A disk off the shelf',
    forecasts: [],
    runs: [],
    decision: null,
  };
  const job = rebuilt(empty, {
    build: { ...at.build!, drive, bridge: BRIDGES.find((b) => b.id === 'quarrel-quad-40')!, accessories: [] },
  });
  const { page, faults } = await open(job, 'forecast');
  const sway = forecastJob(firstOf(job))!
    .activities[0]!.course!.drivers()
    .find((s) => s.name === 'how it records')!;
  await page.getByText('How it records').waitFor();
  await page.getByText(sway.at.map((a) => `${a.is}: ${format(a.seconds, 's')}`).join(', ')).waitFor();
  expect(faults).toEqual([]);
});

test('drives put together in the bays: chosen on the path, told on the forecast', async () => {
  const empty: Job = { ...offload, id: 'four-bays', title: 'Four bays', forecasts: [], runs: [] };
  const job = rebuilt(empty, {
    build: {
      ...at.build!,
      drive: DRIVES.find((d) => d.id === 'venndale-slate-1t')!,
      bridge: BRIDGES.find((b) => (b.bays ?? 1) >= 4 && b.outer.includes('usb-10'))!,
      accessories: [],
    },
  });
  const { page } = await open(job, 'path');
  await choose(page, 'Drives at once', '4 of 4');
  await choose(page, 'Put together', 'RAID 5 (single parity), by the system');
  await choose(page, 'Stripe size', '128 KiB');
  const built = firstOf(job).build!;
  const array = { mode: 'parity', by: 'system', strip: 131072 } as const;
  const { flow } = pathOf(onJob({ ...firstOf(job), build: { ...built, together: 4, array } }));
  const panel = page.getByRole('heading', { name: 'RAID 5 of 4: single parity' }).locator('xpath=../..');
  await panel.getByText(`writing ${format(flow!.write.expected, 'B/s')}`).waitFor();
  await panel.getByText(/Together they hold 3\sTB/).waitFor();
  await stage(page, 'Forecast').click();
  await page.getByText(/Together they hold 3\sTB; 1 may fail, whichever it is/).waitFor();
  await page.getByText(/; a rebuild takes at least/).waitFor();
});

test('tools: readings to a date as a range, and growth told when four readings show it', async () => {
  const { page, faults } = await app.open('/tools');
  const rating = page
    .getByRole('heading', { name: 'When do the rated writes run out?' })
    .locator('xpath=ancestor::section');
  const source = { kind: 'entered' as const };
  const core = life({
    tbw: { value: 540e12, source },
    capacity: { value: 960e9, source },
    warrantyYears: { value: 3, source },
    writesPerDay: null,
    readings: [
      { day: 0, written: 0 },
      { day: 48, written: 2.9e12 },
      { day: 131, written: 8.4e12 },
    ],
    since: '2026-07-18',
  });
  const month = (iso: string) =>
    new Date(iso).toLocaleDateString('en-GB', { month: 'long', year: 'numeric', timeZone: 'UTC' });
  await rating
    .getByText(
      `Runs out about ${month(core.runsOut!.expected)}, between ${month(core.runsOut!.earliest)} and ${month(core.runsOut!.latest)}.`,
    )
    .waitFor();
  await rating.getByRole('button', { name: 'Another reading' }).click();
  await rating.getByLabel('Written by then 4').fill('18 TB');
  await rating.getByText(/The daily writes change by/).waitFor();
  await rating.getByLabel('Written by then 4').fill('1 TB');
  await rating.getByText(/must be later than the one before and not lower/).waitFor();
  expect(faults).toEqual([]);
});

test('tools: a cache from totals, and what a load is made of', async () => {
  const { page, faults } = await app.open('/tools');
  const cache = page
    .getByRole('heading', { name: 'How large was the cache?' })
    .locator('xpath=ancestor::section');
  await cache.getByLabel('Moved in all').fill('400 GB');
  await cache.getByLabel('Took').fill('710 s');
  await cache.getByLabel('Speed at first').fill('950 MB/s');
  await cache.getByLabel('Speed later').fill('500 MB/s');
  await cache.getByText(/About 9[45]\.?\d*\sGB/).waitFor();
  await cache.getByLabel('Took').fill('60 s');
  await cache.getByText(/would have taken longer even in the cache/).waitFor();
  const loads = page.getByRole('heading', { name: 'What is a load waiting for?' }).locator('xpath=../..');
  await loads.getByText(/Processing takes/).waitFor();
  await loads.getByLabel('Loaded in 2').fill('20.4 s');
  await loads.getByText(/not felt/).waitFor();
  expect(faults).toEqual([]);
});
