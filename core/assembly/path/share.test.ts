import fc from 'fast-check';
import { levelFormula } from './share';
import { runs } from '../../fixtures/draws';

/** One flow over shared resources. */
interface Taker {
  /** B/s it would take if nothing were in the way; Infinity for all it can get. */
  demand: number;
  /** Which resources it passes, by index, and how often each. */
  uses: readonly { resource: number; times: number }[];
}

/**
 * The reference: max-min fair shares by progressive filling: all flows rise together, one stops when a resource on its way is full or it has what it wants.
 * @param capacities B/s of each resource
 * @returns B/s of each flow; a flow without demand and without resources gets Infinity
 */
function fairShares(flows: readonly Taker[], capacities: readonly number[]): number[] {
  const rates = flows.map(() => Infinity);
  const open = new Set(flows.keys());
  const left = [...capacities];
  while (open.size > 0) {
    const wanted = capacities.map((_, r) =>
      [...open].reduce(
        (sum, f) =>
          sum + flows[f]!.uses.filter((u) => u.resource === r).reduce((times, u) => times + u.times, 0),
        0,
      ),
    );
    const full = Math.min(
      Infinity,
      ...left.map((capacity, r) => (wanted[r]! > 0 ? Math.max(capacity, 0) / wanted[r]! : Infinity)),
    );
    const content = Math.min(...[...open].map((f) => flows[f]!.demand));
    const level = Math.min(full, content);
    if (level === Infinity) break;
    const stops = [...open].filter(
      (f) =>
        flows[f]!.demand <= level ||
        flows[f]!.uses.some(
          (u) => u.times > 0 && left[u.resource]! / wanted[u.resource]! <= level * (1 + 1e-12),
        ),
    );
    for (const f of stops) {
      rates[f] = level;
      open.delete(f);
      for (const { resource, times } of flows[f]!.uses) left[resource]! -= level * times;
    }
  }
  return rates;
}

const someFlows = fc
  .integer({ min: 1, max: 4 })
  .chain((resources) =>
    fc.record({
      capacities: fc.array(fc.integer({ min: 1, max: 40 }), { minLength: resources, maxLength: resources }),
      flows: fc.array(
        fc.record({
          demand: fc.oneof(fc.constant(Infinity), fc.integer({ min: 1, max: 40 })),
          uses: fc.uniqueArray(
            fc.record({ resource: fc.nat(resources - 1), times: fc.integer({ min: 1, max: 2 }) }),
            { minLength: 1, maxLength: resources, selector: (u) => u.resource },
          ),
        }),
        { minLength: 1, maxLength: 5 },
      ),
    }),
  );
const load = (flows: readonly Taker[], rates: readonly number[], resource: number) =>
  flows.reduce(
    (sum, flow, f) =>
      sum + flow.uses.filter((u) => u.resource === resource).reduce((s, u) => s + u.times * rates[f]!, 0),
    0,
  );

/** By brute force: one crumb at a time to whoever has least and can still take one. */
function crumbs(flows: readonly Taker[], capacities: readonly number[], crumb: number): number[] {
  const rates = flows.map(() => 0);
  const takes = (f: number) => {
    const more = rates.map((r, i) => (i === f ? r + crumb : r));
    return (
      more[f]! <= flows[f]!.demand + 1e-9 && capacities.every((c, r) => load(flows, more, r) <= c + 1e-9)
    );
  };
  for (;;) {
    const [next] = [...flows.keys()].filter(takes).sort((a, b) => rates[a]! - rates[b]!);
    if (next === undefined) return rates;
    rates[next]! += crumb;
  }
}

describe('max-min fair shares', () => {
  test.each([
    [
      'two drives behind one link',
      [
        { demand: Infinity, uses: [0] },
        { demand: Infinity, uses: [0] },
      ],
      [1000],
      [500, 500],
    ],
    [
      'a content neighbour leaves the rest',
      [
        { demand: Infinity, uses: [0] },
        { demand: 200, uses: [0] },
      ],
      [1000],
      [800, 200],
    ],
    [
      'one held elsewhere leaves the rest',
      [
        { demand: Infinity, uses: [0] },
        { demand: Infinity, uses: [0, 1] },
      ],
      [1000, 300],
      [700, 300],
    ],
    ['nobody in the way', [{ demand: 400, uses: [0] }], [1000], [400]],
  ] as const)('%s', (_, flows, capacities, expected) =>
    expect(
      fairShares(
        flows.map((f) => ({ demand: f.demand, uses: f.uses.map((resource) => ({ resource, times: 1 })) })),
        capacities,
      ),
    ).toEqual(expected),
  );

  test('a copy that passes a half-duplex link twice gets half of it', () => {
    expect(fairShares([{ demand: Infinity, uses: [{ resource: 0, times: 2 }] }], [40])).toEqual([20]);
  });

  test('as brute force gives them', () => {
    fc.assert(
      fc.property(someFlows, ({ flows, capacities }) => {
        const rough = crumbs(flows, capacities, 1 / 16);
        fairShares(flows, capacities).forEach((rate, f) =>
          expect(Math.abs(rate - rough[f]!)).toBeLessThan(1.5),
        );
      }),
      runs(60),
    );
  });

  test('by the definition: nothing is overfull, and each flow has what it wants or a full resource on which none has more', () => {
    fc.assert(
      fc.property(someFlows, ({ flows, capacities }) => {
        const rates = fairShares(flows, capacities);
        capacities.forEach((c, r) => expect(load(flows, rates, r)).toBeLessThanOrEqual(c * (1 + 1e-9)));
        flows.forEach((flow, f) => {
          const content = rates[f]! >= flow.demand * (1 - 1e-9);
          const held = flow.uses.some(
            (u) =>
              load(flows, rates, u.resource) >= capacities[u.resource]! * (1 - 1e-9) &&
              flows.every(
                (other, o) =>
                  !other.uses.some((v) => v.resource === u.resource) || rates[o]! <= rates[f]! * (1 + 1e-9),
              ),
          );
          expect(content || held).toBe(true);
        });
      }),
      runs(1000),
    );
  });

  test('the level that a path uses is its max-min share, over several resources in a row too', () => {
    const wants = fc.array(fc.oneof(fc.constant(Infinity), fc.integer({ min: 1, max: 30 })), {
      maxLength: 4,
    });
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 4 }),
        fc.array(fc.record({ capacity: fc.integer({ min: 1, max: 60 }), wants }), {
          minLength: 1,
          maxLength: 3,
        }),
        (own, stages) => {
          // Neighbours that come in at a stage pass it and all later ones.
          const flows: Taker[] = Array.from({ length: own }, () => ({
            demand: Infinity,
            uses: stages.map((_, resource) => ({ resource, times: 1 })),
          }));
          stages.forEach((stage, s) =>
            stage.wants.forEach((demand) =>
              flows.push({ demand, uses: stages.map((_, resource) => ({ resource, times: 1 })).slice(s) }),
            ),
          );
          const ours = Math.min(
            ...stages.map(({ capacity }, s) => {
              const here = stages.slice(0, s + 1).flatMap((stage) => stage.wants);
              const finite = here.filter(Number.isFinite).sort((a, b) => a - b);
              return levelFormula(finite.length)({
                capacity,
                flows: own + here.length,
                ...Object.fromEntries(finite.map((want, i) => [`d${i + 1}`, want])),
              });
            }),
          );
          expect(ours).toBeCloseTo(
            fairShares(
              flows,
              stages.map((s) => s.capacity),
            )[0]!,
            9,
          );
        },
      ),
      runs(1000),
    );
  });
});
