import { demoBriefs, forecastJob, onJob, repeatJob } from '../fixtures/forecast';
import { exactFact } from '../evidence';
import { BRIDGES, CABLES, DRIVES } from '../catalog/stock';
import type { Brief, Move } from '../job';
import { timeAfter, timesAfter } from '../units';
import { caseOf, collect, forecastAll, freeze, isLife } from '.';
import { explaining } from '../evidence';
import { demoJobs } from '../demo';

const by = <T extends { id: string }>(list: readonly T[], id: string): T => list.find((x) => x.id === id)!;
const move = (more: Partial<Move>): Move => ({
  id: 'copy',
  name: 'Copy',
  kind: 'move',
  direction: 'write',
  bytes: exactFact(640e9),
  files: exactFact(52_000),
  perDay: exactFact(1),
  target: null,
  ...more,
});

/** An 8 TB disk in an enclosure on the demo's laptop. */
const brief = (...activities: Brief['activities']): Brief => {
  const [offload] = demoBriefs() as [Brief];
  return {
    ...offload,
    activities,
    needs: {},
    build: {
      drive: by(DRIVES, 'marrowick-anchor-8t'),
      bridge: BRIDGES.find((b) => b.socket === 'SATA' && b.supply?.volts12 && b.large !== false)!,
      cable: null,
      port: offload.build!.port,
    },
  };
};
const built = (...activities: Brief['activities']): Brief => {
  const made = brief(...activities);
  const { bridge } = made.build!;
  const port = made.host.ports.find((p) => p.id === made.build!.port)!;
  const cable = CABLES.find(
    ({ ends: [a, b] }) =>
      (a === bridge!.plug && b === port.connector) || (b === bridge!.plug && a === port.connector),
  )!;
  return { ...made, build: { ...made.build!, cable } };
};
const fillOf = (b: Brief, id = 'copy') => collect(explaining, caseOf(onJob(b), id))!.inputs.fill!;
const years = (b: Brief) => repeatJob(b, { years: 1, ranges: false })!;

describe('what stays on the drive', () => {
  test('a copy that adds each day fills it when arithmetic says', () => {
    const { ends, days } = years(built(move({ adds: true })));
    // 92 % of 8 TB are usable: 11.5 days of 640 GB.
    expect(ends.full.expected * 365).toBeCloseTo((8e12 * 0.92) / 640e9, 6);
    expect(ends.fullIfAdding).toBeNull();
    expect(days[0]!.fill).toBe(0);
    expect(days[5]!.fill).toBeCloseTo((5 * 640e9) / 8e12, 9);
  });
  test('one that replaces the last stands there and never fills it', () => {
    const { ends, days } = years(built(move({ adds: false })));
    expect(ends.full.expected).toBe(Infinity);
    expect(days.at(-1)!.fill).toBeCloseTo(0.08, 9);
  });
  test('where nobody said, both are told', () => {
    const { ends } = years(built(move({})));
    expect(ends.full.expected).toBe(Infinity);
    expect(ends.fullIfAdding!.expected * 365).toBeCloseTo((8e12 * 0.92) / 640e9, 6);
  });
  test('what is copied once is written on the first day, wears no rating, and is in use from then on', () => {
    const once = built(move({ perDay: exactFact(0), bytes: exactFact(4.8e12) }));
    const { days, ends } = years(once);
    expect(days.at(-1)!.written).toBe(4.8e12);
    expect(days.at(-1)!.fill).toBeCloseTo(0.6, 9);
    expect(ends.full.expected).toBe(Infinity);
    expect(forecastAll(onJob(once))!.workload).toBeNull();
  });
  test('a forecast begins with what else is there: a first copy beside nothing, a second beside the first', () => {
    const first = move({ perDay: exactFact(0), bytes: exactFact(4e12) });
    const second = move({ id: 'more', name: 'More', perDay: exactFact(0), bytes: exactFact(2e12) });
    expect(fillOf(built(first))).toMatchObject({ low: 0, expected: 0, high: 0 });
    expect(fillOf(built(first, second), 'more').expected).toBeCloseTo(0.5, 9);
    // Said by the brief, it goes before.
    const said = { ...built(first), needs: { fill: exactFact(0.3) } };
    expect(fillOf(said).expected).toBe(0.3);
    // Nobody said: as full as drives are.
    expect(fillOf(built(move({}))).high).toBeGreaterThan(0.5);
  });
  test('day by day it takes as long as its own forecast says', () => {
    const b = built(move({ adds: false }));
    const { time } = forecastJob(b)!.activities[0]!.course!;
    expect(years(b).days[0]!.seconds[0]!).toBeCloseTo(time.expected, 3);
  });
});

describe('on the clock', () => {
  test('a format, then what is copied once, each after the other; what is repeated is not among them', () => {
    const first = move({ perDay: exactFact(0), bytes: exactFact(4e12), verify: true });
    const daily = move({ id: 'daily', name: 'Daily' });
    const b = { ...built(first, daily), needs: { formatFirst: true } };
    const { tasks, format, activities } = forecastAll(onJob(b))!;
    expect(tasks.map((t) => t.activity)).toEqual([null, 'copy']);
    const copy = activities[0]!.course!.time;
    expect(tasks[1]!.done.expected).toBeCloseTo(format!.expected + copy.expected, 6);
    expect(tasks[1]!.done.low).toBeGreaterThanOrEqual(format!.low + copy.low * 0.9);
    expect(tasks[1]!.done.high).toBeLessThanOrEqual((format!.high + copy.high) * 1.01);
    // Without anything done once, the first time of each copy onto it.
    expect(forecastAll(onJob(built(daily)))!.tasks.map((t) => t.activity)).toEqual(['daily']);
  });
  test('a moment as told at the start', () => {
    const start = new Date(2031, 2, 5, 17, 0);
    expect(timeAfter(start, 3600 * 2.5)).toBe('19:30');
    expect(timeAfter(start, 3600 * 17.5)).toBe('next day 10:30');
    expect(timeAfter(start, 3600 * 41.5)).toBe('in 2 days at 10:30');
    expect(timesAfter(start, 3600 * 40, 3600 * 43)).toBe('in 2 days at 09:00 to 12:00');
    expect(timesAfter(start, 3600 * 5, 3600 * 20)).toBe('22:00 to next day 13:00');
  });
});

test('what the rules block is not frozen', () => {
  const [job] = demoJobs();
  const [device] = job!.devices;
  const small = {
    ...device!,
    parts: { ...device!.parts!, drive: { ...device!.parts!.drive, capacity: exactFact(16e9) } },
  };
  const devices = job!.devices.map((d) => (d.id === device!.id ? small : d));
  expect(() => freeze({ ...job!, devices }, 'id', '2031-03-05T17:00:00.000Z')).toThrow(/nothing blocks/);
});

describe('a used drive', () => {
  const [offload] = demoBriefs() as [Brief];
  const lifeWith = (needs: Brief['needs']) => {
    const { life } = forecastAll(onJob({ ...offload, needs: { ...offload.needs, ...needs } }))!;
    if (!isLife(life)) throw new Error(life.problem);
    return life;
  };
  test('has less left at the work of the job, and tells its own rate once two readings or a first day are known', () => {
    const fresh = lifeWith({});
    const used = lifeWith({ counters: [{ on: '2031-02-01', written: 90e12 }] });
    const rate = fresh.rate!.expected;
    expect(used.left!.expected).toBeCloseTo(fresh.fromNew!.expected - 90e12 / rate / 365, 6);
    expect(used.byCounters).toBeNull();
    const counters = [
      { on: '2031-01-02', written: 60e12 },
      { on: '2031-02-01', written: 63e12 },
    ];
    const two = lifeWith({ counters }).byCounters!;
    expect(two.rate!.expected).toBeCloseTo(3e12 / 30, 0);
    expect(two.runsOut!.earliest < two.runsOut!.expected).toBe(true);
    expect(two.runsOut!.expected < two.runsOut!.latest).toBe(true);
    const since = lifeWith({ counters: counters.slice(1), inUseSince: '2030-02-01' }).byCounters!;
    expect(since.rate!.expected).toBeCloseTo(63e12 / 365, 0);
  });
});
