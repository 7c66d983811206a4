import fc from 'fast-check';
import { runs } from '../fixtures/draws';
import { readSentence, saidName } from '.';
import { Activity } from '../job';

const said = (text: string) => {
  const read = readSentence(text, [
    { id: 'old', name: 'Attic computer' },
    { id: 'new', name: 'Attic computer 2' },
  ])!;
  const figures = Object.fromEntries(
    Object.entries(read.given).map(([key, v]) => [
      key,
      typeof v === 'object' && v !== null && 'value' in v ? v.value : v,
    ]),
  );
  return { ...read, given: figures };
};

test('a copy, with all that a line may hold', () => {
  const read = said('210 GB in 16000 files every night in 12 min onto something portable, 260 EUR');
  expect(read).toMatchObject({
    kind: 'move',
    name: 'Copy',
    given: { bytes: 210e9, files: 16000, perDay: 1, target: 720 },
    needs: { portable: true },
    budget: { amount: 260, currency: 'EUR' },
    unread: [],
  });
  expect(read.understood.map(({ what, words }) => `${saidName(what)} ${words}`)).toContain('size 210 GB');
});

test.each([
  ['Kiln films 150 to 270 GB twice a week within half an hour', 'move', 'Kiln films', { target: 1800 }],
  ['3 cameras at 46 MB/s for 2 h, quiet', 'stream', 'Recording', { streams: 3, rate: 46e6, lasts: 7200 }],
  ['opens a 13 GB plan in under 21 s, now takes 47 s', 'open', 'Opens plan', { target: 21, today: 47 }],
  ['7 TB that grows by 1 TB a year', 'keep', 'Data kept', { now: 7e12, growth: 1e12 / 365.25 }],
  ['16000 images, 11 MB each, each weekday', 'move', 'Copy', { bytes: 176e9, perDay: 5 / 7 }],
  ['3 TB + 4 TB just once', 'move', 'Copy', { bytes: 7e12, perDay: 0 }],
  ['read 70 gigs back from the drive a week', 'move', 'Read', { direction: 'read', perDay: 1 / 7 }],
  [
    '85GB/night, 2600 photos, max 16min',
    'move',
    'Copy',
    { bytes: 85e9, files: 2600, perDay: 1, target: 960 },
  ],
  ['4 streams of 24 MB/s for 45 min', 'stream', 'Recording', { rate: 24e6, streams: 4, lasts: 2700 }],
  ['keeps 900 GB + 300 GB/year', 'keep', 'Data kept', { growth: 300e9 / 365.25 }],
  ['Old slides 90 GB at most 1h30 per month', 'move', 'Old slides', { target: 5400 }],
])('%s', (text, kind, name, given) => {
  const read = said(text);
  expect(read).toMatchObject({ kind, name });
  for (const [key, value] of Object.entries(given))
    if (typeof value === 'number') expect(read.given[key]).toBeCloseTo(value, 3);
    else expect(read.given[key]).toBe(value);
});

test('money for several, years, failures, a role; the longer of two machines’ names', () => {
  expect(
    said('50 GB nightly on the attic computer 2, 410 euros for two, for 6 years, backup, survives one drive'),
  ).toMatchObject({
    machine: 'new',
    budget: { amount: 410, currency: 'EUR', pieces: 2 },
    serviceYears: { value: 6 },
    needs: { role: 'backup', survives: 1 },
    unread: [],
  });
});

test('what is not understood is told as typed; what says nothing of work is none', () => {
  expect(said('60 GB daily, with a blue light, 9 min').unread).toEqual(['with a blue light', '9 min']);
  for (const text of ['', 'something fast', '250 EUR', 'portable']) expect(readSentence(text)).toBeNull();
});

const GB = fc.integer({ min: 1, max: 9000 });
const parts = fc.record({
  bytes: GB.map((n) => [`${n} GB`, n * 1e9] as const),
  files: GB.map((n) => [`${n} files`, n] as const),
  target: fc.integer({ min: 1, max: 59 }).map((n) => [`within ${n} min`, n * 60] as const),
  perDay: fc.integer({ min: 1, max: 9 }).map((n) => [`${n} times a week`, n / 7] as const),
});

test('in any order, with commas or without, each part is read as what it is', () => {
  const order = fc.shuffledSubarray(['bytes', 'files', 'target', 'perDay'] as const, { minLength: 1 });
  fc.assert(
    fc.property(parts, order, fc.constantFrom(' ', ', ', ' and '), (of, keys, between) => {
      const read = said(keys.map((key) => of[key][0]).join(between));
      expect(read.unread).toEqual([]);
      expect(Object.keys(read.given).sort()).toEqual([...keys].sort());
      for (const key of keys) expect(read.given[key]).toBeCloseTo(of[key][1], 6);
    }),
    runs(300),
  );
});

test('whatever is typed gives fields that the job file takes, or none', () => {
  const words = fc.constantFrom(
    ...'12 GB 3 TB 40 MB/s files images each every night a week 5 min in for 250 EUR € ½ grows by + - to 1,5 2.000 opens once'.split(
      ' ',
    ),
  );
  fc.assert(
    fc.property(
      fc.oneof(
        fc.array(words, { maxLength: 14 }).map((w) => w.join(' ')),
        fc.string(),
      ),
      (text) => {
        const read = readSentence(text);
        if (read)
          for (const [key, value] of Object.entries(read.given)) {
            const kind = Activity.options.find((o) => o.shape.kind.value === read.kind)!;
            expect((kind.shape as Record<string, { parse(v: unknown): unknown }>)[key]!.parse(value)).toEqual(
              value,
            );
          }
      },
    ),
    runs(600),
  );
});
