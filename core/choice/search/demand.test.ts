import { ACCESSORIES, BRIDGES, CABLES, DRIVES, HOSTS } from '../../catalog/stock';
import type { Build } from '../../assembly';
import { demandWords } from './words';
import { arrivalOf } from '../prices/pricing';
import { partsOf } from './candidate';
import { DEMANDS, demandsMissed, judgedAt, mayBeAdvised } from './demands';
import type { JudgedBuild } from './demand';
import type { OpenPlace } from './wanted';

const drive = DRIVES.find((d) => d.plug === 'SATA')!;
const dock = BRIDGES.find((b) => b.id === 'quarrel-stand-2')!;
const CHARGING = CABLES.find(({ id }) => id === 'c-c-charge-2')!;
const build = (more: Partial<Build> = {}): Build => ({
  drive,
  bridge: dock,
  cable: null,
  port: 'x',
  ...more,
});
const open = (needs: OpenPlace['needs'], years = 4): OpenPlace => ({
  host: HOSTS[0]!,
  activities: [],
  needs,
  serviceYears: { value: years, source: { kind: 'entered' } },
});
const price = { id: 'p', name: 'p', of: 'drives/p', on: '2031-02-27', amount: 9, currency: 'EUR' };
const pair = (mode: 'stripe' | 'mirror') => build({ together: 2, array: { mode, by: 'system' } });
const missed = (of: Partial<JudgedBuild>) =>
  demandsMissed([
    { build: build(), open: open({}), years: null, workload: null, hottest: null, arrives: null, ...of },
  ]).map((m) => m.activity);
const asked = (needs: OpenPlace['needs'], of: Partial<JudgedBuild> = {}) =>
  missed({ open: open(needs), ...of });

test('a rating that is written too soon, by how many times; a reason lets it go', () => {
  expect(
    demandsMissed([
      { build: build(), open: open({}), years: 1.6, workload: null, hottest: null, arrives: null },
    ]),
  ).toEqual([{ activity: 'service life', by: 2.5 }]);
  expect(missed({ years: 4 })).toEqual([]);
  expect(missed({ years: 1.6, open: open({ shorterLife: 'given away in spring' }) })).toEqual([]);
});

test('two drives striped lose all with one, unless another copy is planned; mirrored they do not', () => {
  const striped = { build: pair('stripe') };
  expect(asked({}, striped)).toEqual(['one failure']);
  expect(asked({ onlyCopy: false }, striped)).toEqual([]);
  expect(asked({}, { build: pair('mirror') })).toEqual([]);
});

test('what must not be lost is never striped, whatever copies there are', () => {
  const copy = { name: 'old disk', medium: 'disk', offSite: true } as const;
  const own = { ...copy, name: 'itself' };
  for (const needs of [{ role: 'archive' }, { role: 'backup' }, { onlyCopy: true }] as const)
    expect(asked({ ...needs, copies: [own, copy] }, { build: pair('stripe') })).toEqual(['never striped']);
  expect(asked({ role: 'archive' }, { build: pair('mirror') })).toEqual([]);
});

test('a copy counts when it holds the data at that time: neither an older state nor what is given away', () => {
  const own = { name: 'itself', medium: 'array', offSite: false } as const;
  const other = (holds?: 'kept up' | 'an older state' | 'given away') => ({
    ...own,
    name: 'old disk',
    ...(holds ? { holds } : {}),
  });
  const striped = { build: pair('stripe') };
  expect(asked({ copies: [own, other()] }, striped)).toEqual([]);
  expect(asked({ copies: [own, other('an older state')] }, striped)).toEqual(['one failure']);
  expect(asked({ copies: [own, other('given away')] }, striped)).toEqual(['one failure']);
});

test('failed drives that must cost nothing: a drive alone survives none, a mirror one', () => {
  expect(asked({ survives: 1 })).toEqual(['survives']);
  expect(asked({ survives: 1 }, { build: pair('mirror') })).toEqual([]);
  expect(asked({ survives: 2 }, { build: pair('mirror') })).toEqual(['survives']);
});

test('what is asked of its kind: nothing that moves, nothing that is heard, nothing on the mains', () => {
  const disk = DRIVES.find((d) => d.media === 'disk' && (d.rpm ?? 0) > 7000)!;
  const still = { build: build({ bridge: null }) };
  const moving = { build: build({ drive: disk, bridge: null }) };
  expect(asked({ still: true }, moving)).toEqual(['no moving parts']);
  expect(asked({ quiet: true }, moving)).toEqual(['quiet']);
  expect(asked({ quiet: true }, { build: build({ drive: { ...disk, rpm: 5400 }, bridge: null }) })).toEqual(
    [],
  );
  expect(asked({ still: true, quiet: true, noSupply: true }, still)).toEqual([]);
  const fan = { build: build({ bridge: { ...dock, cooling: 'fan' } }) };
  expect(asked({ still: true, quiet: true }, fan)).toEqual(['no moving parts', 'quiet']);
  expect(asked({ portable: true })).toEqual(['portable']);
  expect(asked({ noSupply: true })).toEqual(['portable']);
});

test('hot: never above what a drive slows down at, and no hotter than is asked', () => {
  expect(missed({ hottest: 71 })).toEqual([]);
  expect(missed({ hottest: 77 })).toEqual(['heat']);
  expect(missed({ workload: 0.9 })).toEqual([]);
  expect(missed({ workload: 1.4 })).toEqual(['workload']);
  expect(asked({ hottest: 55 }, { hottest: 60 })).toEqual(['hottest']);
  expect(asked({ hottest: 55 }, { hottest: null })).toEqual([]);
});

test('what is asked and nobody knows is said, not passed over', () => {
  const of = { build: build(), years: null, workload: null, hottest: null, arrives: null };
  const at = (needs: OpenPlace['needs'], more = {}) =>
    demandWords([{ ...of, ...more, open: open(needs) }]).open;
  expect(at({ hereBy: '2031-03-07' })).toEqual([expect.stringMatching(/^Whether all parts are here/)]);
  expect(at({ hottest: 50 })).toEqual([expect.stringMatching(/^How hot it gets is not worked out/)]);
  expect(at({ hottest: 50, hereBy: '2031-03-07' }, { hottest: 44, arrives: '2031-03-01' })).toEqual([]);
  expect(at({})).toEqual([]);
});

test('parts that are here too late; of what nobody noted nothing is said', () => {
  expect(asked({ hereBy: '2031-03-07' }, { arrives: '2031-03-08' })).toEqual(['here by']);
  expect(asked({ hereBy: '2031-03-07' }, { arrives: '2031-03-07' })).toEqual([]);
  expect(asked({ hereBy: '2031-03-07' }, { arrives: null })).toEqual([]);
  expect(arrivalOf({ ...price, delivery: 3 })).toBe('2031-03-02');
  expect(arrivalOf({ ...price, sells: 'own shelf' })).toBe('2031-02-27');
  expect(arrivalOf(price)).toBeNull();
});

test('what is carried is outside, a system is inside where there is room, a back-up is apart from its machine', () => {
  const inside = { build: build({ bridge: null }) };
  expect(asked({ portable: true }, inside)).toEqual(['carried']);
  expect(asked({ role: 'backup' }, inside)).toEqual(['apart']);
  expect(asked({ role: 'backup' })).toEqual([]);
  const at = (id: string) => ({ ...open({ bootDrive: true }), host: HOSTS.find((h) => h.id === id)! });
  expect(missed({ open: at('mini-pc') })).toEqual(['inside']);
  expect(missed({ open: at('mini-pc'), ...inside })).toEqual([]);
  expect(missed({ open: at('thin-laptop') })).toEqual([]);
});

test('what is written often wants an enclosure that passes TRIM; a disk does not, nor what is seldom written', () => {
  const nightly = (perDay: number): OpenPlace['activities'] => [
    {
      id: 'a',
      name: 'a',
      kind: 'move',
      direction: 'write',
      bytes: { value: 1e11, source: { kind: 'entered' } },
      files: { value: 9, source: { kind: 'entered' } },
      perDay: { value: perDay, source: { kind: 'entered' } },
      target: null,
    },
  ];
  const at = (perDay: number) => ({ ...open({}), activities: nightly(perDay) });
  const silent = { build: build({ bridge: { ...dock, trim: false } }) };
  expect(missed({ open: at(1), ...silent })).toEqual(['trim']);
  expect(missed({ open: at(0.01), ...silent })).toEqual([]);
  expect(missed({ open: at(1), build: build({ bridge: { ...dock, trim: true } }) })).toEqual([]);
  const disk = DRIVES.find((d) => d.media === 'disk')!;
  expect(missed({ open: at(1), build: { ...silent.build, drive: disk } })).toEqual([]);
});

test('a program is not started over a single lane', () => {
  const host = HOSTS.find(({ ports }) => ports.some((p) => p.connector === 'PCIe slot'))!;
  const slot = host.ports.find((p) => p.connector === 'PCIe slot')!;
  const card = BRIDGES.find(
    ({ kind, plug, outer }) =>
      kind === 'adapter' && plug === 'PCIe slot' && outer.some((m) => !m.endsWith('x1')),
  )!;
  const one = build({ bridge: card, port: slot.id });
  const at = (needs: OpenPlace['needs'], mode: 'pcie3x1' | 'pcie3x4' = 'pcie3x1') => ({
    ...open(needs),
    host: { ...host, ports: [{ ...slot, modes: [mode] }] },
  });
  expect(missed({ build: one, open: at({ role: 'system' }) })).toEqual(['one lane']);
  expect(missed({ build: one, open: at({ role: 'library' }) })).toEqual([]);
  expect(missed({ build: one, open: at({ bootDrive: true }, 'pcie3x4') })).toEqual([]);
});

test('each demand has a name of its own; what is never given up is never advised', () => {
  expect(new Set(DEMANDS.map(({ name }) => name)).size).toBe(DEMANDS.length);
  for (const { id, isNever } of DEMANDS)
    expect(mayBeAdvised({ misses: [{ activity: id, by: 2 }] })).toBe(!isNever);
});

test('a build is judged at every place it works, by how it hangs there', () => {
  const one = {
    build: build(),
    elsewhere: [{ cable: CHARGING, port: 'left-back' }],
    years: null,
    hottest: null,
    workload: null,
    arrives: null,
  };
  const laptop = { ...open({}), host: HOSTS.find(({ id }) => id === 'field-laptop')! };
  const at = (places: OpenPlace[]) => demandsMissed(judgedAt(one, places)).map((m) => m.activity);
  expect(at([open({})])).toEqual([]);
  expect(at([open({}), laptop])).toEqual(['charging cable']);
  // Asked at both, it is missed once.
  const portable = open({ portable: true });
  expect(at([portable, portable])).toEqual(['charging cable', 'portable']);
});

test('what lies on a drive is needed for each, a bracket once', () => {
  const of = (kind: string) => ACCESSORIES.find((a) => a.kind === kind)!;
  const accessories = [of('pad'), of('bracket')];
  const parts = partsOf({ ...pair('mirror'), accessories });
  const count = (id: string) => parts.find((p) => p.key === `accessories/${id}`)!.count;
  expect([count(accessories[0]!.id), count(accessories[1]!.id)]).toEqual([2, 1]);
});
