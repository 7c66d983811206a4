import fc from 'fast-check';
import { runs } from '../fixtures/draws';
import { countEach } from '.';

test.each([
  ['15000, 12 MB each', 15000, 180e9],
  ['15.5k of 2 MB', 15500, 31e9],
  ['700 × 3 GB', 700, 2.1e12],
  ['1,200 images of 40 MB', 1200, 48e9],
])('%s', (text, files, bytes) => {
  const read = countEach(text)!;
  expect(read.files.value).toBe(files);
  expect(read.bytes.value).toBeCloseTo(bytes, -3);
});

test.each(['15000', '15000, 180 GB', '12 MB each', 'of 12 MB', ''])('“%s” says no size of each', (text) =>
  expect(countEach(text)).toBeNull(),
);

test('any number of any size comes to their product', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 999 }), fc.integer({ min: 1, max: 999 }), (n, mb) => {
      expect(countEach(`${n} files of ${mb} MB`)!.bytes.value).toBeCloseTo(n * mb * 1e6, 0);
    }),
    runs(30),
  );
});
