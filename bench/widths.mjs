import { rmSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Worker, isMainThread, parentPort, workerData } from 'node:worker_threads';
import { Round } from './rigs/round.mjs';
import { jobOf } from './rigs/told.mjs';
import { built, opened } from './rooms.mjs';

/**
 * How wide ranges are, and what each widening is worth: healthy rigs of the other engine (bench/rigs), each work's 90 % range as it is asked and given the
 * rig's other runs; then the same with each widening taken back, which is worth keeping where its kind is held less than 85 % without it.
 * Usage: npm run bench -- widths [SEED] [HEALTHY]
 */
const ROOMS = { diagnosis: 'diagnosis', forecast: 'forecast', job: 'job' };
const dir = isMainThread ? await built(ROOMS) : workerData.dir;
const core = await opened(dir, Object.keys(ROOMS));
const { evidenceOf, logsUnder, score, HEALTHY } = core.diagnosis;

const [WIDEST, HELD] = [1.8, 0.85];
/** What was made wider since rigs of another engine judge, and what it was before. */
const WIDENINGS = {
  'as it is': {},
  'nothing that the models leave out': { 'model.beyond': [0.999, 1, 1.001] },
  'no flash drive beats its sheet': { 'of-stated': [0.86, 0.96, 1] },
  'no disk beats its sheet': { 'of-stated.disk': [0.9, 0.98, 1] },
  'copying costs no byte': { 'per-byte': [0, 1e-14, 2e-14] },
  'the built-in drive is empty': { fill: [0, 0.001, 0.002] },
};
const ranged = (rows) =>
  Object.fromEntries(
    Object.entries(rows).map(([id, [low, expected, high]]) => [id, { low, expected, high }]),
  );

/** The 5 and 95 % points of logarithms by their weights. */
function ends(logs, weights) {
  const order = [...logs.keys()].sort((a, b) => logs[a] - logs[b]);
  const at = (p) => {
    let sum = 0;
    return logs[order.find((i) => (sum += weights[i]) >= p) ?? order.at(-1)];
  };
  return [at(0.05), at(0.95)];
}

/** Each timed thing of a healthy rig: whether its range holds it, and how wide that is, alone and given all the others. */
function rangesOf(seed, shopRanges) {
  const { setup, known, works, runs, looks } = new Round(seed);
  const read = core.job.checkJob(structuredClone(jobOf(setup, known, works, runs, looks)));
  if (!read.ok) throw new Error(`${setup.id}: ${read.problems[0]}`);
  const all = evidenceOf(read.value, shopRanges).filter(
    ({ time, of, isPart }) => time && !of.asksHottest && !isPart,
  );
  return all.flatMap((one) => {
    const logs = logsUnder(null, one.of, { toBar: one.toBar });
    if (!logs) return [];
    const others = all.filter((other) => other !== one);
    const given = others.length > 0 ? score(others, { causes: [] }).find(({ id }) => id === HEALTHY) : null;
    const even = new Float64Array(logs.length).fill(1 / logs.length);
    const { activity } = one.of;
    const kind =
      activity.kind === 'open'
        ? 'loads'
        : `${setup.kind}, ${activity.direction === 'read' ? 'reading' : 'writing'}`;
    const by = (weights) => {
      const [low, high] = ends(logs, weights);
      return { held: one.time.log >= low && one.time.log <= high, width: high - low };
    };
    return [{ kind, alone: by(even), given: given && by(given.weights) }];
  });
}

if (!isMainThread) {
  const { seeds, rows } = workerData;
  parentPort.postMessage(seeds.flatMap((seed) => rangesOf(seed, ranged(rows))));
} else {
  const [seed = 1, healthy = 120] = process.argv.slice(2).map(Number);
  const seeds = [];
  for (let at = seed * 1_000_003; seeds.length < healthy; at += 7919)
    if (new Round(at).cause === null) seeds.push(at);
  const work = (own, rows) =>
    new Promise((resolve, reject) => {
      new Worker(fileURLToPath(import.meta.url), { workerData: { dir, seeds: own, rows } })
        .once('message', resolve)
        .once('error', reject);
    });
  const percent = (list) =>
    `${((100 * list.filter(({ held }) => held).length) / Math.max(1, list.length)).toFixed(0)} % of ${list.length}`;
  const widthOf = (list) =>
    Math.exp([...list.map((one) => one.width)].sort((a, b) => a - b)[list.length >> 1] ?? 0);
  const goal = (isMet, words) => console.log(`${isMet ? 'met' : 'missed'}: ${words}`);
  let before = null;
  for (const [name, rows] of Object.entries(WIDENINGS)) {
    const found = (
      await Promise.all(
        [0, 1].map((at) =>
          work(
            seeds.filter((_, i) => i % 2 === at),
            rows,
          ),
        ),
      )
    ).flat();
    const kinds = [...new Set(found.map(({ kind }) => kind))].sort();
    const heldBy = Object.fromEntries(
      kinds.map((kind) => [kind, found.filter((one) => one.kind === kind).map(({ alone }) => alone)]),
    );
    if (before === null) {
      console.log('healthy rigs (held and median width: as asked; given the other runs):');
      for (const kind of kinds) {
        const own = found.filter((one) => one.kind === kind);
        const [alone, given] = [own.map((one) => one.alone), own.flatMap((one) => one.given ?? [])];
        console.log(
          `  ${kind}: ${percent(alone)}, ×${widthOf(alone).toFixed(2)}; ${percent(given)}, ×${widthOf(given).toFixed(2)}`,
        );
      }
      const moves = found.flatMap(({ kind, given }) => (kind !== 'loads' && given ? given : []));
      goal(
        widthOf(moves) <= WIDEST,
        `moves given the rig's other runs: ×${widthOf(moves).toFixed(2)} in the middle (goal ${WIDEST}), held ${percent(moves)}`,
      );
      before = heldBy;
      continue;
    }
    const falls = kinds.filter((kind) => {
      const share = (list) => list.filter(({ held }) => held).length / list.length;
      return share(heldBy[kind]) < HELD && share(heldBy[kind]) < share(before[kind]);
    });
    const told = falls.map((kind) => `${kind} ${percent(heldBy[kind])} (${percent(before[kind])})`);
    goal(falls.length > 0, `without it below 85 %: ${name}: ${told.join('; ') || 'no kind falls'}`);
  }
  rmSync(dir, { recursive: true, force: true });
}
