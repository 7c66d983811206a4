import { forecastJob, onJob, repeatJob } from '../fixtures/forecast';
import fc from 'fast-check';
import { demoJobs } from '../demo';
import { SHOP } from '../catalog/stock';
import { findings } from '../fit';
import { freeze, settingOf, blocksAt } from '../forecast';
import { briefAt, checkJob, nextStage, placesOf, stages, type Brief, type Job } from '../job';
import { verdict } from '../verdict';
import { optionsAt } from '../choice';
import { handover, toMarkdown } from '.';
import { draws, runs, sampled } from '../fixtures/draws';

type Spot = (string | number)[];

/** Every place of a job's data where a figure stands, or something that may be absent. */
function spotsOf(data: unknown, path: Spot = []): Spot[] {
  if (typeof data === 'number' || data === null) return [path];
  if (typeof data !== 'object') return [];
  const entries = Array.isArray(data) ? data.map((v, i) => [i, v] as const) : Object.entries(data);
  const inside = entries.flatMap(([key, value]) =>
    key === 'because' || key === 'samples' ? [] : spotsOf(value, [...path, key]),
  );
  return Array.isArray(data) && typeof data[0] === 'number' ? [path, ...inside] : inside;
}

function changed(data: unknown, path: Readonly<Spot>, value: unknown): void {
  let at = data as Record<string | number, unknown>;
  for (const key of path.slice(0, -1)) {
    if (typeof at[key] !== 'object' || at[key] === null) return;
    at = at[key] as Record<string | number, unknown>;
  }
  if (value === undefined) delete at[path.at(-1)!];
  else at[path.at(-1)!] = value;
}

const NUMBERS = [
  0,
  1,
  -1,
  5e-324,
  1e-9,
  0.5,
  2,
  1e3,
  1e6,
  1e9,
  1e12,
  1e15,
  1e18,
  1e21,
  1e308,
  Number.MAX_SAFE_INTEGER,
];
const EXTREMES = [...NUMBERS, null, undefined, [0, 0, 0], [0, 1, 1e18], [1, 1e9, 1e12], [1e9, 1, 1]];
const bare = demoJobs().map((job) => ({ ...job, forecasts: [] }));
const all: Job[] = [...bare, ...bare, ...demoJobs()];
const places = all.map((job) => spotsOf(job));

/** Everything a page works out of a job. */
function everything(job: Job): void {
  const found = verdict(job);
  nextStage(stages(job, { blocked: false, unmet: found.answer === 'falls short' }));
  toMarkdown(handover(job, found), 'shop');
  const flows = placesOf(job).map((place) => looked(briefAt(job, place)!));
  if (flows.includes(true)) freeze(job, 'again', '2026-01-01T00:00:00.000Z');
}

/** What a page works out of one place. @returns whether something that it does is forecast */
function looked(brief: Brief): boolean {
  const forecast = forecastJob(brief);
  repeatJob(brief, { years: 1 });
  if (!brief.build) return false;
  const situation = onJob(brief);
  for (const direction of ['read', 'write'] as const) findings(settingOf(situation, direction));
  optionsAt(
    situation,
    {
      ...SHOP,
      drives: SHOP.drives.slice(0, 2),
      cables: SHOP.cables.slice(0, 2),
      bridges: SHOP.bridges.slice(0, 2),
      hosts: [],
    },
    'cable',
    'write',
  );
  return forecast !== null && brief.activities.length > 0 && blocksAt(situation).length === 0;
}

/** What is taken of a job with one or several places changed. @returns null where the schema refuses it */
function taken(job: Job, changes: readonly (readonly [Spot, unknown])[]): Job | null {
  const data = structuredClone(job) as unknown;
  for (const [place, value] of changes) changed(data, place, value);
  const read = checkJob(data);
  return read.ok ? read.value : null;
}

describe('models never throw for a job that the schema takes', () => {
  test('the least rates, the largest sizes, the shortest times in each place of the input', () => {
    const inputs = (places: readonly Spot[]) =>
      places.filter(([head]) => ['machines', 'devices', 'connections', 'activities'].includes(String(head)));
    let count = 0;
    for (const job of bare.map((j) => ({ ...j, runs: j.runs.slice(0, 1) })))
      for (const place of sampled(inputs(spotsOf(job))))
        for (const value of [0, 1e3]) {
          const found = taken(job, [[place, value]]);
          if (!found) continue;
          count++;
          expect(() => verdict(found)).not.toThrow();
        }
    expect(count).toBeGreaterThan(draws(100));
  });

  test('whatever stands in several places at once', () => {
    let count = 0;
    // Whole numbers: doubles would nearly all be next to nothing, and so the first place of all.
    const change = fc.tuple(fc.integer({ min: 0, max: 999_999 }), fc.constantFrom(...EXTREMES));
    fc.assert(
      fc.property(
        fc.nat(all.length - 1),
        fc.array(change, { minLength: 1, maxLength: 2 }),
        (which, changes) => {
          const list = places[which]!;
          const found = taken(
            all[which]!,
            changes.map(([at, value]) => [list[Math.floor((at / 1e6) * list.length)]!, value]),
          );
          if (!found) return;
          count++;
          everything(found);
        },
      ),
      runs(200),
    );
    expect(count).toBeGreaterThan(draws(10));
  });

  test('a system that lets nothing through is refused, with what to do', () => {
    const still = structuredClone(bare[3]!);
    still.machines[1]!.host.systems![0]!.efficiency = { value: 0, source: { kind: 'entered' } };
    const read = checkJob(still);
    expect(read.ok ? [] : read.problems).toEqual([
      expect.stringMatching(/machines\.1\.host\.systems\.0\.efficiency.*at least 1 %/),
    ]);
  });

  test('a rate of zero at the other end, runs kept and nothing frozen: refused, never a page that stays white', () => {
    const offload = bare[0]!;
    const zero = structuredClone(offload);
    zero.machines[0]!.host.storage.read = { value: 0, source: { kind: 'entered' } };
    expect(checkJob(zero)).toMatchObject({
      ok: false,
      problems: [expect.stringMatching(/machines\.0\.host\.storage\.read\.value.*at least 1 kB\/s/)],
    });
  });

  test.each([
    [
      'a size beyond anything',
      (job: Job) => ({
        ...job,
        activities: [{ ...job.activities[0]!, bytes: { value: 1e308, source: { kind: 'entered' } } }],
      }),
      /activities\.0\.bytes\.value/,
    ],
    [
      'low above high',
      (job: Job) => ({ ...job, serviceYears: { value: [5, 4, 3], source: { kind: 'entered' } } }),
      /must rise/,
    ],
    [
      'a frozen result without a figure',
      (job: Job) => ({
        ...job,
        forecasts: [{ ...job.forecasts[0]!, results: [{ activity: 'offload', probability: null }] }],
      }),
      /holds no figure/,
    ],
    [
      'a frozen range upside down',
      (job: Job) => JSON.parse(JSON.stringify(job).replace(/"time":\{"low":[\d.]+/, '"time":{"low":1e9')),
      /low end lies above/,
    ],
    ['a version in quotes', (job: Job) => ({ ...job, kymarVersion: '1' }), /kymarVersion: "1" is no version/],
    ['a version named like a method', (job: Job) => ({ ...job, kymarVersion: 'constructor' }), /no version/],
  ])('%s is refused with its place', (_, broken, words) => {
    const read = checkJob(broken(demoJobs()[0]!));
    expect(!read.ok && read.problems.join('\n')).toMatch(words);
  });
});
