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
const causesOf = (befallen: Befallen[], priors = {}) => {
  const fittings = [{ device: 'device-1', steps: [], befallen }];
  return diagnose({ ...offload, forecasts: [], runs: [run], fittings }, {}, priors)!.causes;
};
const shareOf = (causes: ReturnType<typeof causesOf>): number =>
  causes.find(({ id }) => id === 'contact')?.probability ?? 0;
const contact = (befallen: Befallen[], priors = {}): number => shareOf(causesOf(befallen, priors));
const dropped: Befallen = { on: '2026-11-30', what: 'dropped' };

test('a unit that was dropped has likelier a bad contact: six times as likely beside each other cause', () => {
  const [plain, worse] = [causesOf([]), causesOf([dropped])];
  const [before, after] = [shareOf(plain), shareOf(worse)];
  expect(before).toBeGreaterThan(0);
  // Two at once are as rare as both by chance: of those a drop makes more too.
  const others = plain.filter(({ id }) => !/contact| and /.test(id));
  const later = new Map(worse.map(({ id, probability }) => [id, probability]));
  const both = others.filter(({ id }) => later.has(id));
  expect(both.length).toBeGreaterThan(3);
  for (const { id, probability } of both)
    expect(after / later.get(id)! / (before / probability)).toBeCloseTo(6, 6);
  // Twice is no other thing; what else befell it counts beside.
  expect(contact([dropped, { ...dropped, on: '2026-12-01' }])).toBe(after);
  expect(contact([dropped, { on: '2026-12-01', what: 'wet' }])).toBeGreaterThan(after);
});

test('priors of somebody’s own are raised in the same way', () => {
  expect(contact([dropped], { contact: 0.5 })).toBeCloseTo(contact([], { contact: 3 }), 9);
});
