import { chromium as playwright } from 'playwright-core';
import { chromium, startServer } from './lib.mjs';
const server = await startServer();
const browser = await playwright.launch({ executablePath: chromium(), args: ['--no-sandbox','--disable-background-networking','--disable-gpu'] });
const steps = JSON.parse(process.argv[2]);
for (const { name, path, scheme = 'light', w = 1280, h = 800, wait, clicks = [] } of steps) {
  const page = await browser.newPage({ viewport: { width: w, height: h }, colorScheme: scheme });
  page.on('pageerror', (e) => console.error('pageerror', e.message));
  page.on('console', (m) => m.type() === 'error' && console.error(m.text()));
  await page.goto(server.address + path);
  await page.getByRole('main').waitFor();
  await page.waitForLoadState('networkidle');
  if (wait) await page.getByText(new RegExp(wait)).first().waitFor({ timeout: 30000 });
  for (const c of clicks) { await page.getByRole(c.role ?? 'button', { name: new RegExp(c.name) }).first().click(); await page.waitForTimeout(c.ms ?? 800); }
  await page.waitForTimeout(500);
  await page.screenshot({ path: `/tmp/${name}.png` });
  await page.close();
}
await browser.close(); process.exit(0);
