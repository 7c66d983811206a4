import fc from 'fast-check';
import { gaussian, noise, type Spread } from '../../stats';
import { timeShare } from '../disks/zone';
import { fitCache } from './cache';
import { fitPerFile } from './perfile';
import { fitZones } from './zones';
import { runs } from '../../fixtures/draws';

const holds = ({ low, high }: Spread, truth: number): boolean => low <= truth && truth <= high;
/** Share of planted cases of which a fit's range holds the truth. */
const share = (count: number, held: (seed: number) => boolean): number =>
  Array.from({ length: count }, (_, seed) => held(seed + 1)).filter(Boolean).length / count;

describe('per-file overhead from two timings', () => {
  const copies = [
    { bytes: 24e9, files: 1 },
    { bytes: 9e9, files: 30_000 },
  ];
  const timed = (rate: number, perFile: number, error: (s: number) => number, normal = () => 0) =>
    copies.map((c) => {
      const seconds = c.bytes / rate + c.files * perFile;
      return { ...c, seconds: seconds + error(seconds) * normal(), error: error(seconds) };
    });

  test('without error it is found to the digit', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 60e6, max: 5e9, noNaN: true }),
        fc.double({ min: 1e-5, max: 2e-2, noNaN: true }),
        (rate, perFile) => {
          const found = fitPerFile(timed(rate, perFile, () => 1e-3));
          expect(found.perFile.expected / perFile).toBeCloseTo(1, 4);
          expect(found.rate.expected / rate).toBeCloseTo(1, 4);
        },
      ),
      runs(100),
    );
  });
  test('its 90 % range holds what was planted, 85 to 95 % of the time', () => {
    const error = (s: number) => Math.hypot(0.14, 0.03 * s);
    const held = share(400, (seed) =>
      holds(fitPerFile(timed(450e6, 1.8e-3, error, gaussian(noise(seed)))).perFile, 1.8e-3),
    );
    expect(held).toBeGreaterThan(0.85);
    expect(held).toBeLessThan(0.95);
  });
  test('a host’s cost is the same over a fast and a slow drive', () => {
    const [fast, slow] = [900e6, 150e6].map((rate) => fitPerFile(timed(rate, 2.4e-3, () => 0.05)));
    expect(fast!.perFile.expected).toBeCloseTo(slow!.perFile.expected, 6);
  });
  test('too few, or too much alike, is said', () => {
    const [one] = timed(1e9, 1e-3, () => 0.1);
    expect(() => fitPerFile([one!])).toThrow(/Two timings/);
    expect(() => fitPerFile([one!, { ...one!, bytes: one!.bytes * 2, files: 2 }])).toThrow(/too much alike/);
  });
});

describe('cache and sustained rate from several moments of one copy', () => {
  const moments = [20e9, 45e9, 70e9, 95e9, 120e9, 160e9, 200e9];
  const timed = (cache: number, fast: number, slow: number, error: (s: number) => number, normal = () => 0) =>
    moments.map((bytes) => {
      const seconds = Math.min(bytes, cache) / fast + Math.max(0, bytes - cache) / slow;
      return { bytes, seconds: seconds + error(seconds) * normal(), error: error(seconds) };
    });

  test('without error both rates and the cache are found', () => {
    const found = fitCache(timed(62e9, 940e6, 310e6, () => 0.05));
    expect(found.knee).toBe(true);
    expect(found.cache.expected / 62e9).toBeCloseTo(1, 1);
    expect(found.fast.expected / 940e6).toBeCloseTo(1, 1);
    expect(found.slow.expected / 310e6).toBeCloseTo(1, 1);
  });
  test('the 90 % ranges hold what was planted', () => {
    const error = (s: number) => Math.hypot(0.3, 0.01 * s);
    const found = (seed: number) => fitCache(timed(62e9, 940e6, 310e6, error, gaussian(noise(seed))));
    const cache = share(150, (seed) => holds(found(seed).cache, 62e9));
    const slow = share(150, (seed) => holds(found(seed).slow, 310e6));
    for (const held of [cache, slow]) {
      expect(held).toBeGreaterThan(0.83);
      expect(held).toBeLessThan(0.97);
    }
  });
  test('where it never ends there is a least, and no knee is made of scatter', () => {
    const error = (s: number) => Math.hypot(0.3, 0.01 * s);
    const knees = share(60, (seed) => fitCache(timed(1e12, 500e6, 100e6, error, gaussian(noise(seed)))).knee);
    expect(knees).toBeLessThan(0.15);
    expect(fitCache(timed(1e12, 500e6, 100e6, () => 0.1))).toMatchObject({
      knee: false,
      cache: { low: 200e9, high: Infinity },
    });
  });
  test('two moments are too few', () =>
    expect(() => fitCache(timed(62e9, 940e6, 310e6, () => 0.1).slice(0, 2))).toThrow(/Three moments/));
});

test('outer rate and zone ratio from a pass over the whole disk', () => {
  const [capacity, outer, k] = [12e12, 240e6, 0.48];
  const total = (capacity / outer) * timeShare('linear', k, 1);
  const at = (share: number) => ({
    share,
    elapsed: (total * timeShare('linear', k, share)) / timeShare('linear', k, 1),
  });
  const found = fitZones([at(0.3), at(0.6), at(0.9)], capacity);
  expect(found.outer.expected / outer).toBeCloseTo(1, 1);
  expect(holds(found.outer, outer)).toBe(true);
  expect(holds(found.inner, k)).toBe(true);
});
