import { briefOf, recipes } from '../fixtures/recipes';
import { onJob } from '../fixtures/forecast';
import { fixes } from '../choice';
import type { Estimate } from '../evidence';
import { findings } from '../fit';
import { blocksAt, builtAs, forecastAll, pathOf, settingOf, type Situation } from '../forecast';
import { DIRECTIONS } from '../catalog/links';
import { SHOP } from '../catalog/stock';
import { draws, sampled } from '../fixtures/draws';

/*
 * What one screen says, another does not unsay: over varied jobs.
 */
const every = process.env.KYMAR_ALL ? 1 : 9;
const situations: Situation[] = recipes.jobs
  .filter((job, i) => i % every === 0 && (process.env.KYMAR_ALL || !job.slow))
  .map((recipe) => onJob(briefOf(recipe)));

test('no fix is offered that does not help by as much as it says', () => {
  let offered = 0;
  for (const situation of sampled(situations.filter((_, i) => i % 2 === 0)))
    for (const direction of DIRECTIONS) {
      const now = settingOf(situation, direction);
      const blocks = blocksOfSetting(now);
      for (const { build, flow, gain } of fixes(situation, SHOP, direction)) {
        offered++;
        const then = settingOf(builtAs(build)(situation), direction);
        const left = blocksOfSetting(then);
        const flows = left.length === 0 ? then.path.flow![direction].expected : null;
        expect(flows).toBe(flow);
        if (blocks.length > 0) expect(left.length).toBeLessThan(blocks.length);
        else {
          expect(flow!).toBeGreaterThan(now.path.flow![direction].expected * 1.05);
          expect(gain).toBeCloseTo(flow! - now.path.flow![direction].expected, 3);
        }
      }
    }
  expect(offered).toBeGreaterThan(draws(10));
});

const blocksOfSetting = (setting: ReturnType<typeof settingOf>): string[] =>
  findings(setting).flatMap((f) => (f.severity === 'blocks' ? [f.id] : []));

test('what Path blocks is blocked by a rule that says why, and what flows at all can be forecast', () => {
  for (const situation of situations) {
    const path = pathOf(situation);
    if (path.blocked.length > 0) expect(blocksAt(situation).length).toBeGreaterThan(0);
    expect(forecastAll(situation) === null).toBe(path.blocked.length > 0);
  }
});

test('the flow is the number of the slowest row, and a limit is named only where more would flow without it', () => {
  for (const situation of situations)
    for (const direction of DIRECTIONS) {
      const setting = settingOf(situation, direction);
      const { path } = setting;
      if (!path.flow) continue;
      expect(path.flow[direction].expected).toBe(
        Math.min(...path.constraints.map((c) => c.rate[direction].expected)),
      );
      const limits = findings(setting).filter((f) => f.severity === 'limits' && f.fix === null);
      if (limits.length > 0) expect(path.bottleneck![direction].next).not.toBeNull();
    }
});

const UNITS: Record<string, number> = {
  B: 1,
  kB: 1e3,
  MB: 1e6,
  GB: 1e9,
  TB: 1e12,
  PB: 1e15,
  'B/s': 1,
  'MB/s': 1e6,
  'B/day': 1,
  'kB/day': 1e3,
  'MB/day': 1e6,
  'GB/day': 1e9,
  'TB/day': 1e12,
  'Gb/s': 1e9,
  µs: 1e-6,
  ms: 1e-3,
  s: 1,
  min: 60,
  h: 3600,
  days: 86_400,
  years: 1,
  '%': 0.01,
  W: 1,
  '°C': 1,
  K: 1,
  'K/W': 1,
  'J/K': 1,
  Wh: 3600,
  IOPS: 1,
  'a day': 1,
  'a week': 1 / 7,
};
const names = Object.keys(UNITS)
  .sort((a, b) => b.length - a.length)
  .map((u) => u.replace('/', '\\/'));
const QUANTITY = new RegExp(`(\\d[\\d,]*(?:\\.\\d+)?)(?:\\s(${names.join('|')})(?![A-Za-z/]))?`, 'g');

/** What a filled-in formula comes to, by arithmetic on what is shown; null where it is none. */
function workedOut(filled: string): number | null {
  const [left] = filled.split(' = ');
  const plain = left!
    .replace(/\u00a0/g, ' ')
    // `4 min 05 s` is one quantity.
    .replace(
      /(\d+) h (\d\d) min (\d\d) s/g,
      (_, h, m, s) => `${Number(h) * 3600 + Number(m) * 60 + Number(s)} s`,
    )
    .replace(/(\d+) h (\d\d) min/g, (_, h, m) => `${Number(h) * 3600 + Number(m) * 60} s`)
    .replace(/(\d+) min (\d\d) s/g, (_, m, s) => `${Number(m) * 60 + Number(s)} s`)
    .replace(
      QUANTITY,
      (_, number: string, unit?: string) =>
        `(${Number(number.replaceAll(',', '')) * (unit ? UNITS[unit]! : 1)})`,
    )
    .replaceAll('÷', '/')
    .replaceAll('×', '*')
    .replaceAll('−', '-')
    .replace(/least of \(/g, 'least(')
    .replace(/\bmin\(|least\(/g, 'Math.min(')
    .replace(/\bmax\(|greatest of \(/g, 'Math.max(')
    .replaceAll(';', ',');
  if (!/^[\d.,()+\-*/e\s]*$/.test(plain.replace(/Math\.(min|max)/g, ''))) return null;
  try {
    const value = new Function(`return ${plain}`)() as unknown;
    return typeof value === 'number' && Number.isFinite(value) ? value : null;
  } catch {
    return null;
  }
}

test('the expected figure is what its shown formula gives, to the digits shown', () => {
  let checked = 0;
  const seen = new Set<Estimate>();
  const off: string[] = [];
  const check = (estimate: Estimate): void => {
    if (seen.has(estimate)) return;
    seen.add(estimate);
    const { because, expected } = estimate;
    const value = because.filled === undefined ? null : workedOut(because.filled);
    if (value !== null) {
      checked++;
      // Differences of like numbers lose digits: held against what is taken from.
      const scale = Math.max(Math.abs(expected), Math.abs(value), 1e-9);
      if (Math.abs(value - expected) > scale * 0.02)
        off.push(`${because.name}: ${because.filled} is not ${expected}`);
    }
    because.inputs?.forEach(check);
  };
  for (const situation of situations) {
    const found = forecastAll(situation);
    for (const { figure, rate, more } of found?.activities ?? [])
      [figure, ...(rate ? [rate] : []), ...more].forEach(check);
    if (found?.format) check(found.format);
  }
  expect(off).toEqual([]);
  expect(checked).toBeGreaterThan(150);
});
