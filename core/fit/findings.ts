import { BAY } from './bay';
import { LINK } from './link';
import { MEDIA } from './media';
import { POWER } from './power';
import { SHAPE } from './shape';
import { SYSTEM } from './system';
import type { Accessory } from '../catalog/parts';
import { factsOf, type Setting } from './facts';
import { of, SEVERITIES, type Finding, type Rule, type Severity } from './rule';

/** All rules, in the order a technician asks: will it go in, is it fed and cooled, is it seen, how fast, by the maker's terms, for this work. */
const known: Rule[] = [...SHAPE, ...POWER, ...SYSTEM, ...LINK, ...BAY, ...MEDIA];
export const RULES: readonly Rule[] = known;

/** Makes another rule one of them. @returns how to take it out again */
export function registerRule(rule: Rule): () => void {
  known.push(rule);
  return () => known.splice(known.indexOf(rule), 1);
}

/** What blocks, limits, deserves caution or is good to know about a path, worst first. */
export function findings(setting: Setting): Finding[] {
  const f = factsOf(setting);
  return RULES.filter((rule) => rule.when(f))
    .map((rule): Finding => {
      const { figure, policy } = rule;
      return {
        id: rule.id,
        severity: of(rule.severity, f),
        segment: of(rule.segment, f),
        title: of(rule.title, f),
        reason: of(rule.reason, f).trim(),
        fix: rule.fix === null ? null : of(rule.fix, f),
        ...(policy ? { policy: { id: policy, followed: f.policies[policy] } } : {}),
        ...(figure ? { figure: () => figure(f) } : {}),
      };
    })
    .sort((a, b) => rank(a.severity) - rank(b.severity));
}

const rank = (severity: Severity): number => SEVERITIES.indexOf(severity);

/** Ids of the rules that keep the build from working; no words are made. */
export const blocksOf = (setting: Setting): string[] => screenRules(setting).blocks;

/** What keeps the build from working, by rule, and the small parts that rules ask for beside; no words are made. */
export function screenRules(setting: Setting): { blocks: string[]; kit: Accessory['kind'][] } {
  const f = factsOf(setting);
  const blocks: string[] = [];
  const kit: Accessory['kind'][] = [];
  for (const rule of RULES) {
    const mayBlock = typeof rule.severity === 'function' || rule.severity === 'blocks';
    if ((!mayBlock && !rule.kit) || !rule.when(f)) continue;
    if (mayBlock && of(rule.severity, f) === 'blocks') blocks.push(rule.id);
    if (rule.kit && !kit.includes(rule.kit)) kit.push(rule.kit);
  }
  return { blocks, kit };
}

/** What a rule is called, on a path where it fires. */
export function titleOf(id: string, setting: Setting): string {
  const rule = RULES.find((r) => r.id === id);
  return rule ? of(rule.title, factsOf(setting)) : id;
}

/** How a path stands: nothing goes, something holds it, what decides it is not known, or all is as good as these parts get. */
export type PathState = 'blocked' | 'limited' | 'unknown' | 'fine';

export function stateOf(setting: Setting, found: readonly Finding[] = findings(setting)): PathState {
  if (found.some((finding) => finding.severity === 'blocks')) return 'blocked';
  const { path, direction } = setting;
  const deciding = path.bottleneck?.[direction].constraint;
  const { drive, host, endpoint } = path.parts;
  const end = endpoint ?? host.storage;
  const fact =
    deciding?.id === 'media'
      ? drive[direction]
      : deciding?.id === 'other'
        ? end[direction === 'read' ? 'write' : 'read']
        : null;
  if (fact && fact.value === null) return 'unknown';
  return found.some((finding) => finding.severity === 'limits') ? 'limited' : 'fine';
}
