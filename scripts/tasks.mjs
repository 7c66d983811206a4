import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { loadavg, tmpdir } from 'node:os';
import { join } from 'node:path';
import { root } from './lib.mjs';

/*
 * Checks as tasks in two lanes, one a core: whichever is free takes the next that may begin. What makes real runs stands in one lane, whichever program
 * runs it; nothing waits for what it does not need.
 */

/**
 * @typedef {object} Task
 * @property {string} name
 * @property {string[]} command a program of a package, or a path, with its arguments
 * @property {string[]} [after] tasks that must have gone well before
 * @property {boolean} [real] it makes real runs: one such at a time
 * @property {'jest' | 'playwright'} [kind] whose report is counted; else it is one check
 * @property {Record<string, string>} [env]
 */

/** A third task beside two of them makes all three slower: tried, 502 s in place of 458. */
const LANES = 2;
const folder = mkdtempSync(join(tmpdir(), 'kymar-report-'));
process.once('exit', () => rmSync(folder, { recursive: true, force: true }));

const sum = (values) => values.reduce((all, value) => all + value, 0);
/** s that all tests of a suite took. */
const secondsOf = ({ suites = [], specs = [] }) =>
  sum(suites.map(secondsOf)) +
  sum(specs.flatMap(({ tests }) => tests.flatMap((test) => test.results.map((r) => r.duration / 1000))));

/** What ran, how it went and what it cost. */
export class Tally {
  passed = 0;
  failed = 0;
  /** @type {{ file: string, seconds: number, cpu: number | null }[]} */
  files = [];

  check(name, ok) {
    console.log(`${ok ? 'ok' : 'FAILED'}: ${name}`);
    if (ok) this.passed++;
    else this.failed++;
  }

  jest(report, cpuFile) {
    const result = JSON.parse(readFileSync(report, 'utf8'));
    const cpu = new Map();
    try {
      for (const line of readFileSync(cpuFile, 'utf8').trim().split('\n')) {
        const [seconds, ...file] = line.split(' ');
        cpu.set(file.join(' '), Number(seconds));
      }
    } catch {
      // No file ended.
    }
    for (const { name, startTime, endTime } of result.testResults)
      this.files.push({
        file: name.replace(`${root}/`, ''),
        seconds: (endTime - startTime) / 1000,
        cpu: cpu.get(name) ?? null,
      });
    const failed = result.numFailedTests + result.numRuntimeErrorTestSuites;
    this.passed += result.numPassedTests;
    this.failed += failed;
    return failed === 0;
  }

  playwright(report) {
    const { stats, errors, suites } = JSON.parse(readFileSync(report, 'utf8'));
    for (const { file, ...suite } of suites)
      this.files.push({ file: `e2e/${file}`, seconds: secondsOf(suite), cpu: null });
    const failed = stats.unexpected + stats.flaky + errors.length;
    this.passed += stats.expected;
    this.failed += failed;
    return failed === 0;
  }

  /** The last lines: what took longest, so that it is seen before it hurts, and how it went. @returns the exit code */
  end() {
    console.log('The slowest ten (s, CPU s):');
    const slowest = [...this.files].sort((a, b) => b.seconds - a.seconds).slice(0, 10);
    for (const { file, seconds, cpu } of slowest)
      console.log(`${seconds.toFixed(0).padStart(6)} ${(cpu?.toFixed(0) ?? '').padStart(6)}  ${file}`);
    console.log(`${this.passed} passed, ${this.failed} failed`);
    return this.failed === 0 ? 0 : 1;
  }
}

/** Runs a task to its end; what it said is shown where it failed. */
async function run({ name, command, kind, env = {} }, tally) {
  const [report, cpu] = [join(folder, `${name}.json`), join(folder, `${name}.cpu`)];
  const more = kind === 'jest' ? ['--json', `--outputFile=${report}`, '--runInBand', '--silent'] : [];
  const [program, ...args] = [...command, ...more];
  const began = performance.now();
  let said = '';
  const status = await new Promise((resolve) => {
    const child = spawn(program.includes('/') ? program : join(root, 'node_modules/.bin', program), args, {
      cwd: root,
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, KYMAR_REPORT: report, KYMAR_CPU: cpu, KYMAR_TASK: name, ...env },
    });
    // The report holds what Jest prints besides.
    if (kind !== 'jest') child.stdout.on('data', (text) => (said += text));
    else child.stdout.resume();
    child.stderr.on('data', (text) => (said += text));
    child.once('error', (error) => ((said += error.message), resolve(1)));
    child.once('exit', (code) => resolve(code ?? 1));
  });
  const seconds = ((performance.now() - began) / 1000).toFixed(0);
  let ok = status === 0;
  if (kind)
    try {
      ok = tally[kind](report, cpu) && ok;
      if (!ok && status !== 0 && tally.failed === 0) tally.failed++;
    } catch {
      tally.failed++;
      ok = false;
    }
  if (!ok) console.log(said);
  const words = `${name}, ${seconds} s`;
  if (kind) console.log(`${ok ? 'ok' : 'FAILED'}: ${words}`);
  else tally.check(words, ok);
  return ok;
}

/** All of them, two at a time. @param {Task[]} tasks in the order in which they are taken */
export async function runAll(tasks, tally) {
  console.log(
    `load ${loadavg()
      .map((n) => n.toFixed(1))
      .join(' ')} at the start`,
  );
  const done = new Map();
  const left = [...tasks];
  const going = new Map();
  const mayBegin = ({ after = [], real }) =>
    after.every((name) => done.has(name)) && !(real && [...going.keys()].some((task) => task.real));
  while (left.length > 0 || going.size > 0) {
    for (let i = 0; i < left.length && going.size < LANES;) {
      const task = left[i];
      if (!mayBegin(task)) {
        i++;
        continue;
      }
      left.splice(i, 1);
      if ((task.after ?? []).some((name) => !done.get(name))) {
        done.set(task.name, false);
        tally.check(`${task.name}: what it needs failed`, false);
        continue;
      }
      going.set(
        task,
        run(task, tally).then((ok) => {
          done.set(task.name, ok);
          going.delete(task);
        }),
      );
    }
    await Promise.race(going.values());
  }
  console.log(
    `load ${loadavg()
      .map((n) => n.toFixed(1))
      .join(' ')} at the end`,
  );
}
