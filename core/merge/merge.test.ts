import fc from 'fast-check';
import { changedPlaces, merge3 } from '.';
import { runs } from '../fixtures/draws';

const fact = (value: number) => ({ value, source: { kind: 'entered' } });
const base = {
  title: 'a',
  note: '',
  size: fact(1),
  list: [
    { id: 'x', n: 1, m: 1 },
    { id: 'y', n: 2, m: 2 },
  ],
  tags: ['one'],
};
type State = typeof base;
const merged = (mine: Partial<State>, theirs: Partial<State>) =>
  merge3<State>(base, { ...base, ...mine }, { ...base, ...theirs });

describe('two changes of one state', () => {
  test('different fields: both stand', () =>
    expect(merged({ title: 'b' }, { note: 'c' })).toEqual({
      value: { ...base, title: 'b', note: 'c' },
      conflicts: [],
    }));
  test('the same field differently: theirs stands and the place is told', () =>
    expect(merged({ title: 'b' }, { title: 'c' })).toMatchObject({
      value: { title: 'c' },
      conflicts: ['title'],
    }));
  test('the same change twice is none', () =>
    expect(merged({ title: 'b' }, { title: 'b' }).conflicts).toEqual([]));
  test('things in a list are matched by id, field by field', () => {
    const [x, y] = base.list as [State['list'][0], State['list'][0]];
    expect(
      merged({ list: [{ ...x, n: 9 }, y] }, { list: [{ ...x, m: 8 }, y, { id: 'z', n: 3, m: 3 }] }),
    ).toEqual({
      value: { ...base, list: [{ id: 'x', n: 9, m: 8 }, y, { id: 'z', n: 3, m: 3 }] },
      conflicts: [],
    });
    expect(merged({ list: [x] }, { list: [{ ...x, n: 9 }, y] }).value.list).toEqual([{ ...x, n: 9 }]);
    expect(merged({ list: [x] }, { list: [x, { ...y, n: 7 }] }).value.list).toEqual([x, { ...y, n: 7 }]);
    expect(merged({ list: [y, x] }, { title: 'c' }).value.list).toEqual([y, x]);
    expect(
      merged(
        { list: [...base.list, { id: 'p', n: 1, m: 1 }] },
        { list: [...base.list, { id: 'q', n: 1, m: 1 }] },
      ).value.list.map((i) => i.id),
    ).toEqual(['x', 'y', 'q', 'p']);
  });
  test('a figure with its source is whole', () => {
    const measured = { value: 2, source: { kind: 'measured' } };
    expect(merged({ size: fact(3) }, { size: measured })).toMatchObject({
      value: { size: measured },
      conflicts: ['size'],
    });
  });
  test('another kind of thing is taken whole, or not at all', () => {
    const union = merge3<object>(
      { m: { kind: 'a', p: 1 } },
      { m: { kind: 'b', q: 2 } },
      { m: { kind: 'a', p: 5 } },
    );
    expect(union).toEqual({ value: { m: { kind: 'a', p: 5 } }, conflicts: ['m'] });
  });
  test('a place that is named whole is not taken apart', () => {
    const runs = (n: number, m: number) => ({ runs: [{ id: 'r', n, m }] });
    expect(merge3(runs(1, 1), runs(2, 1), runs(1, 2), (place) => place === 'runs.r')).toEqual({
      value: runs(1, 2),
      conflicts: ['runs.r'],
    });
  });
});

/** As data off a file is. */
const JSON_LIKE = { noNullPrototype: true };

describe('laws', () => {
  const state = fc.record(
    {
      title: fc.constantFrom('a', 'b', 'c'),
      note: fc.constantFrom('', 'n'),
      list: fc.uniqueArray(fc.record({ id: fc.constantFrom('x', 'y', 'z'), n: fc.nat(2) }, JSON_LIKE), {
        selector: (i) => i.id,
      }),
    },
    JSON_LIKE,
  );
  test('nothing against anything is that thing', () => {
    fc.assert(
      fc.property(state, state, (a, b) => {
        expect(merge3(a, a, b)).toEqual({ value: b, conflicts: [] });
        expect(merge3(a, b, a)).toEqual({ value: b, conflicts: [] });
        expect(merge3(a, b, b)).toEqual({ value: b, conflicts: [] });
      }),
      runs(100),
    );
  });
  test('without conflicts it does not matter whose change comes first, but for the order of lists', () => {
    const sorted = (s: { list: { id: string }[] }) => ({
      ...s,
      list: [...s.list].sort((a, b) => a.id.localeCompare(b.id)),
    });
    fc.assert(
      fc.property(state, state, state, (a, b, c) => {
        const [one, other] = [merge3(a, b, c), merge3(a, c, b)];
        if (one.conflicts.length === 0 && other.conflicts.length === 0)
          expect(sorted(one.value)).toEqual(sorted(other.value));
      }),
      runs(100),
    );
  });
  test('every place that changed is named, and only those', () => {
    fc.assert(
      fc.property(
        state,
        state,
        (a, b) => (changedPlaces(a, b).length === 0) === (JSON.stringify(a) === JSON.stringify(b)),
      ),
      runs(100),
    );
  });
});

test('places are told by name and id', () => {
  expect(
    changedPlaces(base, { ...base, title: 'b', size: fact(2), list: [{ id: 'x', n: 5, m: 1 }] }),
  ).toEqual(['title', 'size', 'list.x.n', 'list.y']);
  expect(changedPlaces(base, { ...base, list: [...base.list].reverse() })).toEqual(['list']);
});
