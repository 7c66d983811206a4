import { ceilingOf, linkById } from '../catalog/links';
import type { Case } from '../forecast';
import { barePathFor } from '../forecast';

const rate = (id: string): number => ceilingOf(linkById(id));

/** What a link may fall back to, the quickest first: each mode that one brings with it, and those bring. */
export function slowerModes(mode: string | null): string[] {
  if (mode === null) return [];
  const found = new Set<string>();
  const add = (id: string) =>
    linkById(id).implies.forEach((next) => {
      if (!found.has(next)) add(next);
      found.add(next);
    });
  add(mode);
  return [...found].filter((id) => rate(id) < rate(mode)).sort((a, b) => rate(b) - rate(a));
}

/** The same lanes of each older generation, or each lower count of lanes, the nearest first. */
export function lesserPcie(mode: string | null, change: 'generation' | 'lanes'): string[] {
  const found = /^pcie(\d)x(\d+)$/.exec(mode ?? '');
  if (!found) return [];
  const [generation, lanes] = [Number(found[1]), Number(found[2])];
  if (change === 'generation')
    return Array.from({ length: generation - 1 }, (_, i) => `pcie${generation - 1 - i}x${lanes}`);
  return Array.from({ length: Math.log2(lanes) }, (_, i) => `pcie${generation}x${lanes / 2 ** (i + 1)}`);
}

/** The mode that device and port have negotiated; null where the path is blocked. */
export function outerMode(of: Case): string | null {
  const path = barePathFor(of);
  return path.blocked.length > 0 ? null : (path.outer.mode?.id ?? null);
}

/** What a system may say it negotiated: the mode that the build has, and all below it. */
export function lesserModes(of: Case): string[] {
  const mode = outerMode(of);
  if (mode === null) return [];
  return [mode, ...lesserPcie(mode, 'lanes'), ...lesserPcie(mode, 'generation'), ...slowerModes(mode)];
}

type Port = Case['host']['ports'][number];

/** A case whose port is another one. */
function withPort(of: Case, change: Partial<Port>): Case {
  const { host, build } = of;
  const ports = host.ports.map((p) => (p.id === build.port ? { ...p, ...change } : p));
  return { ...of, host: { ...host, ports } };
}

/** A case whose port has one mode only. */
export const portWith = (of: Case, mode: string): Case => withPort(of, { modes: [mode] });

const HUB = 'a hub or dock';

/** A case whose device hangs on a hub that passes on one mode only. */
export const behindHub = (of: Case, mode: string): Case => withPort(of, { modes: [mode], position: HUB });

const bestMode = ({ modes }: Port): string | undefined => [...modes].sort((a, b) => rate(b) - rate(a))[0];

/** What the device is plugged into: a hub, or a port by the best that it has. */
export function pluggedInto({ host, build }: Case): string {
  const port = host.ports.find(({ id }) => id === build.port);
  if (!port || port.position === HUB || (build.hops?.length ?? 0) > 0) return HUB;
  return bestMode(port) ?? HUB;
}

/** What it may be plugged into: each class of port that this machine has outside, or inside where its own is there; or a hub. */
export function plugsOf({ host, build }: Case): string[] {
  const isInside = ({ modes }: Port) => modes.every((mode) => /^(pcie|sata|sas)/.test(mode));
  const own = host.ports.find(({ id }) => id === build.port);
  const ports = host.ports.filter((port) => !own || isInside(port) === isInside(own));
  return [...new Set([...ports.flatMap((port) => bestMode(port) ?? []), HUB])];
}
