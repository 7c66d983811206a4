import { formula, type Formula } from '../../evidence';

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
