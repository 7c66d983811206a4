import { exactFact, recordersFor } from '../evidence';
import { briefOf, recipes } from '../fixtures/recipes';
import { onJob } from '../fixtures/forecast';
import { caseOf, collect, forecast, pathFor, screen, type Case } from '.';
import { sampled } from '../fixtures/draws';

const cases: Case[] = recipes.jobs
  .filter((recipe) => !recipe.slow)
  .flatMap((recipe) => {
    const situation = onJob(briefOf(recipe));
    return situation.activities.map((activity) => caseOf(situation, activity.id));
  });

describe('screening', () => {
  test('what is collected bare is what is collected with its working, to the last bit', () => {
    const { bare, explaining } = recordersFor();
    let count = 0;
    for (const of of cases) {
      const [numbers, told] = [collect(bare, of), collect(explaining, of)];
      expect(numbers === null).toBe(told === null);
      if (!numbers || !told) continue;
      expect(Object.keys(numbers.inputs)).toEqual(Object.keys(told.inputs));
      for (const [id, { low, expected, high }] of Object.entries(told.inputs)) {
        count++;
        expect(numbers.inputs[id]).toMatchObject({ low, expected, high });
      }
    }
    expect(count).toBeGreaterThan(3000);
  });

  test('the screened figure is the end of the explained course, or the explained figure itself', () => {
    const kinds = new Set<string>();
    for (const of of sampled(
      cases.filter((_, i) => i % 5 === 0),
      24,
    )) {
      const { kind } = of.activity;
      if (kind === 'stream') continue;
      kinds.add(kind);
      const { figure, course } = forecast(of, pathFor(of));
      const end = course?.stretches.at(-1);
      // A verified copy is read back after its course.
      if (kind === 'move' && of.activity.verify) continue;
      if (end) expect(screen(of)! / (end.from + end.seconds)).toBeCloseTo(1, 12);
      else expect(screen(of)).toBe(figure.expected);
    }
    expect([...kinds].sort()).toEqual(['keep', 'move', 'open', 'scratch']);
  });

  test('a stream that is known exactly has its margin', () => {
    const [of] = cases.filter((c) => c.activity.kind === 'stream');
    if (of?.activity.kind !== 'stream') throw new Error('no stream');
    const activity = { ...of.activity, rate: exactFact(20e6), lasts: exactFact(600) };
    const known: Case = { ...of, activities: [activity], activity };
    const { figure } = forecast(known);
    expect(screen(known)!).toBeGreaterThanOrEqual(figure.low);
    expect(screen(known)!).toBeLessThanOrEqual(figure.high);
  });
});
