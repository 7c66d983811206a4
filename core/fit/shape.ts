import { format } from '../units';
import { blockWords, isConverting } from '../assembly';
import { heightOf } from '../catalog/parts';
import type { Rule } from './rule';
import type { Facts } from './facts';

const list = (words: readonly string[]) =>
  words.length > 1 ? `${words.slice(0, -1).join(', ')} or ${words.at(-1)}` : (words[0] ?? '');
/** A bay adapter makes a smaller drive as wide as the bay. */
const adapted = (f: Facts, forms: readonly string[]) =>
  f.form === '2.5-inch' && forms.includes('3.5-inch') && f.has('bay adapter');
const takes = (f: Facts, forms: readonly string[] | undefined) =>
  !forms || f.form === null || forms.includes(f.form) || adapted(f, forms);
const mm = (value: number) => format(value, 'mm', 5);
/** Whether the drive itself sits in the host's port, or a pass-through card does. */
const inPort = (f: Facts) => f.bridge === null && !f.external;
const usedHeight = (f: Facts) => f.height ?? 0;
const card = (f: Facts) => (f.bridge?.plug === 'PCIe slot' ? f.bridge.card : undefined);

function baysWords({ bridge }: Facts): string {
  if (!bridge) return 'and nothing that holds more than one';
  const { bays = 1 } = bridge;
  return `${bridge.model} has ${bays} ${bays === 1 ? 'bay' : 'bays'}`;
}

/** Ports that go dead with one in use, by where they are. */
export const deadPorts = ({ port, host }: Pick<Facts, 'port' | 'host'>): string[] =>
  (port.switchesOff ?? []).map((id) => host.ports.find((p) => p.id === id)?.position ?? id);

/** Which ports go dead with this one in use, and what hangs there. */
function deadWords({ port, host, endpoint }: Facts): string {
  const { switchesOff = [] } = port;
  const names = deadPorts({ port, host });
  const hangs = endpoint?.port !== undefined && switchesOff.includes(endpoint.port);
  const dead = `${names.join(', ')} ${names.length === 1 ? 'goes' : 'go'} dead`;
  return hangs ? `${dead}, and ${endpoint.name} hangs there` : dead;
}

/** By how much it is too high, and whether the bare drive would go in. */
function tooHigh(f: Facts, where: string, room: number): string {
  const bare = heightOf(f.drive);
  const high = usedHeight(f);
  const fits = f.hasHeatsink && bare !== null && bare <= room;
  return (
    `${mm(high - room)} are missing: with what lies on it the drive is ${mm(high)} high, ${where} has room for ${mm(room)}.` +
    (fits ? ` The bare drive, ${mm(bare)}, would go in.` : '')
  );
}

/** Will it go in? */
export const SHAPE: Rule[] = [
  {
    id: 'plugs-differ',
    severity: 'blocks',
    segment: null,
    title: 'The plugs do not meet',
    when: (f) => f.plugs.length > 0,
    reason: (f) => f.plugs.map((block) => sentence(blockWords(block))).join(' '),
    fix: 'Take a part whose plug fits: a cable with the right ends, another port, or an enclosure or card for this form factor.',
  },
  {
    id: 'form-enclosure',
    severity: 'blocks',
    segment: 'bridge',
    title: 'The drive does not fit its enclosure or card',
    when: (f) => f.bridge !== null && !takes(f, f.bridge.forms),
    reason: (f) => `${f.drive.model} is ${f.form}; ${f.bridge!.model} takes ${list(f.bridge!.forms!)}.`,
    fix: (f) =>
      `Take an enclosure or card for ${f.form}${f.form === '2.5-inch' && f.bridge!.forms!.includes('3.5-inch') ? ', or put a bay adapter on the list' : ''}.`,
  },
  {
    id: 'form-slot',
    severity: 'blocks',
    segment: 'port',
    title: 'The drive does not fit the slot or bay',
    when: (f) => inPort(f) && !takes(f, f.port.forms),
    reason: (f) => `${f.drive.model} is ${f.form}; ${f.port.position} takes ${list(f.port.forms!)}.`,
    fix: (f) =>
      f.form === '2.5-inch' && f.port.forms!.includes('3.5-inch')
        ? 'Put a bay adapter on the list.'
        : 'Take the drive in a length or size the slot has a place for.',
  },
  {
    id: 'too-high-enclosure',
    severity: 'blocks',
    segment: 'bridge',
    title: 'Not enough clearance in the enclosure',
    when: (f) => f.bridge?.room !== undefined && f.height !== null && f.height > f.bridge.room,
    reason: (f) => tooHigh(f, f.bridge!.model, f.bridge!.room!),
    fix: (f) =>
      f.hasHeatsink
        ? 'Take the heatsink off where it comes off, and use the enclosure’s own pad; or take a higher enclosure.'
        : 'Take a flatter drive or a higher enclosure.',
  },
  {
    id: 'too-high-slot',
    severity: 'blocks',
    segment: 'port',
    title: 'Not enough clearance in the slot or bay',
    when: (f) => inPort(f) && f.port.room !== undefined && f.height !== null && f.height > f.port.room,
    reason: (f) => tooHigh(f, f.port.position, f.port.room!),
    fix: (f) =>
      f.hasHeatsink
        ? `Take a heatsink that leaves the whole under ${mm(f.port.room!)}.`
        : 'Take a flatter drive.',
  },
  {
    id: 'loose-in-bay',
    kit: 'mounting screws',
    severity: 'note',
    segment: (f) => (f.bridge ? 'bridge' : 'port'),
    title: 'The bay is higher than the drive',
    when: (f) =>
      f.form === '2.5-inch' &&
      f.height !== null &&
      !(f.bridge?.forms ?? f.port.forms ?? []).includes('3.5-inch') &&
      (f.bridge?.room ?? f.port.room ?? 0) >= f.height + 2 &&
      !f.has('mounting screws'),
    reason: (f) =>
      `The drive is ${mm(usedHeight(f))} high in ${mm((f.bridge?.room ?? f.port.room)!)}: it can move when carried.`,
    fix: 'Add a spacer or screws to the kit.',
  },
  {
    id: 'key',
    severity: 'blocks',
    segment: 'port',
    title: 'The notch is on the other side',
    when: (f) =>
      inPort(f) &&
      f.m2 &&
      f.drive.key !== undefined &&
      f.port.key !== undefined &&
      f.drive.key !== 'B+M' &&
      f.drive.key !== f.port.key,
    reason: (f) =>
      `${f.drive.model} has key ${f.drive.key}, the socket key ${f.port.key}: a board with both notches (B+M) goes into either, one with key M not into B.`,
    fix: 'Take a board with the socket’s key; never force it.',
  },
  {
    id: 'm2-interface',
    severity: 'blocks',
    segment: (f) => (f.bridge ? 'bridge' : 'port'),
    title: 'It goes in and is not seen: M.2 is a shape, not an interface',
    when: (f) =>
      f.drive.plug === 'M.2' &&
      f.noMode.length > 0 &&
      ((isConverting(f.bridge) ? f.path.inner : f.path.outer)?.mode ?? null) === null &&
      (f.bridge?.socket ?? f.port.connector) === 'M.2',
    reason: (f) =>
      `${f.drive.model} speaks ${f.nvme ? 'NVMe over PCIe' : 'SATA'}; ${f.bridge?.model ?? f.port.position} does not.`,
    fix: (f) =>
      `Take ${f.nvme ? 'a SATA drive in M.2, or a socket with PCIe lanes' : 'an NVMe drive, or a socket that carries SATA'}.`,
  },
  {
    id: 'card-too-long',
    severity: 'blocks',
    segment: 'bridge',
    title: 'The card is longer than the slot',
    when: (f) =>
      card(f) !== undefined &&
      f.port.slot !== undefined &&
      card(f)!.edge > f.port.slot.edge &&
      f.port.slot.open !== true,
    reason: (f) =>
      `${f.bridge!.model} has an edge of ×${card(f)!.edge}; ${f.port.position} is ×${f.port.slot!.edge} long and closed at its end.`,
    fix: 'Use a longer slot, an open-ended one, or a shorter card.',
  },
  {
    id: 'bracket',
    kit: 'bracket',
    severity: (f) => (card(f)!.bracket === 'full' ? 'blocks' : 'caution'),
    segment: 'bridge',
    title: (f) =>
      card(f)!.bracket === 'full'
        ? 'The bracket is too high for the case'
        : 'The bracket does not reach the screw',
    when: (f) =>
      card(f) !== undefined &&
      f.port.slot?.bracket !== undefined &&
      card(f)!.bracket !== 'both' &&
      card(f)!.bracket !== f.port.slot.bracket &&
      !f.has('bracket'),
    reason: (f) =>
      `${f.bridge!.model} comes with a ${card(f)!.bracket}-height bracket (full 120 mm, ` +
      `half 79 mm); ${f.port.position} has place for a ${f.port.slot!.bracket}-height ` +
      'one.',
    fix: 'Put the other bracket on the kit list.',
  },
  {
    id: 'slot-splitting',
    severity: 'blocks',
    segment: 'port',
    title: 'Only the first drive on the card would be seen',
    when: (f) =>
      card(f)?.splitting === 'board' &&
      (f.together ?? 1) > (f.port.slot?.splits ?? 1) &&
      f.port.slot?.splits !== undefined,
    reason: (f) =>
      `${f.bridge!.model} needs bifurcation of the slot for ${f.together} drives; ${f.port.position} offers ${f.port.slot!.splits}.`,
    fix: 'Take a card with a switch of its own, or fewer drives on it.',
  },
  {
    id: 'slot-splitting-unknown',
    severity: 'caution',
    segment: 'port',
    title: 'Whether the slot can be split is not known',
    when: (f) => card(f)?.splitting === 'board' && (f.together ?? 1) > 1 && f.port.slot?.splits === undefined,
    reason: (f) =>
      `${f.bridge!.model} carries ${f.together} drives and leaves the splitting to the board (×4×4×4×4 in its setup).`,
    fix: 'Look it up in the board’s manual before buying, or take a card with a switch of its own.',
  },
  {
    id: 'bays-full',
    severity: 'blocks',
    segment: 'bridge',
    title: 'More drives than bays',
    when: (f) => (f.together ?? 1) > (f.bridge?.bays ?? 1),
    reason: (f) => `${f.together} drives, ${baysWords(f)}.`,
    fix: 'Take an enclosure with more bays, or fewer drives.',
  },
  {
    id: 'bay-adapter',
    kit: 'bay adapter',
    severity: 'note',
    segment: 'bridge',
    title: 'A small drive in a large bay',
    when: (f) =>
      f.form === '2.5-inch' &&
      ((f.bridge?.forms?.includes('3.5-inch') ?? false) ||
        (inPort(f) && (f.port.forms?.includes('3.5-inch') ?? false))) &&
      !f.has('bay adapter'),
    reason:
      'A 2.5-inch drive needs something to hold it in a 3.5-inch bay, with its connector where the bay has it.',
    fix: 'Put a bay adapter on the kit list.',
  },
  {
    id: 'standoff',
    kit: 'standoff and screw',
    severity: 'note',
    segment: 'drive',
    title: 'A screw and a standoff decide the job',
    when: (f) => f.m2 && !f.external && !f.has('standoff and screw'),
    reason: (f) =>
      `A board of ${f.form} is held by one small screw on a standoff at its own length; hosts come without them as often as not.`,
    fix: 'Put a standoff and screw on the kit list; look that the standoff sits at the right length.',
  },
  {
    id: 'switches-off',
    severity: (f) =>
      f.endpoint?.port !== undefined && f.port.switchesOff!.includes(f.endpoint.port) ? 'blocks' : 'caution',
    segment: 'port',
    title: 'Using this port switches others off',
    when: (f) => (f.port.switchesOff?.length ?? 0) > 0,
    reason: (f) => `${f.port.position} shares its lanes: ${deadWords(f)}.`,
    fix: 'Look what hangs there today, and move it first.',
  },
  {
    id: 'sealed',
    severity: 'note',
    segment: 'drive',
    title: 'A sealed drive',
    when: (f) => f.drive.sealed === true,
    reason:
      'What is inside is not known and may change without notice; its figures are those of the whole device. Opening it ends the warranty.',
    fix: 'Take it as it is; time it before handing it over.',
  },
  {
    id: 'power-lead',
    kit: 'power lead',
    severity: 'caution',
    segment: 'cable',
    title: 'The drive needs a power lead',
    when: (f) =>
      f.drive.plug === 'SATA' &&
      f.bridge === null &&
      f.port.connector === 'SATA' &&
      f.cable !== null &&
      !f.has('power lead') &&
      !f.has('Y-lead'),
    reason: 'A SATA drive on a board’s port takes data from one lead and power from another.',
    fix: 'Look for a free plug of the host’s supply, or put a power lead on the kit list.',
  },
];

function sentence(words: string): string {
  return `${words[0]!.toUpperCase()}${words.slice(1)}.`;
}
