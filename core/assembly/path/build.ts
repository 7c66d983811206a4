import { least } from '../../stats';
import { bare } from '../../evidence';
import type { Direction } from '../../catalog/links';
import { decide } from './bottleneck';
import { collectLinks } from './collect';
import { both } from './constraint';
import { deciding, flowOf } from './flow';
import { negotiateLinks } from './links';
import { mismatches, type Blocker, type PathParts } from './parts';
import type { Path } from './path';
import { strip } from './strip';

/** Puts parts together: negotiates each link, finds every constraint, the flow and what decides it. */
export function buildPath(parts: PathParts): Path {
  const path = screenPath(parts);
  path.segments = strip(path);
  if (path.flow) path.bottleneck = both((d) => decide(path, d));
  return path;
}

/** {@link buildPath} as far as numbers ask: no strip and no bottleneck, for candidates by the hundred thousand. */
export function screenPath(parts: PathParts): Path {
  const links = negotiateLinks(parts);
  const { inner, outer, hops } = links;
  const blocked: Blocker[] = mismatches(parts);
  for (const link of [inner, outer, ...hops]) if (link && !link.mode) blocked.push({ id: 'no mode', link });
  const path: Path = {
    parts,
    segments: [],
    constraints: collectLinks(parts, links),
    links,
    inner,
    outer,
    blocked,
    carries: null,
    flow: null,
    bottleneck: null,
  };
  if (blocked.length > 0) return path;
  const rates = (section: 'all' | 'links', d: Direction) => deciding(path, section, d).map((c) => c.rate[d]);
  const asked = parts.requests !== undefined;
  path.carries = both((d) => (asked ? flowOf(bare, path, d, 'links') : least(rates('links', d))));
  path.flow = both((d) => (asked ? flowOf(bare, path, d) : least(rates('all', d))));
  return path;
}

/** Hard ceiling of the whole path in B/s: what no honest measurement can exceed. Infinity where no link sets one. */
export function hardCeiling(path: Path): number {
  return Math.min(Infinity, ...path.constraints.map((c) => c.ceiling ?? Infinity));
}
