import fc from 'fast-check';
import { demoJobs } from '../demo';
import { runs } from '../fixtures/draws';
import { checkJob, putRight, runsBefore, takeBack, type Job, type PutRight } from '.';

const job = (demoJobs() as Job[]).find((one) => one.runs.filter((r) => r.source !== 'simulated').length > 2)!;
const made = (n: number): PutRight => ({
  cause: `cause-${n}`,
  title: `A cause, number ${n}`,
  fix: 'Another cable.',
  probability: 0.8,
  at: new Date(Date.UTC(2026, 9, 1 + n)).toISOString(),
});

test('what was put right can be taken back: the runs it set aside count again, others set aside stay so', () => {
  fc.assert(
    fc.property(fc.subarray(job.runs.map((_, i) => i)), fc.integer({ min: 0, max: 20 }), (byHand, n) => {
      const excluded = { at: '2026-09-01T08:00:00.000Z', reason: 'The cable was loose.' };
      const before: Job = {
        ...job,
        tests: [],
        found: [made(99)],
        runs: job.runs.map((r, i) => (byHand.includes(i) ? { ...r, excluded } : r)),
      };
      const right = putRight(before, made(n));
      expect(checkJob(right).ok).toBe(true);
      expect(runsBefore(right)).toEqual([]);
      expect(runsBefore(right, made(n)).map(({ id }) => id)).toEqual(runsBefore(before).map(({ id }) => id));
      expect(takeBack(right, made(n))).toEqual(before);
    }),
    runs(100),
  );
});

test('a run made since stays as it is, and one that somebody uses again is not set aside a second time', () => {
  const right = putRight(job, made(1));
  const [first] = runsBefore(right, made(1));
  const since = { ...first!, id: 'run-since', excluded: undefined, at: '2026-11-30T08:00:00.000Z' };
  const back = takeBack({ ...right, runs: [...right.runs, since] }, made(1));
  expect(back.runs.at(-1)).toEqual(since);
  expect(back.found).toEqual(job.found ?? []);
});
