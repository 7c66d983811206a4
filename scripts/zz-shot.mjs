// usage: node scripts/zz-shot.mjs OUT PATH [scheme] [js]
import { chromium as playwright } from 'playwright-core';
import { build, startServer } from './lib.mjs';
build();
const [out, path, scheme='light', steps='', w='1280', h='800'] = process.argv.slice(2);
const server = await startServer();
const browser = await playwright.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-background-networking', '--disable-gpu'] });
const page = await browser.newPage({ viewport: { width: +w, height: +h }, colorScheme: scheme });
page.on('pageerror', (error) => console.error('PAGEERROR', error));
page.on('console', (m) => m.type() === 'error' && console.error(m.text()));
await page.goto(server.address); await page.getByRole('navigation').waitFor();
await page.goto(server.address + path); await page.getByRole('main').waitFor();
await page.evaluate(() => document.fonts.ready); await page.waitForTimeout(700);
if (steps) await eval(`(async()=>{${steps}})()`);
await page.waitForTimeout(400);
await page.screenshot({ path: out });
await browser.close(); server.stop();
