import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  chromium as playwright,
  expect,
  test as base,
  type Browser,
  type BrowserContext,
  type Locator,
  type Page,
} from '@playwright/test';
import { chromium, startServer } from '../scripts/lib.mjs';

/** What a browser says of a request that nobody answers. */
const NO_ANSWER = /net::ERR_(CONNECTION|EMPTY_RESPONSE|INCOMPLETE|SOCKET)/;

export interface App {
  address: string;
  /** Folder that real runs may write in. */
  folder: string;
  browser: Browser;
  /** A new browser profile with one page; whatever goes wrong in it is collected. */
  open(
    path?: string,
    options?: Parameters<Browser['newContext']>[0] & { isNew?: boolean },
  ): Promise<{ page: Page; context: BrowserContext; faults: string[] }>;
  /** The server killed in the middle of whatever it does, and another in its place at the same address. */
  restart(): Promise<void>;
  stop(): Promise<void>;
}

/** Every profile that is open, with the test that opened it. */
let opened: { test: string; context: BrowserContext }[] = [];
/** Lines of a page that are shown of a test that failed on it. */
const MOST_LINES = 150;

/** A test; where it fails, it shows what stood on its pages: on a machine where nobody can look again, that tells most. */
export const test = base.extend<{ shown: void }>({
  shown: [
    // The pattern says that it needs no other fixture.
    async ({}, use, info) => {
      await use();
      if (info.status === info.expectedStatus) return;
      for (const { context } of opened.filter((one) => one.test === info.testId))
        for (const page of context.pages()) {
          const text = await page
            .locator('main')
            .ariaSnapshot()
            .catch(() => 'shows nothing any more');
          const hidden = await page
            .locator('body > [aria-hidden=true]')
            .count()
            .catch(() => -1);
          console.log(
            `${page.url()}, ${hidden} of its roots hidden\n${text.split('\n').slice(0, MOST_LINES).join('\n')}`,
          );
        }
    },
    { auto: true },
  ],
});

/** The real server on a free port and Debian's Chromium. */
export async function startApp(env: Record<string, string> = {}, more: string[] = []): Promise<App> {
  const folder = await mkdtemp(join(tmpdir(), 'kymar-e2e-'));
  const args = ['--bench', folder, '--reserve', '0 GB', ...more];
  // What one file's runs left behind is not found by the next one's pages.
  const state = await mkdtemp(join(tmpdir(), 'kymar-e2e-state-'));
  const mine = { XDG_STATE_HOME: state, XDG_CACHE_HOME: state, ...env };
  let server = await startServer(args, mine);
  const { address } = server;
  // That a server which was killed does not answer is no fault of the page's; a busy machine tells of it late.
  let wasKilled = false;
  const browser = await playwright.launch({
    executablePath: chromium()!,
    args: ['--no-sandbox', '--disable-background-networking', '--disable-gpu'],
  });
  return {
    address,
    folder,
    browser,
    async open(path = '/', { isNew = false, ...options } = {}) {
      const context = await browser.newContext({
        viewport: { width: 1280, height: 800 },
        acceptDownloads: true,
        ...options,
      });
      // Pages of a test that is over take no processor from the next one.
      const { testId } = base.info();
      const over = opened.filter((one) => one.test !== testId);
      opened = [...opened.filter((one) => one.test === testId), { test: testId, context }];
      await Promise.all(over.map((one) => one.context.close()));
      // A person who once opened everything: who comes anew finds folds shut.
      if (!isNew) await context.addInitScript(() => localStorage.setItem('kymar-folds', '{"*":true}'));
      const page = await context.newPage();
      page.setDefaultTimeout(40_000);
      const faults: string[] = [];
      page.on('pageerror', (error) => faults.push(String(error)));
      page.on(
        'console',
        (message) =>
          message.type() === 'error' &&
          !(wasKilled && NO_ANSWER.test(message.text())) &&
          faults.push(message.text()),
      );
      page.on(
        'request',
        (request) =>
          !request.url().startsWith(address) &&
          !/^(data|blob):/.test(request.url()) &&
          faults.push(`request to ${request.url()}`),
      );
      await page.goto(address + path);
      await page.getByRole('main').waitFor();
      await page.locator('[data-opening]').waitFor({ state: 'detached' });
      return { page, context, faults };
    },
    async restart() {
      wasKilled = true;
      const gone = new Promise((resolve) => server.child.once('exit', resolve));
      server.child.kill('SIGKILL');
      await gone;
      server = await startServer([...args, '--port', new URL(address).port], mine);
    },
    async stop() {
      await browser.close();
      server.stop();
      await rm(folder, { recursive: true, force: true });
    },
  };
}

/** Takes a part out of the menu of a place; one that does not work there is taken by a second press, as by a person who read why. */
export async function takePart(page: Page, option: Locator): Promise<void> {
  const menu = page.getByPlaceholder('Type to search');
  const warning = page.getByText('It does not work here. Press again to take it all the same.');
  await option.click();
  const isTold = async () => (await menu.count()) === 0 || (await warning.count()) > 0;
  await expect.poll(isTold).toBe(true);
  if ((await warning.count()) > 0) await option.click();
  await menu.waitFor({ state: 'detached' });
}
