import fc from 'fast-check';
import { BRIDGES, CABLES, DRIVES, HOSTS, HUBS, SHOP } from '../../catalog/stock';
import { blocksOf } from '../../fit';
import type { Build, SegmentId } from '../../assembly';
import { firstBuild, optionsAt } from './options';
import { pricing } from '../prices/pricing';
import { fixes } from './fix';
import { onJob } from '../../fixtures/forecast';
import type { Brief } from '../../job';
import { settingOf } from '../../forecast';
import { runs } from '../../fixtures/draws';

type Plan = Brief & { build: Build };

const by = <T extends { id: string }>(list: readonly T[], id: string): T =>
  list.find((item) => item.id === id)!;
const plan = (
  host: string,
  port: string,
  drive: string,
  bridge: string | null,
  cable: string | null,
  more: Partial<Plan> = {},
): Plan => ({
  host: by(HOSTS, host),
  activities: [],
  needs: {},
  build: {
    drive: by(DRIVES, drive),
    bridge: bridge ? by(BRIDGES, bridge) : null,
    cable: cable ? by(CABLES, cable) : null,
    port,
  },
  ...more,
});
const laptop = (port: string, cable = 'c-c-10-05') =>
  plan('field-laptop', port, 'larkmoor-reed-2t', 'tesselin-nook-10', cable);

describe('what else could stand at a segment', () => {
  test('everything of the shop and the host, the one in use marked, each with its gain', () => {
    const drives = optionsAt(onJob(laptop('left-back')), SHOP, 'drive', 'read');
    expect(drives).toHaveLength(DRIVES.length);
    expect(drives.filter((c) => c.taken).map((c) => c.key)).toEqual(['larkmoor-reed-2t']);
    const ports = optionsAt(onJob(laptop('left-front')), SHOP, 'port', 'read');
    expect(ports.map((c) => c.key)).toEqual(['left-back', 'left-front', 'right']);
    expect(ports[0]!.gain! / 1e6).toBeGreaterThan(400);
    expect(ports[1]!.gain).toBe(0);
  });

  test('a port of another shape brings the cable that fits it', () => {
    const right = optionsAt(onJob(laptop('left-back')), SHOP, 'port', 'read').find((c) => c.key === 'right')!;
    expect(right).toMatchObject({
      beside: expect.stringContaining('C to A'),
      build: { cable: { ends: ['USB-C', 'USB-A'] } },
    });
    expect(right.flow).toBeGreaterThan(300e6);
  });

  test('a drive of another kind brings what it sits in', () => {
    const drives = optionsAt(onJob(laptop('left-back')), SHOP, 'drive', 'read');
    expect(drives.find((c) => c.key === 'venndale-slate-2t')).toMatchObject({
      blocks: [],
      beside: expect.stringMatching(/^in /),
    });
    expect(drives.find((c) => c.key === 'tesselin-pocket-1t')).toMatchObject({
      blocks: [],
      build: { bridge: null },
    });
    const inBay = optionsAt(
      onJob(plan('simulator-host', 'bay', 'oystral-merlin-2t', null, null)),
      SHOP,
      'drive',
      'read',
    );
    expect(inBay.find((c) => c.key === 'larkmoor-reed-2t')!.blocks).toContain('bay-generation');
  });

  test('hubs: another port, another hub, or none', () => {
    const chained = {
      ...laptop('left-back'),
      build: {
        ...laptop('left-back').build,
        hops: [{ hub: HUBS[0]!, port: 'c1', cable: by(CABLES, 'c-c-10-05') }],
      },
    };
    const found = optionsAt(onJob(chained), SHOP, 'hub-0', 'read');
    expect(found[0]).toMatchObject({ key: 'none', build: { hops: [] } });
    expect(found.filter((c) => c.taken)).toHaveLength(1);
    expect(optionsAt(onJob(chained), SHOP, 'hub-1', 'read')).toEqual([]);
  });

  test('the other end: the built-in drive or what else the host has, for the activities of this direction', () => {
    const activity = (id: string, direction: 'read' | 'write') => ({
      id,
      kind: 'move' as const,
      name: id,
      direction,
      bytes: { value: 1e9, source: { kind: 'entered' as const } },
      files: { value: 1, source: { kind: 'entered' as const } },
      perDay: { value: 1, source: { kind: 'entered' as const } },
      target: null,
    });
    const own = { ...laptop('left-back'), activities: [activity('in', 'write'), activity('out', 'read')] };
    const ends = optionsAt(onJob(own), SHOP, 'host', 'write');
    expect(ends.map((c) => [c.key, c.taken])).toEqual([
      ['built-in', true],
      ['recorder-card', false],
      ['card-right', false],
    ]);
    const card = ends[1]!;
    expect(card.situation.activities.map((a) => a.endpoint)).toEqual(['recorder-card', undefined]);
    expect(card.flow! / 1e6).toBeLessThan(104);
    expect(card.flow).toBe(settingOf(card.situation, 'write').path.flow!.write.expected);
    expect(optionsAt(card.situation, SHOP, 'host', 'write').find((c) => c.taken)!.key).toBe('recorder-card');
    expect(optionsAt(onJob({ ...own, activities: [] }), SHOP, 'host', 'write').map((c) => c.key)).toEqual([
      'built-in',
    ]);
  });

  test('the system: any the host has, the one in use first', () => {
    const own = laptop('left-back');
    const efficiency = { value: 0.5, source: { kind: 'measured' as const } };
    const two = {
      ...own,
      host: {
        ...own.host,
        systems: [
          { family: 'Linux' as const, version: '6.8', efficiency: { ...efficiency, value: 0.9 } },
          { family: 'Windows' as const, version: '11', efficiency },
        ],
      },
    };
    const [first, second] = optionsAt(onJob(two), SHOP, 'system', 'read');
    expect([first!.taken, second!.name, second!.gain! < 0]).toEqual([true, 'Windows 11', true]);
    expect(second!.situation.host.systems!.map((s) => s.family)).toEqual(['Windows', 'Linux']);
  });

  test('what the system was seen to negotiate is dropped with the part it was seen on', () => {
    const seen = {
      ...laptop('left-back'),
      build: {
        ...laptop('left-back').build,
        seen: { link: 'usb-5', device: 'x', at: '2026-11-20T10:00:00.000Z' },
      },
    };
    for (const choice of optionsAt(onJob(seen), SHOP, 'cable', 'read'))
      expect(choice.taken ? choice.build.seen : choice.build).toEqual(
        choice.taken ? seen.build.seen : expect.not.objectContaining({ seen: expect.anything() }),
      );
  });

  test('the flow beside each is the flow it then has', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...HOSTS),
        fc.constantFrom<SegmentId>('drive', 'bridge', 'cable', 'port'),
        fc.constantFrom('read' as const, 'write' as const),
        (host, segment, direction) => {
          const empty = { host, activities: [], needs: {} };
          const own = { ...empty, build: firstBuild(empty, SHOP) };
          for (const choice of optionsAt(onJob(own), SHOP, segment, direction)) {
            const setting = settingOf(onJob({ ...own, build: choice.build }), direction);
            expect(blocksOf(setting)).toEqual(choice.blocks);
            expect(choice.flow).toBe(
              choice.blocks.length > 0 ? null : setting.path.flow![direction].expected,
            );
          }
        },
      ),
      runs(25),
    );
  });
});

describe('the cheapest fix', () => {
  test('a wrong port costs nothing to mend; a charging cable costs a cable', () => {
    expect(fixes(onJob(laptop('left-front')), SHOP, 'read')[0]).toMatchObject({
      cost: 'nothing',
      words: 'Plug it into: Left side, by the hinge',
      build: { port: 'left-back' },
    });
    const [first] = fixes(onJob(laptop('left-back', 'c-c-charge-2')), SHOP, 'read');
    // What is new has its price; what costs nothing has none, nor what nobody has seen a price of.
    const { cable } = first!.build;
    const amount = pricing(SHOP.prices, 'EUR').get(`cables/${cable!.id}`)!.each;
    expect(first!.price).toEqual({ amount, currency: 'EUR' });
    expect(fixes(onJob(laptop('left-front')), SHOP, 'read')[0]!.price).toBeNull();
    const unpriced = fixes(onJob(laptop('left-back', 'c-c-charge-2')), { ...SHOP, prices: [] }, 'read');
    expect(unpriced[0]).toMatchObject({ cost: 'a cable', price: null });
    expect(first).toMatchObject({ cost: 'a cable', build: { port: 'left-back' } });
    expect(first!.gain! / 1e6).toBeGreaterThan(700);
  });
  test('what blocks is mended with as little as it takes', () => {
    const bare = plan('field-laptop', 'left-back', 'larkmoor-reed-2t', null, null);
    expect(fixes(onJob(bare), SHOP, 'read')[0]).toMatchObject({ cost: 'an enclosure or card' });
    const tooLarge = plan('field-laptop', 'right', 'marrowick-anchor-8t', 'quarrel-shell-old', 'a-b-2-15');
    expect(fixes(onJob(tooLarge), SHOP, 'read').map((m) => m.cost)).toContain('an enclosure or card');
  });
  test('what is carried, or goes from one machine to the next, is put into none of them', () => {
    const desk = plan('office-desktop', 'front-a', 'venndale-flint-500g', 'quarrel-blade-s', 'c-a-5-1');
    const inside = (more: Partial<Plan>) =>
      fixes(onJob({ ...desk, ...more }), SHOP, 'write').filter(
        ({ build }) => build.bridge === null && build.cable === null,
      );
    expect(inside({})).not.toEqual([]);
    expect(inside({ goesAround: true })).toEqual([]);
    expect(inside({ needs: { portable: true } })).toEqual([]);
  });

  test('where the other end decides nothing is offered', () => {
    const slow = laptop('left-back');
    const storage = {
      name: 'Old disk',
      read: { value: 90e6, source: { kind: 'measured' as const } },
      write: { value: 80e6, source: { kind: 'measured' as const } },
    };
    expect(fixes(onJob({ ...slow, host: { ...slow.host, storage } }), SHOP, 'write')).toEqual([]);
  });
  test('a dearer mend stands only where it gives more', () => {
    fc.assert(
      fc.property(fc.constantFrom(...HOSTS), fc.nat(), fc.constantFrom(...DRIVES), (host, n, drive) => {
        const build = { drive, bridge: null, cable: null, port: host.ports[n % host.ports.length]!.id };
        const found = fixes(onJob({ host, activities: [], needs: {}, build }), SHOP, 'read');
        for (let i = 1; i < found.length; i++)
          expect(found[i]!.flow ?? 0).toBeGreaterThan(found[i - 1]!.flow ?? 0);
      }),
      runs(30),
    );
  });
});

describe('what is locked', () => {
  const own = laptop('left-front');
  const locked = (...list: NonNullable<Brief['build']>['locked'] & {}): Plan => ({
    ...own,
    build: { ...own.build, locked: list },
  });
  test('no fix swaps it', () => {
    expect(fixes(onJob(own), SHOP, 'read')[0]!.build.port).toBe('left-back');
    for (const { build } of fixes(onJob(locked('port', 'drive')), SHOP, 'read')) {
      expect(build.port).toBe('left-front');
      expect(build.drive.id).toBe(own.build.drive.id);
    }
  });
  test('another port takes another cable only where the cable is free', () => {
    const at = (p: Plan) => optionsAt(onJob(p), SHOP, 'port', 'write').find((o) => o.key === 'right')!;
    expect(at(own)).toMatchObject({ blocks: [] });
    expect(at(own).build.cable!.id).not.toBe(own.build.cable!.id);
    expect(at(locked('cable')).build.cable!.id).toBe(own.build.cable!.id);
    expect(at(locked('cable')).flow).toBeNull();
  });
});
