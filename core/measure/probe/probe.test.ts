import fc from 'fast-check';
import type { Stretch } from '../../models';
import { Probe, type ProbeBudget, type ProbeResult } from './probe';
import { RigDrive, truthOf } from './rigdrive';
import { runs } from '../../fixtures/draws';

/** A course of the engine's kind: so many B at a rate, one after another. */
function course(levels: readonly [bytes: number, rate: number][]): Stretch[] {
  let [from, taken] = [0, 0];
  return levels.map(([bytes, rate]) => {
    const stretch = {
      from,
      seconds: bytes / rate,
      given: taken,
      taken,
      bar: rate,
      rate,
      barLimit: 'link',
      limit: 'link',
      warm: null,
    } as unknown as Stretch;
    from += bytes / rate;
    taken += bytes;
    return stretch;
  });
}

function probed(
  levels: readonly [number, number][],
  { sigma = 0.04, stays = 0.8, recovers = 2e8, seed = 1, bin = 128e6 },
  budget: ProbeBudget,
): { result: ProbeResult; written: number; seconds: number } {
  const drive = new RigDrive(course(levels), { sigma, stays, recovers }, seed);
  const probe = new Probe(budget, bin);
  let [written, seconds] = [0, 0];
  for (let i = 0; i < 1e5; i++) {
    const step = probe.next();
    if (step.do === 'end') return { result: probe.result(), written, seconds };
    if (step.do === 'rest') {
      drive.rest(step.seconds);
      seconds += step.seconds;
      probe.took(0, step.seconds);
    } else {
      const took = drive.write(step.bytes);
      written += step.bytes;
      seconds += took;
      probe.took(step.bytes, took);
    }
  }
  throw new Error('never ends');
}

describe('the probe', () => {
  test('finds cache, sustained rate and recovery, and stops when it knows them', () => {
    const { result, written } = probed(
      [
        [60e9, 2.4e9],
        [900e9, 6e8],
      ],
      {},
      { bytes: 600e9, seconds: 3600, warmth: null },
    );
    expect(result.ended).toBe('known');
    expect(result.cache.atLeast).toBe(false);
    expect(result.cache.bytes / 60e9).toBeCloseTo(1, 1);
    expect(result.slow!.expected / 6e8).toBeCloseTo(1, 1);
    expect(result.recovers! / 2e8).toBeGreaterThan(0.8);
    expect(result.recovers! / 2e8).toBeLessThan(1.2);
    expect(written).toBeLessThan(300e9);
  });

  const budgets = fc.record({
    bytes: fc.double({ min: 1e9, max: 4e11, noNaN: true }),
    seconds: fc.double({ min: 20, max: 2000, noNaN: true }),
    warmth: fc.constant(null),
  });
  const drives = fc.record({
    cache: fc.double({ min: 5e9, max: 3e11, noNaN: true }),
    fast: fc.double({ min: 3e8, max: 5e9, noNaN: true }),
    keeps: fc.double({ min: 0.06, max: 0.6, noNaN: true }),
  });

  test('never writes more than its budget, nor goes on much longer; where it ends early the cache is at least what was written', () => {
    fc.assert(
      fc.property(drives, budgets, fc.nat(1e6), ({ cache, fast, keeps }, budget, seed) => {
        const levels: [number, number][] = [
          [cache, fast],
          [1e13, fast * keeps],
        ];
        const { result, written, seconds } = probed(levels, { seed }, budget);
        expect(written).toBeLessThanOrEqual(budget.bytes);
        // A bin that is under way when the cache ends takes as long as it takes.
        expect(seconds).toBeLessThanOrEqual(budget.seconds + (1.3 * 128e6) / (fast * keeps));
        expect(result.written).toBe(written);
        if (result.cache.atLeast) {
          expect(result.slow).toBeNull();
          expect(result.cache.bytes).toBeLessThanOrEqual(written);
        }
        // What is not reached is never claimed.
        if (written < cache * 0.95) expect(result.cache.atLeast).toBe(true);
      }),
      runs(40),
    );
  });

  test('a drive without a knee is written to the end of the budget, and no cache is made up', () => {
    for (const seed of [1, 2, 3]) {
      const { result } = probed(
        [[1e13, 5e8]],
        { seed, stays: 0.9, sigma: 0.05 },
        { bytes: 150e9, seconds: 3600, warmth: null },
      );
      expect(result).toMatchObject({ ended: 'bytes', cache: { atLeast: true }, slow: null, recovers: null });
    }
  });

  test('heat ends it', () => {
    const probe = new Probe({ bytes: 1e12, seconds: 1e5, warmth: 70 }, 1e9);
    for (let i = 0; i < 50; i++) probe.took(1e9, 1, 40 + i);
    expect(probe.next()).toEqual({ do: 'end' });
    expect(probe.result().ended).toBe('warmth');
  });
});

describe('what a played drive is', () => {
  test('the end of its cache is where the course steps down; a course that never does has none', () => {
    expect(
      truthOf(
        course([
          [4e10, 2e9],
          [1e11, 3e8],
        ]),
      ),
    ).toEqual({ cache: 4e10, fast: 2e9, slow: 3e8 });
    expect(
      truthOf(
        course([
          [4e10, 2e9],
          [1e11, 1.9e9],
        ]),
      ).cache,
    ).toBeNull();
  });

  test('the same seed is the same drive; quiet, it takes what its course says', () => {
    const levels = course([
      [1e10, 1e9],
      [1e12, 2e8],
    ]);
    const quiet = { sigma: 0, stays: 0, recovers: 0 };
    const drive = new RigDrive(levels, quiet, 3);
    expect(drive.write(5e9)).toBeCloseTo(5, 9);
    expect(drive.write(1e10)).toBeCloseTo(5 + 25, 6);
    const [a, b] = [0, 1].map(() => new RigDrive(levels, { ...quiet, sigma: 0.1 }, 9));
    expect(a!.write(1e9)).toBe(b!.write(1e9));
  });
});
