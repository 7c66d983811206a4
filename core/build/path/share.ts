import { formula, type Formula } from '../../evidence';

/** One flow over shared resources. */
export interface Flow {
  /** B/s it would take if nothing were in the way; Infinity for all it can get. */
  demand: number;
  /** Which resources it passes, by index, and how often each. */
  uses: readonly { resource: number; times: number }[];
}

/**
 * Max-min fair shares by progressive filling: all flows rise together, one stops when a resource on its way is full or it has what it wants.
 * @param capacities B/s of each resource
 * @returns B/s of each flow; a flow without demand and without resources gets Infinity
 */
export function fairShares(flows: readonly Flow[], capacities: readonly number[]): number[] {
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

const formulas = new Map<number, Formula<string>>();

/**
 * Our fair share of one resource beside others whose wants are known, as a formula: the level to which all flows can rise. Inputs: `capacity`,
 * `flows` (how often the resource is passed in all) and the wants `d1`, `d2`, … from the smallest up. The greatest of its terms is the level:
 * the term grows from one to the next just while the next flow is content below it. A path takes the least over its resources, which is its
 * max-min share: whichever of them fills first holds it.
 */
export function levelFormula(wants: number): Formula<string> {
  const had = formulas.get(wants);
  if (had) return had;
  const names = Array.from({ length: wants }, (_, i) => `d${i + 1}`);
  const made = formula<string>({
    name: 'fair share',
    unit: 'B/s',
    inputs: {
      capacity: 'what is shared',
      flows: 'flows',
      ...Object.fromEntries(names.map((name, i) => [name, `want of neighbour ${i + 1}`])),
    },
    of: (m, x) => {
      const terms = [m.div(x.capacity!, x.flows!)];
      names.forEach((_, i) => {
        const taken = names.slice(0, i + 1).map((name) => x[name]!);
        const rest = taken.reduce<(typeof terms)[number]>((left, want) => m.sub(left, want), x.capacity!);
        terms.push(m.div(rest, m.sub(x.flows!, m.num(i + 1))));
      });
      return terms.length === 1 ? terms[0]! : m.max(...terms);
    },
  });
  formulas.set(wants, made);
  return made;
}
