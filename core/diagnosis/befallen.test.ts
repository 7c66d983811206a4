import { demoJobs } from '../demo';
import { timedRun } from '../fixtures/runs';
import type { Befallen, Job } from '../job';
import { diagnose } from '.';

const [demo] = demoJobs() as [Job];
const { chain: _, ...offload } = demo;
const run = timedRun(
  { bytes: 214e9, files: 38_400, seconds: 5200 },
  { id: 'r', activity: 'offload', direction: 'write' },
);
const contact = (befallen: Befallen[], priors = {}): number => {
  const fittings = [{ device: 'device-1', steps: [], befallen }];
  const found = diagnose({ ...offload, forecasts: [], runs: [run], fittings }, {}, priors)!;
  return found.causes.find(({ id }) => id === 'contact')?.probability ?? 0;
};
const dropped: Befallen = { on: '2026-11-30', what: 'dropped' };

test('a unit that was dropped has likelier a bad contact: six times as likely beside all else', () => {
  const odds = (p: number) => p / (1 - p);
  const [before, after] = [contact([]), contact([dropped])];
  expect(before).toBeGreaterThan(0);
  expect(odds(after) / odds(before)).toBeCloseTo(6, 1);
  // Twice is no other thing; what else befell it counts beside.
  expect(contact([dropped, { ...dropped, on: '2026-12-01' }])).toBe(after);
  expect(contact([dropped, { on: '2026-12-01', what: 'wet' }])).toBeGreaterThan(after);
});

test('priors of somebody’s own are raised in the same way', () => {
  expect(contact([dropped], { contact: 0.5 })).toBeCloseTo(contact([], { contact: 3 }), 9);
});
