import { CAUSES, OUTSIDE } from './causes.mjs';
import { Chance } from './chance.mjs';
import { SCATTER } from './figures.mjs';
import { linkRate } from './link.mjs';
import { seenAt, timed, under } from './person.mjs';
import { rigOf } from './rig.mjs';
import { SETUPS } from './setups.mjs';

/* A rig with what it hides, its work, and what is measured on it. Everything comes of one seed. */

/** Of a hundred rigs so many are healthy and so many hide what Kymar cannot name; the others hide one cause of its list. */
export const MIX = { healthy: 40, outside: 10 };
/** A cause that moves no time by more than this shows nowhere. */
const SHOWS = Math.log(1.12);
const LOADS = 1 / 3;

export const applies = (cause, setup, works) =>
  cause.applies(setup) && (!cause.loads || works.some(({ kind }) => kind === 'open'));

function worksOf(setup, chance) {
  const way = Math.min(linkRate(setup.outer), setup.medium === 'disk' ? 150e6 : 2e9);
  const move = (id, direction) => {
    const bytes = Math.round(Math.min(way * chance.spread(15, 240), setup.capacity * 0.2, 600e9));
    const files = Math.min(Math.ceil(bytes / 4e5), chance.pick([1, 40, 900, 6000, 20_000]));
    return {
      kind: 'move',
      id,
      direction,
      bytes,
      files,
      knowsFiles: chance.is(0.85),
      until: chance.is(0.6) ? 'bar' : 'written',
      asRate: chance.is(0.12),
    };
  };
  const first = move('first', chance.is(0.6) ? 'write' : 'read');
  if (!chance.is(LOADS)) return [first, move('second', first.direction === 'write' ? 'read' : 'write')];
  return [
    first,
    {
      kind: 'open',
      id: 'load',
      processing: chance.spread(3, 40),
      bytes: chance.spread(0.8e9, 12e9),
      requests: chance.spread(800, 12_000),
      knowsBytes: chance.is(0.6),
    },
  ];
}

/** What hides where nothing of it shows is drawn again so often: a judge of causes learns little from it. */
const REDRAWN = 3;

/** A round of a seed. */
export class Round {
  constructor(seed) {
    this.chance = new Chance(seed);
    const { chance } = this;
    this.setup = chance.pick(SETUPS);
    this.works = worksOf(this.setup, chance);
    this.readsOff = this.works[0].asRate;
    this.counts = this.works.map(() => 1 + Math.floor(chance.next() * 3));
    this.plain = rigOf(this.setup, chance.apart());
    const { builtIn, host, drive } = this.plain;
    this.known = {
      memory: host.memory,
      read: chance.is(0.8) ? Math.round((builtIn.read * chance.between(0.98, 1.1)) / 1e7) * 1e7 : null,
      write: chance.is(0.8) ? Math.round((builtIn.fast * chance.between(0.98, 1.1)) / 1e7) * 1e7 : null,
      // How full it is is told of the device as it was; a cause may have changed it since.
      fill: chance.is(0.6) ? Math.round(drive.fill * 20) / 20 : null,
    };
    const lot = chance.next() * 100;
    const list = lot < MIX.healthy ? [] : lot < 100 - MIX.outside ? CAUSES : OUTSIDE;
    const can = list.filter((cause) => applies(cause, this.setup, this.works));
    for (let n = 0; n <= REDRAWN; n++) {
      this.hide(can.length > 0 ? chance.pick(can) : null);
      if (!this.cause || this.shows) break;
    }
  }

  /** Puts a cause there, or none, and measures all once as it is built. */
  hide(cause) {
    const { chance, counts, works } = this;
    this.cause = cause;
    // A unit is mixed up where a figure is read off.
    works[0].asRate = this.readsOff || cause?.id === 'units mixed up';
    this.rig = cause ? cause.put(this.plain, chance.apart()) : this.plain;
    this.rig.slips.at = Math.floor(chance.next() * (counts[0] + counts[1]));
    this.lean = 0;
    this.runs = [];
    this.looks = [];
    works.forEach((work, i) => {
      for (let n = 0; n < counts[i]; n++) this.time(work, null, { rig: this.rig, what: work });
    });
  }

  /** Times something once and keeps it. @returns whether it came to an end */
  time(work, look, setUp) {
    const { sigma, stays } = { sigma: this.plain.scatter, stays: SCATTER.stays };
    this.lean = stays * this.lean + Math.sqrt(1 - stays ** 2) * sigma * this.chance.normal();
    const took = timed(setUp, this.runs.length, this.lean, this.chance.apart());
    if (took) this.runs.push({ work, look, took });
    return took !== null;
  }

  /** Does what was suggested. @returns whether that could be done */
  test(look, worst) {
    const work = this.works.find(({ id }) => id === worst) ?? this.works[0];
    const seen = seenAt(look, this.rig, work, this.chance);
    if (seen !== null) return this.looks.push({ look, seen }) > 0;
    const setUp = under(look, this.rig, this.plain, this.cause, work, this.chance.apart());
    return setUp !== null && this.time(work, look, setUp);
  }

  /** Whether what is hidden moves a time of what was measured by enough to be seen; a test of it may. */
  get shows() {
    if (!this.cause) return false;
    return this.runs.some(({ work, look }, index) => {
      const seed = 99 + index;
      const by = (rig, cause) => {
        const setUp = under(look, rig, this.plain, cause, work, new Chance(seed));
        const took = setUp && timed(setUp, index, 0, new Chance(seed));
        return took ? pace(work, took) : Infinity;
      };
      const off = Math.abs(by(this.rig, this.cause) - by(this.plain, null));
      return !(off <= SHOWS);
    });
  }
}

/** Logarithm of the s for as much as the work's own size, by what was entered. */
export function pace(work, { seconds, bytes, rate }) {
  if (work.kind === 'open') return Math.log(seconds);
  return rate !== null ? Math.log(work.bytes / rate) : Math.log((seconds * work.bytes) / bytes);
}
