import fc from 'fast-check';
import { runs } from '../fixtures/draws';
import { saidCourse } from '.';

test.each([
  [
    'first 90 GB at 900, then 300',
    150e9,
    [
      [100, 90e9],
      [300, 150e9],
    ],
  ],
  [
    '90 GB at 900 MB/s, 300 MB/s',
    150e9,
    [
      [100, 90e9],
      [300, 150e9],
    ],
  ],
  [
    '90 at 900; the rest at 0.3 GB/s',
    150e9,
    [
      [100, 90e9],
      [300, 150e9],
    ],
  ],
  [
    '30 GB at 1,000, then 60 GB at 500, then 100',
    100e9,
    [
      [30, 30e9],
      [150, 90e9],
      [250, 100e9],
    ],
  ],
] as const)('“%s” is understood', (text, whole, moments) => {
  const read = saidCourse(text, whole, null);
  if (!read.ok) throw new Error(read.problem);
  expect(read.samples.slice(1).map(({ t, bytes }) => [t, bytes])).toEqual(
    moments.map(([t, bytes]) => [expect.closeTo(t, 6), bytes]),
  );
  expect(read.seconds).toBeCloseTo(moments.at(-1)![0], 6);
});

test.each([
  ['900 MB/s', /One rate is no course/],
  ['at 900, then 300', /“at 900”: say how much was moved/],
  ['200 GB at 900, then 300', /200 GB by then, more than the 150 GB/],
  ['90 GB at 900, then 20 GB at 300', /110 GB of 150 GB: say how the rest went/],
  ['90 GB at fast, then 300', /“90 GB at fast”/],
  ['90 GB at 0, then 300', /a rate above 0/],
  [Array(14).fill('1 GB at 100').join(', '), /At most 12 stretches/],
])('“%s” is refused with what to do', (text, problem) => {
  const read = saidCourse(text, 150e9, null);
  expect(read.ok ? '' : read.problem).toMatch(problem);
});

test('what it took is better known than its rates: the course is stretched to it, or refused where they contradict', () => {
  const read = saidCourse('90 GB at 900, then 300', 150e9, 330);
  expect(read).toMatchObject({
    ok: true,
    seconds: 330,
    samples: [{ t: 0 }, { t: expect.closeTo(110, 9) }, { t: 330 }],
  });
  expect(saidCourse('90 GB at 900, then 300', 150e9, 600)).toMatchObject({
    ok: false,
    problem: expect.stringMatching(/^So it would take 5 min 00 s, not 10 min 00 s/),
  });
});

test('a course that is told again as it was understood goes on, never back, and ends with all that was moved', () => {
  const stretch = fc.record({
    size: fc.integer({ min: 1, max: 400 }),
    rate: fc.integer({ min: 1, max: 9000 }),
  });
  fc.assert(
    fc.property(fc.array(stretch, { minLength: 1, maxLength: 8 }), stretch, (list, last) => {
      const whole = (list.reduce((sum, { size }) => sum + size, 0) + last.size) * 1e9;
      const words = list.map(({ size, rate }) => `${size} GB at ${rate} MB/s`);
      const read = saidCourse([...words, `${last.rate} MB/s`].join(', then '), whole, null);
      if (!read.ok) throw new Error(read.problem);
      const { samples } = read;
      expect(
        samples.every((s, i) => i === 0 || (s.t > samples[i - 1]!.t && s.bytes > samples[i - 1]!.bytes)),
      ).toBe(true);
      expect(samples.at(-1)!.bytes).toBe(whole);
      const sum = list.reduce((t, { size, rate }) => t + (size * 1e9) / (rate * 1e6), 0);
      expect(read.seconds).toBeCloseTo(sum + (last.size * 1e9) / (last.rate * 1e6), 5);
    }),
    runs(100),
  );
});
