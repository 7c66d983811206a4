import { join } from 'node:path';
import { chromium as playwright } from 'playwright-core';
import { build, chromium, install, root, startServer } from './lib.mjs';

/** Retakes docs/screenshots from the demo: `npm run shots`; another folder and scheme for a look: `npm run shots -- DIR dark`. */
const [folder = join(root, 'docs/screenshots'), scheme = 'light', only = ''] = process.argv.slice(2);
const OFFLOAD = '/jobs/demo-acoustics-offload';
const VIEWS = [
  ['jobs', '/jobs'],
  ['brief', `${OFFLOAD}/brief`],
  ['choice', `${OFFLOAD}/choice`],
  ['path', `${OFFLOAD}/path`],
  ['forecast', `${OFFLOAD}/forecast`],
  ['setup', '/jobs/demo-acoustics-archive/setup'],
  ['bench', `${OFFLOAD}/bench`],
  ['verdict', '/jobs/demo-acoustics-second/verdict'],
  ['handover', `${OFFLOAD}/handover`],
  ['known', `${OFFLOAD}/known`],
  ['parts', '/parts/drives/oystral-kestrel-2t'],
  ['bay', '/jobs/demo-simulator-bay/path'],
  ['places', '/jobs/demo-acoustics-archive/brief'],
  ['tools', '/tools'],
  ['reference', '/reference'],
  ['practice', '/practice'],
  ['settings', '/settings'],
];

install();
build();
const server = await startServer();
const browser = await playwright.launch({
  executablePath: chromium(),
  args: ['--no-sandbox', '--disable-background-networking', '--disable-gpu'],
});
const page = await browser.newPage({
  viewport: { width: 1280, height: 800 },
  colorScheme: scheme,
  // No picture of something on its way.
  reducedMotion: 'reduce',
});
page.on('pageerror', (error) => console.error(error));
page.on('console', (message) => message.type() === 'error' && console.error(message.text()));
await page.goto(server.address);
await page.getByRole('navigation').first().waitFor();
for (const [name, path] of VIEWS.filter(([name]) => name.includes(only))) {
  await page.goto(server.address + path);
  await page.getByRole('main').waitFor();
  await page.locator('[data-opening]').waitFor({ state: 'detached' });
  await page.evaluate(() => document.fonts.ready);
  await page.waitForLoadState('networkidle');
  // The forecast is worked out beside the page, and its chart comes after it.
  if (name === 'forecast') await page.getByRole('img', { name: /^Speed over the copy/ }).waitFor();
  if (name === 'choice')
    await Promise.all([
      page.getByRole('heading', { name: 'All builds that work' }).waitFor(),
      page.getByRole('button', { name: /Take this build|In the job/ }).waitFor(),
    ]);
  // Causes are worked out beside the page.
  if (name === 'verdict') await page.getByRole('table', { name: 'What each result would mean' }).waitFor();
  if (name === 'practice') {
    await page.getByRole('button', { name: 'Start a round of level 2' }).click();
    await page
      .getByRole('button', { name: /^Read which link/ })
      .first()
      .click();
    await page.getByText(/ spent$/).waitFor();
  }
  const tall = { forecast: 1000, choice: 1000, verdict: 1000 }[name] ?? 800;
  await page.setViewportSize({ width: 1280, height: tall });
  await page.screenshot({ path: join(folder, `${name}.png`) });
}
if ('working'.includes(only)) {
  await page.goto(`${server.address}${OFFLOAD}/forecast`);
  await page.getByTitle('Show the working').first().click();
  const links = page.getByLabel('The working', { exact: true }).getByText('What the links carry, writing');
  await links.click();
  await links.evaluate((text) =>
    Promise.all(document.getAnimations().map((a) => a.finished)).then(() => text),
  );
  await page.screenshot({ path: join(folder, 'working.png') });
}
if ('phone'.includes(only)) {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    colorScheme: scheme,
  });
  const phone = await context.newPage();
  await phone.goto(server.address);
  await phone.goto(`${server.address}${OFFLOAD}/verdict`);
  await phone.getByRole('heading', { name: 'It meets the targets' }).waitFor();
  await phone.getByRole('navigation', { name: 'In the thumb’s reach' }).waitFor();
  await phone.getByText('Saved', { exact: true }).waitFor();
  await phone.screenshot({ path: join(folder, 'phone.png') });
}
await browser.close();
server.stop();
