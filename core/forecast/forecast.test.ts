import {
  demoBriefs,
  rebuilt,
  forecastJob,
  pathOn,
  repeatJob,
  transferOver,
  onJob,
} from '../fixtures/forecast';
import { exactFact, explaining } from '../evidence';
import fc from 'fast-check';
import { demoJobs } from '../demo';
import { BRIDGES, DRIVES, HOSTS } from '../catalog/stock';
import { isUntouched, stages, type Activity, type Brief, type Job } from '../job';
import type { ArrayMode, Drive } from '../catalog/parts';
import { cacheAt, caseOf, collect, explainProbability, freeze, isLife, screen, pathOf, type Inputs } from '.';
import { collectTransfer } from './collect';
import { CHOICES } from './inputs';
import { together } from './together';
import { runs } from '../fixtures/draws';

const [offload, scans] = demoBriefs() as [Brief, Brief];
const [job] = demoJobs() as [Job];
const CHANGED = '2026-11-04T16:40:00.000Z';
const path = pathOn(offload.host, offload.build!);
const inputsOfMove = (job: Brief, activity: string): Inputs =>
  collect(explaining, caseOf(onJob(job), activity))!;
const task = (bytes: number, files = 1) => ({
  direction: 'write' as const,
  bytes: exactFact(bytes),
  files: exactFact(files),
  otherEnd: 'storage' as const,
});

describe('the forecast of a transfer', () => {
  test('time, rate and chances hang together', () => {
    const f = transferOver(path, task(214e9, 38_400));
    expect(f.time.low).toBeLessThan(f.time.expected);
    expect(f.rate.expected).toBeCloseTo(214e9 / f.time.expected, 3);
    expect(f.within(f.time.low)).toBeCloseTo(0.05, 1);
    expect(f.within(f.time.median!)).toBeCloseTo(0.5, 2);
    expect([f.within(0), f.within(1e9)]).toEqual([0, 1]);
    expect(f.time.because.how).toBe('sampled');
    expect(f.time.because.filled).toMatch(
      /^[\d.]+ GB ÷ [\d.,]+ MB\/s \+ [\d.]+ GB ÷ 900 MB\/s \+ 38,400 × 1\.5 ms = 4 min \d\d s$/,
    );
    expect(f.phases.map((p) => p.limit)).toEqual(['memory', 'links', 'rest', 'memory']);
    expect(f.causes.reduce((sum, c) => sum + c.share, 0)).toBeCloseTo(1, 9);
    expect(f.bar.expected).toBeLessThan(f.time.expected);
  });

  test('warmth, energy, bar and chance open their working with the numbers put in', () => {
    const { hottest, energy, bar } = transferOver(path, task(214e9, 38_400));
    expect(hottest!.because.filled).toMatch(/^towards [\d.]+ °C with a time constant of .*: [\d.]+ °C$/);
    expect(energy!.because.filled).toMatch(/^[\d.]+ W × .* = [\d.]+ Wh$/);
    expect(bar.because.filled).toMatch(/^4 min .* − [\d.]+ s = 4 min/);
    for (const figure of [hottest!, energy!, bar]) expect(figure.because.inputs.length).toBeGreaterThan(0);
    const [offloaded, , kept] = forecastJob(offload)!.activities;
    expect(explainProbability(offloaded!.activity, offloaded!)).toMatchObject({
      expected: offloaded!.probability,
      because: {
        filled: expect.stringMatching(/^P\(time to write ≤ 12 min 00 s\) = /),
        inputs: [offloaded!.figure],
      },
    });
    expect(explainProbability(kept!.activity, kept!)).toBeNull();
  });

  test('the same every time; another seed moves it only a little', () => {
    const [a, b, c] = [
      transferOver(path, task(214e9), 1),
      transferOver(path, task(214e9), 1),
      transferOver(path, task(214e9), 2),
    ];
    expect(a.time).toEqual(b.time);
    expect(Math.abs(a.time.expected / c.time.expected - 1)).toBeLessThan(0.02);
  });

  test('more bytes and more files are never quicker at any point of the range', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e9, max: 1e12, noNaN: true }),
        fc.integer({ min: 0, max: 500_000 }),
        (bytes, files) => {
          const [a, b] = [
            transferOver(path, task(bytes, files)).time,
            transferOver(path, task(bytes * 1.5, files + 1000)).time,
          ];
          return b.low > a.low && b.expected > a.expected && b.high > a.high;
        },
      ),
      runs(25),
    );
  });

  test('what is not known widens the range and says so', () => {
    const vague = pathOn(offload.host, {
      ...offload.build!,
      drive: {
        ...offload.build!.drive,
        cache: { value: null, source: { kind: 'unknown' } },
        rest: { value: null, source: { kind: 'unknown' } },
      },
    });
    const [known, unknown] = [transferOver(path, task(600e9)).time, transferOver(vague, task(600e9)).time];
    expect(unknown.high - unknown.low).toBeGreaterThan(1.5 * (known.high - known.low));
    expect(JSON.stringify(unknown.because)).toContain('"kind":"unknown"');
    const files = transferOver(path, {
      ...task(600e9),
      files: { value: null, source: { kind: 'unknown' } },
    }).time;
    expect(files.high - files.low).toBeGreaterThan(known.high - known.low);
  });

  test('the band of the speed holds the expected course', () => {
    const f = transferOver(path, task(214e9, 38_400));
    const { speed, warmth } = f.profile();
    for (const p of [...speed, ...warmth!])
      expect(p.low <= p.expected && p.expected <= p.high && p.low > 0).toBe(true);
    expect(speed.at(-1)!.bytes).toBe(214e9);
    expect(warmth![0]!.high).toBeLessThan(warmth![30]!.high);
  });

  test('reading knows no cache', () => {
    const f = transferOver(path, { ...task(36e9), direction: 'read' });
    expect(f.phases.some((p) => p.limit === 'cache' || p.limit === 'rest')).toBe(false);
    expect(Object.keys(f.inputs.inputs)).not.toContain('rest');
  });
});

describe('the forecast of a job', () => {
  test('the demo is forecast whole, life with it', () => {
    const f = forecastJob(offload)!;
    expect(f.activities.map((a) => a.probability === null || a.probability > 0.9)).toEqual([
      true,
      true,
      true,
    ]);
    expect(isLife(f.life) && f.life.fromNew!.expected).toBeCloseTo(1200e12 / (214e9 * 365), 6);
    expect(forecastJob(scans)).toBeNull();
  });

  test('a blocked path has no forecast and cannot be frozen', () => {
    const blocked = { ...offload, build: { ...offload.build!, cable: null } };
    expect(forecastJob(blocked)).toBeNull();
    expect(() => freeze(rebuilt(job, { build: blocked.build }), 'f', '2026-11-05T00:00:00.000Z')).toThrow(
      /nothing|no forecast/i,
    );
    expect(() => pathOn(offload.host, { ...offload.build!, port: 'none' })).toThrow(/no port/);
  });

  test('without a rating the reason is given instead of a figure', () => {
    const drive = { ...DRIVES[0]!, tbw: { value: null, source: { kind: 'unknown' as const } } };
    const { life } = forecastJob({ ...offload, build: { ...offload.build!, drive } })!;
    expect(life).toEqual({ problem: expect.stringMatching(/TBW is not known/) });
  });

  test('a frozen forecast shows any later change', () => {
    const frozen = freeze(job, 'f', '2026-11-05T00:00:00.000Z');
    expect(isUntouched(frozen)).toBe(true);
    expect(isUntouched(JSON.parse(JSON.stringify(frozen)))).toBe(true);
    expect(isUntouched({ ...frozen, at: '2026-11-04T00:00:00.000Z' })).toBe(false);
    const results = frozen.results.map((r) =>
      r.time ? { ...r, time: { ...r.time, high: r.time.high * 2 } } : r,
    );
    expect(isUntouched({ ...frozen, results })).toBe(false);
    expect(freeze(job, 'other', '2026-11-05T00:00:00.000Z').hash).toBe(frozen.hash);
  });
});

describe('disks', () => {
  const disk = (id: string) =>
    transferOver(
      pathOn(offload.host, {
        ...offload.build!,
        drive: DRIVES.find((d) => d.id === id)!,
        bridge: BRIDGES.find((b) => b.id === 'quarrel-stand-2')!,
      }),
      { direction: 'write', bytes: exactFact(200e9), files: exactFact(1), otherEnd: 'storage' },
    );
  test('a CMR disk runs below its outer tracks, held by itself, as wide as where the data may land', () => {
    const { phases, rate, hottest } = disk('marrowick-anchor-8t');
    expect([...new Set(phases.map((p) => p.limit))]).toEqual(['memory', 'drive']);
    expect(rate.expected).toBeLessThan(0.95 * 215e6);
    expect(rate.low).toBeGreaterThan(0.4 * 215e6);
    expect(rate.high / rate.low).toBeGreaterThan(1.3);
    expect(hottest).toBeNull();
  });
  test('a shingled one falls off once its media cache is full', () => {
    const { phases } = disk('marrowick-drift-5t');
    expect(phases.map((p) => p.limit)).toEqual(['memory', 'cache', 'rest', 'memory']);
    expect(phases[2]!.rate).toBeLessThan(0.5 * phases[1]!.rate);
  });
});

const entered = (value: number | [number, number, number] | null) => ({
  value,
  source: { kind: value === null ? ('unknown' as const) : ('entered' as const) },
});
const flash = (id: string) => ({
  ...offload,
  build: { ...offload.build!, drive: DRIVES.find((d) => d.id === id)! },
});
const course = (job: Brief, part: Partial<Extract<Activity, { kind: 'move' }>>, needs?: Brief['needs']) =>
  forecastJob({
    ...job,
    needs: { ...job.needs, ...needs },
    activities: [{ ...job.activities[0]!, ...part } as Activity],
  })!.activities[0]!.course!;

describe('what surrounds a transfer', () => {
  test('a fuller drive has less cache: it is never quicker, and a fill nobody knows lies between', () => {
    const at = (fill: number | null) =>
      course(offload, { bytes: entered(500e9), files: entered(1) }, { fill: entered(fill) });
    const [empty, full, known, open] = [at(0), at(0.9), at(0.4), at(null)];
    expect(empty.time.expected).toBeLessThan(full.time.expected);
    expect(empty.inputs.inputs.fill!.low).toBe(0);
    for (const [low, high] of [
      [empty, known],
      [known, full],
    ])
      expect(low!.time.expected).toBeLessThanOrEqual(high!.time.expected);
    // Not known, it lies between what the emptiest and the fullest give.
    expect(open.time.low).toBeGreaterThanOrEqual(empty.time.low);
    expect(open.time.high).toBeLessThanOrEqual(full.time.high);
    expect(
      Math.max(...empty.phases.filter((p) => p.limit === 'links').map((p) => p.to.bytes)),
    ).toBeGreaterThan(115e9);
  });

  test('the cache of a plan is that of its formula', () => {
    const { inputs } = course(offload, {});
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 1e9, max: 9e11, noNaN: true }),
        (fill, stays, cache) => {
          const x = {
            ...Object.fromEntries(Object.entries(inputs.inputs).map(([k, e]) => [k, e.expected])),
            fill,
            stays,
            cache,
          };
          const [flow] = inputs.plan(x, {});
          expect(flow!.to.store.cache).toBeCloseTo(
            cacheAt({ cache, stays, fill, free: (2e12 * (1 - fill)) / 3 }),
            0,
          );
        },
      ),
      runs(50),
    );
  });

  test('a warm room and a plastic box slow a fast drive down; a cool one with a fan does not', () => {
    const warm = {
      ...flash('larkmoor-reed-2t'),
      build: {
        ...offload.build!,
        accessories: [],
        bridge: { ...offload.build!.bridge!, cooling: 'plastic' as const },
      },
    };
    const [hot, cool] = [
      course(warm, { bytes: entered(900e9) }, { ambient: 45 }),
      course(
        { ...warm, build: { ...warm.build, bridge: { ...warm.build.bridge, cooling: 'fan' as const } } },
        { bytes: entered(900e9) },
        { ambient: 10 },
      ),
    ];
    expect(hot.causes.some((c) => c.cause === 'heat')).toBe(true);
    expect(cool.causes.some((c) => c.cause === 'heat')).toBe(false);
    expect(hot.time.expected).toBeGreaterThan(cool.time.expected * 1.1);
    expect(hot.hottest!.expected).toBeGreaterThan(cool.hottest!.expected);
  });

  test('verifying reads it all back; onto itself shares the drive', () => {
    const [plain, verified, itself] = [
      course(offload, {}),
      course(offload, { verify: true }),
      course(offload, { itself: true }),
    ];
    expect(verified.time.expected - plain.time.expected).toBeGreaterThan(214e9 / 1000e6);
    expect(verified.rate.expected).toBeCloseTo(plain.rate.expected, -6);
    expect(itself.time.expected).toBeGreaterThan(plain.time.expected * 0.9);
    expect(itself.phases.some((p) => p.limit === 'other')).toBe(false);
  });

  test('a revision nobody knows is a mixture of its revisions, not a blur between them', () => {
    const { revision: _, ...drive } = offload.build!.drive;
    const job = { ...offload, build: { ...offload.build!, drive } };
    const mixed = course(job, { bytes: entered(900e9), files: entered(1) });
    const as = (revision: string) =>
      course(
        { ...job, build: { ...job.build, drive: { ...drive, revision } } },
        { bytes: entered(900e9), files: entered(1) },
      );
    const [a, b] = [as('A'), as('B')];
    expect(mixed.time.low).toBeLessThan(Math.min(a.time.expected, b.time.expected));
    expect(mixed.time.high).toBeGreaterThan(Math.max(a.time.expected, b.time.expected));
    // Between the two kinds lies a gap in which hardly any draw falls.
    const between = [...mixed.times].filter((t) => t > a.time.high * 1.02 && t < b.time.low * 0.98).length;
    // No more than the tails beyond the two 5 % points.
    expect(between).toBeLessThan(50);
    expect(mixed.time.because.note).toMatch(/which revision \(A, B\)/);
  });

  test('what decides this: the files first where there are many, and nothing that is exact', () => {
    const sways = course(offload, { files: entered(400_000) }).drivers();
    expect(sways[0]!.name).toMatch(/per-file overhead/);
    expect(sways.every((s, i) => i === 0 || s.swing <= sways[i - 1]!.swing)).toBe(true);
    expect(sways.every((s) => !s.input || s.input.low < s.input.high)).toBe(true);
    expect(sways.find((s) => s.name === 'how it throttles')?.at.length ?? 2).toBe(2);
  });

  describe('a disk nobody knows the recording of', () => {
    const disk = (part: object) => {
      const { recording: _, ...known } = DRIVES.find((d) => d.id === 'marrowick-drift-2t')!;
      const build = {
        ...offload.build!,
        bridge: BRIDGES.find((b) => b.id === 'quarrel-quad-40')!,
        drive: { ...known, ...part } as Drive,
      };
      return course({ ...offload, build }, { bytes: entered(400e9), files: entered(40_000) });
    };
    const [open, cmr, smr] = [disk({}), disk({ recording: 'CMR' }), disk({ recording: 'SMR' })];

    test('with rates nobody states either, each class of it slows down as a shingled one does', () => {
      const unknown = { value: null, source: { kind: 'unknown' as const } };
      const { inputs } = disk({
        form: '3.5-inch',
        rpm: undefined,
        read: unknown,
        write: unknown,
        capacity: entered(4e12),
      });
      const choice = inputs.choices!.find((c) => c.id === CHOICES.class)!;
      expect(choice.ways.length).toBeGreaterThan(1);
      for (const { inputs: way } of choice.ways)
        expect(way.rest!.expected).toBeLessThan(way.write!.expected * 0.6);
    });

    test('is one or the other, and says that this decides', () => {
      expect(open.time.low).toBeLessThan(cmr.time.high);
      expect(open.time.high).toBeGreaterThan(smr.time.expected);
      expect(open.time.because.note).toMatch(/how it records \(SMR, CMR\)/);
      const sway = open.drivers().find((s) => s.name === 'how it records')!;
      expect(sway.at.map((a) => a.is)).toEqual(['SMR', 'CMR']);
      expect(sway.at[0]!.seconds).toBeGreaterThan(sway.at[1]!.seconds * 1.5);
      expect(cmr.drivers().some((s) => s.name === 'how it records')).toBe(false);
    });

    test('shingled, long writes suffer less than many files [common practice, no source]', () => {
      const build = {
        ...offload.build!,
        bridge: BRIDGES.find((b) => b.id === 'quarrel-quad-40')!,
        drive: DRIVES.find((d) => d.id === 'marrowick-drift-2t')!,
      };
      const at = (files: number) =>
        course({ ...offload, build }, { bytes: entered(400e9), files: entered(files) }).time.expected;
      expect(at(8)).toBeLessThan(at(4_000) * 0.75);
    });
  });

  test('wider inputs never narrow the hard bounds', () => {
    const at = (files: [number, number, number]) => course(offload, { files: entered(files) }).times;
    const bounds = (times: Float64Array) => [Math.min(...times), Math.max(...times)] as const;
    const [narrow, wide] = [bounds(at([30_000, 38_400, 45_000])), bounds(at([10_000, 38_400, 90_000]))];
    expect(wide[0]).toBeLessThanOrEqual(narrow[0]);
    expect(wide[1]).toBeGreaterThanOrEqual(narrow[1]);
  });

  test('two copies at once take longer than one, and share', () => {
    const second = { ...offload.activities[0]!, id: 'second', name: 'Second recorder' };
    const both = forecastJob({
      ...offload,
      activities: [{ ...offload.activities[0]!, besides: ['second'] } as Activity, second],
    })!.activities[0]!;
    const alone = forecastJob(offload)!.activities[0]!;
    expect(both.figure.expected).toBeGreaterThan(alone.figure.expected * 1.3);
    expect(both.course!.causes.some((c) => c.cause === 'share')).toBe(true);
    expect(
      Object.values(both.course!.inputs.inputs).some((e) => /of what runs beside it/.test(e.because.name)),
    ).toBe(true);
  });
});

test('laws of probability: between 0 and 1, never falling with a longer target, and at the range’s ends what the range says', () => {
  const f = course(offload, {});
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 3000, noNaN: true }),
      fc.double({ min: 0, max: 1000, noNaN: true }),
      (target, more) => {
        const [a, b] = [f.within(target), f.within(target + more)];
        return a >= 0 && b <= 1 && a <= b;
      },
    ),
    runs(100),
  );
  expect([f.within(f.time.low), f.within(f.time.median!), f.within(f.time.high)]).toEqual([
    expect.closeTo(0.05, 2),
    expect.closeTo(0.5, 2),
    expect.closeTo(0.95, 2),
  ]);
});

describe('other kinds of work', () => {
  const only = (activity: Activity, job: Brief = offload) =>
    forecastJob({ ...job, activities: [activity] })!.activities[0]!;
  const common = { id: 'x', name: 'x', perDay: entered(1), target: null };
  const stream = (rate: number, streams = 1, buffer = 2, job: Brief = offload) =>
    only(
      {
        ...common,
        kind: 'stream',
        direction: 'write',
        rate: entered(rate),
        streams,
        lasts: entered(1800),
        buffer: entered(buffer),
      },
      job,
    );

  test('streams: a light one never stalls, one beyond the rest rate does, and a longer buffer never makes it worse', () => {
    expect(stream(20e6).probability).toBe(1);
    expect(stream(900e6).probability).toBeLessThan(0.5);
    expect(stream(20e6).figure.expected).toBeGreaterThan(5);
    expect(stream(700e6, 1, 600).probability!).toBeGreaterThanOrEqual(stream(700e6, 1, 1).probability!);
    const rates = [200e6, 400e6, 600e6, 800e6, 1000e6].map((r) => stream(r).probability!);
    expect(rates.every((p, i) => i === 0 || p <= rates[i - 1]!)).toBe(true);
  });

  test('streams on a disk: several cost its seeks between them', () => {
    const job = {
      ...offload,
      build: {
        ...offload.build!,
        drive: DRIVES.find((d) => d.id === 'marrowick-anchor-8t')!,
        bridge: BRIDGES.find((b) => b.id === 'quarrel-stand-2')!,
      },
    };
    const [one, eight] = [stream(80e6, 1, 2, job), stream(10e6, 8, 2, job)];
    expect(eight.figure.expected).toBeLessThan(one.figure.expected * 0.85);
  });

  test('loads: the built-in drive has no part in them, and an array reads as one', () => {
    const load = {
      ...common,
      kind: 'open' as const,
      processing: entered(5),
      bytes: entered(40e9),
      dependentReads: entered(10),
    };
    const on = (job: Brief) => forecastJob({ ...job, activities: [load] })!.activities[0]!.figure;
    const slowHost = {
      ...offload,
      host: {
        ...offload.host,
        storage: { ...offload.host.storage, read: entered(60e6), write: entered(60e6) },
      },
    };
    expect(on(slowHost).expected).toBe(on(offload).expected);
    expect(on(offload).expected).toBeCloseTo(5 + 40e9 / 970e6, 0);
  });

  test('loads: what is storage at all is told', () => {
    const found = only({
      ...common,
      kind: 'open',
      processing: entered(20),
      bytes: entered(4e9),
      dependentReads: entered(20_000),
    });
    expect(found.figure.expected).toBeGreaterThan(20 + 4e9 / 1000e6);
    expect(found.more[0]!.expected).toBeCloseTo(1 - 20 / found.figure.expected, 2);
  });

  test('scratch: waiting and wear by the day, and the target is held against the wait', () => {
    const found = only({
      ...common,
      target: 600,
      kind: 'scratch',
      operations: entered(1e6),
      reads: 0.7,
      block: 4096,
      depth: 4,
      span: entered(20e9),
      synchronous: false,
    });
    expect(found.figure.expected * found.more[0]!.expected).toBeCloseTo(1e6, -5);
    expect(found.more[1]!.expected).toBeGreaterThan(1e6 * 0.3 * 4096);
    expect(found.probability).toBe(1);
  });

  test('keep: years until full', () => {
    const found = only({ ...common, kind: 'keep', now: entered(500e9), growth: entered(2e9) });
    expect(found.figure.expected).toBeCloseTo((2e12 * 0.92 - 500e9) / 2e9 / 365, 1);
  });

  test('what wears: moves, streams and scratch writes all count, reads do not', () => {
    const lifeWith = (list: Activity[]) => forecastJob({ ...offload, activities: list })!.life;
    const rate = (list: Activity[]) =>
      (lifeWith(list) as { rate: { expected: number } | null }).rate?.expected ?? 0;
    const [write, read] = offload.activities as [Activity, Activity];
    expect(rate([read])).toBe(0);
    expect(rate([write, read])).toBe(214e9);
    expect(
      rate([
        write,
        {
          ...common,
          kind: 'stream',
          direction: 'write',
          rate: entered(1e6),
          streams: 2,
          lasts: entered(1000),
          buffer: entered(1),
        },
      ]),
    ).toBeCloseTo(216e9, -3);
  });
});

describe('several drives as one', () => {
  const bays = BRIDGES.find((b) => (b.bays ?? 1) >= 4 && b.outer.includes('usb-10'))!;
  const sata = DRIVES.find((d) => d.id === 'venndale-slate-1t')!;
  const array = (
    mode: 'stripe' | 'mirror' | 'parity' | 'single',
    bridge = bays,
    port = offload.build!.port,
  ): Brief => ({
    ...offload,
    build: { ...offload.build!, drive: sata, bridge, port, together: 4, array: { mode, by: 'system' } },
  });

  test('four SATA drives striped behind 10 Gb/s: 780 to 900 MB/s, one alone about 500 [common practice, no source]', () => {
    const read = (job: Brief) =>
      transferOver(pathOf(onJob(job)), {
        direction: 'read',
        bytes: exactFact(100e9),
        files: exactFact(1),
        otherEnd: 'memory',
        about: onJob(job),
      }).rate;
    const striped = read(array('stripe'));
    expect(striped.expected).toBeGreaterThan(780e6);
    expect(striped.expected).toBeLessThan(900e6);
    const one = read({ ...array('single'), build: { ...array('single').build!, together: 1 } });
    expect(one.expected / 1e6).toBeGreaterThan(470);
    expect(one.expected / 1e6).toBeLessThan(560);
  });

  test('behind 5 Gb/s 400 to 460 MB/s, striped or not [common practice, no source]', () => {
    const slow = { ...bays, outer: ['usb-5'] };
    const rate = (job: Brief) =>
      transferOver(pathOf(onJob(job)), {
        direction: 'read',
        bytes: exactFact(100e9),
        files: exactFact(1),
        otherEnd: 'memory',
        about: onJob(job),
      }).rate.expected / 1e6;
    for (const mbs of [
      rate(array('stripe', slow)),
      rate({ ...array('single', slow), build: { ...array('single', slow).build!, together: 1 } }),
    ]) {
      expect(mbs).toBeGreaterThan(400);
      expect(mbs).toBeLessThan(460);
    }
  });

  describe('redundancy made by the system crosses the shared link, made by the enclosure it does not', () => {
    // USB 10 Gb/s: 1,212.1 MB/s × 0.8 = 969.7 MB/s; a byte costs 0.12 ns in the system's layer, 0.08 ns in the enclosure's.
    const link = (20e9 / 16 / 66) * 64 * 0.8;
    const through = (rate: number, cost: number) => 1 / (1 / rate + cost);
    const of = (mode: ArrayMode, by: 'system' | 'firmware', direction: 'read' | 'write') => {
      const situation = onJob({
        ...offload,
        build: { ...array('stripe').build!, array: { mode, by } },
        host: { ...offload.host, systems: [{ family: 'Linux' }] },
      });
      const path = pathOf(situation);
      const { inputs } = collectTransfer(
        explaining,
        path,
        { direction, bytes: exactFact(1e9), files: exactFact(1), otherEnd: 'memory' },
        situation,
      );
      return {
        carried: path.carries![direction].expected,
        links: inputs.links!,
        media: inputs[direction]!,
        path,
      };
    };

    test.each<[ArrayMode, 'system' | 'firmware', number]>([
      ['stripe', 'system', through(link, 0.12e-9)],
      ['mirror', 'system', through(link / 4, 0.12e-9)],
      ['stripe of mirrors', 'system', through(link / 2, 0.12e-9)],
      // What Linux's parity keeps: 0.9 [memory].
      ['parity', 'system', through(link * 0.75 * 0.9, 0.12e-9)],
      ['double parity', 'system', through(link * 0.5 * 0.9, 0.12e-9)],
      ['parity', 'firmware', through(link, 0.08e-9)],
      ['mirror', 'firmware', through(link, 0.08e-9)],
    ])('%s by the %s: written at %d B/s, read at the whole link', (mode, by, rate) => {
      const { carried, links } = of(mode, by, 'write');
      expect(links.expected).toBeCloseTo(rate, -2);
      expect(carried).toBeLessThanOrEqual(links.expected);
      const whole = through(link, by === 'system' ? 0.12e-9 : 0.08e-9);
      expect(of(mode, by, 'read').links.expected).toBeCloseTo(whole, -2);
    });

    test('path and forecast say one thing of every array, of its links and of its members', () => {
      for (const mode of [
        'stripe',
        'mirror',
        'parity',
        'double parity',
        'stripe of mirrors',
        'concatenation',
      ] as const)
        for (const by of ['system', 'firmware'] as const)
          for (const d of ['read', 'write'] as const) {
            const { carried, links, media, path } = of(mode, by, d);
            const at = (id: string) => path.constraints.find((c) => c.id === id)!.rate[d].expected;
            expect([mode, by, d, carried]).toEqual([mode, by, d, Math.min(links.expected, at('inner'))]);
            expect(Math.min(at('media'), at('inner'))).toBeCloseTo(media.expected, -3);
            expect(path.flow![d].expected).toBeLessThanOrEqual(carried);
            for (const { id, alone } of path.segments)
              expect([id, alone[d]! >= path.flow![d].expected * (1 - 1e-9)]).toEqual([id, true]);
          }
    });

    test('members with lanes of their own share no link: parity costs its layer, and what it keeps of the members', () => {
      const card = BRIDGES.find((b) => b.card?.splitting === 'board')!;
      const drive = DRIVES.find((d) => d.modes.includes('pcie4x4') && d.plug === 'M.2')!;
      const { systems: _, ...bare } = HOSTS.find((h) => h.ports.some((p) => p.id === 'slot-x8'))!;
      const slot = bare.ports.find((p) => p.id === 'slot-x8')!;
      const port = 'slot-x16';
      const wide = { ...slot, id: port, modes: ['pcie4x16'], slot: { ...slot.slot!, splits: 4 } };
      const host = { ...bare, ports: [wide] };
      const build = {
        drive,
        bridge: card,
        cable: null,
        port,
        together: 4,
        array: { mode: 'parity', by: 'system' },
      } as const;
      const path = pathOf(onJob({ ...offload, host, build }));
      const one = pathOf(onJob({ ...offload, host, build: { ...build, together: 1, array: undefined } }));
      expect(path.carries!.write.expected).toBeCloseTo(
        through(3 * 0.85 * one.carries!.write.expected, 0.12e-9),
        -3,
      );
    });
  });

  test('capacity and wear follow the mode', () => {
    const [stripe, mirror, parity] = (['stripe', 'mirror', 'parity'] as const).map((mode) =>
      forecastJob(array(mode))!,
    );
    expect([stripe, mirror, parity].map((f) => f!.array!.usable.expected)).toEqual([4e12, 1e12, 3e12]);
    expect([stripe, mirror, parity].map((f) => f!.array!.survives)).toEqual([0, 3, 1]);
    expect(stripe!.array!.rebuild).toBeNull();
    expect(stripe!.array!.loss.expected).toBeGreaterThan(parity!.array!.loss.expected);
    expect(parity!.array!.rebuildFails!.low).toBeLessThan(parity!.array!.rebuildFails!.high);
    const rate = (f: typeof stripe) => (f!.life as { rate: { expected: number } }).rate.expected;
    expect([rate(stripe), rate(mirror), rate(parity)].map((r) => r / 214e9)).toEqual([
      0.25,
      1,
      expect.closeTo(1 / 3, 9),
    ]);
  });
});

describe('a full format of a disk', () => {
  const format = (part: object, outer = ['usb-10']) =>
    forecastJob({
      ...offload,
      build: {
        ...offload.build!,
        drive: { ...DRIVES.find((d) => d.id === 'marrowick-anchor-16t')!, ...part },
        bridge: { ...BRIDGES.find((b) => b.id === 'quarrel-stand-2')!, outer },
      },
    })!.format!;
  test('about a day for 16 TB at 7,200 turns; the path may make it longer, shingled tracks do not', () => {
    const day = format({});
    expect(day.low / 3600).toBeGreaterThan(17);
    expect(day.high / 3600).toBeLessThan(30);
    expect(format({}, ['usb-2']).expected).toBeGreaterThan(3 * day.expected);
    expect(format({ recording: 'SMR' }).expected).toBeCloseTo(day.expected, 0);
    expect(forecastJob(offload)!.format).toBeNull();
  });
});

describe('several transfers of one drive', () => {
  const again: Brief = {
    ...offload,
    activities: [
      offload.activities[0]!,
      { ...offload.activities[0]!, id: 'again', name: 'Again' },
      offload.activities[1]!,
    ],
  };
  const each = again.activities.map((a) => inputsOfMove(again, a.id));

  test('one drive, one link and one host are drawn once, what each moves for itself', () => {
    const { inputs, of } = together(explaining, each);
    expect(Object.keys(inputs)).toEqual(
      expect.arrayContaining([
        'write',
        'cache',
        'hot',
        'perFile',
        'links',
        'bytes',
        'bytes, 1',
        'files, 1',
        'links, 2',
      ]),
    );
    expect(Object.keys(inputs).some((key) => /^(write|cache|hot|perFile|links|fill), 1$/.test(key))).toBe(
      false,
    );
    const numbers = Object.fromEntries(Object.keys(inputs).map((key, i) => [key, i]));
    expect(of(numbers, 1).bytes).toBe(numbers['bytes, 1']);
    expect(of(numbers, 1).write).toBe(of(numbers, 0).write);
    expect(Object.keys(of(numbers, 2))).toEqual(Object.keys(each[2]!.inputs));
  });

  test('so the same copy made twice a day is as sure as made once', () => {
    const slow = (job: Brief) =>
      repeatJob(
        { ...job, needs: {}, activities: job.activities.map((a) => ({ ...a, target: 290 })) as Activity[] },
        { years: 0.5 },
      )!.ends.slow;
    const [first, second] = slow(again);
    expect(second!.when).toEqual(first!.when);
  });

  test('days too are lived on one revision or another where nobody knows which', () => {
    const of = (drive: object) =>
      together(explaining, [
        inputsOfMove(
          { ...offload, build: { ...offload.build!, drive: { ...offload.build!.drive, ...drive } } } as Brief,
          'offload',
        ),
      ]);
    const { inputs, choices } = of({ revision: undefined });
    const revision = choices!.find((c) => c.id === CHOICES.revision)!;
    expect(revision.ways.map((w) => w.id)).toEqual(['A', 'B']);
    for (const way of revision.ways)
      expect(Object.keys(inputs)).toEqual(expect.arrayContaining(Object.keys(way.inputs)));
    expect(of({}).choices!.some((c) => c.id === CHOICES.revision)).toBe(false);
  });
});

describe('the days', () => {
  const growing = (growth: number, more: Partial<Brief> = {}): Brief => ({
    ...offload,
    needs: {},
    activities: [
      ...offload.activities.slice(0, 2),
      {
        id: 'kept',
        kind: 'keep',
        name: 'All nights',
        perDay: entered(1),
        target: null,
        now: entered(200e9),
        growth: entered(growth),
      },
    ],
    ...more,
  });

  test('it fills on the day that arithmetic says', () => {
    const found = repeatJob(growing(2.1e9), { years: 5 })!;
    expect(found.ends.full.expected).toBeCloseTo((2e12 * 0.92 - 200e9) / 2.1e9 / 365, 1);
    expect(found.days.length).toBe(781);
    const table = forecastJob(growing(2.1e9))!.activities.find((a) => a.activity.id === 'kept')!.figure;
    expect(found.ends.full).toEqual({
      low: table.low,
      expected: table.expected,
      high: table.high,
      median: table.median,
    });
    expect(repeatJob(growing(2.1e9), { years: 1, ranges: false })!.ends.full.expected).toBe(Infinity);
  });

  test('as it fills the cache shrinks and the copies slow down; the date of the missed target comes with its range', () => {
    const tight = growing(2e9);
    const job = {
      ...tight,
      activities: tight.activities.map((a) =>
        a.id === 'offload' ? { ...a, bytes: entered(400e9), files: entered(1), target: 436 } : a,
      ),
    };
    const { days, ends } = repeatJob(job, { years: 5 })!;
    expect(days.at(-1)!.seconds[0]!).toBeGreaterThan(days[0]!.seconds[0]! * 1.005);
    const slow = ends.slow.find((s) => s.activity === 'offload')!.when;
    expect(slow.low).toBeLessThanOrEqual(slow.expected);
    expect(slow.expected).toBeLessThan(5);
  });

  test('a night is enough for the cache to recover; copies that follow each other at once are not', () => {
    expect(repeatJob(growing(0), { years: 0.1, ranges: false })!.recovers).toBe(true);
    const often = { ...offload, activities: [{ ...offload.activities[0]!, perDay: entered(280) }] } as Brief;
    const lived = repeatJob(often, { years: 0.05, ranges: false })!;
    expect(lived.recovers).toBe(false);
    expect(lived.days.at(-1)!.seconds[0]!).toBeGreaterThan(
      repeatJob(growing(0), { years: 0.05, ranges: false })!.days.at(-1)!.seconds[0]!,
    );
  });

  test('a shingled disk clears its media cache overnight', () => {
    const build = {
      ...offload.build!,
      bridge: BRIDGES.find((b) => b.id === 'quarrel-quad-40')!,
      drive: DRIVES.find((d) => d.id === 'marrowick-drift-2t')!,
    };
    const nightly = (perDay: number) =>
      repeatJob(
        {
          ...offload,
          needs: {},
          build,
          activities: [{ ...offload.activities[0]!, perDay: entered(perDay) }] as Activity[],
        },
        { years: 0.05, ranges: false },
      )!;
    expect([nightly(1).recovers, nightly(9).recovers]).toEqual([true, false]);
  });

  test('what is written adds up to its times a day, and the rating runs out when endurance says', () => {
    const { days, ends } = repeatJob(growing(0), { years: 1 })!;
    expect(days.at(-1)!.written).toBeCloseTo(365 * 214e9, -6);
    expect(ends.worn!.expected).toBeCloseTo(1200e12 / 214e9 / 365, 0);
  });

  test('a recorder that writes for hours takes its share of cache and life; it takes as long as it lasts', () => {
    const live = {
      ...scans.activities.find((activity) => activity.kind === 'stream')!,
      id: 'live',
      rate: entered(140e6),
      lasts: entered(7200),
      perDay: entered(6),
    } as Activity;
    const both = repeatJob(
      { ...offload, needs: {}, activities: [offload.activities[0]!, live] },
      { years: 0.1 },
    )!;
    const at = both.activities.findIndex((a) => a.id === 'live');
    expect(both.days[3]!.seconds[at]!).toBeCloseTo(7200, 0);
    expect(both.days.at(-1)!.written / both.days.length).toBeCloseTo(214e9 + 6 * 140e6 * 7200, -6);
    expect(both.ends.worn!.expected).toBeLessThan(1200e12 / (214e9 + 6 * 140e6 * 7200) / 365 + 0.01);
    expect(both.ends.slow.map((s) => s.activity)).toEqual(['offload']);
  });

  test('nothing to repeat, and years that cannot be', () => {
    expect(repeatJob({ ...offload, activities: [] }, { years: 1 })).toBeNull();
    expect(() => repeatJob(offload, { years: 0 })).toThrow(/more than zero/);
  });
});

describe('nothing at all, and more than there is', () => {
  const disk = {
    drive: DRIVES.find((d) => d.id === 'marrowick-drift-2t')!,
    bridge: BRIDGES.find((b) => b.id === 'quarrel-quad-40')!,
  };
  const common = { id: 'a', name: 'Odd', perDay: entered(1), target: 60 };
  const kinds: Record<string, object[]> = {
    move: [0, 1e18].flatMap((bytes) =>
      [0, 1e9].map((files) => ({
        kind: 'move',
        direction: 'write',
        bytes: entered(bytes),
        files: entered(files),
        perDay: entered(1000),
      })),
    ),
    stream: [0, 1e12].flatMap((rate) =>
      [0, 1e6].map((lasts) => ({
        kind: 'stream',
        direction: 'write',
        rate: entered(rate),
        streams: 3,
        lasts: entered(lasts),
        buffer: entered(0),
      })),
    ),
    open: [0, 1e15].map((bytes) => ({
      kind: 'open',
      own: entered(0),
      bytes: entered(bytes),
      requests: entered(bytes),
    })),
    scratch: [0, 1e15].map((operations) => ({
      kind: 'scratch',
      operations: entered(operations),
      reads: 0.5,
      block: 1e12,
      depth: 1024,
      span: entered(operations),
      synchronous: true,
    })),
    keep: [0, 1e18].map((now) => ({ kind: 'keep', now: entered(now), growth: entered(now) })),
  };
  const numbers = (e: { low: number; expected: number; high: number }) => [e.low, e.expected, e.high];

  test.each(Object.keys(kinds))('%s: every figure is a number, and the days go on', (kind) => {
    for (const build of [
      offload.build!,
      { ...offload.build!, ...disk },
      { ...offload.build!, ...disk, together: 4, array: { mode: 'parity' as const, by: 'system' as const } },
    ])
      for (const part of kinds[kind]!) {
        const job = {
          ...offload,
          needs: { fill: entered(1) },
          build,
          activities: [{ ...common, ...part }],
        } as unknown as Brief;
        const { figure, more, probability } = forecastJob(job)!.activities[0]!;
        expect([figure, ...more].flatMap(numbers).filter((v) => Number.isNaN(v))).toEqual([]);
        expect(probability === null || (probability >= 0 && probability <= 1)).toBe(true);
        expect(() => repeatJob(job, { years: 0.02, ranges: false })).not.toThrow();
      }
  });
});

test('a shop’s own ranges move the forecast, are frozen with it, and make it another one', () => {
  const shopRanges = { 'per-file.cable': { low: 4e-3, expected: 5e-3, high: 6e-3 } };
  const [frozen, usual] = [freeze(job, 'f', CHANGED, shopRanges), freeze(job, 'f', CHANGED)];
  expect(frozen.results[0]!.time!.expected).toBeGreaterThan(usual.results[0]!.time!.expected + 100);
  expect([frozen.ranges, usual.ranges]).toEqual([shopRanges, undefined]);
  expect(JSON.stringify(frozen.results[0]!.time!.because)).toMatch(/this shop’s own range/);
  const state = (f: typeof frozen, ranges?: typeof shopRanges) =>
    stages(
      { ...job, forecasts: [f] },
      { blocked: false, unmet: false, ...(ranges ? { shopRanges: ranges } : {}) },
    ).find((s) => s.stage === 'forecast')!.state;
  expect([state(frozen, shopRanges), state(frozen), state(usual), state(usual, shopRanges)]).toEqual([
    'done',
    'attention',
    'done',
    'attention',
  ]);
});

describe('several things at the other end of a copy', () => {
  const [first] = offload.activities as [Activity & { kind: 'move' }];
  const { endpoints = [] } = offload.host;
  const [slow, fast] = endpoints.map((e) => e.id) as [string, string];
  const from = (shares: [string | undefined, number][], part: Partial<typeof first> = {}): Brief => ({
    ...offload,
    activities: [
      {
        ...first,
        bytes: exactFact(shares.reduce((sum, [, bytes]) => sum + bytes, 0)),
        files: exactFact(1),
        ...(shares.length > 1
          ? {
              shares: shares.map(([endpoint, bytes]) => ({
                ...(endpoint ? { endpoint } : {}),
                bytes: exactFact(bytes),
              })),
            }
          : shares[0]![0]
            ? { endpoint: shares[0]![0] }
            : {}),
        ...part,
      },
    ],
  });
  const seconds = (brief: Brief) => screen(caseOf(onJob(brief), first.id))!;

  test('two parts on one thing are one copy from it', () => {
    for (const end of [slow, fast]) {
      const parts = seconds(
        from([
          [end, 30e9],
          [end, 50e9],
        ]),
      );
      expect(parts / seconds(from([[end, 80e9]]))).toBeCloseTo(1, 3);
    }
  });

  test('each goes at its own rate until its part is through: the order makes no difference, more on the slow one takes longer', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 99 }), fc.integer({ min: 50, max: 2000 }), (share, gigabytes) => {
        const bytes = gigabytes * 1e6;
        const on = (percent: number) => [(bytes * percent) / 100, (bytes * (100 - percent)) / 100] as const;
        const [a, b] = on(share);
        const mixed = seconds(
          from([
            [slow, a],
            [fast, b],
          ]),
        );
        expect(
          mixed /
            seconds(
              from([
                [fast, b],
                [slow, a],
              ]),
            ),
        ).toBeCloseTo(1, 6);
        const [more, less] = on(Math.min(99, share + 1));
        expect(
          seconds(
            from([
              [slow, more],
              [fast, less],
            ]),
          ),
        ).toBeGreaterThanOrEqual(mixed * (1 - 1e-9));
        expect(mixed).toBeLessThanOrEqual(seconds(from([[slow, bytes]])) * (1 + 1e-9));
        expect(mixed).toBeGreaterThanOrEqual(seconds(from([[fast, bytes]])) * (1 - 1e-9));
      }),
      runs(40),
    );
  });

  test('the answer is the screened one, names both, and the years know them too', () => {
    const brief = from(
      [
        [slow, 60e9],
        [undefined, 90e9],
      ],
      { verify: true },
    );
    const { figure, course } = forecastJob(brief)!.activities[0]!;
    expect(course!.stretches.at(-1)!.from).toBeLessThan(seconds(brief));
    expect(figure.because.inputs!.map((i) => i.because.name)).toEqual(
      expect.arrayContaining([endpoints[0]!.name, offload.host.storage.name]),
    );
    expect(figure.low).toBeLessThanOrEqual(seconds(brief));
    expect(figure.high).toBeGreaterThanOrEqual(seconds(brief));
    const [day] = repeatJob(brief, { years: 0.1, ranges: false })!.days;
    expect(day!.seconds[0]! / seconds(brief)).toBeCloseTo(1, 1);
  });
});

test('what the models leave out is in every range, and a shop’s own range of it counts', () => {
  const of = (ranges: object) => freeze(job, 'f', CHANGED, ranges).results[0]!.time!;
  const [usual, wide] = [of({}), of({ 'model.beyond': { low: 0.7, expected: 1, high: 1.4 } })];
  expect(usual.high / usual.low).toBeGreaterThan(1.06 / 0.94);
  expect(wide.expected).toBe(usual.expected);
  expect(wide.low).toBeLessThan(usual.low * 0.95);
  expect(wide.high).toBeGreaterThan(usual.high * 1.05);
});
