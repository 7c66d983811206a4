import { Run } from '../job';
import fc from 'fast-check';
import { jStat } from 'jstat';
import {
  exactly,
  noise,
  oneOf,
  spread,
  type Spread,
  halfWidth,
  median,
  outliers,
  runsUntil,
  t95,
  tPoint,
} from '../stats';
import { run as runFlows, type Flow } from '../models';
import {
  explainMeasured,
  measuredOf,
  probeRig,
  readingBounds,
  RunRequest,
  simulate,
  stopwatchError,
} from '.';
import { runs } from '../fixtures/draws';

let count = 0;
const run = (measure: unknown, more: object = {}): Run =>
  Run.parse({
    id: `r${count++}`,
    at: '2026-11-04T10:00:00.000Z',
    activity: null,
    direction: 'write',
    otherEnd: 'storage',
    source: 'stopwatch',
    measure,
    path: { machine: 'machine-1', device: 'device-1' },
    conditions: {},
    ended: 'done',
    ...more,
  });
const timed = (seconds: number, error = 0.14) =>
  run({ kind: 'timed', bytes: 100e9, files: 1, seconds, error });

describe("Student's t", () => {
  /** Probability between -t and t: the density [gamma function by jStat] summed by Simpson's rule. */
  const between = (t: number, df: number): number => {
    const { gammaln } = jStat;
    const top = Math.exp(gammaln((df + 1) / 2) - gammaln(df / 2)) / Math.sqrt(df * Math.PI);
    const density = (x: number) => top * (1 + (x * x) / df) ** (-(df + 1) / 2);
    const steps = 4000;
    let sum = density(0) + density(t);
    for (let i = 1; i < steps; i++) sum += (i % 2 === 1 ? 4 : 2) * density((i * t) / steps);
    return (2 * sum * t) / steps / 3;
  };
  test('95 % points hold 95 % between them and agree with a statistics library, for 1 to 200 degrees of freedom', () => {
    for (let df = 1; df <= 200; df++) {
      expect(Math.abs(between(t95(df), df) - 0.95)).toBeLessThan(1e-9);
      expect(t95(df) / jStat.studentt.inv(0.975, df)).toBeCloseTo(1, 5);
    }
  });
  test('so do other levels', () => {
    for (const df of [1, 2, 3, 8, 30, 200])
      for (const level of [0.5, 0.8, 0.9, 0.99])
        expect(Math.abs(between(tPoint(df, level), df) - level)).toBeLessThan(1e-9);
  });
  // From memory, as printed in tables.
  test.each([
    [1, 12.706],
    [2, 4.303],
    [3, 3.182],
    [4, 2.776],
    [5, 2.571],
    [9, 2.262],
    [14, 2.145],
    [29, 2.045],
    [1e5, 1.96],
  ])('df %d: %d', (df, t) => expect(t95(df)).toBeCloseTo(t, 3));
  test('the interval agrees with the library on samples', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 1, max: 1000, noNaN: true }), { minLength: 2, maxLength: 30 }),
        (values) => {
          const [low, high] = jStat.tci(jStat.mean(values), 0.05, values) as [number, number];
          expect(halfWidth(values)).toBeCloseTo((high - low) / 2, 3);
        },
      ),
      runs(100),
    );
  });
});

describe('measured intervals', () => {
  test('two presses: spread counts twice, lag not at all; a correction is a guess of its own', () => {
    expect(stopwatchError()).toBeCloseTo(0.1414, 4);
    expect(stopwatchError([0.4])).toBeCloseTo(Math.hypot(0.1414, 0.2), 3);
  });

  test('repeated runs: Student on their own scatter, the stopwatch not added again', () => {
    const runs = [100, 102, 98].map((s) => timed(s, 5));
    const { time, rate, words, more } = measuredOf(runs);
    expect(time!.expected).toBe(100);
    expect(time!.high - 100).toBeCloseTo((4.303 * 2) / Math.sqrt(3), 2);
    expect(rate!.low).toBeCloseTo(100e9 / time!.high, 0);
    expect(words).toMatch(/3 runs/);
    expect(more).toBe(2);
  });

  test('one run: reading error and an assumed scatter, and it says so', () => {
    const { time, words } = measuredOf([timed(100)]);
    expect(time!.high - 100).toBeCloseTo(Math.hypot(1.96 * 0.14, 1.96 * 3), 2);
    expect(words).toMatch(/assumed scatter/);
  });

  test('a rate as shown is known to half its last digit, however often it repeats', () => {
    const shown = () =>
      run({
        kind: 'rate',
        rate: 412e6,
        shown: '412 MB/s',
        grain: 0.5e6,
        block: 1048576,
        depth: 8,
        bytes: 1e9,
      });
    const { rate, time } = measuredOf([shown(), shown(), shown()]);
    expect(time).toBeNull();
    expect([rate!.low, rate!.expected, rate!.high]).toEqual([411.5e6, 412e6, 412.5e6]);
  });

  test('a bound leaves the other side open', () => {
    const { time, rate } = measuredOf([
      run({ kind: 'bound', bytes: 60e9, files: 1, atMost: 60, atLeast: null }),
    ]);
    expect(time).toMatchObject({ low: 0, high: 60 });
    expect(rate!.low).toBe(1e9);
    expect(rate!.high).toBe(Infinity);
  });

  test('reading bounds hold the true average', () => {
    const [low, high] = readingBounds(timed(10, 0.5));
    expect([low, high]).toEqual([100e9 / 11, 100e9 / 9]);
  });

  test('the working names every run', () => {
    expect(
      explainMeasured(measuredOf([timed(10), timed(11)]), 's').because.inputs.map((i) => i.expected),
    ).toEqual([10, 11]);
  });

  test('median, outliers and how many more', () => {
    expect([median([3, 1, 2]), median([4, 1, 2, 3])]).toEqual([2, 2.5]);
    expect(outliers([100, 101, 99, 100, 180])).toEqual([false, false, false, false, true]);
    expect(outliers([1, 50])).toEqual([false, false]);
    expect([runsUntil([100]), runsUntil([100, 100.1, 99.9]), runsUntil([100, 300])]).toEqual([null, 0, null]);
  });

  test('more runs of the same scatter never ask for more', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 90, max: 110, noNaN: true }), { minLength: 2, maxLength: 8 }),
        (values) => {
          const [once, twice] = [runsUntil(values), runsUntil([...values, ...values])];
          return once === null || (twice !== null && twice <= once);
        },
      ),
      runs(100),
    );
  });
});

describe('bad runs and requests are refused', () => {
  test.each([
    [{ kind: 'timed', bytes: 1e9, files: 1, seconds: 0, error: 0 }, /more than zero/],
    [{ kind: 'timed', bytes: -1, files: 1, seconds: 5, error: 0 }, /more than zero/],
    [
      { kind: 'rate', rate: 0, shown: '0', grain: 0, block: null, depth: null, bytes: null },
      /more than zero/,
    ],
  ])('%j', (measure, message) => expect(() => run(measure)).toThrow(message));
  test('a run request below 1 MiB', () =>
    expect(RunRequest.safeParse({ target: 'x', mode: 'write', bytes: 5, block: 1048576 }).success).toBe(
      false,
    ));
});

describe('the simulated rig', () => {
  const inputs: Record<string, Spread> = {
    bytes: exactly(200e9),
    files: exactly(10_000),
    other: spread(2e9, 2.1e9, 2.2e9),
    carries: spread(0.8e9, 0.95e9, 1e9),
    fast: exactly(3e9),
    rest: spread(0.4e9, 0.5e9, 0.6e9),
    cache: spread(60e9, 80e9, 120e9),
    perFile: spread(2e-4, 1e-3, 5e-3),
  };
  const plan = (x: Record<string, number>): Flow[] => [
    {
      bytes: x.bytes!,
      files: x.files!,
      perFile: x.perFile!,
      buffer: 0,
      from: {
        store: { role: 'other', read: x.other!, write: x.other!, sustained: Infinity, cache: Infinity },
      },
      to: {
        store: { role: 'drive', read: x.fast!, write: x.fast!, sustained: x.rest!, cache: x.cache! },
        wire: { read: x.carries!, write: x.carries!, role: 'links' },
      },
    },
  ];
  const numbers = { inputs, plan };

  test('the same seed and run give the same samples; another run other noise; another seed another unit', () => {
    expect(simulate(numbers, 7, 0)).toEqual(simulate(numbers, 7, 0));
    expect(simulate(numbers, 7, 1).seconds).not.toBe(simulate(numbers, 7, 0).seconds);
    const spreadOf = (times: number[]) => Math.max(...times) / Math.min(...times);
    expect(spreadOf([0, 1, 2, 3, 4].map((r) => simulate(numbers, 7, r).seconds))).toBeLessThan(1.1);
    expect(
      spreadOf([1, 2, 3, 4, 5, 6, 7, 8].map((seed) => simulate(numbers, seed, 0).seconds)),
    ).toBeGreaterThan(1.1);
  });

  test('it obeys the model: without uncertainty it takes the time of the formula, and its cache shows', () => {
    const sure = {
      inputs: Object.fromEntries(Object.entries(inputs).map(([k, v]) => [k, exactly(v.expected)])),
      plan,
    };
    const truth = runFlows(
      plan(Object.fromEntries(Object.entries(inputs).map(([k, v]) => [k, v.expected]))),
      { record: true },
    );
    const [fast, slow] = truth.flows[0]!.stretches;
    let sum = 0;
    for (let seed = 1; seed <= 20; seed++) {
      const { seconds, samples } = simulate(sure, seed, 0);
      sum += seconds / truth.seconds / 20;
      // A run's own pace lies within 3 %, the mean of its wobble within another 2.4 %.
      expect(Math.abs(seconds / truth.seconds - 1)).toBeLessThan(0.057);
      expect(samples.at(-1)!.bytes).toBeCloseTo(200e9, 0);
      expect(samples.at(-1)!.t).toBe(seconds);
      const edge = samples.find((s) => s.bytes >= 80e9)!;
      const before = edge.bytes / edge.t;
      const after = (200e9 - edge.bytes) / (seconds - edge.t);
      expect(before / after / (fast!.bar / slow!.bar)).toBeCloseTo(1, 1);
    }
    expect(Math.abs(sum - 1)).toBeLessThan(0.01);
  });

  test('the probe on it finds the unit’s own cache and what it sustains, and spends no more than it may', () => {
    for (let seed = 1; seed <= 5; seed++) {
      const { x } = oneOf<string>(numbers, noise(seed));
      const [fast, slow] = runFlows(plan(x), { record: true }).flows[0]!.stretches;
      const found = probeRig(numbers, seed, { bytes: 190e9, seconds: 86_400, warmth: null });
      expect(found.written).toBeLessThanOrEqual(190e9);
      expect(found.cache.atLeast).toBe(false);
      expect(found.cache.bytes / slow!.taken).toBeCloseTo(1, 1);
      expect(found.fast / fast!.rate).toBeCloseTo(1, 1);
      expect(found.slow!.expected / slow!.rate).toBeCloseTo(1, 1);
      expect(probeRig(numbers, seed, { bytes: 190e9, seconds: 86_400, warmth: null })).toEqual(found);
    }
    expect(probeRig(numbers, 1, { bytes: 5e9, seconds: 86_400, warmth: null }).cache.atLeast).toBe(true);
  });

  test('time and bytes only ever rise', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), fc.integer({ min: 0, max: 50 }), (seed, repeat) => {
        const { samples } = simulate(numbers, seed, repeat);
        return samples.every(
          (s, i) => i === 0 || (s.t > samples[i - 1]!.t && s.bytes > samples[i - 1]!.bytes),
        );
      }),
      runs(50),
    );
  });
});
