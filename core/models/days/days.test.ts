import fc from 'fast-check';
import { run } from '../transfer/engine';
import type { Flow, Store } from '../transfer/store';
import { repeat, type Repeated } from './repeat';
import { runs } from '../../fixtures/draws';

const plan =
  (bytes: number, refill: number, cache = 50e9) =>
  (fill: number): Flow[] => {
    const most = cache * (1 - fill);
    const store: Store = {
      role: 'drive',
      read: 2e9,
      write: 1e9,
      sustained: 200e6,
      cache: most,
      cacheMost: most,
      refill,
    };
    return [
      {
        bytes,
        files: 0,
        perFile: 0,
        buffer: 0,
        from: { store: { role: 'other', read: 3e9, write: 3e9, sustained: Infinity, cache: Infinity } },
        to: { store },
      },
    ];
  };
const nightly = (bytes: number, perDay: number, refill = 1e9): Repeated => ({
  id: 'a',
  perDay,
  plan: plan(bytes, refill),
});
const kept = (growth: number, fill = 0) => ({ capacity: 1e12, fill, growth });

test('each day as its own transfer, where the cache is back', () => {
  const { days } = repeat([nightly(80e9, 1)], kept(1e9), 30);
  for (const d of days) expect(d.seconds[0]).toBeCloseTo(run(plan(80e9, 1)(d.fill)).seconds, 6);
  expect(days[29]!.seconds[0]!).toBeGreaterThan(days[0]!.seconds[0]!);
});

test('what a slow refill leaves is what the next one finds', () => {
  // 50 GB of cache, all used each day; 200 kB/s for nearly a day bring back about 17 GB.
  const { days } = repeat([nightly(80e9, 1, 200e3)], kept(0), 10);
  expect(days[0]!.ready[0]).toBe(1);
  expect(days[5]!.ready[0]!).toBeCloseTo((200e3 * (86_400 - days[4]!.seconds[0]!)) / 50e9, 6);
  expect(days[5]!.seconds[0]!).toBeGreaterThan(days[0]!.seconds[0]!);
});

test('once a week is every seventh day, three times a week is three in seven, and once is the first day', () => {
  const times = (perDay: number) => {
    const { days } = repeat([nightly(1e9, perDay)], kept(0), 70);
    return days.at(-1)!.written / 1e9;
  };
  expect([times(1 / 7), times(3 / 7), times(2), times(0)]).toEqual([10, 30, 140, 1]);
});

test('often a day is as quick to work out as once, and comes to the same as living each', () => {
  const heat = {
    ambient: 24,
    resistance: 13,
    capacity: 12,
    idle: 0.8,
    read: 5.5,
    write: 5.5,
    throttle: null,
  };
  const often = (perDay: number): Repeated => ({
    id: 'a',
    perDay,
    plan: (fill) => plan(2e9, 300e6)(fill).map((f) => ({ ...f, to: { store: { ...f.to.store, heat } } })),
  });
  let runs = 0;
  const counted = (a: Repeated): Repeated => ({ ...a, plan: (fill) => (runs++, a.plan(fill)) });
  const { days } = repeat([counted(often(1000))], kept(0), 3);
  expect(runs).toBeLessThan(200);
  expect(days[2]!.written).toBe(3 * 1000 * 2e9);
  expect(days[2]!.seconds[0]!).toBeCloseTo(run(often(1)!.plan(0)).seconds, 3);
});

test('a day holds only what it holds', () => {
  // 80 GB take 400 s once the cache is used up: of a thousand a day some two hundred get done.
  const { days } = repeat([nightly(80e9, 1000, 0)], kept(0), 2);
  expect(days[1]!.written / 2 / (86_400 * 200e6)).toBeGreaterThan(0.99);
  expect(days[1]!.written / 2 / (86_400 * 200e6)).toBeLessThan(1.03);
});

test('full on the day arithmetic says, and at once where it already is', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1e9, max: 50e9, noNaN: true }),
      fc.double({ min: 0, max: 0.9, noNaN: true }),
      (growth, fill) => {
        const { full, days } = repeat([nightly(1e9, 1)], kept(growth, fill), 1200);
        expect(full).toBe(Math.ceil(((1 - fill) * 1e12) / growth));
        expect(days.length).toBe(full);
      },
    ),
    runs(30),
  );
  expect(repeat([nightly(1e9, 1)], kept(0, 1), 10)).toEqual({ days: [], full: 0 });
});

test('looking only now and then tells the same where nothing but the fill changes', () => {
  const [each, some] = [
    repeat([nightly(80e9, 1)], kept(1e9), 365),
    repeat([nightly(80e9, 1)], kept(1e9), 365, 30),
  ];
  for (const d of some.days) expect(d.seconds[0]).toBeCloseTo(each.days[d.day]!.seconds[0]!, 6);
  expect(some.days.at(-1)!.written).toBeGreaterThanOrEqual(each.days.at(-1)!.written);
});
