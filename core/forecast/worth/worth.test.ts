import fc from 'fast-check';
import { demoBriefs, onJob } from '../../fixtures/forecast';
import { explaining } from '../../evidence';
import { run } from '../../models/transfer';
import { eachDraw, SAMPLES } from '../../stats';
import { collect } from '../answer';
import { caseOf, type Case } from '../case';
import type { Move } from '../../job';
import { rising, toldBy } from './monotone';
import { worthFinding, worthWords, nothingWorth } from '.';

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

  test('following the first suggestion changes the promise as often as claimed, in 500 seeded cases', () => {
    const [first] = found.list;
    expect(first!.changes).toBeGreaterThan(0.1);
    // The reference knows many more draws, and looks at those whose copy took as long.
    const many = [201, 202, 203, 204].map((seed) => drawsOf(of, seed, first!.bytes));
    const pairs = many
      .flatMap(({ times, shown }) =>
        [...shown].map((s, i) => ({ s, met: Number(times[i]! <= found.target) })),
      )
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

  test('without a target, or of what is not moved, there is nothing to say', () => {
    expect(
      worthFinding(
        caseWith(60, (m) => ({ ...m, target: null })),
        0.9,
      ),
    ).toBeNull();
    const bay = demoBriefs().find((b) => b.build && b.activities.some((a) => a.kind === 'open'))!;
    const load = bay.activities.find((a) => a.kind === 'open')!;
    expect(worthFinding(caseOf(onJob(bay), load.id), 0.9)).toBeNull();
  });
});
