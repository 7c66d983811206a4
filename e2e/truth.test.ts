import { expect, type Page } from '@playwright/test';
import { SHOP } from '@kymar/core/catalog/stock';
import { startApp, takePart, test, type App } from './app';

/* Six jobs typed from empty as a hurried person types, their numbers held against arithmetic written here. */
let app: App;
test.beforeAll(async () => {
  app = await startApp();
});
test.afterAll(() => app.stop());

/** A page with a new job, and short ways to use it. */
async function newJob(machine: string) {
  const { page, faults } = await app.open('/jobs');
  const button = (name: string | RegExp) => page.getByRole('button', { name, exact: true }).last();
  const field = (name: string) => page.getByLabel(name, { exact: true }).last();
  const stage = async (name: string) => {
    const stages = page.getByRole('navigation', { name: 'Stages of the job' });
    await stages.getByRole('link', { name: new RegExp(`^${name}`) }).click();
    await page.getByRole('main').waitFor();
    await page.locator('[data-opening]').waitFor({ state: 'detached' });
  };
  const pick = async (list: string, option: string | RegExp) => {
    await page.getByRole('combobox', { name: list, exact: true }).last().click();
    await page
      .getByRole('option', { name: option, exact: typeof option === 'string' })
      .first()
      .click();
  };
  /** Puts another part at a place of the path, found by typing. */
  const put = async (place: RegExp, text: string) => {
    // The strip has just come where there was none: pressed while it still moves, it is pressed again.
    await expect(async () => {
      const search = page.getByPlaceholder('Type to search');
      if ((await search.count()) === 0)
        await page.getByRole('button', { name: place }).click({ timeout: 10_000 });
      await search.waitFor({ timeout: 3000 });
    }).toPass({ timeout: 40_000 });
    await page.getByPlaceholder('Type to search').fill(text);
    await takePart(page, page.getByRole('option').filter({ hasText: text }).first());
  };
  await button('New job').click();
  await page.getByText('No machine is chosen yet').first().waitFor();
  await button('Choose the machine').click();
  await page.getByRole('menuitem', { name: machine, exact: true }).click();
  return { page, faults, button, field, stage, pick, put };
}

const DRIVE = /^Drive: change/;
const BOX = /^Enclosure or card: change/;
const PORT = /^Port: change/;
const CABLE = /^Cable: change/;

/** `14 min 56 s`, `1 h 05 min`, `3.4 days` as s. */
function seconds(text: string): number {
  const of = (pattern: RegExp) => Number(pattern.exec(text)?.[1] ?? 0);
  return of(/([\d.]+) days/) * 86_400 + of(/(\d+)\sh/) * 3600 + of(/(\d+)\smin/) * 60 + of(/([\d.]+)\ss\b/);
}
const number = (text: string | null | undefined, pattern: RegExp): number =>
  Number(pattern.exec((text ?? '').replace(/\u00a0/g, ' '))?.[1]?.replaceAll(',', ''));
/** MB/s that the strip says flow. */
const flowOf = async (page: Page) =>
  number(await page.getByText(/^Flow .* with a fresh cache/).textContent(), /Flow ([\d,.]+)\sMB\/s/);
/** The cells of an activity's row in the forecast: expected, range, average rate. */
async function rowOf(page: Page, activity: string) {
  const row = page.getByRole('row', { name: new RegExp(`^${activity}`) }).first();
  await row.waitFor();
  await expect(page.getByText('Working it out')).toHaveCount(0);
  return (await row.getByRole('cell').allTextContents()).map((t) => t.replace(/\u00a0/g, ' '));
}
/** What the working of an activity's time shows, filled in. */
async function filledOf(page: Page, activity: string): Promise<string> {
  const row = page.getByRole('row', { name: new RegExp(`^${activity}`) }).first();
  await row.getByTitle('Show the working').first().click();
  const sheet = page.getByLabel('The working', { exact: true });
  const text = (await sheet
    .getByText(/[\d.,]+\s[GT]B ÷/)
    .first()
    .textContent())!.replace(/\u00a0/g, ' ');
  await page.getByRole('button', { name: 'Close the working' }).click();
  return text;
}

test('a mapping team: 640 GB in 52,000 images every night, within 25 minutes, on laptop and desktop', async () => {
  const { page, faults, button, field, stage, put, pick } = await newJob('Thin laptop');
  await button('Add a machine').click();
  await page.getByRole('menuitem', { name: 'Mini PC', exact: true }).click();
  await button('Add an activity').click();
  await field('Activity').fill('Nightly images');
  await field('Size in one go').fill('640gb');
  await field('Files').fill('52000 images');
  await field('How often').fill('every evening');
  await field('Target time').fill('25');
  await pick('Each copy', 'replaces the last one');
  await pick('Machine', 'Thin laptop');
  await expect(page.getByText('25 min 00 s. No unit: read as min.')).toBeVisible();
  await stage('Path');
  await button('Put a first build together').click();
  await page.getByText(/^Flow .* with a fresh cache/).waitFor();
  await put(DRIVE, 'Gannet 2 TB');
  await put(BOX, 'Vault 40');
  const flow = await flowOf(page);
  expect(flow).toBeGreaterThan(1500);
  await stage('Forecast');
  const [, expected, range, rate] = await rowOf(page, 'Nightly images');
  const filled = await filledOf(page, 'Nightly images');
  // Bytes of each phase over its rate, and the files: what the working shows gives the headline.
  const phases = [...filled.matchAll(/([\d.,]+)\sGB ÷ ([\d.,]+)\sMB\/s/g)];
  expect(phases.reduce((sum, [, gb]) => sum + Number(gb), 0)).toBeCloseTo(640, 0);
  const files = /52,000 × ([\d.]+)\sms/.exec(filled);
  const worked =
    phases.reduce((sum, [, gb, mb]) => sum + (Number(gb) * 1000) / Number(mb!.replaceAll(',', '')), 0) +
    (52_000 * Number(files![1])) / 1000;
  expect(Math.abs(worked / seconds(expected!) - 1)).toBeLessThan(0.01);
  expect(Math.abs(640_000 / seconds(expected!) / number(rate, /([\d,.]+)\sMB/) - 1)).toBeLessThan(0.02);
  expect(seconds(range!.split(' to ')[0]!)).toBeLessThanOrEqual(seconds(expected!));
  // 640 GB of 2 TB stand there each day, whatever the years.
  await expect(page.getByText(/Not full within 5\syears: 32\s% in use at the end/)).toBeVisible();
  expect(faults).toEqual([]);
});

test('an old desktop with one ×1 slot, and a system that is too old to boot NVMe', async () => {
  const { page, faults, button, field, stage, pick, put } = await newJob(
    'Another machine, described by hand',
  );
  await field('System in use').fill('Windows 7');
  await expect(page.getByText('Read as Windows 7')).toBeVisible();
  await pick('NVMe boot', 'no');
  await pick('Shape', 'PCIe slot');
  await pick('Length', '×1');
  await pick('Wired', 'PCIe gen 3 ×1');
  await page.keyboard.press('Escape');
  await pick('Boot drive', 'yes');
  await button('Add an activity').click();
  await field('Activity').fill('Old projects');
  await field('Size in one go').fill('120 gb');
  await stage('Path');
  await button('Put a first build together').click();
  await put(DRIVE, 'Reed 1 TB');
  await put(BOX, 'Riser ×1');
  await expect(page.getByText('Something blocks it as it stands')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Blocks: The host does not boot from NVMe' })).toBeVisible();
  await expect(page.getByText('NVMe needs an update of the system first')).toBeVisible();
  // One lane of gen 3: 8 GT/s × 128/130 ÷ 8 = 984.6 MB/s, of which packets of 128 to 256 B leave 128/152 to 256/280, less about 1 %.
  const row = page.getByRole('row', { name: /^PCIe gen 3 ×1/ }).first();
  const cells = await row.getByRole('cell').allTextContents();
  expect(number(cells[1], /([\d,]+)/)).toBe(985);
  expect(number(cells[2], /([\d,]+)/)).toBeGreaterThan(984.6 * (128 / 152) * 0.98);
  expect(number(cells[2], /([\d,]+)/)).toBeLessThan(984.6 * (256 / 280));
  // What Path blocks, Forecast blocks.
  await stage('Forecast');
  await expect(page.getByText(/Something blocks it: .*does not boot from NVMe/)).toBeVisible();
  await stage('Brief');
  await pick('Boot drive', 'no');
  await stage('Forecast');
  await rowOf(page, 'Old projects');
  expect(faults).toEqual([]);
});

test('a 16 TB archive in an enclosure of 2009, fed by two disks, format first', async () => {
  const { page, faults, button, field, stage, put } = await newJob('Old office laptop');
  await button('Add an activity').click();
  await field('Activity').fill('Both old disks');
  await field('Size in one go').fill('5 TB + 4 TB');
  await expect(page.getByText('9 TB. Added up.')).toBeVisible();
  await field('Files').fill('9000');
  await field('How often').fill('once');
  await stage('Path');
  await button('Put a first build together').click();
  await put(DRIVE, 'Anchor 16 TB');
  await put(BOX, 'Shell Old');
  await expect(page.getByRole('heading', { name: 'Blocks: The enclosure stops at 2.2 TB' })).toBeVisible();
  await stage('Forecast');
  await expect(page.getByText(/Something blocks it: .*stops at 2\.2\sTB/)).toBeVisible();
  await stage('Path');
  await put(BOX, 'Tower 5');
  await put(PORT, 'Right side, blue');
  await stage('Forecast');
  const [, copy] = await rowOf(page, 'Both old disks');
  await page.getByRole('combobox', { name: 'First' }).click();
  await page.getByRole('option', { name: 'full format', exact: true }).click();
  await page.getByLabel('Starts', { exact: true }).fill('2031-03-05T17:00');
  const clock = page.locator('section', { has: page.getByRole('heading', { name: 'On the clock' }) });
  await clock.getByRole('listitem').nth(1).waitFor();
  const [format, then] = await clock.getByRole('listitem').allTextContents();
  const takes = (text: string) => seconds(text.replace(/^[^,]*, /, '').split(':')[0]!);
  // 5 March 17:00 and both together, day by day.
  const end = new Date(2031, 2, 5, 17, 0, takes(format!) + seconds(copy!));
  const days = Math.round((Date.UTC(2031, 2, end.getDate()) - Date.UTC(2031, 2, 5)) / 86_400_000);
  expect(then).toContain(days === 1 ? 'next day' : `in ${days} days`);
  // 9 of 16 TB are in use afterwards, and it does not fill: it happens once.
  await expect(page.getByText(/Not full within 5\syears: 56\s% in use at the end/)).toBeVisible();
  expect(faults).toEqual([]);
});

test('four SATA drives behind 10 Gb/s: striped, parity, mirrored', async () => {
  const { page, faults, button, field, stage, put, pick } = await newJob('Scanning workstation');
  await button('Add an activity').click();
  await field('Activity').fill('Plates');
  await field('Size in one go').fill('80 GB');
  await field('Files').fill('40');
  await stage('Path');
  await button('Put a first build together').click();
  await put(DRIVE, 'Slate 2 TB');
  await put(BOX, 'Slim 4');
  await put(PORT, 'Back, top pair');
  await put(CABLE, 'C to C, 10 Gb/s, 0.5 m');
  await pick('Drives at once', '4 of 4');
  const flows: Record<string, number> = {};
  for (const [mode, option] of [
    ['stripe', /^RAID 0.*by the system/],
    ['parity', /^RAID 5.*by the system/],
    ['mirror', /^RAID 1 .*by the system/],
  ] as const) {
    await pick('Put together', option);
    await page.waitForTimeout(300);
    flows[mode] = await flowOf(page);
  }
  // Redundancy made by the system crosses the one link: three quarters of it less what parity costs, and a quarter.
  expect(flows.stripe!).toBeGreaterThan(780);
  expect(flows.stripe!).toBeLessThan(900);
  expect(flows.parity! / flows.stripe!).toBeLessThanOrEqual(0.76);
  expect(flows.parity! / flows.stripe!).toBeGreaterThan(0.3);
  expect(flows.mirror! / flows.stripe!).toBeGreaterThan(0.22);
  expect(flows.mirror! / flows.stripe!).toBeLessThan(0.28);
  // 80 GB at the flow of the path, and the forecast's average rate, are one.
  await stage('Forecast');
  const filled = await filledOf(page, 'Plates');
  const rates = [...filled.matchAll(/÷ ([\d.,]+)\sMB\/s/g)].map(([, r]) => Number(r!.replaceAll(',', '')));
  expect(rates.some((r) => Math.abs(r / flows.mirror! - 1) < 0.01)).toBe(true);
  expect(faults).toEqual([]);
});

test('a bay: a drive of a generation too old, and one that is too high', async () => {
  const { page, faults, button, stage, pick, put } = await newJob('Simulator host');
  await pick('Role', 'Expansion bay');
  await stage('Path');
  await button('Put a first build together').click();
  await put(PORT, 'Expansion bay under the side cover');
  await put(DRIVE, 'Reed 2 TB');
  await expect(page.getByRole('heading', { name: 'Blocks: Too old a generation for the bay' })).toBeVisible();
  await expect(page.getByText(/takes PCIe gen 4 or newer; .* is gen 3/)).toBeVisible();
  // What expands a host stays in its bay: no enclosure is offered for it.
  const cheapest = page.locator('section', { has: page.getByRole('heading', { name: 'Cheapest fix' }) });
  await expect(cheapest.getByText(/Trying/)).toHaveCount(0);
  await expect(cheapest.getByText(/put it in/i)).toHaveCount(0);
  await put(DRIVE, 'Gannet 4 TB');
  await expect(
    page.getByRole('heading', { name: 'Blocks: Not enough clearance in the slot or bay' }),
  ).toBeVisible();
  await expect(page.getByText(/the drive is 16\.5 mm high, .* has room for 11 mm/)).toBeVisible();
  expect(faults).toEqual([]);
});

test('a used drive: from its counters to a date', async () => {
  const { page, faults, button, field, stage, put } = await newJob('Mini PC');
  await button('Add an activity').click();
  await field('Activity').fill('Takes of the day');
  await field('Size in one go').fill('150 GB');
  await field('How often').fill('daily');
  await stage('Path');
  await button('Put a first build together').click();
  await put(PORT, 'Inside, long socket');
  await put(DRIVE, 'Merlin 2 TB');
  await stage('Forecast');
  await rowOf(page, 'Takes of the day');
  await button('It is used: enter what it has written').click();
  for (const [on, text] of [
    ['2030-03-01', '48 TB'],
    ['2031-03-01', '241 Total_LBAs_Written 0x0032 099 099 000 Old_age Always - 152343750000'],
  ] as const) {
    await field('Written so far, or its health page').fill(text);
    await field('Read on').fill(on);
    await button('Keep this reading').click();
    if (on.startsWith('2030')) await button('Another reading of its counter').click({ trial: true });
  }
  // 152,343,750,000 sectors of 512 B are 78 TB: 30 TB in 365 days are 82.2 GB a day.
  await expect(page.getByText('1 March 2031: 78 TB written')).toBeVisible();
  // The second reading is worked out beside the page.
  const own = (await page.getByText(/^By its own counter it has taken/).textContent())!;
  const used = (await page.getByText(/^Of the rated writes/).textContent())!;
  // As much is left as 78 TB of the rating are not, at 150 GB a day.
  const rating = SHOP.drives.find((d) => d.id === 'oystral-merlin-2t')!.tbw.value as number;
  const told = number(used, /writes ([\d.,]+)\syears/);
  expect(Math.abs(told / ((rating - 78e12) / 150e9 / 365) - 1)).toBeLessThan(0.05);
  expect(number(own, /taken ([\d.]+)\sGB\/day/)).toBeCloseTo(30_000 / 365, 0);
  const left = number(own, /: ([\d.,]+)\syears left/);
  expect(Math.abs(left / ((rating - 78e12) / (30e12 / 365) / 365) - 1)).toBeLessThan(0.05);
  // A range of months, never one.
  const [, from, to] = /\((\w+ \d{4}) to (\w+ \d{4})\)/.exec(own)!;
  expect(from).not.toBe(to);
  expect(faults).toEqual([]);
});
