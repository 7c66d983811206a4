import { CAUSES, HEALTHY } from '../diagnosis';
import {
  begun,
  debrief,
  hiddenIn,
  levelOf,
  LEVELS,
  possible,
  resultOf,
  rigOf,
  roundOf,
  type PracticeStep,
} from '.';
import { draws } from '../fixtures/draws';

const rounds = (level: number, count: number) =>
  Array.from({ length: count }, (_, i) => roundOf(level, i + 1));
/** A round of a level that hides what is asked for. */
function roundWith(level: number, is: (ids: string[]) => boolean) {
  for (let seed = 1; seed < 60; seed++) {
    const round = roundOf(level, seed);
    if (is(hiddenIn(round))) return round;
  }
  throw new RangeError('None of them hides that.');
}

test('four levels, each harder; one that is not there is refused', () => {
  expect(LEVELS.map(({ id }) => id)).toEqual([1, 2, 3, 4]);
  expect(() => levelOf(5)).toThrow(RangeError);
  expect(LEVELS.map(({ shows }) => shows)).toEqual(
    [...LEVELS.map(({ shows }) => shows)].sort((a, b) => b - a),
  );
});

test('the same level and seed hide the same and give the same; another seed hides another', () => {
  const [a, b] = [roundOf(2, 7), roundOf(2, 7)];
  expect(hiddenIn(a)).toEqual(hiddenIn(b));
  expect(rigOf(a, [])).toEqual(rigOf(b, []));
  expect(new Set(rounds(2, 8).map((r) => hiddenIn(r).join())).size).toBeGreaterThan(3);
});

test('levels 1 and 2 always hide something; 1 at a port or a cable; 3 and 4 also nothing, 4 also two', () => {
  for (const round of rounds(1, draws(6, 2))) {
    const [id] = hiddenIn(round);
    expect(['port', 'cable']).toContain(CAUSES.find((c) => c.id === id)!.site);
  }
  expect(rounds(2, draws(6, 2)).every((r) => hiddenIn(r).length === 1)).toBe(true);
  const counts = new Set(rounds(4, draws(16, 10)).map((r) => hiddenIn(r).length));
  expect([...counts].sort()).toEqual([0, 1, 2]);
  expect(rounds(3, 10).some((r) => hiddenIn(r).length === 0)).toBe(true);
});

describe('a round played', () => {
  const round = roundWith(1, (ids) => ids[0] === 'slower port' || ids[0] === 'usb-2 cable');
  const [truth] = hiddenIn(round);
  const look: PracticeStep = { activity: 0, look: 'look at the link' };

  test('what is done is no longer offered, and costs its minutes', () => {
    const before = rigOf(round, []);
    const after = rigOf(round, [look]);
    const offers = (rig: typeof before) => rig.actions.some((a) => a.activity === 0 && a.look === look.look);
    expect([offers(before), offers(after)]).toEqual([true, false]);
    expect(before.minutes).toBe(0);
    expect(after.minutes).toBe(after.done[0]!.minutes);
    expect(possible(round, begun(round)).length).toBe(before.actions.length);
    expect(resultOf(round, look)).toEqual(resultOf(round, look));
  });

  test('the right way out is among those offered, and nothing tells which', () => {
    const rig = rigOf(round, []);
    expect(rig.fixes).toContain(round.cause!.fix);
    expect(new Set(rig.fixes).size).toBe(rig.fixes.length);
    expect(rig.causes.map(({ id }) => id)).toEqual(expect.arrayContaining([truth, HEALTHY]));
    expect(JSON.stringify({ ...rig, fixes: [], causes: [], titles: {} })).not.toContain(round.cause!.title);
  });

  test('won: the cause and its fix; the look told, and the shortest way is no longer', () => {
    const found = debrief(round, [look], { cause: truth!, fix: round.cause!.fix });
    expect(found).toMatchObject({ isRight: true, isRightFix: true, truth: round.cause!.title });
    expect(found.steps[0]!.after).toBeGreaterThan(found.steps[0]!.before);
    // The link alone leaves port and cable open: the shortest way to be sure is no longer than both looks.
    const both = debrief(round, [look, { activity: 0, look: 'look at the port' }], {
      cause: truth!,
      fix: null,
    });
    expect(found.best).toBeLessThanOrEqual(both.minutes + 1e-9);
  });

  test('lost: another cause, or the right one with another way out', () => {
    const other = CAUSES.find((c) => c.site === 'figures')!;
    expect(debrief(round, [look], { cause: other.id, fix: other.fix }).isRight).toBe(false);
    expect(debrief(round, [], { cause: truth!, fix: null })).toMatchObject({ isRightFix: false, minutes: 0 });
    expect(debrief(round, [look], { cause: HEALTHY, fix: null }).isRight).toBe(false);
  });
});

test('a healthy one is won by leaving it as it is', () => {
  const round = roundWith(3, (ids) => ids.length === 0);
  const found = debrief(round, [], { cause: HEALTHY, fix: null });
  expect(found).toMatchObject({ truth: null, isRight: true, isRightFix: true });
});
