import { CAUSES, OUTSIDE } from './causes.mjs';
import { Chance } from './chance.mjs';
import { MISREAD } from './figures.mjs';
import { seenAt, timed, under } from './person.mjs';
import { rigOf } from './rig.mjs';
import { applies, MIX, pace } from './round.mjs';

/*
 * How well anybody could do who knows this engine: the same evidence, each cause replayed on other units of the same set-up. What is told of a rig
 * is told to it too; what that rig truly is, and what was drawn of its fault, is not.
 */

/** Units that each cause is replayed on. */
const UNITS = 96;
/** One sigma within which a replay is taken for what was measured, and how often something nobody plays makes it another. */
const [NEAR, ODD, FAR] = [0.07, 0.03, 0.7];
const bell = (d, sigma) => Math.exp(-0.5 * (d / sigma) ** 2) / sigma;

/** A unit that agrees with what is told. */
function unitOf({ setup, known }, chance) {
  const rig = rigOf(setup, chance);
  const { memory, read, write, fill } = known;
  return {
    ...rig,
    host: { ...rig.host, memory },
    builtIn: {
      ...rig.builtIn,
      ...(read ? { read: read / 1.04 } : {}),
      ...(write ? { fast: write / 1.04 } : {}),
    },
    drive: { ...rig.drive, ...(fill !== null ? { fill } : {}) },
  };
}

/** How well a replay of a cause on one unit agrees with all that was measured and seen; logarithm. */
function agrees(round, cause, seed) {
  const chance = new Chance(seed);
  const plain = unitOf(round, chance.apart());
  const rig = cause ? cause.put(plain, chance.apart()) : plain;
  rig.slips.at = Math.floor(chance.next() * round.runs.length);
  let sum = 0;
  const had = new Map();
  for (const [index, { work, look, took }] of round.runs.entries()) {
    const isOwn = rig.stops !== null || index === rig.slips.at;
    const key = `${work.id} ${look} ${isOwn ? index : ''}`;
    if (!had.has(key)) {
      const setUp = under(look, rig, plain, cause, work, chance.apart());
      const again = setUp && timed(setUp, index, 0, chance.apart());
      had.set(key, again && pace(work, again));
    }
    const played = had.get(key);
    const off = played === null ? FAR * 4 : pace(work, took) - played;
    sum += Math.log((1 - ODD) * bell(off, NEAR) + ODD * bell(off, FAR));
  }
  for (const { look, seen } of round.looks) {
    const would = seenAt(look, rig, round.works[0], new Chance(1));
    sum += Math.log(would === seen ? 1 - MISREAD : MISREAD);
  }
  return sum;
}

/** Causes by how probable each is, the most probable first; `none` stands for all that are on no list, `healthy` for a rig without any. */
export function oracle(round, seed) {
  const listed = CAUSES.filter((cause) => applies(cause, round.setup, round.works));
  const odd = OUTSIDE.filter((cause) => applies(cause, round.setup, round.works));
  const all = [
    { id: 'healthy', cause: null, prior: MIX.healthy },
    ...listed.map((cause) => ({
      id: cause.id,
      cause,
      prior: (100 - MIX.healthy - MIX.outside) / listed.length,
    })),
    ...odd.map((cause) => ({ id: 'none', cause, prior: MIX.outside / odd.length })),
  ];
  const logs = all.map(({ cause }) =>
    Array.from({ length: UNITS }, (_, unit) => agrees(round, cause, seed * 1009 + unit)),
  );
  const most = Math.max(...logs.flat());
  const by = new Map();
  all.forEach(({ id, prior }, i) => {
    const weight = (prior * logs[i].reduce((sum, log) => sum + Math.exp(log - most), 0)) / UNITS;
    by.set(id, (by.get(id) ?? 0) + weight);
  });
  const whole = [...by.values()].reduce((a, b) => a + b, 0);
  return [...by]
    .map(([id, weight]) => ({ id, probability: weight / whole }))
    .sort((a, b) => b.probability - a.probability);
}
