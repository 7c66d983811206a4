import type { Host, System } from './host';

const FAMILIES: readonly [System['family'], RegExp][] = [
  ['Windows', /\bwin(?:dows)?\b|\bwin(?=\d)/i],
  ['macOS', /\bmac\s?os\b|\bos\s?x\b|\bmac\b/i],
  ['Linux', /linux|\b(?:ubuntu|debian|fedora|mint|suse|arch|rhel|kernel)\b/i],
  ['BSD', /bsd\b/i],
];
/** Versions that have a name for a number. */
const NAMED: Record<string, number> = { xp: 5.001, vista: 6 };

/** `10.13` and `10.4` as numbers that compare as versions do; null where there is none. */
export function versionNumber(text: string | undefined): number | null {
  const named = /\b(xp|vista)\b/i.exec(text ?? '')?.[1];
  if (named) return NAMED[named.toLowerCase()]!;
  const [major, minor = '0'] = /(\d+)(?:\.(\d+))?/.exec(text ?? '')?.slice(1) ?? [];
  return major === undefined ? null : Number(major) + Number(minor) / 1000;
}

/** The system that a text names; null where it names none of those that rules know. */
export function readSystem(text: string): System | null {
  const family = FAMILIES.find(([, words]) => words.test(text))?.[0];
  if (!family) return null;
  const version = /\b(?:xp|vista)\b|\d+(?:\.\d+)?/i.exec(text)?.[0];
  // A distribution counts its own versions: the kernel's is not among them.
  const isKernels = family !== 'Linux' || /\b(?:linux|kernel)\s+\d/i.test(text);
  return { family, ...(version && isKernels ? { version } : {}) };
}

/**
 * The host with another system in use, as it was typed. What was known of a system of the same family stays; of one that rules do not know nothing is
 * known.
 */
export function withSystem(host: Host, text: string): Host {
  const read = readSystem(text);
  const [first, ...others] = host.systems ?? [];
  const same = [first, ...others].find((s) => s !== undefined && s.family === read?.family);
  const left = others.filter((s) => s !== same);
  const { version: _, ...known } = same ?? {};
  return { ...host, system: text, systems: read ? [{ ...known, ...read }, ...left] : left };
}
