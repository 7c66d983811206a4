import fc from 'fast-check';
import { SHOP } from '../../catalog/stock';
import { demoJobs } from '../../demo';
import type { Job } from '../../job';
import { Finalists } from './answer';
import { placeTogether, chooseTogether, type DeviceOption } from './together';
import { searchAll } from './search';
import { slowedBy } from './uplinks';
import { slowedWords } from './words';
import { wantedOf, type Wanted } from './wanted';
import { draws, runs } from '../../fixtures/draws';

const KINDS = ['a', 'b', 'c'];
const option = fc.record({
  cost: fc.integer({ min: 1, max: 30 }),
  uses: fc.array(fc.constantFrom(...KINDS), { minLength: 1, maxLength: 2 }),
});
const devices = fc.array(fc.array(option, { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 4 });
const ports = fc.tuple(fc.nat(2), fc.nat(2), fc.nat(2)).map((n) => new Map(KINDS.map((k, i) => [k, n[i]!])));

/** The least that any choice of one option each costs, by trying them all. */
function least(
  lists: readonly (readonly DeviceOption[])[],
  free: ReadonlyMap<string, number>,
  budget: number | null,
): number {
  let best = Infinity;
  const go = (d: number, cost: number, used: readonly string[]) => {
    if (d === lists.length) {
      const fits = [...new Set(used)].every((k) => used.filter((u) => u === k).length <= (free.get(k) ?? 0));
      if (fits && cost <= (budget ?? Infinity)) best = Math.min(best, cost);
      return;
    }
    for (const o of lists[d]!) go(d + 1, cost + o.cost, [...used, ...o.uses]);
  };
  go(0, 0, []);
  return best;
}

describe('several devices together', () => {
  test('the cheapest that fits, as trying all finds it; ports used once, within the budget', () => {
    let placed = 0;
    fc.assert(
      fc.property(devices, ports, fc.option(fc.integer({ min: 5, max: 80 })), (lists, free, budget) => {
        const at = placeTogether(lists, free, budget);
        const best = least(lists, free, budget);
        if (at === null) return expect(best).toBe(Infinity);
        placed++;
        expect(at.reduce((sum, i, d) => sum + lists[d]![i]!.cost, 0)).toBe(best);
      }),
      runs(400),
    );
    expect(placed).toBeGreaterThan(draws(50));
  });

  // A lean library: the same laws in a fraction of the time.
  const lean = { ...SHOP, drives: SHOP.drives.filter((_, i) => i % 3 === 2) };
  const [, scans] = demoJobs() as [Job, Job];
  const of = (job: Job) =>
    job.devices.map((device) => {
      const wanted = wantedOf(job, device.id, {
        owned: [],
        currency: 'EUR',
        shopRanges: {},
        portsFree: true,
      })!;
      return { wanted, candidates: searchAll(wanted, lean).candidates, finalists: new Finalists(wanted) };
    });
  const list = of(scans);
  const end = <T>(going: Generator<null, T>): T => {
    for (;;) {
      const step = going.next();
      if (step.done) return step.value;
    }
  };

  test('the scanning room’s two devices get a port each; what they cost is their sum; a budget below it is no budget', () => {
    const found = end(chooseTogether(list, null));
    expect(found.problem).toBeNull();
    const used = found.builds.map((b) => b!.build.port);
    expect(new Set(used).size).toBe(used.length);
    expect(found.cost).toBeCloseTo(
      found.builds.reduce((sum, b) => sum + b!.cost!, 0),
      6,
    );
    for (const [i, build] of found.builds.entries()) expect(list[i]!.finalists.isSure(build!)).toBe(true);
    expect(end(chooseTogether(list, found.cost! - 1)).problem).toBe('ports or budget');
    expect(end(chooseTogether(list, found.cost!)).cost).toBe(found.cost);
  });

  test('two on one uplink slow each other down when both work: by what the link is worth, no more', () => {
    const one = list[0]!;
    const candidate = one.candidates.find((c) => c.flow > 1e9)!;
    const on = (mode: string): Wanted => {
      const [open, ...more] = one.wanted.places;
      const ports = open!.host.ports.map((p) => ({ ...p, uplink: 'shared' }));
      const host = { ...open!.host, ports, uplinks: [{ id: 'shared', name: 'The bridge', modes: [mode] }] };
      return { ...one.wanted, places: [{ ...open!, host }, ...more] };
    };
    const both = (mode: string) => slowedBy([0, 1].map(() => ({ wanted: on(mode), candidate })));
    const slowed = both('usb-10');
    expect(slowed.map((s) => s.device)).toEqual([0, 1]);
    for (const { alone, together: half } of slowed) expect(half / alone).toBeCloseTo(0.5, 1);
    expect(slowedWords(slowed[0]!, ['Scans', 'Archive'])).toMatch(
      /^While Archive works too, Scans .* The bridge\.$/,
    );
    expect(both('pcie5x16')).toEqual([]);
    expect(slowedBy([{ wanted: on('usb-10'), candidate }])).toEqual([]);
  });

  test('a device nothing is sure for is told', () => {
    const found = end(chooseTogether([list[0]!, { ...list[1]!, candidates: [] }], null));
    expect(found).toMatchObject({ problem: 'nothing sure', cost: null });
    expect(found.builds[1]).toBeNull();
  });
});
