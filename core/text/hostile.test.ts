import { decode } from '../catalog/decode';
import { parseFact } from '../evidence';
import { readHealth } from '../models';
import { readJob } from '../job';
import { draftDrive, fromRows, readLibrary } from '../catalog/library';
import { parseQuantity, readNumber, type Dimension } from '../units';
import { canonical, DEEPEST, own, readJson } from '.';

const LONG = 100_000;
const DIMENSIONS: Dimension[] = [
  'bytes',
  'rate',
  'time',
  'count',
  'perDay',
  'times',
  'percent',
  'iops',
  'power',
  'length',
  'temperature',
  'number',
];

/** Everything that reads what people or files bring, each told apart from a crash by what it must answer with. */
const READERS: Record<string, (text: string) => boolean> = {
  'a job file': (text) => readJob(text).ok,
  'a library': (text) => readLibrary(text).ok,
  'a health page': (text) => readHealth(new TextEncoder().encode(text), text).ok,
  'a name off a box': (text) => decode(text).readings.length >= 0,
  'a listing': (text) => draftDrive(text, 'x').drive.id === 'x',
  'a number': (text) => readNumber(text) !== undefined,
  'a figure or range': (text) => parseFact(text, 'bytes').ok,
  'a cell with a list': (text) =>
    fromRows('cables', [
      ['Id', 'Name', 'Ends', 'Modes it carries', 'Length'],
      ['a', 'b', text, text, text],
    ]).problems.length >= 0,
  'a cell with a figure': (text) =>
    fromRows('drives', [
      ['id', 'capacity', 'capacity, source'],
      ['a', text, text],
    ]).problems.length >= 0,
  ...Object.fromEntries(
    DIMENSIONS.map((d) => [`a quantity (${d})`, (text: string) => parseQuantity(text, d).ok]),
  ),
};

// Every one of these took the old patterns from half a second to minutes.
const HOSTILE: Record<string, string> = {
  blanks: ' '.repeat(LONG),
  'blanks and a mark': `${' '.repeat(LONG)}x`,
  'a name, blanks, no value': `a${' '.repeat(LONG)}`,
  'a digit, blanks, a letter': `1${' '.repeat(LONG)}x`,
  digits: '1'.repeat(LONG),
  'digits and blanks': '1 '.repeat(LONG / 2),
  'digits and marks': '1,'.repeat(LONG / 2),
  'words of ranges': '1 to '.repeat(LONG / 5),
  slashes: ' / '.repeat(LONG / 3),
  'signs of a list': ' + '.repeat(LONG / 3),
  'blanks before a sign': `x${' '.repeat(LONG)}+`,
  'equal signs': '= '.repeat(LONG / 2),
  tabs: '\t'.repeat(LONG),
  'line ends': '\r\n'.repeat(LONG / 2),
  'a field and blanks': `Power On Hours${' '.repeat(LONG)}: 1`,
  'units without end': '5gb/s '.repeat(LONG / 6),
  hours: '1h '.repeat(LONG / 3),
  brackets: '['.repeat(LONG),
  'brackets of both kinds': '{"a":['.repeat(LONG / 6),
  quotes: '"'.repeat(LONG),
};

describe('no text from outside stalls or breaks a reader', () => {
  test.each(Object.entries(HOSTILE))('%s', (_, text) => {
    for (const read of Object.values(READERS)) expect(typeof read(text)).toBe('boolean');
  });

  test.each(['constructor', '__proto__', 'toString', 'hasOwnProperty', 'valueOf'])(
    '"%s" is a word like any other',
    (word) => {
      for (const text of [
        word,
        `5 ${word}`,
        `${word}: 5`,
        `{"${word}": 5}`,
        `{"kymarVersion": "${word}"}`,
        `{"kymarVersion": 3, "${word}": {}}`,
      ])
        for (const read of Object.values(READERS)) expect(typeof read(text)).toBe('boolean');
      expect(readHealth(new TextEncoder().encode(word), `${word}: 5`)).toMatchObject({ ok: false });
      expect(parseQuantity(`5 ${word}`, 'power')).toMatchObject({ ok: false });
      expect(own({ a: 1 }, word)).toBeUndefined();
    },
  );
});

describe('JSON from outside', () => {
  test('nested beyond any honest file: said, not a stack that overflows', () => {
    expect(readJson('['.repeat(6000))).toMatchObject({
      ok: false,
      problem: expect.stringMatching(/nested deeper than 300/),
    });
    expect(readJson(`${'['.repeat(6000)}${']'.repeat(6000)}`)).toMatchObject({ ok: false });
    expect(readJob(`{"a":${'['.repeat(6000)}`)).toMatchObject({
      ok: false,
      problems: [expect.stringMatching(/nested deeper/)],
    });
    expect(readJson(`${'['.repeat(DEEPEST)}${']'.repeat(DEEPEST)}`).ok).toBe(true);
  });
  test('brackets in quotes do not count', () =>
    expect(readJson(`"${'['.repeat(6000)}\\"["`)).toMatchObject({ ok: true }));
  test('where it breaks is told by line and column', () =>
    expect(readJson('{\n  "a": }')).toMatchObject({
      ok: false,
      problem: expect.stringMatching(/no JSON: line 2, column 8/),
    }));
  test('an order of keys is no difference, an order of a list is', () => {
    expect(canonical({ b: 1, a: [{ d: 1, c: undefined }] })).toBe('{"a":[{"d":1}],"b":1}');
    expect(canonical([1, 2])).not.toBe(canonical([2, 1]));
  });
});
