import fc from 'fast-check';
import { bare, explaining, recordersFor } from '../../evidence';
import { ASSUMPTION_IDS, ASSUMPTIONS, assumed, assumedRange, readRanges, writeRanges } from '.';
import { runs } from '../../fixtures/draws';

describe('what Kymar assumes', () => {
  test('every row rises, says where it comes from and where it goes in', () => {
    for (const id of ASSUMPTION_IDS) {
      const { name, value, used, source } = ASSUMPTIONS[id];
      expect([id, value.low <= value.expected && value.expected <= value.high]).toEqual([id, true]);
      expect(name.length).toBeGreaterThan(2);
      expect(used.length).toBeGreaterThan(0);
      expect(['memory', 'practice']).toContain(source);
    }
  });

  test('no range stands there twice for the same thing', () => {
    const told = ASSUMPTION_IDS.map((id) => `${ASSUMPTIONS[id].name}, ${ASSUMPTIONS[id].on ?? ''}`);
    expect(new Set(told).size).toBe(told.length);
  });

  test('a shop’s own range goes before it, and the working says so', () => {
    const shopRanges = { fill: { low: 0.1, expected: 0.2, high: 0.3 } };
    const { explaining: record } = recordersFor(shopRanges);
    const figure = assumed(record, 'fill');
    expect(figure).toMatchObject({ low: 0.1, expected: 0.2, high: 0.3 });
    expect(figure.because.source).toMatchObject({
      kind: 'entered',
      note: expect.stringMatching(/this shop’s own/),
    });
    expect(assumed(explaining, 'fill').because.source!.kind).toBe('memory');
    expect(assumed(bare, 'fill')).toEqual(assumedRange('fill'));
  });

  test('own ranges survive a file; what is none is refused with its place', () => {
    const range = fc
      .tuple(
        fc.double({ min: 0, max: 1e12, noNaN: true }),
        fc.double({ min: 0, max: 1e12, noNaN: true }),
        fc.double({ min: 0, max: 1e12, noNaN: true }),
      )
      .map((points) => points.map((v) => v + 0).sort((a, b) => a - b))
      .map(([low, expected, high]) => ({ low: low!, expected: expected!, high: high! }));
    fc.assert(
      fc.property(
        fc.dictionary(fc.constantFrom(...ASSUMPTION_IDS), range, { noNullPrototype: true }),
        (shopRanges) => {
          expect(readRanges(writeRanges(shopRanges))).toEqual({ ok: true, value: shopRanges });
        },
      ),
      runs(100),
    );
    expect(readRanges('{"kymarRanges":1,"ranges":{"fill":[0.3,0.2,0.1]}}')).toMatchObject({
      ok: false,
      problems: [expect.stringMatching(/ranges\.fill.*rise/)],
    });
    expect(readRanges('{"kymarRanges":1,"ranges":{"luck":[1,2,3]}}')).toMatchObject({ ok: false });
    expect(readRanges('nothing')).toMatchObject({ ok: false });
  });
});
