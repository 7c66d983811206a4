import { briefOf, recipes } from '../fixtures/recipes';
import { onJob } from '../fixtures/forecast';
import { findings } from '../fit';
import { settingOf } from '.';
import { DIRECTIONS } from '../catalog/links';
import type { Brief } from '../job';
import { forecastAll } from '.';
import { draws, sampled } from '../fixtures/draws';

/*
 * No word of a part, a person or a model decides anything: swapped for others, all figures and findings stay.
 */
const WORDS = new Set([
  'name',
  'model',
  'maker',
  'position',
  'note',
  'title',
  'customer',
  'system',
  'chip',
  'why',
]);
let swaps = 0;

/** The same job in other words, all of them the same. */
function reworded<T>(value: T, key = ''): T {
  if (typeof value === 'string' && WORDS.has(key)) {
    swaps++;
    return 'Word' as T;
  }
  if (Array.isArray(value)) return value.map((v) => reworded(v, key)) as T;
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, reworded(v, k)])) as T;
}

/** A drive's revision is known by its name: names of revisions tell them apart. */
const named = (job: Brief): Brief => ({
  ...job,
  build: job.build && {
    ...job.build,
    drive: {
      ...job.build.drive,
      revisions: job.build.drive.revisions?.map((r, i) => ({ ...r, name: `R${i}` })),
      revision:
        job.build.drive.revisions &&
        job.build.drive.revision &&
        `R${job.build.drive.revisions.findIndex((r) => r.name === job.build!.drive.revision)}`,
    },
  },
});

function inOtherWords(job: Brief): Brief {
  const { revisions, revision } = named(job).build!.drive;
  const other = reworded(job);
  return { ...other, build: { ...other.build!, drive: { ...other.build!.drive, revisions, revision } } };
}

const numbersOf = (job: Brief) => {
  const situation = onJob(job);
  const found = forecastAll(situation);
  return {
    figures: found?.activities.map(({ figure, rate, probability, course }) => [
      [figure.low, figure.expected, figure.high],
      rate?.expected,
      probability,
      course?.causes,
      course?.phases.map((p) => p.limit),
    ]),
    life: found && 'dwpd' in found.life ? found.life.fromNew?.expected : null,
    findings: DIRECTIONS.map((d) =>
      findings(settingOf(situation, d)).map(({ id, severity, segment, policy }) => [
        id,
        severity,
        segment,
        policy,
      ]),
    ),
  };
};

test('all words swapped for one other: the same figures and findings', () => {
  for (const recipe of sampled(recipes.jobs.filter((r, i) => !r.slow && i % 4 === 0))) {
    const job = briefOf(recipe);
    expect(numbersOf(inOtherWords(job))).toEqual(numbersOf(named(job)));
  }
  expect(swaps).toBeGreaterThan(draws(1500));
});
