import { ASSUMPTIONS, type OwnRanges } from '../catalog/assumptions';
import { flashClasses, type FlashClass } from '../catalog/classes';
import type { Drive } from '../catalog/parts';
import { DRIVES } from '../catalog/stock';
import { demoJobs } from '../demo';
import { timedRun } from '../fixtures/runs';
import { caseOf, CHOICES, eachTime, screen, situationOf } from '../forecast';
import { briefAt, placesOf, withBuild, type Job, type Move } from '../job';
import { gaussian, median, noise } from '../stats';
import { learnedFromJobs, type LearnedRow } from '.';
import { draws } from '../fixtures/draws';

const [offload] = demoJobs() as [Job];
const place = placesOf(offload)[0]!;
const unknown = { value: null, source: { kind: 'unknown' as const } };

/** A drive of whose flash nobody says anything. */
const sealed: Drive = (() => {
  const { map: _, revisions: __, ...rest } = DRIVES.find(({ id }) => id === 'larkmoor-reed-2t')!;
  return { ...rest, cell: null, rest: unknown, cache: unknown, tbw: unknown };
})();
const blank: Job = (() => {
  const build = { ...situationOf(briefAt(offload, place)!)!.build, drive: sealed };
  const made = withBuild({ ...offload, forecasts: [], runs: [] }, place, build);
  const write = made.activities.find((a): a is Move => a.kind === 'move' && a.direction === 'write')!;
  // More than any cache holds.
  const large = { ...write, bytes: { ...write.bytes, value: 900e9 } };
  return { ...made, activities: [large] };
})();
const work = blank.activities[0] as Move;
const situation = (shopRanges: OwnRanges = {}) => situationOf(briefAt(blank, place)!, shopRanges)!;

/** What units of each class take, s. */
const units = (() => {
  const found: { id: FlashClass; seconds: number }[] = [];
  eachTime(caseOf(situation(), work.id), ({ safe, chosen }) =>
    found.push({ id: chosen[CHOICES.class] as FlashClass, seconds: safe }),
  );
  return found;
})();

/** An accepted job on a unit of a class. @param wrong so many times as long as that unit takes */
function jobOf(id: FlashClass, seed: number, wrong = 1): Job {
  const own = units.filter((unit) => unit.id === id);
  const { seconds } = own[(seed * 7) % own.length]!;
  const normal = gaussian(noise(seed + 5));
  const runs = [0, 1, 2].map((i) =>
    timedRun(
      {
        bytes: 900e9,
        files: work.files.value as number,
        seconds: seconds * wrong * Math.exp(0.01 * normal()),
      },
      { id: `run-${i}`, activity: work.id, direction: 'write' },
    ),
  );
  const decision = { kind: 'accept' as const, words: '', at: '2026-12-02T10:00:00.000Z' };
  return { ...blank, id: `shop-${seed}`, runs, decision, chain: undefined };
}

const rowsOf = (jobs: readonly Job[]) =>
  new Map(learnedFromJobs(jobs).flatMap((r): [string, LearnedRow][] => [[r.row, r]]));
const QLC = 'pcie-qlc.common';

describe('how common classes are at this shop', () => {
  // Whoever sells cheap drives sees one class again and again.
  const cheap = Array.from({ length: draws(12, 6) }, (_, i) =>
    jobOf(i % 6 === 0 ? 'pcie-tlc-large' : 'pcie-qlc', i + 1),
  );
  const learned = rowsOf(cheap);
  const shopRanges: OwnRanges = Object.fromEntries(
    [...learned.values()]
      .filter(({ row }) => row.endsWith('.common'))
      .map(({ row, learned: to }) => [row, to]),
  );

  test('drives of one class make it more common, and the next one likelier of it', () => {
    const row = learned.get(QLC)!;
    expect(row.prior).toEqual(ASSUMPTIONS[QLC].value);
    expect(row.learned.expected).toBeGreaterThan(1.6 * row.prior.expected);
    expect(row.learned.low).toBeLessThan(10 / 12);
    expect(row.learned.high).toBeGreaterThan(10 / 12);
    const weight = (ranges: OwnRanges) =>
      flashClasses(sealed, ranges).find(({ id }) => id === 'pcie-qlc')!.weight;
    expect(weight(shopRanges)).toBeGreaterThan(weight({}) + 0.2);
    const shares = [...learned.values()].filter(({ row: r }) => /^pcie.*common$/.test(r));
    expect(shares.reduce((sum, { learned: to }) => sum + to.expected, 0)).toBeCloseTo(1, 9);
  });

  test('what tells the class does not tell the figures of one that it may not be of', () => {
    expect([...learned.keys()].filter((row) => /^(pcie|sata)/.test(row) && !row.endsWith('.common'))).toEqual(
      [],
    );
  });

  test('the next drives’ forecasts lie closer', () => {
    const later = Array.from({ length: 8 }, (_, i) => jobOf('pcie-qlc', 40 + i));
    const off = (ranges: OwnRanges) => {
      const expected = screen(caseOf(situation(ranges), work.id))!;
      return median(
        later.map(({ runs }) => {
          const [{ measure }] = runs as [Job['runs'][number]];
          return Math.abs(Math.log(expected / (measure.kind === 'timed' ? measure.seconds : NaN)));
        }),
      );
    };
    expect(off(shopRanges)).toBeLessThan(off({}) / 2);
  });

  test('few are drawn towards what is assumed; a time of no class is set aside', () => {
    const two = rowsOf(cheap.slice(1, 3)).get(QLC)!;
    expect(two.learned.expected).toBeLessThan(learned.get(QLC)!.learned.expected);
    expect(two.learned.expected).toBeGreaterThan(two.prior.expected);
    const wrong = rowsOf([...cheap, jobOf('pcie-qlc', 77, 30)]).get(QLC)!;
    expect(wrong.aside).toBe(1);
    expect(wrong.learned).toEqual(learned.get(QLC)!.learned);
  });

  test('a drive whose cells are named teaches nothing of it; nor does a job that was not accepted', () => {
    const [job] = cheap as [Job];
    expect(rowsOf([{ ...job, decision: null }]).size).toBe(0);
    const brief = briefAt(job, place)!;
    const named = withBuild(job, place, { ...brief.build!, drive: { ...sealed, cell: 'TLC' } });
    expect([...rowsOf([named]).keys()].filter((row) => row.endsWith('.common'))).toEqual([]);
    expect([...rowsOf([job]).keys()]).toContain(QLC);
  });
});

test('a disk teaches the figures of its class where its turns are known, and of none where it may be of two', () => {
  const [, , , archive] = demoJobs() as [Job, Job, Job, Job];
  const [at] = placesOf(archive) as [ReturnType<typeof placesOf>[number]];
  const build = situationOf(briefAt(archive, at)!)!.build;
  const { rpm: _, ...rest } = { ...build.drive, read: unknown, write: unknown, rest: unknown };
  const { machine: __, ...back } = archive.activities.find(
    (a): a is Move => a.kind === 'move' && a.direction === 'read',
  )!;
  const large: Move = { ...back, bytes: { ...back.bytes, value: 90e9 }, files: { ...back.files, value: 12 } };
  const rowsBy = (drive: Drive): string[] => {
    const made = withBuild({ ...archive, forecasts: [], activities: [large] }, at, { ...build, drive });
    const seconds = 1.25 * screen(caseOf(situationOf(briefAt(made, at)!)!, large.id))!;
    const runs = [0, 1].map((i) =>
      timedRun(
        { bytes: 90e9, files: 12, seconds: seconds * (1 + 0.01 * i) },
        { id: `run-${i}`, activity: large.id, direction: 'read' },
      ),
    );
    const decision = { kind: 'accept' as const, words: '', at: '2026-12-02T10:00:00.000Z' };
    return learnedFromJobs([{ ...made, runs, decision, chain: undefined }]).map(({ row }) => row);
  };
  expect(rowsBy({ ...rest, rpm: 5400 })).toContain('disk-25.outer');
  expect(rowsBy(rest).filter((row) => row.startsWith('disk-'))).toEqual([]);
});
