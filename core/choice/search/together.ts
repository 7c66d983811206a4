import type { Finalists } from './answer';
import type { Candidate } from './candidate';
import { cheapestFirst } from './order';
import { portTraits } from './search';
import type { Wanted } from './wanted';

/** One way a device of several could be built: what it costs, and on which kind of port of which machine it hangs. */
export interface DeviceOption {
  cost: number;
  /** A machine's ports that are alike, by a key; one of them is used. */
  uses: readonly string[];
}

/** How many ports there are of each kind. */
export type FreePorts = ReadonlyMap<string, number>;

/**
 * The cheapest choice of one option for each device such that no port is used twice, within a budget. Branch and bound: exact.
 * @param lists each device's options
 * @param budget of all together; null: none
 * @returns the place of the option in each device's list, or null where they do not go together
 */
export function placeTogether(
  lists: readonly (readonly DeviceOption[])[],
  ports: FreePorts,
  budget: number | null = null,
): number[] | null {
  const sorted = lists.map((list) =>
    list.map((option, i) => ({ ...option, i })).sort((a, b) => a.cost - b.cost),
  );
  // What the devices from each one on cost at least.
  const rest = new Array<number>(lists.length + 1).fill(0);
  for (let d = lists.length - 1; d >= 0; d--) rest[d] = rest[d + 1]! + (sorted[d]![0]?.cost ?? Infinity);
  let best: { cost: number; at: number[] } | null = null;
  const free = new Map(ports);
  const at: number[] = [];
  const go = (d: number, cost: number): void => {
    if (d === lists.length) {
      best = { cost, at: [...at] };
      return;
    }
    for (const option of sorted[d]!) {
      const least = cost + option.cost + rest[d + 1]!;
      if (least > (budget ?? Infinity) || (best !== null && least >= best.cost)) return;
      const taken: string[] = [];
      const fits = option.uses.every((kind) => {
        const left = free.get(kind) ?? 0;
        if (left < 1) return false;
        free.set(kind, left - 1);
        taken.push(kind);
        return true;
      });
      if (fits) {
        at.push(option.i);
        go(d + 1, cost + option.cost);
        at.pop();
      }
      for (const kind of taken) free.set(kind, free.get(kind)! + 1);
    }
  };
  go(0, 0);
  return (best as { at: number[] } | null)?.at ?? null;
}

/** A device of several with what could be built for it. */
export interface ChosenDevice {
  wanted: Wanted;
  candidates: readonly Candidate[];
  finalists: Finalists;
}

/** The devices placed: a build for each, each on a port of its own. */
export interface Together {
  /** Each device's build, with the ports it hangs on put in; null for one that nothing is sure for. */
  builds: (Candidate | null)[];
  /** Money for all; null where a price is not known. */
  cost: number | null;
  /** Why they do not go together; null where they do. */
  problem: 'nothing sure' | 'ports or budget' | null;
}

/** A machine's ports by what they are: alike ones have the same key. */
function kindsOf({ places }: Wanted): {
  kind: (place: number, port: string) => string;
  all: [string, string][];
} {
  const keys = places.map(
    ({ host }) => new Map(host.ports.map((p) => [p.id, `${host.id} ${portTraits(p)}`])),
  );
  return {
    kind: (place, port) => keys[place]!.get(port)!,
    all: places.flatMap(({ host }, i) =>
      host.ports.map((p): [string, string] => [keys[i]!.get(p.id)!, `${host.id} ${p.id}`]),
    ),
  };
}

/** Of each way to hang at the ports there are: the cheapest build that is sure. */
function* optionsOf(device: ChosenDevice): Generator<null, (DeviceOption & { candidate: Candidate })[]> {
  const { kind } = kindsOf(device.wanted);
  const groups = new Map<string, { uses: string[]; list: Candidate[] }>();
  for (const one of [...device.candidates].sort(cheapestFirst)) {
    const uses = [one.build.port, ...one.elsewhere.map((c) => c.port)].map((port, i) => kind(i, port));
    const key = uses.join('|');
    const group = groups.get(key) ?? { uses, list: [] };
    group.list.push(one);
    groups.set(key, group);
  }
  const found: (DeviceOption & { candidate: Candidate })[] = [];
  for (const { uses, list } of groups.values()) {
    const candidate = device.finalists.first(list);
    if (candidate) found.push({ uses, cost: candidate.cost ?? 0, candidate });
    yield null;
  }
  return found;
}

/**
 * Builds for several devices of one job together: every port used once, one budget for all, each target as sure as it has to be. Gives back after
 * each piece, so that it can be stopped.
 * @param budget of all together; null: none
 */
export function* chooseTogether(
  devices: readonly ChosenDevice[],
  budget: number | null,
): Generator<null, Together> {
  const lists: (DeviceOption & { candidate: Candidate })[][] = [];
  for (const device of devices) lists.push(yield* optionsOf(device));
  const [ports, names] = [new Map<string, number>(), new Map<string, string[]>()];
  const seen = new Set<string>();
  for (const [kind, port] of devices.flatMap(({ wanted }) => kindsOf(wanted).all)) {
    if (seen.has(port)) continue;
    seen.add(port);
    ports.set(kind, (ports.get(kind) ?? 0) + 1);
    names.set(kind, [...(names.get(kind) ?? []), port]);
  }
  const none = (problem: Together['problem']): Together => ({
    builds: lists.map((list) => [...list].sort((a, b) => a.cost - b.cost)[0]?.candidate ?? null),
    cost: null,
    problem,
  });
  if (lists.some((list) => list.length === 0)) return none('nothing sure');
  const at = placeTogether(lists, ports, budget);
  if (at === null) return none('ports or budget');
  // Alike ports are given out in their order.
  const builds = at.map((i, d): Candidate => {
    const { candidate, uses } = lists[d]![i]!;
    const [first, ...others] = uses.map((kind) => names.get(kind)!.shift()!.split(' ').at(-1)!);
    return {
      ...candidate,
      build: { ...candidate.build, port: first! },
      elsewhere: candidate.elsewhere.map((c, k) => ({ ...c, port: others[k]! })),
    };
  });
  const costs = builds.map((b) => b.cost);
  const cost = costs.some((c) => c === null) ? null : costs.reduce((sum: number, c) => sum + c!, 0);
  return { builds, cost, problem: null };
}
