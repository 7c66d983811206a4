import { CABLES, DRIVES, HOSTS } from '../../catalog/stock';
import { demoBriefs } from '../../fixtures/forecast';
import type { Move } from '../../job';
import { apartWords, buysWords, gainsOn, nothingToGain } from './gain';
import type { Candidate } from './candidate';
import type { Wanted } from './wanted';

const [brief] = demoBriefs();
const { build: _, ...open } = brief!;
const copy = open.activities.find(({ kind }) => kind === 'move') as Move;
const named = (name: string) => ({
  ...open,
  host: { ...HOSTS[0]!, name },
  activities: [{ ...copy, name: 'Copy' }],
});
const wanted = (...names: string[]) =>
  ({
    places: names.map(named),
    owned: [],
    currency: 'EUR',
    budget: null,
    probability: 0.9,
    shopRanges: {},
  }) as Wanted;
const made = (
  id: string,
  cost: number | null,
  figures: (number | null)[],
  misses: Candidate['misses'] = [],
) =>
  ({
    id,
    cost,
    figures,
    misses,
    waits: figures.reduce<number>((sum, s) => sum + (s ?? 0), 0),
    build: { drive: DRIVES[0], bridge: null, cable: CABLES[0], port: 'p', hops: [] },
    elsewhere: [],
  }) as unknown as Candidate;

test('what nobody feels is said to be nothing: under two seconds, or under a twentieth', () => {
  const two = wanted('Desk');
  expect(gainsOn(made('a', 1, [60]), made('b', 1, [61.5]), two)).toMatchObject([
    { seconds: 1.5, isFelt: false },
  ]);
  expect(gainsOn(made('a', 1, [600]), made('b', 1, [620]), two)).toMatchObject([
    { seconds: 20, isFelt: false },
  ]);
  expect(gainsOn(made('a', 1, [20]), made('b', 1, [24]), two)).toMatchObject([{ seconds: 4, isFelt: true }]);
  expect(gainsOn(made('a', 1, [null]), made('b', 1, [24]), two)).toEqual([]);
});

test('two machines: the sentence that decides, each by itself', () => {
  const both = wanted('Old laptop', 'New laptop');
  const [dear, cheap] = [made('dear', 212, [300, 81]), made('cheap', 100, [302, 148])];
  expect(buysWords(dear, cheap, both, 'the first')).toMatch(
    /^112\sEUR more than the first: on Old laptop nobody feels a difference; on New laptop “Copy” is done 1\smin\s07\ss sooner\.$/,
  );
  expect(apartWords(cheap, dear, both)).toMatch(/on New laptop “Copy” is done .* later$/);
  expect(apartWords(dear, cheap, { places: [] })).toBeNull();
  expect(buysWords(made('x', null, [302, 148]), cheap, both, 'A')).toMatch(
    /^What it costs beside A is not known: nobody feels a difference\.$/,
  );
  expect(buysWords(made('x', 90, []), cheap, { ...both, places: [] }, 'A')).toMatch(
    /^10\sEUR less than A\.$/,
  );
  expect(buysWords(made('x', 100, []), cheap, { ...both, places: [] }, 'A')).toBe('Costs as much as A.');
});

describe('nothing to gain', () => {
  const one = wanted('Desk');
  test('what is there is as quick, and misses no more', () => {
    const there = made('there', 0, [40], [{ activity: 'copy', by: 1.3 }]);
    const bought = made('bought', 240, [39], [{ activity: 'copy', by: 1.3 }]);
    expect(nothingToGain(bought, [there, bought], one)).toMatch(
      /^Nothing to gain: .* at most 1(\.0)?\ss slower each time, and 240\sEUR/,
    );
    expect(nothingToGain(made('quick', 240, [20]), [there], one)).toBeNull();
    // What is there misses what the other meets: that is gained.
    expect(nothingToGain(made('meets', 240, [39]), [there], one)).toBeNull();
    expect(nothingToGain(there, [there, bought], one)).toBeNull();
    expect(nothingToGain(null, [], one)).toBeNull();
  });
  test('today’s time is as good', () => {
    const today = (s: number): Wanted => ({
      ...one,
      places: one.places.map((p) => ({ ...p, activities: p.activities.map((a) => ({ ...a, today: s })) })),
    });
    expect(nothingToGain(made('bought', 240, [39]), [], today(40))).toMatch(
      /^Nothing to gain: “Copy” takes 40(\.0)?\ss today, and 39/,
    );
    expect(nothingToGain(made('bought', 240, [39]), [], today(90))).toBeNull();
    expect(nothingToGain(made('bought', 240, [39]), [], one)).toBeNull();
  });
});
