import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { freeze } from '../forecast';
import { checkJob } from '../job';
import { demoJobs } from '.';

test('the forecast that is shipped frozen is the one the models in force make; KYMAR_FREEZE=1 writes it anew', () => {
  const [offload] = demoJobs();
  const made = freeze({ ...offload!, forecasts: [] }, 'forecast-1', '2026-11-03T09:30:00.000Z');
  if (process.env.KYMAR_FREEZE) writeFileSync(join(__dirname, 'frozen.json'), `${JSON.stringify(made)}\n`);
  expect(offload!.forecasts).toEqual([made]);
});

test('every job of the demo is one the schema takes', () => {
  for (const job of demoJobs()) expect(checkJob(JSON.parse(JSON.stringify(job)))).toMatchObject({ ok: true });
});
