import fc from 'fast-check';
import { gaussian, noise } from '../../stats';
import { tracePhasesOf, type Phases } from './phases';
import type { Trace } from './bins';
import { noiseOf, pricesOf, segment, totalCost } from './segment';
import { draws, runs } from '../../fixtures/draws';

/** A planted copy: levels with the bytes they go on for. */
interface Planted {
  levels: { bytes: number; rate: number; to?: number }[];
  /** Scatter of the rate as a share, how much of it stays from reading to reading, and how often a reading is a spike. */
  sigma: number;
  stays: number;
  spikes: number;
}

/** Readings every tenth of a second, at most so many. */
function planted({ levels, sigma, stays, spikes }: Planted, seed: number, most = 1600): Trace {
  const random = noise(seed);
  const normal = gaussian(random);
  const total = levels.reduce((sum, l) => sum + l.bytes, 0);
  const time = levels.reduce((sum, l) => sum + l.bytes / l.rate, 0);
  const dt = Math.max(0.1, time / most);
  const [t, bytes] = [[0], [0]];
  let [moved, now, off] = [0, 0, 0];
  while (moved < total) {
    let passed = 0;
    const at = levels.find((l) => (passed += l.bytes) > moved)!;
    const share = 1 - (passed - moved) / at.bytes;
    const rate = at.rate * ((at.to ?? at.rate) / at.rate) ** share;
    off = stays * off + Math.sqrt(1 - stays * stays) * sigma * normal();
    const spike = random() < spikes ? 0.2 + random() : 1;
    moved = Math.min(total, moved + rate * dt * Math.exp(off) * spike);
    t.push((now += dt));
    bytes.push(moved);
  }
  return { t: Float64Array.from(t), bytes: Float64Array.from(bytes) };
}

describe('cutting into pieces', () => {
  const values = fc
    .array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: 8, maxLength: 13 })
    .map((list) => Float64Array.from(list));

  test('is the cheapest of all ways to cut, tried one by one', () => {
    fc.assert(
      fc.property(values, fc.double({ min: 0.05, max: 4, noNaN: true }), (list, change) => {
        const prices = { change, slope: change / 2 };
        const n = list.length;
        let least = Infinity;
        for (let mask = 0; mask < 2 ** (n - 1); mask++) {
          const cuts = Array.from({ length: n - 1 }, (_, i) => i + 1).filter((at) => mask & (1 << (at - 1)));
          const edges = [0, ...cuts, n];
          if (edges.slice(1).some((to, i) => to - edges[i]! < 4)) continue;
          least = Math.min(least, totalCost(list, cuts, prices));
        }
        const found = segment(list, prices)
          .slice(1)
          .map(({ from }) => from);
        expect(totalCost(list, found, prices)).toBeCloseTo(least, 8);
      }),
      // A beginning dropped where no piece has room behind it yet was once the best one.
      runs(60, { examples: [[Float64Array.from([0, 0, 0, 0, 0, -1, 0, 0, 0, 0, 0]), 0.05]] }),
    );
  });

  test('noise is told from steps, and what stays of it is found', () => {
    for (const stays of [0, 0.5, 0.8]) {
      const normal = gaussian(noise(11));
      let off = 0;
      const list = Float64Array.from({ length: 3000 }, (_, i) => {
        off = stays * off + Math.sqrt(1 - stays * stays) * normal();
        return 0.1 * off + (i > 1200 ? 4 : 0);
      });
      const found = noiseOf(list);
      expect(Math.abs(found.stays - stays)).toBeLessThan(0.08);
      expect(Math.sqrt(found.variance)).toBeGreaterThan(0.08);
      expect(Math.sqrt(found.variance)).toBeLessThan(0.125);
    }
  });

  test('scatter alone is one piece, however much of it stays', () => {
    let extra = 0;
    for (let seed = 0; seed < draws(24, 6); seed++) {
      const normal = gaussian(noise(seed));
      let off = 0;
      const stays = [0, 0.6, 0.9][seed % 3]!;
      const list = Float64Array.from(
        { length: 800 },
        () => (off = stays * off + Math.sqrt(1 - stays ** 2) * 0.1 * normal()),
      );
      extra += segment(list, pricesOf(list, noiseOf(list))).length - 1;
    }
    expect(extra).toBeLessThanOrEqual(2);
  });
});

describe('phases of a trace', () => {
  const shape = fc.record({
    cache: fc.double({ min: 2e9, max: 4e11, noNaN: true }),
    behind: fc.double({ min: 0.6, max: 4, noNaN: true }),
    fast: fc.double({ min: 4e8, max: 6e9, noNaN: true }),
    keeps: fc.double({ min: 0.08, max: 0.7, noNaN: true }),
    sigma: fc.double({ min: 0.005, max: 0.08, noNaN: true }),
    stays: fc.constantFrom(0, 0.5, 0.9),
    spikes: fc.constantFrom(0, 0.01, 0.03),
  });

  test('the end of a cache is found within 1 % of the size, the rate behind it within 3 %', () => {
    let [all, held] = [0, 0];
    fc.assert(
      fc.property(shape, fc.nat(1e6), ({ cache, behind, fast, keeps, sigma, stays, spikes }, seed) => {
        const rest = cache * behind;
        // Fewer readings than this tell no edge to a percent.
        fc.pre(cache / fast > 8 && rest / (fast * keeps) > 8);
        const trace = planted(
          {
            levels: [
              { bytes: cache, rate: fast },
              { bytes: rest, rate: fast * keeps },
            ],
            sigma,
            stays,
            spikes,
          },
          seed,
        );
        const found = tracePhasesOf(trace, { media: 'flash', ceiling: null });
        all++;
        const isEdge = Math.abs((found.cache?.bytes ?? 0) - cache) < 0.01 * (cache + rest);
        const isRate =
          found.slow !== null &&
          Math.abs(found.slow / (fast * keeps) - 1) < 0.03 + spikes + 2 * sigma * stays;
        if (isEdge && isRate) held++;
      }),
      runs(60),
    );
    expect(held / all).toBeGreaterThan(0.95);
  });

  const kinds = ({ phases }: Phases) => phases.map((p) => p.kind);

  test('one rate is one phase, and the cache is at least what was moved', () => {
    for (let seed = 0; seed < 20; seed++) {
      const found = tracePhasesOf(
        planted({ levels: [{ bytes: 6e10, rate: 8e8 }], sigma: 0.06, stays: 0.8, spikes: 0.02 }, seed),
      );
      expect(kinds(found)).toEqual(['steady']);
      expect(found.cache).toEqual({ bytes: expect.closeTo(6e10, -3) as number, atLeast: true });
    }
  });

  test('a disk that slows down steadily: how much slower inside than outside', () => {
    const levels = [{ bytes: 4e12, rate: 2.6e8, to: 1.3e8 }];
    const found = tracePhasesOf(planted({ levels, sigma: 0.02, stays: 0.5, spikes: 0.01 }, 5), {
      media: 'disk',
      ceiling: null,
    });
    expect(kinds(found)).toContain('inner tracks');
    expect(found.zoneRatio!).toBeGreaterThan(0.46);
    expect(found.zoneRatio!).toBeLessThan(0.54);
    expect(found.cache).toBeNull();
  });

  test('memory first, then a cache, then what is sustained; a standstill is told apart', () => {
    const levels = [
      { bytes: 8e9, rate: 4e9 },
      { bytes: 6e10, rate: 9e8 },
      { bytes: 9e10, rate: 2e8 },
    ];
    const trace = planted({ levels, sigma: 0.03, stays: 0.3, spikes: 0 }, 9);
    const i = trace.bytes.findIndex((b) => b > 1e11);
    const stood = { ...trace, t: trace.t.map((t, k) => (k >= i ? t + 7 : t)) };
    const found = tracePhasesOf(stood, { media: 'flash', ceiling: 1e9 });
    expect(kinds(found)).toEqual(['memory', 'cache', 'sustained']);
    expect(found.stalls).toHaveLength(1);
    expect(found.stalls[0]!.seconds).toBeCloseTo(7, 0);
    expect(found.slow! / 2e8).toBeCloseTo(1, 1);
  });

  test('heat: a drop while it is as hot as it gets is throttling', () => {
    const trace = planted(
      {
        levels: [
          { bytes: 2e11, rate: 2.5e9 },
          { bytes: 2e11, rate: 9e8 },
        ],
        sigma: 0.03,
        stays: 0.4,
        spikes: 0,
      },
      3,
    );
    const warmth = trace.bytes.map((b) => Math.min(82, 38 + (44 * b) / 2e11));
    expect(kinds(tracePhasesOf({ ...trace, warmth }, { media: 'flash', ceiling: null }))).toContain(
      'throttled',
    );
    expect(kinds(tracePhasesOf(trace, { media: 'flash', ceiling: null }))).toEqual(['cache', 'sustained']);
  });

  test('too little to cut is said', () => {
    const t = Float64Array.from([0, 1, 2]);
    expect(() => tracePhasesOf({ t, bytes: t })).toThrow(RangeError);
    const still = new Float64Array(40);
    expect(() => tracePhasesOf({ t: still.map((_, i) => i), bytes: still })).toThrow(RangeError);
  });
});
