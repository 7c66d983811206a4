import { ACCESSORIES, BRIDGES, DRIVES, HOSTS } from '../../catalog/stock';
import type { Build } from '../../assembly';
import { partsOf } from './candidate';
import { demandsMissed } from './demand';
import type { OpenPlace } from './wanted';

const drive = DRIVES.find((d) => d.plug === 'SATA')!;
const dock = BRIDGES.find((b) => b.id === 'quarrel-stand-2')!;
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
const pair = (mode: 'stripe' | 'mirror') => build({ together: 2, array: { mode, by: 'system' } });
const missed = (...args: Parameters<typeof demandsMissed>) => demandsMissed(...args).map((m) => m.activity);

test('a rating that is written too soon, by how many times', () => {
  expect(demandsMissed(build(), open({}), 1.6)).toEqual([{ activity: 'service life', by: 2.5 }]);
  expect(missed(build(), open({}), 4)).toEqual([]);
  expect(missed(build(), open({}), null)).toEqual([]);
});

test('two drives striped lose all with one, unless another copy is planned; mirrored they do not', () => {
  expect(missed(pair('stripe'), open({}), null)).toEqual(['one failure']);
  expect(missed(pair('stripe'), open({ onlyCopy: false }), null)).toEqual([]);
  expect(missed(pair('mirror'), open({}), null)).toEqual([]);
});

test('what is carried about has no mains', () => {
  expect(missed(build(), open({ portable: true }), null)).toEqual(['portable']);
  expect(missed(build({ bridge: null }), open({ portable: true }), null)).toEqual([]);
});

test('what lies on a drive is needed for each, a bracket once', () => {
  const of = (kind: string) => ACCESSORIES.find((a) => a.kind === kind)!;
  const accessories = [of('pad'), of('bracket')];
  const parts = partsOf({ ...pair('mirror'), accessories });
  const count = (id: string) => parts.find((p) => p.key === `accessories/${id}`)!.count;
  expect([count(accessories[0]!.id), count(accessories[1]!.id)]).toEqual([2, 1]);
});
