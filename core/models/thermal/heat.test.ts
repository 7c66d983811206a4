import fc from 'fast-check';
import { Solver } from 'odex';
import { assumedRange } from '../../catalog/assumptions';
import type { Drive } from '../../catalog/parts';
import { BRIDGES, DRIVES } from '../../catalog/stock';
import { coolingOf, isExternal } from './cooling';
import { drawAt, drawOf } from './power';
import { settlesAt, timeTo, warmAt } from './warm';
import { runs } from '../../fixtures/draws';

const body = fc.record({
  air: fc.double({ min: -10, max: 45, noNaN: true }),
  resistance: fc.double({ min: 3, max: 20, noNaN: true }),
  capacity: fc.double({ min: 5, max: 120, noNaN: true }),
  power: fc.double({ min: 0.1, max: 12, noNaN: true }),
  from: fc.double({ min: 0, max: 90, noNaN: true }),
  seconds: fc.double({ min: 1, max: 600, noNaN: true }),
});

test('warming up is what an ODE solver makes of C · dT/dt = P − (T − air) ÷ R', () => {
  fc.assert(
    fc.property(body, ({ air, resistance, capacity, power, from, seconds }) => {
      const solver = new Solver(1);
      solver.absoluteTolerance = solver.relativeTolerance = 1e-10;
      const solved = solver.solve(
        (_t, [T]) => [(power - (T! - air) / resistance) / capacity],
        0,
        [from],
        seconds,
      ).y[0]!;
      expect(warmAt(from, settlesAt(air, power, resistance), resistance * capacity, seconds)).toBeCloseTo(
        solved,
        5,
      );
    }),
    runs(50),
  );
});

test('the time to a temperature is when it is that warm, and never where it does not get there', () => {
  fc.assert(
    fc.property(
      body,
      fc.double({ min: 0.01, max: 0.99, noNaN: true }),
      ({ air, resistance, capacity, power, from }, part) => {
        const to = settlesAt(air, power, resistance);
        fc.pre(Math.abs(to - from) > 0.1);
        const target = from + (to - from) * part;
        const tau = resistance * capacity;
        expect(warmAt(from, to, tau, timeTo(from, to, tau, target))).toBeCloseTo(target, 6);
        expect(timeTo(from, to, tau, to + (to - from))).toBe(Infinity);
        expect(timeTo(from, to, tau, from - (to - from) * part)).toBe(Infinity);
        expect(warmAt(from, to, tau, Infinity)).toBe(to);
      },
    ),
    runs(100),
  );
});

describe('how a drive is cooled, and what it draws', () => {
  const [nvme, fin] = ['larkmoor-reed-2t', 'oystral-kestrel-2t-fin'].map((id) =>
    DRIVES.find((d) => d.id === id)!,
  ) as [(typeof DRIVES)[number], (typeof DRIVES)[number]];
  const metal = BRIDGES.find((b) => b.cooling === 'metal')!;
  const pad = { id: 'p', maker: 'x', model: 'x', kind: 'pad' as const };
  test.each([
    ['bare in a slot', { drive: nvme, bridge: null }, 'bare board'],
    ['with its own heatsink', { drive: fin, bridge: null }, 'heatsink'],
    ['in a metal case', { drive: nvme, bridge: metal }, 'metal'],
    ['in a metal case with a pad', { drive: nvme, bridge: metal, accessories: [pad] }, 'metal with pad'],
  ] as const)('%s', (_, fitted, how) => expect(coolingOf(fitted)).toBe(how));

  test('a pad cools better and takes longer to warm up; sealed drives hang outside', () => {
    expect(assumedRange('resistance.metal with pad').expected).toBeLessThan(
      assumedRange('resistance.metal').expected,
    );
    expect(assumedRange('heat-capacity.heatsink').low).toBeGreaterThan(
      assumedRange('heat-capacity.bare board').high,
    );
    expect([
      isExternal({ drive: DRIVES.find((d) => d.sealed)!, bridge: null }),
      isExternal({ drive: nvme, bridge: null }),
    ]).toEqual([true, false]);
  });

  test('from idle to fully busy in a straight line', () => {
    for (const drive of DRIVES) {
      const { idle, full } = drawOf(drive, 'write');
      expect([drawAt(drive, 'write', 0), drawAt(drive, 'write', 1), drawAt(drive, 'write', 2)]).toEqual([
        idle,
        full,
        full,
      ]);
      expect(drawAt(drive, 'write', 0.5)).toBeCloseTo((idle + full) / 2, 9);
    }
  });
});

test('what nobody states of the draw follows from what a drive moves: gen 5 more than gen 4, that more than gen 3, SATA least', () => {
  const nvme = DRIVES.find((d) => d.modes.some((mode) => mode.startsWith('pcie')))!;
  const rated = (rate: number): Drive => ({
    ...nvme,
    id: `rated-${rate}`,
    power: undefined,
    read: { value: rate, source: { kind: 'sheet' } },
    write: { value: rate, source: { kind: 'sheet' } },
  });
  const full = (drive: Drive) => drawOf(drive, 'write').full;
  const sata: Drive = { ...rated(540e6), id: 'on-sata', modes: ['sata3'] };
  const draws = [sata, rated(3400e6), rated(7200e6), rated(13_500e6)].map(full);
  expect(draws).toEqual([...draws].sort((a, b) => a - b));
  expect(new Set(draws).size).toBe(4);
  expect(full({ ...rated(7200e6), power: { idle: 0.4, read: 6.1, write: 6.3 } } as Drive)).toBe(6.3);
});
