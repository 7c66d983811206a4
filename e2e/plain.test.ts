import { expect, type Page } from '@playwright/test';
import { startApp, test, type App } from './app';

/* What somebody meets who never saw Kymar: in ten minutes, on a phone, by keyboard. */
let app: App;
test.beforeAll(async () => {
  app = await startApp();
});
test.afterAll(() => app.stop());

const JOB = '/jobs/demo-acoustics-offload';
const STAGES = ['brief', 'choice', 'path', 'forecast', 'setup', 'bench', 'verdict', 'handover'];
const VIEWS = [
  ...STAGES.map((stage) => `${JOB}/${stage}`),
  ...['/jobs', '/parts', '/tools', '/reference', '/practice', '/settings'],
];

/** Whatever stands by itself to be pressed and is smaller than a finger needs; of a row, the row counts. */
const tooSmall = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const controls = 'a[href], button, input, textarea, summary, [role=button], [role=combobox], [role=tab]';
    const frames = '.MuiOutlinedInput-root, .MuiCheckbox-root, .MuiSlider-root, .MuiSwitch-root';
    return [...document.querySelectorAll(controls)].flatMap((element) => {
      const isInSentence =
        element.hasAttribute('data-inline') || getComputedStyle(element).display === 'inline';
      if (!element.checkVisibility({ visibilityProperty: true }) || isInSentence) return [];
      if (element.closest('tr, [role=row], [role=dialog]')) return [];
      const { width, height } = (element.closest(frames) ?? element).getBoundingClientRect();
      // A file is chosen by the button that stands for its field.
      if (width === 0 || (height >= 43.5 && (width >= 43.5 || element.tagName === 'A'))) return [];
      const name = element.getAttribute('aria-label') ?? element.textContent ?? '';
      return `${element.tagName} ${name.slice(0, 40)} ${Math.round(width)}x${Math.round(height)}`;
    });
  });

/** Panels that what is in them is wider than, and text that crosses other text. */
const crossed = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const wide = [...document.querySelectorAll('main section, main fieldset')].flatMap((panel) =>
      panel.scrollWidth > panel.clientWidth + 2 && panel.clientWidth > 0
        ? `wider than its panel: ${panel.textContent?.slice(0, 40)}`
        : [],
    );
    const isFlat = (element: Element) => {
      for (let at: Element | null = element; at; at = at.parentElement) {
        const { position, overflowX, clipPath, opacity } = getComputedStyle(at);
        if (/fixed|sticky/.test(position) || /auto|scroll|hidden/.test(overflowX)) return false;
        if (clipPath !== 'none' || opacity === '0' || at.clientWidth === 1) return false;
      }
      return element.checkVisibility({ visibilityProperty: true }) && !element.closest('legend');
    };
    const found: { node: Node; box: DOMRect }[] = [];
    const walk = document.createTreeWalker(document.querySelector('main')!, NodeFilter.SHOW_TEXT);
    while (walk.nextNode()) {
      const node = walk.currentNode;
      if (!node.textContent?.trim() || !isFlat(node.parentElement!)) continue;
      const range = document.createRange();
      range.selectNodeContents(node);
      for (const box of range.getClientRects()) found.push({ node, box });
    }
    found.sort((a, b) => a.box.top - b.box.top);
    const over = found.flatMap((a, i) => {
      const crossing: string[] = [];
      for (const b of found.slice(i + 1)) {
        if (b.box.top >= a.box.bottom - 4) break;
        const across = Math.min(a.box.right, b.box.right) - Math.max(a.box.left, b.box.left);
        const down = Math.min(a.box.bottom, b.box.bottom) - b.box.top;
        if (a.node !== b.node && across > 2 && down > 4)
          crossing.push(`“${a.node.textContent}” crosses “${b.node.textContent}”`);
      }
      return crossing;
    });
    return [...wide, ...over];
  });

/** Shows a view and waits until nothing more comes. */
async function show(page: Page, path: string): Promise<void> {
  await page.goto(app.address + path);
  await page.getByRole('main').waitFor();
  await page.locator('[data-opening]').waitFor({ state: 'detached' });
  await page.waitForLoadState('networkidle');
}

const PHONES = [
  { width: 390, scheme: 'light', tag: ['@quick'] },
  { width: 390, scheme: 'dark', tag: [] },
  { width: 360, scheme: 'light', tag: [] },
] as const;
for (const { width, scheme, tag } of PHONES)
  test(
    `a phone of ${width} px, ${scheme}: every view within it, every target for a finger, the bar in reach`,
    { tag: [...tag] },
    async () => {
      const { page, faults } = await app.open(`${JOB}/verdict`, {
        viewport: { width, height: 844 },
        hasTouch: true,
        isMobile: true,
        colorScheme: scheme,
      });
      const found: string[] = [];
      for (const path of VIEWS) {
        await show(page, path);
        const wide = await page.evaluate(() => document.documentElement.scrollWidth);
        if (wide > width) found.push(`${path}: ${wide} px wide`);
        found.push(...[...(await tooSmall(page)), ...(await crossed(page))].map((one) => `${path}: ${one}`));
      }
      expect(found).toEqual([]);
      // In the thumb's reach: the job that was looked at last, wherever one is.
      const bar = page.getByRole('navigation', { name: 'In the thumb’s reach' });
      await show(page, `${JOB}/forecast`);
      await bar.getByRole('link', { name: 'Jobs' }).tap();
      await page.getByRole('heading', { name: 'Jobs', level: 1 }).waitFor();
      await bar.getByRole('link', { name: 'Clock' }).tap();
      await expect(page).toHaveURL(/demo-acoustics-offload\/bench/);
      await bar.getByRole('link', { name: 'This job' }).tap();
      await expect(page).toHaveURL(/demo-acoustics-offload/);
      await expect(page.getByText('Saved', { exact: true })).toBeVisible();
      expect(faults).toEqual([]);
    },
  );

const WIDTHS = [
  { name: '1280 px', viewport: { width: 1280, height: 800 }, tag: ['@quick'] },
  { name: '768 px', viewport: { width: 768, height: 1024 }, tag: [] },
  { name: '1920 px', viewport: { width: 1920, height: 1080 }, tag: [] },
  { name: '1280 px at 200 %', viewport: { width: 640, height: 400 }, deviceScaleFactor: 2, tag: [] },
] as const;
for (const { name, tag, ...size } of WIDTHS)
  test(
    `at ${name}: every view within the page, nothing wider than its panel, no text across another`,
    { tag: [...tag] },
    async () => {
      const { page, faults } = await app.open(`${JOB}/verdict`, size);
      const found: string[] = [];
      for (const path of VIEWS) {
        await show(page, path);
        const wide = await page.evaluate(() => document.documentElement.scrollWidth);
        if (wide > size.viewport.width) found.push(`${path}: ${wide} px wide`);
        found.push(...(await crossed(page)).map((one) => `${path}: ${one}`));
      }
      expect(found).toEqual([]);
      expect(faults).toEqual([]);
    },
  );

test(
  'keys: past the frame, to views and stages, to what is searched, everything by typing, the sheet; switched off',
  { tag: '@quick' },
  async () => {
    const { page, faults } = await app.open('/jobs');
    const press = async (...keys: string[]) => {
      for (const key of keys) await page.keyboard.press(key);
    };
    const at = (path: string) => expect(page).toHaveURL(new RegExp(`${path}$`));
    // They are listened for as soon as there is nothing else to do.
    await expect(async () => {
      await press('Shift+?');
      await page.getByRole('dialog', { name: 'Keys' }).waitFor({ timeout: 1000 });
    }).toPass();
    await expect(page.getByRole('dialog').getByText('clock over the whole page')).toBeVisible();
    await press('Escape');
    await page.getByRole('dialog').waitFor({ state: 'detached' });
    await press('g', 't');
    await at('/tools');
    await press('g', 'r');
    await at('/reference');
    await page.getByRole('heading', { name: 'Reference', level: 1 }).waitFor();
    await press('/');
    await expect(page.getByLabel('Find', { exact: true })).toBeFocused();
    // In a field letters are letters.
    await press('g', 't');
    await at('/reference');
    await expect(page.getByLabel('Find', { exact: true })).toHaveValue('gt');
    // All by typing, from wherever one is.
    await press('Control+k');
    await page.getByRole('combobox', { name: 'Find and go' }).fill('nightly off');
    await press('Enter');
    await at(`${JOB}/brief`);
    await page.getByRole('heading', { name: '1. What does the customer do?' }).waitFor();
    for (const [letter, stage] of [
      ['v', 'verdict'],
      ['m', 'bench'],
      // The clock has its own F: after G it goes where G says.
      ['f', 'forecast'],
    ] as const) {
      await press('g', letter);
      await at(`${JOB}/${stage}`);
      await page.locator('[data-opening]').waitFor({ state: 'detached' });
    }
    // The first stop leads past what frames every view.
    await show(page, '/settings');
    await press('Tab');
    await expect(page.getByRole('button', { name: 'To the content' })).toBeFocused();
    await press('Enter', 'Tab');
    expect(await page.evaluate(() => document.activeElement!.closest('main') !== null)).toBe(true);
    await page.getByLabel(/Single keys work/).click();
    await page.getByRole('heading', { name: 'Settings' }).click();
    await press('g', 'j');
    await at('/settings');
    expect(faults).toEqual([]);
  },
);

test('a first job as a newcomer does it: few presses, few fields, no dead end; each answer above the fold', async () => {
  const { page, faults } = await app.open('/jobs', { isNew: true });
  let [presses, fields] = [0, 0];
  const press = async (name: string | RegExp, role: 'button' | 'link' | 'menuitem' = 'button') => {
    presses++;
    await page
      .getByRole(role, { name, exact: typeof name === 'string' })
      .first()
      .click();
  };
  const type = async (label: string, text: string) => {
    fields++;
    await page.getByLabel(label, { exact: true }).first().fill(text);
  };
  const isSeen = async (what: ReturnType<Page['locator']>) => {
    await what.waitFor();
    await page.evaluate(() => scrollTo(0, 0));
    const box = (await what.boundingBox())!;
    expect(box.y + box.height).toBeLessThanOrEqual(800);
  };
  const stages = page.getByRole('navigation', { name: 'Stages of the job' });
  const stage = async (name: string) => {
    presses++;
    await stages.getByRole('link', { name: new RegExp(`^${name}`) }).click();
    await page.locator('[data-opening]').waitFor({ state: 'detached' });
  };

  await press('New job');
  await expect(page.getByLabel('In one line')).toBeFocused();
  await type('In one line', 'kiln films 96 GB in 410 files every evening in 25 min, portable, 300 EUR');
  await isSeen(page.getByText('size 96 GB', { exact: false }));
  await page.keyboard.press('Enter');
  await press('Choose the machine');
  await press('Field laptop', 'menuitem');
  await isSeen(page.getByRole('heading', { name: '3. What may it cost?' }));
  await stage('Choice');
  await isSeen(page.getByRole('button', { name: 'Take this build' }));
  await press('Take this build');
  await page.getByRole('button', { name: 'In the job' }).waitFor();
  await stage('Forecast');
  await isSeen(page.getByRole('button', { name: 'Freeze this forecast' }));
  await press('Freeze this forecast');
  await stage('Bench');
  presses++;
  await page.getByRole('tab', { name: 'Enter a figure' }).click();
  presses += 2;
  await page.getByRole('combobox', { name: 'What is known' }).click();
  await page.getByRole('option', { name: 'How long the activity took' }).click();
  for (const took of ['6 min 58 s', '7 min 10 s', '7 min 02 s']) {
    await type('It took', took);
    await press('Keep this figure');
    await expect(page.getByLabel('It took', { exact: true })).toHaveValue('');
  }
  await stage('Verdict');
  await isSeen(page.getByText(/under its target|over its target/));
  await press(/^Accept it/);
  await press('Decide');
  await press('Hand it over', 'link');
  await page.getByRole('article').waitFor();
  expect(presses).toBeLessThanOrEqual(35);
  expect(fields).toBeLessThanOrEqual(20);
  expect(faults).toEqual([]);
});

test('the way round the demo: five stops, then a job of one’s own; skipped, it never comes again; folds are found as they were left', async () => {
  const { page, faults } = await app.open('/', { isNew: true });
  const tour = page.getByRole('complementary', { name: 'A first look' });
  for (const stage of ['verdict', 'brief', 'choice', 'forecast']) {
    await expect(page).toHaveURL(new RegExp(`${stage}$`));
    await tour.getByRole('button', { name: /^Next: / }).click();
  }
  await expect(tour.getByText('A first look, 5 of 5')).toBeVisible();
  // The header is one line for who scrolls past it.
  const line = page.getByRole('navigation', { name: 'The job in one line' });
  await page.mouse.move(300, 500);
  await expect(async () => {
    await page.mouse.wheel(0, 900);
    await line.waitFor({ timeout: 1000 });
  }).toPass();
  await line.getByRole('link', { name: 'Forecast' }).click();
  await expect(page).toHaveURL(/forecast$/);
  await page.goBack();
  await tour.getByRole('button', { name: 'Close' }).click();
  await tour.waitFor({ state: 'detached' });
  await page.goto(app.address);
  await expect(page).toHaveURL(/jobs$/);
  await expect(tour).toHaveCount(0);

  await page.goto(`${app.address}${JOB}/forecast`);
  const fold = page.getByRole('button', { name: /^What drives this result/ });
  await fold.click();
  await page.getByText('Per-file overhead').waitFor();
  await page.reload();
  await page.getByText('Per-file overhead').waitFor();
  await fold.click();
  await page.reload();
  await expect(fold).toHaveAttribute('aria-expanded', 'false');
  expect(faults).toEqual([]);
});
