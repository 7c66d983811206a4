import { FLASH, FULL } from './figures.mjs';
import { Heat } from './heat.mjs';

/**
 * A flash drive as two tanks: one-bit cells that take data in quickly, and its own cells into which they are emptied whenever the cells have time:
 * also while something is written, where the link leaves them some. Figures of one unit are drawn once.
 */
export class Flash {
  constructor({ kind, capacity, fill, heat, own = 1, cacheUsed = 0, old = null, steps = 0 }, chance) {
    const like = FLASH[kind];
    // Small ones have fewer chips to write to at once.
    const chips = Math.min(1, 0.45 + 0.55 * (capacity / 1e12));
    this.readRate = chance.between(...like.read) * 1e6;
    /** Places that were written long ago: which share of all, and what is left of the rate there. */
    this.old = old;
    this.given = 0;
    this.fast = chance.between(...like.fast) * 1e6 * Math.min(1, chips + 0.2);
    this.own = chance.between(...like.own) * 1e6 * chips * own;
    if (fill > FULL.from) this.own *= 1 - (1 - FULL.share) * ((fill - FULL.from) / (1 - FULL.from));
    this.folds = like.folds;
    this.latency = like.latency * chance.factor(0.15);
    this.lends = chance.spread(Math.max(1e-4, like.lends[0]), Math.max(2e-4, like.lends[1]));
    this.fixed = chance.between(...like.fixed) * 1e9 * Math.min(1, capacity / 1e12);
    this.free = capacity * (1 - fill);
    this.held = cacheUsed * this.cache;
    this.heat = new Heat(heat);
    /** s that each program of a request waits more: write cache off. */
    this.steps = steps;
  }

  get cache() {
    return Math.min(this.free / 3, this.fixed + this.lends * this.free);
  }

  /** What it takes in in dt s, at most so much. */
  write(most, dt) {
    const room = this.cache - this.held;
    const share = this.heat.share;
    const rate = room > 0 ? this.fast : Math.min(this.fast, this.own * (1 - 0.12 * this.folds));
    let taken = Math.min(most, rate * share * dt);
    if (this.steps > 0) taken = Math.min(taken, (131072 / (this.steps + 131072 / (rate * share))) * dt);
    this.free = Math.max(0, this.free - taken);
    if (room > 0) this.held = Math.min(this.cache, this.held + taken);
    // Cells that are not written to are emptied meanwhile.
    const busy = taken / (rate * dt);
    this.empty(Math.max(0, 1 - busy), dt);
    this.heat.step(taken, dt);
    return taken;
  }

  read(most, dt) {
    // Old data lies in stretches of a gigabyte.
    const isOld = this.old !== null && ((this.given / 1e9) * 0.618) % 1 < this.old.part;
    const taken = Math.min(most, this.readRate * (isOld ? this.old.left : 1) * this.heat.share * dt);
    this.given += taken;
    this.heat.step(taken * 0.75, dt);
    this.empty(0.2, dt);
    return taken;
  }

  empty(spare, dt) {
    this.held = Math.max(0, this.held - spare * this.folds * this.own * dt);
  }

  rest(dt) {
    this.empty(1, dt);
    this.heat.step(0, dt);
  }

  /** s that a file costs the drive itself beside its bytes. */
  fileCost(direction) {
    return direction === 'read' ? 2 * this.latency : this.latency + this.steps * 2;
  }
}
