import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { diagnose } from '../diagnosis';
import { freeze } from '../forecast';
import { checkJob, type Job } from '../job';
import { verdict } from '../verdict';
import { demoJobs } from '.';

const [offload, , , , second] = demoJobs() as [Job, Job, Job, Job, Job];

test('forecasts that are shipped frozen are the ones the models in force make; KYMAR_FREEZE=1 writes them anew', () => {
  const bare = (job: Job): Job => ({ ...job, forecasts: [] });
  const made = {
    offload: freeze(bare(offload), 'forecast-1', '2026-11-03T09:30:00.000Z'),
    second: freeze(bare(second), 'forecast-1', '2026-11-18T10:10:00.000Z'),
  };
  // Of the second only what differs from the first is shipped.
  const differing = <T extends object>(one: T, from: T): Partial<T> =>
    Object.fromEntries(
      Object.entries(one).filter(
        ([key, value]) => JSON.stringify(value) !== JSON.stringify(from[key as keyof T]),
      ),
    ) as Partial<T>;
  const results = made.second.results.map((r, i) => differing(r, made.offload.results[i]!));
  const shipped = { offload: made.offload, second: { ...differing(made.second, made.offload), results } };
  if (process.env.KYMAR_FREEZE) writeFileSync(join(__dirname, 'frozen.json'), `${JSON.stringify(shipped)}\n`);
  expect(offload.forecasts).toEqual([made.offload]);
  expect(second.forecasts).toEqual([made.second]);
});

test('every job of the demo is one the schema takes', () => {
  for (const job of demoJobs()) expect(checkJob(JSON.parse(JSON.stringify(job)))).toMatchObject({ ok: true });
});

test('one job is finished with a clean verdict, one is stuck on a wrong port', () => {
  expect(verdict(offload)).toMatchObject({ answer: 'meets' });
  expect(verdict(second)).toMatchObject({ answer: 'falls short' });
  const found = diagnose(second)!;
  expect(found.groups[0]!.ids).toContain('slower port');
  expect(found.next[0]!.id).toBe('look at the port');
});
