import fc from 'fast-check';
import { BRIDGES, CABLES, DRIVES, HOSTS } from '../../catalog/stock';
import { isExact } from '../../stats';
import type { Host } from '../../catalog/parts';
import { ceilingOf, DIRECTIONS, linkById, LINKS, modesOf, practicalOf } from '../../catalog/links';
import { blockWords, reasonOf } from './words';
import { buildPath, hardCeiling } from './build';
import { explainFlow } from './flow';
import { isNarrow } from './path';
import { negotiate } from './negotiate';
import type { PathParts } from './parts';
import { runs } from '../../fixtures/draws';

const by = <T extends { id: string }>(list: readonly T[], id: string): T =>
  list.find((item) => item.id === id)!;
const [laptop, workstation, sealed] = ['field-laptop', 'scanning-workstation', 'simulator-host'].map((id) =>
  by(HOSTS, id),
) as [Host, Host, Host];
const path = (drive: string, bridge: string | null, cable: string | null, port: string, host = laptop) =>
  buildPath({
    drive: by(DRIVES, drive),
    bridge: bridge && by(BRIDGES, bridge),
    cable: cable && by(CABLES, cable),
    port: by(host.ports, port),
    host,
  } as PathParts);
const expectMB = (p: ReturnType<typeof path>, direction: 'read' | 'write' = 'read') =>
  Math.round(p.flow![direction].expected / 1e6);

const someModes = fc.uniqueArray(fc.constantFrom(...LINKS.map((l) => l.id)), { minLength: 1, maxLength: 4 });
const anyParts: fc.Arbitrary<PathParts> = fc
  .tuple(
    fc.constantFrom(...DRIVES),
    fc.constantFrom(null, ...BRIDGES),
    fc.constantFrom(null, ...CABLES),
    fc.constantFrom(...HOSTS),
    fc.nat(),
  )
  .map(([drive, bridge, cable, host, n]) => ({
    drive,
    bridge,
    cable,
    host,
    port: host.ports[n % host.ports.length]!,
  }));

describe('negotiation', () => {
  test.each([
    ['two-lane device on a host without two lanes', [['usb-20'], ['usb-20'], ['usb-10']], 'usb-10'],
    [
      'two-lane device on a 40 Gb/s port without two lanes',
      [['usb-20'], ['usb4-40', 'usb-20'], ['usb4-40']],
      'usb-10',
    ],
    ['Thunderbolt-only bridge on a USB port', [['tb-3'], ['usb4-40', 'tb-3'], ['usb-20']], null],
    [
      'dual-mode bridge on a USB port',
      [['tb-3', 'usb-10'], ['usb4-40', 'tb-3', 'usb-20'], ['usb-20']],
      'usb-10',
    ],
    ['USB 2 cable between fast ends', [['usb-20'], ['usb-2'], ['usb-20']], 'usb-2'],
    ['×4 drive in a slot wired ×1', [['pcie3x4'], ['pcie3x1']], 'pcie3x1'],
    ['gen 4 drive in a gen 3 slot', [['pcie4x4'], ['pcie3x8']], 'pcie3x4'],
    ['SATA drive in a PCIe slot', [['sata-6'], ['pcie3x4']], null],
  ])('%s', (_, modes, expected) =>
    expect(negotiate(modes.map((m, i) => ({ id: `${i}`, name: `${i}`, modes: m }))).mode?.id ?? null).toBe(
      expected,
    ),
  );

  test('finds what a search over all modes finds', () => {
    fc.assert(
      fc.property(fc.array(someModes, { minLength: 1, maxLength: 4 }), (all) => {
        const shared = LINKS.filter((l) => all.every((modes) => modesOf(modes).has(l.id))).map(
          (l) => practicalOf(l, 'read').expected,
        );
        const { mode } = negotiate(all.map((modes, i) => ({ id: `${i}`, name: `${i}`, modes })));
        expect(mode ? practicalOf(mode, 'read').expected : 0).toBe(Math.max(0, ...shared));
      }),
      runs(100),
    );
  });

  test('order does not matter; another participant never helps', () => {
    fc.assert(
      fc.property(fc.array(someModes, { minLength: 1, maxLength: 4 }), someModes, (all, more) => {
        const worth = (lists: string[][]) => {
          const { mode } = negotiate(lists.map((modes, i) => ({ id: `${i}`, name: `${i}`, modes })));
          return mode ? practicalOf(mode, 'read').expected : 0;
        };
        expect(worth([...all].reverse())).toBe(worth(all));
        expect(worth([...all, more])).toBeLessThanOrEqual(worth(all));
      }),
      runs(100),
    );
  });

  test('says who holds it down, alone or together', () => {
    const held = (...modes: string[]) =>
      negotiate(modes.map((m, i) => ({ id: 'abc'[i]!, name: 'abc'[i]!, modes: [m] })));
    expect(held('usb-10', 'usb-10', 'usb-5')).toMatchObject({ limiters: ['c'], without: { id: 'usb-10' } });
    expect(held('usb-10', 'usb-5', 'usb-5')).toMatchObject({
      limiters: ['b', 'c'],
      without: { id: 'usb-10' },
    });
    expect(held('usb-10', 'usb-10', 'usb-10').limiters).toEqual([]);
    expect(reasonOf(held('usb-10', 'usb-10', 'usb-5'))).toBe(
      'held to USB 5 Gb/s by c; without that it could run USB 10 Gb/s',
    );
  });
});

describe('paths of the shop', () => {
  // common practice, no source: what such builds measure
  test('a 3,500 MB/s drive behind USB 10 Gb/s: 900 to 1,050', () => {
    const p = path('larkmoor-reed-2t', 'tesselin-nook-10', 'c-c-10-05', 'left-back');
    expect(expectMB(p)).toBeGreaterThan(900);
    expect(expectMB(p)).toBeLessThan(1050);
    expect(p.bottleneck!.read.segments).toEqual(['bridge', 'cable', 'port']);
  });
  test('a gen 3 drive in a slot wired ×1: near a quarter, 800 to 920', () => {
    const p = path('larkmoor-reed-2t', 'tesselin-riser-4', null, 'slot-x1', workstation);
    expect(p.outer.mode?.id).toBe('pcie3x1');
    expect(expectMB(p)).toBeGreaterThanOrEqual(800);
    expect(expectMB(p)).toBeLessThanOrEqual(920);
    expect(p.bottleneck!.read.segments).toEqual(['port']);
  });
  test('a SATA drive behind 10 Gb/s: 500 to 550', () => {
    const flow = path('venndale-slate-2t', 'quarrel-shell-10', 'c-c-10-05', 'left-back').flow!.read;
    expect(flow.expected / 1e6).toBeGreaterThan(500);
    expect(flow.expected / 1e6).toBeLessThan(550);
  });
  test('a SATA drive behind 5 Gb/s: 380 to 450', () => {
    const uas = { ...by(BRIDGES, 'quarrel-shell-5'), protocol: 'uas' as const };
    const p = buildPath({
      drive: by(DRIVES, 'venndale-slate-2t'),
      bridge: uas,
      cable: by(CABLES, 'c-c-10-05'),
      port: by(laptop.ports, 'left-back'),
      host: laptop,
    });
    expect(expectMB(p)).toBeGreaterThan(380);
    expect(expectMB(p)).toBeLessThan(450);
  });
  test('bulk-only takes 15 to 45 % off', () => {
    const slow = path('venndale-slate-2t', 'quarrel-shell-5', 'c-c-10-05', 'left-back');
    const link = practicalOf(linkById('usb-5'), 'read').expected;
    expect(slow.constraints.find((c) => c.id === 'outer')!.rate.read.expected / link).toBeGreaterThan(0.55);
    expect(slow.constraints.find((c) => c.id === 'outer')!.rate.read.expected / link).toBeLessThan(0.85);
  });
  test('the expansion bay runs a gen 4 drive at full speed', () => {
    const p = path('oystral-merlin-4t', null, null, 'bay', sealed);
    expect(p.outer.mode?.id).toBe('pcie4x4');
    expect(p.segments.map((j) => j.id)).toEqual(['drive', 'port', 'host']);
  });
});

describe('blocked paths', () => {
  test.each([
    ['plugs that do not match', path('larkmoor-reed-2t', null, null, 'left-back'), /does not go into/],
    ['a missing cable', path('larkmoor-reed-2t', 'tesselin-nook-10', null, 'left-back'), /needs a cable/],
    [
      'a cable with the wrong end',
      path('larkmoor-reed-2t', 'tesselin-nook-10', 'c-c-10-05', 'right'),
      /does not join/,
    ],
    [
      'a SATA drive in an enclosure for M.2',
      path('venndale-slate-2t', 'tesselin-nook-10', 'c-c-10-05', 'left-back'),
      /does not go into/,
    ],
    [
      'a Thunderbolt-only enclosure on a USB port',
      path('oystral-merlin-4t', 'tesselin-vault-3', 'c-c-40-08', 'front-c', sealed),
      /share/,
    ],
  ])('%s', (_, blocked, reason) => {
    expect(blocked.flow).toBeNull();
    expect(blocked.blocked.map(blockWords).join()).toMatch(reason);
    expect(() => explainFlow(blocked, 'write')).toThrow(RangeError);
  });
});

describe('laws of any path', () => {
  test('never above any segment nor a hard ceiling; the working gives the same figures', () => {
    fc.assert(
      fc.property(anyParts, (parts) => {
        const p = buildPath(parts);
        if (!p.flow) return expect(p.blocked.length).toBeGreaterThan(0);
        for (const d of DIRECTIONS) {
          for (const c of p.constraints)
            expect(p.flow[d].expected).toBeLessThanOrEqual(c.rate[d].expected * (1 + 1e-9));
          expect(p.flow[d].high).toBeLessThanOrEqual(hardCeiling(p) * (1 + 1e-9));
          const worked = explainFlow(p, d);
          expect([worked.low, worked.expected, worked.high]).toEqual([
            p.flow[d].low,
            p.flow[d].expected,
            p.flow[d].high,
          ]);
          expect(worked.because.inputs.every((i) => isExact(i) || i.low < i.high)).toBe(true);
        }
      }),
      runs(100),
    );
  });

  test('the ends of a cable may be swapped', () => {
    fc.assert(
      fc.property(anyParts, (parts) => {
        fc.pre(parts.cable !== null);
        const turned = {
          ...parts,
          cable: { ...parts.cable!, ends: [parts.cable!.ends[1], parts.cable!.ends[0]] as [never, never] },
        };
        expect(buildPath(turned).flow).toEqual(buildPath(parts).flow);
      }),
      runs(100),
    );
  });

  test('a faster port of the same shape and family is never slower', () => {
    const usb = ['usb-2', 'usb-5', 'usb-10'];
    fc.assert(
      fc.property(anyParts, fc.nat(1), (parts, n) => {
        const at = (mode: string) =>
          buildPath({ ...parts, port: { ...parts.port, modes: [mode] } }).flow?.write.expected ?? 0;
        expect(at(usb[n + 1]!)).toBeGreaterThanOrEqual(at(usb[n]!) * (1 - 1e-9));
      }),
      runs(100),
    );
  });

  test('the hard ceiling is the least of the links', () => {
    const p = path('larkmoor-reed-2t', 'tesselin-nook-10', 'c-c-10-05', 'left-back');
    expect(hardCeiling(p)).toBe(ceilingOf(linkById('usb-10')));
  });
});

describe('one number', () => {
  const any = (parts: PathParts) => {
    const found = buildPath(parts);
    return found.flow ? found : null;
  };

  test('the flow is that of the slowest row, which is the one that is marked, or a share of it', () => {
    fc.assert(
      fc.property(anyParts, fc.constantFrom(...DIRECTIONS), (parts, d) => {
        const found = any(parts);
        if (!found) return;
        const rows = found.constraints.map((c) => c.rate[d].expected);
        expect(found.flow![d].expected).toBe(Math.min(...rows));
        const bottleneck = found.bottleneck![d];
        const { constraint, slowest } = bottleneck;
        expect(slowest.rate[d].expected).toBe(found.flow![d].expected);
        // A place that is marked shows the flow's own number.
        const places = found.segments.filter(
          (j) => j.constraints.includes(slowest.id) || bottleneck.segments.includes(j.id),
        );
        expect(places.length === 0 || places.some((j) => isNarrow(j, bottleneck))).toBe(true);
        expect([slowest.id, slowest.covers?.[d]]).toContain(constraint.id);
        for (const c of found.constraints) expect(c.explain(d).expected).toBeCloseTo(c.rate[d].expected, 3);
        expect(explainFlow(found, d).expected).toBe(found.flow![d].expected);
        // No place of the strip that is alone on its link shows less than what flows.
        for (const segment of found.segments.filter((j) => j.id === 'drive' || j.id === 'system'))
          expect(segment.alone[d]).toBeGreaterThanOrEqual(found.flow![d].expected * (1 - 1e-9));
      }),
      runs(300),
    );
  });

  test('the range holds the figure', () => {
    fc.assert(
      fc.property(anyParts, fc.constantFrom(...DIRECTIONS), (parts, d) => {
        const flow = any(parts)?.flow?.[d];
        if (flow) expect(flow.low <= flow.expected && flow.expected <= flow.high).toBe(true);
      }),
      runs(100),
    );
  });
});

describe('losses are taken once', () => {
  const slow = by(HOSTS, 'field-laptop');
  const behind = (modes: string[], more: object = {}) => {
    const bridge = { ...by(BRIDGES, 'quarrel-lead-a'), outer: modes, ...more };
    const port = { ...slow.ports[0]!, connector: 'USB-A' as const, modes };
    const systems = [
      { family: 'Windows' as const, efficiency: { value: 0.8, source: { kind: 'entered' as const } } },
    ];
    const host = { ...slow, ports: [port], systems };
    const drive = by(DRIVES, 'venndale-slate-1t');
    return buildPath({ drive, bridge, cable: null, port, host });
  };
  const mb = (p: ReturnType<typeof behind>) => p.carries!.read.expected / 1e6;

  test('USB 2.0 behind a slow stack: 30 to 38 MB/s [common practice, no source]', () => {
    const found = mb(behind(['usb-2']));
    expect(found).toBeGreaterThan(30);
    expect(found).toBeLessThan(38);
  });

  test('of a slow protocol and a slow stack the greater loss counts', () => {
    const link = practicalOf(linkById('usb-5'), 'read').expected / 1e6;
    expect(mb(behind(['usb-5'], { protocol: 'uas' }))).toBeCloseTo(link * 0.8, 6);
    // Bulk-only: 128 KiB, then 140 µs of nothing, expected; that is more than the stack takes.
    expect(mb(behind(['usb-5']))).toBeCloseTo(0.131072 / (0.131072 / link + 140e-6), 6);
  });

  test('a drive behind 10 Gb/s feels one command at a time, though the link would carry it', () => {
    expect(mb(behind(['usb-10'], { protocol: 'uas' }))).toBeGreaterThan(500);
    // 128 KiB at 970 MB/s, then 140 µs of waiting [by hand].
    expect(mb(behind(['usb-10']))).toBeCloseTo(476.3, 0);
  });

  test('what was measured over a link is not cut by it again; over a slower one it is', () => {
    const drive = {
      ...by(DRIVES, 'venndale-slate-1t'),
      plug: 'USB-C' as const,
      modes: ['usb-10'],
      sealed: true,
    };
    const rate = (kind: 'measured' | 'sheet' | 'entered', modes: string[]) => {
      const port = { ...slow.ports[0]!, connector: 'USB-C' as const, modes };
      const { systems: _, ...host } = slow;
      const read = { value: 1040e6, source: { kind } };
      const cable = { ...by(CABLES, 'c-c-10-05'), modes: ['usb-10'] };
      return buildPath({
        drive: { ...drive, read, write: { value: 900e6, source: { kind: 'entered' } } },
        bridge: null,
        cable,
        port,
        host: { ...host, ports: [port] },
      });
    };
    const at = (p: ReturnType<typeof rate>) =>
      p.constraints.find((c) => c.id === 'outer')!.rate.read.expected;
    expect(at(rate('measured', ['usb-10']))).toBe(ceilingOf(linkById('usb-10')));
    // A sealed device's box says what came over its own link; what a person entered may be of the drive alone.
    expect(at(rate('sheet', ['usb-10']))).toBe(ceilingOf(linkById('usb-10')));
    expect(at(rate('entered', ['usb-10']))).toBe(practicalOf(linkById('usb-10'), 'read').expected);
    expect(at(rate('measured', ['usb-5']))).toBe(practicalOf(linkById('usb-5'), 'read').expected);
    expect(rate('measured', ['usb-10']).carries!.write.expected).toBeLessThan(1000e6);
  });
});
