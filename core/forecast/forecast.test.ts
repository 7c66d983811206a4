import fc from 'fast-check';
import { BRIDGES, demoJobs, DRIVES } from '../demo';
import type { Job } from '../job';
import { exactFact, forecastJob, forecastTransfer, freeze, isLife, isUntouched, pathOf } from '.';

const [offload, scans] = demoJobs() as [Job, Job];
const path = pathOf(offload.host, offload.build!);
const task = (bytes: number, files = 1) => ({ direction: 'write' as const, bytes: exactFact(bytes), files: exactFact(files), otherEnd: 'storage' as const });

describe('the forecast of a transfer', () => {
  test('time, rate and chances hang together', () => {
    const f = forecastTransfer(path, task(214e9, 38_400));
    expect(f.time.low).toBeLessThan(f.time.expected);
    expect(f.rate.expected).toBeCloseTo(214e9 / f.time.expected, -5);
    expect(f.chance(f.time.low)).toBeCloseTo(0.05, 1);
    expect(f.chance(f.time.expected)).toBeCloseTo(0.5, 1);
    expect([f.chance(0), f.chance(1e9)]).toEqual([0, 1]);
    expect(f.time.because.how).toBe('sampled');
    expect(f.time.because.formula).toMatch(/^least of \(bytes; cache\)/);
    expect(f.phases.map((p) => p.limit)).toEqual(['links', 'rest']);
  });

  test('the same every time; another seed moves it only a little', () => {
    const [a, b, c] = [forecastTransfer(path, task(214e9), 1), forecastTransfer(path, task(214e9), 1), forecastTransfer(path, task(214e9), 2)];
    expect(a.time).toEqual(b.time);
    expect(Math.abs(a.time.expected / c.time.expected - 1)).toBeLessThan(0.02);
  });

  test('more bytes and more files are never quicker at any point of the range', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e9, max: 1e12, noNaN: true }), fc.integer({ min: 0, max: 500_000 }), (bytes, files) => {
        const [a, b] = [forecastTransfer(path, task(bytes, files)).time, forecastTransfer(path, task(bytes * 1.5, files + 1000)).time];
        return b.low > a.low && b.expected > a.expected && b.high > a.high;
      }),
      { numRuns: 25 },
    );
  });

  test('what is not known widens the range and says so', () => {
    const vague = pathOf(offload.host, { ...offload.build!, drive: { ...offload.build!.drive, cache: { value: null, source: { kind: 'unknown' } }, rest: { value: null, source: { kind: 'unknown' } } } });
    const [known, unknown] = [forecastTransfer(path, task(600e9)).time, forecastTransfer(vague, task(600e9)).time];
    expect(unknown.high - unknown.low).toBeGreaterThan(1.5 * (known.high - known.low));
    expect(JSON.stringify(unknown.because)).toContain('"kind":"unknown"');
    const files = forecastTransfer(path, { ...task(600e9), files: { value: null, source: { kind: 'unknown' } } }).time;
    expect(files.high - files.low).toBeGreaterThan(known.high - known.low);
  });

  test('the band of the speed holds the expected course', () => {
    const f = forecastTransfer(path, task(214e9, 38_400));
    for (const p of f.profile()) expect(p.low <= p.expected && p.expected <= p.high && p.low > 0).toBe(true);
    expect(f.profile().at(-1)!.bytes).toBe(214e9);
  });

  test('reading knows no cache', () => {
    const f = forecastTransfer(path, { ...task(36e9), direction: 'read' });
    expect(f.phases).toHaveLength(1);
    expect(f.time.because.formula).not.toMatch(/cache/);
  });
});

describe('the forecast of a job', () => {
  test('the demo is forecast whole, life with it', () => {
    const f = forecastJob(offload)!;
    expect(f.activities.map((a) => a.probability! > 0.9)).toEqual([true, true]);
    expect(isLife(f.life) && f.life.fromNew!.expected).toBeCloseTo(1200e12 / (214e9 * 365), 6);
    expect(forecastJob(scans)).toBeNull();
  });

  test('a blocked path has no forecast and cannot be frozen', () => {
    const blocked = { ...offload, build: { ...offload.build!, cable: null } };
    expect(forecastJob(blocked)).toBeNull();
    expect(() => freeze(blocked, 'f', '2026-11-05T00:00:00.000Z')).toThrow(/nothing|no forecast/i);
    expect(() => pathOf(offload.host, { ...offload.build!, port: 'none' })).toThrow(/no port/);
  });

  test('without a rating the reason is given instead of a figure', () => {
    const drive = { ...DRIVES[0]!, tbw: { value: null, source: { kind: 'unknown' as const } } };
    const { life } = forecastJob({ ...offload, build: { ...offload.build!, drive } })!;
    expect(life).toEqual({ problem: expect.stringMatching(/TBW is not known/) });
  });

  test('a frozen forecast shows any later change', () => {
    const frozen = freeze(offload, 'f', '2026-11-05T00:00:00.000Z');
    expect(isUntouched(frozen)).toBe(true);
    expect(isUntouched(JSON.parse(JSON.stringify(frozen)))).toBe(true);
    expect(isUntouched({ ...frozen, at: '2026-11-04T00:00:00.000Z' })).toBe(false);
    const results = frozen.results.map((r) => ({ ...r, time: { ...r.time, high: r.time.high * 2 } }));
    expect(isUntouched({ ...frozen, results })).toBe(false);
    expect(freeze(offload, 'other', '2026-11-05T00:00:00.000Z').hash).toBe(frozen.hash);
  });
});

describe('disks', () => {
  const disk = (id: string) => forecastTransfer(pathOf(offload.host, { ...offload.build!, drive: DRIVES.find((d) => d.id === id)!, bridge: BRIDGES.find((b) => b.id === 'quarrel-stand-2')! }), { direction: 'write', bytes: exactFact(200e9), files: exactFact(1), otherEnd: 'storage' });
  test('a CMR disk runs below its outer tracks, in one stretch held by the drive, as wide as where the data may land', () => {
    const { phases, rate } = disk('marrowick-anchor-8t');
    expect(phases.map((p) => p.limit)).toEqual(['drive']);
    expect(rate.expected).toBeLessThan(0.85 * 215e6);
    expect(rate.low).toBeGreaterThan(0.4 * 215e6);
    expect(rate.high / rate.low).toBeGreaterThan(1.5);
  });
  test('a shingled one falls off once its media cache is full', () => {
    const { phases } = disk('marrowick-drift-5t');
    expect(phases.map((p) => p.limit)).toEqual(['cache', 'rest']);
    expect(phases[1]!.rate).toBeLessThan(0.5 * phases[0]!.rate);
  });
});
