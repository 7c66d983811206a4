import fc from 'fast-check';
import { ACCESSORIES, BRIDGES, CABLES, DRIVES, HOSTS, HUBS } from '../catalog/stock';
import type { Activity, Needs } from '../job';
import type { Bridge, Cable, Drive, Hop, Host, Port, System } from '../catalog/parts';
import { buildPath, type Layout } from '../assembly';
import {
  blocksOf,
  fileSystemFor,
  findings,
  RULES,
  SEVERITIES,
  settledTemperature,
  stateOf,
  type Setting,
} from '.';
import { factsOf, type Facts } from './facts';
import { runs } from '../fixtures/draws';

const by = <T extends { id: string }>(list: readonly T[], id: string): T =>
  list.find((item) => item.id === id)!;

interface Case {
  /** `host/port`, drive, bridge and cable by id; null for none. */
  at?: string;
  drive?: string;
  bridge?: string | null;
  cable?: string | null;
  d?: Partial<Drive>;
  b?: Partial<Bridge>;
  c?: Partial<Cable>;
  p?: Partial<Port>;
  h?: Partial<Host>;
  hops?: [hub: string, port: string, cable: string][];
  together?: number;
  array?: Layout;
  endpoint?: string;
  seen?: string;
  needs?: Needs;
  kit?: string[];
  direction?: 'read' | 'write';
  /** B moved in one go, and kept. */
  move?: number;
  keep?: number;
  growth?: number;
}

/** A sound build of the shop, changed in what the case names. */
function setting(c: Case): Setting {
  const [hostId, portId] = (c.at ?? 'field-laptop/left-back').split('/') as [string, string];
  const host: Host = { ...by(HOSTS, hostId), ...c.h };
  const port = { ...by(host.ports, portId), ...c.p };
  const drive = { ...by(DRIVES, c.drive ?? 'larkmoor-reed-2t'), ...c.d };
  const bridgeId = c.bridge === undefined ? 'tesselin-nook-10' : c.bridge;
  const cableId = c.cable === undefined ? 'c-c-10-05' : c.cable;
  const hops = (c.hops ?? []).map(([hub, p, cable]): Hop => ({
    hub: by(HUBS, hub),
    port: p,
    cable: by(CABLES, cable),
  }));
  const path = buildPath({
    drive,
    host,
    port,
    hops,
    bridge: bridgeId === null ? null : { ...by(BRIDGES, bridgeId), ...c.b },
    cable: cableId === null ? null : { ...by(CABLES, cableId), ...c.c },
    ...(c.together ? { together: c.together } : {}),
    ...(c.array ? { array: c.array } : {}),
    ...(c.endpoint ? { endpoint: by(host.endpoints!, c.endpoint) } : {}),
    ...(c.seen ? { seen: { link: c.seen } } : {}),
  });
  return {
    path,
    direction: c.direction ?? 'write',
    needs: c.needs,
    activities: asked(c),
    build: { accessories: (c.kit ?? []).map((id) => by(ACCESSORIES, id)) },
  };
}

function asked({ move, keep, growth = 0 }: Case): Activity[] {
  const fact = (value: number) => ({ value, source: { kind: 'entered' as const } });
  const common = { perDay: fact(1), target: null };
  return [
    ...(move === undefined
      ? []
      : [
          {
            ...common,
            id: 'move',
            name: 'Move',
            kind: 'move' as const,
            direction: 'write' as const,
            bytes: fact(move),
            files: fact(1),
          },
        ]),
    ...(keep === undefined
      ? []
      : [
          {
            ...common,
            id: 'keep',
            name: 'Keep',
            kind: 'keep' as const,
            now: fact(keep),
            growth: fact(growth),
          },
        ]),
  ];
}

const bay: Case = { at: 'simulator-host/bay', drive: 'oystral-merlin-2t', bridge: null, cable: null };
const inside: Case = { at: 'mini-pc/m2-long', drive: 'oystral-kestrel-2t', bridge: null, cable: null };
const slot: Case = {
  at: 'scanning-workstation/slot-x8',
  drive: 'oystral-merlin-4t',
  bridge: 'tesselin-riser-4',
  cable: null,
};
const sata: Case = { drive: 'venndale-slate-2t', bridge: 'quarrel-shell-10' };
const board: Case = {
  at: 'office-desktop/sata-1',
  drive: 'venndale-slate-2t',
  bridge: null,
  cable: 'sata-05',
};
const tower: Case = {
  at: 'field-laptop/right',
  drive: 'marrowick-anchor-8t',
  bridge: 'quarrel-tower-5',
  cable: 'a-micro-b-05',
};
const small: Case = { ...sata, drive: 'marrowick-drift-2t' };
const tb3: Case = {
  at: 'all-in-one/back-tb-1',
  drive: 'oystral-merlin-4t',
  bridge: 'tesselin-vault-3',
  cable: 'c-c-40-08',
};
const hub: Case['hops'] = [['tesselin-fan-4', 'c1', 'c-c-10-05']];
const not = undefined as never;
const unknown = { value: null, source: { kind: 'unknown' as const } };

const quickEnd: Partial<Host> = {
  storage: {
    name: 'Quick',
    read: { value: 9e9, source: { kind: 'entered' } },
    write: { value: 9e9, source: { kind: 'entered' } },
  },
};

/** For each rule a case that fires it and one, as near as can be, that does not. */
const CASES: Record<string, [fires: Case, silent: Case]> = {
  // shape
  'plugs-differ': [{ cable: null }, {}],
  'form-enclosure': [{ ...sata, drive: 'marrowick-anchor-8t' }, sata],
  'form-slot': [{ ...inside, drive: 'larkmoor-wren-1t' }, inside],
  'too-high-enclosure': [{ drive: 'oystral-kestrel-2t-fin' }, { drive: 'oystral-kestrel-2t' }],
  'too-high-slot': [
    { ...bay, kit: ['oystral-fin-high'] },
    { ...bay, kit: ['oystral-fin-low'] },
  ],
  'loose-in-bay': [sata, { ...sata, kit: ['hollin-screws'] }],
  key: [
    { ...inside, p: { key: 'B' } },
    { ...inside, p: { key: 'B' }, d: { key: 'B+M' } },
  ],
  'm2-interface': [
    { drive: 'venndale-flint-1t' },
    { drive: 'venndale-flint-1t', bridge: 'tesselin-nook-duo' },
  ],
  'card-too-long': [
    { ...slot, at: 'scanning-workstation/slot-x1' },
    { ...slot, at: 'scanning-workstation/slot-x1', bridge: 'tesselin-riser-1' },
  ],
  bracket: [
    { ...slot, at: 'office-desktop/slot-x4', bridge: 'tesselin-riser-quad' },
    { ...slot, at: 'office-desktop/slot-x4', bridge: 'tesselin-riser-quad', kit: ['tesselin-bracket-half'] },
  ],
  'slot-splitting': [
    { ...slot, bridge: 'tesselin-riser-quad', together: 4 },
    { ...slot, bridge: 'tesselin-riser-switch', together: 4 },
  ],
  'slot-splitting-unknown': [
    { ...slot, bridge: 'tesselin-riser-quad', together: 2, p: { slot: { edge: 16 } } },
    { ...slot, bridge: 'tesselin-riser-quad', together: 2 },
  ],
  'bays-full': [
    { ...sata, together: 2 },
    { ...sata, bridge: 'quarrel-slim-4', together: 2 },
  ],
  'bay-adapter': [{ ...board }, { ...board, kit: ['quarrel-tray-35'] }],
  standoff: [inside, { ...inside, kit: ['hollin-standoff'] }],
  'switches-off': [{ ...inside, at: 'office-desktop/m2' }, inside],
  sealed: [{ drive: 'tesselin-pocket-1t', bridge: null }, {}],
  'power-lead': [board, { ...board, kit: ['quarrel-power-y'] }],
  // power and heat
  'power-running': [{ p: { power: 2.5 } }, { p: { power: 7.5 } }],
  'power-start': [
    { ...small, p: { power: 4.5 } },
    { ...small, p: { power: 7.5 } },
  ],
  'supply-short': [
    {
      ...tower,
      bridge: 'quarrel-quad-10',
      cable: 'c-a-10-05',
      b: { supply: { watts: 60, volts12: true } },
      together: 4,
    },
    { ...tower, bridge: 'quarrel-quad-10', cable: 'c-a-10-05', together: 4 },
  ],
  'twelve-volts': [{ ...tower, b: { supply: not } }, tower],
  'sealed-supply': [
    { drive: 'marrowick-haul-desk-16t', bridge: null, cable: 'c-micro-b-05', d: { form: '3.5-inch' } },
    { drive: 'marrowick-haul-5t', bridge: null, cable: 'c-micro-b-05' },
  ],
  'hub-without-supply': [{ hops: hub }, {}],
  'y-lead': [{ ...small, kit: ['quarrel-y-lead'] }, small],
  'cable-power': [{ c: { power: 2.5 } }, {}],
  'power-unknown': [{ p: { power: 6 }, drive: 'larkmoor-sedge-1t' }, { p: { power: 6 } }],
  'battery-host': [{ h: { kind: 'tablet' } }, {}],
  throttles: [
    { ...slot, drive: 'oystral-gannet-2t' },
    { ...slot, drive: 'oystral-gannet-2t', kit: ['oystral-fin-high'] },
  ],
  'second-heatsink': [
    { ...slot, d: { heatsinkHeight: 9.4 }, kit: ['oystral-fin-low'] },
    { ...slot, d: { heatsinkHeight: 9.4 } },
  ],
  'heatsink-always': [
    {
      ...slot,
      at: 'scanning-workstation/slot-x1',
      bridge: 'tesselin-riser-1',
      needs: { policies: { heatsink: 'always' } },
    },
    {
      ...slot,
      at: 'scanning-workstation/slot-x1',
      bridge: 'tesselin-riser-1',
      needs: { policies: { heatsink: 'when needed' } },
    },
  ],
  'heatsink-idle': [
    { ...slot, at: 'scanning-workstation/slot-x1', bridge: 'tesselin-riser-1', kit: ['oystral-fin-low'] },
    { ...slot, drive: 'oystral-gannet-2t', kit: ['oystral-fin-low'] },
  ],
  'plastic-case': [{ bridge: 'hollin-clip-10' }, {}],
  'pad-missing': [{}, { kit: ['hollin-pad-10'] }],
  'hot-room': [
    { ...tower, needs: { ambient: 45 } },
    { ...tower, needs: { ambient: 30 } },
  ],
  // systems
  'enclosure-2-2-tb': [
    { ...tower, bridge: 'quarrel-shell-old', cable: 'a-b-2-15' },
    { ...tower, drive: 'marrowick-anchor-2t', bridge: 'quarrel-shell-old', cable: 'a-b-2-15' },
  ],
  'enclosure-2-2-tb-unknown': [{ ...tower, b: { large: not } }, tower],
  'sector-4096': [{ ...tower, bridge: 'quarrel-tower-4k', cable: 'a-b-5-1' }, tower],
  'sector-4096-end': [
    {
      ...tower,
      bridge: 'quarrel-tower-4k',
      cable: 'a-b-5-1',
      d: { capacity: { value: 20e12, source: { kind: 'sheet' } } },
      needs: { table: 'MBR' },
    },
    { ...tower, bridge: 'quarrel-tower-4k', cable: 'a-b-5-1', needs: { table: 'MBR' } },
  ],
  'mbr-too-large': [
    { ...tower, needs: { table: 'MBR' } },
    { ...tower, needs: { table: 'GPT' } },
  ],
  'mbr-small': [{ needs: { table: 'MBR' } }, { needs: { table: 'GPT' } }],
  'level-not-made': [
    {
      ...sata,
      bridge: 'quarrel-slim-4',
      together: 3,
      array: { mode: 'parity', members: 3, by: 'system' },
      h: { systems: [{ family: 'macOS' }] },
    },
    {
      ...sata,
      bridge: 'quarrel-slim-4',
      together: 3,
      array: { mode: 'parity', members: 3, by: 'system' },
      h: { systems: [{ family: 'Linux' }] },
    },
  ],
  'start-large-bios': [
    { ...board, at: 'small-server/bay-1', drive: 'marrowick-anchor-4t', needs: { bootDrive: true } },
    { ...board, at: 'small-server/bay-1', drive: 'marrowick-anchor-2t', needs: { bootDrive: true } },
  ],
  'start-nvme': [
    { ...slot, at: 'small-server/slot-x8', needs: { bootDrive: true } },
    { ...slot, needs: { bootDrive: true } },
  ],
  'start-nvme-unknown': [
    { ...slot, h: { startsNvme: not }, needs: { bootDrive: true } },
    { ...slot, needs: { bootDrive: true } },
  ],
  'start-usb': [{ needs: { bootDrive: true } }, { ...slot, needs: { bootDrive: true } }],
  'start-through-hub': [{ hops: hub, needs: { bootDrive: true } }, { needs: { bootDrive: true } }],
  'nvme-driver': [
    { ...inside, h: { systems: [{ family: 'macOS', version: '10.4' }] } },
    { ...inside, h: { systems: [{ family: 'macOS', version: '10.13' }] } },
  ],
  'nvme-update': [
    { ...inside, h: { systems: [{ family: 'Windows', version: '7' }] } },
    { ...inside, h: { systems: [{ family: 'Windows', version: '10' }] } },
  ],
  'file-system-unread': [
    { needs: { fileSystem: 'APFS', systems: ['Windows', 'macOS'] } },
    { needs: { fileSystem: 'exFAT', systems: ['Windows', 'macOS'] } },
  ],
  'file-system-read-only': [
    { needs: { fileSystem: 'NTFS', systems: ['Windows', 'macOS'] } },
    { needs: { fileSystem: 'NTFS', systems: ['Windows'] } },
  ],
  'file-too-large': [
    { needs: { fileSystem: 'FAT32', largestFile: { value: 2 ** 32, source: { kind: 'entered' } } } },
    { needs: { fileSystem: 'FAT32', largestFile: { value: 2 ** 32 - 1, source: { kind: 'entered' } } } },
  ],
  'file-size-unknown': [{ needs: { fileSystem: 'FAT32' } }, { needs: { fileSystem: 'exFAT' } }],
  'volume-too-large': [{ ...tower, needs: { fileSystem: 'FAT32' } }, { needs: { fileSystem: 'FAT32' } }],
  'fat32-tools': [
    { needs: { fileSystem: 'FAT32' } },
    { d: { capacity: { value: 16e9, source: { kind: 'sheet' } } }, needs: { fileSystem: 'FAT32' } },
  ],
  'no-journal': [
    { needs: { fileSystem: 'exFAT', role: 'backup' } },
    { needs: { fileSystem: 'ext4', role: 'backup' } },
  ],
  'exfat-cost': [
    { needs: { fileSystem: 'exFAT', systems: ['Linux'] } },
    { needs: { fileSystem: 'exFAT', systems: ['Linux', 'Windows'] } },
  ],
  'file-system-advice': [
    { needs: { systems: ['Linux'] } },
    { needs: { systems: ['Linux'], fileSystem: 'ext4' } },
  ],
  'zfs-memory': [
    { h: { memory: { value: 4e9, source: { kind: 'entered' } } }, needs: { fileSystem: 'ZFS' } },
    { needs: { fileSystem: 'ZFS' } },
  ],
  // links
  'no-common-mode': [{ drive: 'venndale-flint-1t' }, {}],
  'thunderbolt-on-usb': [{ ...tb3, at: 'simulator-host/front-c' }, tb3],
  'held-by-port': [{ at: 'field-laptop/left-front' }, {}],
  'held-by-cable': [{ cable: 'c-c-charge-2' }, {}],
  'held-by-hub': [
    { at: 'mini-pc/front-c', bridge: 'tesselin-nook-20', cable: 'c-c-20-05', hops: hub, h: quickEnd },
    { at: 'mini-pc/front-c', bridge: 'tesselin-nook-20', cable: 'c-c-20-05' },
  ],
  'held-by-bridge': [{ ...tb3, h: quickEnd }, {}],
  'negotiated-less': [{ seen: 'usb-5' }, { seen: 'usb-10' }],
  'two-lanes-lost': [
    { bridge: 'tesselin-nook-20', cable: 'c-c-20-05' },
    { at: 'mini-pc/front-c', bridge: 'tesselin-nook-20', cable: 'c-c-20-05' },
  ],
  'wired-narrow': [
    { ...slot, p: { modes: ['pcie3x1'] } },
    { ...slot, drive: 'larkmoor-reed-2t' },
  ],
  'older-generation': [{ ...slot, drive: 'oystral-kestrel-1t', p: { modes: ['pcie3x4'] } }, slot],
  'bulk-only': [{ ...sata, bridge: 'quarrel-shell-5' }, sata],
  'drive-outruns-path': [{}, sata],
  'other-end': [{ endpoint: 'recorder-card' }, {}],
  shared: [
    { ...sata, bridge: 'quarrel-slim-4', together: 4 },
    { ...sata, bridge: 'quarrel-slim-4' },
  ],
  'both-ends-on-one-link': [
    {
      at: 'old-laptop/left-1',
      drive: 'venndale-slate-1t',
      bridge: 'quarrel-lead-a',
      cable: null,
      endpoint: 'stick',
    },
    {
      at: 'old-laptop/right',
      drive: 'venndale-slate-1t',
      bridge: 'quarrel-lead-a',
      cable: null,
      endpoint: 'stick',
    },
  ],
  stack: [
    { at: 'tablet/edge', ...sata, b: { outer: ['usb-5'] }, c: { modes: ['usb-5'] }, h: quickEnd },
    { ...sata, b: { outer: ['usb-5'] }, c: { modes: ['usb-5'] }, h: quickEnd },
  ],
  'hub-depth': [
    { at: 'mini-pc/front-c', hops: Array(6).fill(hub![0]) as Case['hops'] },
    { at: 'mini-pc/front-c', hops: Array(5).fill(hub![0]) as Case['hops'] },
  ],
  'active-cable': [{ ...tb3, cable: 'c-c-tb3-2' }, tb3],
  'long-cable': [{ cable: 'c-c-10-2' }, {}],
  // a maker's bay
  'bay-generation': [{ ...bay, drive: 'larkmoor-reed-2t' }, bay],
  'bay-reading': [{ ...bay, drive: 'oystral-kestrel-1t' }, bay],
  'bay-reading-unknown': [{ ...bay, d: { read: unknown } }, bay],
  'bay-too-small': [
    { ...bay, p: { minimum: { least: 4e12 } } },
    { ...bay, p: { minimum: { least: 1e12 } } },
  ],
  'bay-too-large': [{ ...bay, drive: 'oystral-osprey-8t' }, bay],
  'bay-heatsink': [bay, { ...bay, kit: ['oystral-fin-low'] }],
  'bay-erases': [bay, inside],
  'stores-only': [{ ...sata, at: 'games-console/back-a', cable: 'c-a-10-05' }, sata],
  'bay-through-adapter': [{ ...slot, p: { minimum: { generation: 4 } } }, slot],
  // media
  shingled: [
    { ...small, needs: { role: 'projects' } },
    { ...small, needs: { role: 'archive' } },
  ],
  'shingled-together': [
    { ...small, bridge: 'quarrel-slim-4', together: 2 },
    { ...sata, bridge: 'quarrel-slim-4', together: 2 },
  ],
  'disk-for-random': [
    { ...tower, needs: { role: 'scratch' } },
    { ...tower, needs: { role: 'library' } },
  ],
  'disk-travels': [
    { ...small, needs: { portable: true } },
    { ...sata, needs: { portable: true } },
  ],
  'flash-in-a-drawer': [{ needs: { role: 'archive' } }, { ...tower, needs: { role: 'archive' } }],
  'four-bit-cells': [
    { drive: 'larkmoor-sedge-1t', needs: { role: 'scratch' } },
    { needs: { role: 'scratch' } },
  ],
  'host-memory-map': [{ drive: 'larkmoor-sedge-1t' }, {}],
  'no-trim': [{ bridge: 'hollin-clip-10' }, {}],
  'no-health': [{ bridge: 'hollin-clip-10' }, {}],
  revision: [{ d: { revision: not } }, {}],
  'too-small': [{ move: 2.1e12 }, { ...sata, bridge: 'quarrel-slim-4', together: 2, move: 2.1e12 }],
  'full-too-soon': [
    { keep: 1e12, growth: 3e9 },
    { keep: 1e12, growth: 1e9 },
  ],
  'little-room': [{ keep: 1.9e12 }, { keep: 1.5e12, move: 1.7e12 }],
  'low-rating': [{ drive: 'larkmoor-sedge-1t' }, {}],
  'only-copy': [{ needs: { onlyCopy: true } }, { needs: { onlyCopy: false } }],
  'external-works-daily': [
    { ...tower, needs: { portable: true } },
    { ...sata, needs: { portable: true } },
  ],
  'not-known': [{ d: { write: unknown } }, {}],
};

const ids = (c: Case) => findings(setting(c)).map((f) => f.id);
const found = (id: string, c: Case) => findings(setting(c)).find((f) => f.id === id)!;

describe('the rules', () => {
  test('at least 50, each with an id of its own and both cases here', () => {
    expect(RULES.length).toBeGreaterThanOrEqual(50);
    expect(new Set(RULES.map((r) => r.id)).size).toBe(RULES.length);
    expect(Object.keys(CASES).sort()).toEqual(RULES.map((r) => r.id).sort());
  });

  test.each(Object.entries(CASES))('%s fires where it should and only there', (id, [fires, silent]) => {
    expect(ids(fires)).toContain(id);
    expect(ids(silent)).not.toContain(id);
    const { title, reason, fix, severity } = found(id, fires);
    for (const words of [title, reason, ...(fix === null ? [] : [fix])])
      expect(words).not.toMatch(/undefined|NaN|\[object|null|^\s*$/);
    expect(SEVERITIES).toContain(severity);
  });

  test('none throws on any case, worst come first, and what blocks is what makes it blocked', () => {
    const cases = Object.values(CASES).flat();
    fc.assert(
      fc.property(
        fc.constantFrom(...cases),
        fc.constantFrom(...cases),
        fc.constantFrom(...cases),
        (a, b, c) => {
          const mixed = setting({
            ...a,
            ...(b.needs ? { needs: b.needs } : {}),
            ...(c.kit ? { kit: c.kit } : {}),
          });
          const list = findings(mixed);
          const ranks = list.map((f) => SEVERITIES.indexOf(f.severity));
          expect(ranks).toEqual([...ranks].sort((x, y) => x - y));
          expect(blocksOf(mixed).sort()).toEqual(
            list
              .filter((f) => f.severity === 'blocks')
              .map((f) => f.id)
              .sort(),
          );
          expect(stateOf(mixed) === 'blocked').toBe(blocksOf(mixed).length > 0);
          if (mixed.path.blocked.length > 0) expect(blocksOf(mixed)).not.toEqual([]);
          for (const f of list) f.figure?.();
        },
      ),
      runs(100),
    );
  });
});

describe('fixes', () => {
  test('of what makes a path faster no rule says what helps: the search for fixes does', () => {
    const port = found('held-by-port', { at: 'field-laptop/left-front' });
    expect(port).toMatchObject({ severity: 'limits', segment: 'port', fix: null });
    expect(found('thunderbolt-on-usb', { ...tb3, at: 'simulator-host/front-c' }).fix).toBeNull();
  });
  test('a limit whose removal gains nothing is none', () => {
    // A port of 5 Gb/s, and a source that gives less than half of it.
    const storage = {
      name: 'x',
      read: { value: 120e6, source: { kind: 'measured' as const } },
      write: { value: 120e6, source: { kind: 'measured' as const } },
    };
    const c = { at: 'field-laptop/left-front', h: { storage } };
    expect(ids(c)).not.toContain('held-by-port');
    expect(ids(c)).toContain('other-end');
  });
  test('where port and enclosure both hold a path, one finding says so', () => {
    const both = ids({ at: 'field-laptop/left-front' }).filter((id) => id.startsWith('held-by-'));
    expect(both).toHaveLength(1);
    expect(found('held-by-cable', { cable: 'c-c-charge-2' }).title).toMatch(
      /^The cable holds|^Cable and .* hold/,
    );
  });
  test('a charging cable is found out', () =>
    expect(found('held-by-cable', { cable: 'c-c-charge-2' }).reason).toContain('USB 2.0'));
  test('the other end as the slowest is told for its direction only', () => {
    const slow = {
      h: {
        storage: {
          name: 'x',
          read: { value: 120e6, source: { kind: 'measured' as const } },
          write: { value: 9e9, source: { kind: 'measured' as const } },
        },
      },
    };
    expect(ids(slow)).toContain('other-end');
    expect(ids({ ...slow, direction: 'read' })).not.toContain('other-end');
  });
});

describe('policies', () => {
  const strict: Needs = { policies: { minimum: 'strict' } };
  test('a maker’s minimum: strict blocks, outcome-first says what it comes to', () => {
    const slow = { ...bay, drive: 'oystral-kestrel-1t' };
    expect(found('bay-reading', slow)).toMatchObject({
      severity: 'caution',
      policy: { id: 'minimum', followed: 'outcome-first' },
      reason: expect.stringMatching(/Forecast of drive and bay together: 4,800 MB\/s/),
    });
    expect(found('bay-reading', { ...slow, needs: strict })).toMatchObject({
      severity: 'blocks',
      policy: { id: 'minimum', followed: 'strict' },
    });
    expect(stateOf(setting({ ...slow, needs: strict }))).toBe('blocked');
    expect(stateOf(setting(slow))).not.toBe('blocked');
    expect(found('bay-heatsink', { ...bay, needs: strict }).severity).toBe('blocks');
  });
  test('generation and interface block in both', () => {
    for (const needs of [strict, { policies: { minimum: 'outcome-first' } } as Needs]) {
      expect(found('bay-generation', { ...bay, drive: 'larkmoor-reed-2t', needs }).severity).toBe('blocks');
      expect(stateOf(setting({ ...bay, drive: 'venndale-flint-1t', needs }))).toBe('blocked');
    }
  });
  test('what is too high says by how much, and whether the bare drive would go in', () => {
    const { reason } = found('too-high-slot', { ...bay, kit: ['oystral-fin-high'] });
    expect(reason).toMatch(
      /^[\d.]+\smm are missing: .* high, .* has room for [\d.]+\smm\. The bare drive, [\d.]+\smm, would go in\.$/,
    );
    const [missing, high, room] = [...reason.matchAll(/([\d.]+)\smm/g)].map(([, n]) => Number(n));
    expect(missing).toBeCloseTo(high! - room!, 6);
    expect(found('too-high-enclosure', { drive: 'oystral-kestrel-2t-fin' }).reason).toMatch(/mm are missing/);
  });
  test('what is kept on an array must fit into what is left of it, not into the sum of its drives', () => {
    const pair = { ...sata, bridge: 'quarrel-stand-2', together: 2, move: 3e12 };
    const as = (mode: 'mirror' | 'stripe') => ids({ ...pair, array: { mode, members: 2, by: 'firmware' } });
    expect(as('mirror')).toContain('too-small');
    expect(as('stripe')).not.toContain('too-small');
  });
  test('the file system by policy', () => {
    expect(found('file-system-advice', { needs: { systems: ['Linux'] } }).fix).toMatch(/^ext4: only Linux/);
    expect(
      found('file-system-advice', { needs: { systems: ['Linux'], policies: { fileSystem: 'every system' } } })
        .fix,
    ).toMatch(/^exFAT: .*ext4 would be safer/);
    expect(
      found('file-system-advice', {
        needs: { systems: ['Linux', 'macOS'], policies: { fileSystem: 'the system’s own' } },
      }).fix,
    ).toMatch(/^exFAT/);
  });
  test('a console of the current generation: older is refused, stored is not run', () => {
    const console_ = { ...bay, at: 'games-console/bay' };
    expect(ids({ ...console_, kit: ['oystral-fin-low'] })).not.toContain('bay-heatsink');
    expect(found('bay-generation', { ...console_, drive: 'larkmoor-reed-2t' }).severity).toBe('blocks');
    expect(
      found('stores-only', {
        ...sata,
        at: 'games-console/back-a',
        cable: 'c-a-10-05',
        needs: { role: 'expansion' },
      }).severity,
    ).toBe('limits');
  });
});

describe('states', () => {
  test.each([
    ['blocked', { cable: null }],
    ['limited', { cable: 'c-c-charge-2' }],
    ['fine', {}],
    [
      'unknown',
      {
        ...sata,
        d: { write: unknown },
        h: { storage: { name: 'x', read: { value: 9e9, source: { kind: 'entered' } }, write: unknown } },
        p: { modes: ['usb-10'] },
      },
    ],
  ] as [string, Case][])('%s', (state, c) => expect(stateOf(setting(c))).toBe(state));
});

describe('heat by the path’s speed', () => {
  const hot = (c: Case) => settledTemperature(factsOf(setting(c)))!;
  test('a faster path, a warmer room and a plastic case are never cooler', () => {
    expect(hot({ ...slot, drive: 'oystral-gannet-2t' }).expected).toBeGreaterThan(
      hot({ ...slot, drive: 'oystral-gannet-2t', p: { modes: ['pcie3x1'] } }).expected,
    );
    expect(hot({ needs: { ambient: 35 } }).expected).toBeGreaterThan(
      hot({ needs: { ambient: 20 } }).expected,
    );
    expect(hot({ b: { cooling: 'plastic' } }).expected).toBeGreaterThan(hot({}).expected);
  });
  test('an unknown room widens it; disks have none', () => {
    const width = (c: Case) => hot(c).high - hot(c).low;
    expect(width({})).toBeGreaterThan(width({ needs: { ambient: 24 } }));
    expect(settledTemperature(factsOf(setting(tower)))).toBeNull();
    expect(hot({}).because.inputs.map((i) => i.because.name)).toEqual([
      'ambient temperature',
      'power at the speed the path allows',
      'drive to air',
    ]);
  });
});

test('a tablet takes what a computer has made where one uses the drive too; a recorder makes its own', () => {
  const of = (kind: Host['kind'], systems: System['family'][], external = true) => {
    const host = { ...HOSTS[0]!, name: 'Slate', kind, systems: [{ family: 'own' as const, version: '1' }] };
    return fileSystemFor({ host, needs: { systems }, external, policies: {} as Facts['policies'] });
  };
  expect(of('tablet', ['Windows'])).toMatchObject({
    name: 'exFAT',
    why: expect.stringContaining('devices like Slate') as string,
  });
  expect(of('tablet', []).name).toBeNull();
  expect(of('tablet', ['own']).name).toBeNull();
  expect(of('appliance', ['Windows']).name).toBeNull();
  expect(of('tablet', ['Windows'], false).name).toBeNull();
});
