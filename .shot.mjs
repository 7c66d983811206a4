import { chromium } from 'playwright-core';
import { startServer } from '/work/main/scripts/lib.mjs';
import { mkdtempSync } from 'node:fs';
const folder = mkdtempSync('/tmp/shot-');
const server = await startServer(['--bench', folder, '--reserve', '0 GB']);
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-background-networking', '--disable-gpu'] });
const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
const page = await context.newPage();
page.on('pageerror', (e) => console.log('PAGEERROR', String(e)));
page.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text()));
const { default: run } = await import(process.argv[2]);
try { await run({ page, context, browser, server, folder, shot: (name) => page.screenshot({ path: `/tmp/${name}.png` }) }); } catch (e) { console.log('FAIL', String(e).slice(0, 600)); await page.screenshot({ path: '/tmp/fail.png' }); }
await browser.close(); server.stop(); process.exit(0);
