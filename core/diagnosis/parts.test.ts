import { demoJobs } from '../demo';
import { timedRun } from '../fixtures/runs';
import type { Job, Run, Sample } from '../job';
import { diagnose, evidenceOf } from '.';

/* How a copy ran tells causes apart that take as long for all of it. */
const [offload] = demoJobs() as [Job];
const bare: Job = { ...offload, forecasts: [], runs: [] };
const [BYTES, SECONDS] = [214e9, 640];

const run = (samples: Sample[]): Run => ({
  ...timedRun(
    { bytes: BYTES, files: 38_400, seconds: SECONDS },
    { id: 'r', activity: 'offload', direction: 'write' },
  ),
  samples,
});
/** At one rate up to so many B, at another from there on. */
const knee = (bytes: number, rate: number): Sample[] => [
  { t: 0, bytes: 0 },
  { t: bytes / rate, bytes },
  { t: SECONDS, bytes: BYTES },
];
const evenly: Sample[] = Array.from({ length: 60 }, (_, i) => ({
  t: (SECONDS * i) / 59,
  bytes: (BYTES * i) / 59,
}));
/** A watched copy: 120 readings along the same course. */
const read = (of: readonly Sample[]): Sample[] =>
  Array.from({ length: 120 }, (_, i) => {
    const bytes = (BYTES * i) / 119;
    const k = of.findIndex((s) => s.bytes >= bytes);
    const [a, b] = [of[Math.max(0, k - 1)]!, of[Math.max(1, k)]!];
    return { t: a.t + ((b.t - a.t) * (bytes - a.bytes)) / Math.max(1, b.bytes - a.bytes), bytes };
  });
const chance = (id: string, samples: Sample[]): number =>
  diagnose({ ...bare, runs: [run(samples)] })!.causes.find((c) => c.id === id)?.probability ?? 0;
const partsOf = (samples: Sample[]) => evidenceOf({ ...bare, runs: [run(samples)] }).filter((e) => e.isPart);

test('quick for the first 90 GB and slow from there on is no slower link, but a drive slow past its cache', () => {
  const [course, whole] = [knee(90e9, 880e6), []];
  expect(chance('slower port', whole)).toBeGreaterThan(0.2);
  for (const known of [course, read(course)]) {
    expect(chance('slower port', known)).toBeLessThan(0.01);
    expect(chance('sustained below class', known)).toBeGreaterThan(0.6);
  }
});

test('a part is the beginning of the same copy: its bytes, its share of the files, until what the whole was stopped at', () => {
  const [part] = partsOf(knee(100e9, 800e6));
  expect(part).toMatchObject({ title: expect.stringMatching(/, the first 100 GB$/), toBar: false });
  expect(Math.exp(part!.time!.log)).toBeCloseTo(125, 9);
  expect(part!.of.activity).toMatchObject({
    bytes: { value: 100e9 },
    files: { value: Math.round(38_400 * (100 / 214)) },
  });
  expect(part!.of.activities.find(({ id }) => id === 'offload')).toBe(part!.of.activity);
});

test('what ran evenly has no parts, a course of many changes two at most; what is no course has none', () => {
  expect(partsOf(evenly)).toEqual([]);
  expect(partsOf([])).toEqual([]);
  const stairs = [0, 1, 2, 3, 4].map((i) => ({ t: i ** 2 * 40, bytes: (BYTES * i) / 4 }));
  expect(partsOf(stairs)).toHaveLength(2);
  // It is told beside the causes, and is no time that one is looked for of.
  const found = diagnose({ ...bare, runs: [run(knee(100e9, 800e6))] })!;
  expect(found.gain!.took).toBeCloseTo(SECONDS, 6);
  expect(found.shown.evidence).toHaveLength(2);
});
