import { demoJobs } from '../demo';
import { timedRun } from '../fixtures/runs';
import { firstOf } from '../fixtures/forecast';
import { caseOf, screen, situationOf } from '../forecast';
import type { Job, Move, Run } from '../job';
import { PRESS } from '../measure';
import { gaussian, noise } from '../stats';
import { thumbFromJobs } from '.';

const [offload] = demoJobs() as [Job];
const whole = offload.activities.find((a): a is Move => a.kind === 'move' && a.direction === 'read')!;
/** Small enough for a thumb to show. */
const work: Move = { ...whole, bytes: { ...whole.bytes, value: 4e9 }, files: { ...whole.files, value: 40 } };
const blank: Job = { ...offload, activities: [work], forecasts: [], runs: [] };
const SECONDS = screen(caseOf(situationOf(firstOf(blank))!, work.id))!;

/** A job timed three times by thumb and as often by counters. */
function jobOf(seed: number, { late = 0, press = PRESS }: { late?: number; press?: number }): Job {
  const normal = gaussian(noise(seed * 31 + 7));
  const run = (source: Run['source'], i: number, seconds: number) =>
    timedRun(
      { bytes: 4e9, files: 40, seconds },
      { id: `${source}-${i}`, activity: work.id, direction: 'read', source },
    );
  const runs = [0, 1, 2].flatMap((i) => [
    run('watched', i, SECONDS + 0.02 * normal()),
    run('stopwatch', i, SECONDS + late + Math.SQRT2 * press * normal() + 0.02 * normal()),
  ]);
  const decision = { kind: 'accept' as const, words: '', at: '2026-12-02T10:00:00.000Z' };
  return { ...blank, id: `shop-${seed}`, runs, decision, chain: undefined };
}
const shop = (count: number, thumb: { late?: number; press?: number }) =>
  Array.from({ length: count }, (_, i) => jobOf(i + 1, thumb));

describe('a person’s thumb, from times that counters took too', () => {
  test('how late they stop and how steady they press is found; who is as assumed stays there', () => {
    const shaky = thumbFromJobs(shop(20, { late: 0.3, press: 0.25 }))!;
    expect(shaky).toMatchObject({ times: 60, jobs: 20 });
    expect(shaky.late).toBeGreaterThan(0.2);
    expect(shaky.late).toBeLessThan(0.4);
    expect(shaky.spread).toBeGreaterThan(0.2);
    expect(shaky.spread).toBeLessThan(0.3);
    const usual = thumbFromJobs(shop(20, {}))!;
    expect(Math.abs(usual.late)).toBeLessThan(0.06);
    expect(usual.spread / PRESS).toBeGreaterThan(0.75);
    expect(usual.spread / PRESS).toBeLessThan(1.25);
  });

  test('few times are drawn towards what is assumed; one far off does not count', () => {
    const one = thumbFromJobs(shop(1, { press: 0.4 }))!;
    const many = thumbFromJobs(shop(20, { press: 0.4 }))!;
    expect(one.times).toBe(3);
    expect(Math.abs(Math.log(one.spread / PRESS))).toBeLessThan(Math.abs(Math.log(many.spread / PRESS)));
    const slip = jobOf(50, { late: 1.2 });
    const with_ = thumbFromJobs([...shop(20, {}), slip])!;
    expect(Math.abs(with_.spread / thumbFromJobs(shop(20, {}))!.spread - 1)).toBeLessThan(0.15);
  });

  test('fewer than three times, times by thumb alone and jobs not accepted say nothing', () => {
    expect(thumbFromJobs([])).toBeNull();
    const [job] = shop(1, {}) as [Job];
    expect(thumbFromJobs([{ ...job, decision: null }])).toBeNull();
    const alone = job.runs.filter(({ source }) => source === 'stopwatch');
    expect(thumbFromJobs([{ ...job, runs: alone }])).toBeNull();
    const two = job.runs.filter(({ id }) => id !== 'stopwatch-2');
    expect(thumbFromJobs([{ ...job, runs: two }])).toBeNull();
  });
});
