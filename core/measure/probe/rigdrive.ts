import { gaussian, noise } from '../../stats';
import type { Stretch } from '../../models';

/** Something that can be written to and let rest: a real drive, or one played by the engine. */
export interface Written {
  /** Writes so many B. @returns s that took */
  write(bytes: number): number;
  rest(seconds: number): void;
}

/** How unsteady a rig runs. */
export interface RigNoise {
  /** Scatter of the rate from bin to bin, one sigma as a share, and how much of it stays. */
  sigma: number;
  stays: number;
  /** B of cache that a second of rest brings back. */
  recovers: number;
}

/** What a played drive really is: read off the engine's own course. */
export interface RigTruth {
  cache: number | null;
  fast: number;
  slow: number | null;
}

/** A step down by this share is the end of a cache. */
const STEP = 0.12;

/**
 * Where in the engine's course the cache ends, and the rates on both sides; null where it never does. A dip that is over before a tenth as much again is
 * written is none.
 */
export function truthOf(stretches: readonly Stretch[]): RigTruth {
  const written = stretches.filter((s) => s.rate > 0);
  const fast = written[0]!.rate;
  const end = written.findIndex((s, i) => {
    const past = written.slice(i).filter((next) => next.taken <= s.taken * 1.1);
    const [bytes, seconds] = [
      past.reduce((sum, p) => sum + p.rate * p.seconds, 0),
      past.reduce((sum, p) => sum + p.seconds, 0),
    ];
    return i > 0 && s.rate < fast * (1 - STEP) && bytes / seconds < fast * (1 - STEP);
  });
  if (end < 0) return { cache: null, fast, slow: null };
  return { cache: written[end]!.taken, fast, slow: written[end]!.rate };
}

/** A drive played by the engine's course with noise of its own; the same seed is the same drive. */
export class RigDrive implements Written {
  private readonly normal: () => number;
  private readonly truth: RigTruth;
  private off = 0;
  private at = 0;
  /** B of cache that rests brought back. */
  private regained = 0;

  constructor(
    private readonly stretches: readonly Stretch[],
    private readonly wobble: RigNoise,
    seed: number,
  ) {
    this.normal = gaussian(noise(seed));
    this.truth = truthOf(stretches);
  }

  write(bytes: number): number {
    let left = bytes;
    let seconds = 0;
    while (left > 1e-6) {
      const { rate, room } = this.now();
      const part = Math.min(left, room);
      seconds += part / rate;
      this.at += part;
      if (this.isPast()) this.regained = Math.max(0, this.regained - part);
      left -= part;
    }
    const { sigma, stays } = this.wobble;
    this.off = stays * this.off + Math.sqrt(1 - stays * stays) * sigma * this.normal();
    return seconds * Math.exp(this.off);
  }

  private isPast(): boolean {
    return this.truth.cache !== null && this.at >= this.truth.cache;
  }

  /** Rate at which the next bytes go, and how many go at it. */
  private now(): { rate: number; room: number } {
    if (this.isPast() && this.regained > 0) return { rate: this.truth.fast, room: this.regained };
    const written = this.stretches.filter((s) => s.rate > 0);
    const i = Math.max(
      0,
      written.findLastIndex((s) => s.taken <= this.at + 1e-6),
    );
    const next = written[i + 1];
    return { rate: written[i]!.rate, room: next ? Math.max(1, next.taken - this.at) : Infinity };
  }

  rest(seconds: number): void {
    if (this.isPast())
      this.regained = Math.min(this.truth.cache!, this.regained + seconds * this.wobble.recovers);
  }
}
