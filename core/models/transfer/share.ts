import type { Resource, Taker } from './state';

/** What a taker gets that meets nobody: its most already allows for all it uses but power. */
export function alone(taker: Taker): void {
  const { uses, coefficients, count } = taker;
  taker.rate = taker.most;
  taker.held = null;
  if (!taker.powered) return;
  for (let i = 0; i < count; i++) {
    const rate = uses[i]!.limit / coefficients[i]!;
    if (uses[i]!.kind === 'power' && rate < taker.rate) {
      taker.rate = rate;
      taker.held = uses[i]!;
      taker.held.users = 1;
    }
  }
}

/** Whether takers meet on any resource. */
function meet(takers: readonly Taker[], many: number): boolean {
  for (let t = 0; t < many; t++) {
    const { uses, count } = takers[t]!;
    for (let i = 0; i < count; i++) uses[i]!.users = 0;
  }
  let shared = false;
  for (let t = 0; t < many; t++) {
    const { uses, count } = takers[t]!;
    for (let i = 0; i < count; i++) if (++uses[i]!.users > 1) shared = true;
  }
  return shared;
}

function isUsed({ uses, count }: Taker, resource: Resource): boolean {
  for (let i = 0; i < count; i++) if (uses[i] === resource) return true;
  return false;
}

/** The level to which all that are open can rise, and what is full then; null where one has what it wants first. */
function nextLevel(
  takers: readonly Taker[],
  resources: readonly Resource[],
): { level: number; full: Resource | null } {
  let level = Infinity;
  let full: Resource | null = null;
  for (const resource of resources) resource.wanted = 0;
  for (const { open, uses, coefficients, count } of takers)
    if (open) for (let i = 0; i < count; i++) uses[i]!.wanted += coefficients[i]!;
  for (const resource of resources) {
    const at = Math.max(0, resource.left) / resource.wanted;
    if (resource.wanted > 0 && at < level) {
      level = at;
      full = resource;
    }
  }
  for (const taker of takers)
    if (taker.open && taker.most <= level) {
      level = taker.most;
      full = null;
    }
  return { level, full };
}

/**
 * Max-min fair rates where takers load resources unlike each other (a medium writes slower than it reads): all rise together, one stops at its
 * own most or when a resource it uses is full.
 * @param many how many of the takers count; the rest is room
 * @returns whether any meet: if not, each has what it would have alone
 * @throws RangeError for a taker without any limit
 */
export function share(all: readonly Taker[], many: number, resources: readonly Resource[]): boolean {
  if (!meet(all, many)) {
    for (let t = 0; t < many; t++) alone(all[t]!);
    return false;
  }
  const takers = all.slice(0, many);
  for (const taker of takers) taker.open = true;
  for (const resource of resources) resource.left = resource.limit;
  for (let open = takers.length; open > 0;) {
    const { level, full } = nextLevel(takers, resources);
    if (level === Infinity) throw new RangeError('What flows without any limit has no rate.');
    const before = open;
    for (const taker of takers) {
      const { uses, coefficients, count, most } = taker;
      if (!taker.open || (most > level && !(full && isUsed(taker, full)))) continue;
      taker.rate = level;
      taker.held = most <= level ? null : full;
      taker.open = false;
      for (let i = 0; i < count; i++) uses[i]!.left -= coefficients[i]! * level;
      open--;
    }
    if (open === before) throw new RangeError('The shares do not come to an end.');
  }
  return true;
}
