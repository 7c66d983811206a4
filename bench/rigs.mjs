import { rmSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Worker, isMainThread, parentPort, workerData } from 'node:worker_threads';
import { oracle } from './rigs/oracle.mjs';
import { Round } from './rigs/round.mjs';
import { jobOf } from './rigs/told.mjs';
import { built, opened } from './rooms.mjs';

/**
 * Ranges and causes judged by rigs of another engine (bench/rigs, docs/rigs.md), which shares no line and no figure with the core. Frozen: what is
 * changed in it later needs a source named there. Usage: npm run bench -- rigs [SEED] [N] [ORACLE], ORACLE: on so many of them the second engine judges too
 */
const ROOMS = { diagnosis: 'diagnosis', forecast: 'forecast', job: 'job' };
const dir = isMainThread ? await built(ROOMS) : workerData.dir;
const core = await opened(dir, Object.keys(ROOMS));
const { diagnose, logsOf, HEALTHY, NONE } = core.diagnosis;

const TESTS = 3;
/** As many diagnoses are timed by one worker alone. */
const ALONE = 60;
const quantile = (sorted, p) => sorted[Math.min(sorted.length - 1, Math.floor(p * sorted.length))];

/** The file as Kymar reads it. @throws Error where it does not: then the set-up is told wrongly */
function jobFrom(round) {
  const { setup, known, works, runs, looks } = round;
  const read = core.job.checkJob(structuredClone(jobOf(setup, known, works, runs, looks)));
  if (!read.ok) throw new Error(`${setup.id}: ${read.problems[0]}`);
  return read.value;
}

/** ms that whole diagnoses take, forecasts and all, in a worker that does nothing else. */
function clocked(seeds) {
  return seeds.map((seed) => {
    const job = jobFrom(new Round(seed));
    const began = performance.now();
    diagnose(job);
    return performance.now() - began;
  });
}

/** Its 90 % range of each work as it is built, against what was measured first. */
function ranges(round) {
  const job = jobFrom(round);
  const situation = core.forecast.situationOf(core.job.briefAt(job, core.job.placesOf(job)[0]));
  return round.works.flatMap((work) => {
    const run = round.runs.find((one) => one.work === work && !one.look);
    if (!run || run.took.rate !== null) return [];
    const logs = logsOf(core.forecast.caseOf(situation, work.id), run.took.until === 'bar', { every: 1 });
    if (!logs) return [];
    const sorted = [...logs].sort((a, b) => a - b);
    const [low, middle, high] = [0.05, 0.5, 0.95].map((p) => quantile(sorted, p));
    const log = Math.log(run.took.seconds);
    const kind =
      work.kind === 'open'
        ? 'loads'
        : `${round.setup.kind}, ${work.direction === 'read' ? 'reading' : 'writing'}`;
    return [{ kind, held: log >= low && log <= high, off: log - middle, width: high - low }];
  });
}

/** What stood on no list of the core's when the second engine was frozen, and the cause that has come to name it since. */
const SINCE = {
  'outside: encryption without help': 'processor-bound copy',
  'outside: a scanner at every byte': 'processor-bound copy',
  'outside: old data': 'hard to read',
  'outside: read retries': 'hard to read',
  'outside: in pieces': 'fragmented',
  'outside: power saving': 'system stack',
  'outside: onto itself': 'onto itself',
  'outside: inner tracks at the other end': 'source slower',
};
const firstOf = (said) => said?.groups[0] ?? { ids: [HEALTHY], probability: 0 };
const rankOf = (said, label) => said?.groups.findIndex(({ ids }) => ids.includes(label)) ?? -1;

function play(seeds, withOracle) {
  return seeds.map((seed, i) => {
    const round = new Round(seed);
    const hidden = round.cause?.id ?? null;
    const kind = hidden === null ? 'healthy' : hidden.startsWith('outside') ? 'outside' : 'one';
    const label = { healthy: HEALTHY, outside: NONE, one: hidden }[kind];
    const held = kind === 'healthy' ? ranges(round) : [];
    const said = diagnose(jobFrom(round));
    const isNamed = (found) => firstOf(found).ids.includes(SINCE[hidden]);
    const before = { shows: round.shows, rank: rankOf(said, label), named: isNamed(said), ...firstOf(said) };
    const by = withOracle > i ? oracle(round, seed) : null;
    const trail = [];
    let last = said;
    for (let n = 0; n < TESTS && last; n++) {
      const next = last.next.find(({ id }) => !trail.includes(id));
      if (!next || !round.test(next.id, last.worst)) break;
      trail.push(next.id);
      last = diagnose(jobFrom(round));
    }
    const after = { shows: round.shows, rank: rankOf(last, label), named: isNamed(last), ...firstOf(last) };
    return {
      seed,
      setup: round.setup.id,
      kind,
      hidden,
      label,
      before,
      after,
      trail,
      held,
      oracle: by && {
        rank: by.findIndex(
          ({ id }) => id === (kind === 'outside' ? 'none' : kind === 'healthy' ? 'healthy' : hidden),
        ),
        ...by[0],
      },
    };
  });
}

if (!isMainThread) {
  const { seeds, withOracle } = workerData;
  parentPort.postMessage(withOracle === null ? clocked(seeds) : play(seeds, withOracle));
} else {
  const [seed = 1, N = 400, ORACLE = 60] = process.argv.slice(2).map(Number);
  const seeds = Array.from({ length: N }, (_, i) => seed * 1_000_003 + i * 7919);
  const work = (own, withOracle) =>
    new Promise((resolve, reject) => {
      new Worker(fileURLToPath(import.meta.url), { workerData: { dir, seeds: own, withOracle } })
        .once('message', resolve)
        .once('error', reject);
    });
  const all = (
    await Promise.all(
      [0, 1].map((at) =>
        work(
          seeds.filter((_, i) => i % 2 === at),
          ORACLE / 2,
        ),
      ),
    )
  ).flat();
  const times = (await work(seeds.slice(0, ALONE), null)).sort((a, b) => a - b);
  rmSync(dir, { recursive: true, force: true });
  tell(all, times);
  process.exit(0);
}

function tell(all, times) {
  const percent = (n, of) => (of === 0 ? 'none' : `${((100 * n) / of).toFixed(0)} %`);
  /** A share with its 90 % bound (Wilson's interval). */
  const share = (list, is) => {
    const [n, k] = [list.length, list.filter(is).length];
    if (n === 0) return 'none';
    const z = 1.645;
    const p = k / n;
    const middle = (p + z ** 2 / (2 * n)) / (1 + z ** 2 / n);
    const wide = (z * Math.sqrt((p * (1 - p)) / n + z ** 2 / (4 * n ** 2))) / (1 + z ** 2 / n);
    return `${percent(k, n)} of ${n} (${(100 * (middle - wide)).toFixed(0)} to ${(100 * (middle + wide)).toFixed(0)})`;
  };
  const mean = (list) => list.reduce((a, b) => a + b, 0) / Math.max(1, list.length);
  const goal = (met, words) => console.log(`${met ? 'met' : 'missed'}: ${words}`);
  const kinds = { healthy: [], one: [], outside: [] };
  for (const rig of all) kinds[rig.kind].push(rig);
  console.log(
    `bench: rigs, ${all.length}: ${Object.entries(kinds)
      .map(([kind, list]) => `${kind} ${list.length}`)
      .join(', ')}`,
  );
  for (const when of ['before', 'after']) {
    const shown = kinds.one.filter((rig) => rig[when].shows);
    const at = (rig) => rig[when];
    const isFirst = (rig) => at(rig).rank === 0;
    const isAmong = (rig) => at(rig).rank >= 0 && at(rig).rank < 3;
    const isCalm = (rig) => at(rig).ids.includes(HEALTHY);
    console.log(`${when} the tests:`);
    console.log(`  healthy held ${share(kinds.healthy, (rig) => at(rig).rank === 0)}`);
    console.log(
      `  named cause that shows: first ${share(shown, isFirst)}, among three ${share(shown, isAmong)}`,
    );
    console.log(
      `    named alone ${share(shown, (rig) => isFirst(rig) && at(rig).ids.length === 1)}, "nothing wrong" in front ${share(shown, isCalm)}`,
    );
    const outside = kinds.outside.filter((rig) => at(rig).shows);
    console.log(
      `  not on the list as it was frozen, shown: none of these ${share(outside, (rig) => at(rig).rank === 0)}, ` +
        `by its name since ${share(outside, (rig) => at(rig).named)}`,
    );
    const right = (rig) =>
      at(rig).rank === 0 || (rig.kind !== 'healthy' && !at(rig).shows && at(rig).ids.includes(HEALTHY));
    for (const [low, high] of [
      [0, 0.5],
      [0.5, 0.7],
      [0.7, 0.9],
      [0.9, 1.01],
    ]) {
      const some = all.filter((rig) => at(rig).probability >= low && at(rig).probability < high);
      const faults = some.filter((rig) => !at(rig).ids.includes(HEALTHY));
      console.log(
        `  given ${100 * low} to ${Math.min(100, 100 * high)} %: right ${share(some, right)}; of those naming a fault ${share(faults, right)}`,
      );
    }
  }
  const judged = all.filter((rig) => rig.oracle);
  const ofThem = judged.filter((rig) => rig.kind === 'one' && rig.before.shows);
  console.log(
    `the oracle, on ${judged.length}: a cause that shows first ${share(ofThem, (rig) => rig.oracle.rank === 0)}, healthy held ${share(
      judged.filter((rig) => rig.kind === 'healthy'),
      (rig) => rig.oracle.rank === 0,
    )}`,
  );
  console.log(
    `  Kymar on the same: ${share(ofThem, (rig) => rig.before.rank === 0)}; of those the oracle finds: ${share(
      ofThem.filter((rig) => rig.oracle.rank === 0),
      (rig) => rig.before.rank === 0,
    )}`,
  );
  console.log('by cause, of those that show (first, what was taken for it instead):');
  const showing = [...kinds.one, ...kinds.outside].filter((rig) => rig.before.shows);
  for (const id of [...new Set(showing.map(({ hidden }) => hidden))].sort()) {
    const own = showing.filter(({ hidden }) => hidden === id);
    const instead = own.filter(({ before }) => before.rank !== 0).map(({ before }) => before.ids[0]);
    const counts = [...new Set(instead)].map(
      (other) => `${other} ${instead.filter((one) => one === other).length}`,
    );
    console.log(
      `  ${id}: ${own.length - instead.length} of ${own.length}${counts.length > 0 ? `; ${counts.join(', ')}` : ''}`,
    );
  }
  console.log('90 % ranges of healthy rigs (held; how far off the middle; how wide, as a factor):');
  const held = kinds.healthy.flatMap((rig) => rig.held);
  for (const kind of [...new Set(held.map((one) => one.kind))].sort()) {
    const own = held.filter((one) => one.kind === kind);
    const off = Math.exp(mean(own.map((one) => one.off))) - 1;
    const width = Math.exp(mean(own.map((one) => one.width)));
    console.log(
      `  ${kind}: ${share(own, (one) => one.held)}; ${(100 * off).toFixed(0)} %; ×${width.toFixed(2)}`,
    );
  }
  const shown = kinds.one.filter((rig) => rig.before.shows);
  goal(
    shown.filter((rig) => rig.before.rank === 0).length >= 0.8 * shown.length,
    `a cause that shows first in ${percent(shown.filter((rig) => rig.before.rank === 0).length, shown.length)} (goal 80 %)`,
  );
  goal(
    shown.filter((rig) => rig.before.rank >= 0 && rig.before.rank < 3).length >= 0.95 * shown.length,
    `among three in ${percent(shown.filter((rig) => rig.before.rank >= 0 && rig.before.rank < 3).length, shown.length)} (goal 95 %)`,
  );
  goal(
    held.filter((one) => one.held).length >= 0.85 * held.length,
    `ranges hold ${percent(held.filter((one) => one.held).length, held.length)} of what healthy rigs measure (goal 85 to 95 %)`,
  );
  goal(
    quantile(times, 0.5) <= 300 && times.at(-1) <= 800,
    `a whole diagnosis ${quantile(times, 0.5).toFixed(0)} ms in the middle, ${times.at(-1).toFixed(0)} at most (goal 300 and 800)`,
  );
  console.log('wrong at 90 % and more, after the tests:');
  for (const rig of all.filter(
    ({ after, kind }) => after.probability >= 0.9 && after.rank !== 0 && (kind === 'healthy' || after.shows),
  ))
    console.log(
      `  ${rig.seed} ${rig.setup}: ${rig.hidden ?? 'healthy'} taken for ${rig.after.ids.join(' | ')} ` +
        `(${percent(rig.after.probability, 1)}) after ${rig.trail.join(', ') || 'no test'}`,
    );
}
