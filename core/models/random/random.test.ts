import { explaining } from '../../evidence';
import { demoBriefs, pathOn } from '../../fixtures/forecast';
import fc from 'fast-check';
import type { Layout } from '../../assembly';
import { behindCache, halfTurn, operationsPerSecond, scratchDay, type Operations } from './iops';
import { BRIDGES, DRIVES } from '../../catalog/stock';
import type { Drive } from '../../catalog/parts';
import { runs } from '../../fixtures/draws';

const [offload] = demoBriefs();
const known = (value: number | null) => ({
  value,
  source: { kind: value === null ? ('unknown' as const) : ('entered' as const) },
});
const on = (id: string, part: Partial<Drive> = {}, bridge = offload!.build!.bridge) =>
  pathOn(offload!.host, {
    ...offload!.build!,
    bridge,
    drive: { ...DRIVES.find((d) => d.id === id)!, ...part } as Drive,
  });
const stand = BRIDGES.find((b) => b.id === 'quarrel-stand-2')!;
const ops = (part: Partial<Operations> = {}): Operations => ({
  reads: 1,
  block: 4096,
  depth: 1,
  span: known(10e9),
  synchronous: false,
  ...part,
});

test('half a turn: 4.17 ms at 7,200 and 5.56 ms at 5,400 turns a minute', () =>
  expect([7200, 5400].map((rpm) => Math.round(halfTurn(rpm) * 1e5) / 100)).toEqual([4.17, 5.56]));

describe('operations a second', () => {
  test('one at a time behind a USB bridge: one over the latencies', () => {
    const found = operationsPerSecond(explaining, on('larkmoor-reed-2t'), ops());
    expect(found.expected).toBeGreaterThan(1 / 300e-6);
    expect(found.expected).toBeLessThan(1 / 120e-6);
  });

  test('deeper is never slower, up to what drive and path allow', () => {
    const rates = [1, 4, 32, 256].map(
      (depth) => operationsPerSecond(explaining, on('larkmoor-reed-2t'), ops({ depth })).expected,
    );
    expect(rates.every((r, i) => i === 0 || r >= rates[i - 1]!)).toBe(true);
    expect(rates.at(-1)! * 4096).toBeLessThan(1.05e9);
  });

  test('disks do tens to about 150 reads a second; writes are better; 4 KiB well under 2 MB/s [common practice, no source]', () => {
    const disk = on('marrowick-anchor-8t', {}, stand);
    const [one, deep] = [
      operationsPerSecond(explaining, disk, ops()),
      operationsPerSecond(explaining, disk, ops({ depth: 32 })),
    ];
    for (const r of [one, deep]) {
      expect(r.low).toBeGreaterThan(30);
      expect(r.expected).toBeLessThan(160);
    }
    expect(operationsPerSecond(explaining, disk, ops({ reads: 0 })).expected).toBeGreaterThan(one.expected);
    expect(operationsPerSecond(explaining, disk, ops({ reads: 0, synchronous: true })).expected).toBeLessThan(
      operationsPerSecond(explaining, disk, ops({ reads: 0 })).expected,
    );
    expect(deep.high * 4096).toBeLessThan(2e6);
  });

  test('a map that is not at hand costs a reading: none < lent by the host < its own memory on a wide span, all alike on a narrow one', () => {
    const at = (map: Drive['map'], span: number) =>
      operationsPerSecond(explaining, on('larkmoor-reed-2t', { map }), ops({ span: known(span) })).expected;
    expect(at('none', 500e9)).toBeLessThan(at('HMB', 500e9));
    expect(at('HMB', 500e9)).toBeLessThan(at('DRAM', 500e9));
    expect(at('none', 0.3e9)).toBeCloseTo(at('DRAM', 0.3e9), -2);
    expect(at('HMB', 500e9)).toBeLessThan(at('HMB', 10e9));
  });

  test('a mixture lies between reading and writing, weighted by time; synchronous writes wait', () => {
    const path = on('larkmoor-reed-2t');
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 0.99, noNaN: true }), (reads) => {
        const [r, w, mixed] = [1, 0, reads].map(
          (share) => operationsPerSecond(explaining, path, ops({ reads: share })).expected,
        );
        return mixed! >= Math.min(r!, w!) * 0.97 && mixed! <= Math.max(r!, w!) * 1.03;
      }),
      runs(20),
    );
    expect(operationsPerSecond(explaining, path, ops({ reads: 0, synchronous: true })).expected).toBeLessThan(
      operationsPerSecond(explaining, path, ops({ reads: 0 })).expected / 3,
    );
  });

  test('bulk-only takes one at a time whatever is asked', () => {
    const bulk = { ...offload!.build!.bridge!, protocol: 'bulk-only' as const };
    expect(
      operationsPerSecond(explaining, on('larkmoor-reed-2t', {}, bulk), ops({ depth: 64 })).expected,
    ).toBeCloseTo(operationsPerSecond(explaining, on('larkmoor-reed-2t', {}, bulk), ops()).expected, 0);
  });

  test('what cannot be is refused', () => {
    expect(() => operationsPerSecond(explaining, on('larkmoor-reed-2t'), ops({ reads: 2 }))).toThrow(
      RangeError,
    );
    expect(() => operationsPerSecond(explaining, on('larkmoor-reed-2t'), ops({ depth: 0 }))).toThrow(
      RangeError,
    );
  });
});

describe('what no sheet states follows from the classes a drive may be of', () => {
  const unnamed = (part: Partial<Drive>): Drive => ({
    ...DRIVES.find((d) => d.id === 'larkmoor-reed-2t')!,
    id: 'unnamed',
    cell: null,
    randomRead: known(null),
    randomWrite: known(null),
    rest: known(null),
    cache: known(null),
    tbw: known(null),
    ...part,
  });
  const behind = (part: Partial<Drive>) => behindCache(explaining, unnamed(part), 4096)!;
  const MB = (operations: number) => Math.round((operations * 4096) / 1e6);

  test('random writes past the cache may collapse to 10 MB/s where others hold 100 to 300 [common practice, no source]; disks have none', () => {
    expect(MB(behind({ cell: 'TLC' }).high)).toBe(300);
    expect(MB(behind({ cell: 'TLC' }).expected)).toBeGreaterThan(100);
    expect(MB(behind({ cell: 'QLC' }).low)).toBeLessThan(10);
    expect(MB(behind({ cell: 'QLC' }).high)).toBeLessThan(100);
    expect(
      behindCache(
        explaining,
        DRIVES.find((d) => d.media === 'disk')!,
        4096,
      ),
    ).toBeNull();
  });

  test('cells nobody names may be either, and the working names the classes with their weights', () => {
    const [tlc, qlc, either] = (['TLC', 'QLC', null] as const).map((cell) => behind({ cell }));
    expect(either!.low).toBeLessThan(tlc!.low);
    expect(either!.high).toBeGreaterThan(qlc!.high);
    expect(JSON.stringify(either!.because)).toMatch(/PCIe TLC \(\d+ %\); PCIe QLC \(\d+ %\)/);
  });

  test('deep in a queue a faster drive does more; one read waits for the cells whatever the speed', () => {
    const bench = (part: Partial<Drive>, depth: number) =>
      operationsPerSecond(
        explaining,
        pathOn(offload!.host, { ...offload!.build!, drive: unnamed(part) }),
        ops({ depth }),
      ).expected;
    const rated = (rate: number) => ({ cell: 'TLC' as const, read: known(rate), write: known(rate) });
    expect(bench(rated(900e6), 512)).toBeGreaterThan(1.5 * bench(rated(500e6), 512));
    expect(bench(rated(900e6), 1)).toBeCloseTo(bench(rated(500e6), 1), 6);
    expect(bench({ cell: 'QLC' }, 1)).toBeLessThan(0.9 * bench({ cell: 'TLC' }, 1));
  });
});

test('a day of scratch: operations ÷ rate, and the writes’ own bytes at least', () => {
  const { rate, wait, wear } = scratchDay(
    explaining,
    on('larkmoor-reed-2t'),
    known(2e6),
    ops({ reads: 0.5 }),
  );
  expect((wait.expected * rate.expected) / 2e6).toBeCloseTo(1, 1);
  expect(wear.low).toBeGreaterThanOrEqual(1e6 * 4096);
  expect(wear.because.formula).toMatch(/write amplification/);
});

describe('several drives as one', () => {
  const array = (mode: Layout['mode'], members: number): Layout => ({ mode, members, by: 'firmware' });
  const drives = { flash: on('larkmoor-reed-2t'), disk: on('marrowick-anchor-8t', {}, stand) };
  const rate = (media: keyof typeof drives, of: Partial<Operations>) =>
    operationsPerSecond(explaining, drives[media], ops(of)).expected;

  test('one at a time gains nothing by more members; deep, every member helps', () => {
    for (const media of ['flash', 'disk'] as const) {
      expect(rate(media, { array: array('stripe', 4) }) / rate(media, {})).toBeCloseTo(1, 1);
      expect(rate(media, { depth: 128, array: array('stripe', 4) })).toBeGreaterThan(
        rate(media, { depth: 32 }) * (media === 'disk' ? 3.5 : 1) * 0.99,
      );
    }
  });

  test('a small write costs a parity array four of its members’ operations, six a double one, each copy one a mirror [common practice, no source]', () => {
    const deep = (mode: Layout['mode'], members: number, reads: number) =>
      rate('disk', { reads, depth: 64 * members, synchronous: true, array: array(mode, members) });
    for (const [mode, members, cost] of [
      ['parity', 4, 4],
      ['double parity', 6, 6],
      ['mirror', 3, 3],
      ['stripe of mirrors', 4, 2],
      ['stripe', 4, 1],
    ] as const)
      expect(deep(mode, members, 1) / deep(mode, members, 0)).toBeCloseTo(cost, 1);
    // Alone it waits for the old data and parity to be read first: twice as long.
    expect(
      rate('disk', { reads: 0, synchronous: true }) /
        rate('disk', { reads: 0, synchronous: true, array: array('parity', 4) }),
    ).toBeCloseTo(2, 1);
  });

  test('its working names the layout; one drive is as without', () => {
    expect(
      operationsPerSecond(explaining, drives.disk, ops({ array: array('parity', 4) })).because.name,
    ).toMatch(/RAID 5 of 4/);
    expect(operationsPerSecond(explaining, drives.disk, ops({ array: array('single', 1) }))).toEqual(
      operationsPerSecond(explaining, drives.disk, ops()),
    );
  });
});
