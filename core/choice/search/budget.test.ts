import { budgetWords } from './words';
import type { Candidate } from './candidate';
import type { Wanted } from './wanted';

const costing = (...costs: (number | null)[]) => costs.map((cost) => ({ cost }) as Candidate);
const wanted = (budget: number | null, pieces?: number) =>
  ({ budget, currency: 'EUR', ...(pieces && { pieces }) }) as Wanted;
const plain = (words: string | null) => words?.replace(/\u00a0/g, ' ') ?? null;

test('what the budget does not buy is said: nothing that works, or nothing that meets every target', () => {
  expect(plain(budgetWords(costing(210, 430), wanted(150), 430))).toBe(
    'Nothing that works costs at most 150 EUR: the cheapest that works costs 210 EUR.',
  );
  expect(plain(budgetWords(costing(210, null, 430), wanted(300, 2), 430))).toBe(
    'Nothing for at most 300 EUR each, for 2 meets every target: the cheapest that does costs 430 EUR.',
  );
  expect(budgetWords(costing(210, 430), wanted(430), 430)).toBeNull();
  expect(budgetWords(costing(210, 430), wanted(null), 430)).toBeNull();
  // Nothing meets every target at any price: that is said elsewhere.
  expect(budgetWords(costing(210, 430), wanted(300), null)).toBeNull();
});
