import { expect } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { format } from '@kymar/core/units';
import { MadeUp } from '../server/plugged/fixtures/machine';
import { startApp, test, type App } from './app';

let app: App;
let sysfs = '';
test.beforeAll(async () => {
  sysfs = await mkdtemp(join(tmpdir(), 'kymar-sysfs-'));
  await new MadeUp(sysfs)
    .usbRoot(1, '0000:00:14.0', 480)
    .usbRoot(2, '0000:00:14.0', 10000)
    .usb('2-1', '0000:00:14.0', 5000, { product: 'Nook 10' })
    .nvme('0000:01:00.0', '0000:00:1d.0', ['16.0', 4], ['16.0', 4], ['16.0', 4], 'Merlin 4 TB')
    .made();
  app = await startApp({ KYMAR_SYSFS: sysfs });
});
test.afterAll(async () => {
  await app.stop();
  await rm(sysfs, { recursive: true, force: true });
});

const OFFLOAD = '/jobs/demo-acoustics-offload/path';
const state = (page: Page) => page.locator('[data-state]').getAttribute('data-state');
/** Swaps a segment with keys alone: the strip's segment is reached, opened, searched and taken. */
const byKeys = async (page: Page, segment: string, words: string, isBlocked = false) => {
  await page.getByRole('button', { name: new RegExp(`^Change ${segment}: `) }).focus();
  await page.keyboard.press('Enter');
  await page.getByPlaceholder('Type to search').waitFor();
  await page.keyboard.type(words);
  await page.getByRole('option', { name: words }).first().waitFor();
  await page.keyboard.press('Enter');
  if (isBlocked) {
    // What does not work is taken by a second press, seen.
    await page.getByText('It does not work here. Press again to take it all the same.').waitFor();
    await page.keyboard.press('Enter');
  }
  await page.getByPlaceholder('Type to search').waitFor({ state: 'detached' });
};

const stages = (page: Page) => page.getByRole('navigation', { name: 'Stages of the job' });

test(
  'segments swapped by keys alone, through the states fine, limited, blocked and mended',
  { tag: '@quick' },
  async () => {
    const { page, faults } = await app.open(OFFLOAD);
    expect(await state(page)).toBe('fine');
    await byKeys(page, 'cable', 'charging');
    await page.getByText('The cable holds the path down').waitFor();
    expect(await state(page)).toBe('limited');
    await page.keyboard.press('Control+z');
    await page.getByText('The cable holds the path down').waitFor({ state: 'detached' });
    await byKeys(page, 'cable', 'No cable', true);
    await page.getByText('The plugs do not meet').waitFor();
    expect(await state(page)).toBe('blocked');
    await page.getByText(/^Nothing flows:/).waitFor();
    const mend = page.getByRole('listitem').filter({ hasText: 'Use C to C, 10 Gb/s' });
    await mend.getByText('costs a cable').waitFor();
    await mend.getByRole('button', { name: 'Do it' }).click();
    await page.getByText('The plugs do not meet').waitFor({ state: 'detached' });
    expect(await state(page)).toBe('fine');
    // Escape leaves everything as it was.
    await page.getByRole('button', { name: /^Change drive: / }).focus();
    await page.keyboard.press('Enter');
    await page.getByPlaceholder('Type to search').waitFor();
    await page.keyboard.press('Escape');
    await page.getByPlaceholder('Type to search').waitFor({ state: 'detached' });
    await page.getByRole('button', { name: 'Change drive: Reed 2 TB' }).waitFor();
    expect(faults).toEqual([]);
  },
);

test('what decides is not known: the state says so', async () => {
  const { page } = await app.open('/jobs/demo-simulator-bay/path');
  await page.getByRole('button', { name: 'Reading from it' }).click();
  await page.getByText('It works; what limits its speed is not known').waitFor();
  expect(await state(page)).toBe('unknown');
});

test('both policies end to end: a maker’s minimum by the result, then to the letter', async () => {
  const { page, faults } = await app.open('/jobs/demo-simulator-bay/path');
  const finding = page.locator('[data-finding="bay-reading"]');
  await finding.getByText(/Caution:/).waitFor();
  await finding.getByText(/Forecast of drive and bay together: 4,800\sMB\/s/).waitFor();
  await finding.getByRole('button', { name: 'Follow the other' }).click();
  await finding.getByText(/Blocks:/).waitFor();
  expect(await state(page)).toBe('blocked');
  await page.getByRole('link', { name: /^Path.*needs attention/ }).waitFor();
  // The fix is a drive that keeps to the letter; the brief shows the same policy and turns it back.
  await page
    .getByRole('listitem')
    .filter({ hasText: 'costs a drive' })
    .getByText(/^Take /)
    .waitFor();
  await stages(page)
    .getByRole('link', { name: /^Brief/ })
    .click();
  await page.getByRole('combobox', { name: 'Follow the maker’s minimum?' }).click();
  await page.getByRole('option', { name: /judge by the result/ }).click();
  await page.getByRole('link', { name: /^Path.*done/ }).click();
  await finding.getByText(/Caution:/).waitFor();
  expect(faults).toEqual([]);
});

test('a hub between, a neighbour’s drive bays and the kit list', async () => {
  const { page, faults } = await app.open(OFFLOAD);
  await page.getByRole('button', { name: 'Put a hub or dock between' }).click();
  await page.getByRole('button', { name: 'Change hub: Fan 4' }).waitFor();
  await page.getByText('A hub without its own power supply').waitFor();
  await byKeys(page, 'hub', 'No hub here');
  await page.getByRole('button', { name: 'Change hub: Fan 4' }).waitFor({ state: 'detached' });
  await byKeys(page, 'drive', 'Slate 2 TB');
  await byKeys(page, 'bridge', 'Slim 4');
  await page.getByRole('combobox', { name: 'Drives at once' }).click();
  await page.getByRole('option', { name: '4 of 4' }).click();
  await page.getByText('Others share its link').waitFor();
  await page
    .getByText(/shared: 4 drives at once/)
    .first()
    .waitFor();
  await page.getByLabel('Kit list').fill('Mounting');
  await page.getByRole('option', { name: /Mounting screws/ }).click();
  await page.getByRole('combobox', { name: 'Requests come' }).click();
  await page.getByRole('option', { name: '4 KiB, one at a time' }).click();
  await page.getByText(/Flow so: .* a second/).waitFor();
  expect(faults).toEqual([]);
});

test('what this machine says of a plugged-in drive is taken over as the path’s fact', async () => {
  const { page, faults } = await app.open(OFFLOAD);
  await page.getByRole('button', { name: 'Look', exact: true }).click();
  const nook = page
    .getByRole('listitem')
    .filter({ hasText: 'Tesselin Nook 10' })
    .filter({ hasText: 'Negotiated USB 5 Gb/s' });
  await nook.getByRole('button', { name: 'It is this one' }).click();
  await page.getByText('negotiated USB 5 Gb/s though all on it can run USB 10 Gb/s').first().waitFor();
  expect(await state(page)).toBe('limited');
  // A PCIe drive is not what hangs on this enclosure's plug.
  expect(
    await page.getByRole('listitem').filter({ hasText: 'Merlin 4 TB' }).getByRole('button').isDisabled(),
  ).toBe(true);
  await page.getByRole('button', { name: 'Forget it' }).click();
  await page.getByText('negotiated USB 5 Gb/s though').first().waitFor({ state: 'detached' });
  expect(faults).toEqual([]);
});

test('another end: an activity from the recorder’s card is held by the card', async () => {
  const { page, faults } = await app.open('/jobs/demo-acoustics-offload/brief');
  await page.getByRole('combobox', { name: 'Comes from' }).click();
  await page.getByRole('option', { name: /Recorder’s card/ }).click();
  await stages(page).getByRole('link', { name: /^Path/ }).click();
  await page.getByText('The other end decides').waitFor();
  // The strip swaps the other end as it does any segment.
  await byKeys(page, 'other end', 'Built-in 1 TB');
  await page.getByText('The other end decides').waitFor({ state: 'detached' });
  expect(faults).toEqual([]);
});

test('the library: a listing pasted, a figure changed, taken back; CSV out, mended and in with a preview; kept over a reload', async () => {
  const { page, faults } = await app.open('/parts');
  await page.getByRole('button', { name: 'Add from a listing' }).click();
  await page
    .getByLabel('Paste the line')
    .fill('Quarrel Flume 4TB M.2 2280 PCIe 4.0 x4 NVMe, read 7,100 MB/s, 20 GB/s USB');
  await page.getByText(/Saved as: Maker: Quarrel; Model: Flume 4.TB/).waitFor();
  await page.getByRole('button', { name: 'Add the drive' }).click();
  await page.getByRole('heading', { name: /^Quarrel Flume/ }).waitFor();

  await page.goto(`${app.address}/parts/drives/oystral-kestrel-2t`);
  await page.getByRole('button', { name: 'Use this' }).nth(1).click();
  await page.getByLabel('Why this Reads at').fill('ours, timed twice');
  await page.getByText(/^measured: shop bench, one unit; 1\sMiB/).waitFor();
  await page.getByRole('button', { name: 'As in stock' }).waitFor();
  await page.getByText('Saved in this browser').waitFor();
  await page.reload();
  expect(await page.getByLabel('Why this Reads at').inputValue()).toBe('ours, timed twice');

  await page.goto(`${app.address}/parts/cables`);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as CSV' }).click(),
  ]);
  const path = join(app.folder, 'cables.csv');
  await download.saveAs(path);
  const csv = await readFile(path, 'utf8');
  expect(csv.split('\r\n')[0]).toMatch(/^Id,Name,Ends,Modes it carries,Length \(m\)/);
  const changed = csv.replace(
    '"C to C, 10 Gb/s",USB-C + USB-C,usb-10,0.5',
    '"C to C, 10 Gb/s",USB-C + USB-C,usb-10,0.7',
  );
  expect(changed).not.toBe(csv);
  await writeFile(
    path,
    `${changed}\r\nnew-lead,New lead,USB-C + USB-A,usb-10,0.3,15,\r\nbad lead,Bad lead,USB-C + USB-X,usb-10,long,,`,
  );
  await page.getByLabel('File with parts').setInputFiles(path);
  await page.getByText(/1 new, 1 changed, 14 as they are here already/).waitFor();
  await page.getByText('Length: 0.5 → 0.7').waitFor();
  await page.getByText(/Line 18, column 5: Length \(m\): "long"/).waitFor();
  await page.getByRole('button', { name: 'Take over 2' }).click();
  await page.getByRole('gridcell', { name: 'New lead' }).waitFor();
  await page.getByRole('button', { name: 'Cables (16)' }).waitFor();
  // The new lead can be chosen on a path at once; an undo takes the import back.
  await page.keyboard.press('Control+z');
  await page.getByRole('button', { name: 'Cables (15)' }).waitFor();
  await page.keyboard.press('Control+Shift+z');
  await page.getByRole('button', { name: 'Cables (16)' }).waitFor();
  await page.goto(`${app.address}${OFFLOAD}`);
  await page.getByRole('button', { name: /^Change cable: / }).click();
  await page.getByRole('option', { name: /New lead/ }).waitFor();
  expect(faults).toEqual([]);
});

test('a machine’s ports and its maker’s minimum are forms, however deep; an unsound value is said and not taken', async () => {
  const { page, faults } = await app.open('/parts/hosts/games-console');
  await page.getByRole('button', { name: 'Expansion bay behind the panel', exact: true }).click();
  const minimum = page.getByRole('group', { name: 'The maker asks for' });
  await minimum.getByLabel('PCIe generation').fill('5');
  await page.getByRole('button', { name: 'As in stock' }).waitFor();
  await minimum.getByLabel('PCIe generation').fill('9');
  await page.getByText(/The old value stays/).waitFor();
  const ports = page.getByRole('group', { name: 'Ports and slots' });
  await ports.getByRole('button', { name: 'Add one' }).last().click();
  await ports.getByRole('button', { name: 'New where', exact: true }).waitFor();
  await page.getByText('Saved in this browser').waitFor();
  await page.reload();
  await page
    .getByRole('group', { name: 'Ports and slots' })
    .getByRole('button', { name: 'New where', exact: true })
    .waitFor();
  await page.getByRole('button', { name: 'As in stock' }).click();
  await page.getByRole('button', { name: 'New where', exact: true }).waitFor({ state: 'detached' });
  expect(faults).toEqual([]);
});

test('the command line tells the findings, the state, the flow and the mends that the page shows', async () => {
  const { page, faults } = await app.open('/jobs/demo-simulator-bay/path');
  await page.getByRole('button', { name: 'Follow the other' }).first().click();
  await page.getByRole('listitem').filter({ hasText: 'costs a drive' }).waitFor();
  const more = page.getByRole('button', { name: /ore good to know/ });
  if (await more.count()) await more.click();
  const shown = {
    state: await state(page),
    findings: await page
      .locator('[data-finding]')
      .evaluateAll((list) => list.map((e) => e.getAttribute('data-finding'))),
    // A figure is not torn from its unit.
    page: (await page.getByRole('main').innerText()).replaceAll('\u00a0', ' '),
  };
  await page.getByRole('link', { name: 'All jobs' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export Scenario drive' }).click(),
  ]);
  const path = join(app.folder, 'bay.json');
  await download.saveAs(path);
  const told = JSON.parse(
    execFileSync(process.execPath, ['server/dist/kymar.js', 'path', path], { encoding: 'utf8' }),
  );
  expect(told.state.write).toBe(shown.state);
  expect(told.findings.write.map((f: { id: string }) => f.id)).toEqual(shown.findings);
  for (const { reason, fix } of told.findings.write)
    for (const words of [reason, fix]) expect(shown.page).toContain(words);
  expect(told.fixes.write.length).toBeGreaterThan(0);
  for (const { words } of told.fixes.write) expect(shown.page).toContain(words);
  expect(shown.page).toContain(`Flow: ${format(told.flow.write.expected, 'B/s')}`);
  expect(faults).toEqual([]);
});

test('a library of thousands: found by typing, in the list and at a segment', async () => {
  const { page, faults } = await app.open('/parts');
  const lines = Array.from(
    { length: 3000 },
    (_, i) => `d-${i},Fernhaze,Many ${i},flash,M.2 2280,M.2,pcie4x4,2 TB`,
  );
  const path = join(app.folder, 'many.csv');
  await writeFile(path, ['Id,Maker,Model,Medium,Form factor,Plug,Modes,Capacity', ...lines].join('\n'));
  await page.getByLabel('File with parts').setInputFiles(path);
  await page.getByRole('button', { name: 'Take over 3,000' }).click();
  await page.getByRole('button', { name: 'Drives (3041)' }).waitFor();
  await page.getByLabel('Find').fill('Many 2999');
  await page.getByRole('gridcell', { name: 'Fernhaze Many 2999' }).waitFor();
  await page.getByText('Saved in this browser').waitFor();
  await page.goto(`${app.address}${OFFLOAD}`);
  await page.getByRole('button', { name: /^Change drive: / }).click();
  await page.getByText(/more: type to narrow/).waitFor();
  await page.getByPlaceholder('Type to search').fill('Many 2999');
  await page.getByRole('option', { name: /Many 2999/ }).click();
  await page.getByRole('button', { name: 'Change drive: Many 2999' }).waitFor();
  expect(faults).toEqual([]);
});
