import fc from 'fast-check';
import { demoBriefs, onJob } from '../../fixtures/forecast';
import { explaining, recordersFor } from '../../evidence';
import { run } from '../../models';
import { openedOver } from '../kinds/open';
import { worthFinding } from './worth';
import { worthWords, nothingWorth } from './words';
import { eachDraw, quantile, SAMPLES } from '../../stats';
import { collect, forecast, pathFor } from '../answer';
import { caseOf, type Case } from '../case';
import type { Activity, Move, Load, Scratch, Stream } from '../../job';
import { rising, toldBy } from './monotone';
import { runs, whole } from '../../fixtures/draws';

describe('the closest fit that rises', () => {
  const values = fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 1, maxLength: 7 });
  test('rises, keeps the sum, and no other rising line is closer: by trying them all', () => {
    expect(rising([3, 1, 2, 5, 4])).toEqual([2, 2, 2, 4.5, 4.5]);
    fc.assert(
      fc.property(values, (list) => {
        const fit = rising(list);
        for (let i = 1; i < fit.length; i++) expect(fit[i]!).toBeGreaterThanOrEqual(fit[i - 1]! - 1e-12);
        expect(fit.reduce((a, b) => a + b, 0)).toBeCloseTo(
          list.reduce((a, b) => a + b, 0),
          9,
        );
        // By the condition that a least-squares fit on a cone meets: no cumulative sum lies below the fit's.
        let [mine, theirs] = [0, 0];
        for (let i = 0; i < list.length; i++) {
          mine += fit[i]!;
          theirs += list[i]!;
          expect(theirs).toBeGreaterThanOrEqual(mine - 1e-9);
        }
      }),
      runs(100),
    );
  });
  test('a signal that tells all, one that tells nothing, one that falls', () => {
    const met = [0, 0, 0, 1, 1];
    expect([...toldBy([1, 2, 3, 4, 5], met)]).toEqual(met);
    expect([...toldBy([7, 7, 7, 7, 7], met)]).toEqual([0.4, 0.4, 0.4, 0.4, 0.4]);
    expect([...toldBy([5, 4, 3, 2, 1], met)]).toEqual(met);
  });
});

const archive = demoBriefs().find(
  (b) => b.build?.drive.media === 'disk' && b.activities.some((a) => a.kind === 'move'),
)!;
const caseWith = (target: number, change: (move: Move) => Move = (m) => m): Case => {
  const moves = archive.activities.filter((a): a is Move => a.kind === 'move');
  const move = change({ ...moves[0]!, target });
  const situation = onJob({ ...archive, activities: [move] });
  return caseOf(situation, move.id);
};

/** Times of a case's draws, and of a copy of some of it. */
function drawsOf(of: Case, seed: number, bytes: number) {
  const inputs = collect(explaining, of)!;
  const [times, shown] = [new Float64Array(SAMPLES), new Float64Array(SAMPLES)];
  eachDraw(inputs, seed, ({ x, chosen }, i) => {
    times[i] = run(inputs.plan(x, chosen)).flows[inputs.own - 1]!.safe;
    const files = (x.files! * bytes) / x.bytes!;
    shown[i] = run(inputs.plan({ ...x, bytes, files }, chosen)).flows[0]!.safe;
  });
  return { times, shown };
}

describe('what is worth finding out', () => {
  // A target that seven of ten draws meet: open enough that it pays to ask.
  const target = Math.round([...drawsOf(caseWith(1), 20, 1e9).times].sort((a, b) => a - b)[0.7 * SAMPLES]!);
  const of = caseWith(target);
  const found = worthFinding(of, 0.9)!;

  whole('following the first suggestion changes the promise as often as claimed, in 500 seeded cases', () => {
    const [first] = found.list;
    expect(first!.changes).toBeGreaterThan(0.1);
    // The reference knows many more draws, and looks at those whose copy took as long.
    const many = [201, 202, 203, 204].map((seed) => drawsOf(of, seed, first!.bytes));
    const pairs = many
      .flatMap(({ times, shown }) => [...shown].map((s, i) => ({ s, met: Number(times[i]! <= target) })))
      .sort((a, b) => a.s - b.s);
    const truth = drawsOf(of, 77, first!.bytes);
    const cases = [...truth.shown.slice(0, 500)];
    const changed = cases.filter((signal) => {
      const at = pairs.findIndex(({ s }) => s >= signal);
      const near = pairs.slice(Math.max(0, at - 100), at + 100);
      const told = near.reduce((sum, { met }) => sum + met, 0) / near.length;
      return told >= found.sure !== found.now >= found.sure;
    }).length;
    const spread = Math.sqrt((first!.changes * (1 - first!.changes)) / 500);
    expect(Math.abs(changed / 500 - first!.changes)).toBeLessThan(3 * spread + 0.03);
  });

  test('timing the whole copy settles it: it changes the promise as often as the target is met, or missed', () => {
    const whole = worthFinding(
      caseWith(target / 10, (m) => ({ ...m, bytes: { value: 15e9, source: { kind: 'entered' } } })),
      0.9,
    )!;
    const last = whole.list.find(({ id }) => id === 'time long copy');
    if (last) expect(last.changes).toBeCloseTo(whole.now >= 0.9 ? 1 - whole.now : whole.now, 1);
    for (const one of found.list) {
      expect(one.changes).toBeGreaterThanOrEqual(0.02);
      expect(one.changes).toBeLessThanOrEqual(1);
      expect(one.narrower).toBeLessThanOrEqual(1);
    }
  });

  test('sorted by what a minute changes; nothing is suggested where nothing would change it', () => {
    const rates = found.list.map((w) => w.changes / w.minutes);
    expect(rates).toEqual([...rates].sort((a, b) => b - a));
    const easy = worthFinding(caseWith(400 * 3600), 0.9)!;
    expect(easy.list).toEqual([]);
    expect(nothingWorth(easy)).toMatch(/can be promised \(over 99 % probable\)/);
    const hopeless = worthFinding(caseWith(60), 0.9)!;
    expect(hopeless.list).toEqual([]);
    expect(nothingWorth(hopeless)).toMatch(/cannot be promised .* change the build/);
    expect(worthWords(found.list[0]!, found)).toMatch(
      /: in \d.* of cases it changes whether .* can be promised, now .* probable\./,
    );
  });

  test('without a target there is nothing to say; nor of what only stays', () => {
    const none = caseWith(60, (m) => ({ ...m, target: null }));
    expect(worthFinding(none, 0.9)).toBeNull();
    const brief = demoBriefs().find((b) => b.build && b.activities.some((a) => a.kind === 'keep'))!;
    const kept = brief.activities.find((a) => a.kind === 'keep')!;
    expect(worthFinding(caseOf(onJob(brief), kept.id), 0.9)).toBeNull();
  });
});

const between = (low: number, expected: number, high: number) => ({
  value: [low, expected, high] as [number, number, number],
  source: { kind: 'entered' as const },
});
const exact = (value: number) => ({ value, source: { kind: 'entered' as const } });

const common = { id: 'work', name: 'Takes', perDay: exact(2), target: null };
const work = {
  open: {
    ...common,
    kind: 'open',
    processing: exact(9),
    bytes: exact(7e9),
    dependentReads: exact(3e4),
  } as Load,
  stream: {
    ...common,
    kind: 'stream',
    direction: 'write',
    rate: exact(55e6),
    streams: 3,
    lasts: exact(1800),
    buffer: exact(2),
  } as Stream,
  scratch: {
    ...common,
    kind: 'scratch',
    operations: exact(5e6),
    reads: 0.6,
    block: 16384,
    depth: 4,
    span: exact(40e9),
    synchronous: false,
  } as Scratch,
};

/** Work of a kind, changed, on the demo's first drive of a kind. */
function changed<K extends keyof typeof work>(
  kind: K,
  change: Partial<(typeof work)[K]>,
  media: 'disk' | 'flash' = 'flash',
): Case {
  const brief = demoBriefs().find((b) => b.build?.drive.media === media)!;
  const activity = { ...work[kind], ...change } as Activity;
  return caseOf(onJob({ ...brief, activities: [activity] }), activity.id);
}

/** How often the promise changes where one input is told, by forecasting anew with each of so many values of it. */
function byTelling(values: readonly number[], told: (value: number) => Case, sure: number, now: number) {
  const changes = values.filter((v) => forecast(told(v)).probability! >= sure !== now >= sure);
  return changes.length / values.length;
}
const quantiles = (low: number, mid: number, high: number, n: number) =>
  Array.from({ length: n }, (_, i) => quantile({ low, expected: mid, high }, (i + 0.5) / n));

describe('of loads, streams and scratch work', () => {
  const load = (processing: Load['processing'], target: number) =>
    changed('open', {
      target,
      processing,
      bytes: between(3e9, 7e9, 19e9),
      dependentReads: between(4e3, 3e4, 9e4),
    });
  test('a load: watching it where it lies today changes the promise as often as claimed, in 500 seeded cases', () => {
    const of = load(between(4, 9, 21), 19);
    const found = worthFinding(of, 0.8)!;
    expect(found.now).toBe(forecast(of).probability);
    const first = found.list.find(({ id }) => id === 'watch load');
    expect(worthWords(first!, found)).toMatch(/^Watch one load .* whether 19\u00a0?.*s can be promised/);
    // The reference: many more draws of what a load is made of, the formula written out.
    const record = recordersFor(of.shopRanges).explaining;
    const { rate, latency } = openedOver(record, of as Case<Load>, pathFor(of));
    const all = {
      inputs: {
        own: { low: 4, expected: 9, high: 21 },
        bytes: { low: 3e9, expected: 7e9, high: 19e9 },
        requests: { low: 4e3, expected: 3e4, high: 9e4 },
        rate,
        latency,
      },
    };
    const drawn = (seed: number) => {
      const list: { shown: number; met: number }[] = [];
      eachDraw(all, seed, ({ x }) => {
        const shown = x.own + x.bytes / rate.expected + x.requests * latency.expected;
        list.push({ shown, met: Number(x.own + x.bytes / x.rate + x.requests * x.latency <= 19) });
      });
      return list;
    };
    const many = [31, 32, 33, 34, 35].flatMap(drawn).sort((a, b) => a.shown - b.shown);
    const cases = drawn(99).slice(0, 500);
    const changes = cases.filter(({ shown }) => {
      const at = many.findIndex((one) => one.shown >= shown);
      const near = many.slice(Math.max(0, at - 60), at + 60);
      const told = near.reduce((sum, { met }) => sum + met, 0) / near.length;
      return told >= 0.8 !== found.now >= 0.8;
    }).length;
    const spread = Math.sqrt((first!.changes * (1 - first!.changes)) / 500);
    expect(first!.changes).toBeGreaterThan(0.1);
    expect(Math.abs(changes / 500 - first!.changes)).toBeLessThan(3 * spread + 0.02);
  });

  whole('streams: the bit rate of one, told, changes the promise as often as claimed', () => {
    const [low, mid, high] = [3e6, 12e6, 60e6];
    const of = (rate: Stream['rate']) => changed('stream', { rate }, 'disk');
    const open = of(between(low, mid, high));
    const now = forecast(open).probability!;
    expect(now).toBeGreaterThan(0.3);
    expect(now).toBeLessThan(1);
    const found = worthFinding(open, 0.9)!;
    expect(found.now).toBe(now);
    const asked = found.list.find(({ id }) => id === 'ask rate')!;
    expect(worthWords(asked, found)).toMatch(/whether no stall can be promised/);
    const truth = byTelling(quantiles(low, mid, high, 20), (v) => of(exact(v)), 0.9, now);
    expect(Math.abs(truth - asked.changes)).toBeLessThan(0.08);
  });

  test('scratch work: the operations of a day, told, change the promise as often as claimed', () => {
    const [low, mid, high] = [1e6, 5e6, 3e7];
    const of = (operations: Scratch['operations'], target = 1) => changed('scratch', { operations, target });
    const wait = forecast(of(exact(mid))).figure.expected;
    const open = of(between(low, mid, high), wait * 1.4);
    const found = worthFinding(open, 0.9)!;
    expect(found.now).toBe(forecast(open).probability);
    const asked = found.list.find(({ id }) => id === 'ask operations')!;
    const truth = byTelling(quantiles(low, mid, high, 40), (v) => of(exact(v), wait * 1.4), 0.9, found.now);
    expect(asked.changes).toBeGreaterThan(0.1);
    expect(Math.abs(truth - asked.changes)).toBeLessThan(0.06);
  });
});
