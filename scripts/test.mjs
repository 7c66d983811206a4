import { availableParallelism } from 'node:os';
import { chromium, install, installed } from './lib.mjs';

/**
 * What must hold, within eight minutes: static checks, every unit test with a tenth of its draws, one journey a stage. With `deep` the rest: the other
 * journeys and all draws. With `new [SEED]` all draws by another seed. Last line: `N passed, N failed`.
 */
const [mode = 'quick', given] = process.argv.slice(2);
const began = performance.now();
const since = () => ((performance.now() - began) / 1000).toFixed(0);
const browser = chromium();
const browserAt = Number(since());
install();
console.log(`packages after ${since()} s`);
// Not before the packages are there.
const { runAll, Tally } = await import('./tasks.mjs');
const tally = new Tally();
tally.check(`browser${installed() ? `, installed in ${browserAt} s` : ''}`, browser !== null);

const UNIT = 6;
const shards = (n, of) => Array.from({ length: n }, (_, i) => of(`${i + 1}/${n}`, i + 1));
const jest = (project, ...more) => [
  'jest',
  '--selectProjects',
  project,
  '--testLocationInResults=false',
  ...more,
];
const unit = (env, ...more) =>
  shards(UNIT, (shard, i) => ({
    name: `unit ${i}`,
    kind: 'jest',
    command: jest('unit', `--shard=${shard}`, '--passWithNoTests', ...more),
    env,
  }));
const journeys = (name, project, n, more) =>
  browser === null
    ? []
    : shards(n, (shard, i) => ({
        name: `${name} ${i}`,
        kind: 'playwright',
        command: ['playwright', 'test', `--project=${project}`, `--shard=${shard}`, ...more],
        after: ['build'],
        real: project === 'runs',
      }));
const alone = (name, file, env = {}) => ({
  name,
  kind: 'jest',
  command: jest('alone', file),
  after: ['build'],
  real: true,
  env,
});
const BUILD = { name: 'build', command: [process.execPath, 'scripts/build.mjs'] };

const QUICK = [
  BUILD,
  // One checker: several look at what they share once each, and the other lane needs its core.
  { name: 'types', command: ['node_modules/@typescript/native/bin/tsc', '-b', '--checkers', '1'] },
  alone('server', 'e2e/alone/server'),
  ...journeys('runs', 'runs', 1, ['--grep=@quick']),
  alone('commands', 'e2e/alone/commands'),
  // A browser waits more than it works: beside each of its lanes stands one that only works.
  ...unit({}).slice(0, 2),
  ...journeys('pages', 'page', 1, ['--grep=@quick']),
  ...unit({}).slice(2),
  { name: 'lint', command: ['oxlint', '--type-aware', '--deny-warnings'] },
  { name: 'page lint', command: ['eslint', 'web', '--max-warnings', '0'] },
  { name: 'format', command: ['prettier', '--check', '--log-level', 'warn', '.'] },
  { name: 'floors', command: ['depcruise', 'core', 'server', 'web'] },
  { name: 'dead code', command: ['knip', '--no-progress'] },
];
const ALL = { KYMAR_DRAWS: 'all' };
/** Of unit tests only files that draw. */
const withDraws = ['--findRelatedTests', 'core/fixtures/draws.ts'];
const DEEP = [
  BUILD,
  ...journeys('runs', 'runs', 1, ['--grep-invert=@quick']),
  ...journeys('pages', 'page', 4, ['--grep-invert=@quick']),
  ...unit(ALL, ...withDraws),
  alone('without a page', 'e2e/alone', ALL),
  // Types of the whole house, as a linter reads them, take a minute.
  {
    name: 'kinds lint',
    command: [
      'eslint',
      '-c',
      'scripts/lint/eslint.config.mjs',
      'core',
      'server',
      'web',
      'scripts/lint/tried.ts',
    ],
  },
];
const seed = given ?? String(1 + Math.floor(Math.random() * 1e6));
const NEW = unit({ KYMAR_DRAWS: 'all', KYMAR_SEED: seed }, ...withDraws);

const tasks = { quick: QUICK, deep: DEEP, new: NEW }[mode];
if (!tasks) {
  console.error(`Usage: npm test, npm run check:deep, npm run check:new [SEED]; not "${mode}"`);
  process.exit(2);
}
if (mode === 'new') console.log(`seed ${seed}`);
await runAll(tasks, tally);
console.log(`${since()} s in all on ${availableParallelism()} cores`);
process.exit(tally.end());
