import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build, chromium, install, root, run } from './lib.mjs';

/** Everything that must hold: types, lint, unit and end-to-end tests. Last line: `N passed, N failed`. */
install();
let [passed, failed] = [0, 0];
const check = (name, ok) => {
  console.log(`${ok ? 'ok' : 'FAILED'}: ${name}`);
  if (ok) passed++;
  else failed++;
};

check('types', run('tsc', ['-b']) === 0);
check('format', run('prettier', ['--check', '--log-level', 'warn', '.']) === 0);
check('lint', run('eslint', ['.', '--max-warnings', '0']) === 0);
check('floors', run('depcruise', ['core', 'server', 'web']) === 0);
check('dead code', run('knip', ['--no-progress']) === 0);
let built = true;
try {
  build();
} catch {
  built = false;
}
check('build', built);
const browser = chromium();
check('browser', browser !== null);

/** What took longest, so that it is seen before it hurts. */
const taken = [];
const folder = mkdtempSync(join(tmpdir(), 'kymar-report-'));
const jest = () => {
  const report = join(folder, 'unit.json');
  const { status } = spawnSync(join(root, 'node_modules/.bin/jest'), ['--json', `--outputFile=${report}`], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  try {
    const result = JSON.parse(readFileSync(report, 'utf8'));
    for (const file of result.testResults)
      taken.push([(file.endTime - file.startTime) / 1000, file.name.replace(`${root}/`, '')]);
    passed += result.numPassedTests;
    failed += result.numFailedTests + result.numRuntimeErrorTestSuites;
    console.log(
      `unit: ${result.numPassedTests} passed, ${result.numFailedTests} failed, ${result.numPendingTests} skipped`,
    );
    if (status !== 0 && result.numFailedTests + result.numRuntimeErrorTestSuites === 0) failed++;
  } catch {
    check('unit', false);
  }
};
const sum = (values) => values.reduce((all, value) => all + value, 0);
/** How long all tests of a suite took, in s. */
const secondsOf = ({ suites = [], specs = [] }) =>
  sum(suites.map(secondsOf)) +
  sum(specs.flatMap(({ tests }) => tests.flatMap((test) => test.results.map((r) => r.duration / 1000))));

/** The project's own end-to-end tests; each that passed only at a second try is told. */
function playwright() {
  const report = join(folder, 'e2e.json');
  spawnSync(join(root, 'node_modules/.bin/playwright'), ['test'], {
    cwd: root,
    env: { ...process.env, KYMAR_REPORT: report },
    stdio: ['ignore', 'inherit', 'inherit'],
  });
  try {
    const { stats, errors, suites } = JSON.parse(readFileSync(report, 'utf8'));
    for (const { file, ...suite } of suites) taken.push([secondsOf(suite), `e2e/${file}`]);
    const bad = stats.unexpected + stats.flaky + errors.length;
    passed += stats.expected;
    failed += bad;
    console.log(`e2e: ${stats.expected} passed, ${bad} failed, ${stats.skipped} skipped`);
  } catch {
    check('e2e', false);
  }
}
jest();
if (built && browser) playwright();
rmSync(folder, { recursive: true, force: true });

taken.sort((a, b) => b[0] - a[0]);
console.log('The slowest ten:');
for (const [seconds, file] of taken.slice(0, 10))
  console.log(`  ${seconds.toFixed(0).padStart(4)} s  ${file}`);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
