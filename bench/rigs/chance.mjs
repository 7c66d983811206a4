/** Chance by a seed: the same seed draws the same (small fast counting generator, four words of state; from memory). */
export class Chance {
  #s;
  #spare = null;

  constructor(seed) {
    this.#s = Uint32Array.from([seed, seed ^ 0x9e3779b9, Math.imul(seed, 0x85ebca6b), 1]);
    for (let i = 0; i < 20; i++) this.next();
  }

  /** 0 up to 1. */
  next() {
    const s = this.#s;
    const t = (s[0] + s[1] + s[3]) >>> 0;
    s[3]++;
    s[0] = s[1] ^ (s[1] >>> 9);
    s[1] = s[2] + (s[2] << 3);
    s[2] = ((s[2] << 21) | (s[2] >>> 11)) + t;
    return t / 2 ** 32;
  }

  between(low, high) {
    return low + (high - low) * this.next();
  }

  /** As likely in each decade. */
  spread(low, high) {
    return Math.exp(this.between(Math.log(low), Math.log(high)));
  }

  /** Middle 0, one sigma 1 (by the polar method). */
  normal() {
    if (this.#spare !== null) {
      const spare = this.#spare;
      this.#spare = null;
      return spare;
    }
    for (;;) {
      const [u, v] = [2 * this.next() - 1, 2 * this.next() - 1];
      const q = u * u + v * v;
      if (q === 0 || q >= 1) continue;
      const f = Math.sqrt((-2 * Math.log(q)) / q);
      this.#spare = v * f;
      return u * f;
    }
  }

  /** A factor around 1. @param sigma of its logarithm */
  factor(sigma) {
    return Math.exp(sigma * this.normal());
  }

  is(probability) {
    return this.next() < probability;
  }

  pick(list) {
    return list[Math.floor(this.next() * list.length)];
  }

  /** Another source of chance, which does not go on where this one does. */
  apart() {
    return new Chance(Math.floor(this.next() * 2 ** 32));
  }
}
