import { rooms } from './rooms.mjs';

/**
 * Causes found on played rigs: a hidden cause or none, a unit of its own, times off by what no model knows; then *next test* followed to its end.
 * Usage: npm run bench -- diagnosis [RIGS] [SEED]
 */
const [rigs = 200, seed = 20] = process.argv.slice(2, 4).map(Number);
const core = await rooms({
  diagnosis: 'diagnosis',
  demo: 'demo',
  job: 'job',
  forecast: 'forecast',
  stats: 'stats',
});
const { CAUSES, LOOKS, groupsOf, HEALTHY, NONE, lookedAt, logsOf, nextTests, score } = core.diagnosis;
const goal = (met, words) => console.log(`${met ? 'met' : 'missed'}: ${words}`);
const random = core.stats.noise(seed);
const normal = core.stats.gaussian(random);

const situations = core.demo.demoJobs().flatMap((job) =>
  core.job.placesOf(job).flatMap((place) => {
    const situation = core.forecast.situationOf(core.job.briefAt(job, place));
    return situation && core.forecast.pathOf(situation).blocked.length === 0 ? [situation] : [];
  }),
);
const cases = situations
  .map((s) => s.work.filter((a) => a.kind === 'move').map((a) => core.forecast.caseOf(s, a.id)))
  .filter((list) => list.length > 0);

/** s of a case in the rig's own unit, off by what no model knows. */
const PERTURBED = 0.05;
const times = (of, unit, off) => {
  const logs = logsOf(of, false);
  return logs && logs[unit % logs.length] + off + 0.015 * normal();
};
const timed = (of, log, off, look) => ({
  title: '',
  of,
  toBar: false,
  look,
  time: { log, sigma: 0.045 },
  seen: null,
  off,
});

let [first, three, healthy, sound, shown, all] = [0, 0, 0, 0, 0, 0];
let [minutes, fixed] = [0, 0];
const calibrated = [];
const spent = { diagnosis: [], next: [] };
for (let r = 0; r < rigs; r++) {
  const list = cases[Math.floor(random() * cases.length)];
  const applying = CAUSES.filter((c) => list.some((of) => c.applies(of)));
  const cause = random() < 0.2 ? null : applying[Math.floor(random() * applying.length)];
  const unit = Math.floor(random() * 200);
  const off = PERTURBED * normal();
  const evidence = list.flatMap((of) => {
    const log = times(lookedAt(undefined, cause, of), unit, off);
    const plain = logsOf(of, false);
    if (log === null || !plain) return [];
    return [timed(of, log, Math.abs(log - plain[100]), undefined)];
  });
  if (evidence.length < list.length) continue;
  // A cause that shows in nothing that is measured counts as healthy.
  const shows = list.some((of) => {
    const [a, b] = [logsOf(of, false), logsOf(lookedAt(undefined, cause, of), false)];
    return Math.abs(a[unit] - b[unit]) > 0.12;
  });
  const truth = cause && shows ? cause.id : HEALTHY;
  let start = performance.now();
  let scored = score(evidence);
  spent.diagnosis.push(performance.now() - start);
  for (let step = 0; step < 6; step++) {
    start = performance.now();
    const [next] = nextTests(evidence, scored);
    spent.next.push(performance.now() - start);
    if (!next || groupsOf(scored)[0].probability > 0.95) break;
    const look = LOOKS.find(({ id }) => id === next.id);
    const [worst] = [...evidence].filter((e) => !e.look).sort((a, b) => b.off - a.off);
    const here = lookedAt(look, cause, worst.of);
    if (look.sees) evidence.push({ ...worst, look, time: null, seen: look.sees(here), off: 0 });
    else {
      const log = times(here, unit, off);
      if (log === null) break;
      evidence.push(timed(worst.of, log, 0, look));
    }
    minutes += next.minutes;
    scored = score(evidence);
  }
  // The fixed protocol: every test there is, once.
  fixed += nextTests(
    evidence.filter((e) => !e.look),
    score(evidence.filter((e) => !e.look)),
  ).reduce((sum, n) => sum + n.minutes, 0);
  const groups = groupsOf(scored);
  const rank = groups.findIndex(({ ids }) => ids.includes(truth));
  all++;
  if (truth === HEALTHY) {
    healthy++;
    if (rank === 0) sound++;
  } else {
    shown++;
    if (rank === 0) first++;
    if (rank >= 0 && rank < 3) three++;
  }
  calibrated.push([groups[0].probability, rank === 0]);
}
const percent = (n, of) => `${((100 * n) / Math.max(1, of)).toFixed(1)} %`;
const median = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? 0;
console.log(
  `bench: diagnosis, ${all} rigs over ${cases.length} hosts and ${CAUSES.length} causes, times off by ${100 * PERTURBED} % beside their noise`,
);
goal(first / shown >= 0.9, `true group first in ${percent(first, shown)} of ${shown} (goal 90 %)`);
goal(three / shown >= 0.98, `among the first three in ${percent(three, shown)} (goal 98 %)`);
goal(sound / healthy >= 0.95, `healthy held in ${percent(sound, healthy)} of ${healthy} (goal 95 %)`);
const some = calibrated.filter(([p]) => p >= 0.7 && p < 0.8);
const right = some.filter(([, is]) => is).length;
goal(
  some.length > 0 && right / some.length >= 0.65 && right / some.length <= 0.85,
  `of ${some.length} given 70 to 80 %, ${percent(right, some.length)} were right (goal 65 to 85 %)`,
);
goal(
  minutes <= 0.6 * fixed,
  `${(minutes / all).toFixed(1)} min a rig, every test once ${(fixed / all).toFixed(1)} min (goal 40 % fewer)`,
);
goal(
  median(spent.diagnosis) < 300,
  `one diagnosis ${median(spent.diagnosis).toFixed(0)} ms in the middle, ${Math.max(...spent.diagnosis).toFixed(0)} ms at most (goal 300)`,
);
goal(
  Math.max(...spent.next) < 1000,
  `next test ${median(spent.next).toFixed(0)} ms in the middle, ${Math.max(...spent.next).toFixed(0)} ms at most (goal 1,000)`,
);
console.log(`of ${NONE}: not played`);
process.exit(0);
