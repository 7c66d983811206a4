import { expect } from '@playwright/test';
import type { Locator, Page } from '@playwright/test';
import { startApp, test, type App } from './app';

/* A job on two machines with two devices, from an empty brief to the handover; and what a small screen and paper show of it. */
let app: App;
test.beforeAll(async () => {
  app = await startApp();
});
test.afterAll(() => app.stop());

const nav = (page: Page, name: string) => page.getByRole('navigation', { name });
const STAGES = 'Stages of the job';
const PLACES = 'Device and machine';

/** How a control is used: by the mouse, or by moving the focus with Tab and pressing keys. */
interface Hand {
  press(control: Locator): Promise<void>;
  pick(list: Locator, option: string): Promise<void>;
  type(field: Locator, text: string): Promise<void>;
  item(page: Page, name: string): Promise<void>;
}
const mouse: Hand = {
  press: (control) => control.click(),
  async pick(list, option) {
    await list.click();
    await list.page().getByRole('option', { name: option }).click();
  },
  type: (field, text) => field.fill(text),
  item: (page, name) => page.getByRole('menuitem', { name, exact: true }).click(),
};

/** Presses Tab until it has the focus, as somebody without a mouse does. */
async function tabTo(control: Locator): Promise<void> {
  await control.waitFor();
  const goal = (await control.elementHandle())!;
  for (let i = 0; i < 300; i++) {
    if (await goal.evaluate((element) => element === document.activeElement)) return;
    await control.page().keyboard.press('Tab');
  }
  throw new Error(`Tab never reaches ${control}.`);
}
const keys: Hand = {
  async press(control) {
    const page = control.page();
    if ((await control.getAttribute('role')) === 'tab') {
      // One of a row of tabs has the focus; the arrows go along it.
      await tabTo(page.getByRole('tab', { selected: true }).last());
      while (!(await control.evaluate((element) => element === document.activeElement)))
        await page.keyboard.press('ArrowRight');
    } else await tabTo(control);
    await page.keyboard.press('Enter');
  },
  async pick(list, option) {
    const page = list.page();
    await tabTo(list);
    await page.keyboard.press('Enter');
    await page.getByRole('option', { name: option }).waitFor();
    // A space would already choose.
    await page.keyboard.type(option.split(' ')[0]!);
    await page.keyboard.press('Enter');
    await page.getByRole('listbox').waitFor({ state: 'detached' });
  },
  async type(field, text) {
    await tabTo(field);
    await field.page().keyboard.press('Control+a');
    await field.page().keyboard.type(text);
  },
  async item(page, name) {
    await page.getByRole('menuitem', { name, exact: true }).waitFor();
    await page.keyboard.type(name.split(' ')[0]!);
    await page.keyboard.press('Enter');
    await page.getByRole('menu').waitFor({ state: 'detached' });
  },
};

for (const [name, hand] of [
  ['mouse', mouse],
  ['keyboard alone', keys],
] as const)
  test(`two machines, two devices, from an empty brief to the handover, by ${name}`, async () => {
    const { page, faults } = await app.open('/jobs');
    const button = (name: string | RegExp) => page.getByRole('button', { name, exact: true }).last();
    const field = (name: string) => page.getByLabel(name, { exact: true }).last();
    const list = (name: string) => page.getByRole('combobox', { name, exact: true }).last();
    const stage = (name: string) => nav(page, STAGES).getByRole('link', { name: new RegExp(`^${name}`) });
    /** Looks at another place, and waits until it is the one shown, as eyes do. */
    const lookAt = async (name: string) => {
      const place = nav(page, PLACES).getByRole('link', { name });
      await hand.press(place);
      await expect(place).toHaveAttribute('aria-current', 'page');
    };

    await hand.press(button('New job'));
    await page.getByText('No machine is chosen yet, so there is no path to draw.').waitFor();
    await hand.type(field('Title'), 'Glacier cameras, two desks');
    await hand.press(button('Choose the machine'));
    await hand.item(page, 'Thin laptop');
    await hand.press(button('Add a machine'));
    await hand.item(page, 'Mini PC');
    await hand.press(button('Add an activity'));
    await hand.type(field('Activity'), 'Cards after a flight');
    await hand.type(field('Size in one go'), '380 GB');
    await hand.type(field('Target time'), '25 min');
    await hand.type(field('Name of the device'), 'Field disk');
    await hand.press(button('Add a device'));
    await hand.type(field('Name of the device'), 'Archive at the desk');
    await hand.press(button('Add an activity'));
    await hand.type(field('Activity'), 'A month onto the archive');
    await hand.type(field('Size in one go'), '1,2 TB');
    await hand.pick(list('Device'), 'Archive at the desk');
    await hand.pick(list('Machine'), 'Mini PC');

    // What to buy for the one; the other is put together by hand.
    await hand.press(stage('Choice'));
    await page.getByRole('button', { name: /^Comes nearest|^Meets every target at least cost/ }).waitFor();
    await button('Take this build').waitFor();
    await hand.press(button('Take this build'));
    await page.getByText(/^Flow .* with a fresh cache/).waitFor();
    await hand.press(stage('Path'));
    await lookAt('Archive at the desk · Mini PC');
    await hand.press(button('Put a first build together'));
    await page.getByText('Other end Built-in 512 GB').or(page.getByText('Built-in 512 GB')).first().waitFor();

    await hand.press(stage('Forecast'));
    await hand.press(button('Freeze this forecast'));
    await page.getByText(/hash [0-9a-f]{10}/).waitFor();
    await hand.press(stage('Bench'));
    await page.getByText('A month onto the archive').first().waitFor();
    await hand.press(page.getByRole('tab', { name: 'Enter a figure' }));
    await hand.pick(list('What is known'), 'How long the activity took');
    for (const time of ['36 min', '37 min', '38 min']) {
      await hand.type(field('It took'), time);
      await hand.press(button('Keep this figure'));
    }
    await page
      .getByRole('heading', { name: 'A month onto the archive, Archive at the desk · Mini PC' })
      .waitFor();
    await lookAt('Field disk · Thin laptop');
    for (const time of ['21 min', '21m20s', '21m40s']) {
      await hand.type(field('It took'), time);
      await hand.press(button('Keep this figure'));
    }
    await page.getByRole('heading', { name: 'Cards after a flight, Field disk · Thin laptop' }).waitFor();

    await hand.press(stage('Verdict'));
    await page.getByText('3 runs, Field disk · Thin laptop').waitFor();
    await page.getByText('3 runs, Archive at the desk · Mini PC').waitFor();
    await page.getByText('The target is met.').waitFor();
    await hand.type(field('In words, for the customer'), 'Both do their work.');
    await hand.press(button('Decide'));
    await hand.press(page.getByRole('link', { name: 'Hand it over' }));
    const article = page.getByRole('article');
    await article.getByRole('heading', { name: 'What was fitted: Field disk' }).waitFor();
    await article.getByText(/^It sits inside the Mini PC: /).waitFor();
    await article.getByText(/Both do their work/).waitFor();
    expect(faults).toEqual([]);
  });

for (const [name, viewport] of [
  ['a phone', { width: 390, height: 844 }],
  ['a page zoomed to twice its size', { width: 640, height: 400 }],
] as const)
  test(`on ${name} what is read begins in the upper third, and the stage that is shown is in sight`, async () => {
    const { page, faults } = await app.open('/jobs', { viewport });
    for (const job of ['demo-acoustics-offload', 'demo-acoustics-archive']) {
      await page.goto(`${app.address}/jobs/${job}/brief`);
      for (const stage of ['Brief', 'Choice', 'Path', 'Forecast', 'Bench', 'Verdict', 'Handover']) {
        const shown = nav(page, STAGES).getByRole('link', { name: new RegExp(`^${stage}`) });
        await shown.click();
        const main = page.getByRole('main');
        await main.waitFor();
        await page.locator('[data-opening]').waitFor({ state: 'detached' });
        const { y } = (await main.boundingBox())!;
        const above = y > viewport.height / 3 ? await page.locator('body').innerText() : '';
        expect(y, `${job}, ${stage}: ${above.slice(0, 400)}`).toBeLessThanOrEqual(viewport.height / 3);
        const { x, width } = (await shown.boundingBox())!;
        expect(x).toBeGreaterThanOrEqual(0);
        expect(x + width).toBeLessThan(viewport.width + 1);
        // Nothing is wider than the screen.
        expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(
          viewport.width,
        );
      }
    }
    expect(faults).toEqual([]);
  });

for (const colorScheme of ['light', 'dark'] as const)
  test(`printed from the ${colorScheme} theme: black on white, on A4 and Letter, no row cut`, async () => {
    const { page } = await app.open('/jobs/demo-acoustics-offload/handover', { colorScheme });
    await page.getByRole('article').waitFor();
    await page.emulateMedia({ media: 'print', colorScheme });
    const colours = await page.evaluate(() => {
      const text = [...document.querySelectorAll('article *')].filter(
        (e) => e.childElementCount === 0 && e.textContent,
      );
      const seen = (e: Element) => getComputedStyle(e);
      return {
        ink: [...new Set(text.map((e) => seen(e).color))],
        paper: seen(document.body).backgroundColor,
        behind: seen(document.querySelector('article')!).backgroundColor,
        cut: [...document.querySelectorAll('article tr, article li')].filter(
          (e) => seen(e).breakInside !== 'avoid',
        ).length,
        bar: seen(document.querySelector('header')!).display,
      };
    });
    const dark = (colour: string) =>
      Math.max(
        ...colour
          .match(/[\d.]+/g)!
          .slice(0, 3)
          .map(Number),
      ) <= 90;
    expect(colours.ink.filter((colour) => !dark(colour))).toEqual([]);
    expect(
      [colours.paper, colours.behind].every((c) => c === 'rgb(255, 255, 255)' || c === 'rgba(0, 0, 0, 0)'),
    ).toBe(true);
    expect([colours.cut, colours.bar]).toEqual([0, 'none']);
    for (const format of ['A4', 'Letter']) {
      const paper = await page.pdf({ format });
      expect(paper.subarray(0, 5).toString()).toBe('%PDF-');
    }
  });
