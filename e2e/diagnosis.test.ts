import { expect, type Page } from '@playwright/test';
import { startApp, test, type App } from './app';

let app: App;
test.beforeAll(async () => {
  app = await startApp();
});
test.afterAll(() => app.stop());

const stage = (page: Page, name: RegExp) =>
  page.getByRole('navigation', { name: 'Stages of the job' }).getByRole('link', { name }).click();

/** A time of an activity, as somebody read it off elsewhere. */
async function enter(page: Page, activity: RegExp, time: string) {
  await page.getByRole('combobox', { name: 'What is timed' }).click();
  await page.getByRole('option', { name: activity }).click();
  await page.getByRole('tab', { name: 'Enter a figure' }).click();
  await page.getByRole('combobox', { name: 'What is known' }).click();
  await page.getByRole('option', { name: 'How long the activity took' }).click();
  await page.getByLabel('It took', { exact: true }).fill(time);
  await page.getByRole('button', { name: 'Keep this figure' }).click();
  await expect(page.getByLabel('It took', { exact: true })).toHaveValue('');
}

test('a job stuck on a wrong port: its cause found, put right, measured again and handed over, by following the app', async () => {
  const { page, faults } = await app.open('/jobs');
  await page
    .getByRole('link', { name: /Second team/ })
    .first()
    .click();
  await stage(page, /^Verdict/);
  await page.getByText('The port is of a slower class.', { exact: true }).waitFor();
  await page
    .getByRole('table', { name: /What each cause says/ })
    .getByText('✕')
    .first()
    .waitFor();
  await page.getByRole('img', { name: /^How far it came when/ }).waitFor();

  // The customer's machine tells it: nonsense is said to be none, the tree of its USB buses is read.
  const next = page.getByRole('region', { name: 'Next' });
  await next.getByText(/^Next: Look which port it is in/).waitFor();
  await next.getByRole('button', { name: /^Or paste what the customer’s machine says/ }).click();
  const listing = next.getByLabel(/^Listing of PCI or USB devices/);
  await listing.fill('it is slow');
  await next.getByText(/^No drive with a negotiated link/).waitFor();
  await listing.fill(
    '/:  Bus 02.Port 1: Dev 1, Class=root_hub, Driver=xhci_hcd/4p, 10000M\n    |__ Port 3: Dev 2, If 0, Class=Mass Storage, Driver=uas, 5000M',
  );
  await next.getByRole('button', { name: /^It is this one/ }).click();
  await page.getByText(/^Link: USB 5.Gb\/s/).waitFor();
  await expect(page.getByText(/^The system’s own stack is slow/)).toHaveCount(0);

  // What is left is a port or a hub; one more look tells them apart.
  await next.getByText(/^Next: Look which port it is in/).waitFor();
  await next.getByRole('button', { name: 'USB 5 Gb/s' }).click();
  await page.getByText(/^Port: USB 5.Gb\/s/).waitFor();
  await page.getByText('The port is of a slower class.', { exact: true }).waitFor();
  await expect(page.getByText('A hub or dock between passes on less.')).toHaveCount(0);

  // It was the port: what was measured before is set aside; after it, all is as forecast.
  await page
    .getByRole('button', { name: /^It was this, and is put right: The port is of a slower class/ })
    .click();
  await page
    .getByText(/^Not used.*Set aside on .*Before it was put right/)
    .first()
    .waitFor();
  // Pressed too soon: taken back, the runs count again and the cause leads as before.
  await page
    .getByText(/^Nothing has been measured since/)
    .or(page.getByText(/3 runs set aside/))
    .first()
    .waitFor();
  await page.getByRole('button', { name: /^Take back: The port is of a slower class/ }).click();
  await page.getByText('The port is of a slower class.', { exact: true }).waitFor();
  await expect(page.getByText(/Before it was put right/)).toHaveCount(0);
  await page
    .getByRole('button', { name: /^It was this, and is put right: The port is of a slower class/ })
    .click();
  await page
    .getByText(/Before it was put right/)
    .first()
    .waitFor();
  await stage(page, /^Bench/);
  for (const time of ['4m54s', '4m57s', '4m51s']) await enter(page, /^Nightly offload/, time);
  for (const time of ['50.2 s', '51 s', '49.8 s']) await enter(page, /^Morning read-back/, time);
  await stage(page, /^Verdict/);
  await page.getByText('Both targets are met.').waitFor();
  await page.getByText('How sure that is').waitFor();
  await page.getByRole('button', { name: 'Accept it' }).click();
  await page.getByRole('button', { name: 'Decide', exact: true }).click();
  await page.getByRole('link', { name: 'Hand it over' }).click();
  await page.getByText('What was wrong and put right').waitFor();
  await page.getByText(/The port is of a slower class\..*before, 4.min.5\d.s since\./).waitFor();
  expect(faults).toEqual([]);
});

test(
  'a healthy one: how sure that is, then accepted; both copies printed, and saved as pages that open alone',
  { tag: '@quick' },
  async () => {
    const { page, faults } = await app.open('/jobs/demo-acoustics-offload/verdict');
    await page.getByText('How sure that is').waitFor();
    await page.getByText('Nothing wrong found.').waitFor();
    await page.getByRole('button', { name: 'Decide', exact: true }).click();
    await stage(page, /^Handover/);
    for (const [copy, has, not] of [
      ['Customer’s', 'When to come back', 'content hash'],
      ['Shop’s', 'content hash', 'nothing of the kind'],
    ] as const) {
      await page.getByRole('button', { name: copy }).click();
      const pdf = await page.pdf({ format: 'A4' });
      expect(pdf.byteLength).toBeGreaterThan(15_000);
      const [saved] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('button', { name: 'Save as a page (HTML)' }).click(),
      ]);
      const { readFile } = await import('node:fs/promises');
      const html = await readFile(await saved.path(), 'utf8');
      expect(html).toContain(has);
      expect(html).not.toContain(not);
      const alone = await page.context().newPage();
      await alone.setContent(html);
      await expect(alone.getByRole('heading', { level: 1 })).toHaveText(
        'Nightly offload, bat and bird recorders',
      );
      await alone.close();
    }
    expect(faults).toEqual([]);
  },
);

test('priors are shown, changed, and taken back', async () => {
  const { page, faults } = await app.open('/jobs/demo-acoustics-second/verdict');
  await page.getByText('The port is of a slower class.', { exact: true }).waitFor();
  await page.getByRole('button', { name: /^How often each is the cause \(from memory\)/ }).click();
  await page.getByRole('textbox', { name: 'A hub or dock between passes on less' }).fill('60');
  await page.getByRole('button', { name: /^How often each is the cause \(1 of your own\)/ }).waitFor();
  await expect(
    page
      .locator('section', { hasText: 'Likely causes' })
      .getByRole('button', { name: /^It was this/ })
      .first(),
  ).toHaveAccessibleName(/A hub or dock between/);
  await page.getByRole('button', { name: 'Take them all back' }).click();
  await page.getByRole('button', { name: /\(from memory\)/ }).waitFor();
  expect(faults).toEqual([]);
});

test('practice: a round lost, one won; the round that goes on and the record stay over a reload', async () => {
  const { page, faults } = await app.open('/practice');
  await page.getByRole('button', { name: 'Start a round of level 1' }).click();
  await page
    .getByRole('button', { name: /^Read which link the system negotiated/ })
    .first()
    .click();
  await page.getByText(/^(a minute|1\smin.*) spent/).waitFor();
  await page.reload();
  await page.getByText(/^(a minute|1\smin.*) spent/).waitFor();
  await page.getByRole('combobox', { name: 'The cause' }).click();
  await page.getByRole('option', { name: 'Nothing wrong found' }).click();
  await page.getByRole('button', { name: 'That is it' }).click();
  await page.getByRole('heading', { name: 'Not that one' }).waitFor();
  const truth = await page.getByText(/^It was: /).innerText();
  await page.getByText('The shortest way').waitFor();
  await page.getByRole('row', { name: /1 wrongly/ }).waitFor();

  await page.getByRole('button', { name: 'Another one' }).click();
  await page.getByRole('combobox', { name: 'The cause' }).waitFor();
  // Look, then name the likeliest: a slower link is a port, USB 2.0 a cable.
  await page
    .getByRole('button', { name: /^Read which link the system negotiated/ })
    .first()
    .click();
  await page.getByText(/^(a minute|1\smin.*) spent/).waitFor();
  const { debrief, roundOf } = await import('../core/practice');
  const round = roundOf(1, 2);
  await page.getByRole('combobox', { name: 'The cause' }).click();
  await page.getByRole('option', { name: round.cause!.title }).click();
  await page.getByRole('combobox', { name: 'What is done about it' }).click();
  await page.getByRole('option', { name: round.cause!.fix }).click();
  await page.getByRole('button', { name: 'That is it' }).click();
  await page.getByRole('heading', { name: 'Rightly named' }).waitFor();
  expect(debrief(round, [], { cause: round.cause!.id, fix: round.cause!.fix })).toMatchObject({
    isRight: true,
  });
  await page.reload();
  await page.getByRole('row', { name: /1 rightly/ }).waitFor();
  expect(truth).toMatch(/\./);
  await page.getByRole('button', { name: 'Leave this round' }).click();
  await page.getByText('1 of 2 named rightly').waitFor();
  expect(faults).toEqual([]);
});

test('what accepted jobs teach goes into the assumptions and out again; frozen forecasts stay', async () => {
  const { page, faults } = await app.open('/jobs/demo-acoustics-offload/verdict');
  await page.getByText('Both targets are met.').waitFor();
  await page.getByRole('button', { name: 'Decide', exact: true }).click();
  await page.getByText(/^Decided on/).waitFor();
  await page.goto(`${app.address}/reference`);
  const panel = page.locator('section', { hasText: 'What your jobs teach' });
  await panel
    .getByRole('table', { name: 'How good the forecasts were' })
    .getByText(/of 2 \(|of 1 \(/)
    .first()
    .waitFor();
  await panel
    .getByRole('button', { name: /^Use what was learned of/ })
    .first()
    .click();
  await panel.getByText('in use').waitFor();
  await page.getByText(/^learned from 1 job$/).waitFor();
  await panel.getByRole('button', { name: 'Switch off what was learned' }).click();
  await expect(page.getByText(/^learned from 1 job$/)).toHaveCount(0);
  expect(faults).toEqual([]);
});

test('a test is taken up on the bench, counts for itself, and moves the causes', async () => {
  const { page, faults } = await app.open('/jobs/demo-acoustics-second/verdict');
  const next = page.getByRole('region', { name: 'Next' });
  // Nothing was seen at the port, the link, or the count of files: what is left is a test.
  for (let i = 0; i < 8; i++) {
    await next.getByText(/^Next: /).waitFor();
    const title = await next.getByRole('heading').innerText();
    const seen = next.getByRole('button', { name: /^(USB 10.Gb\/s|as entered|room left)$/ });
    if ((await seen.count()) === 0) break;
    await seen.first().click();
    await next.getByRole('heading', { name: title, exact: true }).waitFor({ state: 'detached' });
  }
  const before = await page
    .getByText(/^One of these, .* together/)
    .first()
    .innerText();
  await next.getByRole('button', { name: 'Take it up on the bench' }).click();
  const wanted = page.locator('section', { hasText: 'To find the cause' }).last();
  await wanted.getByRole('button', { name: /^Take up: / }).click();
  const line = page.getByText(/^To find the cause: .* counts for this test alone/);
  await line.waitFor();
  await enter(page, /^Nightly offload/, '4m52s');
  await wanted.getByText(/\(made\)/).waitFor();
  await expect(line).toHaveCount(0);
  await stage(page, /^Verdict/);
  await page.getByRole('heading', { name: /^Nightly offload to the project disk \(/ }).waitFor();
  await page.getByText('2 targets of 2 not met.').waitFor();
  await expect(page.getByText(before, { exact: true })).toHaveCount(0);
  expect(faults).toEqual([]);
});

test('how a copy ran, as somebody says it, and a used drive’s health page: both are understood, kept and count', async () => {
  const { page, faults } = await app.open('/jobs/demo-acoustics-offload/bench');
  await page.getByRole('combobox', { name: 'What is timed' }).click();
  await page.getByRole('option', { name: /^Nightly offload/ }).click();
  await page.getByRole('tab', { name: 'Enter a figure' }).click();
  await page.getByRole('combobox', { name: 'What is known' }).click();
  await page.getByRole('option', { name: 'How long the activity took' }).click();
  const ran = page.getByLabel('How it ran, if it was seen');
  await ran.fill('90 GB at 880');
  await page.getByText(/^One rate is no course/).waitFor();
  await expect(page.getByRole('button', { name: 'Keep this figure' })).toBeDisabled();
  await ran.fill('first 90 GB at 880, then 215');
  await page.getByText(/^90 GB after 1 min 42 s, 214 GB after/).waitFor();
  // What it took follows from it.
  await page.getByRole('button', { name: 'Keep this figure' }).click();
  await expect(ran).toHaveValue('');
  await stage(page, /^Verdict/);
  await page
    .getByRole('table', { name: /What each cause says/ })
    .getByText(/the first 90\sGB/)
    .waitFor();

  await stage(page, /^Choice/);
  await page.getByLabel('Of the customer or on the shelf').fill('Reed 2');
  await page.getByRole('option', { name: /Reed 2 TB/ }).click();
  await page.getByRole('button', { name: /^Paste the health page of .*Reed 2 TB/ }).click();
  await page.getByLabel(/^Health page of/).fill('Percentage Used: 20%\nMedia and Data Integrity Errors: 3');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page.getByText(/^Media errors: 3\. Do not buy it/).waitFor();
  await page.getByText(/^Its health page says not to buy it: \d+/).waitFor();
  await page.getByRole('link', { name: 'What is known' }).click();
  await page.getByText('Health page of a drive that is there').waitFor();
  expect(faults).toEqual([]);
});
