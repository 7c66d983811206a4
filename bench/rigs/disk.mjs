import { DISKS, PARITY, PLACES, SWITCHES, ZONES } from './figures.mjs';

/** A disk: zones from the outside in, a seek wherever data does not lie in a row, and of a shingled one a cache in front of slow bands. */
export class Disk {
  constructor({ kind, capacity, fill, shingled = false, pieces = 0, steps = 0, slow = 1, own = 1 }, chance) {
    const like = DISKS[kind];
    this.outer = chance.between(...like.outer) * 1e6 * own;
    this.inner = chance.between(...like.inner);
    this.turn = 60 / like.rpm;
    this.seek = like.seek * chance.factor(0.08);
    this.capacity = capacity;
    this.at = fill * capacity;
    this.cache = shingled ? chance.between(...like.cache) * 1e9 : Infinity;
    this.behind = chance.between(...like.behind) * 1e6;
    this.held = 0;
    /** Pieces a MB that lie elsewhere: old data. */
    this.pieces = pieces;
    this.steps = steps;
    this.slow = slow;
  }

  get rate() {
    const zone = Math.min(ZONES - 1, Math.floor((this.at / this.capacity) * ZONES));
    return this.outer * (1 - (1 - this.inner) * (zone / (ZONES - 1))) * (1 - SWITCHES) * this.slow;
  }

  /** What comes off the platters in dt s where so many pieces a MB lie elsewhere. */
  reached(dt) {
    const piece = this.pieces / 1e6;
    return dt / (1 / this.rate + piece * (this.seek + this.turn / 2));
  }

  write(most, dt) {
    let taken = Math.min(most, this.reached(dt));
    if (this.held >= this.cache) taken = Math.min(taken, this.behind * dt);
    // Write cache off: each request waits for its sector to come round.
    if (this.steps > 0) taken = Math.min(taken, (1048576 / (this.turn + 1048576 / this.rate)) * dt);
    this.held = Math.max(0, this.held + taken - (this.cache < Infinity ? 0.25 * this.behind * dt : 0));
    this.at = Math.min(this.capacity, this.at + taken);
    return taken;
  }

  read(most, dt) {
    const taken = Math.min(most, this.reached(dt));
    this.at = Math.min(this.capacity, this.at + taken);
    return taken;
  }

  rest(dt) {
    this.held = Math.max(0, this.held - this.behind * dt);
  }

  fileCost(direction) {
    return PLACES[direction] * (this.seek + this.turn / 2) + this.steps * this.turn;
  }

  get latency() {
    return this.seek + this.turn / 2;
  }
}

/** Disks of a box with the redundancy of one spread over all: what one takes in or gives, times those that hold data; the box works it out. */
export class Parity extends Disk {
  constructor({ stack = 1, ...drive }, members, chance) {
    super({ ...drive, fill: drive.fill }, chance);
    this.members = members - 1;
    this.keeps = chance.between(...PARITY) * stack;
  }

  write(most, dt) {
    return super.write(most / (this.members * this.keeps), dt) * this.members * this.keeps;
  }

  read(most, dt) {
    return super.read(most / this.members, dt) * this.members;
  }
}
