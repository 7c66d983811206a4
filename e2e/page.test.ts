import { expect } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { startApp, test, type App } from './app';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
let app: App;
test.beforeAll(async () => {
  app = await startApp();
});
test.afterAll(() => app.stop());

const VIEWS = ['brief', 'choice', 'path', 'forecast', 'setup', 'bench', 'verdict', 'handover', 'known'];

test('the first view needs less than 225 kB of compressed JavaScript', { tag: '@quick' }, async () => {
  const { page } = await app.open();
  // A visit that is cut off brings the schemas into the next one; this is of a view as it is usually opened.
  await page.getByText('Saved in this browser').waitFor();
  // That it was here is stored last; until then the next visit is a first one too, and brings the demo.
  await expect
    .poll(() =>
      page.evaluate(
        () =>
          new Promise<boolean>((resolve) => {
            const open = indexedDB.open('kymar-settings');
            open.onsuccess = () => {
              const keys = open.result.transaction('settings').objectStore('settings').getAllKeys();
              keys.onsuccess = () => {
                open.result.close();
                resolve(keys.result.includes('seen'));
              };
            };
          }),
      ),
    )
    .toBe(true);
  // What has come when the heading is there; what is fetched ahead for a server that may stop comes later.
  await page.addInitScript(() => {
    new MutationObserver((_, observer) => {
      if (![...document.querySelectorAll('h2')].some((h) => h.textContent === 'It meets the targets')) return;
      observer.disconnect();
      const files = performance.getEntriesByType('resource') as PerformanceResourceTiming[];
      const scripts = files.filter((file) => /\.js$/.test(file.name));
      document.body.dataset.scripts = JSON.stringify(scripts.map((file) => file.encodedBodySize));
    }).observe(document, { subtree: true, childList: true });
  });
  await page.goto(`${app.address}/jobs/demo-acoustics-offload/verdict`);
  await page.locator('body[data-scripts]').waitFor();
  const sizes = JSON.parse((await page.locator('body').getAttribute('data-scripts'))!) as number[];
  const bytes = sizes.reduce((sum, size) => sum + size, 0);
  expect(sizes.length).toBeGreaterThan(3);
  expect(bytes).toBeGreaterThan(50_000);
  expect(bytes).toBeLessThan(225_000);
  console.log(`      ${sizes.length} files, ${(bytes / 1000).toFixed(1)} kB`);
});

for (const colorScheme of ['light', 'dark'] as const)
  test(`no accessibility fault of WCAG 2.2 AA in any view, ${colorScheme}`, async () => {
    // A colour that is still changing is none that anybody reads.
    const { page } = await app.open('/jobs', { colorScheme, reducedMotion: 'reduce' });
    const found: string[] = [];
    // Only colours differ between the two.
    const rules =
      colorScheme === 'light'
        ? ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']
        : { type: 'rule', values: ['color-contrast'] };
    for (const path of [
      '/jobs',
      ...VIEWS.map((v) => `/jobs/demo-acoustics-offload/${v}`),
      '/jobs/demo-herbarium-scans/path',
      '/jobs/demo-simulator-bay/path',
      '/parts',
      '/parts/drives/oystral-kestrel-2t',
      '/parts/hosts/games-console',
      '/tools',
      '/reference',
    ]) {
      await page.goto(app.address + path);
      await page.getByRole('main').waitFor();
      await page.waitForLoadState('networkidle');
      if (path.endsWith('/choice'))
        await page.getByRole('row').filter({ hasText: 'Merlin' }).first().waitFor();
      await page.evaluate(axe);
      const violations = await page.evaluate(async (only) => {
        const { violations } = await (
          window as unknown as {
            axe: {
              run(
                options: object,
              ): Promise<{ violations: { id: string; nodes: { html: string; failureSummary: string }[] }[] }>;
            };
          }
        ).axe.run({ runOnly: only });
        return violations.map(
          (v) =>
            `${v.id}: ${v.nodes.map((n) => `${n.html.slice(0, 160)} ${n.failureSummary.split('\n')[1]}`).join(' | ')}`,
        );
      }, rules);
      found.push(...violations.map((v) => `${path} ${v}`));
    }
    expect(found).toEqual([]);
  });

test('what Kymar assumes is looked up and put right: the forecast follows, its working names it, and it is taken back', async () => {
  const { page, faults } = await app.open('/reference');
  const panel = page.getByRole('heading', { name: 'What Kymar assumes' }).locator('xpath=ancestor::section');
  await panel.getByLabel('Look up').fill('per-file cable');
  const row = panel.locator('[data-assumption="per-file.cable"]');
  await row.getByText('50 µs / 1.5 ms / 5 ms').waitFor();
  await row.getByRole('button', { name: /^Own range of per-file overhead/ }).click();
  const field = panel.getByLabel('Own range of per-file overhead: low / expected / high');
  await field.fill('5 ms / 3 ms / 1 ms');
  expect(await panel.getByRole('button', { name: 'Use it' }).isDisabled()).toBe(true);
  await field.fill('6 ms / 7 ms / 8 ms');
  await panel.getByRole('button', { name: 'Use it' }).click();
  await row.getByText('this shop’s own').waitFor();
  await page.goto(`${app.address}/jobs/demo-acoustics-offload/forecast`);
  await page.getByText('Freeze the changed forecast').waitFor();
  await page
    .getByRole('button', { name: /^8\smin|^9\smin/ })
    .first()
    .click();
  await page
    .getByLabel('The working', { exact: true })
    .getByText(/this shop’s own range/)
    .first()
    .waitFor({ state: 'attached' });
  await page.goto(`${app.address}/reference`);
  await panel.getByLabel('Look up').fill('per-file cable');
  await row.getByRole('button', { name: /^Back to Kymar’s range/ }).click();
  await row.getByText('common practice').waitFor();
  expect(faults).toEqual([]);
});

test('every page has a title of its own, and what has the keyboard’s focus shows a ring in both themes', async () => {
  const { page } = await app.open('/jobs');
  for (const [path, title] of [
    ['/jobs', 'Jobs · Kymar'],
    ['/parts', 'Parts · Kymar'],
    ['/tools', 'Tools · Kymar'],
    ['/reference', 'Reference · Kymar'],
    ['/settings', 'Settings · Kymar'],
    ['/jobs/demo-acoustics-offload/verdict', 'Verdict · Nightly offload, bat and bird recorders · Kymar'],
    ['/jobs/demo-acoustics-offload/bench', 'Bench · Nightly offload, bat and bird recorders · Kymar'],
  ] as const) {
    await page.goto(`${app.address}${path}`);
    await page.waitForFunction((expected) => document.title === expected, title);
  }
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme });
    for (let i = 0; i < 12; i++) {
      await page.keyboard.press('Tab');
      const ring = await page.evaluate(() => {
        const focused = document.activeElement!;
        // A field shows its focus by its frame.
        if (focused.closest('.MuiInputBase-root.Mui-focused')) return 'frame';
        const { outlineStyle, outlineWidth } = getComputedStyle(focused);
        return `${focused.tagName} ${outlineStyle} ${outlineWidth}`;
      });
      expect(ring).toMatch(/solid 2px|^frame$/);
    }
  }
});

test(
  'the focus stays where the work is: after removing, keeping, deciding and Escape',
  { tag: '@quick' },
  async () => {
    const { page, faults } = await app.open('/jobs/demo-acoustics-offload/brief');
    const focused = () =>
      page.evaluate(() => {
        const at = document.activeElement!;
        return `${at.getAttribute('aria-label') ?? at.textContent} ${at.closest('main') ? 'in the page' : 'elsewhere'}`;
      });
    const settles = (at: RegExp) =>
      page.waitForFunction((source) => {
        const now = document.activeElement!;
        return (
          now.closest('main') !== null &&
          new RegExp(source).test(`${now.getAttribute('aria-label') ?? ''} ${now.id} ${now.textContent}`)
        );
      }, at.source);
    // Removed: the next of its kind stands nearest.
    await page.getByRole('button', { name: 'Remove Nightly offload to the project disk' }).focus();
    await page.keyboard.press('Enter');
    await page
      .getByRole('button', { name: 'Remove Nightly offload to the project disk' })
      .waitFor({ state: 'detached' });
    await settles(/./);
    const card = await page.evaluate(() => document.activeElement!.closest('[data-activity]') !== null);
    expect([card, await focused()]).toEqual([true, expect.stringMatching(/in the page$/)]);
    await page.keyboard.press('Control+z');

    // Escape closes the working and a menu: back to what opened it.
    await page.goto(`${app.address}/jobs/demo-acoustics-offload/verdict`);
    const figure = page.getByTitle('Show the working').first();
    await figure.focus();
    await page.keyboard.press('Enter');
    await page.getByLabel('The working', { exact: true }).waitFor();
    await page.keyboard.press('Escape');
    await page.getByLabel('The working', { exact: true }).waitFor({ state: 'detached' });
    expect(await figure.evaluate((element) => element === document.activeElement)).toBe(true);

    // Decided, and taken back.
    await page.getByRole('button', { name: 'Decide', exact: true }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Take the decision back' }).waitFor();
    await settles(/./);
    await page.getByRole('button', { name: 'Take the decision back' }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Take the decision back' }).waitFor({ state: 'detached' });
    await settles(/./);

    // A run set aside: back on its row.
    await page.goto(`${app.address}/jobs/demo-acoustics-offload/bench`);
    const aside = page.getByRole('button', { name: /^Set aside the run of/ }).first();
    await aside.focus();
    await page.keyboard.press('Enter');
    await page.getByLabel('Why').waitFor();
    await page.keyboard.press('Escape');
    await page.getByLabel('Why').waitFor({ state: 'detached' });
    expect(await aside.evaluate((element) => element === document.activeElement)).toBe(true);
    const remove = page.getByRole('button', { name: /^Remove the run of/ }).first();
    const name = (await remove.getAttribute('aria-label'))!;
    await remove.focus();
    await page.keyboard.press('Enter');
    await page.waitForFunction(
      (n) => !document.querySelector(`[aria-label="${n}"]`) || document.activeElement !== document.body,
      name,
    );
    await settles(/run of/);
    expect(faults).toEqual([]);
  },
);

test('after an action the focus stands where the work goes on', async () => {
  const { page, faults } = await app.open('/jobs/demo-acoustics-offload/bench');
  const focused = () =>
    page.evaluate(() => {
      const at = document.activeElement;
      return at?.closest('main') ? (at.getAttribute('aria-label') ?? at.textContent ?? '') : 'nowhere';
    });
  const goesTo = (words: RegExp) => expect.poll(focused).toMatch(words);
  const somewhere = /^(?!nowhere)/;
  const press = async (name: string | RegExp) => {
    await page.getByRole('button', { name }).first().focus();
    await page.keyboard.press('Enter');
  };

  // Timed: stopped, the run is kept next; kept, the next one is started.
  await page.getByRole('tab', { name: 'Stopwatch' }).click();
  await press(/^Start/);
  await page.getByText('Running').waitFor();
  await press(/^Stop/);
  await goesTo(/^Keep this run/);
  await page.keyboard.press('Enter');
  await goesTo(/^Start/);

  // Frozen, which takes its time and shuts its button.
  await page.goto(`${app.address}/jobs/demo-acoustics-archive/forecast`);
  await page.getByRole('button', { name: 'Freeze this forecast' }).waitFor();
  await press('Freeze this forecast');
  await page.getByText('The forecast stands as frozen.').waitFor();
  await goesTo(somewhere);

  // A price noted, which empties its form.
  await page.goto(`${app.address}/parts/drives/oystral-merlin-4t`);
  await page.getByLabel('Today, EUR').fill('219');
  await press('Note this price');
  await page.getByRole('cell', { name: '219 EUR' }).first().waitFor();
  await goesTo(somewhere);

  // A build taken, whose panel changes under it.
  await page.goto(`${app.address}/jobs/demo-herbarium-scans/choice`);
  await page.getByRole('button', { name: 'Take this build' }).waitFor();
  await press('Take this build');
  await page.getByRole('button', { name: 'Take this build' }).waitFor({ state: 'detached' });
  await goesTo(somewhere);

  // A machine chosen from a menu that goes with its button.
  await page.goto(`${app.address}/jobs`);
  await press('New job for a machine');
  await page.getByRole('menuitem').first().waitFor();
  await page.keyboard.press('Enter');
  await page.getByLabel('Customer').waitFor();
  await goesTo(somewhere);

  // A table whose focused row is filtered away.
  await page.goto(`${app.address}/parts`);
  const cell = page.getByRole('gridcell').nth(3);
  await cell.click();
  await page.evaluate(() => {
    const field = document.querySelector<HTMLInputElement>(
      'main input[type="search"], main input[type="text"]',
    )!;
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(field, 'kestrel');
    field.dispatchEvent(new Event('input', { bubbles: true }));
  });
  await expect(page.getByRole('row').filter({ hasText: 'Merlin' })).toHaveCount(0);
  await goesTo(somewhere);
  expect(faults).toEqual([]);
});

test('at rest no view makes a layout or takes more than 0.5 % of a core', async () => {
  const { page: list, context: first } = await app.open('/jobs');
  const jobs = await list
    .locator('a[href^="/jobs/demo"]')
    .evaluateAll((links) => [...new Set(links.map((a) => a.getAttribute('href')!.split('/')[2]!))]);
  await first.close();
  const paths = [
    ...['/jobs', '/parts', '/practice', '/tools', '/reference', '/settings'],
    ...VIEWS.map((view) => `/jobs/demo-acoustics-offload/${view}`),
    ...jobs.map((id) => `/jobs/${id}/verdict`),
  ];
  // A process each: what one does is not counted for another.
  const at: { path: string; read(): Promise<Record<string, number>>; close(): Promise<void> }[] = [];
  for (const path of paths) {
    const { page, context } = await app.open(path);
    const client = await context.newCDPSession(page);
    await client.send('Performance.enable', { timeDomain: 'threadTicks' });
    at.push({
      path,
      read: async () =>
        Object.fromEntries(
          (await client.send('Performance.getMetrics')).metrics.map((m) => [m.name, m.value]),
        ),
      close: () => context.close(),
    });
  }
  const readAll = () => Promise.all(at.map(({ read }) => read()));
  const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
  /** Which views did something between two readings. */
  const busyBetween = (before: Record<string, number>[], after: Record<string, number>[]) =>
    at.flatMap(({ path }, i) => {
      const [layouts, seconds] = ['LayoutCount', 'TaskDuration'].map(
        (name) => after[i]![name]! - before[i]![name]!,
      );
      return layouts! > 0 || seconds! > 0.05 ? [`${path}: ${layouts} layouts, ${seconds!.toFixed(3)} s`] : [];
    });
  // All has come that was fetched ahead and worked out, which takes a busy machine longer.
  await expect
    .poll(
      async () => {
        const before = await readAll();
        await sleep(4000);
        return busyBetween(before, await readAll());
      },
      { timeout: 240_000, intervals: [100] },
    )
    .toEqual([]);
  /** Views that do something within ten seconds of one minute: what shows the time is laid out when it is full. */
  const busyWithin = async (): Promise<string[]> => {
    const minute = () => Math.floor(Date.now() / 60_000);
    for (;;) {
      const since = Date.now() % 60_000;
      if (since < 5000 || since > 40_000) await sleep(since < 5000 ? 5000 - since : 65_000 - since);
      const began = minute();
      const before = await readAll();
      await sleep(10_000);
      const after = await readAll();
      // However slowly a busy machine reads.
      if (minute() === began) return busyBetween(before, after);
    }
  };
  // What a worker of one of so many pages has worked out late is no unrest: what does something at rest does it again.
  const viewOf = (line: string) => line.split(':')[0];
  const once = await busyWithin();
  const again = once.length > 0 ? await busyWithin() : [];
  await Promise.all(at.map(({ close }) => close()));
  expect(again.filter((line) => once.some((other) => viewOf(other) === viewOf(line)))).toEqual([]);
});
