import type { AskedColumn } from '../../units';
import fc from 'fast-check';
import Papa from 'papaparse';
import { SHOP } from '../stock';
import { PART_KINDS, type Drive, type PartKind, type Part } from '../parts';
import {
  columnsOf,
  compare,
  differencesOf,
  draftDrive,
  fromRows,
  readLibrary,
  toRows,
  writeLibrary,
  safeRows,
} from '.';
import { runs } from '../../fixtures/draws';

const KIND_NAMES = Object.keys(PART_KINDS) as PartKind[];
const throughCsv = (rows: string[][]) => Papa.parse<string[]>(Papa.unparse(rows)).data;
const drives = (change: (rows: string[][]) => void) => {
  const rows = toRows('drives', SHOP.drives.slice(0, 3));
  change(rows);
  return fromRows('drives', rows);
};
const column = (rows: string[][], name: string) => rows[0]!.indexOf(name);

describe('parts as a table', () => {
  test.each(KIND_NAMES)('%s go out and come back the same, through a CSV file', (kind) => {
    const back = fromRows(kind, throughCsv(toRows(kind, SHOP[kind] as never[])));
    expect(back.problems).toEqual([]);
    expect(back.ignored).toEqual([]);
    expect(back.parts).toEqual(SHOP[kind]);
  });

  test('every property of every schema has a column of its own name', () => {
    for (const kind of KIND_NAMES) {
      const labels = columnsOf(kind).map((c) => c.label);
      expect(new Set(labels).size).toBe(labels.length);
      expect(
        columnsOf(kind)
          .filter((c) => c.label === c.key)
          .map((c) => `${kind}.${c.key}`),
      ).toEqual([]);
    }
  });

  test('tables written under former headings are still read', () => {
    const disks = SHOP.drives.filter((d) => d.media === 'disk');
    const [head, ...lines] = toRows('drives', disks);
    const former = head!.map((name) =>
      name
        .replace(/^Spindle speed \(rpm\)/, 'Turns a minute')
        .replace(/^Sustained writing \(post-cache\)/, 'Writes at, cache used up'),
    );
    expect(former).not.toEqual(head);
    expect(fromRows('drives', [former, ...lines]).parts).toEqual(disks);
  });

  test('figures of any size come back bit for bit', () => {
    const figure = fc.oneof(
      fc.constant(0),
      fc.double({ min: 1e-3, max: 1e18, noNaN: true }),
      fc.integer({ min: 0, max: 2 ** 50 }),
    );
    const value = fc.oneof(
      fc.constant(null),
      figure,
      fc.tuple(figure, figure, figure).map((v) => v.sort((a, b) => a - b) as [number, number, number]),
    );
    const source = fc.record({
      kind: fc.constantFrom('sheet' as const, 'measured' as const, 'practice' as const),
      note: fc
        .stringMatching(/^[\w ,"():-]{1,30}$/)
        .map((s) => s.trim())
        .filter((s) => s !== ''),
    });
    const keys = [
      'capacity',
      'read',
      'write',
      'rest',
      'cache',
      'tbw',
      'randomRead',
      'workload',
      'mtbf',
    ] as const;
    // A rate is none below 1 kB/s, a capacity none below 1 MB.
    const least = (key: string) => (x: number) =>
      key === 'capacity' ? Math.min(x + 1e6, 1e18) : Math.min(x + 1e3, 1e12);
    const ofKind = (key: string, v: Drive['read']['value']) =>
      !['read', 'write', 'rest', 'capacity'].includes(key) || v === null
        ? v
        : ((Array.isArray(v) ? v.map(least(key)) : least(key)(v)) as typeof v);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(value, source), { minLength: keys.length, maxLength: keys.length }),
        (facts) => {
          const drive = {
            ...SHOP.drives[0]!,
            ...Object.fromEntries(
              keys.map((key, i) => [key, { value: ofKind(key, facts[i]![0]), source: facts[i]![1] }]),
            ),
          } as Drive;
          expect(fromRows('drives', throughCsv(toRows('drives', [drive]))).parts).toEqual([drive]);
        },
      ),
      runs(100),
    );
  });

  test('a table of none is a form to fill in; an empty file is told', () => {
    const [head, ...rest] = toRows('cables', []);
    expect(rest).toEqual([]);
    expect(head).toEqual(
      expect.arrayContaining(['Id', 'Name', 'Ends', 'Modes it carries', 'Length (m)', 'Carries (W)']),
    );
    expect(fromRows('cables', []).problems[0]).toMatchObject({
      line: 1,
      words: expect.stringContaining('lack'),
    });
  });

  test('written by hand: short headings by label or key, units as people type them', () => {
    const { parts, problems, ignored } = fromRows('cables', [
      ['ID', 'name', 'ends', 'modes', 'length', 'colour'],
      ['x-1', 'My lead', 'usb-c + USB-A', 'usb-5', '0.5', 'red'],
      ['', '', '', '', '', ''],
    ]);
    expect(problems).toEqual([]);
    expect(ignored).toEqual(['colour']);
    expect(parts).toEqual([
      { id: 'x-1', name: 'My lead', ends: ['USB-C', 'USB-A'], modes: ['usb-5'], length: 0.5 },
    ]);
  });

  test.each([
    ['a rate without sense', 'Reads at', 'fast', /Reads at: "fast" is not a number/],
    ['a mode that does not exist', 'Modes', 'usb-99', /Modes: is no link mode/],
    ['a choice of its own', 'Cell type', 'PLC', /Cell type: "PLC" is none of SLC/],
    ['a source of its own', 'Capacity, source', 'hearsay: a friend', /"hearsay" is no source/],
    ['an id with blanks', 'Id', 'my drive', /Id: may hold letters/],
    ['broken structure', 'Power', '{idle', /Power: is no JSON/],
  ])('%s is told with line and column, and the other lines are read', (_, name, text, message) => {
    const { parts, problems } = drives((rows) => (rows[2]![column(rows, name)] = text));
    expect(parts.map((p) => p.id)).toEqual([SHOP.drives[0]!.id, SHOP.drives[2]!.id]);
    const rows = toRows('drives', SHOP.drives.slice(0, 3));
    const shown = column(rows, name.replace(', source', ''));
    expect(problems[0]).toMatchObject({ line: 3, column: shown + 1, words: expect.stringMatching(message) });
  });

  test('an id used twice is told with both lines', () => {
    const { parts, problems } = drives(
      (rows) => (rows[3]![column(rows, 'Id')] = rows[1]![column(rows, 'Id')]!),
    );
    expect(parts).toHaveLength(2);
    expect(problems).toEqual([
      { line: 4, column: 1, words: expect.stringContaining('stands in line 2 too') },
    ]);
  });

  test('no table makes reading throw; thousands of lines are read', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...KIND_NAMES),
        fc.array(fc.array(fc.string(), { maxLength: 6 }), { maxLength: 6 }),
        (kind, rows) => Array.isArray(fromRows(kind, rows).parts),
      ),
      runs(100),
    );
    fc.assert(
      fc.property(fc.constantFrom(...KIND_NAMES), fc.nat(), fc.nat(), fc.string(), (kind, i, j, text) => {
        const rows = toRows(kind, SHOP[kind].slice(0, 4) as never[]);
        const line = rows[1 + (i % (rows.length - 1))]!;
        line[j % line.length] = text;
        return fromRows(kind, rows).parts.length >= rows.length - 2;
      }),
      runs(100),
    );
    const many = Array.from({ length: 4000 }, (_, i) => ({
      ...SHOP.cables[i % SHOP.cables.length]!,
      id: `c-${i}`,
    }));
    expect(fromRows('cables', toRows('cables', many)).parts).toHaveLength(4000);
  });
});

describe('taking parts over', () => {
  test('new, changed, same; one known by maker and model under another id is no second one', () => {
    const [first, second, third] = SHOP.drives as [Drive, Drive, Drive];
    const faster = { ...second, read: { value: 1e9, source: { kind: 'entered' as const } }, id: 'other-id' };
    const fresh = { ...third, id: 'fresh', model: 'Never Seen' };
    expect(compare('drives', SHOP.drives, [first, faster, fresh])).toEqual([
      { part: first, there: first, state: 'same', known: false },
      { part: { ...faster, id: second.id }, there: second, state: 'changed', known: true },
      { part: fresh, there: null, state: 'new', known: false },
    ]);
    expect(
      compare('drives', SHOP.drives, JSON.parse(JSON.stringify(SHOP.drives)) as Drive[]).every(
        (c) => c.state === 'same',
      ),
    ).toBe(true);
  });
});

describe('the library file', () => {
  test('holds the whole shop and comes back the same', () =>
    expect(readLibrary(writeLibrary(SHOP))).toEqual({ ok: true, value: SHOP }));
  test.each([
    ['no JSON', '{', /no JSON/],
    ['another file', '{"kymarVersion":1}', /no Kymar library/],
    ['a newer one', '{"kymarLibrary":9}', /kymarLibrary/],
    ['an unsound part', JSON.stringify({ kymarLibrary: 1, cables: [{ id: 'x' }] }), /cables\.0\.name/],
  ])('%s is refused with its place', (_, text, message) => {
    const read = readLibrary(text);
    expect(!read.ok && read.problems.join()).toMatch(message);
  });
});

describe('a drive from a pasted listing', () => {
  test.each([
    [
      'Larkmoor Heath 2TB M.2 2280 PCIe 4.0 x4 NVMe, read 7,000 MB/s, write 6,500 MB/s, TLC',
      {
        media: 'flash',
        form: 'M.2 2280',
        plug: 'M.2',
        modes: ['pcie4x4'],
        cell: 'TLC',
        capacity: 2e12,
        read: 7e9,
        write: 6.5e9,
      },
    ],
    [
      'Venndale Loam 1 TB SATA III 2.5" SSD 560MB/s',
      {
        media: 'flash',
        form: '2.5-inch, 7 mm',
        plug: 'SATA',
        modes: ['sata-6'],
        capacity: 1e12,
        read: 560e6,
      },
    ],
    [
      'Marrowick Deep 12TB 3.5" 7200 rpm SATA 6Gb/s CMR',
      {
        media: 'disk',
        form: '3.5-inch',
        plug: 'SATA',
        modes: ['sata-6'],
        cell: null,
        capacity: 12e12,
        rpm: 7200,
        recording: 'CMR',
      },
    ],
    [
      'Tesselin Purse portable SSD 1TB USB 3.2 Gen 2, 1,050MB/s',
      {
        media: 'flash',
        form: 'external',
        plug: 'USB-C',
        modes: ['usb-10'],
        sealed: true,
        capacity: 1e12,
        read: 1.05e9,
      },
    ],
    [
      'Oystral Gull 512GB NVMe 2230',
      {
        maker: 'Oystral',
        model: 'Gull 512 GB',
        form: 'M.2 2230',
        plug: 'M.2',
        modes: ['pcie3x4'],
        capacity: 512e9,
        read: null,
      },
    ],
    // Nothing it begins with is a name; 5,400 MB/s want four lanes of gen 4; years without the word are its warranty.
    [
      '2TB NVMe SSD, up to 5400MB/s, PCIe 4.0, 900TBW, 3y',
      {
        maker: 'Unnamed',
        model: '2 TB NVMe SSD',
        modes: ['pcie4x4'],
        capacity: 2e12,
        read: 5.4e9,
        tbw: 900e12,
        warrantyYears: 3,
      },
    ],
    [
      'Larkmoor Sedge 800GB SATA SSD 540MB/s 0.8 DWPD 4 yrs',
      {
        maker: 'Larkmoor',
        model: 'Sedge 800 GB',
        capacity: 800e9,
        tbw: 0.8 * 800e9 * 4 * 365,
        warrantyYears: 4,
      },
    ],
  ])('%s', (text, expected) => {
    const { drive } = draftDrive(text, 'new');
    expect(PART_KINDS.drives.safeParse(drive).success).toBe(true);
    const flat = Object.fromEntries(
      Object.entries(drive).map(([key, value]) => [
        key,
        typeof value === 'object' && value !== null && 'source' in value ? value.value : value,
      ]),
    );
    expect(flat).toMatchObject(expected);
  });
  test('no text gives an unsound drive', () => {
    fc.assert(
      fc.property(
        fc.string({ maxLength: 80 }),
        (text) => PART_KINDS.drives.safeParse(draftDrive(text, 'new').drive as Part).success,
      ),
      runs(100),
    );
  });
});

describe('what the form and the table know of a property', () => {
  const holds = (kind: PartKind, key: string) => columnsOf(kind).find((c) => c.key === key)!;
  test.each([
    ['drives', 'capacity', { holds: { type: 'fact' }, dimension: 'bytes', optional: false }],
    ['drives', 'randomRead', { holds: { type: 'fact' }, dimension: 'iops', optional: true }],
    ['drives', 'cell', { holds: { type: 'choice', options: ['SLC', 'MLC', 'TLC', 'QLC'] }, nullable: true }],
    ['drives', 'sides', { holds: { type: 'choice', options: [1, 2] } }],
    ['drives', 'sealed', { holds: { type: 'yesno' } }],
    ['drives', 'modes', { holds: { type: 'list', of: null } }],
    ['drives', 'height', { holds: { type: 'number' }, dimension: 'length' }],
    ['drives', 'revisions', { holds: { type: 'rows' } }],
    ['bridges', 'read', { holds: { type: 'fact' }, nullable: true }],
    ['bridges', 'forms', { holds: { type: 'list', of: expect.arrayContaining(['M.2 2280', '3.5-inch']) } }],
    ['cables', 'ends', { holds: { type: 'list', of: expect.arrayContaining(['USB-C']) } }],
    [
      'hosts',
      'ports',
      {
        holds: {
          type: 'rows',
          columns: expect.arrayContaining([
            expect.objectContaining({
              key: 'slot',
              label: 'Slot',
              holds: expect.objectContaining({ type: 'group' }),
            }),
          ]),
        },
      },
    ],
  ] as [PartKind, string, object][])('%s: %s', (kind, key, expected) =>
    expect(holds(kind, key)).toMatchObject(expected),
  );

  test('whatever stands inside, however deep, has a name of its own', () => {
    const bare = (columns: readonly AskedColumn[], path: string): string[] =>
      columns.flatMap((c) => [
        ...(c.label === c.key ? [`${path}.${c.key}`] : []),
        ...('columns' in c.holds ? bare(c.holds.columns, `${path}.${c.key}`) : []),
      ]);
    expect(KIND_NAMES.flatMap((kind) => bare(columnsOf(kind), kind))).toEqual([]);
  });

  test('groups name what is inside, with its unit', () => {
    const power = holds('drives', 'power').holds;
    expect(power.type === 'group' && power.columns.map((c) => [c.key, c.label, c.dimension])).toEqual([
      ['idle', 'Idle', 'power'],
      ['read', 'Reading', 'power'],
      ['write', 'Writing', 'power'],
      ['start', 'Starting', 'power'],
    ]);
    const storage = holds('hosts', 'storage').holds;
    expect(storage.type === 'group' && storage.columns.find((c) => c.key === 'read')).toMatchObject({
      holds: { type: 'fact' },
      dimension: 'rate',
    });
  });
});

describe('tables from spreadsheet programs', () => {
  const head = ['id', 'maker', 'model', 'media', 'form', 'plug', 'modes', 'cell', 'read', 'capacity'];
  const line = (read: string, capacity = '2 TB', id = 'x', model = 'Heron') => [
    id,
    'Fernhaze',
    model,
    'flash',
    'M.2 2280',
    'M.2',
    'pcie4x4',
    'TLC',
    read,
    capacity,
  ];
  const rows = (...lines: string[][]) => fromRows('drives', [head, ...lines]);

  test('3.500 MB/s alone is asked about; told, it is read that way', () => {
    expect(rows(line('3.500 MB/s'))).toMatchObject({ doubtful: '3.500 MB/s', problems: [] });
    expect(fromRows('drives', [head, line('3.500 MB/s')], ',').parts[0]!.read.value).toBe(3.5e9);
    expect(fromRows('drives', [head, line('3.500 MB/s')], '.').parts[0]!.read.value).toBe(3.5e6);
    expect(fromRows('drives', [head, line('3.500,5 MB/s')], ',').parts[0]!.read.value).toBe(3500.5e6);
    expect(rows(line('3,500 MB/s')).doubtful).toBe('3,500 MB/s');
  });
  test('another figure of the table settles it, and it is said', () => {
    expect(rows(line('3.500 MB/s', '1,5 TB'))).toMatchObject({
      doubtful: null,
      parts: [{ read: { value: 3.5e9 } }],
      notes: [expect.stringMatching(/decimal comma, as “1,5 TB” shows/)],
    });
    expect(rows(line('3,500 MB/s', '1.5 TB')).parts[0]!.read.value).toBe(3.5e9);
    expect(rows(line('3500 MB/s', '1.5 TB'))).toMatchObject({ doubtful: null, notes: [] });
  });
  test('a formula is no figure; as a name it is taken as text and said', () => {
    expect(rows(line('=1+1')).problems).toEqual([
      {
        line: 2,
        column: 9,
        words: expect.stringMatching(/"=1\+1" is a formula. Save the table with its values/),
      },
    ]);
    expect(rows(line('3500 MB/s', '2 TB', 'x', '=1+1'))).toMatchObject({
      parts: [{ model: '=1+1' }],
      notes: [expect.stringMatching(/Line 2, Model: “=1\+1” looks like a formula/)],
    });
  });
  test('what Kymar writes itself is never asked about', () => {
    for (const kind of KIND_NAMES)
      expect(fromRows(kind, toRows(kind, SHOP[kind] as never[])).doubtful).toBeNull();
  });
  test('cells made safe for spreadsheets come back exactly, as do those that are not', () => {
    const odd = ['=1+1', '+x', '-5', '@a', '\tb', "'=x", "'", 'plain'].map((model, i) => ({
      ...SHOP.drives[0]!,
      id: `d${i}`,
      model: model.trim() || 'x',
    }));
    const plain = toRows('drives', odd);
    const safe = safeRows(plain);
    expect(safe.flat().filter((cell) => /^[=+\-@\t]/.test(cell))).toEqual([]);
    for (const table of [plain, safe]) expect(fromRows('drives', throughCsv(table)).parts).toEqual(odd);
  });
  test('a table that tells of some properties leaves the others as they are', () => {
    const [first] = SHOP.drives as [Drive];
    const { parts, keys } = rows([
      first.id,
      first.maker,
      first.model,
      first.media,
      first.form,
      first.plug,
      first.modes.join(' + '),
      '',
      '9900.5 MB/s',
      '',
    ]);
    const [change] = compare('drives', [first], parts, keys);
    expect(differencesOf('drives', change!).map((d) => d.label)).toEqual([
      'Cell type',
      'Capacity',
      'Reads at',
    ]);
    expect(change!.part).toEqual({
      ...first,
      cell: null,
      capacity: { value: null, source: { kind: 'unknown' } },
      read: { value: 9900.5e6, source: { kind: 'entered' } },
    });
  });
  test('old → new for each changed field, its source too', () => {
    const [first] = SHOP.drives as [Drive];
    const changed = {
      ...first,
      read: { ...first.read, source: { kind: 'measured' as const, note: 'twice' } },
      height: 3,
    };
    expect(differencesOf('drives', compare('drives', [first], [changed])[0]!)).toEqual([
      { label: 'source of Reads at', before: expect.stringMatching(/^sheet/), after: 'measured: twice' },
      { label: 'Height', before: expect.any(String), after: '3' },
    ]);
  });
});
