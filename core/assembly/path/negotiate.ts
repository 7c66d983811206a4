import { expectedRate, linkById, modesOf, type Link } from '../../catalog/links';

/** A place in a link: an end, or the cable between. Behind hubs each has its own. */
export type ParticipantId = 'drive' | 'bridge' | 'cable' | 'port' | `hub-${number}` | `hub-${number}-cable`;

/** Who takes part in a link. */
export interface Participant<Id extends string = string> {
  id: Id;
  name: string;
  modes: readonly string[];
}

/** Why a link runs as it does. */
export type Why =
  /** The best that all share, or none that they do. */
  | { id: 'shared' }
  /** The system says it negotiated less than all on it could. */
  | { id: 'seen' }
  /** A hub's port offers nothing that the hub's own uplink carries. */
  | { id: 'nothing offered'; by: string }
  /** Several ports hang on one uplink. */
  | { id: 'uplink'; port: string; uplink: string }
  /** What stands at the other end hangs on a link of its own, or in a port that runs less. */
  | { id: 'other end'; name: string; port: string | null };

export interface Negotiated<Id extends string = string> {
  /** The mode it runs at; null where nothing is shared. */
  mode: Link | null;
  why: Why;
  participants: readonly Participant<Id>[];
  /** The participants without which the link would run faster; several when no single one's exchange would help. */
  limiters: Id[];
  /** The mode it would run at without the limiters. */
  without: Link | null;
}

function best(participants: readonly Participant[]): Link | null {
  const [first, ...others] = participants.map((p) => modesOf(p.modes));
  if (!first) return null;
  let found: Link | null = null;
  for (const id of first) {
    if (!others.every((modes) => modes.has(id))) continue;
    const link = linkById(id);
    if (!found || expectedRate(link) > expectedRate(found)) found = link;
  }
  return found;
}

/** The best mode that lists of modes share; null where there is none. */
export const bestShared = (...lists: readonly (readonly string[])[]): Link | null =>
  best(lists.map((modes) => ({ id: '', name: '', modes })));

/** The best mode that all participants share, and who holds it down. */
export function negotiate<Id extends string>(participants: readonly Participant<Id>[]): Negotiated<Id> {
  const mode = best(participants);
  const better = (other: Link | null): other is Link =>
    other !== null && participants.length > 1 && (!mode || expectedRate(other) > expectedRate(mode));
  const freed: { id: Id; mode: Link }[] = [];
  for (const one of participants) {
    const other = best(participants.filter((p) => p !== one));
    if (better(other)) freed.push({ id: one.id, mode: other });
  }
  freed.sort((a, b) => expectedRate(b.mode) - expectedRate(a.mode));
  const held = freed[0]
    ? { limiters: freed.map((f) => f.id), without: freed[0].mode }
    : heldTogether(participants, mode);
  return { mode, why: { id: 'shared' }, participants, ...held };
}

/** Where exchanging one participant alone would not help: all those that fall short of the best one's own mode. */
function heldTogether<Id extends string>(
  participants: readonly Participant<Id>[],
  mode: Link | null,
): Pick<Negotiated<Id>, 'limiters' | 'without'> {
  const own = participants.map((p) => ({ id: p.id, rate: expectedRate(best([p])!), best: best([p])! }));
  const peak = own.reduce((a, b) => (b.rate > a.rate ? b : a));
  if (mode === null || peak.rate <= expectedRate(mode)) return { limiters: [], without: null };
  return { limiters: own.filter((p) => p.rate < peak.rate).map((p) => p.id), without: peak.best };
}
