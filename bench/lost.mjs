import { existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/*
 * The ways in which work was lost or a foreign thing touched once, tried again with values by seed: part of `npm run bench -- attack`.
 */

const DEMO = '/jobs/demo-acoustics-offload';
const ask = (server, cookie, method, path, body, headers = {}) =>
  fetch(`${server.address}/api${path}`, {
    method,
    headers: { cookie, 'content-type': 'application/json', ...headers },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
const cookiesOf = async (server) =>
  (await fetch(server.address)).headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ');

/** A server whose state is taken away, other browsers, addresses in other letters, watches without end, folders that only bear such a name. */
export async function lostByServer({ startServer, scratch, upTo, pause, goal }) {
  const state = mkdtempSync(join(scratch, 'state-'));
  const folder = mkdtempSync(join(scratch, 'lost-'));
  const env = { XDG_STATE_HOME: state };
  let server = await startServer(['--bench', folder, '--reserve', '0 GB'], env);
  let died = 0;
  const isAlive = (one) => one.child.once('exit', () => died++);
  isAlive(server);
  const [mine, other] = [await cookiesOf(server), await cookiesOf(server)];
  const [target] = await (await ask(server, mine, 'GET', '/targets')).json();
  const run = { kind: 'sequential', target: target.id, mode: 'write', bytes: 64e6, block: 1 << 20 };
  let [kept, seen, taken] = [0, 0, 0];
  const count = 12;
  for (let i = 0; i < count; i++) {
    const { id } = await (await ask(server, mine, 'POST', '/runs', run)).json();
    await pause(upTo(60));
    rmSync(join(state, 'kymar', 'runs'), { recursive: true, force: true });
    if (i % 2) writeFileSync(join(state, 'kymar', 'runs'), 'in the way');
    const mineNow = async () =>
      (await (await ask(server, mine, 'GET', '/runs')).json()).find((one) => one.id === id);
    for (let n = 0; n < 100 && (await mineNow())?.last?.type !== 'done'; n++) await pause(100);
    if ((await (await ask(server, other, 'GET', '/runs')).json()).some((one) => one.id === id)) seen++;
    await ask(server, other, 'DELETE', `/runs/${id}`);
    if ((await mineNow())?.last?.type === 'done') kept++;
    else taken++;
    await ask(server, mine, 'DELETE', `/runs/${id}`);
    rmSync(join(state, 'kymar', 'runs'), { recursive: true, force: true });
  }
  goal(
    kept === count && seen + taken + died === 0,
    `${count} runs whose state folder went or was a file at their end, another browser asking for them: ${kept} kept, ` +
      `${seen} seen and ${taken} taken by the other, ${died} servers ended`,
  );

  let through = 0;
  for (let i = 0; i < 64; i++) {
    const path = [...'/api/session'].map((c) => (upTo(2) ? c.toUpperCase() : c)).join('');
    const answer = await fetch(server.address + path, { headers: { 'sec-fetch-site': 'cross-site' } });
    if (answer.status !== 403) through++;
  }
  goal(through === 0, `64 ways to write /api/session, asked by another site: ${through} let through`);

  const [device] = await (await ask(server, mine, 'GET', '/watchable')).json();
  const codes = [];
  for (let i = 0; i < 300; i++)
    codes.push(
      (await ask(server, mine, 'POST', '/runs', { kind: 'watch', device: device.id, still: 60 })).status,
    );
  const open = readdirSync(`/proc/${server.child.pid}/fd`).length;
  const began = codes.filter((code) => code === 201).length;
  goal(
    began === 16 && codes.every((code) => code === 201 || code === 429) && open < 120,
    `300 watches asked for: ${began} begun, the others refused in words; ${open} descriptors open`,
  );

  const foreign = ['.kymar-run-mine', `.kymar-run-${'0'.repeat(32)}`, `.kymar-run-${upTo(1e9)}`].map((name) =>
    join(folder, name),
  );
  for (const path of foreign) {
    mkdirSync(path);
    writeFileSync(join(path, 'data.bin'), 'thesis');
    writeFileSync(join(path, 'owner.json'), JSON.stringify({ pid: 1, started: '1' }));
  }
  server.child.kill('SIGKILL');
  await pause(300);
  died = 0;
  server = await startServer(['--bench', folder], env);
  const left = foreign.filter((path) => existsSync(join(path, 'data.bin'))).length;
  goal(
    left === foreign.length,
    `folders that only bear such a name: ${left} of ${foreign.length} left alone`,
  );
  server.stop();
}

/** Fields given what no file can hold, hidden pages, names that every object has, titles without a blank. */
export async function lostByPage({ startServer, launch, upTo, pick, pause, goal }) {
  const server = await startServer();
  const browser = await launch();
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const faults = [];
  const open = async (path) => {
    const page = await context.newPage();
    page.on('pageerror', (error) => faults.push(String(error)));
    await page.goto(server.address + path);
    await page.getByRole('main').waitFor();
    return page;
  };
  const saved = (page) => page.getByText(/Saved in this browser|Not all is saved/).waitFor();
  await saved(await open('/jobs'));

  const count = 16;
  let lost = 0;
  for (let i = 0; i < count; i++) {
    const page = await open(`${DEMO}/setup`);
    await page
      .getByLabel('Can go back within, days', { exact: true })
      .fill(pick(['4000', '1e9', '99999', String(3651 + upTo(1e6))]));
    await page.getByLabel('Bought on', { exact: true }).evaluate(
      (input, value) => {
        Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(input, value);
        input.dispatchEvent(new Event('input', { bubbles: true }));
      },
      `${10_000 + upTo(80_000)}-01-01`,
    );
    const serial = `K-${i}-${upTo(1e6)}`;
    await page.getByLabel('Serial number', { exact: true }).fill(serial);
    await saved(page);
    await page.reload();
    if ((await page.getByLabel('Serial number', { exact: true }).inputValue()) !== serial) lost++;
    await page.close();
  }
  goal(
    lost === 0,
    `${count} jobs with a value that no file holds, edited on and loaded anew: ${lost} lost the edit`,
  );

  let back = 0;
  for (let i = 0; i < count; i++) {
    const page = await open(`${DEMO}/brief`);
    const before = await page.getByLabel('Customer', { exact: true }).inputValue();
    await page.getByLabel('Customer', { exact: true }).fill(`hidden ${i}`);
    await page.evaluate(() => {
      Object.defineProperty(document, 'visibilityState', { value: 'hidden', configurable: true });
      dispatchEvent(new Event('visibilitychange'));
    });
    await saved(page);
    await page.getByRole('heading', { level: 1 }).click();
    await page.keyboard.press('Control+z');
    await saved(page);
    await page.reload();
    if ((await page.getByLabel('Customer', { exact: true }).inputValue()) !== before) back++;
    await page.close();
  }
  goal(back === 0, `${count} edits undone after their page was hidden, loaded anew: ${back} came back`);

  for (const word of ['__proto__', 'constructor', 'toString', 'hasOwnProperty']) {
    await (await open(`/jobs/${word}/verdict`)).close();
    await (await open(`/parts/${word}`)).close();
    await (await open(`/jobs?order=${word}`)).close();
  }
  const page = await open(`${DEMO}/brief`);
  await page.getByLabel('Title', { exact: true }).fill('W'.repeat(160));
  await saved(page);
  let wide = 0;
  for (const path of [`${DEMO}/brief`, `${DEMO}/verdict`, `${DEMO}/handover`, '/jobs']) {
    await page.goto(server.address + path);
    await page.getByRole('main').waitFor();
    await pause(500);
    if (await page.evaluate(() => document.documentElement.scrollWidth > innerWidth)) {
      wide++;
      console.log(`${path} is too wide`);
    }
  }
  goal(
    faults.length + wide === 0,
    `names that every object has, and a title of 160 letters: ${faults.length} faults, ${wide} pages too wide`,
  );
  await page.close();

  await browser.close();
  server.stop();
}
