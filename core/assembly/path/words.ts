import type { Direction } from '../../catalog/links';
import type { Crowd } from './crowd';
import type { Negotiated, Participant } from './negotiate';
import type { Blocker } from './parts';

/*
 * What a path says of itself. Words are made last, out of ids and numbers; nothing reads them back.
 */
const listed = (names: readonly string[]): string =>
  names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)}` : (names[0] ?? '');
const namesOf = (participants: readonly Participant[]): string => listed(participants.map((p) => p.name));

/** Why a link runs as it does. */
export function reasonOf({ mode, why, participants, limiters, without }: Negotiated): string {
  const name = mode?.name ?? '';
  switch (why.id) {
    case 'seen':
      return `negotiated ${name} though all on it can run ${without!.name}`;
    case 'nothing offered':
      return `${why.by} offers nothing that its own uplink carries`;
    case 'uplink':
      return `${why.port} shares ${why.uplink} with others`;
    case 'other end':
      return why.port === null
        ? `${why.name} is connected by ${name}`
        : `${why.name} in ${why.port}, which runs ${name}`;
    case 'shared': {
      const all = namesOf(participants);
      const held = namesOf(participants.filter((p) => limiters.includes(p.id)));
      if (!mode && !without) return `no mode is shared by ${all}`;
      if (!mode) return `${held} ${limiters.length > 1 ? 'share' : 'shares'} no mode with the rest of ${all}`;
      if (!without) return `the best mode that ${all} share`;
      return `held to ${name} by ${held}; without that it could run ${without.name}`;
    }
  }
}

/** Who else is on a shared thing. */
export function contentionWords({ together, twice, beside }: Crowd): string {
  const words = [
    together > 1 ? `${together} drives at once` : '',
    twice === null ? '' : `the copy comes and goes over it (${twice} is on it too)`,
    ...beside.map((n) => `${n.name} ${n.direction === 'read' ? 'reading' : 'writing'}`),
  ];
  return words.filter(Boolean).join(', ');
}

/** Why nothing flows at a place. */
export function blockWords(block: Blocker): string {
  switch (block.id) {
    case 'plug':
      return `${block.a.name} (${block.a.connector}) does not go into ${block.b.name} (${block.b.connector})`;
    case 'lead': {
      const { cable, a, b } = block;
      const ends = `${a.name} (${a.connector}) and ${b.name} (${b.connector})`;
      return `${cable.name} (${cable.ends[0]} to ${cable.ends[1]}) does not join ${ends}`;
    }
    case 'no cable':
      return `${block.box} needs a cable to ${block.to}`;
    case 'no mode':
      return reasonOf(block.link);
  }
}

export const DOING: Record<Direction, string> = { read: 'reading', write: 'writing' };
