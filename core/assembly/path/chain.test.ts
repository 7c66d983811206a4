import fc from 'fast-check';
import { BRIDGES, CABLES, DRIVES, HOSTS, HUBS } from '../../catalog/stock';
import { isExact } from '../../stats';
import { DIRECTIONS, linkById, LINKS, practicalOf } from '../../catalog/links';
import type { Bridge, Hop, Host } from '../../catalog/parts';
import { blockWords, contentionWords } from './words';
import { buildPath, hardCeiling } from './build';
import { explainFlow } from './flow';
import type { PathParts } from './parts';
import { draws, runs } from '../../fixtures/draws';

const by = <T extends { id: string }>(list: readonly T[], id: string): T =>
  list.find((item) => item.id === id)!;
const hop = (hub: string, port: string, cable: string, busy?: Hop['busy']): Hop => ({
  hub: by(HUBS, hub),
  port,
  cable: by(CABLES, cable),
  ...(busy ? { busy } : {}),
});
const parts = (
  host: string,
  port: string,
  drive: string,
  bridge: string | null,
  cable: string | null,
  more: Partial<PathParts> = {},
): PathParts => {
  const on = by(HOSTS, host);
  return {
    drive: by(DRIVES, drive),
    bridge: bridge ? by(BRIDGES, bridge) : null,
    cable: cable ? by(CABLES, cable) : null,
    host: on,
    port: by(on.ports, port),
    ...more,
  };
};
const at = (...build: Parameters<typeof parts>) => buildPath(parts(...build));
const mb = (path: ReturnType<typeof buildPath>, d: 'read' | 'write' = 'read') => path.flow![d].expected / 1e6;
const quick = { value: 20e9, source: { kind: 'entered' as const } };
/** The host with another end that is never in the way. */
const fastEnd = (host: Host): Host => ({ ...host, storage: { ...host.storage, read: quick, write: quick } });

describe('chains', () => {
  test('a hub between costs nothing where it is as fast, and holds where it is slower', () => {
    const straight = at('mini-pc', 'front-c', 'larkmoor-reed-2t', 'tesselin-nook-10', 'c-c-10-05');
    const hubbed = at('mini-pc', 'front-c', 'larkmoor-reed-2t', 'tesselin-nook-10', 'c-c-10-05', {
      hops: [hop('tesselin-fan-4', 'c1', 'c-c-10-05')],
    });
    expect(hubbed.outer.mode?.id).toBe('usb-10');
    expect(hubbed.segments.map((j) => j.id)).toEqual(['drive', 'bridge', 'cable', 'hub-0', 'port', 'host']);
    expect(mb(hubbed) / mb(straight)).toBeGreaterThan(0.93);
    expect(mb(hubbed)).toBeLessThanOrEqual(mb(straight) + 1e-6);
    const slow = at('office-desktop', 'front-a', 'larkmoor-reed-2t', 'tesselin-nook-10', 'c-a-10-05', {
      hops: [hop('hollin-row-7', 'a1', 'a-b-5-1')],
    });
    expect(slow.links.hops[0]!.mode?.id).toBe('usb-5');
    expect(slow.outer.mode?.id).toBe('usb-5');
  });

  test('a port behind a hub offers no more than the hub’s uplink carries', () => {
    // Thunderbolt box on a dock that fell back to USB: not seen.
    const dock = { hops: [hop('quarrel-pier-40', 'down', 'c-c-40-08')] };
    expect(
      at('thin-laptop', 'left-1', 'oystral-merlin-4t', 'tesselin-vault-40', 'c-c-40-08', dock).outer.mode
        ?.family,
    ).toMatch(/usb4|thunderbolt/);
    const fallen = at(
      'field-laptop',
      'left-back',
      'oystral-merlin-4t',
      'tesselin-vault-3',
      'c-c-40-08',
      dock,
    );
    expect(fallen.links.hops[0]!.mode?.id).toBe('usb-10');
    expect(fallen.blocked.map(blockWords).join()).toMatch(/share/);
    // A box that also speaks USB is seen there.
    expect(
      at('field-laptop', 'left-back', 'oystral-merlin-4t', 'tesselin-vault-40', 'c-c-40-08', dock).outer.mode
        ?.id,
    ).toBe('usb-10');
  });

  test('a Thunderbolt chain passes on', () => {
    const chained = at('all-in-one', 'back-tb-1', 'oystral-merlin-4t', 'tesselin-vault-3', 'c-c-40-08', {
      hops: [hop('tesselin-link-3', 'next', 'c-c-40-08')],
    });
    expect([chained.outer.mode?.id, chained.links.hops[0]!.mode?.id]).toEqual(['tb-3', 'tb-3']);
  });

  test('another device on the hub takes its fair share', () => {
    const alone = at('mini-pc', 'front-c', 'larkmoor-reed-2t', 'tesselin-nook-10', 'c-c-10-05', {
      hops: [hop('tesselin-fan-4', 'c1', 'c-c-10-05')],
    });
    const with_ = (want: number | null, direction: 'read' | 'write' = 'read') =>
      at('mini-pc', 'front-c', 'larkmoor-reed-2t', 'tesselin-nook-10', 'c-c-10-05', {
        hops: [hop('tesselin-fan-4', 'c1', 'c-c-10-05', [{ name: 'Camera', direction, want }])],
      });
    const hub = (p: ReturnType<typeof buildPath>) =>
      p.constraints.find((c) => c.id === 'hub-0')!.rate.read.expected;
    expect(hub(with_(null))).toBeCloseTo(hub(alone) / 2, 3);
    expect(hub(with_(100e6))).toBeCloseTo(hub(alone) - 100e6, 3);
    // Full duplex: who writes does not take from who reads.
    expect(hub(with_(null, 'write'))).toBe(hub(alone));
    expect(with_(null).constraints.find((c) => c.id === 'hub-0')!.shared!.read!.beside).toEqual([
      expect.objectContaining({ name: 'Camera', direction: 'read' }),
    ]);
  });
});

describe('sharing', () => {
  // common practice, no source: four SATA drives behind 10 Gb/s 780 to 900 MB/s together, one alone about 500; behind 5 Gb/s 400 to 460 whether one or four
  test('four SATA drives at once behind 10 Gb/s and 5 Gb/s', () => {
    const host = fastEnd(by(HOSTS, 'mini-pc'));
    const slim = by(BRIDGES, 'quarrel-slim-4');
    const four = (modes: string[], together: number) =>
      mb(
        buildPath({
          ...parts('mini-pc', 'front-c', 'venndale-slate-2t', 'quarrel-slim-4', 'c-c-10-05'),
          host,
          bridge: { ...slim, outer: modes },
          together,
        }),
      ) * together;
    expect(four(['usb-10'], 4)).toBeGreaterThan(780);
    expect(four(['usb-10'], 4)).toBeLessThan(1000);
    expect(four(['usb-10'], 1)).toBeGreaterThan(480);
    expect(four(['usb-10'], 1)).toBeLessThan(550);
    for (const n of [1, 4])
      expect([four(['usb-5'], n) > 400, four(['usb-5'], n) < 460]).toEqual([true, true]);
  });

  test('a copy whose both ends hang on one USB 2.0 uplink gets half of it; over a full-duplex one all', () => {
    const host = by(HOSTS, 'old-laptop');
    const stick = by(host.endpoints!, 'stick');
    const copy = (endpoint: typeof stick) =>
      at('old-laptop', 'left-1', 'marrowick-drift-1t', 'quarrel-lead-a', null, { endpoint, host });
    const apart = copy({ ...stick, port: 'right' }).constraints.find((c) => c.id === 'uplink')!;
    const both = copy(stick).constraints.find((c) => c.id === 'uplink')!;
    expect(both.rate.write.expected).toBeCloseTo(apart.rate.write.expected / 2, 3);
    expect(both.shared!.write!.twice).toBe(stick.name);
    expect(contentionWords(both.shared!.write!)).toMatch(/comes and goes/);
    const all = by(HOSTS, 'all-in-one');
    const duplex = at('all-in-one', 'back-a-1', 'venndale-slate-2t', 'quarrel-shell-10', 'c-a-10-05', {
      host: all,
      endpoint: { ...stick, port: 'back-a-2' },
    });
    expect(duplex.constraints.find((c) => c.id === 'uplink')!.shared).toBeUndefined();
  });

  test('cards that split the slot give each drive its own lanes; one with a switch shares its way up', () => {
    const host = fastEnd(by(HOSTS, 'scanning-workstation'));
    const share = (bridge: string, together: number) =>
      buildPath({
        ...parts('scanning-workstation', 'slot-x8', 'oystral-merlin-4t', bridge, null),
        host,
        together,
      });
    const outer = (p: ReturnType<typeof buildPath>) =>
      p.constraints.find((c) => c.id === 'outer')!.rate.read.expected;
    expect(outer(share('tesselin-riser-quad', 2))).toBe(outer(share('tesselin-riser-quad', 1)));
    expect(outer(share('tesselin-riser-switch', 4))).toBeCloseTo(
      outer(share('tesselin-riser-switch', 1)) / 4,
      3,
    );
    expect(share('tesselin-riser-switch', 1).inner!.mode?.id).toBe('pcie4x4');
    expect(share('tesselin-riser-switch', 1).outer.mode?.id).toBe('pcie3x8');
  });
});

describe('Thunderbolt, trade checks', () => {
  // common practice, no source
  const at40 = (host: string, port: string, drive: string, bridge: string, cable: string) =>
    mb(buildPath({ ...parts(host, port, drive, bridge, cable), host: fastEnd(by(HOSTS, host)) }));
  test('a good Thunderbolt 3 enclosure reads about 2,700 whichever fast drive is in it, and the first class writes 1,150 to 1,450', () => {
    for (const drive of ['larkmoor-reed-2t', 'oystral-merlin-4t', 'oystral-osprey-8t']) {
      const read = at40('thin-laptop', 'left-1', drive, 'tesselin-vault-3', 'c-c-40-08');
      expect(read).toBeGreaterThan(2400);
      expect(read).toBeLessThan(2850);
    }
    const write = mb(
      buildPath({
        ...parts('thin-laptop', 'left-1', 'oystral-merlin-4t', 'tesselin-vault-3', 'c-c-40-08'),
        host: fastEnd(by(HOSTS, 'thin-laptop')),
      }),
      'write',
    );
    expect([write > 1150, write < 1450]).toEqual([true, true]);
  });
  test('a Thunderbolt 5 drive: 5,700 to 6,000 on its own port, 2,600 to 3,000 on one of 40 Gb/s', () => {
    const own = at40('cutting-room', 'back-80-1', 'oystral-merlin-4t', 'tesselin-vault-80', 'c-c-80-08');
    expect([own > 5700, own < 6050]).toEqual([true, true]);
    const less = at40('thin-laptop', 'left-1', 'oystral-merlin-4t', 'tesselin-vault-80', 'c-c-80-08');
    expect([less > 2600, less < 3000]).toEqual([true, true]);
  });
});

describe('the last segment: the system', () => {
  test('its stack takes its share of the port’s link, and is to blame only where its mend gives more', () => {
    const path = (efficiency: number) => {
      const host = fastEnd(by(HOSTS, 'field-laptop'));
      return at('field-laptop', 'left-back', 'larkmoor-reed-2t', 'tesselin-nook-20', 'c-c-20-05', {
        host: {
          ...host,
          systems: [{ family: 'Linux', efficiency: { value: efficiency, source: { kind: 'measured' } } }],
        },
      });
    };
    expect(mb(path(0.6))).toBeCloseTo(mb(path(1)) * 0.6, 6);
    expect(path(0.6).segments.at(-2)!.id).toBe('system');
    // The two-lane device is held to 10 by the port: there is more to gain there than from a nearly perfect stack.
    expect(path(0.97).bottleneck!.read).toMatchObject({ segments: ['port'], next: { name: 'USB 20 Gb/s' } });
    expect(path(0.3).bottleneck!.read.segments).toEqual(['system']);
  });

  test('without a figure there is no such segment', () =>
    expect(
      at('field-laptop', 'left-back', 'larkmoor-reed-2t', 'tesselin-nook-10', 'c-c-10-05').segments.some(
        (j) => j.id === 'system',
      ),
    ).toBe(false));
});

describe('the other end', () => {
  test('a card in its reader decides with its own link', () => {
    const host = by(HOSTS, 'field-laptop');
    const path = at('field-laptop', 'left-back', 'larkmoor-reed-2t', 'tesselin-nook-10', 'c-c-10-05', {
      endpoint: by(host.endpoints!, 'recorder-card'),
    });
    expect(path.bottleneck!.write.constraint.id).toMatch(/far|other/);
    expect(mb(path, 'write')).toBeLessThan(104);
    expect(path.segments.at(-1)).toMatchObject({ id: 'host', part: 'Recorder’s card, in its slot' });
    expect(hardCeiling(path)).toBe(104e6);
  });
  test('a reader in a slow port is held by the port', () => {
    const host = by(HOSTS, 'field-laptop');
    const slow = {
      ...host,
      ports: host.ports.map((p) => (p.id === 'right' ? { ...p, modes: ['usb-2'] } : p)),
    };
    const path = at('field-laptop', 'left-back', 'larkmoor-reed-2t', 'tesselin-nook-10', 'c-c-10-05', {
      host: slow,
      endpoint: by(host.endpoints!, 'card-right'),
    });
    expect(path.constraints.find((c) => c.id === 'far')!.link!.mode?.id).toBe('usb-2');
  });
});

describe('depth and block', () => {
  const at4k = (depth: number, bridge = 'tesselin-nook-10') =>
    at(
      'field-laptop',
      'left-back',
      'larkmoor-reed-2t',
      bridge,
      bridge === 'tesselin-nook-20' ? 'c-c-20-05' : 'c-c-10-05',
      { requests: { block: 4096, depth } },
    );
  test('one request at a time does not fill a path; depth fills it', () => {
    const full = at('field-laptop', 'left-back', 'larkmoor-reed-2t', 'tesselin-nook-10', 'c-c-10-05');
    // from memory: 4 KiB one at a time behind USB gives some tens of MB/s
    expect(mb(at4k(1))).toBeGreaterThan(15);
    expect(mb(at4k(1))).toBeLessThan(50);
    expect(mb(at4k(32))).toBeGreaterThan(8 * mb(at4k(1)));
    // The rate at a depth comes from samples: their middle is good to some parts in a million.
    for (const depth of [1, 8, 64, 1024]) expect(mb(at4k(depth))).toBeLessThanOrEqual(mb(full) * (1 + 1e-5));
    expect(explainFlow(at4k(4), 'read').expected).toBe(at4k(4).flow!.read.expected);
  });
  test('bulk-only stays at one whatever is asked', () => {
    const slow = (depth: number) =>
      at('field-laptop', 'left-back', 'venndale-slate-2t', 'quarrel-shell-5', 'c-c-10-05', {
        requests: { block: 4096, depth },
      });
    expect(mb(slow(64))).toBe(mb(slow(1)));
  });
});

describe('what the system says was negotiated', () => {
  const seen = (link: string) =>
    at('field-laptop', 'left-back', 'larkmoor-reed-2t', 'tesselin-nook-10', 'c-c-10-05', { seen: { link } });
  test('stands where it is less than the parts allow', () => {
    expect(seen('usb-5').outer).toMatchObject({
      mode: { id: 'usb-5' },
      without: { id: 'usb-10' },
      why: { id: 'seen' },
    });
    expect(seen('usb-10').outer.mode?.id).toBe('usb-10');
    expect(seen('usb-20').outer.mode?.id).toBe('usb-10');
  });
});

const modes = fc.uniqueArray(fc.constantFrom(...LINKS.map((l) => l.id)), { minLength: 1, maxLength: 4 });
const busy = fc.array(
  fc.record({
    name: fc.constant('Other'),
    direction: fc.constantFrom(...DIRECTIONS),
    want: fc.oneof(
      fc.constant(null),
      fc.integer({ min: 1, max: 3000 }).map((n) => n * 1e6),
    ),
  }),
  { maxLength: 3 },
);
const someHop: fc.Arbitrary<Hop> = fc
  .record({ hub: fc.constantFrom(...HUBS), n: fc.nat(), cable: fc.constantFrom(...CABLES), busy })
  .map(({ hub, n, cable, busy }) => ({ hub, port: hub.ports[n % hub.ports.length]!.id, cable, busy }));
/** Any parts whatever, most of which do not go together; about half with modes of their own making, so that many do. */
const anything: fc.Arbitrary<PathParts> = fc
  .record({
    drive: fc.constantFrom(...DRIVES),
    bridge: fc.option(fc.constantFrom(...BRIDGES), { nil: null }),
    cable: fc.option(fc.constantFrom(...CABLES), { nil: null }),
    host: fc.constantFrom(...HOSTS),
    n: fc.nat(),
    hops: fc.array(someHop, { maxLength: 3 }),
    together: fc.integer({ min: 1, max: 5 }),
    end: fc.option(fc.nat(), { nil: null }),
    own: fc.option(modes, { nil: null }),
    seen: fc.option(fc.constantFrom(...LINKS.map((l) => l.id)), { nil: null }),
  })
  .map(({ drive, bridge, cable, host, n, hops, together, end, own, seen }) => {
    const port = host.ports[n % host.ports.length]!;
    const endpoint = end === null ? undefined : host.endpoints?.[end % host.endpoints.length];
    const plug = bridge?.plug ?? drive.plug;
    const fitted = own !== null;
    return {
      drive: fitted && bridge ? { ...drive, plug: bridge.socket } : drive,
      bridge,
      cable: fitted && cable ? { ...cable, ends: [plug, port.connector], modes: own } : cable,
      port,
      host,
      hops: fitted ? [] : hops,
      together,
      endpoint,
      ...(seen ? { seen: { link: seen } } : {}),
    };
  });

describe('laws of chains', () => {
  test('100,000 random paths: never a crash, never above a segment or a ceiling, blocked with a reason or flowing', () => {
    let flowing = 0;
    fc.assert(
      fc.property(anything, (parts) => {
        const { flow, blocked, constraints, bottleneck, segments } = buildPath(parts);
        if (!flow) return blocked.length > 0 && blocked.every((block) => blockWords(block).length > 0);
        flowing++;
        return DIRECTIONS.every((d) => {
          const { low, expected, high } = flow[d];
          return (
            low > 0 &&
            low <= expected &&
            expected <= high &&
            constraints.every(
              (c) =>
                expected <= c.rate[d].expected * (1 + 1e-9) && high <= (c.ceiling ?? Infinity) * (1 + 1e-9),
            ) &&
            bottleneck![d].segments.length > 0 &&
            bottleneck![d].segments.every((id) => segments.some((j) => j.id === id))
          );
        });
      }),
      runs(100_000),
    );
    expect(flowing).toBeGreaterThan(draws(5_000));
  });

  test('the working gives the same figures as the bare path', () => {
    fc.assert(
      fc.property(anything, (parts) => {
        const path = buildPath(parts);
        if (!path.flow) return;
        for (const d of DIRECTIONS) {
          const { low, expected, high, because } = explainFlow(path, d);
          const near = (a: number, b: number) => expect(a / b).toBeCloseTo(1, 9);
          near(low, path.flow[d].low);
          near(expected, path.flow[d].expected);
          near(high, path.flow[d].high);
          expect(because.inputs.every((i) => isExact(i) || i.low < i.high)).toBe(true);
        }
      }),
      runs(2000),
    );
  });

  test('on a path that works, a segment that passes things through never makes it faster', () => {
    fc.assert(
      fc.property(anything, modes, (all, own) => {
        fc.pre(all.bridge === null);
        // What the system was seen to negotiate holds for one build only.
        const parts = { ...all, seen: undefined };
        const straight = buildPath(parts);
        fc.pre(straight.flow !== null);
        const through: Bridge = {
          ...by(BRIDGES, 'tesselin-riser-4'),
          socket: parts.drive.plug,
          plug: parts.drive.plug,
          inner: own,
          outer: own,
        };
        const longer = buildPath({ ...parts, bridge: through });
        for (const d of DIRECTIONS)
          if (longer.flow)
            expect(longer.flow[d].expected).toBeLessThanOrEqual(straight.flow![d].expected * (1 + 1e-9));
      }),
      runs(1000),
    );
  });

  test('neither does a hub, nor another drive beside, nor a neighbour', () => {
    fc.assert(
      fc.property(anything, fc.constantFrom(...HUBS), (parts, hub) => {
        const now = buildPath(parts);
        fc.pre(now.flow !== null && parts.cable !== null && (parts.hops ?? []).length === 0);
        const lead = { ...parts.cable!, ends: [hub.plug, parts.port.connector] as [never, never] };
        const chain = {
          ...hub,
          ports: [{ ...hub.ports[0]!, connector: parts.port.connector, modes: hub.up }],
        };
        const seen = { ...parts, seen: undefined };
        const flow = (more: Partial<PathParts>) => buildPath({ ...seen, ...more }).flow?.read.expected ?? 0;
        const straight = flow({});
        expect(flow({ hops: [{ hub: chain, port: chain.ports[0]!.id, cable: lead }] })).toBeLessThanOrEqual(
          straight * (1 + 1e-9),
        );
        expect(flow({ together: (parts.together ?? 1) + 1 })).toBeLessThanOrEqual(straight * (1 + 1e-9));
      }),
      runs(1000),
    );
  });

  test('more lanes and a newer generation of PCIe, SATA and one-lane USB never make a path slower', () => {
    const LANES = [1, 2, 4, 8, 16];
    const pcie = (gen: number, lanes: number) => `pcie${gen}x${lanes}`;
    const ladders = [
      ...LANES.map((lanes) => [1, 2, 3, 4, 5, 6].map((gen) => pcie(gen, lanes))),
      ...[1, 2, 3, 4, 5, 6].map((gen) => LANES.map((lanes) => pcie(gen, lanes))),
      ['sata-1.5', 'sata-3', 'sata-6'],
      ['usb-2', 'usb-5', 'usb-10'],
    ];
    for (const ladder of ladders)
      for (let i = 1; i < ladder.length; i++)
        for (const d of DIRECTIONS)
          expect(practicalOf(linkById(ladder[i]!), d).expected).toBeGreaterThanOrEqual(
            practicalOf(linkById(ladder[i - 1]!), d).expected,
          );
    fc.assert(
      fc.property(anything, fc.constantFrom(...ladders), fc.nat(), (parts, ladder, n) => {
        const i = 1 + (n % (ladder.length - 1));
        const flow = (mode: string) =>
          buildPath({ ...parts, seen: undefined, port: { ...parts.port, modes: [mode] } }).flow?.read
            .expected ?? 0;
        expect(flow(ladder[i]!)).toBeGreaterThanOrEqual(flow(ladder[i - 1]!) * (1 - 1e-9));
      }),
      runs(3000),
    );
  });

  test('the ends of any cable may be swapped', () => {
    fc.assert(
      fc.property(anything, (parts) => {
        fc.pre(parts.cable !== null);
        const turned = {
          ...parts,
          cable: { ...parts.cable!, ends: [parts.cable!.ends[1], parts.cable!.ends[0]] as [never, never] },
        };
        expect(buildPath(turned).flow).toEqual(buildPath(parts).flow);
      }),
      runs(2000),
    );
  });
});
