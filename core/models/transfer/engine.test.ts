import fc from 'fast-check';
import { Solver } from 'odex';
import { rateShare } from '../disks/zone';
import { warmAt } from '../thermal/warm';
import { run } from './engine';
import type { Flow, Heat, Store, Throttle, Wire } from './store';
import { share } from './share';
import { Resource, Taker } from './state';
import { runs } from '../../fixtures/draws';

const rate = fc.double({ min: 50e6, max: 7e9, noNaN: true });

interface Plan {
  bytes: number;
  files: number;
  perFile: number;
  source: number;
  wire: number;
  write: number;
  sustained: number;
  cache: number;
  buffer: number;
  memory: number;
  heat: Heat | null;
  zones: Store['zones'];
  at: number;
}
const simple = { read: 0, sustained: Infinity, cache: Infinity };

function flowOf(x: Plan): Flow {
  const wire: Wire = { read: x.wire, write: x.wire, role: 'links' };
  return {
    bytes: x.bytes,
    files: x.files,
    perFile: x.perFile,
    buffer: x.buffer,
    memory: x.memory,
    from: { store: { ...simple, role: 'other', read: x.source, write: x.source } },
    to: {
      store: {
        ...simple,
        role: 'drive',
        read: x.write,
        write: x.write,
        sustained: x.sustained,
        cache: x.cache,
        heat: x.heat,
        zones: x.zones ?? null,
      },
      wire,
      at: x.at,
    },
  };
}

const heats = (kind: 'hold' | 'step') =>
  fc
    .record({
      ambient: fc.double({ min: 10, max: 45, noNaN: true }),
      resistance: fc.double({ min: 4, max: 18, noNaN: true }),
      capacity: fc.double({ min: 8, max: 80, noNaN: true }),
      idle: fc.double({ min: 0.2, max: 2, noNaN: true }),
      more: fc.double({ min: 0.5, max: 9, noNaN: true }),
      at: fc.double({ min: 55, max: 85, noNaN: true }),
      gap: fc.double({ min: 4, max: 15, noNaN: true }),
      share: fc.double({ min: 0.1, max: 0.7, noNaN: true }),
    })
    .map(({ more, at, gap, share: part, ...h }): Heat => {
      const throttle: Throttle =
        kind === 'hold' ? { kind, at, floor: part / 4 } : { kind, at, until: at - gap, share: part };
      return { ...h, read: h.idle + more, write: h.idle + more, throttle };
    });
const plans = (heat: fc.Arbitrary<Heat | null>) =>
  fc.record<Plan>({
    bytes: fc.double({ min: 1e9, max: 4e12, noNaN: true }),
    files: fc.integer({ min: 0, max: 200_000 }),
    perFile: fc.double({ min: 0, max: 5e-3, noNaN: true }),
    source: rate,
    wire: rate,
    write: rate,
    sustained: fc.double({ min: 30e6, max: 2e9, noNaN: true }),
    cache: fc.oneof(fc.constant(0), fc.double({ min: 1e9, max: 8e11, noNaN: true })),
    buffer: fc.constantFrom(0, 4e9, 3e10),
    memory: fc.constant(5e9),
    heat,
    zones: fc.option(
      fc.record({
        law: fc.constantFrom('linear' as const, 'constant density' as const),
        k: fc.double({ min: 0.42, max: 0.6, noNaN: true }),
        capacity: fc.constant(1e13),
      }),
      { nil: null },
    ),
    at: fc.constantFrom(0, 0.3, 0.6),
  });

/** The plans held against small steps are the same every time: the reference has an error of its own, which must not decide by chance. */
const FIXED = { seed: 20 };

/** A step of a reference: finer at the beginning, where bodies warm up and caches end, than later on. */
const stepAt = (time: number, most: number): number => Math.min(most, 0.004 + time * 3e-4);

/** The same physics in very many small steps, knowing nothing of events: s until the bar is full and until all is written. */
function bySteps(x: Plan, steps: number, guess: number): { bar: number; safe: number } {
  const { heat } = x;
  let [given, taken, cache, low, bar, time] = [0, 0, x.cache, false, NaN, 0];
  let warm = heat ? heat.ambient + heat.idle * heat.resistance : 0;
  const overhead = (x.files * x.perFile) / x.bytes;
  const eff = (bare: number) => 1 / (1 / bare + overhead);
  while (taken < x.bytes && time < guess * 1.2) {
    const dt = stepAt(time, guess / steps);
    const zone = x.zones
      ? rateShare(x.zones.law, x.zones.k, Math.min(1, x.at + taken / x.zones.capacity))
      : 1;
    const t = heat?.throttle;
    if (t?.kind === 'step') {
      if (warm >= t.at) low = true;
      if (warm <= t.until) low = false;
    }
    const drain = (write: number) => {
      const own = zone * write;
      if (!heat || !t) return eff(Math.min(own, x.wire));
      if (t.kind === 'step') return eff(Math.min(low ? own * t.share : own, x.wire));
      // Held exactly at the threshold it must not slip off it by rounding: a whole step at full rate would follow.
      if (warm < t.at - 1e-6) return eff(Math.min(own, x.wire));
      const budget = Math.max(
        (t.at - heat.ambient) / heat.resistance - heat.idle,
        t.floor * (heat.write - heat.idle),
      );
      const most = (own * budget) / (heat.write - heat.idle);
      // The files' own cost lies between, when the drive rests: it is the average that is held.
      return Math.min(eff(Math.min(own, x.wire)), most);
    };
    const slow = Math.min(x.write, x.sustained);
    const held = given - taken;
    const reading = Number.isNaN(bar);
    const offered = reading ? eff(Math.min(x.source, x.memory)) : 0;
    // No more is written than is there.
    const written = (write: number) =>
      reading ? Math.min(drain(write), x.buffer === 0 ? offered : offered + held / dt) : drain(write);
    let [own, out] = [zone * (cache > 0 ? x.write : slow), written(cache > 0 ? x.write : slow)];
    if (cache > 0 && cache < out * dt) {
      // The cache ends within this step: part of it at each rate.
      const part = cache / out / dt;
      out = part * out + (1 - part) * written(slow);
      own = zone * slow;
    }
    // No more is taken than has room.
    const into = !reading ? 0 : x.buffer === 0 ? out : Math.min(offered, out + (x.buffer - held) / dt);
    given = Math.min(x.bytes, given + into * dt);
    if (given >= x.bytes && Number.isNaN(bar)) bar = time + dt;
    taken = Math.min(given, taken + out * dt);
    cache = Math.max(0, cache - out * dt);
    if (heat) {
      const power = heat.idle + ((heat.write - heat.idle) * out) / own;
      const to = heat.ambient + power * heat.resistance;
      warm = to + (warm - to) * Math.exp(-dt / (heat.resistance * heat.capacity));
    }
    time += dt;
  }
  return { bar, safe: time };
}

const NO_HEAT = fc.constant(null);

describe('the engine', () => {
  test('worked by hand: 95 GB in the cache at 950 MB/s, 305 GB behind it at 500 MB/s', () => {
    const found = run(
      [
        flowOf({
          bytes: 400e9,
          files: 1000,
          perFile: 1e-3,
          source: 3e9,
          wire: 950e6,
          write: 1700e6,
          sustained: 500e6,
          cache: 95e9 / 1,
          buffer: 0,
          memory: 5e9,
          heat: null,
          zones: null,
          at: 0,
        }),
      ],
      { record: true },
    );
    expect(found.seconds).toBeCloseTo(100 + 610 + 1, 6);
    expect(found.flows[0]!.stretches.map((s) => [s.limit, Math.round(s.taken / 1e9)])).toEqual([
      ['links', 0],
      ['rest', 95],
    ]);
    expect(found.flows[0]!.by).toEqual({
      links: expect.closeTo(100, 6),
      rest: expect.closeTo(610, 6),
      files: expect.closeTo(1, 6),
    });
  });

  test.each([
    ['without heat', NO_HEAT, 10_000],
    ['held at a temperature', heats('hold'), 15_000],
    ['throttled in steps', heats('step'), 800_000],
  ] as const)('agrees with small steps within 0.1 %%, %s', (_, heat, steps) => {
    fc.assert(
      fc.property(plans(heat as fc.Arbitrary<Heat | null>), (given) => {
        // A cycle of a throttle in steps takes seconds: the reference must see many moments of each.
        const x =
          steps > 100_000
            ? {
                ...given,
                bytes: Math.min(given.bytes, 3e11),
                sustained: given.sustained * 7,
                wire: given.wire + 300e6,
                source: given.source + 300e6,
                write: given.write + 300e6,
              }
            : given;
        const found = run([flowOf(x)]);
        const reference = bySteps(x, steps, found.flows[0]!.safe);
        expect(Math.abs(found.flows[0]!.safe / reference.safe - 1)).toBeLessThan(0.001);
        expect(Math.abs(found.flows[0]!.bar - reference.bar)).toBeLessThan(0.001 * reference.safe);
      }),
      runs(steps > 100_000 ? 5 : 40, { ...FIXED, endOnFailure: true }),
    );
  });

  test.each(['hold', 'step'] as const)(
    'its temperatures are those of an ODE solver, throttle: %s',
    (kind) => {
      fc.assert(
        fc.property(plans(heats(kind)), (x) => {
          const { stretches } = run([flowOf({ ...x, zones: null })], { record: true, jump: false }).flows[0]!;
          const h = x.heat!;
          stretches.slice(0, 12).forEach((s, i) => {
            // Beyond some time constants it is settled, and the solver has nothing left to tell.
            const span = Math.min(s.seconds, 8 * s.warm!.tau);
            const own =
              s.limit === 'rest' || s.taken >= x.cache * (1 - 1e-9)
                ? Math.min(x.write, x.sustained)
                : x.write;
            const power = h.idle + ((h.write - h.idle) * s.rate) / own;
            const solver = new Solver(1);
            solver.absoluteTolerance = solver.relativeTolerance = 1e-9;
            const solved = solver.solve(
              (_t, [T]) => [(power - (T! - h.ambient) / h.resistance) / h.capacity],
              0,
              [s.warm!.from],
              span,
            );
            expect(solved.y[0]!).toBeCloseTo(warmAt(s.warm!.from, s.warm!.to, s.warm!.tau, span), 4);
            const next = stretches[i + 1]?.warm!.from;
            if (next !== undefined && span === s.seconds) expect(solved.y[0]!).toBeCloseTo(next, 4);
          });
        }),
        runs(30, { endOnFailure: true }),
      );
    },
  );

  test('energy and bytes balance, causes add up to the time', () => {
    fc.assert(
      fc.property(plans(fc.oneof(heats('hold'), heats('step'), NO_HEAT)), (x) => {
        const found = run([flowOf(x)], { record: true, jump: false });
        const { stretches, by, safe } = found.flows[0]!;
        expect(stretches.reduce((sum, s) => sum + s.rate * s.seconds, 0) / x.bytes).toBeCloseTo(1, 6);
        expect(stretches.reduce((sum, s) => sum + s.bar * s.seconds, 0) / x.bytes).toBeCloseTo(1, 6);
        expect(Object.values(by).reduce((a, b) => a + b, 0) / safe).toBeCloseTo(1, 9);
        const drive = found.stores.find((s) => s.store.role === 'drive')!;
        if (x.cache < Infinity) expect(drive.cache).toBeCloseTo(Math.max(0, x.cache - x.bytes), -4);
        if (!x.heat) return;
        // What was drawn is in the body or has left to the air: the integral of (T − air) ÷ R, in closed form piece by piece.
        const { capacity, resistance, ambient } = x.heat;
        const left = stretches.reduce(
          (sum, { seconds, warm }) =>
            sum +
            ((warm!.to - ambient) * seconds +
              (warm!.from - warm!.to) * warm!.tau * (1 - Math.exp(-seconds / warm!.tau))) /
              resistance,
          0,
        );
        expect((capacity * (drive.warm - stretches[0]!.warm!.from) + left) / drive.energy).toBeCloseTo(1, 6);
      }),
      runs(100),
    );
  });

  test('a leap over whole cycles changes nothing', () => {
    fc.assert(
      fc.property(plans(heats('step')), (x) => {
        const [leapt, whole] = [
          run([flowOf(x)], { record: true }),
          run([flowOf(x)], { record: true, jump: false }),
        ];
        expect(leapt.seconds / whole.seconds).toBeCloseTo(1, 7);
        expect(leapt.stores[1]!.energy / whole.stores[1]!.energy).toBeCloseTo(1, 6);
        expect(Object.values(leapt.flows[0]!.by).reduce((a, b) => a + b, 0) / leapt.seconds).toBeCloseTo(
          1,
          9,
        );
        expect(leapt.flows[0]!.by.files ?? 0).toBeCloseTo(whole.flows[0]!.by.files ?? 0, 3);
      }),
      runs(60, { endOnFailure: true }),
    );
  });

  test('beside a flow that it shares nothing with it takes what it takes alone, by the general way of sharing', () => {
    fc.assert(
      fc.property(
        plans(fc.oneof(heats('hold'), heats('step'), NO_HEAT)),
        fc.integer({ min: 1, max: 3 }),
        (x, streams) => {
          const flow = { ...flowOf(x), streams };
          const other = { ...flowOf({ ...x, heat: null, zones: null, cache: Infinity }), files: 0 };
          const [alone, beside] = [
            run([flow], { record: true }),
            run([flow, other], { record: true, jump: false }),
          ];
          expect(beside.flows[0]!.safe / alone.flows[0]!.safe).toBeCloseTo(1, 7);
          expect(beside.flows[0]!.bar / alone.flows[0]!.bar).toBeCloseTo(1, 7);
        },
      ),
      runs(60),
    );
  });

  test('its laws: without steps more cache is never slower; more bytes, more files, slower parts, warmer air never quicker', () => {
    fc.assert(
      fc.property(
        plans(fc.oneof(heats('hold'), NO_HEAT)),
        fc.double({ min: 1, max: 5, noNaN: true }),
        (x, k) => {
          const seconds = (y: Partial<Plan>) => run([flowOf({ ...x, ...y })]).seconds;
          const base = seconds({});
          const least = base * (1 - 1e-9) - 1e-6;
          expect(seconds({ cache: x.cache * k })).toBeLessThanOrEqual(base * (1 + 1e-9) + 1e-6);
          for (const worse of [
            { bytes: x.bytes * k },
            { files: x.files * k },
            { wire: x.wire / k },
            { source: x.source / k },
            { sustained: x.sustained / k },
            ...(x.heat ? [{ heat: { ...x.heat, air: x.heat.ambient + k } }] : []),
          ])
            expect(seconds(worse)).toBeGreaterThanOrEqual(least);
        },
      ),
      runs(80),
    );
  });

  test('memory takes the first bytes: the bar is full before all is safe, and not by more than memory holds', () => {
    const x: Plan = {
      bytes: 20e9,
      files: 0,
      perFile: 0,
      source: 2e9,
      wire: 400e6,
      write: 1e9,
      sustained: 1e9,
      cache: 1e12,
      buffer: 4e9,
      memory: 5e9,
      heat: null,
      zones: null,
      at: 0,
    };
    const { bar, safe, stretches } = run([flowOf(x)], { record: true }).flows[0]!;
    expect(safe).toBeCloseTo(50, 6);
    expect(safe - bar).toBeCloseTo(10, 6);
    expect(stretches.map((s) => [s.barLimit, Math.round(s.bar / 1e6)])).toEqual([
      ['other', 2000],
      ['links', 400],
      ['memory', 0],
    ]);
  });

  test('verifying begins when all is safe, and reads it all back', () => {
    const copy = flowOf({
      bytes: 10e9,
      files: 0,
      perFile: 0,
      source: 2e9,
      wire: 500e6,
      write: 1e9,
      sustained: 1e9,
      cache: 1e12,
      buffer: 0,
      memory: 5e9,
      heat: null,
      zones: null,
      at: 0,
    });
    const back: Flow = {
      ...copy,
      from: copy.to,
      to: { store: { ...simple, role: 'other', write: 4e9 } },
      after: 0,
    };
    const { flows } = run([copy, back]);
    expect(flows.flatMap((f) => [f.began, f.safe].map(Math.round))).toEqual([0, 20, 20, 40]);
  });

  test('source and destination on one drive share it', () => {
    const store: Store = { ...simple, role: 'drive', read: 500e6, write: 500e6 };
    const disk: Store = { ...store, seek: 10e-3, chunk: 4e6 };
    const onto = (s: Store) =>
      run([{ bytes: 10e9, files: 0, perFile: 0, buffer: 0, from: { store: s }, to: { store: s } }]).seconds;
    expect(onto(store)).toBeCloseTo(40, 6);
    expect(onto(disk)).toBeCloseTo(40 + (2 * 10e9 * 10e-3) / 4e6, 6);
    const wire: Wire = { read: 400e6, write: 400e6, halfDuplex: true, role: 'links' };
    const over = (w: Wire) =>
      run([
        {
          bytes: 10e9,
          files: 0,
          perFile: 0,
          buffer: 0,
          from: { store: { ...store, read: 4e9 }, wire: w },
          to: { store: { ...store, write: 4e9 }, wire: w },
        },
      ]).seconds;
    expect([over(wire), over({ ...wire, halfDuplex: false })]).toEqual([
      expect.closeTo(50, 6),
      expect.closeTo(25, 6),
    ]);
  });

  test('what runs at the same time shares, and goes on alone when the other is done', () => {
    const drive: Store = { ...simple, role: 'drive', read: 900e6, write: 900e6 };
    const other = (): Store => ({ ...simple, role: 'other', read: 3e9, write: 3e9 });
    const flow = (bytes: number, pace?: number): Flow => ({
      bytes,
      files: 0,
      perFile: 0,
      buffer: 0,
      from: { store: other() },
      to: { store: drive },
      ...(pace ? { pace } : {}),
    });
    expect(run([flow(9e9), flow(18e9)]).flows.map((f) => f.safe)).toEqual([
      expect.closeTo(20, 6),
      expect.closeTo(30, 6),
    ]);
    const [big, paced] = run([flow(9e9), flow(4.5e9, 100e6)], { record: true }).flows;
    expect(big!.stretches[0]!.limit).toBe('share');
    expect(paced!.safe).toBeCloseTo(45, 6);
    expect(big!.safe).toBeCloseTo(9e9 / 800e6, 6);
  });

  test('several flows at once against small steps: shares, cache and warmth of one drive, each flow until its own end', () => {
    const one = fc.record({
      bytes: fc.double({ min: 5e9, max: 2e11, noNaN: true }),
      source: rate,
      write: fc.boolean(),
      pace: fc.option(fc.double({ min: 20e6, max: 400e6, noNaN: true }), { nil: null }),
    });
    fc.assert(
      fc.property(
        fc.array(one, { minLength: 2, maxLength: 4 }),
        fc.record({
          read: rate,
          write: rate,
          sustained: fc.double({ min: 1e8, max: 1e9, noNaN: true }),
          cache: fc.double({ min: 1e9, max: 1e11, noNaN: true }),
        }),
        heats('hold'),
        (list, medium, heat) => {
          const drive: Store = { role: 'drive', ...medium, heat };
          const flows = list.map(({ bytes, source, write, pace }): Flow => {
            const other: Store = { ...simple, role: 'other', read: source, write: source };
            return {
              bytes,
              files: 0,
              perFile: 0,
              buffer: 0,
              from: { store: write ? other : drive },
              to: { store: write ? drive : other },
              ...(pace === null ? {} : { pace }),
            };
          });
          const found = run(flows);
          const steps = 60_000;
          let time = 0;
          const left = list.map((f) => f.bytes);
          const ends = list.map(() => NaN);
          let [cache, warm] = [medium.cache, heat.ambient + heat.idle * heat.resistance];
          while (time < found.seconds * 1.1 && ends.some(Number.isNaN)) {
            const dt = stepAt(time, found.seconds / steps);
            time += dt;
            const own = (write: boolean) =>
              write ? (cache > 0 ? medium.write : Math.min(medium.write, medium.sustained)) : medium.read;
            const throttle = heat.throttle as { at: number; floor: number };
            const budget =
              warm >= throttle.at - 1e-6
                ? Math.max(
                    (throttle.at - heat.ambient) / heat.resistance - heat.idle,
                    throttle.floor * (heat.write - heat.idle),
                  ) /
                  (heat.write - heat.idle)
                : 1;
            // Max-min, the least content first: each takes the least of level, source, pace; the drive's time (or
            // what its warmth leaves of it) is not exceeded.
            const most = list.map((f, i) => (left[i]! > 0 ? Math.min(f.source, f.pace ?? Infinity) : 0));
            let [free, wanting, level] = [
              Math.min(1, budget),
              list.reduce((sum, f) => sum + 1 / own(f.write), 0),
              Infinity,
            ];
            for (const i of list.map((_, k) => k).sort((x, y) => most[x]! - most[y]!)) {
              if (most[i]! * wanting > free) {
                level = free / wanting;
                break;
              }
              free -= most[i]! / own(list[i]!.write);
              wanting -= 1 / own(list[i]!.write);
            }
            let [power, writes] = [heat.idle, 0];
            list.forEach((f, i) => {
              const r = Math.min(level, most[i]!);
              power += ((heat.write - heat.idle) * r) / own(f.write);
              if (f.write) writes += r;
              left[i] = left[i]! - r * dt;
              if (left[i]! <= 0 && Number.isNaN(ends[i]!)) ends[i] = time + left[i]! / Math.max(r, 1);
            });
            cache = Math.max(0, cache - writes * dt);
            const to = heat.ambient + power * heat.resistance;
            warm = to + (warm - to) * Math.exp(-dt / (heat.resistance * heat.capacity));
          }
          found.flows.forEach((f, i) =>
            expect(Math.abs(f.safe - ends[i]!)).toBeLessThan(0.002 * found.seconds),
          );
        },
      ),
      runs(10, { ...FIXED, endOnFailure: true }),
    );
  });

  test('onto itself with a cache: half of the drive’s time is reading, and the cache ends where it should', () => {
    const store: Store = { role: 'drive', read: 1e9, write: 1e9, sustained: 250e6, cache: 20e9 };
    const found = run([{ bytes: 40e9, files: 0, perFile: 0, buffer: 0, from: { store }, to: { store } }], {
      record: true,
    });
    // 20 GB at 500 MB/s, then 20 GB at 1 ÷ (1/1000 + 1/250) = 200 MB/s.
    expect(found.seconds).toBeCloseTo(40 + 100, 6);
    expect(found.flows[0]!.stretches.map((s) => s.limit)).toEqual(['cache', 'rest']);
  });

  test('a stream that must not stall: what is late shows in its time', () => {
    const to = (sustained: number, buffer: number) =>
      run([
        {
          ...flowOf({
            bytes: 100e9,
            files: 0,
            perFile: 0,
            source: 5e9,
            wire: 2e9,
            write: 1e9,
            sustained,
            cache: 20e9,
            buffer,
            memory: 5e9,
            heat: null,
            zones: null,
            at: 0,
          }),
          pace: 250e6,
        },
      ]).flows[0]!.bar;
    expect(to(300e6, 0)).toBeCloseTo(400, 6);
    expect(to(200e6, 1e9)).toBeGreaterThan(400);
    // 80 GB behind the cache fall behind by 50 MB/s for up to 400 s: 16 GB of memory bridge it.
    expect(to(200e6, 17e9)).toBeCloseTo(400, 6);
  });

  test('plans without an end and flows of nothing are refused', () => {
    const x = flowOf({
      bytes: 1e9,
      files: 0,
      perFile: 0,
      source: 0,
      wire: 1e9,
      write: 1e9,
      sustained: 1e9,
      cache: 0,
      buffer: 0,
      memory: 1e9,
      heat: null,
      zones: null,
      at: 0,
    });
    expect(() => run([x])).toThrow(/end/);
    expect(() => run([{ ...x, bytes: 0 }])).toThrow(/bytes/);
  });
});

function resourceOf(limit: number): Resource {
  const made = new Resource('wire', null, 'links');
  made.limit = limit;
  return made;
}

/** A taker of at most so much, alone too: what it uses bounds it before it is shared. */
function takerOf(
  most: number,
  coefficients: readonly (number | null)[],
  resources: readonly Resource[],
): Taker {
  const made = new Taker();
  made.most = most;
  coefficients.forEach((coefficient, r) => {
    if (coefficient === null) return;
    made.uses[made.count] = resources[r]!;
    made.coefficients[made.count++] = coefficient;
    made.most = Math.min(made.most, resources[r]!.limit / coefficient);
  });
  return made;
}
const coefficientOf = ({ uses, coefficients, count }: Taker, resource: Resource): number => {
  const i = uses.slice(0, count).indexOf(resource);
  return i < 0 ? 0 : coefficients[i]!;
};

describe('fair shares of unlike takers', () => {
  test('max-min: nothing overfull, and who is not content meets a full resource on which none has more', () => {
    const takers = fc.array(
      fc.record({
        most: rate,
        coefficients: fc.array(fc.option(fc.double({ min: 1e-10, max: 1e-8, noNaN: true }), { nil: null }), {
          minLength: 3,
          maxLength: 3,
        }),
      }),
      { minLength: 1, maxLength: 5 },
    );
    fc.assert(
      fc.property(takers, (given) => {
        const resources = [1, 0.5, 1].map((limit) => resourceOf(limit));
        const list = given.map((g) => takerOf(g.most, g.coefficients, resources));
        share(list, list.length, resources);
        const load = resources.map((resource) =>
          list.reduce((sum, t) => sum + coefficientOf(t, resource) * t.rate, 0),
        );
        load.forEach((l, r) => expect(l).toBeLessThanOrEqual(resources[r]!.limit * (1 + 1e-9)));
        for (const t of list)
          if (t.rate < t.most * (1 - 1e-9))
            expect(
              resources.some(
                (resource, r) =>
                  coefficientOf(t, resource) > 0 &&
                  load[r]! >= resource.limit * (1 - 1e-9) &&
                  list.every((o) => coefficientOf(o, resource) === 0 || o.rate <= t.rate * (1 + 1e-9)),
              ),
            ).toBe(true);
      }),
      runs(100),
    );
  });

  test('what flows without any limit is refused', () => {
    const shared = resourceOf(Infinity);
    const endless = () => takerOf(Infinity, [1], [shared]);
    expect(() => share([endless(), endless()], 2, [shared])).toThrow(/limit/);
  });
});
