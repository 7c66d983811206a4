import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { forecastAll, forecastDays, situationOf } from '../forecast';
import { briefOf, recipes } from '../fixtures/recipes';
import type { Brief } from '../job';

/*
 * Figures of 340 varied jobs, frozen before the house was rebuilt: the move itself changes none of them. Where a defect that is taken away
 * changes one, its commit says so. KYMAR_FREEZE=1 writes them anew. The folder goes when figures change on purpose. What takes long (things
 * that go on at the same time, heat in steps) is compared with KYMAR_ALL=1.
 */
const at = (name: string) => join(__dirname, name);

type Points = { low: number; expected: number; high: number };
const points = (s: Points | null | undefined) => (s ? [s.low, s.expected, s.high] : null);

/** Everything that is figured out of a job, in numbers. */
function figuresOf(job: Brief, days: boolean): unknown {
  const situation = situationOf(job)!;
  const found = forecastAll(situation)!;
  const { path, life, array } = found;
  const lived = days ? forecastDays(situation, { years: 1.5 }) : null;
  return {
    flow: path.flow && [points(path.flow.read), points(path.flow.write)],
    constraints: path.constraints.map((c) => [points(c.rate.read), points(c.rate.write)]),
    activities: found.activities.map(({ figure, rate, probability, more, course }) => ({
      figure: points(figure),
      rate: points(rate),
      probability,
      more: more.map(points),
      ...(course
        ? {
            bar: points(course.bar),
            hottest: points(course.hottest),
            energy: points(course.energy),
            stretches: course.stretches.length,
            shares: course.causes.map((c) => c.share),
          }
        : {}),
    })),
    life: 'dwpd' in life ? [points(life.dwpd), points(life.fromNew), points(life.left)] : null,
    workload: points(found.workload),
    array: array && [
      points(array.usable),
      array.survives,
      array.smallWrite,
      points(array.rebuild),
      points(array.rebuildFails),
      points(array.loss),
    ],
    format: points(found.format),
    ...(lived
      ? {
          days: [
            lived.days.length,
            lived.days.at(-1)!.seconds,
            points(lived.ends.full),
            points(lived.ends.worn),
            lived.ends.slow.map((s) => points(s.when)),
          ],
        }
      : {}),
  };
}

/** Infinity does not fit into JSON. */
const plain = (value: unknown): unknown =>
  JSON.parse(
    JSON.stringify(value, (_, v: unknown) =>
      typeof v === 'number' ? (Number.isFinite(v) ? Number(v.toPrecision(13)) : String(v)) : v,
    ),
  );

/** Where two differ by more than 1e-9 of what they are. */
function differences(now: unknown, then: unknown, place: string): string[] {
  if (typeof now === 'number' && typeof then === 'number')
    return Math.abs(now - then) <= 1e-9 * Math.max(Math.abs(now), Math.abs(then))
      ? []
      : [`${place}: ${then} → ${now}`];
  if (typeof now === 'object' && typeof then === 'object' && now !== null && then !== null) {
    const keys = new Set([...Object.keys(now), ...Object.keys(then)]);
    return [...keys].flatMap((key) =>
      differences(
        (now as Record<string, unknown>)[key],
        (then as Record<string, unknown>)[key],
        `${place}.${key}`,
      ),
    );
  }
  return now === then ? [] : [`${place}: ${String(then)} → ${String(now)}`];
}

const ALL = process.env.KYMAR_ALL !== undefined || process.env.KYMAR_FREEZE !== undefined;

test('no figure of 340 jobs changes', () => {
  const list = recipes.jobs
    .map((recipe, i) => ({ recipe, days: i % 6 === 0, place: i }))
    .filter(({ recipe }) => ALL || !recipe.slow);
  const now = list.map(({ recipe, days }) => plain(figuresOf(briefOf(recipe), days)));
  if (process.env.KYMAR_FREEZE)
    writeFileSync(at('figures.json'), `[\n${now.map((one) => JSON.stringify(one)).join(',\n')}\n]\n`);
  const then = JSON.parse(readFileSync(at('figures.json'), 'utf8')) as unknown[];
  expect(then).toHaveLength(recipes.jobs.length);
  expect(now.flatMap((one, i) => differences(one, then[list[i]!.place], list[i]!.recipe.id))).toEqual([]);
});
