/** What a stream takes of a resource: `coefficient` of its limit for each B/s. */
export interface Use {
  resource: number;
  coefficient: number;
}

/** Something that wants to flow as fast as it can, up to `most` B/s. */
export interface Stream {
  most: number;
  uses: Use[];
  rate: number;
  /** The resource that holds it; −1 where its own most does. */
  held: number;
}

/**
 * Max-min fair rates where streams load resources unlike each other (a medium writes slower than it reads): all rise together, one stops at its
 * own most or when a resource it uses is full.
 * @param limits what each resource has to give
 */
export function share(streams: readonly Stream[], limits: readonly number[]): void {
  let open = streams.length;
  for (const s of streams) s.rate = -1;
  if (open === 1) {
    const [only] = streams as [Stream];
    only.rate = only.most;
    only.held = -1;
    for (let r = 0; r < limits.length; r++) {
      const rate = limits[r]! / coefficientOf(only, r);
      if (rate < only.rate) {
        only.rate = rate;
        only.held = r;
      }
    }
    return;
  }
  const left = [...limits];
  while (open > 0) {
    let level = Infinity;
    let full = -1;
    for (let r = 0; r < left.length; r++) {
      let wanted = 0;
      for (const s of streams) if (s.rate < 0) wanted += coefficientOf(s, r);
      if (wanted > 0 && Math.max(0, left[r]!) / wanted < level) {
        level = Math.max(0, left[r]!) / wanted;
        full = r;
      }
    }
    for (const s of streams)
      if (s.rate < 0 && s.most <= level) {
        level = s.most;
        full = -1;
      }
    if (level === Infinity) throw new RangeError('A stream without any limit has no rate.');
    let stopped = 0;
    for (const s of streams) {
      if (s.rate >= 0) continue;
      const holds = full >= 0 && coefficientOf(s, full) > 0;
      if (s.most > level && !holds) continue;
      s.rate = level;
      s.held = s.most <= level ? -1 : full;
      for (const use of s.uses) left[use.resource]! -= use.coefficient * level;
      open--;
      stopped++;
    }
    if (stopped === 0) throw new RangeError('The shares do not come to an end.');
  }
}

function coefficientOf({ uses }: Stream, resource: number): number {
  let sum = 0;
  for (const use of uses) if (use.resource === resource) sum += use.coefficient;
  return sum;
}
