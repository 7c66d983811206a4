import { ASSUMPTIONS, type OwnRanges } from '../catalog/assumptions';
import { CABLES, HOSTS } from '../catalog/stock';
import { demoJobs } from '../demo';
import { timedRun } from '../fixtures/runs';
import { caseOf, pathOf, screen, situationOf } from '../forecast';
import { briefAt, placesOf, withBuild, withHost, type Job, type Move, type Run } from '../job';
import { gaussian, median, noise } from '../stats';
import { verdict } from '../verdict';
import { learnedFromJobs, lessonsOf, recordOf, type Lesson } from '.';
import { draws } from '../fixtures/draws';

const [offload] = demoJobs() as [Job];
const place = placesOf(offload)[0]!;

/** The offload's device on every host of the stock that has a port for it: paths of several links. */
const jobs: Job[] = HOSTS.flatMap((host): Job[] => {
  const at = withHost(offload, place.machine, host);
  for (const port of host.ports)
    for (const cable of CABLES) {
      const build = { ...situationOf(briefAt(offload, place)!)!.build, port: port.id, cable };
      const job = withBuild(at, place, build);
      const situation = situationOf(briefAt(job, place)!);
      try {
        if (situation && pathOf(situation).blocked.length === 0) return [job];
      } catch {
        // A port that the cable has no plug for.
      }
    }
  return [];
});

/** What this shop's equipment truly does: its links give less than is assumed, a file costs less. */
const TRUE: OwnRanges = { 'per-file.cable': { low: 0.5e-3, expected: 0.5e-3, high: 0.5e-3 } };

/** A job of the shop, measured and accepted. @param off one sigma by which a unit lies off, as a logarithm */
function measured(seed: number, off = 0.04, wrong = 1): Job {
  const random = noise(seed * 97 + 3);
  const normal = gaussian(random);
  const job = jobs[seed % jobs.length]!;
  const situation = situationOf(briefAt(job, place)!, TRUE)!;
  const unit = Math.exp(off * normal());
  const runs = job.activities.flatMap((a): Run[] => {
    if (a.kind !== 'move') return [];
    const files = Math.round((a.files.value as number) * (4 + 8 * random()));
    const move: Move = { ...a, files: { ...a.files, value: files } };
    const of = caseOf(
      { ...situation, activities: [...situation.activities.filter((w) => w.id !== a.id), move] },
      a.id,
    );
    const seconds = screen(of)! * unit * wrong;
    return [0, 1, 2].map((i) =>
      timedRun(
        { bytes: a.bytes.value as number, files, seconds: seconds * Math.exp(0.01 * normal()) },
        { id: `${a.id}-${i}`, activity: a.id, direction: a.direction },
      ),
    );
  });
  const decision = { kind: 'accept' as const, words: '', at: '2026-11-20T10:00:00.000Z' };
  return { ...job, id: `shop-${seed}`, runs, forecasts: [], chain: undefined, decision };
}

/** How far measured times lie off what is forecast, each as a share, and how many lie within the range. */
function errors(list: readonly Job[], shopRanges: OwnRanges): number[] {
  return list.flatMap((job) => {
    const situation = situationOf(briefAt(job, place)!, shopRanges)!;
    return job.runs
      .filter((_, i) => i % 3 === 0)
      .map((run) => {
        const { bytes, files, seconds } = run.measure as Extract<Run['measure'], { kind: 'timed' }>;
        const a = job.activities.find((one) => one.id === run.activity) as Move;
        const move: Move = { ...a, bytes: { ...a.bytes, value: bytes }, files: { ...a.files, value: files } };
        const activities = [...situation.activities.filter((w) => w.id !== a.id), move];
        return Math.abs(screen(caseOf({ ...situation, activities }, a.id))! / seconds - 1);
      });
  });
}

const claimsOf = (job: Job, shopRanges: OwnRanges) =>
  verdict(job, shopRanges).claims.filter(({ measured: is, forecast: was }) => is?.time && was?.time);

const asRanges = (rows: ReturnType<typeof learnedFromJobs>): OwnRanges =>
  Object.fromEntries(rows.map(({ row, learned }) => [row, learned]));

describe('what runs teach', () => {
  const taught = Array.from({ length: draws(20, 8) }, (_, i) => measured(i + 1));
  const later = Array.from({ length: draws(12, 6) }, (_, i) => measured(100 + i));
  const learned = learnedFromJobs(taught);

  test('after twenty jobs the next ones lie closer by a third or more', () => {
    const [before, after] = [median(errors(later, {})), median(errors(later, asRanges(learned)))];
    expect(after).toBeLessThan(before * (2 / 3));
    const files = learned.find(({ row }) => row === 'per-file.cable')!;
    expect(files.learned.expected).toBeLessThan(files.prior.expected);
    expect(files.learned.low).toBeLessThan(0.5e-3);
    expect(files.learned.high).toBeGreaterThan(0.5e-3);
  });

  test('what is learned is a range that the next ones lie within', () => {
    const shopRanges = asRanges(learned);
    const held = later.flatMap((job) =>
      claimsOf(job, shopRanges).map(({ measured: is, forecast: was }) =>
        is!.time!.expected >= was!.time!.low && is!.time!.expected <= was!.time!.high ? 1 : 0,
      ),
    );
    expect(held.length).toBeGreaterThan((later.length * 16) / 12);
    expect(held.filter((h) => h === 1).length / held.length).toBeGreaterThan(0.85);
  });

  test('one wrong measurement does not poison it: set aside, and the rest as before', () => {
    const wrong = measured(300, 0.04, 6);
    const with_ = learnedFromJobs([...taught, wrong]);
    for (const row of learned) {
      const again = with_.find((r) => r.row === row.row)!;
      expect(Math.abs(again.learned.expected / row.learned.expected - 1)).toBeLessThan(0.08);
    }
    expect(with_.reduce((sum, r) => sum + r.aside, 0)).toBeGreaterThan(
      learned.reduce((sum, r) => sum + r.aside, 0),
    );
  });

  test('few jobs are drawn towards what is assumed; none teach nothing', () => {
    const few = learnedFromJobs(taught.slice(0, 2));
    const many = learned.find(({ row }) => row === 'per-file.cable')!;
    const same = few.find(({ row }) => row === 'per-file.cable');
    if (same)
      expect(Math.abs(Math.log(same.learned.expected / same.prior.expected))).toBeLessThan(
        Math.abs(Math.log(many.learned.expected / many.prior.expected)),
      );
    expect(learnedFromJobs([])).toEqual([]);
  });

  test('a link that did not decide teaches that it carried as much, where two jobs show it', () => {
    // Of one activity, whose time files decided and no link.
    const alone = taught.flatMap((whole) =>
      whole.activities.map(({ id }) => ({
        ...whole,
        runs: whole.runs.filter(({ activity }) => activity === id),
      })),
    );
    const linksOf = (one: Job) => lessonsOf(one).filter(({ row }) => row.startsWith('link.'));
    const job = alone.find(
      (one) =>
        linksOf(one)
          .map(({ tells }) => tells)
          .join() === 'at least',
    )!;
    const [bound] = linksOf(job) as [Lesson];
    const rowOf = (list: readonly Job[]) => learnedFromJobs(list).find(({ row }) => row === bound.row);
    // One alone may be a slip.
    expect(rowOf([job])).toBeUndefined();
    const two = rowOf([job, { ...job, id: 'its twin' }])!;
    expect(two).toMatchObject({ jobs: 0, bounds: 2, prior: ASSUMPTIONS[bound.row].value });
    expect(two.learned.low).toBeGreaterThan(two.prior.low);
    expect(two.learned.low).toBeLessThan(Math.exp(bound.log));
    expect(two.learned.expected).toBeGreaterThanOrEqual(two.learned.low);
    expect(two.learned.high).toBe(two.prior.high);
  });

  test('only accepted jobs, and nothing rehearsed or made to find a cause', () => {
    const [job] = taught as [Job];
    expect(lessonsOf(job).length).toBeGreaterThan(0);
    expect(lessonsOf({ ...job, decision: null })).toEqual([]);
    expect(lessonsOf({ ...job, decision: { ...job.decision!, kind: 'retest' } })).toEqual([]);
    const as = (change: (run: Run) => Run): Job => ({ ...job, runs: job.runs.map(change) });
    expect(lessonsOf(as((r) => ({ ...r, source: 'simulated' })))).toEqual([]);
    expect(lessonsOf(as((r) => ({ ...r, conditions: { ...r.conditions, look: 'swap cable' } })))).toEqual([]);
  });
});

test('the record counts what was frozen before it was measured, all of it', () => {
  expect(recordOf([offload])).toEqual([
    { kind: 'writing', count: 1, held: 1, error: expect.any(Number) as number },
    { kind: 'reading', count: 1, held: 1, error: expect.any(Number) as number },
  ]);
  expect(recordOf([{ ...offload, forecasts: [] }])).toEqual([]);
  const [, , , , second] = demoJobs() as [Job, Job, Job, Job, Job];
  expect(recordOf([offload, second]).find(({ kind }) => kind === 'writing')).toMatchObject({
    count: 2,
    held: 1,
  });
});
