import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium as playwright } from 'playwright-core';
import { chromium, startServer } from '../../scripts/lib.mjs';

const STAGES = ['brief', 'choice', 'path', 'forecast', 'setup', 'bench', 'verdict', 'known', 'handover'];

/**
 * What bears no id though a digit stands in it: what is typed or is being set, what tells the time of day or a date, names that people, makers and
 * standards gave, headings and column heads, which hold such names, and scales of charts.
 */
const WITHOUT_ID = [
  ...['input', 'textarea', 'label', 'legend', '[data-typed]', '.MuiFormHelperText-root'],
  ...['[role="listbox"]', '[role="menu"]', '[role="combobox"]', '[role="slider"]', '[role="timer"]'],
  ...['time', 'nav', 'header', 'h1', 'h2', 'h3', 'th', '[data-named]'],
  ...[
    'svg',
    '[role="img"]',
    '.MuiAutocomplete-root',
    '[role="tab"]',
    'canvas',
    '.MuiDataGrid-columnHeaders',
    '.MuiTablePagination-root',
    '.MuiChip-root[aria-pressed] [data-typed]',
  ],
];

/** What stands on a page: statements by id, its text, and texts with a digit that bear no id. Runs in the page. */
function read(without) {
  const isShown = (element) => element.checkVisibility?.() ?? true;
  const plain = (text) =>
    text
      .replace(/\u00a0/g, ' ')
      .replace(/\s+/g, ' ')
      .trim();
  const said = [...document.querySelectorAll('[data-said]')].map((e) => ({
    id: e.dataset.said,
    words: plain(e.textContent),
  }));
  const main = document.querySelector('main') ?? document.body;
  const bare = [];
  const walk = document.createTreeWalker(main, NodeFilter.SHOW_TEXT);
  while (walk.nextNode()) {
    const { textContent, parentElement } = walk.currentNode;
    if (
      !/\d/.test(textContent) ||
      parentElement.closest(`[data-said], ${without}`) ||
      !isShown(parentElement)
    )
      continue;
    const panel = parentElement.closest('section, article, form')?.querySelector('h2, h3')?.textContent ?? '';
    bare.push(`${panel} | ${plain(parentElement.textContent).slice(0, 100)}`);
  }
  const isBusy =
    document.querySelector('[aria-busy="true"]') !== null ||
    /Working it out|Living through|Holding the runs|Putting the document|Searching/.test(main.innerText);
  return { said, bare, text: main.innerText.replace(/\u00a0/g, ' '), isBusy };
}

/** @returns what stands there once nothing changes any more */
async function settled(page) {
  let before = '';
  for (let i = 0; i < 200; i++) {
    const now = await page.evaluate(read, WITHOUT_ID.join(', '));
    const key = JSON.stringify([now.said, now.text.length]);
    if (!now.isBusy && key === before) return now;
    before = key;
    await page.waitForTimeout(120);
  }
  return page.evaluate(read, WITHOUT_ID.join(', '));
}

/** As the page searches where nobody has set anything. */
const LOOKED_FOR = { shopRanges: {} };

/** Every stage of every job in the real page, held against what the core says of it. */
export async function pagesOf(core, jobs) {
  const folder = mkdtempSync(join(tmpdir(), 'kymar-agree-'));
  const files = jobs.map((job) => {
    const file = join(folder, `${job.id}.kymar.json`);
    writeFileSync(file, core.job.writeJob(job));
    return file;
  });
  const server = await startServer();
  const browser = await playwright.launch({
    executablePath: chromium(),
    args: ['--no-sandbox', '--disable-background-networking', '--disable-gpu'],
  });
  const [faults, bare] = [[], []];
  let shown = 0;
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  // Whatever folds is read too.
  await page.addInitScript(() => localStorage.setItem('kymar-folds', '{"*":true}'));
  await page.goto(`${server.address}/jobs`);
  await page.getByTestId('import-file').setInputFiles(files);
  if (jobs.length > 1)
    await page
      .getByRole('dialog')
      .getByRole('button', { name: /^Import/ })
      .click();
  await page
    .getByRole('link', { name: jobs.at(-1).title })
    .or(page.getByText('saved', { exact: false }))
    .first()
    .waitFor();
  await page.waitForTimeout(1500);
  for (const job of jobs) {
    const offered = core.statements.offeredSaid(job, core.stock.SHOP, LOOKED_FOR);
    const found = core.diagnosis.diagnose(job);
    const causes = found ? core.statements.causesSaid(job, found) : [];
    const known = new Map(
      [...core.handover.allSaid(job), ...offered, ...causes].map(({ id, words }) => [id, words]),
    );
    for (const stage of STAGES) {
      await page.goto(`${server.address}/jobs/${job.id}/${stage}`);
      const shows = await settled(page);
      const where = `${job.id} ${stage}: `;
      for (const { id, words } of shows.said) {
        shown++;
        if (known.get(id) !== words.replace(/\s+/g, ' '))
          faults.push(`${where}${id}: the page “${words}”, the core “${known.get(id)}”`);
      }
      faults.push(...core.oracles.faultsIn(shows.text).map((fault) => where + fault));
      bare.push(...shows.bare.map((text) => `${stage}: ${text}`));
    }
  }
  await browser.close();
  server.stop();
  rmSync(folder, { recursive: true, force: true });
  return { faults, shown, bare };
}
