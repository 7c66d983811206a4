import { demoJobs } from '../demo';
import { forecastJob } from '../forecast';
import type { Job } from '../job';
import { verdict } from '../verdict';
import { chance, handover, toMarkdown } from '.';

const [offload, scans] = demoJobs() as [Job, Job];
const made = (job: Job) => handover(job, forecastJob(job), verdict(job));

test('the customer is told what was fitted, where to plug it, what was promised and how it measured', () => {
  const text = toMarkdown(made({ ...offload, decision: { kind: 'accept', words: 'Fits the nights.', at: '2026-11-05T09:00:00.000Z' } }), 'customer');
  for (const part of ['Larkmoor Reed 2 TB', 'Plug it in here: Left side, by the hinge', 'frozen on 2026-11-03', '4 min 58 s', 'Both wishes are met', 'Accepted on 2026-11-05. Fits the nights.', 'Eject it']) expect(text).toContain(part);
  expect(text).not.toContain('content hash');
});

test('the shop’s copy adds runs, sources and the hash', () => {
  const text = toMarkdown(made(offload), 'shop');
  expect(text).toContain(offload.forecasts[0]!.hash);
  expect(text.match(/stopwatch/g)).toHaveLength(7);
});

test('an unfinished job says what is missing', () => {
  const text = toMarkdown(made(scans), 'shop');
  expect(text).toContain('Nothing has been chosen yet');
  expect(text).toContain('Nothing has been measured yet');
});

test('what people type cannot turn into markup', () => {
  const text = toMarkdown(made({ ...offload, title: '# a | b <script>', note: '[x](y)\n# z' }), 'customer');
  expect(text).toMatch(/^# \\# a \\\| b \\<script\\>\n/);
  expect(text).not.toMatch(/^# z/m);
});

test('a probability from samples never claims certainty', () => expect([1, 0, 0.5].map(chance)).toEqual(['over 99 %', 'under 1 %', '50 %']));
