import { demoJobs } from '../demo';
import { caseOf, collect, situationOf } from '../forecast';
import { explaining, type Fact } from '../evidence';
import { briefAt, placesOf, Run, type Job } from '../job';
import { intoDrive, learnedFrom, takenOver, withLearned } from '.';

const [demo] = demoJobs() as [Job];
const [place] = placesOf(demo);
let count = 0;
const timed = (bytes: number, files: number, seconds: number, more: Partial<Run> = {}): Run =>
  Run.parse({
    id: `l${count++}`,
    at: '2031-03-02T09:00:00.000Z',
    activity: 'offload',
    direction: 'write',
    otherEnd: 'storage',
    source: 'stopwatch',
    measure: { kind: 'timed', bytes, files, seconds, error: 0.14 },
    path: place,
    conditions: {},
    ended: 'done',
    ...more,
  });
/** 700 MB/s and 2.6 ms a file. */
const copy = (bytes: number, files: number) => timed(bytes, files, bytes / 700e6 + files * 2.6e-3);
const job = (...runs: Run[]): Job => ({ ...demo, runs });

test('one large file and many small ones tell what a file costs the host, and its forecasts go by it', () => {
  const taught = job(copy(60e9, 1), copy(12e9, 40_000), copy(12e9, 40_000));
  const [learned] = learnedFrom(taught);
  expect(learned).toMatchObject({ kind: 'per file', direction: 'write', media: 'flash' });
  if (learned?.kind !== 'per file') throw new Error();
  expect(learned.fit.perFile.expected).toBeCloseTo(2.6e-3, 5);
  const taken = withLearned(taught, learned);
  const inputs = (of: Job) =>
    collect(explaining, caseOf(situationOf(briefAt(of, place!)!)!, 'offload'))!.inputs.perFile;
  expect(inputs(taken).expected).toBeCloseTo(2.6e-3, 5);
  expect(inputs(taken).because.source).toMatchObject({ kind: 'measured' });
  expect(inputs(demo).expected).not.toBeCloseTo(2.6e-3, 5);
});

test('runs that are alike, set aside, simulated or not on the machine teach nothing', () => {
  expect(learnedFrom(job(copy(60e9, 100), copy(60e9, 100)))).toEqual([]);
  const one = copy(60e9, 1);
  const aside = { ...copy(12e9, 40_000), excluded: { at: '2031-03-02T10:00:00.000Z', reason: 'lid closed' } };
  expect(learnedFrom(job(one, aside))).toEqual([]);
  expect(learnedFrom(job(one, { ...copy(12e9, 40_000), source: 'simulated' }))).toEqual([]);
  expect(learnedFrom(job(one, { ...copy(12e9, 40_000), path: null }))).toEqual([]);
});

test('a watched copy tells cache and sustained rate of its drive', () => {
  const at = (bytes: number) => Math.min(bytes, 80e9) / 900e6 + Math.max(0, bytes - 80e9) / 260e6;
  const samples = Array.from({ length: 150 }, (_, i) => ({ t: at((i + 1) * 1e9), bytes: (i + 1) * 1e9 }));
  const watched = timed(150e9, 10, at(150e9), { samples, source: 'real' });
  const [learned] = learnedFrom(job(watched));
  expect(learned?.kind).toBe('cache');
  // Hot, it may have been heat that slowed it.
  const hot = (hottest: number): Run => ({ ...watched, conditions: { ...watched.conditions, hottest } });
  expect(learnedFrom(job(hot(52)))).toHaveLength(1);
  expect(learnedFrom(job(hot(82)))).toEqual([]);
  const drive = withLearned(job(watched), learned!).devices[0]!.parts!.drive;
  const [cache, rest] = [drive.cache.value, drive.rest.value] as [number, number, number][];
  expect(cache![1] / 80e9).toBeCloseTo(1, 1);
  expect(rest![1] / 260e6).toBeCloseTo(1, 1);
  expect(drive.cache.source.kind).toBe('measured');
});

test('what is taken over says what it replaces, bears no more digits than it is told with, and only what is asked for goes in', () => {
  const taught = job(copy(60e9, 1), copy(12e9, 40_000));
  const [perFile] = takenOver(taught, learnedFrom(taught)[0]!);
  expect(perFile).toMatchObject({ label: 'Per-file overhead, writing solid state', unit: 's', was: null });
  const again = takenOver(perFile!.into(taught), learnedFrom(taught)[0]!);
  expect(again[0]!.was).toEqual(perFile!.now);
  const device = demo.devices[0]!;
  const fit: Fact = { value: [81_234_567_890, 90_123_456_789, 99_876_543_210], source: { kind: 'measured' } };
  const [cache, rest] = intoDrive(demo, device.id, { cache: fit, rest: fit });
  expect(cache).toMatchObject({ was: device.parts!.drive.cache, now: { value: [81.2e9, 90.1e9, 99.9e9] } });
  const taken = cache!.into(demo).devices[0]!.parts!.drive;
  expect(taken.cache.value).toEqual([81.2e9, 90.1e9, 99.9e9]);
  expect(taken.rest).toEqual(device.parts!.drive.rest);
  expect(rest!.now.value).toEqual(cache!.now.value);
  expect(intoDrive(demo, 'device-9', { cache: fit })).toEqual([]);
});
