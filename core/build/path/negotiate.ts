import { linkById, modesOf, practicalOf, type Link } from '../../catalog/links';

/** Who takes part in a link: an end, or the cable between. */
export interface Participant {
  name: string;
  modes: readonly string[];
}

export interface Negotiated {
  /** The mode it runs at; null where nothing is shared. */
  mode: Link | null;
  /** Why that one, in words. */
  reason: string;
  /** The participants without which the link would run faster; several when no single one's exchange would help. */
  limiters: string[];
  /** The mode it would run at without the limiters. */
  without: Link | null;
}

/** Order of preference: what good equipment reads at, then the hard ceiling's family order in the table. */
const worth = (link: Link) => practicalOf(link, 'read').expected;

function best(participants: readonly Participant[]): Link | null {
  const [first, ...others] = participants.map((p) => modesOf(p.modes));
  if (!first) return null;
  let found: Link | null = null;
  for (const id of first) {
    if (!others.every((modes) => modes.has(id))) continue;
    const link = linkById(id);
    if (!found || worth(link) > worth(found)) found = link;
  }
  return found;
}

/** The best mode that all participants share, and who holds it down. */
export function negotiate(participants: readonly Participant[]): Negotiated {
  const mode = best(participants);
  const freed = participants
    .map((p) => ({ name: p.name, mode: best(participants.filter((other) => other !== p)) }))
    .filter(
      (f): f is { name: string; mode: Link } =>
        f.mode !== null && participants.length > 1 && (!mode || worth(f.mode) > worth(mode)),
    )
    .sort((a, b) => worth(b.mode) - worth(a.mode));
  const { limiters, without } = freed[0]
    ? { limiters: freed.map((f) => f.name), without: freed[0].mode }
    : heldTogether(participants, mode);
  const names = inWords(participants.map((p) => p.name));
  if (!mode)
    return {
      mode,
      limiters,
      without,
      reason: without
        ? `${inWords(limiters)} ${limiters.length > 1 ? 'share' : 'shares'} no mode with the rest of ${names}`
        : `no mode is shared by ${names}`,
    };
  if (!without) return { mode, limiters, without, reason: `the best mode that ${names} share` };
  return {
    mode,
    limiters,
    without,
    reason: `held to ${mode.name} by ${inWords(limiters)}; without that it could run ${without.name}`,
  };
}

/** Where exchanging one participant alone would not help: all those that fall short of the best one's own mode. */
function heldTogether(
  participants: readonly Participant[],
  mode: Link | null,
): { limiters: string[]; without: Link | null } {
  const own = participants.map((p) => ({ name: p.name, best: best([p])! }));
  const peak = own.reduce((a, b) => (worth(b.best) > worth(a.best) ? b : a)).best;
  if (mode === null || worth(peak) <= worth(mode)) return { limiters: [], without: null };
  return { limiters: own.filter((p) => worth(p.best) < worth(peak)).map((p) => p.name), without: peak };
}

const inWords = (names: readonly string[]): string =>
  names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)}` : (names[0] ?? '');
