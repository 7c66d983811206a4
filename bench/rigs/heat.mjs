/** The warmth of a drive: one mass that takes power in and gives it to the air; too hot it slows down, and goes on once it is some degrees cooler. */
export class Heat {
  constructor({ idle, perGB, toAir, tau, on, off, left, air, start = air + idle * toAir }) {
    Object.assign(this, { idle, perGB, toAir, tau, on, off, left, air });
    this.now = start;
    this.slowed = false;
  }

  /** Share of its speed that is left. */
  get share() {
    return this.slowed ? this.left : 1;
  }

  /** @param moved B in dt s */
  step(moved, dt) {
    const watts = this.idle + (this.perGB * moved) / dt / 1e9;
    this.now += (dt / this.tau) * (watts * this.toAir - (this.now - this.air));
    if (this.now > this.on) this.slowed = true;
    else if (this.now < this.on - this.off) this.slowed = false;
  }
}
