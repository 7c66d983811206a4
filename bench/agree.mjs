import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build, root } from '../scripts/lib.mjs';
import { maker } from './agree/jobs.mjs';
import { pagesOf } from './agree/pages.mjs';
import { PLANTED } from './agree/planted.mjs';
import { RULES } from './agree/rules.mjs';
import { rooms } from './rooms.mjs';

/**
 * Whether Kymar says one thing of one thing: seeded jobs, every statement of them held against every other place where it is made,
 * all of it read as plain text.
 * Usage: npm run bench -- agree [SEED] [JOBS] [PAGES] [--planted] [--tree FOLDER]
 */
const flag = (name) => process.argv.indexOf(name);
const [seed, JOBS, PAGES] = process.argv
  .slice(2)
  .filter((a) => /^\d+$/.test(a))
  .map(Number);
const DOORS = {
  assembly: 'assembly',
  choice: 'choice',
  diagnosis: 'diagnosis',
  fit: 'fit',
  fitting: 'fitting',
  forecast: 'forecast',
  handover: 'handover',
  job: 'job',
  measure: 'measure',
  statements: 'statements',
  stats: 'stats',
  stock: 'catalog/stock',
  units: 'units',
  verdict: 'verdict',
};
const met = (is, words) => console.log(`${is ? 'met' : 'missed'}: ${words}`);

/** All faults that are found in some jobs, by what kind they are of. */
function faultsOf(core, jobs, oracles) {
  const found = [];
  let statements = 0;
  for (const [i, job] of jobs.entries()) {
    const fault = (words) => found.push(`${job.id}: ${words}`);
    const said = core.handover.allSaid?.(job) ?? [];
    statements += said.length;
    disagreeing(core, job, said, i % 10 === 0, fault);
    const of = lookedAt(core, job, i % 10 === 0);
    for (const text of textsOf(core, of, said)) oracles.faultsIn(text).forEach(fault);
    numbers(of, fault);
    for (const [name, rule] of Object.entries(RULES)) {
      try {
        rule(of, (words) => fault(`${name}: ${words}`), core);
      } catch (error) {
        // An older state may lack what the rule asks.
        if (core.statements) throw error;
      }
    }
  }
  return { found, statements };
}

/** One id says one thing: in the list, read back from its file, and in every document. */
function disagreeing(core, job, said, isReadBack, fault) {
  const known = new Map();
  const hold = (where, { id, words }) => {
    const before = known.get(id);
    if (before === undefined) fault(`${where} says “${id}”, which nobody knows`);
    else if (before !== words) fault(`${id}: “${before}”, ${where} “${words}”`);
  };
  for (const one of said) {
    if (known.has(one.id)) hold('again', one);
    known.set(one.id, one.words);
  }
  if (!core.handover.allSaid) return;
  const again = isReadBack ? core.job.readJob(core.job.writeJob(job)) : { ok: true, value: null };
  if (!again.ok) return fault(`its own file is refused: ${again.problems.join('; ')}`);
  if (again.value) core.handover.allSaid(again.value).forEach((one) => hold('read back', one));
  const made = core.handover.handover(job, core.verdict.verdict(job));
  for (const copy of ['customer', 'shop']) {
    const html = core.handover.toHtml(made, copy);
    for (const [, id, words] of html.matchAll(/<span data-said="([^"]*)">([^<]*)<\/span>/g))
      hold(`the ${copy}’s copy`, { id: unescaped(id), words: unescaped(words) });
    // Both forms of a copy say the same, in the same order.
    const [one, other] = [
      wordsIn(unescaped(html.replace(/^[\s\S]*<body>/, '').replace(/<[^>]*>/g, ' '))),
      wordsIn(core.handover.toMarkdown(made, copy)),
    ];
    if (one !== other)
      fault(`the ${copy}’s copy as a page is not the one in Markdown, at ${firstOff(one, other)}`);
  }
}

const unescaped = (text) =>
  text
    .replace(/&lt;/g, '<')
    .replace(/&gt;/g, '>')
    .replace(/&quot;/g, '"')
    .replace(/&#39;/g, "'")
    .replace(/&amp;/g, '&');
/** Letters and digits alone. */
const wordsIn = (text) => (text.replace(/&#x[0-9A-F]+;/g, ' ').match(/[\p{L}\d]+/gu) ?? []).join(' ');
function firstOff(a, b) {
  let i = 0;
  while (a[i] === b[i] && i < a.length) i++;
  return `“${a.slice(Math.max(0, i - 30), i + 30)}” and “${b.slice(Math.max(0, i - 30), i + 30)}”`;
}

/** A job with all that is made of it. @param isDiagnosed its causes too, which take longest */
function lookedAt(core, job, isDiagnosed) {
  const found = core.verdict.verdict(job);
  const rooms = core.job.placesOf(job).flatMap((place) => {
    const situation = core.forecast.situationAt(job, place);
    return situation
      ? [
          {
            place,
            situation,
            path: core.forecast.pathOf(situation),
            sheet: core.forecast.forecastAll(situation),
          },
        ]
      : [];
  });
  const trouble = {
    blocked: rooms.some(({ path }) => path.blocked.length > 0),
    unmet: found.answer === 'falls short',
    short: found.claims.some((c) => c.right.answer === 'short' && !c.simulated),
  };
  return {
    job,
    found,
    rooms,
    protocol: core.measure.protocolOf(job),
    stages: core.job.stages(job, trouble),
    diagnosis: isDiagnosed && job.runs.length > 0 ? core.diagnosis.diagnose(job) : null,
    text: core.handover.toMarkdown(core.handover.handover(job, found), 'shop'),
  };
}

/** Every text that a person reads of a job. */
const textsOf = (core, { rooms, text }, said) => [
  ...said.map(({ words }) => words),
  text,
  ...rooms.flatMap(({ situation }) =>
    core.fitting
      .checklist(situation)
      .map(({ title, how, caution }) => [title, how, caution ?? ''].join('\n')),
  ),
  ...rooms.flatMap(({ situation }) =>
    ['read', 'write'].flatMap((d) =>
      core.fit
        .findings(core.forecast.settingOf(situation, d))
        .map(({ title, reason, fix }) => [title, reason, fix ?? ''].join('\n')),
    ),
  ),
];

/** What holds of figures, whatever they are of. */
function numbers({ rooms, diagnosis }, fault) {
  const look = (at, where, seen = new Set()) => {
    if (typeof at !== 'object' || at === null || seen.has(at) || ArrayBuffer.isView(at)) return;
    seen.add(at);
    if (typeof at.low === 'number' && typeof at.expected === 'number' && typeof at.high === 'number') {
      const slack = 1e-9 * Math.abs(at.expected);
      if (!(at.low <= at.expected + slack && at.expected <= at.high + slack))
        fault(`${where}: ${at.low}, ${at.expected}, ${at.high} are not in order`);
    }
    for (const [key, value] of Object.entries(at))
      if (key !== 'because') look(value, `${where}.${key}`, seen);
  };
  for (const { sheet } of rooms) {
    if (!sheet) continue;
    const { activities, life, lasting, workload, format, tasks } = sheet;
    look(
      activities.map(({ figure, rate, more }) => ({ figure, rate, more })),
      'activities',
    );
    look({ life, lasting, workload, format, tasks }, 'sheet');
    for (const { probability } of activities)
      if (probability !== null && !(probability >= 0 && probability <= 1))
        fault(`a probability of ${probability}`);
  }
  const sum = diagnosis?.causes?.reduce((a, { probability }) => a + probability, 0);
  // What is hardly possible is not told.
  if (sum !== undefined && (sum > 1 + 1e-9 || sum < 0.97)) fault(`causes sum to ${sum}`);
}

/** Kinds of faults, the most frequent first. */
function told(found, most = 12) {
  const kinds = new Map();
  for (const fault of found) {
    const kind = fault
      .replace(/^[^:]*: /, '')
      .replace(/\d[\d.,:]*/g, 'N')
      .slice(0, 60);
    kinds.set(kind, [...(kinds.get(kind) ?? []), fault]);
  }
  for (const [, list] of [...kinds].sort((a, b) => b[1].length - a[1].length).slice(0, most))
    console.log(`${String(list.length).padStart(5)} × ${list[0].slice(0, 260)}`);
}

/** The house with one fault of old put back. */
function withFault({ file, from, to }) {
  const tree = mkdtempSync(join(tmpdir(), 'kymar-planted-'));
  cpSync(join(root, 'core'), join(tree, 'core'), { recursive: true });
  for (const name of [
    'node_modules',
    'tsconfig.base.json',
    'tsconfig.json',
    'package.json',
    'server',
    'web',
    'e2e',
  ])
    symlinkSync(join(root, name), join(tree, name));
  const text = readFileSync(join(tree, file), 'utf8');
  if (!text.includes(from)) throw new Error(`${file} no longer holds “${from}”: plant it anew.`);
  writeFileSync(join(tree, file), text.replace(from, to));
  return tree;
}

/** So many jobs, from one on. */
const several = (make, from, count) => Array.from({ length: count }, (_, n) => make(from + n));
const FEW = 20;

const doors = (tree) => rooms({ ...DOORS, oracles: 'fixtures/oracles.ts' }, tree);

if (flag('--planted') > 0) {
  let caught = 0;
  const sound = await doors(root);
  const makeSound = maker(sound, seed ?? 1);
  const jobs = JOBS ?? 200;
  const before = new Set(faultsOf(sound, several(makeSound, 0, jobs), sound.oracles).found);
  // One of them, by what it says.
  const only = process.argv[flag('--planted') + 1] ?? '';
  const planted = PLANTED.filter(({ words }) => words.includes(only));
  for (const fault of planted) {
    const tree = withFault(fault);
    const core = await doors(tree);
    const make = maker(core, seed ?? 1);
    // A few jobs at a time, until it is seen.
    const seen = [];
    for (let n = 0; n < jobs && seen.length === 0; n += FEW)
      seen.push(
        ...faultsOf(core, several(make, n, FEW), core.oracles).found.filter((one) => !before.has(one)),
      );
    rmSync(tree, { recursive: true, force: true });
    if (seen.length > 0) caught++;
    console.log(
      `${seen.length > 0 ? 'caught' : 'NOT caught'}: ${fault.point}, ${fault.words} (${seen.length}) ${seen[0]?.slice(0, 200) ?? ''}`,
    );
  }
  met(
    caught === planted.length,
    `${caught} of ${planted.length} faults of old, planted again one by one, are caught`,
  );
} else if (flag('--tree') > 0) {
  // An older state: its jobs, its words, today's oracles.
  const [core, { oracles }] = [
    await rooms(
      Object.fromEntries(Object.entries(DOORS).filter(([d]) => d !== 'statements')),
      process.argv[flag('--tree') + 1],
    ),
    await rooms({ oracles: 'fixtures/oracles.ts' }),
  ];
  const make = maker(core, seed ?? 1);
  const { found } = faultsOf(
    core,
    Array.from({ length: JOBS ?? 200 }, (_, n) => make(n)),
    oracles,
  );
  console.log(`${found.length} faults that the oracles find there in ${JOBS ?? 200} jobs`);
  told(found);
} else {
  if (!process.env.KYMAR_BUILT) build();
  const core = await doors(root);
  const make = maker(core, seed ?? 1);
  const count = JOBS ?? 2000;
  const jobs = Array.from({ length: count }, (_, n) => make(n));
  const { found, statements } = faultsOf(core, jobs, core.oracles);
  told(found);
  met(
    found.length === 0,
    `${found.length} differences and faults in ${statements} statements of ${count} jobs, their files, both copies of their handover`,
  );
  const typed = jobs.slice(0, 20).flatMap((job) => {
    const { stdout } = spawnSync(
      process.execPath,
      [join(root, 'server', 'dist', 'kymar.js'), 'forecast', '--statements'],
      { input: core.job.writeJob(job), encoding: 'utf8' },
    );
    return stdout === `${JSON.stringify(core.handover.allSaid(job), null, 2)}\n` ? [] : [job.id];
  });
  met(typed.length === 0, `${typed.length} of 20 jobs differ on the command line`);
  const pages = PAGES ?? 50;
  if (pages > 0) {
    const { faults, shown, bare } = await pagesOf(core, jobs.slice(0, pages));
    if (process.env.BARE) writeFileSync(process.env.BARE, bare.join('\n'));
    told(faults, 40);
    met(
      faults.length === 0,
      `${faults.length} differences and faults on the pages of ${pages} jobs, ${shown} statements seen`,
    );
    told(bare, 40);
    met(bare.length === 0, `${bare.length} texts with a digit that bear no id`);
  }
}
