import { demoBriefs, forecastJob, onJob, pathOn, repeatJob } from '../../core/fixtures/forecast';
import { execFileSync, spawn } from 'node:child_process';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { decode } from '@kymar/core/catalog/decode';
import { demoJobs } from '@kymar/core/demo';
import {
  compareBuilds,
  Finalists,
  nonDominated,
  searchAll,
  summaryOf,
  wantedOf,
  withDrives,
} from '@kymar/core/choice';
import { life } from '@kymar/core/models';
import { explainFlow } from '@kymar/core/assembly';
import { SHOP } from '@kymar/core/catalog/stock';
import { findings, stateOf } from '@kymar/core/fit';
import { writeLibrary } from '@kymar/core/catalog/library';
import { settingOf } from '@kymar/core/forecast';
import { writeJob, type Brief } from '@kymar/core/job';
import { diagnose } from '@kymar/core/diagnosis';
import { verdict } from '@kymar/core/verdict';
import { root } from '../../scripts/serve.cjs';
import { brief, whole } from '../../core/fixtures/draws';

let folder = '';
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'kymar-e2e-'));
});
afterEach(() => rm(folder, { recursive: true, force: true }));

describe('the command line', () => {
  const [offload, scans] = demoJobs();
  const [at] = demoBriefs() as [Brief];
  const kymar = (args: string[], input: string) =>
    new Promise<{ code: number | null; out: string; err: string }>((resolve) => {
      const child = spawn(process.execPath, [join(root, 'server/dist/kymar.js'), ...args], { cwd: folder });
      let [out, err] = ['', ''];
      child.stdout.on('data', (text) => (out += text));
      child.stderr.on('data', (text) => (err += text));
      child.on('close', (code) => resolve({ code, out, err }));
      child.stdin.end(input);
    });
  const plain = (value: unknown) => JSON.parse(JSON.stringify(value));

  whole('path, forecast and verdict give what the core gives, from a file or standard input', async () => {
    const text = writeJob(offload!);
    await writeFile(join(folder, 'job.json'), text);
    const path = JSON.parse((await kymar(['path', 'job.json'], '')).out);
    expect(path.flow.write).toEqual(plain(explainFlow(pathOn(at.host, at.build!), 'write')));
    const setting = (d: 'read' | 'write') => settingOf(onJob(at), d);
    for (const d of ['read', 'write'] as const) {
      expect(path.findings[d]).toEqual(findings(setting(d)).map(({ figure: _, ...finding }) => finding));
      expect(path.state[d]).toBe(stateOf(setting(d)));
    }
    expect(path.options.write.port.map((c: { key: string }) => c.key)).toEqual(
      at.host.ports.map((p) => p.id),
    );
    const forecast = JSON.parse((await kymar(['forecast'], text)).out);
    expect(forecast.activities[0].time).toEqual(plain(forecastJob(at)!.activities[0]!.figure));
    expect(forecast.activities[2]).toMatchObject({
      kind: 'keep',
      figure: plain(forecastJob(at)!.activities[2]!.figure),
    });
    expect(forecast.ahead.ends).toEqual(JSON.parse(JSON.stringify(repeatJob(at, { years: 4 })!.ends)));
    expect(JSON.parse((await kymar(['verdict'], text)).out)).toEqual(plain(verdict(offload!)));
    expect(JSON.parse((await kymar(['diagnose'], text)).out)).toEqual(plain(diagnose(offload!)));
    // All that is said, causes and what the library offers with it: one id, one thing.
    const saidBy = async (...args: string[]) =>
      JSON.parse((await kymar([...args, '--statements'], text)).out) as { id: string; words: string }[];
    const [plainly, causes] = [await saidBy('forecast'), await saidBy('diagnose')];
    expect(new Set(causes.map(({ id }) => id)).size).toBe(causes.length);
    expect(causes.slice(0, plainly.length)).toEqual(plainly);
    expect(causes.some(({ id }) => id.startsWith('judged share cause'))).toBe(true);
  });

  whole('path tries the parts of another library', async () => {
    const lean = { ...SHOP, cables: SHOP.cables.slice(0, 1) };
    await writeFile(join(folder, 'library.json'), writeLibrary(lean));
    const { options } = JSON.parse((await kymar(['path', '--shop', 'library.json'], writeJob(offload!))).out);
    expect(options.read.cable.map((c: { key: string }) => c.key)).toEqual([lean.cables[0]!.id, 'none']);
    await writeFile(join(folder, 'library.json'), '{"kymarLibrary": 1, "cables": [{}]}');
    expect(await kymar(['path', '--shop', 'library.json'], writeJob(offload!))).toMatchObject({
      code: 2,
      out: '',
      err: expect.stringMatching(/cables\.0/),
    });
  });

  brief(
    'compare gives what the core gives, a box that fits changed with the drive; what cannot be is told',
    async () => {
      const plan = at;
      const drives = ['oystral-merlin-2t', 'venndale-slate-1t'].map((id) =>
        SHOP.drives.find((d) => d.id === id)!,
      );
      for (const activity of ['offload', 'season']) {
        const { out, code } = await kymar(
          ['compare', '--with', drives.map((d) => d.id).join(), '--activity', activity],
          writeJob(offload!),
        );
        expect(code).toBe(0);
        const core = compareBuilds(
          onJob(plan),
          activity,
          withDrives(onJob(plan), SHOP, drives, activity, []),
        );
        const names = core.builds.map((b) => b.name);
        expect(JSON.parse(out).pairs).toEqual(
          plain(core.pairs.map(({ a, b, ...pair }) => ({ a: names[a], b: names[b], ...pair }))),
        );
        expect(JSON.parse(out).builds.map((b: { figure: unknown }) => b.figure)).toEqual(
          plain(core.builds.map((b) => b.forecast!.figure)),
        );
        expect(JSON.parse(out).builds[2]).toMatchObject({ drive: 'venndale-slate-1t', blocked: [] });
        expect(JSON.parse(out).builds[2].bridge).not.toBe(at.build!.bridge!.id);
      }
      expect(await kymar(['compare', '--with', 'none'], writeJob(offload!))).toMatchObject({
        code: 2,
        err: expect.stringMatching(/no drive of the library/),
      });
      expect(await kymar(['compare'], writeJob(offload!))).toMatchObject({
        code: 2,
        err: expect.stringMatching(/Two to four/),
      });
      expect(
        await kymar(['compare', '--with', 'venndale-slate-1t', '--activity', 'none'], writeJob(offload!)),
      ).toMatchObject({ code: 2, err: expect.stringMatching(/no activity/) });
    },
  );

  whole('choose gives the answer of the page, as sure as asked; what cannot be is told', async () => {
    const { out, code } = await kymar(['choose', '--sure', '95 %'], writeJob(offload!));
    expect(code).toBe(0);
    const asked = { owned: [], currency: 'EUR', shopRanges: {}, probability: 0.95 };
    const wanted = wantedOf(offload!, undefined, asked)!;
    const found = searchAll(wanted, SHOP);
    const said = JSON.parse(out);
    expect(said).toMatchObject(plain(summaryOf(found, new Finalists(wanted), wanted)));
    const meets = said.answers.find(({ kind }: { kind: string }) => kind === 'meets');
    expect(meets.reason).toMatch(/at least 95 % probability/);
    expect(said.edge.map((e: { id: string }) => e.id)).toEqual(
      nonDominated(found.candidates).map((c) => c.id),
    );
    for (const [args, words] of [
      [['--sure', 'often'], /no probability such as 85 %/],
      [['--device', 'none'], /has no device "none"/],
    ] as const)
      expect(await kymar(['choose', ...args], writeJob(offload!))).toMatchObject({
        code: 2,
        out: '',
        err: expect.stringMatching(words),
      });
  });

  whole('endurance takes its own input', async () => {
    const source = { kind: 'sheet' as const };
    const input = {
      tbw: { value: 600e12, source },
      capacity: { value: 1e12, source },
      warrantyYears: { value: 5, source },
      writesPerDay: null,
      readings: [{ day: 155, written: 9790e9 }],
    };
    const { out, code } = await kymar(['endurance'], JSON.stringify(input));
    expect(code).toBe(0);
    expect(JSON.parse(out)).toEqual(plain(life(input)));
    expect(JSON.parse(out).fromNew.expected).toBeCloseTo(26.0, 1);
  });

  brief('health takes a page as it is, or pasted text', async () => {
    const page = Buffer.alloc(512);
    page.writeUInt16LE(310, 1);
    page.writeUInt8(100, 3);
    page.writeBigUInt64LE(20_000_000n, 48);
    await writeFile(join(folder, 'page.bin'), page);
    expect(JSON.parse((await kymar(['health', 'page.bin'], '')).out)).toMatchObject({
      from: 'NVMe log page 02h',
      temperature: 37,
      written: 10.24e12,
      spare: 1,
    });
    expect(JSON.parse((await kymar(['health'], 'Percentage Used: 7%')).out)).toMatchObject({
      from: 'pasted text',
      percentageUsed: 0.07,
      written: null,
    });
  });

  whole('decode takes one name or a list', async () => {
    const line = 'USB 3.2 Gen 2x2, 20GB/s';
    expect(JSON.parse((await kymar(['decode'], JSON.stringify(line))).out)).toEqual(plain(decode(line)));
    expect(JSON.parse((await kymar(['decode'], JSON.stringify([line, '']))).out)).toEqual(
      plain([decode(line), decode('')]),
    );
  });

  for (const [command, input, message] of [
    ['decode', '{"text": 5}', /text in quotes/],
    ['decode', 'USB', /no JSON/],
    ['path', '{"kymarVersion": 1}', /title/],
    ['forecast', 'nonsense', /no JSON: line 1/],
    ['forecast', writeJob(scans!), /no build/],
    ['verdict', '{"kymarVersion": 9}', /version 9/],
    ['endurance', '{"tbw": 5}', /tbw/],
    ['dance', '{}', /Usage/],
    ['', '', /Usage/],
    ['--wrong', '', /Usage/],
    ['health', 'Serial: 5', /No counter/],
  ] as const)
    whole(`kymar ${command} ${String(message)} with bad input: exit 2, told on standard error`, async () => {
      const { code, out, err } = await kymar(command ? [command] : [], input);
      expect([code, out]).toEqual([2, '']);
      expect(err).toMatch(message);
    });
  whole('a file that is not there: exit 2', async () =>
    expect(await kymar(['path', 'none.json'], '')).toMatchObject({
      code: 2,
      err: expect.stringMatching(/ENOENT/),
    }),
  );
});

brief('the command line refuses what is hostile with exit 2, never with a stack', () => {
  for (const [command, input, words] of [
    ['decode', '['.repeat(6000), /nested deeper/],
    ['verdict', '{"kymarVersion":"1"}', /no version/],
    ['constructor', '{}', /Usage/],
    ['schema', '', /never/],
    ['health', 'Power On Hours: 1e3', /no number for Power On Hours/],
    ['endurance', '{"__proto__": {"tbw": 1}}', /tbw/],
  ] as const) {
    const args = command === 'schema' ? ['schema', 'toString'] : [command];
    let told = { status: 0, stderr: '' };
    try {
      execFileSync(process.execPath, ['server/dist/kymar.js', ...args], {
        cwd: root,
        input,
        encoding: 'utf8',
        stdio: 'pipe',
      });
    } catch (error) {
      told = error as typeof told;
    }
    expect(told.status).toBe(2);
    expect(told.stderr).toMatch(command === 'schema' ? /has no schema/ : words);
    expect(told.stderr).not.toMatch(/\n {4}at /);
  }
});
